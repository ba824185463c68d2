import { describe, expect, it } from 'vitest'
import { judge } from '../../../core/advice/advise'
import type { Entry } from '../../../core/advice/entry'
import { parseRecord } from '../../../core/record/parse'
import { HOUSE_NORMS } from '../../../core/record/tables'
import { referenceReadings, standing } from '../../fixtures/feet'

/** What is said of a grown right foot: heel 65 mm, forefoot 100 mm, 265 mm long. */
interface Said {
  findings?: object
  pain?: [at: string, score?: number]
  story?: object
  readings?: object[]
  device?: object
  more?: object
}
function entry(code: string, said: Said): Entry | undefined {
  const { findings, pain, story = {}, readings = [], device, more = {} } = said
  const record = parseRecord({
    format: 'gentle-arch/fitting',
    version: 1,
    visit: { on: '2026-11-20' },
    client: { bornOn: '1985-03-02' },
    story: {
      ...(pain && { complaints: [{ foot: 'right', at: pain[0], score: pain[1] ?? 5 }] }),
      ...story,
    },
    feet: {
      right: {
        readings: [...referenceReadings, ...readings],
        ...(findings && { findings }),
        ...(device && { device }),
      },
    },
    ...more,
  })
  return judge(record).find((e) => e.code === code)
}
const fires = (code: string, said: Said) => entry(code, said) !== undefined
const words = (code: string, said: Said) => entry(code, said)?.words ?? ''
const change = (code: string, said: Said) => entry(code, said)?.change
const BOOT = { story: { activity: 'hockey' } }
const SPREAD = HOUSE_NORMS.alignmentRepeatDeg + 1
const [LOW, HIGH] = HOUSE_NORMS.usualForefootDeg

