import { parseWith } from '../../../core/record/parse'
import { HOUSE_NORMS, normsSchema } from '../../../core/record/tables'
import { STATIONS, STATION_KINDS, type Station } from '../../../core/kinds/stations/all'
import { FAMILIES, FAMILY_KINDS, type Family } from '../../../core/kinds/families/all'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { clearances } from '../../../core/footwear/clearance'
import { parseCatalogue, type FootwearModel } from '../../../core/footwear/catalogueSchema'
import { fitFoot } from '../../../core/footwear/fitFoot'
import { gradeSteps, shellInside } from '../../../core/footwear/gradeShell'
import { matchCatalogue, type Feet } from '../../../core/footwear/match'
import { matchRecord, matchReport } from '../../../core/footwear/matchRecord'
import { pairOptions } from '../../../core/footwear/pairOptions'
import { growthBand } from '../../../core/footwear/toeRoom'
import { houseRow, targetBand, targetSource, verdictOf } from '../../../core/footwear/targets'
import { whyNot } from '../../../core/footwear/whyNot'
import { INTENTS } from '../../../core/tables/vocabulary'
import type { StandingFoot } from '../../../core/kinds/stations/definition'
import { foot, SETTINGS, shell } from '../../fixtures/handShell'
import { demoModels } from '../../../demo/catalogue'
import { DEMO_RECORDS } from '../../../demo/records'
import { runs } from '../../effort'

const NO_LINER = { toe: 0, ball: 0, instep: 0, ankle: 0, heel: 0 }

describe('a shell at a size', () => {
  const model = demoModels().find((m) => m.id === 'fern-traverse-99')!
  it('grades length, widths, heights and girths', () =>
    expect(shellInside(model, 275)).toMatchObject({
      lengthMm: 290,
      ballWidthMm: 112,
      instepHeightMm: 74,
      waistGirthMm: 289,
      navicularRoomMm: model.at.navicularRoomMm,
    }))
  it('shares whole shells both ways of pairing', () => {
    const whole = { referenceMm: 265, shellStep: 'whole', pairing: '0-5' } as const
    expect([255, 260, 265, 270, 275].map((s) => gradeSteps(whole, s))).toEqual([-1, 0, 0, 1, 1])
    expect([255, 260, 265, 270].map((s) => gradeSteps({ ...whole, pairing: '5-0' }, s))).toEqual([
      -1, -1, 0, 0,
    ])
  })
  it('takes the ball from the last width when the inside was not measured', () =>
    expect(
      shellInside(shell({ lastWidthMm: 100, at: { ...shell().at, ballWidthMm: undefined } }), 265)
        .ballWidthMm,
    ).toBeCloseTo(100 + 2 * 5 * 0.75, 9))
})

