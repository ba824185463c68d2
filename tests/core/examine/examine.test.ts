import { HOUSE_NORMS } from '../../../core/record/tables'
import { ANGLES, ANGLE_KEYS } from '../../../core/kinds/findings/all'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { trialsOf, withTrials } from '../../../core/examine/angleTrials'
import { examineFoot } from '../../../core/examine/examineFoot'
import { examineRecord } from '../../../core/examine/examineRecord'
import {
  ankleOf,
  bootDemand,
  firstToeOf,
  liftForDeg,
  liftTiltDeg,
  postureClassOf,
  subtalarNeutralDeg,
  wedgeTiltDeg,
} from '../../../core/examine/verdicts'
import { parseRecord } from '../../../core/record/parse'
import type { Foot } from '../../../core/record/schema'
import { standing } from '../../fixtures/feet'

const foot = (findings: object) =>
  parseRecord({
    format: 'gentle-arch/fitting',
    version: 1,
    feet: { right: { readings: [standing('forefootWidthMm', 96)], findings } },
  }).feet.right!
const exam = (findings: object, child = false) => examineFoot(foot(findings), child, HOUSE_NORMS)

describe('published values and closed forms', () => {
  it('finds subtalar neutral one third from the everted end', () => {
    expect(subtalarNeutralDeg(20, 10)).toBe(0)
    expect(subtalarNeutralDeg(24, 6)).toBe(4)
    expect(subtalarNeutralDeg(23, 9.5)).toBeCloseTo(1.333, 3)
  })
  it('shows 7° over 96 mm as 11.8 mm', () =>
    expect(exam({ forefootDeg: [7] }).forefootMm).toBeCloseTo(11.79, 2))
  it.each([
    [-5, 'stronglySupinated'],
    [-4, 'supinated'],
    [-1, 'supinated'],
    [0, 'normal'],
    [5, 'normal'],
    [6, 'pronated'],
    [9, 'pronated'],
    [10, 'stronglyPronated'],
  ] as const)('classes a posture sum of %i as %s', (sum, name) =>
    expect(postureClassOf(sum)).toBe(name),
  )
  it('grades the great toe in its order', () => {
    const at = (unloaded: number, loaded?: number, stiff = true, mid = false) =>
      firstToeOf(unloaded, loaded, stiff, mid, HOUSE_NORMS.firstToeDeg)
    expect([
      at(70, 10),
      at(70, 25),
      at(70),
      at(63),
      at(60),
      at(40),
      at(39),
      at(30),
      at(29),
      at(11),
      at(10),
      at(10, undefined, true, true),
      at(45, undefined, false),
    ]).toEqual([
      'functionalLimit',
      'usual',
      'usual',
      'limited',
      'limited',
      'rigid0',
      'rigid1',
      'rigid1',
      'rigid2',
      'rigid2',
      'rigid3',
      'rigid4',
      'limited',
    ])
  })
  it('tells calf from joint', () =>
    expect([
      ankleOf(8, 16, HOUSE_NORMS.ankleDeg),
      ankleOf(8, 9, HOUSE_NORMS.ankleDeg),
      ankleOf(12, 18, HOUSE_NORMS.ankleDeg),
      ankleOf(8, 11, HOUSE_NORMS.ankleDeg),
    ]).toEqual(['calfLimited', 'jointLimited', 'usual', 'usual']))
  it("sets a boot's demand against the bent range with 3° kept back", () => {
    expect(bootDemand(14, 4, 16, HOUSE_NORMS.ankleDeg)).toEqual({ demandDeg: 10, leftDeg: 3 })
    expect(bootDemand(14, 4, 12, HOUSE_NORMS.ankleDeg).leftDeg).toBe(-1)
  })
  it('tilts a degree by 3.3 mm of wedge and 2.7 mm of lift at 190 mm', () => {
    expect(wedgeTiltDeg(3.3, 190)).toBeCloseTo(0.995, 3)
    expect(liftTiltDeg(2.7, 190, 260)).toBeCloseTo(1.007, 3)
    expect(liftTiltDeg(liftForDeg(4, 190, 260), 190, 260)).toBeCloseTo(4, 9)
  })
})

