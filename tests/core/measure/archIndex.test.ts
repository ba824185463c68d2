import { describe, expect, it } from 'vitest'
import { ageInYears, isChild } from '../../../core/measure/ageAtVisit'
import {
  archHeightClass,
  archHeightIndexOf,
  archStiffness,
  navicularDropClass,
} from '../../../core/measure/archIndex'

describe('arch height', () => {
  const at = (what: string, posture: string, mm: number) => ({
    what,
    posture,
    trials: [mm],
    struck: [],
  })
  const of = (...readings: object[]) => archHeightIndexOf({ readings } as never, 'sitting')
  it('is the dorsum over the arch length, which may be of another posture', () => {
    expect(of(at('dorsumHeightMm', 'sitting', 66), at('archLengthMm', 'standing', 200))).toBe(0.33)
  })
  it('needs a dorsum of its own posture, and a length', () => {
    expect(of(at('dorsumHeightMm', 'standing', 66), at('archLengthMm', 'sitting', 200))).toBe(
      undefined,
    )
    expect(of(at('dorsumHeightMm', 'sitting', 66))).toBeUndefined()
  })
  it('has classes that hold their limits', () => {
    const limits = [0.3, 0.36] as never
    expect([0.29, 0.3, 0.36, 0.361].map((v) => archHeightClass(v, limits))).toEqual([
      'low',
      'usual',
      'usual',
      'high',
    ])
  })
})

describe('stiffness', () => {
  it('is 0.4 of the weight over the fall', () =>
    expect(archStiffness(75, 0.36, 0.34)).toBeCloseTo((0.4 * 75 * 9.80665) / 0.02, 6))
  it('is no number where the fall is 0.005 or less, or a rise', () => {
    expect(archStiffness(75, 0.345, 0.34)).toBeNull()
    expect(archStiffness(75, 0.3451, 0.34)).not.toBeNull()
    expect(archStiffness(75, 0.33, 0.34)).toBeNull()
  })
})

it('a navicular drop is small below its first limit, and of the class whose limit it reaches', () => {
  const classes = [4.9, 5, 9, 9.1, 14, 14.1].map((mm) =>
    navicularDropClass(mm, [5, 9, 14] as never),
  )
  expect(classes).toEqual(['small', 'usual', 'usual', 'marked', 'marked', 'large'])
})

describe('age', () => {
  it('is whole years: one more on the birthday, not the day before', () => {
    expect(ageInYears('1985-03-02', '2026-03-01')).toBe(40)
    expect(ageInYears('1985-03-02', '2026-03-02')).toBe(41)
    expect(ageInYears('1985-03-02', '2026-12-01')).toBe(41)
    expect(ageInYears('1985-12-31', '2026-01-01')).toBe(40)
  })
  it('of a child is below sixteen; unknown counts as adult', () => {
    expect(isChild({ bornOn: '2010-11-30' }, '2026-11-29')).toBe(true)
    expect(isChild({ bornOn: '2010-11-29' }, '2026-11-29')).toBe(false)
    expect(isChild({}, '2026-11-29')).toBe(false)
    expect(isChild(undefined, '2026-11-29')).toBe(false)
    expect(isChild({ bornOn: '2020-01-01' }, undefined)).toBe(false)
  })
})