describe('clearance, reckoned by hand at every station', () => {
  // Liner after break-in: × 0.75, so toe 3, ball 3.75, instep 4.5, ankle 6, heel 4.5. One sock of 1
  // mm. The device stands 4 / 8 / 3 mm high where the insole of 3 mm was: it lifts by 1 (ball), 5
  // (instep), 0 (toes).
  const HAND: Record<Station, { worn: number; asNew: number; size275: number }> = {
    toeBox: { worn: (100 - 88 - 6 - 2) / 2, asNew: (100 - 88 - 8 - 2) / 2, size275: 3 }, // 2; + 2/2
    ballHeight: { worn: 56 - 38 - 1 - 3.75 - 2, asNew: 56 - 38 - 1 - 5 - 2, size275: 12.25 }, // 11.25; + 1
    length: { worn: 278 - 264, asNew: 14, size275: 24 }, // bare shell; + 10
    toeBoxHeight: { worn: 38 - 25 - 0 - 3 - 2, asNew: 38 - 25 - 0 - 4 - 2, size275: 9 }, // 8; + 1
    // The caliper's 99 mm less what first and fifth stand proud, 2 and 3: they have stations of their own.
    ball: { worn: (112 - 94 - 7.5 - 2) / 2, asNew: (112 - 94 - 10 - 2) / 2, size275: 5.25 }, // 4.25; + 2/2
    waist: {
      worn: 46 / (2 * Math.PI) - 4.5 - 1,
      asNew: 46 / (2 * Math.PI) - 6 - 1,
      size275: 52 / (2 * Math.PI) - 5.5,
    }, // + 6 girth
    instep: {
      worn: 52 / (2 * Math.PI) - 5.5,
      asNew: 52 / (2 * Math.PI) - 7,
      size275: 58 / (2 * Math.PI) - 5.5,
    },
    instepHeight: { worn: 76 - 62 - 5 - 4.5 - 2, asNew: 76 - 62 - 5 - 6 - 2, size275: 3.5 }, // 2.5; + 1
    heel: { worn: (77 - 65 - 9 - 2) / 2, asNew: (77 - 65 - 12 - 2) / 2, size275: 1.5 }, // 0.5
    heelInstep: {
      worn: 50 / (2 * Math.PI) - 4.5 - 1,
      asNew: 50 / (2 * Math.PI) - 7,
      size275: 56 / (2 * Math.PI) - 5.5,
    },
    ankle: { worn: (86 - 70 - 12 - 2) / 2, asNew: (86 - 70 - 16 - 2) / 2, size275: 2 }, // 1
    // The bone's middle under the pocket's: on the device, 2 mm over the insole, and on the sock.
    anklePocket: { worn: 90 - 82 - 2 - 1, asNew: 90 - 82 - 2 - 1, size275: 6 }, // 5; + 1
    cuff: {
      worn: 68 / (2 * Math.PI) - 6 - 1,
      asNew: 68 / (2 * Math.PI) - 9,
      size275: 74 / (2 * Math.PI) - 7,
    },
    fifthToe: { worn: 9 - 2 - 3 - 1, asNew: 9 - 2 - 4 - 1, size275: 3 }, // room for a bump does not grow with the size
    fifthMet: { worn: 10 - 3 - 3.75 - 1, asNew: 10 - 3 - 5 - 1, size275: 2.25 },
    firstMet: { worn: 10 - 2 - 3.75 - 1, asNew: 10 - 2 - 5 - 1, size275: 3.25 },
    navicular: { worn: 11 - 4 - 4.5 - 1, asNew: 11 - 4 - 6 - 1, size275: 1.5 },
  }
  const c = clearances(foot, shell(), 265, 1)
  const bigger = clearances(foot, shell(), 275, 1)
  for (const [station, { worn, asNew, size275 }] of Object.entries(HAND) as [
    Station,
    { worn: number; asNew: number; size275: number },
  ][])
    it(station, () => {
      expect(c.worn[station]).toBeCloseTo(worn, 9)
      expect(c.asNew[station]).toBeCloseTo(asNew, 9)
      expect(bigger.worn[station]).toBeCloseTo(size275, 9)
    })
  it("is null and named where a measure is missing, the foot's or the shell's", () => {
    expect(c.missing).toEqual([])
    const bare = { ...foot, toeWidthMm: undefined, ballHeightMm: undefined }
    const without = clearances(bare, shell(), 265, 1)
    expect([without.worn.toeBox, without.worn.ballHeight]).toEqual([null, null])
    expect(without.missing).toEqual(['readings.toeWidthMm', 'readings.ballHeightMm'])
    expect(
      clearances(
        { ...bare, waistGirthMm: undefined },
        shell({ at: { ...shell().at, heelWidthMm: undefined, navicularRoomMm: undefined } }),
        265,
        1,
      ).missing,
    ).toEqual([
      'readings.toeWidthMm',
      'readings.ballHeightMm',
      'readings.waistGirthMm',
      'models.hand.at.heelWidthMm',
    ])
  })
  it('gets smaller with a bigger foot, a thicker device and a thicker sock', () =>
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 12, noNaN: true }), (d) => {
        const more = clearances(
          { ...foot, forefootWidthMm: 99 + d, stackMm: { ball: 4, instep: 8 + d, toes: 3 } },
          shell(),
          265,
          1 + d,
        )
        return (
          more.worn.ball! < c.worn.ball! &&
          more.worn.instepHeight! < c.worn.instepHeight! &&
          more.worn.heel! < c.worn.heel! &&
          more.worn.length === c.worn.length
        )
      }),
    ))
})

