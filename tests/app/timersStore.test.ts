import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import type { News } from '../../app/browser/newsLine'
import { useTimers } from '../../app/stores/timers'
import { leftWords, type Timer } from '../../core/bench/timer'

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
test('a waiting step brings a timer along and lets it go; other steps bring none', async () => {
  const store = useTimers()
  await Promise.all([store.forStep('HR-0412', 'f', STEP, 'start'), vi.advanceTimersByTimeAsync(10)])
  expect(calls).toEqual([
    {
      path: '/api/timers',
      method: 'POST',
      body: expect.objectContaining({
        name: 'HR-0412: Cool on the foot, left',
        minutes: 5,
        fittingId: 'f',
        step: 'cool/left',
      }),
    },
  ])
  calls = []
  for (const other of [
    { ...STEP, waiting: false },
    { ...STEP, overnight: true },
    { ...STEP, minutes: 0 },
  ])
    await Promise.all([
      store.forStep('HR-0412', 'f', other, 'start'),
      vi.advanceTimersByTimeAsync(10),
    ])
  expect(calls).toEqual([])
  store.timers = [
    timer({ id: 'mine', fittingId: 'f', step: 'cool/left' }),
    timer({ id: 'other foot', fittingId: 'f', step: 'cool/right' }),
    timer({ id: 'other job', fittingId: 'g', step: 'cool/left' }),
  ]
  timers = store.timers
  await Promise.all([
    store.forStep('HR-0412', 'f', STEP, 'longer', 3),
    vi.advanceTimersByTimeAsync(10),
  ])
  await Promise.all([
    store.forStep('HR-0412', 'f', STEP, 'finish'),
    vi.advanceTimersByTimeAsync(10),
  ])
  expect(calls.map((c) => [c.path, c.body])).toEqual([
    ['/api/timers/mine', { do: 'extend', minutes: 3 }],
    ['/api/timers/mine', { do: 'stop' }],
  ])
})

test('names and long waits are cut to what the server takes', async () => {
  const store = useTimers()
  await Promise.all([
    store.forStep(
      'HR-0412',
      'f',
      { ...STEP, words: 'x'.repeat(200), minutes: 9000, key: 'k'.repeat(200) },
      'start',
    ),
    vi.advanceTimersByTimeAsync(10),
  ])
  expect([
    (calls[0]!.body.name as string).length,
    calls[0]!.body.minutes,
    (calls[0]!.body.step as string).length,
  ]).toEqual([80, 1440, 80])
})
