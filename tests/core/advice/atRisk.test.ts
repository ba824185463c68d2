import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { advise, judge } from '../../../core/advice/advise'
import { proposeDevice } from '../../../core/advice/proposal'
import { COMPLAINT_PLACES } from '../../../core/tables/vocabulary'
import { parseRecord } from '../../../core/record/parse'
import { runs } from '../../effort'
import { benchRecord } from '../../fixtures/benchRecord'

/** In the words of a colleague: what nobody suggests where nothing is felt. */
const NEVER =
  /skive|shave|flange|wrap|cut[- ]?out|carbon|gait plate|nerve|heat-mould|hard cover|microfibre/i

const pain = fc.array(
  fc.record({
    foot: fc.constantFrom('left', 'right'),
    at: fc.constantFrom(...COMPLAINT_PLACES),
    score: fc.integer({ min: 1, max: 9 }),
  }),
  { maxLength: 4 },
)
const angle = (min: number, max: number) => fc.option(fc.integer({ min, max }), { nil: undefined })
const findings = fc.record(
  {
    forefootDeg: angle(-8, 10).map((v) => v !== undefined && [v, v]),
    rcspDeg: angle(-10, 6).map((v) => v !== undefined && [v, v]),
    firstToeUnloadedDeg: angle(10, 80).map((v) => v !== undefined && [v, v]),
    ankleKneeStraightDeg: angle(-5, 15).map((v) => v !== undefined && [v, v]),
    firstRay: fc.constantFrom(
      undefined,
      { rest: 'plantarflexed' },
      { upMm: 1, downMm: 7 },
      { upMm: 8, downMm: 2 },
    ),
  },
  { requiredKeys: [] },
)
const activity = fc.constantFrom('running', 'touring', 'walking', 'ward', 'skating')
/** Feet of which somebody knows that they are at risk, or of which it was told and never looked at. */
const why = fc.constantFrom(
  { conditions: ['diabetes'], felt: undefined },
  { conditions: ['neuropathy'], felt: undefined },
  { conditions: ['poorCirculation'], felt: undefined },
  { conditions: [], felt: 7 },
  { conditions: ['diabetes'], felt: 9 },
)

function recordOf(
  complaints: unknown[],
  found: Record<string, unknown>,
  does: string,
  { conditions, felt }: { conditions: readonly string[]; felt: number | undefined },
) {
  const known = Object.fromEntries(Object.entries(found).filter(([, v]) => v))
  const { left } = benchRecord(0, {}).feet
  const foot = {
    readings: left!.readings,
    findings: { ...known, ...(felt !== undefined && { sensationFelt: felt }) },
  }
  return parseRecord({
    format: 'gentle-arch/fitting',
    version: 2,
    client: { bornOn: '1970-01-01', massKg: 80 },
    visit: { on: '2026-11-01' },
    story: { complaints, conditions, activity: does },
    feet: { left: foot, right: foot },
  })
}

describe('a foot at risk', () => {
  it('gets no push, wall, cut edge or heat suggested, whatever was found', () => {
    let [suggested, records] = [0, 0]
    fc.assert(
      fc.property(pain, findings, activity, why, (complaints, found, does, reason) => {
        const record = recordOf(complaints, found, does, reason)
        const entries = advise(record).filter((e) => e.kind === 'suggest')
        suggested += entries.length
        records++
        for (const { change, words } of entries) {
          const asked = JSON.stringify(change)
          expect(asked, words).not.toMatch(NEVER)
        }
        for (const school of [
          'neutral',
          'tissue-stress',
          'sagittal',
          'platform',
          'comfort',
        ] as const) {
          const device = proposeDevice(record, 'left', school)?.device
          expect(JSON.stringify(device?.layers ?? []), school).not.toMatch(NEVER)
          expect(device?.kind).not.toBe('heat-moulded')
        }
        expect(entries.filter((e) => e.code === 'total-contact')).toHaveLength(2)
      }),
      { numRuns: runs(300) },
    )
    // More is suggested than total contact on either foot: the rules were asked.
    expect(suggested).toBeGreaterThan(3 * records)
  })
  it('is one like the others when feeling and flow were looked at and are there', () => {
    const hurts = [{ foot: 'left', at: 'archPlantar', score: 5 }]
    const everted = { rcspDeg: [-8, -8] }
    const seen = { ...everted, pulses: 'both', deformity: 'none' }
    const codes = (found: Record<string, unknown>, felt: number) =>
      judge(recordOf(hurts, found, 'running', { conditions: ['diabetes'], felt })).map(
        (e) => e.code,
      )
    expect(codes(seen, 10)).not.toContain('total-contact')
    expect(codes(seen, 8)).toContain('total-contact')
    expect(codes(everted, 10)).toContain('total-contact')
  })
  it('whose looks are not all taken has at least grade 1, and is not called ungraded', () => {
    const record = recordOf([], {}, 'walking', { conditions: [], felt: 7 })
    expect(advise(record).find((e) => e.code === 'risk-foot')!.words).toContain('at least grade 1')
  })
})