describe('targets', () => {
  it('of rigid shells are the stated ones', () => {
    const at = (station: Station) =>
      INTENTS.map((i) => targetBand(station, 'rigid-shell', i, HOUSE_NORMS))
    expect(at('length')).toEqual([
      [5, 10],
      [10, 15],
      [15, 20],
      [20, 28],
    ])
    expect(at('ball')).toEqual([
      [-2, 1],
      [0, 3],
      [2, 5],
      [4, 8],
    ])
    expect(at('instep')).toEqual([
      [-1, 1],
      [0, 2],
      [1, 3],
      [2, 5],
    ])
    expect(at('waist')).toEqual(at('instep'))
    expect(at('navicular')).toEqual(at('instep'))
    expect(at('toeBoxHeight')).toEqual([
      [0, 2],
      [1, 3],
      [2, 5],
      [4, 8],
    ])
    expect([at('ankle')[0], at('heel')[0]]).toEqual([
      [-1, 2],
      [-1, 1],
    ])
    expect(at('cuff')).toEqual([
      [0, 4],
      [0, 6],
      [0, 8],
      [0, 10],
    ])
  })
  it('differ between families where their rules do, loosen with the intent, and name a source', () => {
    const row = (family: Family, station: Station) => JSON.stringify(houseRow(family, station))
    const differ: [Family, Family, Station][] = [
      ['skate', 'rigid-shell', 'length'],
      ['skate', 'rigid-shell', 'heel'],
      ['riding-shoe', 'skate', 'ball'],
      ['riding-shoe', 'shoe', 'length'],
      ['work-boot', 'laced-boot', 'toeBoxHeight'],
      ['shoe', 'dress-shoe', 'ball'],
      ['shoe', 'dress-shoe', 'length'],
      ['laced-boot', 'shoe', 'length'],
      ['dress-shoe', 'rigid-shell', 'heel'],
    ]
    for (const [a, b, station] of differ)
      expect(row(a, station), `${a} and ${b} at ${station}`).not.toBe(row(b, station))
    for (const family of FAMILIES)
      for (const station of STATIONS) {
        const bands = INTENTS.map((i) => houseRow(family, station)[i])
        bands.forEach((b, k) =>
          expect(
            b[0] <= b[1] && (k === 0 || (b[0] >= bands[k - 1]![0] && b[1] >= bands[k - 1]![1])),
            `${family} ${station}`,
          ).toBe(true),
        )
        expect(targetSource(family, station)).toMatch(/house default|mm|cracks/)
      }
    // Toe room of everyday and ward shoes stays within 10 to 15 mm; a riding shoe is snugger than
    // any boot.
    for (const i of INTENTS)
      expect(houseRow('shoe', 'length')[i].every((v) => v >= 10 && v <= 15)).toBe(true)
    expect(FAMILY_KINDS.of('riding-shoe').weights.cuff).toBeUndefined()
  })
  it("give a child growth room instead of the intent's, at most 10 mm in hard shells", () => {
    const bare = shell({ liner: { thicknessMm: NO_LINER, packOut: 0, mouldable: false } })
    expect(growthBand({ ...bare, family: 'shoe' }, HOUSE_NORMS).band).toEqual([13, 17])
    expect(growthBand({ ...bare, family: 'skate' }, HOUSE_NORMS).band).toEqual([9, 11])
    // The liner's ends, (4 + 6)·0.75, lie before room and foot in a shell that is judged bare.
    expect(growthBand(shell(), HOUSE_NORMS)).toEqual({ band: [15.5, 17.5], mostMm: 22.5 })
    expect(
      fitFoot({ ...foot, lengthMm: 254, bareLengthMm: 254 }, 'left', shell(), 265, {
        ...SETTINGS,
        child: true,
      }).because,
    ).toMatch(/too long/)
  })
  it("are the shop's own where it has some", () => {
    const own = parseWith(normsSchema, {
      matchTargets: {
        'rigid-shell.ball': {
          race: [0, 1],
          performance: [1, 2],
          'all-round': [2, 3],
          comfort: [3, 4],
        },
      },
    })
    expect(targetBand('ball', 'rigid-shell', 'comfort', own)).toEqual([3, 4])
    expect(targetBand('ball', 'skate', 'comfort', own)).toEqual([1, 5])
  })
  it('give a verdict at the edges of the band', () =>
    expect(
      [-2.1, -2, 0, 3, 6, 6.1].map((v) => verdictOf(v, [0, 3], HOUSE_NORMS.verdictMm)),
    ).toEqual(['tight', 'snug', 'right', 'right', 'roomy', 'loose']))
})

