import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { bootDemand } from '../../../core/examine/verdicts'
import { adviseFlex } from '../../../core/footwear/flex'
import { adviseLean, leanWords } from '../../../core/footwear/lean'
import { ACTIVITIES } from '../../../core/kinds/activities/all'
import { HOUSE_NORMS } from '../../../core/record/tables'
import type { FittingRecord, Story } from '../../../core/record/schema'
import { DEMO_RECORDS } from '../../../demo/records'
import { shell } from '../../fixtures/handShell'
import { runs } from '../../effort'

const MODEL = shell({ bootBoard: { rampDeg: 4, thicknessMm: 6, grindableMm: 3 } })
function client(story: Partial<Story>, heightMm?: number, bendDeg?: number): FittingRecord {
  const record = structuredClone(DEMO_RECORDS['tove-marchetti']!)
  record.client = heightMm === undefined ? {} : { heightMm }
  record.story = { complaints: [], conditions: [], ...story }
  for (const side of ['left', 'right'] as const) {
    const findings = { ...record.feet[side]!.findings }
    delete findings.ankleKneeBentDeg
    record.feet[side]!.findings =
      bendDeg === undefined ? findings : { ...findings, ankleKneeBentDeg: [bendDeg] }
  }
  return record
}

describe('lean of a cuff', () => {
  it('is a middle for a usual height, with what ability, force and ground add', () => {
    expect(adviseLean(client({}, 1750, 25), MODEL)).toEqual({
      leanDeg: 13,
      parts: [],
      missing: ['ability'],
      held: null,
    })
    // 13 + 0.5 (1850 mm) + 1 (expert) + 0.5 (hard) + 1 (ice) = 16
    const expert: Partial<Story> = { activity: 'piste', terrain: 'ice', ability: 'expert' }
    const advised = adviseLean(client({ ...expert, force: 'hard' }, 1850, 30), MODEL)
    expect(advised.leanDeg).toBe(16)
    expect(advised.parts.map((p) => p.words)).toEqual([
      '1850 mm tall',
      'expert',
      'hard force',
      'ice',
    ])
  })

  it('never asks more of an ankle than it has, whoever it is', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 45 }),
        fc.integer({ min: 1300, max: 2100 }),
        fc.constantFrom('beginner' as const, 'able' as const, 'strong' as const, 'expert' as const),
        fc.integer({ min: 0, max: 8 }),
        (bendDeg, heightMm, ability, rampDeg) => {
          const record = client({ activity: 'ski-race', terrain: 'slalom', ability }, heightMm)
          record.feet.right!.findings = {
            ...record.feet.right!.findings,
            ankleKneeBentDeg: [bendDeg],
          }
          const model = shell({ bootBoard: { rampDeg, thicknessMm: 6, grindableMm: 3 } })
          const { leanDeg, held } = adviseLean(record, model)
          const { leftDeg } = bootDemand(leanDeg, rampDeg, bendDeg, HOUSE_NORMS.ankleDeg)
          // Nothing leans less than upright, whatever the ankle.
          if (leanDeg > 0) expect(leftDeg).toBeGreaterThanOrEqual(0)
          expect(leanDeg).toBeLessThanOrEqual(HOUSE_NORMS.leanAdvice.mostDeg)
          if (held) expect(held).toContain(`bends ${bendDeg}°`)
        },
      ),
      { numRuns: runs(500) },
    ))

  it('names what holds it back: 12° of bend over 4° of ramp with 3° kept are 13°', () => {
    const record = client({ ability: 'expert', force: 'hard' }, 1750, 12)
    const advised = adviseLean(record, MODEL)
    expect(advised.leanDeg).toBe(13)
    expect(advised.held).toContain('over 4° of ramp')
    expect(leanWords({ cuffLeanDeg: 16 }, advised)).toMatch(
      /16° as made, 13° advised: leans 3° more/,
    )
    expect(leanWords({ cuffLeanDeg: 12 }, advised)).toContain('suits')
    expect(leanWords({}, advised)).toBeNull()
  })
})

describe('a ground', () => {
  const step = (activity: string, terrain?: string) =>
    adviseFlex(client({ activity, ability: 'able', ...(terrain && { terrain }) }, 1750, 25)).step

  it('makes a cuff stiffer or softer: hard snow against bumps', () => {
    expect(step('piste', 'ice')).toBeGreaterThan(step('piste'))
    expect(step('piste', 'moguls')).toBeLessThan(step('piste'))
    expect(step('ski-touring', 'long climbs')).toBeLessThan(step('ski-touring', 'steep descents'))
  })
  it('in somebody’s own words or of another activity says nothing', () => {
    expect(step('piste', 'behind the barn')).toBe(step('piste'))
    expect(step('ward', 'ice')).toBe(step('ward'))
  })
  it('is one that is asked for, wherever it says something', () => {
    for (const { terrains, cuffOn } of ACTIVITIES.all)
      for (const ground of Object.keys(cuffOn)) expect(terrains).toContain(ground)
  })
})
