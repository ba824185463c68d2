import { describe, expect, it } from 'vitest'
import { chooseShell } from '../../../core/footwear/chooseShell'
import type { Footwear } from '../../../core/record/schema'

const A = { model: 'a', sizeLeftMm: 260, sizeRightMm: 265 }
const B = { model: 'b', sizeLeftMm: 265, sizeRightMm: 265 }
const CHECK = { model: 'a', sizeMm: 260, foot: 'left', gapMm: 14 }
const WORK = { id: 'w', model: 'a', foot: 'left', station: 'ball', does: 'stretch' }
/** Shell a with everything that can be set on it, checked and worked. */
const onA = {
  candidates: ['a', 'c'],
  sockMm: 1.5,
  chosen: {
    ...A,
    shellChecks: [CHECK],
    tryOn: [],
    work: [WORK],
    cuffAlignDeg: { left: 1, right: 0 },
    soleCantDeg: { left: 0, right: 0.5 },
    forwardLeanDeg: 16,
    rampDeg: 5,
    deltaMm: 4,
  },
} as unknown as Footwear

describe('choosing a shell', () => {
  it('the first begins with nothing but itself', () =>
    expect(chooseShell({ candidates: [] }, A, ['a', 'b'])).toEqual({
      candidates: ['a', 'b'],
      chosen: { ...A, shellChecks: [], tryOn: [], work: [] },
    }))

  it('what was set on one shell is not set on the next', () => {
    const { chosen } = chooseShell(onA, B, ['b'])
    for (const key of ['cuffAlignDeg', 'soleCantDeg', 'forwardLeanDeg', 'rampDeg'] as const)
      expect(chosen[key]).toBeUndefined()
    expect(chosen).toMatchObject({ ...B, deltaMm: 4 })
  })

  it('what was set on a shell is there again when it is chosen again, also after a third', () => {
    const made = { cuffLeanDeg: 13, bootBoard: { rampDeg: 4, thicknessMm: 8, grindableMm: 3 } }
    const away = chooseShell(chooseShell(onA, B, ['b']), { ...B, model: 'c' }, ['c'])
    const back = chooseShell(away, A, ['a'], made)
    expect(back.chosen).toEqual(onA.chosen)
    // Nothing is kept of the shell that is chosen; b had nothing set on it.
    expect(back.setOn).toBeUndefined()
    expect(away.setOn).toMatchObject({ a: { forwardLeanDeg: 16, rampDeg: 5 } })
  })

  it('the next one begins as its maker made it, where that is known', () => {
    const made = { cuffLeanDeg: 13, bootBoard: { rampDeg: 4, thicknessMm: 8, grindableMm: 3 } }
    expect(chooseShell(onA, B, ['b'], made).chosen).toMatchObject({
      forwardLeanDeg: 13,
      rampDeg: 4,
    })
    expect(
      chooseShell(onA, B, ['b'], { bootBoard: made.bootBoard }).chosen.forwardLeanDeg,
    ).toBeUndefined()
    // The same model again, in another size: what was set on it stays.
    expect(chooseShell(onA, { ...A, sizeLeftMm: 265 }, ['a'], made).chosen).toMatchObject({
      forwardLeanDeg: 16,
      rampDeg: 5,
    })
  })

  it('checks and work name their shell and go along, and so does the sock', () => {
    const next = chooseShell(onA, B, ['b'])
    expect(next.chosen.shellChecks).toEqual([CHECK])
    expect(next.chosen.work).toEqual([WORK])
    expect(next.sockMm).toBe(1.5)
  })

  it('another size of the same shell keeps all that was set', () =>
    expect(chooseShell(onA, { ...A, sizeLeftMm: 265 }, ['a']).chosen).toEqual({
      ...onA.chosen,
      sizeLeftMm: 265,
    }))
})
