import { SIGNS, SIGN_KINDS } from '../../../core/kinds/signs/all'
import { describe, expect, it } from 'vitest'
import { parseRecord } from '../../../core/record/parse'
import { riskOf } from '../../../core/examine/risk'

const screened = { sensationFelt: 10, pulses: 'both', deformity: 'none' }
const risk = (
  findings: object | undefined,
  conditions: string[] = [],
  story: object = {},
  extra: object = {},
) =>
  riskOf(
    parseRecord({
      format: 'gentle-arch/fitting',
      version: 1,
      visit: { on: '2026-11-20' },
      story: { conditions, ...story },
      feet: { left: { findings: screened }, right: { findings } },
      ...extra,
    }),
  )

describe('the grade', () => {
  it.each([
    [0, screened, []],
    [1, { ...screened, sensationFelt: 9 }, ['diabetes']],
    [1, { ...screened, pulses: 'weak' }, []],
    [1, screened, ['neuropathy']],
    [2, { ...screened, sensationFelt: 9, pulses: 'absent' }, []],
    [2, { ...screened, sensationFelt: 9, deformity: 'present' }, []],
    [3, { ...screened, sensationFelt: 9 }, ['pastUlcer']],
    [3, screened, ['poorCirculation', 'amputation']],
    [0, screened, ['diabetes', 'pastUlcer']],
  ] as const)('is %s for %j with %j', (grade, findings, conditions) =>
    expect(risk(findings, [...conditions]).grade).toBe(grade),
  )
  it('is not given when something was not looked at, and counts as at risk in diabetes', () => {
    for (const findings of [
      undefined,
      { ...screened, sensationFelt: undefined },
      { sensationFelt: 10 },
      { ...screened, sensationFelt: 9, deformity: undefined },
    ]) {
      const clean =
        findings && Object.fromEntries(Object.entries(findings).filter(([, v]) => v !== undefined))
      expect(risk(clean, ['diabetes'])).toMatchObject({ grade: null, atRisk: true })
    }
    expect(risk(undefined, []).atRisk).toBe(false)
  })
})

describe('refer first', () => {
  it('holds for every sign, until that very reason is cleared', () => {
    for (const sign of SIGN_KINDS) {
      const child = SIGNS.of(sign).childOnly ? { client: { bornOn: '2018-01-01' } } : {}
      const asked = { signs: { [sign]: 'yes' } }
      expect(risk(screened, [], asked, child), sign).toMatchObject({ blocked: true })
      const cleared = (code: string) =>
        risk(
          screened,
          [],
          { ...asked, clearances: [{ code, by: 'Dr Amara Quill', on: '2026-11-20' }] },
          child,
        ).blocked
      expect([cleared(`sign-${sign}`), cleared('sign-other')], sign).toEqual([false, true])
    }
  })
  it.each([
    [
      'wound',
      { ...screened, marks: [{ kind: 'wound', view: 'plantar', xMm: 0, yMm: 100 }] },
      [],
      {},
    ],
    ['absent pulse', { ...screened, pulses: 'absent' }, [], {}],
    ['failed heel raise', { ...screened, heelRaise: { count: 4, inverts: false } }, [], {}],
    ['recent operation', screened, ['recentOperation'], {}],
    ['long leg', screened, [], { legLengthDifferenceMm: { value: 12, shorter: 'left' } }],
    [
      'new leg',
      screened,
      [],
      { legLengthDifferenceMm: { value: 6, shorter: 'left', known: 'new' } },
    ],
  ] as const)('holds for %s', (_, findings, conditions, extra) =>
    expect(risk(findings, [...conditions], {}, extra).blocked).toBe(true),
  )
  it('keeps quiet for a sound pair and for an adult who limps', () => {
    expect(risk(screened).refers).toEqual([])
    expect(risk(screened, [], { signs: { childLimps: 'yes' } }).refers).toEqual([])
    expect(
      risk(
        screened,
        [],
        {},
        { legLengthDifferenceMm: { value: 8, shorter: 'left', known: 'long-standing' } },
      ).blocked,
    ).toBe(false)
  })
})
