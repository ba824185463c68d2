import { describe, expect, it } from 'vitest'
import { advise } from '../../../core/advice/advise'
import { SIGN_KINDS } from '../../../core/kinds/signs/all'
import { parseRecord } from '../../../core/record/parse'
import { DEMO_RECORDS } from '../../../demo/records'
import { referenceReadings, referenceRecord, standing } from '../../fixtures/feet'

const withFindings = (findings: unknown, story: unknown = {}) =>
  parseRecord({
    format: 'gentle-arch/fitting',
    version: 1,
    story,
    feet: {
      right: {
        readings: [standing('footLengthMm', 265), standing('forefootWidthMm', 96)],
        findings,
      },
    },
  })

describe('the ledger', () => {
  it('is empty for a sound pair of feet', () => {
    const signs = Object.fromEntries(SIGN_KINDS.map((kind) => [kind, 'no']))
    expect(advise(referenceRecord({}, { story: { signs } }))).toEqual([])
    // With devices and nobody having asked what stops making, this one thing is said.
    expect(advise(referenceRecord()).map((e) => e.code)).toEqual(['signs-not-asked'])
  })
  it('suggests from finding and complaint, with school and triggers', () => {
    const entries = advise(
      withFindings(
        { rcspDeg: [-6, -6] },
        { complaints: [{ foot: 'right', at: 'medialAnkle', score: 6 }] },
      ),
    )
    const skive = entries.find((e) => e.code === 'medial-push')!
    expect(skive).toMatchObject({
      school: 'tissue-stress',
      foot: 'right',
      change: { layer: 'medialSkive', amounts: { depthMm: 2 } },
    })
    expect(skive.triggers).toContain('feet.right.findings.rcspDeg')
    expect(entries.map((e) => e.school)).toContain('neutral')
  })
  it("puts stops first and carries the devices' contradictions", () => {
    const entries = advise(
      referenceRecord(
        { layers: [{ kind: 'medialSkive' }] },
        { story: { conditions: ['diabetes'] } },
      ),
    )
    expect(entries[0]!.kind).toBe('stop')
    expect(entries.map((e) => e.code)).toEqual(
      expect.arrayContaining(['risk-foot', 'skive-on-insensate']),
    )
    expect(entries.map((e) => ({ stop: 0, watch: 1, suggest: 2 })[e.kind])).toEqual(
      [...entries.map((e) => ({ stop: 0, watch: 1, suggest: 2 })[e.kind])].sort(),
    )
  })
  it('asks for one more try and names the odd one', () => {
    const record = parseRecord({
      format: 'gentle-arch/fitting',
      version: 1,
      feet: { left: { readings: [...referenceReadings, standing('waistGirthMm', 240, 247, 241)] } },
    })
    expect(advise(record).find((e) => e.code.startsWith('repeat'))!.words).toContain('strike 247?')
  })
  it('gives children no adult corrections', () =>
    expect(advise(DEMO_RECORDS['juno-abara']!).filter((e) => e.kind === 'suggest')).toEqual([]))
})