describe('limits of the rules: at them, and a little before', () => {
  it.each([
    ['rearfoot-post', { findings: { rcspDeg: [-6] } }, { findings: { rcspDeg: [-5.9] } }],
    ['uncompensated', { findings: { rcspDeg: [3] } }, { findings: { rcspDeg: [2.9] } }],
    [
      'roll-post',
      { findings: { ncspDeg: [3], rcspDeg: [-3] }, pain: ['knee'] },
      { findings: { ncspDeg: [2.9], rcspDeg: [-3] }, pain: ['knee'] },
    ],
    [
      'roll-post',
      { findings: { ncspDeg: [3], rcspDeg: [-5.9] }, pain: ['knee'] },
      { findings: { ncspDeg: [3], rcspDeg: [-6] }, pain: ['knee'] },
    ],
    [
      'end-of-eversion',
      { findings: { subtalar: { eversionDeg: [8] }, rcspDeg: [-4], tibialVarumDeg: [2] } },
      { findings: { subtalar: { eversionDeg: [8.1] }, rcspDeg: [-4], tibialVarumDeg: [2] } },
    ],
    [
      'neutral-gap',
      {
        findings: {
          subtalar: { inversionDeg: [20], eversionDeg: [10] },
          neutralPalpatedDeg: [3.1],
        },
      },
      {
        findings: { subtalar: { inversionDeg: [20], eversionDeg: [10] }, neutralPalpatedDeg: [3] },
      },
    ],
    [
      'deep-cup',
      { ...BOOT, findings: { rcspDeg: [4] }, device: { outline: { heelCupMm: 15.9 } } },
      { ...BOOT, findings: { rcspDeg: [4] }, device: { outline: { heelCupMm: 16 } } },
    ],
    [
      'deep-cup',
      { ...BOOT, findings: { rcspDeg: [-4] }, device: { outline: { heelCupMm: 12 } } },
      { ...BOOT, findings: { rcspDeg: [-3.9] }, device: { outline: { heelCupMm: 12 } } },
    ],
    [
      'medial-hold',
      { findings: { rcspDeg: [-6] }, pain: ['navicular', 7] },
      { findings: { rcspDeg: [-6] }, pain: ['navicular', 6] },
    ],
    [
      'medial-hold',
      { findings: { rcspDeg: [-6] }, pain: ['navicular', 7] },
      { findings: { rcspDeg: [-5.9] }, pain: ['navicular', 7] },
    ],
    ['fascia-aperture', { pain: ['heelPlantar', 5] }, { pain: ['heelPlantar', 4] }],
    [
      'lateral-skive',
      { findings: { rcspDeg: [3] }, pain: ['lateralAnkle'] },
      { findings: { rcspDeg: [2.9] }, pain: ['lateralAnkle'] },
    ],
    [
      'forefoot-abducted',
      { findings: { posture: [0, 0, 0, 0, 0, 1] }, pain: ['navicular'] },
      { findings: { posture: [2, 2, 2, 2, 2, 0] }, pain: ['navicular'] },
    ],
    [
      'soft-cover',
      {
        story: { hours: 8 },
        pain: ['heelPlantar'],
        device: { shell: { cover: { thicknessMm: 2 } } },
      },
      {
        story: { hours: 7.9 },
        pain: ['heelPlantar'],
        device: { shell: { cover: { thicknessMm: 2 } } },
      },
    ],
    [
      'tilt-without-pain',
      { device: { posts: [{ at: 'rearfoot', angleDeg: -3 }] } },
      { device: { posts: [{ at: 'rearfoot', angleDeg: -2.9 }] } },
    ],
    [
      'post-by-feel',
      { device: { posts: [{ at: 'rearfoot', angleDeg: 3.9, because: 'rearfoot-post' }] } },
      { device: { posts: [{ at: 'rearfoot', angleDeg: 4, because: 'rearfoot-post' }] } },
    ],
    [
      'post-by-feel',
      { device: { posts: [{ at: 'rearfoot', angleDeg: 2, because: 'rearfoot-post' }] } },
      { device: { posts: [{ at: 'rearfoot', angleDeg: 2 }] } },
    ],
    [
      'spring-shell',
      { story: { activity: 'running' }, pain: ['shin'], device: { shell: { thicknessMm: 3.1 } } },
      { story: { activity: 'running' }, pain: ['shin'], device: { shell: { thicknessMm: 3 } } },
    ],
  ] as [string, Said, Said][])('%s', (code, at, before) => {
    expect([fires(code, at), fires(code, before)]).toEqual([true, false])
  })
})

