import { describe, expect, it } from 'vitest'
import { examineFoot } from '../../../core/examine/examineFoot'
import { examineRecord } from '../../../core/examine/examineRecord'
import type { Findings } from '../../../core/kinds/findings/all'
import { parseRecord } from '../../../core/record/parse'
import { HOUSE_NORMS } from '../../../core/record/tables'
import { standing } from '../../fixtures/feet'

const record = (findings: Findings, readings: object[] = [], more: object = {}) =>
  parseRecord({
    format: 'gentle-arch/fitting',
    version: 1,
    feet: { left: { readings, findings } },
    ...more,
  })
const exam = (findings: Findings, readings: object[] = []) =>
  examineFoot(record(findings, readings).feet.left!, false, HOUSE_NORMS)

/** What each result needs, and what it is then; by hand. */
const NEEDED: [key: keyof ReturnType<typeof exam>, needs: Findings, value: unknown][] = [
  ['neutralDeg', { subtalar: { inversionDeg: [24], eversionDeg: [6] } }, 4],
  ['rollDeg', { ncspDeg: [5], rcspDeg: [-3] }, 8],
  ['expectedNcspDeg', { tibialVarumDeg: [4], neutralPalpatedDeg: [1] }, 5],
  ['ncspGapDeg', { tibialVarumDeg: [4], neutralPalpatedDeg: [1], ncspDeg: [7] }, 2],
  [
    'neutralGapDeg',
    { subtalar: { inversionDeg: [24], eversionDeg: [6] }, neutralPalpatedDeg: [1] },
    3,
  ],
  [
    'eversionLeftDeg',
    { subtalar: { eversionDeg: [10] }, rcspDeg: [-3], tibialVarumDeg: [4] },
    10 - 3 - 4,
  ],
  ['uncompensatedDeg', { rcspDeg: [3] }, 3],
  ['ankle', { ankleKneeStraightDeg: [4], ankleKneeBentDeg: [16] }, 'calfLimited'],
  ['firstToe', { firstToeUnloadedDeg: [70] }, 'usual'],
  ['postureSum', { posture: [1, 1, 1, 1, 1, -2] }, 3],
]
/** The needs with one of them left out, wherever it lies. */
const without = (needs: Findings): Findings[] =>
  Object.entries(needs).flatMap(([key, value]): Findings[] => {
    const { [key as keyof Findings]: _, ...rest } = needs
    if (key !== 'subtalar') return [rest]
    const parts = value as Record<string, number[]>
    return Object.keys(parts).map((part) => {
      const { [part]: __, ...others } = parts
      return { ...rest, subtalar: others }
    })
  })

describe.each(NEEDED)('%s', (key, needs, value) => {
  it('is what its formula says', () => expect(exam(needs)[key]).toEqual(value))
  it('is null when any of its needs was not taken', () => {
    for (const less of without(needs)) expect(exam(less)[key]).toBeNull()
  })
})

describe('limits', () => {
  it('a stance that is off by the limit agrees, above it not', () => {
    const limit = HOUSE_NORMS.ruleThresholds['ncsp-again.gapDeg']
    const off = (deg: number) =>
      exam({ tibialVarumDeg: [4], neutralPalpatedDeg: [0], ncspDeg: [4 + deg] }).ncspDisagrees
    expect([off(limit), off(limit + 0.1), off(-limit), off(-limit - 0.1)]).toEqual([
      false,
      true,
      false,
      true,
    ])
    expect(exam({ ncspDeg: [40] }).ncspDisagrees).toBe(false)
  })
  it('nothing is uncompensated in a heel that everts', () =>
    expect(exam({ rcspDeg: [-3] }).uncompensatedDeg).toBe(0))
  it('tries at the limit are believed, above it asked for again', () => {
    const { alignmentRepeatDeg: near, rangeRepeatDeg: far } = HOUSE_NORMS
    const again = (findings: Findings) =>
      Object.values(exam(findings).angles).some((a) => a?.repeat === true)
    expect(again({ rcspDeg: [0, near] })).toBe(false)
    expect(again({ rcspDeg: [0, near + 0.1] })).toBe(true)
    expect(again({ firstToeUnloadedDeg: [60, 60 + far] })).toBe(false)
    expect(again({ firstToeUnloadedDeg: [60, 60 + far + 0.1] })).toBe(true)
  })
  it('a great toe is stiff by pain in mid-range too, and free without either', () => {
    const toe = (more: Findings) => exam({ firstToeUnloadedDeg: [20], ...more }).firstToe
    expect(toe({})).toBe('limited')
    expect(toe({ firstToeStiff: true })).toBe('rigid2')
    expect(toe({ firstToeMidRangePain: true })).toBe('rigid2')
    expect(toe({ firstToeStiff: false, firstToeMidRangePain: false })).toBe('limited')
  })
  it('a forefoot has a height where its width was taken', () => {
    const findings: Findings = { forefootDeg: [7] }
    expect(exam(findings).forefootMm).toBeNull()
    expect(exam(findings, [standing('forefootWidthMm', 96)]).forefootMm).toBeCloseTo(11.79, 2)
    expect(exam({}, [standing('forefootWidthMm', 96)]).forefootMm).toBeNull()
  })
  it('the first ray is one of the joints', () => {
    const { stiff, loose } = exam({
      firstRay: { stiffness: 'stiff' },
      mobility: { ankle: 'loose' },
    })
    expect([stiff, loose]).toEqual([['firstRay'], ['ankle']])
    expect(exam({ firstRay: { rest: 'level' } }).stiff).toEqual([])
  })
})

describe('as the command line prints it', () => {
  it('what was not taken is not there, and its paths are told, each once', () => {
    const left = examineRecord(record({ rcspDeg: [-3] })).feet.left!
    expect(left).toMatchObject({ rcspDeg: -3, uncompensatedDeg: 0 })
    for (const key of ['neutralDeg', 'forefootDeg', 'rollDeg']) expect(left).not.toHaveProperty(key)
    expect(Object.keys(left.angles)).toEqual(['rcspDeg'])
    expect(left.missing).toEqual([...new Set(left.missing)])
    expect(left.missing).toContain('feet.left.readings.forefootWidthMm')
    expect(left.missing).toContain('feet.left.findings.subtalar.eversionDeg')
    expect(left.missing).not.toContain('feet.left.findings.rcspDeg')
  })
  it('a reading that is there is not asked for', () => {
    const { missing } = examineRecord(record({}, [standing('forefootWidthMm', 96)])).feet.left!
    expect(missing).toContain('feet.left.findings.forefootDeg')
    expect(missing).not.toContain('feet.left.readings.forefootWidthMm')
  })
  it('what a boot asks of the ankle needs the boot and the ankle', () => {
    const chosen = { model: 'x', forwardLeanDeg: 14, rampDeg: 4 }
    const boot = (findings: Findings, more: object) =>
      examineRecord(record(findings, [], { footwear: { chosen: more } })).feet.left!
    expect(boot({ ankleKneeBentDeg: [16] }, chosen)).toMatchObject({
      boot: { demandDeg: 10, leftDeg: 3 },
    })
    expect(boot({ ankleKneeBentDeg: [16] }, { model: 'x', forwardLeanDeg: 14 })).toMatchObject({
      boot: { demandDeg: 14 },
    })
    expect(boot({}, chosen)).not.toHaveProperty('boot')
    expect(boot({ ankleKneeBentDeg: [16] }, { model: 'x' })).not.toHaveProperty('boot')
  })
})
