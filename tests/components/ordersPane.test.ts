import { expect, test } from 'vitest'
import OrdersPane from '../../app/stations/prescribe/OrdersPane.vue'
import type { LabOrder } from '../../core/record/schema'
import { button, field, textOf, type } from './find'
import { demo, mountWith, settled } from './mountWith'

const ORDER: LabOrder = {
  id: 'first',
  lab: 'Stand-in lab',
  feet: ['left'],
  files: [],
  at: '2026-11-25T09:00:00Z',
  answer: {
    status: 'queries',
    queries: [
      { foot: 'left', code: 'too-thin', words: 'Shall we go up?' },
      { foot: 'both', code: 'too-soon', words: 'Is that day as good?' },
    ],
  },
}

async function open(orders: LabOrder[], answers: Record<string, unknown> = {}) {
  const record = demo('Tove')
  record.orders = orders
  const opened = await mountWith(OrdersPane, { record, props: { feet: ['left'] }, answers })
  const posts = () => opened.calls.filter((c) => c.method === 'POST')
  return { ...opened, posts }
}

test('a question is answered, and only what was written goes out', async () => {
  const { wrapper, posts } = await open([ORDER])
  expect(textOf(wrapper)).toContain('2 to answer')
  const answer = () => button(wrapper, 'Answer the lab').element as HTMLButtonElement
  expect(answer().disabled).toBe(true)
  await field(wrapper, 'Answer: Shall we go up?').setValue('yes, 3 mm')
  expect(answer().disabled).toBe(false)
  await wrapper.find('form').trigger('submit')
  await settled()
  expect(posts()).toMatchObject([
    {
      path: 'fittings/fitting/order/reply',
      body: { order: 'first', replies: [{ foot: 'left', code: 'too-thin', words: 'yes, 3 mm' }] },
    },
  ])
})

test('an order is taken back only when it was meant', async () => {
  const { wrapper, posts } = await open([
    { ...ORDER, answer: { status: 'accepted', queries: [], dueOn: '2026-12-04' } },
  ])
  expect(textOf(wrapper)).toContain('taken, ready 4 Dec 2026')
  await button(wrapper, 'Take it back').trigger('click')
  expect(posts()).toHaveLength(0)
  await button(wrapper, 'Really take it back').trigger('click')
  await settled()
  expect(posts()).toMatchObject([
    { path: 'fittings/fitting/order/cancel', body: { order: 'first' } },
  ])
})

test('one that was taken back, or refused, offers neither answer nor cancel', async () => {
  for (const status of ['cancelled', 'refused'] as const) {
    const { wrapper } = await open([{ ...ORDER, answer: { status, queries: [] } }])
    expect(textOf(wrapper)).not.toContain('Take it back')
    expect(textOf(wrapper)).not.toContain('Answer the lab')
  }
})

test('says what was answered, when it is wanted, and what it is made anew of', async () => {
  const { wrapper } = await open([
    { ...ORDER, answer: { status: 'accepted', queries: [], dueOn: '2026-12-04' } },
    {
      ...ORDER,
      id: 'second',
      wantedOn: '2026-12-20',
      remakeOf: 'first',
      remakeWhy: 'it broke',
      replies: [{ foot: 'left', code: 'too-thin', words: 'go up', by: 'Rhona Kestle' }],
    },
  ])
  const text = textOf(wrapper)
  expect(text).toContain('wanted for 20 Dec 2026')
  expect(text).toContain('it broke')
  expect(text).toContain('too-thin: “go up” Rhona Kestle')
})

test('a new one goes out with its day and its note', async () => {
  const { wrapper, posts } = await open([])
  await field(wrapper, 'Note for the lab').setValue('soft edges')
  await type(wrapper, 'Wanted for', '2027-01-15')
  await button(wrapper, 'Send order').trigger('click')
  await settled()
  expect(posts().at(-1)).toMatchObject({
    path: 'fittings/fitting/order',
    body: { feet: ['left'], note: 'soft edges', wantedOn: '2027-01-15' },
  })
})
