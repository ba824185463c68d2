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
async function open(visit?: Partial<VisitRow>) {
  const opened = await mountWith(BookVisit, {
    props: { client: CLIENT, ...(visit && { visit }) },
    answers: {
      'GET people': { people: PEOPLE },
      norms: { versions: [] },
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
