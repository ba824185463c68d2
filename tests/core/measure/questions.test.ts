import { describe, expect, it } from 'vitest'
import {
  doubt,
  looksLikeOtherFoot,
  questionsOf,
  refuseTrial,
} from '../../../core/measure/questions'
import { parseRecord } from '../../../core/record/parse'
import { HOUSE_NORMS } from '../../../core/record/tables'

describe('a value that is unlikely for its foot', () => {
  /** A width of 0.4 of the length, 0.01 either way. */
  const norms = { ratioToLength: { forefootWidthMm: { mean: 0.4, sd: 0.01 } } } as never
  const asked = (mm: number, length: number | undefined = 250) =>
    doubt('forefootWidthMm', mm, length, norms)
  it('is asked about beyond three and a half deviations, to either side', () => {
    // 100 mm is usual; 3.5 deviations are 8.75 mm.
    for (const mm of [100, 108.7, 91.3]) expect(asked(mm)).toBeNull()
    expect(asked(108.8)).toBe(
      'Forefoot width 108.8 mm is unusually big for a foot of 250 mm. Sure?',
    )
    expect(asked(91.2)).toBe(
      'Forefoot width 91.2 mm is unusually small for a foot of 250 mm. Sure?',
    )
  })
  it('is not, where nothing is known of the length or of the ratio', () => {
    expect(doubt('forefootWidthMm', 500, undefined, norms)).toBeNull()
    expect(doubt('heelWidthMm', 500, 250, norms)).toBeNull()
  })
})

describe('a trial that cannot be kept', () => {
  const norms = { hardBoundsMm: { footLengthMm: [120, 360] } } as never
  const refused = (value: number) => refuseTrial('footLengthMm', value, norms)
  it('lies outside its bounds; both ends are kept', () => {
    expect(refused(120)).toBeNull()
    expect(refused(360)).toBeNull()
    expect(refused(119.9)!.words).toBe('119.9 mm is too small for foot length (120 to 360 mm).')
    expect(refused(361)!.words).toBe('361 mm is too big for foot length (120 to 360 mm).')
  })
  it('was meant in centimetres, or lost its point, or nobody knows', () => {
    expect(refused(26.5)!.meant).toBe(265)
    expect(refused(2655)!.meant).toBe(265.5)
    expect(refused(12)!.meant).toBe(120)
    expect(refused(36)!.meant).toBe(360)
    expect(refused(3600)!.meant).toBe(360)
    expect(refused(1200)!.meant).toBe(120)
    expect(refused(5)!.meant).toBeNull()
    expect(refused(50_000)!.meant).toBeNull()
  })
  it('is no number at all', () =>
    expect(refused(NaN)).toEqual({
      words: 'That is not a number. Type the foot length in mm.',
      meant: null,
    }))
})

describe('a trial that belongs to the other foot', () => {
  const norms = { repeatLimitMm: { footLengthMm: 2 } } as never
  const other = (value: number, own: number[], others: number[]) =>
    looksLikeOtherFoot('footLengthMm', value, own, others, norms)
  it('is far from all of its own and equals one of the other’s', () => {
    expect(other(270, [262, 263], [270, 271])).toBe(true)
    expect(other(270.04, [262], [270])).toBe(true)
    expect(other(270.06, [262], [270])).toBe(false)
  })
  it('is not, at the limit of its own, or near one of them', () => {
    expect(other(264, [262], [264])).toBe(false)
    expect(other(264.1, [262], [264.1])).toBe(true)
    expect(other(270, [262, 269], [270])).toBe(false)
  })
  it('is not, where either foot has none', () => {
    expect(other(270, [], [270])).toBe(false)
    expect(other(270, [262], [])).toBe(false)
  })
})

describe('questions of a record', () => {
  const reading = (what: string, mm: number, posture = 'standing', more: object = {}) => ({
    what,
    posture,
    trials: [mm],
    ...more,
  })
  const ask = (left: object[], right?: object[]) =>
    questionsOf(
      parseRecord({
        format: 'gentle-arch/fitting',
        version: 1,
        feet: { left: { readings: left }, ...(right && { right: { readings: right } }) },
      }),
    )
  const length = (mm: number, posture?: string) => reading('footLengthMm', mm, posture)

  it('a foot that is longer sitting than standing', () => {
    expect(ask([length(262), length(262, 'sitting')])).toEqual([])
    const [question] = ask([length(260), length(262, 'sitting')])
    expect(question).toMatchObject({
      path: 'feet.left.readings',
      about: 'longer-sitting',
      foot: 'left',
      words: 'The left foot is longer sitting (262 mm) than standing (260 mm). Take both again.',
    })
    expect(ask([length(262, 'sitting')])).toEqual([])
  })
  it('an arch that is not shorter than its foot', () => {
    const about = (arch: number) =>
      ask([length(200), reading('archLengthMm', arch)]).map((q) => q.about)
    expect(about(200)).toContain('arch-over-foot')
    expect(about(199.9)).not.toContain('arch-over-foot')
    expect(ask([reading('archLengthMm', 200)])).toEqual([])
  })
  it('feet that differ by more than the table says', () => {
    const gap = HOUSE_NORMS.sideGapMm
    expect(ask([length(250)], [length(250 + gap)])).toEqual([])
    const [question] = ask([length(250)], [length(250 + gap + 1)])
    expect(question).toMatchObject({
      about: 'gap:footLengthMm',
      foot: 'both',
      words: `Foot length differs by ${gap + 1} mm between the feet. Sure?`,
    })
    expect(ask([length(250)], [reading('heelWidthMm', 60)])).toEqual([])
    expect(ask([length(250)])).toEqual([])
  })
  it('an unlikely reading is one question however often it was taken, at its first place', () => {
    const wide = reading('forefootWidthMm', 150)
    const again = reading('forefootWidthMm', 151)
    const sitting = reading('forefootWidthMm', 150, 'sitting')
    const asked = ask([length(250), wide, again, sitting])
    expect(asked.map((q) => [q.path, q.about])).toEqual([
      ['feet.left.readings.1', 'forefootWidthMm:standing'],
      ['feet.left.readings.3', 'forefootWidthMm:sitting'],
    ])
  })
  it('a reading whose trials are all struck asks nothing', () =>
    expect(
      ask([length(250), reading('forefootWidthMm', 150, 'standing', { struck: [0] })]),
    ).toEqual([]))
  it('stand in the order of their places', () => {
    const paths = ask(
      [length(250), reading('forefootWidthMm', 150), length(255, 'sitting')],
      [length(290), reading('forefootWidthMm', 60)],
    ).map((q) => q.path)
    expect(paths).toEqual([...paths].sort())
    expect(paths.length).toBeGreaterThan(3)
  })
})
