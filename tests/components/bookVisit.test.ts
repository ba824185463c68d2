import { beforeEach, expect, test, vi } from 'vitest'
import BookVisit from '../../app/components/BookVisit.vue'
import type { VisitRow } from '../../shared/contracts'
import { button, pick, textOf, type } from './find'
import { mountWith, settled } from './mountWith'

const RHONA = '11111111-1111-4111-8111-111111111111'
const PEOPLE = [
  { id: RHONA, name: 'Rhona', role: 'fitter', state: 'here' },
  { id: 'l', name: 'Otto', role: 'fitter', state: 'left' },
  { id: 'r', name: 'Rita', role: 'reader', state: 'here' },
]
const CLIENT = { id: 'c1', name: 'Tove Marchetti' }
beforeEach(() => {
  vi.useFakeTimers({ toFake: ['Date'], now: new Date('2026-12-01T10:00:00') })
  return () => vi.useRealTimers()
})
async function open(visit?: Partial<VisitRow>, props: object = { client: CLIENT }) {
  const opened = await mountWith(BookVisit, {
    props: { ...props, ...(visit && { visit }) },
    answers: {
      'GET people': { people: PEOPLE },
      norms: { versions: [] },
      'clients?q=Tove': { clients: [{ id: 'c1', name: 'Tove Marchetti', code: 'HR-0412' }] },
      'POST visits': { id: 'v9', fittingId: 'f1' },
      'PATCH visits/v1': { version: 3 },
    },
  })
  await settled()
  const sent = () => opened.calls.filter((c) => c.method !== 'GET')
  const keep = async () => {
    await opened.wrapper.find('form').trigger('submit')
    await settled()
  }
  return { ...opened, sent, keep }
}

test('a visit is booked with day, time, its reason’s own length, and whom', async () => {
  const { wrapper, sent, keep } = await open()
  expect(button(wrapper, 'Book it').element.disabled).toBe(true)
  await type(wrapper, 'Day', '9 Dec 2026')
  await type(wrapper, 'Time', '1430')
  wrapper.findComponent({ name: 'VCombobox' }).vm.$emit('update:modelValue', 'first visit')
  await pick(wrapper, 'With', 'Rhona')
  await keep()
  expect(sent()).toEqual([
    {
      method: 'POST',
      path: 'visits',
      body: {
        clientId: 'c1',
        startsAt: new Date('2026-12-09T14:30').toISOString(),
        minutes: 60,
        reason: 'first visit',
        personId: RHONA,
        chair: null,
        anyway: false,
      },
    },
  ])
  expect(wrapper.emitted('kept')).toHaveLength(1)
})

test('only who is here and sees clients is offered', async () => {
  const { wrapper } = await open()
  expect(textOf(wrapper)).not.toContain('Otto')
  await expect(pick(wrapper, 'With', 'Rita')).rejects.toThrow('no Rita among')
})

test('what speaks against it is said, and it is booked all the same by another key', async () => {
  const { wrapper, sent, keep } = await open()
  const answer = globalThis.fetch
  const asked: unknown[] = []
  vi.stubGlobal('fetch', async (input: RequestInfo, init: RequestInit = {}) => {
    if (init.method !== 'POST' || !String(input).endsWith('/visits')) return answer(input, init)
    const body = JSON.parse(String(init.body))
    asked.push(body)
    if (body.anyway) return answer(input, init)
    const problem = { status: 409, code: 'clash', detail: 'The shop is closed on a Sunday.' }
    return new Response(JSON.stringify(problem), {
      status: 409,
      headers: { 'content-type': 'application/problem+json' },
    })
  })
  await type(wrapper, 'Time', '9')
  await keep()
  expect(textOf(wrapper)).toContain('The shop is closed on a Sunday.')
  expect(wrapper.emitted('kept')).toBeUndefined()
  await button(wrapper, 'Book it all the same').trigger('click')
  await settled()
  expect(asked.map((body) => (body as { anyway: boolean }).anyway)).toEqual([false, true])
  expect(sent()).toHaveLength(1)
  expect(wrapper.emitted('kept')).toHaveLength(1)
})

test('one that is booked is moved as it stands', async () => {
  const { sent, keep, wrapper } = await open({
    id: 'v1',
    version: 2,
    startsAt: new Date('2026-12-03T11:00').toISOString(),
    minutes: 20,
    reason: 'recheck',
    personId: null,
  })
  await type(wrapper, 'Time', '11:30')
  await keep()
  expect(sent()[0]).toMatchObject({
    method: 'PATCH',
    path: 'visits/v1',
    body: {
      version: 2,
      startsAt: new Date('2026-12-03T11:30').toISOString(),
      minutes: 20,
      reason: 'recheck',
    },
  })
})

test('a time that is none books nothing', async () => {
  const { wrapper, sent, keep } = await open()
  await type(wrapper, 'Time', '25')
  await keep()
  expect(textOf(wrapper)).toContain('write a time as 9 or 14:30')
  expect(sent()).toEqual([])
})

/** Types into the field that asks who comes, and lists what it offers. */
async function look(wrapper: Awaited<ReturnType<typeof open>>['wrapper'], typed: string) {
  const field = wrapper.findComponent({ name: 'VAutocomplete' })
  field.vm.$emit('update:search', typed)
  await new Promise((go) => setTimeout(go, 250))
  await settled()
  return {
    offered: field.props('items') as { value: string; title: string; isNew: boolean }[],
    take: async (item: object) => {
      field.vm.$emit('update:modelValue', item)
      await settled()
    },
  }
}

test('whoever rings for the first time is booked by name and telephone, as a new client', async () => {
  const { wrapper, sent, keep } = await open(undefined, { at: { chair: 2 }, chairs: 2 })
  await type(wrapper, 'Time', '15')
  expect(button(wrapper, 'Book it').element.disabled).toBe(true)
  const { offered, take } = await look(wrapper, 'Ottoline Brand')
  expect(offered).toMatchObject([{ title: 'Ottoline Brand', isNew: true }])
  await take(offered[0]!)
  await type(wrapper, 'Telephone', '0700 1')
  await keep()
  expect(sent()[0]!.body).toMatchObject({
    newClient: { name: 'Ottoline Brand', phone: '0700 1' },
    chair: 2,
    startsAt: new Date('2026-12-01T15:00').toISOString(),
  })
  expect(sent()[0]!.body).not.toHaveProperty('clientId')
})

test('a known client is offered before a new one of the same name', async () => {
  const { wrapper, sent, keep } = await open(undefined, {})
  const { offered, take } = await look(wrapper, 'Tove')
  expect(offered.map((o) => [o.title, o.isNew])).toEqual([
    ['Tove Marchetti', false],
    ['Tove', true],
  ])
  await take(offered[0]!)
  await type(wrapper, 'Time', '15')
  await keep()
  expect(sent()[0]!.body).toMatchObject({ clientId: 'c1' })
  expect(sent()[0]!.body).not.toHaveProperty('newClient')
})

test('without a time somebody waits for a day', async () => {
  const { wrapper, sent } = await open()
  await button(wrapper, 'Waits for a day').trigger('click')
  await settled()
  expect(sent()[0]!.body).toMatchObject({ clientId: 'c1', startsAt: null })
  expect(wrapper.emitted('kept')).toHaveLength(1)
})