/** A shell that lies exactly in the middle of every band for this foot at 265. */
function onTarget(id: string, family: Family = 'rigid-shell'): FootwearModel {
  const model = shell({ id, family })
  const c = clearances(foot, model, 265, 1).worn
  const at = { ...model.at } as Record<string, number | undefined>
  const key: Partial<Record<Station, string>> = {
    length: 'lengthMm',
    toeBoxHeight: 'toeBoxHeightMm',
    toeBox: 'toeBoxWidthMm',
    ball: 'ballWidthMm',
    ballHeight: 'ballHeightMm',
    waist: 'waistGirthMm',
    instep: 'instepGirthMm',
    instepHeight: 'instepHeightMm',
    heel: 'heelWidthMm',
    heelInstep: 'heelInstepGirthMm',
    ankle: 'ankleWidthMm',
    anklePocket: 'ankleHeightMm',
    cuff: 'cuffGirthMm',
    fifthToe: 'fifthToeRoomMm',
    fifthMet: 'fifthMetRoomMm',
    firstMet: 'firstMetRoomMm',
    navicular: 'navicularRoomMm',
  }
  for (const [station, name] of Object.entries(key) as [Station, string][]) {
    const [low, high] = targetBand(station, family, 'performance', HOUSE_NORMS)
    at[name] =
      at[name]! +
      ((low + high) / 2 - c[station]!) *
        { width: 2, girth: 2 * Math.PI, height: 1, length: 1, bump: 1, level: 1 }[
          STATION_KINDS.of(station).measure
        ]
  }
  return { ...model, at: at as FootwearModel['at'] }
}
const KEYS = [
  'lengthMm',
  'ballWidthMm',
  'waistGirthMm',
  'instepGirthMm',
  'instepHeightMm',
  'heelWidthMm',
  'heelInstepGirthMm',
  'ankleWidthMm',
  'cuffGirthMm',
  'toeBoxHeightMm',
  'toeBoxWidthMm',
  'ballHeightMm',
  'firstMetRoomMm',
  'navicularRoomMm',
] as const
const wrong = fc.record({
  key: fc.constantFrom(...KEYS),
  by: fc.double({ min: -9, max: 9, noNaN: true }),
})
const spoilt = (
  model: FootwearModel,
  { key, by }: { key: (typeof KEYS)[number]; by: number },
): FootwearModel => ({ ...model, at: { ...model.at, [key]: Math.max(0, model.at[key]! + by) } })
/** Rank of a model: rejected ones come after all others. */
const place = (feet: Feet, models: FootwearModel[], id: string) => {
  const { pair, rejected } = matchCatalogue(feet, models, SETTINGS)
  const k = pair.findIndex((p) => p.model === id)
  return k >= 0 ? k : pair.length + rejected.findIndex((r) => r.model === id)
}