describe('compensation', () => {
  const full = {
    subtalar: { inversionDeg: [22, 24], eversionDeg: [9, 10] },
    neutralPalpatedDeg: [2],
    ncspDeg: [5],
    rcspDeg: [-3],
    tibialVarumDeg: [4],
  }
  it('is computed as written down', () => {
    const e = exam(full)
    expect(e).toMatchObject({ rollDeg: 8, uncompensatedDeg: 0, ncspDisagrees: false })
    expect(e.neutralDeg).toBeCloseTo(1.333, 3)
    expect(e.expectedNcspDeg).toBeCloseTo(5.333, 3)
    expect(e.eversionLeftDeg).toBeCloseTo(2.5, 9)
  })
  it('asks to measure again when neutral stance and shin disagree', () =>
    expect(exam({ ...full, ncspDeg: [8] }).ncspDisagrees).toBe(true))
  it('says what did not get down', () =>
    expect(exam({ ncspDeg: [6], rcspDeg: [3] })).toMatchObject({
      uncompensatedDeg: 3,
      words: 'Heel stands 3° inverted, 3° of roll inward to get down, 3° not got down.',
    }))
  it('asks again above 2° for alignment and above 5° for ranges', () => {
    expect(exam({ rcspDeg: [-2, -5] }).relaxed!.repeat).toBe(true)
    expect(exam({ firstToeUnloadedDeg: [66, 71] }).angles.firstToeUnloadedDeg!.repeat).toBe(false)
  })
  it('gives a child no posture class', () => {
    expect(exam({ posture: [2, 2, 2, 2, 1, 1] }, true)).toMatchObject({
      postureSum: 10,
      postureClass: null,
    })
    expect(exam({ posture: [2, 2, 2, 2, 1, 1] }, true).words).toContain('no class')
  })
})

describe('the alignment sentence', () => {
  const angle = fc.double({ min: -20, max: 20, noNaN: true })
  const range = fc.double({ min: 0, max: 60, noNaN: true })
  const findings = fc.record({
    ncspDeg: fc.tuple(angle),
    rcspDeg: fc.tuple(angle),
    tibialVarumDeg: fc.tuple(angle),
    forefootDeg: fc.tuple(angle),
    subtalar: fc.record({ inversionDeg: fc.tuple(range), eversionDeg: fc.tuple(range) }),
    posture: fc.array(fc.integer({ min: -2, max: 2 }), { minLength: 6, maxLength: 6 }),
    mobility: fc.record({
      subtalar: fc.constantFrom('stiff', 'usual', 'loose'),
      midtarsal: fc.constantFrom('stiff', 'usual', 'loose'),
    }),
  })
  const plain = (v: number) => Number(Math.abs(v).toFixed(1)).toString()
  it('never contradicts its numbers', () =>
    fc.assert(
      fc.property(findings, (f) => {
        const e = exam(f)
        const says = (value: number, plus: string, minus: string, level: string) =>
          expect(e.words.toLowerCase()).toContain(
            Math.abs(value) < 0.5 ? level : `${plain(value)}° ${value > 0 ? plus : minus}`,
          )
        says(f.forefootDeg[0], 'varus', 'valgus', 'forefoot level')
        says(f.rcspDeg[0], 'inverted', 'everted', 'heel stands upright')
        says(f.ncspDeg[0] - f.rcspDeg[0], 'of roll inward', 'of roll outward', 'no roll')
        expect(e.words.includes('beyond the usual')).toBe(
          f.forefootDeg[0] < -2 || f.forefootDeg[0] > 6,
        )
        expect(e.words.includes('not got down')).toBe(f.rcspDeg[0] >= 0.5)
        const left = f.subtalar.eversionDeg[0] + f.rcspDeg[0] - f.tibialVarumDeg[0]
        // Below nothing it cannot be, and is asked for again instead.
        expect(e.words.includes('end of its eversion')).toBe(left > -0.05 && left <= 2)
        expect(e.impossible.map((pair) => pair.code).includes('eversion-below-nothing')).toBe(
          left < -0.05,
        )
        for (const [joint, name] of [
          ['subtalar', 'rearfoot'],
          ['midtarsal', 'midfoot'],
        ] as const) {
          const part = (how: string) => new RegExp(`${how}: [^;.]*${name}`).test(e.words)
          expect([part('stiff'), part('loose')]).toEqual([
            f.mobility[joint] === 'stiff',
            f.mobility[joint] === 'loose',
          ])
        }
      }),
    ))
})

describe('trials of angles', () => {
  it('are found and replaced where the record keeps them', () => {
    for (const key of ANGLE_KEYS) {
      const there = withTrials({ pulses: 'both' }, key, [3, 4])
      expect(trialsOf(there, key)).toEqual([3, 4])
      expect(there.pulses).toBe('both')
      expect(ANGLES.of(key).range).toBe(/version|ankle|Toe/.test(key))
    }
  })
})

describe('arch examine', () => {
  const record = (findings: object, extra: object = {}) =>
    parseRecord({
      format: 'gentle-arch/fitting',
      version: 1,
      feet: { left: { readings: [], findings } as unknown as Foot },
      ...extra,
    })
  it('names the paths of what it could not give', () => {
    const out = examineRecord(record({ ncspDeg: [1] }))
    expect(out.feet.left!.missing).toContain('feet.left.findings.rcspDeg')
    expect(out.feet.left!.missing).not.toContain('feet.left.findings.ncspDeg')
  })
  it('gives grade and refusals of the client', () =>
    expect(
      examineRecord(
        record(
          { sensationFelt: 8, pulses: 'both', deformity: 'none' },
          { story: { conditions: ['diabetes'], signs: { calfSwollen: 'yes' } } },
        ),
      ).risk,
    ).toMatchObject({ grade: 1, refer: ['calf pain with swelling: at once'], blocked: true }))
})
