import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import type { News } from '../../app/browser/newsLine'
import { useTimers } from '../../app/stores/timers'
import { leftWords, type Timer } from '../../core/bench/timer'
import { signedIn } from './signedIn'

vi.mock('~/browser/keptChanges', async () => (await import('./fakeDisk')).keptChanges)
vi.mock('~/browser/sealing', () => ({
  openFor: () => 'p',
  canSeal: () => true,
}))

const realTick = setImmediate
const AT = Date.parse('2026-11-26T09:00:00Z')
/** The server's clock runs so far ahead of this device's. */
const AHEAD_MS = 90_000
let timers: Timer[]
let calls: { path: string; method: string; body: Record<string, unknown> }[]
let down = false
/** how long a call is under way */
let tripMs = 0

const serverNow = () => Date.now() + AHEAD_MS
const timer = (more: Partial<Timer>): Timer => ({
  id: 't',
  name: 'oven',
  plannedMin: 5,
  startedAt: AT,
  endsAt: null,
  leftMs: null,
  state: 'running',
  stoppedAt: null,
  fittingId: null,
  step: null,
  by: null,
  ...more,
})

/** What the shop's line says to whoever listens. */
const line = vi.hoisted(() => ({ listeners: new Set<(news: News) => void>() }))
vi.mock('~/browser/news', () => ({
  hear: (listener: (news: News) => void) => {
    line.listeners.add(listener)
    return () => line.listeners.delete(listener)
  },
}))
const tell = (news: News) => line.listeners.forEach((listener) => listener(news))

beforeEach(() => {
  vi.useFakeTimers({ now: AT })
  ;[timers, calls, down, tripMs] = [[], [], false, 0]
  vi.stubGlobal(
    'fetch',
    async (path: string, { method = 'GET', body }: { method?: string; body?: string } = {}) => {
      await new Promise((go) => setTimeout(go, tripMs / 2))
      if (down) throw new TypeError('no line')
      if (method !== 'GET')
        calls.push({ path, method, body: JSON.parse(body!) as Record<string, unknown> })
      const answer = JSON.stringify({ now: serverNow(), timers })
      await new Promise((go) => setTimeout(go, tripMs / 2))
      return new Response(answer)
    },
  )
  setActivePinia(createPinia())
  signedIn()
})
afterEach(() => {
  useTimers().quiet()
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

test('a timer shows what the server says is left, however wrong this device’s clock is and however long the way', async () => {
  timers = [timer({ endsAt: serverNow() + 300_000 })]
  tripMs = 1200
  const store = useTimers()
  store.listen()
  await vi.advanceTimersByTimeAsync(1200)
  const truth = () => timers[0]!.endsAt! - serverNow()
  expect(Math.abs(store.left(store.timers[0]!) - truth())).toBeLessThanOrEqual(250)
  await vi.advanceTimersByTimeAsync(60_000)
  expect(Math.abs(store.left(store.timers[0]!) - truth())).toBeLessThanOrEqual(250)
  expect(leftWords(store.left(store.timers[0]!))).toBe('3:59')
})

test('it rings on its second, goes on ringing while the line is down, and is read anew when it is back', async () => {
  timers = [timer({ endsAt: serverNow() + 10_000 })]
  const store = useTimers()
  store.listen()
  await vi.advanceTimersByTimeAsync(100)
  down = true
  tell({ what: 'away' })
  await vi.advanceTimersByTimeAsync(9600)
  expect([store.away, store.ringing.length]).toEqual([true, 0])
  await vi.advanceTimersByTimeAsync(600)
  expect(store.ringing).toHaveLength(1)
  down = false
  timers = [timer({ state: 'stopped', stoppedAt: serverNow() })]
  tell({ what: 'open' })
  await vi.advanceTimersByTimeAsync(100)
  expect([store.away, store.ringing.length]).toEqual([false, 0])
})

test('a paused timer stands still and never rings', async () => {
  timers = [timer({ state: 'paused', leftMs: 61_000 })]
  const store = useTimers()
  store.listen()
  await vi.advanceTimersByTimeAsync(200_000)
  expect([leftWords(store.left(store.timers[0]!)), store.ringing]).toEqual(['1:01', []])
})

const STEP = {
  step: 'Cool',
  key: 'cool/left',
  words: 'Cool on the foot',
  foot: 'left',
  minutes: 5,
  waiting: true,
}
test('a waiting step rings here at once, and the server’s own timer takes its place', async () => {
  const store = useTimers()
  store.listen()
  await vi.advanceTimersByTimeAsync(10)
  store.follow('HR-0412', 'f', STEP, 'start')
  for (const other of [
    { ...STEP, waiting: false },
    { ...STEP, overnight: true },
    { ...STEP, minutes: 0 },
  ])
    store.follow('HR-0412', 'f', other, 'start')
  expect(store.timers).toMatchObject([
    { name: 'HR-0412: Cool on the foot, left', plannedMin: 5, fittingId: 'f', step: 'cool/left' },
  ])
  store.follow('HR-0412', 'f', STEP, 'longer', 3)
  await vi.advanceTimersByTimeAsync(8 * 60_000 - 1000)
  expect(store.ringing).toHaveLength(0)
  await vi.advanceTimersByTimeAsync(1500)
  expect(store.ringing).toHaveLength(1)
  timers = [timer({ id: 'the server’s', fittingId: 'f', step: 'cool/left', endsAt: serverNow() })]
  tell({ what: 'timers' })
  await vi.advanceTimersByTimeAsync(100)
  expect(store.timers.map((t) => t.id)).toEqual(['the server’s'])
  store.follow('HR-0412', 'f', STEP, 'finish')
  expect(store.timers).toEqual([])
})

test('a timer set while the line is down runs, and goes to the server once it is back', async () => {
  const store = useTimers()
  store.listen()
  await vi.advanceTimersByTimeAsync(10)
  down = true
  /** Files are loaded by a clock that no test turns. */
  async function wait(work: Promise<unknown>) {
    let isDone = false
    void work.finally(() => (isDone = true))
    while (!isDone) {
      await vi.advanceTimersByTimeAsync(20)
      await new Promise((go) => realTick(go))
    }
  }
  await wait(store.start('glue', 2))
  const { id } = store.timers[0]!
  expect(store.timers).toMatchObject([{ name: 'glue', plannedMin: 2, state: 'running' }])
  await wait(store.change(id, { do: 'extend', minutes: 1 }))
  await wait(store.change(id, { do: 'pause' }))
  expect(store.timers).toMatchObject([{ state: 'paused' }])
  expect(leftWords(store.left(store.timers[0]!))).toBe('3:00')
  down = false
  await vi.advanceTimersByTimeAsync(3000)
  expect(calls.map((c) => [c.path, c.method, c.body.do ?? c.body.id])).toEqual([
    ['/api/timers', 'POST', id],
    [`/api/timers/${id}`, 'PATCH', 'extend'],
    [`/api/timers/${id}`, 'PATCH', 'pause'],
  ])
})