describe('a bump on one side', () => {
  const bunion = (mm: number) => ({ ...foot, proudMm: { firstMet: mm } })
  const worn = (of: StandingFoot, model: FootwearModel) => clearances(of, model, 265, 1).worn
  const stated = shell()
  const unstated = shell({ at: { ...shell().at, firstMetRoomMm: undefined } })

  it('is counted once: beside the ball where the shell states its room, in its width where not', () => {
    const [none, some] = [0, 6].map((mm) => worn(bunion(mm), stated))
    // 6 mm of the caliper stand proud on the inner side: the smooth foot is narrower by them.
    expect(some!.ball! - none!.ball!).toBeCloseTo(3, 9)
    expect(none!.firstMet! - some!.firstMet!).toBeCloseTo(6, 9)
    const [a, b] = [0, 6].map((mm) => worn(bunion(mm), unstated))
    expect([a!.firstMet, b!.firstMet]).toEqual([null, null])
    expect(b!.ball).toBeCloseTo(a!.ball!, 9)
  })

  it('asks for work on its own side, and leaves the sound side alone', () => {
    const tight = shell({ at: { ...shell().at, firstMetRoomMm: 8 } })
    const fit = fitFoot(bunion(6), 'left', tight, 265, SETTINGS)
    const work = fit.work.filter((w) => ['firstMet', 'ball', 'fifthMet'].includes(w.station))
    expect(work.map((w) => w.station)).toEqual(['firstMet'])
    expect(STATION_KINDS.of('firstMet').at.sides).toEqual(['medial'])
  })

  it('what is felt or wished there counts at the ball of a shell that states no room', () => {
    const felt = (model: FootwearModel) =>
      fitFoot(bunion(2), 'left', model, 265, {
        ...SETTINGS,
        offsets: [
          { by: 'felt', model: 'hand', foot: 'left', station: 'firstMet', mm: -3, words: 'felt' },
        ],
        shifts: {
          left: [{ station: 'firstMet', lowMm: 2, highMm: 2, words: 'bony', trigger: 'marks' }],
        },
      })
    const plain = (model: FootwearModel) => fitFoot(bunion(2), 'left', model, 265, SETTINGS)
    for (const [model, at, other] of [
      [stated, 'firstMet', 'ball'],
      [unstated, 'ball', 'firstMet'],
    ] as const) {
      expect(felt(model).clearances[at]).toBeCloseTo(plain(model).clearances[at]! - 3, 9)
      expect(felt(model).targets[at]![0]).toBe(plain(model).targets[at]![0] + 2)
      expect(felt(model).targets[other]).toEqual(plain(model).targets[other])
    }
  })
})