describe('a forefoot is built on', () => {
  const stiff = { mobility: { midtarsal: 'stiff' } }
  const varus = (...trials: number[]): Said => ({ findings: { forefootDeg: trials, ...stiff } })
  it('beyond what is usual, read twice, alike', () => {
    expect(fires('forefoot-varus', varus(HIGH, HIGH))).toBe(false)
    expect(fires('forefoot-varus', varus(HIGH + 0.1, HIGH + 0.1))).toBe(true)
    expect(fires('forefoot-varus', varus(HIGH + 1))).toBe(false)
    expect(fires('forefoot-varus', varus(HIGH + 1, HIGH + 1 + SPREAD))).toBe(false)
    expect(fires('forefoot-valgus', varus(LOW, LOW))).toBe(false)
    expect(fires('forefoot-valgus', varus(LOW - 0.1, LOW - 0.1))).toBe(true)
    expect(fires('forefoot-valgus', varus(LOW - 1))).toBe(false)
  })
  it('when the midfoot is stiff, or where it fits the complaint', () => {
    const findings = { forefootDeg: [8, 8] }
    expect(fires('forefoot-varus', { findings })).toBe(false)
    expect(fires('forefoot-varus', { findings, pain: ['instep'] })).toBe(false)
    expect(words('forefoot-varus', { findings, pain: ['fifthMetHead'] })).toContain(
      'and it fits the complaint',
    )
    expect(words('forefoot-varus', varus(8, 8))).toBe(
      'The right forefoot is 8° varus, 14.1 mm across, and the midfoot is stiff: balance 8° of it in the cast.',
    )
  })
  it('half of it where the first ray gives', () => {
    const ray = (firstRay: object) =>
      words('forefoot-valgus', { findings: { forefootDeg: [-5, -5], firstRay } })
    expect(ray({ rest: 'plantarflexed', stiffness: 'loose' })).toBe(
      'The right forefoot is 5° valgus, 8.7 mm across; the first ray gives, so only part of it is held. Balance 2.5° of it in the cast.',
    )
    expect(ray({ rest: 'plantarflexed', stiffness: 'stiff' })).not.toContain('part')
    expect(ray({ rest: 'level', stiffness: 'loose' })).not.toContain('part')
    expect(ray({})).toBe(
      'The right forefoot is 5° valgus, 8.7 mm across. Balance 5° of it in the cast.',
    )
  })
  it('in a boot either way, by its word', () => {
    const points = (deg: number) =>
      words('three-points', { ...BOOT, findings: { forefootDeg: [deg, deg] } })
    expect(points(HIGH)).toBe('')
    expect(points(LOW)).toBe('')
    expect(points(8)).toContain(
      'With 8° of forefoot varus the right ball stands on one edge (14.1 mm)',
    )
    expect(points(-5)).toContain('With 5° of forefoot valgus')
    expect(fires('three-points', { findings: { forefootDeg: [8, 8] } })).toBe(false)
  })
  it('read once it is asked for again, where it would be built on', () => {
    const again = (...trials: number[]) =>
      words('forefoot-again', { findings: { forefootDeg: trials } })
    expect(again(8)).toContain('8° (14.1 mm) was read once')
    expect(again(-5)).toContain('5°')
    expect([again(HIGH), again(LOW), again(8, 8)]).toEqual(['', '', ''])
  })
})

