import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { inTurn } from '../../app/browser/inTurn'

beforeEach(() => void vi.useFakeTimers())
afterEach(() => void vi.useRealTimers())

test('each has a task of its own, in the order in which it was asked for', () => {
  const done: string[] = []
  for (const name of ['a', 'b', 'c']) inTurn(() => done.push(name))
  expect(done).toEqual([])
  vi.advanceTimersToNextTimer()
  expect(done).toEqual(['a'])
  vi.advanceTimersToNextTimer()
  expect(done).toEqual(['a', 'b'])
  vi.runAllTimers()
  expect(done).toEqual(['a', 'b', 'c'])
})

test('one that was taken back is not done; taking back what is done changes nothing', () => {
  const done: string[] = []
  const back = inTurn(() => done.push('a'))
  inTurn(() => done.push('b'))
  back()
  vi.runAllTimers()
  back()
  expect(done).toEqual(['b'])
})

test('one that is asked for later is done too', () => {
  const done: string[] = []
  inTurn(() => inTurn(() => done.push('within')))
  vi.runAllTimers()
  inTurn(() => done.push('later'))
  vi.runAllTimers()
  expect(done).toEqual(['within', 'later'])
})

test('one that fails does not keep the others waiting', () => {
  const done: string[] = []
  inTurn(() => {
    throw new Error('no')
  })
  inTurn(() => done.push('b'))
  expect(() => vi.advanceTimersToNextTimer()).toThrow('no')
  vi.runAllTimers()
  expect(done).toEqual(['b'])
})
