import { describe, expect, it } from 'vitest'
import type { PairFit } from '../../../core/footwear/match'
import { pairSizeWords, pairVerdict, stockOf, workMinutesOf } from '../../../core/footwear/pairFit'

type Verdict = 'tight' | 'snug' | 'right' | 'roomy' | 'loose'
const foot = (...verdicts: Verdict[]) => ({
  verdicts: Object.fromEntries(verdicts.map((v, i) => [['ball', 'heel', 'waist'][i], v])),
})
const work = (...minutes: number[]) => minutes.map((m) => ({ minutes: m })) as PairFit['work']
const pair = (left: Verdict[], right: Verdict[], minutes: number[] = []) =>
  ({ work: work(...minutes), left: foot(...left), right: foot(...right) }) as never

describe('the verdict of a pair', () => {
  it.each([
    ['all right', pair(['right'], ['right']), 'good', 'Fits'],
    ['snug on one foot', pair(['right'], ['snug']), 'good', 'Fits, snug'],
    ['loose somewhere', pair(['loose', 'right'], ['right']), 'watch', 'Loose somewhere'],
    ['work outweighs loose', pair(['loose'], ['right'], [35]), 'watch', 'With work'],
    ['tight outweighs work', pair(['tight'], ['right'], [35]), 'stop', 'Tight, with work'],
    ['tight without a way', pair(['right'], ['tight']), 'stop', 'Tight somewhere'],
    ['snug and loose', pair(['snug'], ['loose']), 'watch', 'Loose somewhere'],
    ['roomy is right enough', pair(['roomy'], ['roomy']), 'good', 'Fits'],
  ])('%s', (_, fit, kind, word) => {
    expect(pairVerdict(fit)).toEqual({ kind, word })
  })

  it('one foot alone is a pair too', () => {
    expect(pairVerdict({ work: [], left: foot('tight') } as never).kind).toBe('stop')
  })
})

it('minutes of work are those of both feet', () => {
  expect(workMinutesOf({ work: work(35, 20, 5) })).toBe(60)
  expect(workMinutesOf({ work: [] })).toBe(0)
})

describe('sizes in words', () => {
  const sizes = (left?: number, right?: number) =>
    pairSizeWords({
      work: [],
      ...(left && { left: { sizeMm: left } }),
      ...(right && { right: { sizeMm: right } }),
    } as never)
  it('one size stands once', () => expect(sizes(265, 265)).not.toMatch(/L |·/))
  it('two sizes name their feet', () => expect(sizes(260, 270)).toMatch(/^L .*· R /))
  it('a foot without a size is left out', () => expect(sizes(265)).toBe(sizes(265, 265)))
})

describe('what is on the shelf', () => {
  const model = { stock: { '265': 2, '270': 0 } }
  it.each([
    [265, 2],
    [270, 0],
    [275, 0],
  ])('%i: %i pairs', (sizeMm, pairs) => expect(stockOf(model, { sizeMm })).toBe(pairs))
  it('no size, no pair', () => expect(stockOf(model, undefined)).toBe(0))
})
