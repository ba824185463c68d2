import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { NewsLine, type News } from '../../app/browser/newsLine'
import { FakeEvents } from './fakeEvents'

let heard: News[] = []
let line: NewsLine
/** What the browser makes of a line that the server ended for good. */
const CLOSED = 2
const endByServer = (stream: FakeEvents) => Object.assign(stream, { readyState: CLOSED })

beforeEach(() => {
  vi.useFakeTimers()
  heard = []
  FakeEvents.all = []
  vi.stubGlobal('EventSource', Object.assign(FakeEvents, { CLOSED }))
  line = new NewsLine((news) => heard.push(news))
})
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

test('one line is held however often it is wanted, and none once it is not', () => {
  line.want(true)
  line.want(true)
  expect(FakeEvents.all.map((s) => s.address)).toEqual(['/api/events'])
  line.want(false)
  expect(FakeEvents.last.closed).toBe(true)
  line.want(true)
  expect(FakeEvents.all).toHaveLength(2)
})

test('what changed is told with what it is about', () => {
  line.want(true)
  FakeEvents.last.tell('open')
  FakeEvents.last.tell('part', { fitting: 'f', part: 'story', version: 3 })
  FakeEvents.last.tell('timers')
  expect(heard).toEqual([
    { what: 'open' },
    { what: 'part', fitting: 'f', part: 'story', version: 3 },
    { what: 'timers' },
  ])
})

test('a line that the browser mends by itself is left to it', () => {
  line.want(true)
  FakeEvents.last.tell('error')
  vi.advanceTimersByTime(60_000)
  expect([heard, FakeEvents.all.length]).toEqual([[{ what: 'away' }], 1])
})

test('one that the server ended is asked for again, while somebody wants it', () => {
  line.want(true)
  endByServer(FakeEvents.last).tell('error')
  vi.advanceTimersByTime(4000)
  expect(FakeEvents.all).toHaveLength(1)
  vi.advanceTimersByTime(2000)
  expect(FakeEvents.all).toHaveLength(2)
  endByServer(FakeEvents.last).tell('error')
  line.want(false)
  vi.advanceTimersByTime(60_000)
  expect(FakeEvents.all).toHaveLength(2)
})
