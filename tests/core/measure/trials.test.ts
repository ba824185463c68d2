import { describe, expect, it } from 'vitest'
import { bestMean, meanOfReading, readingOf, summarise } from '../../../core/measure/reading'
import type { Reading } from '../../../core/record/schema'
import { SCAN_INSTRUMENT, type Posture } from '../../../core/tables/vocabulary'

/** Trials that may lie 3 mm apart. */
const NORMS = { repeatLimitMm: { instepGirthMm: 3 } } as never
const said = (trials: number[], struck: number[] = []) =>
  summarise({ what: 'instepGirthMm', trials, struck }, NORMS)

describe('trials of a reading', () => {
  it('none kept say nothing', () => {
    expect(said([])).toBeNull()
    expect(said([246, 250], [0, 1])).toBeNull()
  })
  it('one is its own mean and is not agreed with', () =>
    expect(said([246])).toEqual({
      mean: 246,
      spread: 0,
      trials: 1,
      repeat: false,
      agreed: false,
      proposeStrike: [],
      notRepeatable: false,
    }))
  it('two agree up to the limit, above it another is taken', () => {
    expect(said([246, 249])).toMatchObject({ spread: 3, repeat: false, agreed: true })
    expect(said([246, 249.1])).toMatchObject({ repeat: true, agreed: false, proposeStrike: [] })
  })
  it('of three the odd one is proposed, wherever it stands', () => {
    expect(said([246, 252, 248])!.proposeStrike).toEqual([1])
    expect(said([252, 246, 248])!.proposeStrike).toEqual([0])
    expect(said([240, 246, 248])!.proposeStrike).toEqual([0])
    expect(said([246, 248, 252])).toMatchObject({ mean: 746 / 3, spread: 6, agreed: true })
  })
  it('an odd one is further than the limit from those that agree; else what is outside them', () => {
    // Closest two 246 and 247, their middle 246.5: 249.6 is 3.1 away.
    expect(said([246, 247, 249.6])!.proposeStrike).toEqual([2])
    // 249.4 is within the limit of that middle but the spread is not: still the one outside.
    expect(said([246, 247, 249.4])!.proposeStrike).toEqual([2])
  })
  it('from four on three must agree', () => {
    expect(said([246, 247, 260, 261])).toMatchObject({ agreed: false, proposeStrike: [] })
    expect(said([246, 247, 249, 261])).toMatchObject({ agreed: true, proposeStrike: [3] })
  })
  it('five that do not agree are not repeatable, four are not yet', () => {
    expect(said([240, 246, 252, 258])!.notRepeatable).toBe(false)
    expect(said([240, 246, 252, 258, 264])!.notRepeatable).toBe(true)
    expect(said([240, 241, 242, 258, 264])!.notRepeatable).toBe(false)
  })
  it('what is struck does not count, and indices stay those of all trials', () => {
    expect(said([300, 246, 252, 248], [0])).toMatchObject({ trials: 3, proposeStrike: [2] })
    expect(said([300, 246, 248], [0])!.mean).toBe(247)
  })
})

describe('readings of one kind', () => {
  const reading = (trials: number[], more: Partial<Reading> = {}): Reading =>
    ({ what: 'instepGirthMm', posture: 'standing', trials, struck: [], ...more }) as Reading
  const foot = (...readings: Reading[]) => ({ readings }) as never
  const one = (...readings: Reading[]) => readingOf(foot(...readings), 'instepGirthMm', 'standing')

  it('are one, with what was struck of each', () => {
    expect(one(reading([246, 250], { struck: [1] }), reading([247, 260], { struck: [1] }))).toEqual(
      reading([246, 250, 247, 260], { struck: [1, 3] }),
    )
    expect(one()).toBeUndefined()
  })
  it('of a scan count where no hand has measured', () => {
    const scan = reading([239], { instrument: SCAN_INSTRUMENT })
    expect(one(scan)!.trials).toEqual([239])
    expect(one(scan, reading([246]))!.trials).toEqual([246])
    expect(one(scan, scan)!.trials).toEqual([239, 239])
  })
  it('of another kind or posture are others', () => {
    const other = reading([100], { what: 'waistGirthMm' })
    const sitting = reading([240], { posture: 'sitting' })
    expect(one(other, sitting, reading([246]))!.trials).toEqual([246])
    expect(one(other, sitting)).toBeUndefined()
  })
  it('have a mean of what is kept, and none of nothing', () => {
    const mean = (...readings: Reading[]) =>
      meanOfReading(foot(...readings), 'instepGirthMm', 'standing')
    expect(mean(reading([246, 248, 300], { struck: [2] }))).toBe(247)
    expect(mean(reading([246], { struck: [0] }))).toBeUndefined()
    expect(mean()).toBeUndefined()
  })
  it('serve another posture where theirs was not taken: standing first', () => {
    const at = (posture: Posture, mm: number) => reading([mm], { posture })
    const best = (posture: Posture, ...readings: Reading[]) =>
      bestMean(foot(...readings), 'instepGirthMm', posture)
    expect(best('sitting', at('prone', 1), at('standing', 2), at('sitting', 3))).toBe(3)
    expect(best('sitting', at('prone', 1), at('standing', 2))).toBe(2)
    expect(best('standing', at('supine', 0), at('prone', 1), at('sitting', 3))).toBe(3)
    expect(best('standing', at('supine', 5), at('prone', 1))).toBe(1)
    expect(best('standing', at('supine', 5))).toBe(5)
    expect(best('standing')).toBeUndefined()
  })
})