describe('ranking', () => {
  const feet: Feet = {
    left: foot,
    right: { ...foot, lengthMm: 266, bareLengthMm: 267, forefootWidthMm: 101 },
  }
  const alike: Feet = { left: foot, right: foot }
  it('puts a model exactly on target first, in every family', () => {
    for (const family of FAMILIES)
      expect(
        matchCatalogue(
          alike,
          [shell({ id: 'a' }), ...demoModels(), onTarget('z-target', family)],
          SETTINGS,
        ).pair[0]!.model,
      ).toBe('z-target')
  })
  it('is monotone: more misfit at any station never improves a model', () =>
    fc.assert(
      fc.property(wrong, fc.double({ min: 1, max: 2.5, noNaN: true }), (w, more) => {
        const others = demoModels()
        const a = spoilt(onTarget('m'), w)
        const b = spoilt(onTarget('m'), { ...w, by: w.by * more })
        // At one size only: with others in stock a misfit of length would be mended by another
        // size.
        const at265 = (m: FootwearModel) => ({ ...m, sizesMm: [265] })
        return place(alike, [at265(b), ...others], 'm') >= place(alike, [at265(a), ...others], 'm')
      }),
      { numRuns: runs(60) },
    ))
  it('swaps with the feet, and does not care for the order of the catalogue or for stock', () => {
    const models = demoModels()
    const plain = matchCatalogue(feet, models, SETTINGS)
    const swapped = matchCatalogue({ left: feet.right, right: feet.left }, models, SETTINGS)
    expect(
      swapped.pair.map((p) => [p.model, p.left?.sizeMm, p.right?.sizeMm, p.left?.clearances]),
    ).toEqual(
      plain.pair.map((p) => [p.model, p.right?.sizeMm, p.left?.sizeMm, p.right?.clearances]),
    )
    expect(swapped.pair.map((p) => p.score)).toEqual(plain.pair.map((p) => p.score))
    fc.assert(
      fc.property(fc.shuffledSubarray(models, { minLength: models.length }), (order) => {
        expect(matchCatalogue(feet, order, SETTINGS)).toEqual(plain)
      }),
      { numRuns: runs(10) },
    )
    expect(
      matchCatalogue(
        feet,
        models.map((m) => ({ ...m, stock: {} })),
        SETTINGS,
      ),
    ).toEqual(plain)
  })
  it('scores quickly what it tells in words', () => {
    for (const p of matchCatalogue(feet, demoModels(), SETTINGS).pair) {
      const split = p.left!.sizeMm === p.right!.sizeMm ? 0 : 0.75
      expect(p.score).toBeCloseTo((p.left!.score + p.right!.score + split) / 2, 9)
    }
  })
  it('rejects what work cannot mend and says what it would need', () => {
    const narrow = {
      ...onTarget('narrow'),
      sizesMm: [265],
      at: { ...onTarget('narrow').at, ballWidthMm: 112 - 25 },
    }
    expect(matchCatalogue(alike, [narrow], SETTINGS).rejected[0]!.because).toMatch(
      /Ball needs .* mm more a side than it has; it stretches by 6 mm/,
    )
    const unknown = shell({ id: 'unknown', at: { ballWidthMm: 112 } })
    expect(matchCatalogue(alike, [unknown], SETTINGS).rejected[0]!.because).toMatch(
      /inside length is not known/,
    )
  })
  it('does not let a shell win by what nobody measured', () => {
    const { lengthMm, ballWidthMm } = onTarget('x').at
    const [first] = matchCatalogue(
      alike,
      [
        { ...onTarget('blind'), at: { lengthMm, ballWidthMm } },
        {
          ...onTarget('seen'),
          at: { ...onTarget('x').at, heelWidthMm: onTarget('x').at.heelWidthMm! + 2.4 },
        },
      ],
      SETTINGS,
    ).pair
    expect(first!.model).toBe('seen')
  })
})