describe('amounts that follow what was measured', () => {
  it('a post takes half of the roll, four degrees at most', () => {
    const roll = (deg: number) =>
      change('roll-post', { findings: { ncspDeg: [deg], rcspDeg: [0] }, pain: ['shin'] })
    expect(roll(6)).toEqual({ post: { at: 'rearfoot', angleDeg: 3 } })
    expect(roll(7)).toEqual({ post: { at: 'rearfoot', angleDeg: 4 } })
    expect(roll(20)).toEqual({ post: { at: 'rearfoot', angleDeg: 4 } })
  })
  it('a heel that does not get down is filled by its own angle', () =>
    expect(change('uncompensated', { findings: { rcspDeg: [4.6] } })).toEqual({
      post: { at: 'rearfoot', angleDeg: 5 },
    }))
  it('a short ankle gets back what it lacks, three degrees and six millimetres at most', () => {
    const { least } = HOUSE_NORMS.ankleDeg
    const lift = (lacking: number, readings: object[] = [standing('archLengthMm', 190)]) => {
      const bent = least - lacking
      return entry('ankle-lift', {
        findings: { ankleKneeStraightDeg: [bent], ankleKneeBentDeg: [bent] },
        readings,
      })!
    }
    // Without an arch length: the usual lift.
    expect(lift(5, []).change).toEqual({ heelLiftMm: 4, onBoth: true })
    expect(lift(0.5).change).toEqual({ heelLiftMm: 2, onBoth: true })
    expect(lift(5).words).toContain('short by 5°')
    // What a lift gives back is its own angle: 190 − 0.14·265 mm from the heel's centre to the heads.
    const gives = (mm: number) => ((Math.atan(mm / (190 - 0.14 * 265)) * 180) / Math.PI).toFixed(1)
    for (const lacking of [5, 2, 0.5]) {
      const { change, words } = lift(lacking)
      const { heelLiftMm } = change as { heelLiftMm: number }
      expect(words).toContain(`${heelLiftMm} mm gives back ${Number(gives(heelLiftMm))}°`)
    }
  })
  it('a skive is deeper where the axis lies medial', () => {
    const depth = (findings: object) => change('medial-push', { findings, pain: ['navicular'] })
    const { 'medial-push.depthMm': usual, 'medial-push.medialAxisDepthMm': medial } =
      HOUSE_NORMS.ruleThresholds
    expect(depth({ kneeOver: 'inside' })).toMatchObject({ amounts: { depthMm: usual } })
    expect(depth({ axis: 'medial' })).toMatchObject({ amounts: { depthMm: medial } })
  })
  it('a relief is as big as its spot and 3 mm more, six to forty, and lies under the sole', () => {
    const spot = (more: object) =>
      change('spot-relief', {
        findings: { marks: [{ kind: 'corn', view: 'plantar', xMm: 5, yMm: 60, ...more }] },
      }) as { amounts: Record<string, number> }
    expect(spot({ sizeMm: 20 }).amounts).toMatchObject({ radiusMm: 13, xMm: 5, yMm: 60 })
    expect(spot({}).amounts.radiusMm).toBe(9)
    expect(spot({ sizeMm: 2 }).amounts.radiusMm).toBe(6)
    expect(spot({ sizeMm: 120 }).amounts.radiusMm).toBe(40)
    expect(spot({ yMm: -15 }).amounts.yMm).toBe(0)
    expect(Math.abs(spot({ xMm: -150 }).amounts.xMm!)).toBeLessThan(100)
  })
  it('the sorest of several spots is relieved; a callus only when it is sore', () => {
    const at = (...marks: object[]) =>
      (
        change('spot-relief', {
          findings: { marks: marks.map((m) => ({ view: 'plantar', xMm: 0, ...m })) },
        }) as { amounts: { yMm: number } } | undefined
      )?.amounts.yMm
    expect(
      at({ kind: 'corn', yMm: 40, tenderness: 4 }, { kind: 'lump', yMm: 90, tenderness: 8 }),
    ).toBe(90)
    expect(at({ kind: 'callus', yMm: 40 })).toBeUndefined()
    expect(at({ kind: 'callus', yMm: 40, tenderness: 3 })).toBe(40)
    expect(at({ kind: 'corn', yMm: 40, tenderness: 2 })).toBeUndefined()
    expect(at({ kind: 'corn', yMm: 40, view: 'dorsal' })).toBeUndefined()
    expect(at({ kind: 'wound', yMm: 40, tenderness: 9 })).toBeUndefined()
  })
})

