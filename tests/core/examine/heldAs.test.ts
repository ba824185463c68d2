import { describe, expect, it } from 'vitest'
import { firstRayRestMm, heldNeutral } from '../../../core/examine/heldAs'
import type { Findings } from '../../../core/kinds/findings/all'

describe('neutral is held', () => {
  const all: Findings = {
    neutralPalpatedDeg: [2, 4],
    subtalar: { inversionDeg: [24], eversionDeg: [6] },
    ncspDeg: [1, 2],
  }
  it('as palpated, before anything else', () =>
    expect(heldNeutral(all)).toEqual({ deg: 3, from: 'palpated' }))
  it('else as the ranges have it: a third from the everted end', () => {
    const { neutralPalpatedDeg: _, ...rest } = all
    expect(heldNeutral(rest)).toEqual({ deg: 4, from: 'computed' })
    expect(heldNeutral({ ...rest, neutralPalpatedDeg: [] })).toMatchObject({ from: 'computed' })
  })
  it('else as it stands: one range alone says nothing', () => {
    for (const subtalar of [{ inversionDeg: [24] }, { eversionDeg: [6] }, {}, undefined])
      expect(heldNeutral({ ...(subtalar && { subtalar }), ncspDeg: [1, 2] })).toEqual({
        deg: 1.5,
        from: 'standing',
      })
  })
  it('else at nought, and says that it was assumed', () => {
    expect(heldNeutral({})).toEqual({ deg: 0, from: 'assumed' })
    expect(heldNeutral(undefined)).toEqual({ deg: 0, from: 'assumed' })
  })
})

describe('the first ray rests', () => {
  const rest = (firstRay: Findings['firstRay']) => firstRayRestMm({ firstRay })
  it('nobody knows where, when nobody looked', () => {
    expect(firstRayRestMm(undefined)).toBeNull()
    expect(firstRayRestMm({})).toBeNull()
    expect(rest({ upMm: [6], downMm: [2] })).toBeNull()
  })
  it('level, whatever it was moved', () =>
    expect(rest({ rest: 'level', upMm: [6], downMm: [2] })).toBe(0))
  it('in the middle of what it was moved', () => {
    expect(rest({ rest: 'plantarflexed', upMm: [6], downMm: [2] })).toBe(-2)
    expect(rest({ rest: 'elevated', upMm: [2], downMm: [7] })).toBe(2.5)
  })
  it('three millimetres off where it was only called', () => {
    expect(rest({ rest: 'plantarflexed' })).toBe(-3)
    expect(rest({ rest: 'elevated' })).toBe(3)
    expect(rest({ rest: 'elevated', upMm: [2] })).toBe(3)
    expect(rest({ rest: 'plantarflexed', downMm: [2] })).toBe(-3)
  })
})
