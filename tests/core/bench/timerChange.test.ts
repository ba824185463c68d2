import { describe, expect, it } from 'vitest'
import { changedTimer, leftMs, timerOfStep, type Timer } from '../../../core/bench/timer'

const running: Timer = {
  id: 't',
  name: 'oven',
  plannedMin: 5,
  startedAt: 0,
  endsAt: 300_000,
  leftMs: null,
  state: 'running',
  stoppedAt: null,
  fittingId: null,
  step: null,
  by: null,
}
describe('a change of a timer', () => {
  it('stands still while it is paused and goes on from there', () => {
    const paused = changedTimer(running, { do: 'pause' }, 100_000)!
    expect([leftMs(paused, 100_000), leftMs(paused, 900_000)]).toEqual([200_000, 200_000])
    const again = changedTimer(paused, { do: 'resume' }, 900_000)!
    expect(leftMs(again, 900_000)).toBe(200_000)
    expect(changedTimer(paused, { do: 'pause' }, 0)).toBe(paused)
    expect(changedTimer(running, { do: 'resume' }, 0)).toBe(running)
  })
  it('adds minutes to what is left, and from now to one that rings', () => {
    const more = (timer: Timer, now: number) =>
      leftMs(changedTimer(timer, { do: 'extend', minutes: 1 }, now)!, now)
    expect(more(running, 60_000)).toBe(300_000)
    expect(more(running, 400_000)).toBe(60_000)
    const paused = changedTimer(running, { do: 'pause' }, 100_000)!
    expect(more(paused, 500_000)).toBe(260_000)
  })
  it('gives it another name, or ends it', () => {
    expect(changedTimer(running, { do: 'rename', name: 'liner' }, 0)?.name).toBe('liner')
    expect(changedTimer(running, { do: 'stop' }, 0)).toBeNull()
  })
})

describe('the timer of a step', () => {
  const step = { key: 'cool/left', words: 'Cool', foot: 'left', minutes: 5, waiting: true }
  it('comes with a step that waits on the same day', () => {
    expect(timerOfStep('HR-0412', step)).toEqual({
      name: 'HR-0412: Cool, left',
      minutes: 5,
      step: 'cool/left',
    })
    for (const other of [{ waiting: false }, { overnight: true }, { minutes: 0 }])
      expect(timerOfStep('HR-0412', { ...step, ...other })).toBeNull()
  })
  it('keeps its name, key and minutes within what is stored', () => {
    const long = { ...step, words: 'x'.repeat(200), key: 'k'.repeat(200), minutes: 9000 }
    const timer = timerOfStep('HR-0412', long)!
    expect([timer.name.length, timer.step.length, timer.minutes]).toEqual([80, 80, 1440])
  })
})