describe('what was seen is what is said', () => {
  it('of the inner side: each finding that speaks, and no other', () => {
    const said = (findings: object) => words('medial-push', { findings, pain: ['medialAnkle'] })
    expect(said({ rcspDeg: [-6], axis: 'medial' })).toContain(
      'the heel stands everted 6° and the axis lies medial',
    )
    expect(said({ rcspDeg: [1], axis: 'medial' })).toContain('hurts, and the axis lies medial.')
    // Inverted over a medial axis: contradictory, and nothing is pushed.
    expect(said({ rcspDeg: [2], axis: 'medial' })).toBe('')
    expect(said({ axis: 'medial', kneeOver: 'inside' })).toContain('the axis lies medial')
    expect(said({ kneeOver: 'inside' })).toContain('the knee tracks inside')
    expect(said({ axis: 'lateral', kneeOver: 'outside' })).toBe('')
    expect(said({ rcspDeg: [-3] })).toBe('')
  })
  it('of the outer side: the heel, the knee, both or neither', () => {
    const said = (findings: object) => words('lateral-push', { findings, pain: ['lateralAnkle'] })
    expect(said({ rcspDeg: [2], kneeOver: 'outside' })).toContain(
      'hurts and the heel stands inverted 2° and the knee tracks outside',
    )
    expect(said({ rcspDeg: [-2], kneeOver: 'outside' })).toContain(
      'hurts and the knee tracks outside',
    )
    expect(said({ kneeOver: 'inside' })).toContain(
      'outer ankle hurts. A valgus rearfoot post of 2°',
    )
  })
  it('of a knee in a boot, its own way', () => {
    const knee = (kneeOver: string) => words('knee-cuff', { ...BOOT, findings: { kneeOver } })
    expect(knee('inside')).toContain('inside the great toe')
    expect(knee('outside')).toContain('outside the third toe')
    expect([knee('second'), knee('third')]).toEqual(['', ''])
    expect(words('knee-cuff', { findings: { kneeOver: 'inside' } })).toBe('')
  })
  it('of an arch that the toe lifts late or not at all, when it hurts', () => {
    const toe = (windlass: string, pain: Said['pain'] = ['archPlantar'], more: object = {}) =>
      words('windlass-first', { findings: { windlass, ...more }, pain })
    expect(toe('late')).toContain('lifts the arch late')
    expect(toe('none')).toContain('does not lift the arch')
    expect([toe('rises'), toe('late', ['knee'])]).toEqual(['', ''])
    expect(
      toe('late', ['archPlantar'], { firstToeUnloadedDeg: [70], firstToeLoadedDeg: [10] }),
    ).toBe('')
  })
  it('of a cut-out only where a post tilts', () => {
    const LIMIT = { firstToeUnloadedDeg: [70], firstToeLoadedDeg: [10] }
    const said = (angleDeg: number | null) =>
      words('first-ray-freedom', {
        findings: LIMIT,
        device: { posts: angleDeg === null ? [] : [{ at: 'rearfoot', angleDeg }] },
      })
    expect(said(3)).toContain('with the post a cut-out would do too')
    expect(said(0)).not.toContain('cut-out')
    expect(said(null)).not.toContain('cut-out')
    expect(said(null)).toContain('stops under load at 10°')
  })
  it('of a shoe that is too narrow, where it hurts or goes numb', () => {
    const wide = [standing('forefootWidthMm', 118)]
    const said = (more: Said) => fires('wider-shoe', { readings: wide, ...more })
    expect(said({ pain: ['lesserToes'] })).toBe(true)
    expect(said({ pain: ['heelPlantar'] })).toBe(false)
    expect(fires('wider-shoe', { pain: ['lesserToes'] })).toBe(false)
    expect(said({ story: { complaints: [{ foot: 'right', at: 'greatToe', numb: true }] } })).toBe(
      true,
    )
  })
  it('of tilts that are pushed at once, one step at a time', () => {
    const pushes = (posts: number[], skives: object[]) =>
      words('big-step', {
        pain: ['medialAnkle'],
        device: {
          posts: posts.map((angleDeg, i) => ({ at: i ? 'forefoot' : 'rearfoot', angleDeg })),
          layers: skives,
        },
      })
    const skive = { kind: 'medialSkive' }
    expect(pushes([4, 4], [skive])).toContain('pushes in 3 ways at once')
    expect(pushes([4, 2], [skive])).toBe('')
    expect(pushes([4, 4], [{ ...skive, on: false }])).toBe('')
    expect(pushes([4, 4], [{ kind: 'metPad' }])).toBe('')
  })
})

describe('two feet', () => {
  const pair = (left: number, right: number) =>
    fires('ball-gap', {
      more: {
        feet: {
          left: { readings: [standing('forefootWidthMm', left)] },
          right: { readings: [standing('forefootWidthMm', right)] },
        },
      },
    })
  it('that differ at the ball by more than its limit', () => {
    expect([pair(95, 103), pair(95, 103.1), pair(103.1, 95)]).toEqual([false, true, true])
  })
  it('in two sizes are told in the trade’s words', () => {
    const chosen = { model: 'm', sizeLeftMm: 265, sizeRightMm: 270 }
    expect(words('split-pair', { more: { footwear: { chosen } } })).toBe(
      'Split pair: left 26.5, right 27.0. Ask the maker before promising it.',
    )
    expect(
      words('split-pair', { more: { footwear: { chosen: { model: 'm', sizeLeftMm: 265 } } } }),
    ).toBe('')
  })
})