describe('a match of a record', () => {
  const tove = DEMO_RECORDS['tove-marchetti']!
  it('ranks the demo catalogue, says why and why not', () => {
    const models = demoModels()
    expect(models.length).toBeGreaterThanOrEqual(36)
    expect(new Set(models.map((m) => m.maker)).size).toBeGreaterThanOrEqual(8)
    expect(models.every((m) => m.sizesMm.length >= 6)).toBe(true)
    expect(new Set(models.map((m) => m.family)).size).toBe(FAMILIES.length)
    const result = matchRecord(tove, models)
    expect(result.pair.length + result.rejected.length).toBe(models.length)
    expect(result.pair.map((p) => p.score)).toEqual(
      [...result.pair.map((p) => p.score)].sort((a, b) => a - b),
    )
    expect(result.pair.every((p) => p.reasons.length > 0)).toBe(true)
    expect(result.rejected.find((r) => r.model === 'skar-spin-junior')!.because).toContain(
      'too short',
    )
    const byId = (id: string) => models.find((m) => m.id === id)
    expect(whyNot(result.pair[0]!.model, result, byId, HOUSE_NORMS)).toBeNull()
    for (const p of [...result.pair.slice(1), ...result.rejected])
      expect(whyNot(p.model, result, byId, HOUSE_NORMS)!.join(' ').length).toBeGreaterThan(10)
  })
  it('counts the thickness of the device and what it does to the length', () => {
    const model = demoModels().find((m) => m.id === 'fern-traverse-99')!
    const thick = structuredClone(tove)
    thick.feet.left!.device!.shell.thicknessMm = 5
    const at = (record: typeof tove) => fitOf(record).left!.clearances
    const fitOf = (record: typeof tove) =>
      matchRecord(record, [{ ...model, sizesMm: [265] }]).pair[0]!
    expect(at(tove).instepHeight! - at(thick).instepHeight!).toBeCloseTo(2, 0)
    const bare = structuredClone(tove)
    bare.feet.left!.device!.kind = 'none'
    expect(at(bare).length!).toBeLessThan(at(tove).length!)
  })
  it('says what of the foot moved its bands, once a foot, and what each station costs adds up to the score', () => {
    const stiff = structuredClone(tove)
    stiff.feet.left!.findings!.mobility = { midtarsal: 'stiff' }
    stiff.feet.right!.findings = {}
    const [first] = matchRecord(stiff, demoModels()).pair
    expect(first!.reasons.filter((r) => r.includes('band moved'))).toEqual([
      'left: a stiff foot wants room (band moved)',
    ])
    for (const p of matchRecord(tove, demoModels()).pair)
      for (const fit of [p.left!, p.right!])
        expect(
          Object.values(fit.costs).reduce((s, v) => s + v, 0) +
            fit.work.reduce((s, w) => s + w.minutes, 0) * 0.03,
        ).toBeCloseTo(fit.score, 9)
  })
  it('names the dearest station first when it says why not', () => {
    const good = onTarget('good')
    const narrow = {
      ...onTarget('narrow'),
      at: {
        ...good.at,
        heelWidthMm: good.at.heelWidthMm! - 6,
        cuffGirthMm: good.at.cuffGirthMm! + 40,
      },
    }
    const result = matchCatalogue(
      { left: foot, right: foot },
      [
        { ...good, sizesMm: [265] },
        { ...narrow, sizesMm: [265] },
      ],
      SETTINGS,
    )
    const byId = (id: string) => [good, narrow].find((m) => m.id === id)
    const [first] = whyNot('narrow', result, byId, HOUSE_NORMS)!
    expect(first).toMatch(/^Heel: left .* with −?[\d.]+ mm, Reckoned has/)
  })
  it('says when a shell is long enough only on the device', () => {
    const result = matchReport(tove, demoModels())
    expect(
      result.pair
        .flatMap((p) => p.reasons)
        .some((r) => r.includes('try on with the finished device first')),
    ).toBe(true)
    expect(result.pair[0]!.spots.right!.every((s) => s.shortMm > 0 && s.heightMm > 0)).toBe(true)
  })
  it('gives a child growth room and notes what the shape asks', () => {
    const juno = matchReport(DEMO_RECORDS['juno-abara']!, demoModels())
    expect(juno.pair[0]!.left!.clearances.length).toBeGreaterThanOrEqual(8)
    const toe = structuredClone(tove)
    toe.feet.left!.readings.find((r) => r.what === 'secondToeLeadMm')!.trials = [5, 5]
    expect(matchReport(toe, demoModels()).shape.map((s) => s.code)).toContain('second-toe')
  })
  it('asks about a split pair when the feet differ by a shell size or 8 mm at the ball', () => {
    const far = { left: foot, right: { ...foot, lengthMm: 274, bareLengthMm: 275 } }
    const asked = pairOptions(far, shell(), SETTINGS)!
    expect(asked.asked).toBe(true)
    expect(asked.options.map((o) => o.kind)).toEqual(
      expect.arrayContaining(['same', 'split', 'custom']),
    )
    expect(asked.options.find((o) => o.kind === 'split')!.left!.sizeMm).not.toBe(
      asked.options.find((o) => o.kind === 'split')!.right!.sizeMm,
    )
    expect(
      pairOptions({ left: foot, right: { ...foot, forefootWidthMm: 108 } }, shell(), SETTINGS)!
        .words,
    ).toContain('9.0 mm at the ball')
    expect(pairOptions({ left: foot, right: foot }, shell(), SETTINGS)!.asked).toBe(false)
    expect(pairOptions({ left: foot }, shell(), SETTINGS)).toBeNull()
  })
  it('refuses a foreign file and a model used twice, with the place', () => {
    expect(() => parseCatalogue({ shoes: [] })).toThrow('not a catalogue')
    expect(() =>
      parseCatalogue({ format: 'gentle-arch/catalogue', version: 1, models: [shell(), shell()] }),
    ).toThrow('models.1.id')
  })
})
