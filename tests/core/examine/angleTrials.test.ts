import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  bringBackTry,
  positionOf,
  stampAngles,
  strikeTry,
  struckOf,
  trialsOf,
  withPosition,
  withTrials,
} from '../../../core/examine/angleTrials'
import { examineFoot } from '../../../core/examine/examineFoot'
import { ANGLES, ANGLE_KEYS, findingsSchema } from '../../../core/kinds/findings/all'
import { HOUSE_NORMS } from '../../../core/record/tables'

const ADA = { by: 'Ada', at: '2026-03-01T09:00:00Z' }
const BEN = { by: 'Ben', at: '2026-03-02T10:00:00Z' }
const anyAngle = fc.constantFrom(...ANGLE_KEYS)
/** Tries that every angle can have. */
const anyTries = fc.array(fc.integer({ min: 0, max: 40 }), { minLength: 1, maxLength: 5 })

describe('striking a try of an angle', () => {
  it('takes it out of the count and keeps it; brought back, all count again', () =>
    fc.assert(
      fc.property(anyAngle, anyTries, fc.nat(4), (key, tries, at) => {
        const index = at % tries.length
        const before = withTrials({ pulses: 'both' }, key, tries)
        const struck = findingsSchema.parse(strikeTry(before, key, index))
        expect(trialsOf(struck, key)).toEqual(tries.filter((_, i) => i !== index))
        expect(struckOf(struck, key)).toEqual([tries[index]])
        expect(struck.pulses).toBe('both')
        const back = findingsSchema.parse(bringBackTry(struck, key, 0))
        expect([...trialsOf(back, key)].sort()).toEqual([...tries].sort())
        expect(struckOf(back, key)).toEqual([])
      }),
    ))

  it('changes what the examination says: 4, 5 and a slip of 14 are 4.5° once it is struck', () => {
    const foot = { readings: [], findings: { rcspDeg: [4, 5, 14] } }
    const said = (f: object) => examineFoot(f as never, false, HOUSE_NORMS).angles.rcspDeg!
    expect(said(foot)).toMatchObject({ repeat: true, agreed: true, oddDeg: [14] })
    const after = said({ ...foot, findings: strikeTry(foot.findings, 'rcspDeg', 2) })
    expect(after).toMatchObject({ meanDeg: 4.5, spreadDeg: 1, trials: 2, repeat: false })
  })

  it('makes room for another: five count, whatever was struck', () => {
    const five = { rcspDeg: [1, 2, 3, 4, 5] }
    expect(findingsSchema.safeParse({ rcspDeg: [1, 2, 3, 4, 5, 6] }).success).toBe(false)
    const struck = strikeTry(five, 'rcspDeg', 4)
    expect(findingsSchema.safeParse(withTrials(struck, 'rcspDeg', [1, 2, 3, 4, 3])).success).toBe(
      true,
    )
  })
})

describe('how an angle is taken', () => {
  it('is as usual for it until it is told', () => {
    expect(positionOf(undefined, 'forefootDeg')).toBe('prone')
    expect(positionOf(withPosition(undefined, 'forefootDeg', 'supine'), 'forefootDeg')).toBe(
      'supine',
    )
    // What is read of a stance is read standing.
    for (const key of ['ncspDeg', 'rcspDeg', 'tibialVarumDeg'] as const)
      expect(ANGLES.of(key).positions).toEqual(['standing'])
  })
})

describe('who took it', () => {
  it('is whoever changed its tries, and nobody else', () => {
    const first = stampAngles(undefined, { rcspDeg: [4], ncspDeg: [1] }, ADA)
    expect(first.taken).toEqual({ rcspDeg: ADA, ncspDeg: ADA })
    const second = stampAngles(first, { ...first, rcspDeg: [4, 5] }, BEN)
    expect(second.taken).toEqual({ rcspDeg: BEN, ncspDeg: ADA })
  })

  it('is not whoever a caller says', () => {
    const told = { rcspDeg: [4], taken: { rcspDeg: { by: 'Somebody', at: 'yesterday' } } }
    expect(stampAngles(undefined, told, ADA).taken).toEqual({ rcspDeg: ADA })
    const kept = stampAngles(undefined, { rcspDeg: [4] }, ADA)
    expect(stampAngles(kept, { ...kept, taken: told.taken }, BEN).taken).toEqual({ rcspDeg: ADA })
  })

  it('goes when the tries are taken out, and stays with those that were struck', () => {
    const kept = stampAngles(undefined, { rcspDeg: [4] }, ADA)
    expect(stampAngles(kept, { rcspDeg: [] }, BEN).taken).toBeUndefined()
    const struck = stampAngles(kept, strikeTry(kept, 'rcspDeg', 0), BEN)
    expect(struck.taken).toEqual({ rcspDeg: { struck: [4], ...BEN } })
  })
})
