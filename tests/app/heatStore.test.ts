import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { useHeat } from '../../app/stores/heat'
import type { HeatReading } from '../../core/bench/heat/heatLog'
import type { HeatLogRow } from '../../shared/contracts'
import { FakeEvents } from './fakeEvents'
import { signedIn } from './signedIn'

vi.mock('~/browser/keptChanges', async () => (await import('./fakeDisk')).keptChanges)
vi.mock('~/browser/sealing', () => ({
  openFor: () => 'p',
  canSeal: () => true,
}))

/** The server's side of one log. */
let log: HeatLogRow
let status = 200
let attempts = 0
let calls: { do: string; minutes?: number; readings?: HeatReading[] }[]

async function answer(path: string, init: { method?: string; body?: string } = {}) {
  attempts++
  if (status === 0) throw new TypeError('no line')
  if (status !== 200)
    return new Response(
      JSON.stringify({ status, code: 'x', title: 'x', type: 'x', detail: 'No.' }),
      { status },
    )
  if (init.method !== 'PATCH') return new Response(JSON.stringify({ logs: [log], windows: [] }))
  const body = JSON.parse(init.body!) as (typeof calls)[number]
  calls.push(body)
  if (body.do === 'add')
    log = {
      ...log,
      readings: [
        ...log.readings,
        ...body.readings!.filter((r) => !log.readings.some((k) => k.minutes === r.minutes)),
      ],
    }
  if (body.do === 'strike')
    log = { ...log, readings: log.readings.filter((r) => r.minutes !== body.minutes) }
  if (body.do === 'stop') log = { ...log, stoppedAt: '2026-11-26T09:10:00Z' }
  return new Response(JSON.stringify({ log }))
}
beforeEach(() => {
  vi.useFakeTimers()
  ;[log, status, calls, FakeEvents.all] = [
    {
      id: 'a',
      name: 'sheet',
      apparatus: 'oven',
      window: null,
      fittingId: null,
      readings: [],
      startedAt: '2026-11-26T09:00:00Z',
      stoppedAt: null,
    } as unknown as HeatLogRow,
    200,
    [],
    [],
  ]
  vi.stubGlobal('EventSource', FakeEvents)
  vi.stubGlobal('fetch', answer)
  setActivePinia(createPinia())
  signedIn()
})
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})
const reading = (k: number): HeatReading => ({ minutes: k / 20, celsius: 21 + k, drive: 1 })
const read = (from: number, to: number) => {
  for (let k = from; k <= to; k++) FakeEvents.last.tell('reading', reading(k))
}
async function listening() {
  const heat = useHeat()
  await heat.load()
  heat.listen('a')
  return heat
}
const soon = () => vi.advanceTimersByTimeAsync(50)
const counts = (heat: ReturnType<typeof useHeat>) => [
  heat.logs[0]!.readings.length,
  log.readings.length,
]

test('readings are on the screen at once, sent on in little bundles, and none is left behind when the piece comes out', async () => {
  const heat = await listening()
  read(1, 8)
  expect(heat.logs[0]!.readings).toHaveLength(8)
  await soon()
  read(9, 10)
  await soon()
  expect(calls.every((c) => c.do === 'add')).toBe(true)
  expect(counts(heat)).toEqual([10, 8])
  await heat.stop('a')
  expect(log.readings).toEqual(Array.from({ length: 10 }, (_, i) => reading(i + 1)))
  expect(log.stoppedAt).not.toBeNull()
  expect(FakeEvents.last.closed).toBe(true)
})

test('a line that goes down loses no reading: they wait, stay on the screen, and go once each when it is back', async () => {
  const heat = await listening()
  read(1, 3)
  await soon()
  status = 0
  read(4, 7)
  await soon()
  FakeEvents.last.tell('error')
  expect(heat.trouble).toMatch(/probe does not answer/)
  expect(heat.listening('a')).toBe(false)
  await vi.advanceTimersByTimeAsync(20_000)
  expect(counts(heat)).toEqual([7, 3])
  status = 200
  await vi.advanceTimersByTimeAsync(4000)
  expect(counts(heat)).toEqual([7, 7])
  expect(heat.trouble).toBe('')
  // The probe goes on where the log stands, not from the start.
  heat.listen('a')
  expect(new URL(FakeEvents.last.address, 'http://x').searchParams.get('from')).toBe(
    String(0.35 + 0.05),
  )
})

test('a log is not ended over readings that have not arrived', async () => {
  const heat = await listening()
  status = 500
  read(1, 4)
  await heat.stop('a')
  expect([log.stoppedAt, heat.logs[0]!.readings.length]).toEqual([null, 4])
  status = 200
  await heat.stop('a')
  expect([log.stoppedAt === null, log.readings.length]).toEqual([false, 4])
})

test('a server that fails is asked again at a steady pace, however many readings wait', async () => {
  const heat = await listening()
  status = 500
  read(1, 40)
  for (let k = 41; k <= 60; k++) {
    await soon()
    read(k, k)
  }
  attempts = 0
  await vi.advanceTimersByTimeAsync(30_000)
  expect(attempts).toBeGreaterThan(5)
  expect(attempts).toBeLessThan(13)
  status = 200
  await vi.advanceTimersByTimeAsync(4000)
  expect(counts(heat)).toEqual([60, 60])
})

test('a reading that is struck before it was sent does not come back', async () => {
  const heat = await listening()
  read(1, 5)
  await soon()
  read(6, 6)
  await heat.write('a', { do: 'strike', minutes: reading(6).minutes })
  await heat.stop('a')
  expect(log.readings.map((r) => r.minutes)).toEqual([1, 2, 3, 4, 5].map((k) => k / 20))
})

test('a log that another device has ended takes nothing more, and this one stops asking', async () => {
  const heat = await listening()
  status = 404
  read(1, 4)
  await vi.advanceTimersByTimeAsync(30_000)
  expect(heat.unsent.a).toEqual([])
  status = 200
  log = { ...log, stoppedAt: '2026-11-26T09:10:00Z' }
  await heat.load()
  expect(heat.logs[0]!.readings).toEqual([])
})
