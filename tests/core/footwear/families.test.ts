import { describe, expect, it } from 'vitest'
import type { FootwearModel } from '../../../core/footwear/catalogueSchema'
import { fitFoot } from '../../../core/footwear/fitFoot'
import type { Station } from '../../../core/kinds/stations/all'
import { FAMILIES, type Family } from '../../../core/kinds/families/all'
import { matchRecord, matchSettings, standingFeet } from '../../../core/footwear/matchRecord'
import { pairInSizes } from '../../../core/footwear/pairInSizes'
import { parseRecord } from '../../../core/record/parse'
import type { FittingRecord } from '../../../core/record/schema'
import { standing } from '../../fixtures/feet'
import { foot, SETTINGS, shell } from '../../fixtures/handShell'

describe('every family, reckoned by hand', () => {
  // One foot: 264 mm long, 99 wide at the ball, 65 at the heel, waist girth 244, dorsum 62, on a
  // device 8 mm high under the instep; one sock of 1 mm; performance. Liners after break-in × 0.8.
  // Each line: inside → clearance → band → verdict.
  const cases: [
    Family,
    FootwearModel['at'],
    number,
    number,
    Partial<Record<Station, [number, string]>>,
  ][] = [
    // family, inside, liner (all places), insole
    [
      'rigid-shell',
      { lengthMm: 277, ballWidthMm: 109, heelWidthMm: 78, waistGirthMm: 280, instepHeightMm: 72 },
      5,
      3,
      {
        length: [13, 'right'], // 277 − 264; 10 to 15
        ball: [0, 'right'], // (109 − 99 − 8 − 2)/2; 0 to 3
        heel: [1.5, 'roomy'], // (78 − 65 − 8 − 2)/2; −1 to 1
        waist: [36 / (2 * Math.PI) - 5, 'right'], // 5.730 − 4 − 1 = 0.730; 0 to 2
        instepHeight: [-1, 'snug'], // 72 − 62 − 5 − 4 − 2; 0 to 2
      },
    ],
    [
      'skate',
      { lengthMm: 267, ballWidthMm: 101, heelWidthMm: 69, waistGirthMm: 270, instepHeightMm: 74 },
      2,
      2,
      {
        length: [3, 'snug'], // 5 to 9
        ball: [-1.6, 'snug'], // (101 − 99 − 3.2 − 2)/2; −1 to 2
        heel: [-0.6, 'right'], // (69 − 65 − 3.2 − 2)/2; −1 to 0.5
        waist: [26 / (2 * Math.PI) - 2.6, 'right'], // 4.138 − 1.6 − 1 = 1.538; 0 to 2
        instepHeight: [2.4, 'roomy'], // 74 − 62 − 6 − 1.6 − 2; 0 to 2
      },
    ],
    [
      'laced-boot',
      { lengthMm: 272, ballWidthMm: 104, heelWidthMm: 70, waistGirthMm: 262, instepHeightMm: 76 },
      1.5,
      4,
      {
        length: [8, 'snug'], // 10 to 14
        ball: [0.3, 'right'], // (104 − 99 − 2.4 − 2)/2; 0 to 3
        heel: [0.3, 'right'], // −1 to 1
        waist: [18 / (2 * Math.PI) - 2.2, 'right'], // 2.865 − 1.2 − 1 = 0.665; −1 to 3
        instepHeight: [6.8, 'roomy'], // 76 − 62 − 4 − 1.2 − 2; 0 to 4
      },
    ],
    [
      'riding-shoe',
      { lengthMm: 276, ballWidthMm: 102, heelWidthMm: 68, waistGirthMm: 250, instepHeightMm: 72 },
      0,
      2,
      {
        length: [12, 'roomy'], // 5 to 9: too big is what has to be cranked
        ball: [0.5, 'right'], // (102 − 99 − 2)/2; −1 to 2
        heel: [0.5, 'right'], // −1 to 0.5
        waist: [6 / (2 * Math.PI) - 1, 'right'], // −0.045; −1 to 1
        instepHeight: [2, 'right'], // 72 − 62 − 6 − 2; 0 to 2
      },
    ],
    [
      'work-boot',
      {
        lengthMm: 274,
        toeBoxHeightMm: 35,
        ballWidthMm: 100,
        heelWidthMm: 72,
        waistGirthMm: 264,
        instepHeightMm: 70,
      },
      1,
      4,
      {
        length: [10, 'right'], // 10 to 15
        toeBoxHeight: [8.2, 'roomy'], // 35 − 25 + 1 (3 under the toes for 4 of insole) − 0.8 − 2; 3 to 8
        ball: [-1.3, 'snug'], // (100 − 99 − 1.6 − 2)/2; 0 to 3
        heel: [1.7, 'roomy'], // −1 to 1
        instepHeight: [1.2, 'right'], // 70 − 62 − 4 − 0.8 − 2; 0 to 4
      },
    ],
    [
      'shoe',
      { lengthMm: 278, ballWidthMm: 106, heelWidthMm: 65, waistGirthMm: 240, instepHeightMm: 70 },
      0,
      4,
      {
        length: [14, 'roomy'], // 10 to 13 at performance
        ball: [2.5, 'right'], // 0 to 3
        heel: [-1, 'right'], // (65 − 65 − 2)/2; −1 to 1
        waist: [-4 / (2 * Math.PI) - 1, 'snug'], // −1.637; −1 to 3
        instepHeight: [2, 'right'], // 70 − 62 − 4 − 2; 0 to 4
      },
    ],
    [
      'dress-shoe',
      { lengthMm: 272, ballWidthMm: 107, heelWidthMm: 71, waistGirthMm: 262, instepHeightMm: 64 },
      0,
      2,
      {
        length: [8, 'snug'], // 9 to 13
        ball: [3, 'roomy'], // (107 − 99 − 2)/2; −1 to 2
        heel: [2, 'roomy'], // −1 to 0.5
        waist: [18 / (2 * Math.PI) - 1, 'right'], // 1.865; −1 to 3
        instepHeight: [-6, 'tight'], // 64 − 62 − 6 − 2; 0 to 4
      },
    ],
    [
      'soft-boot',
      { lengthMm: 278, ballWidthMm: 108, heelWidthMm: 76, waistGirthMm: 270, instepHeightMm: 76 },
      5,
      3,
      {
        length: [6, 'roomy'], // 278 − 264 − (5 + 5)·0.8, the liner's ends in; 0 to 5
        ball: [-0.5, 'right'], // (108 − 99 − 8 − 2)/2; −1 to 2
        heel: [0.5, 'right'], // (76 − 65 − 8 − 2)/2; −1.5 to 0.5
        instepHeight: [3, 'roomy'], // 76 − 62 − 5 − 4 − 2; 0 to 2
      },
    ],
    [
      'climbing-shoe',
      { lengthMm: 259, ballWidthMm: 100, heelWidthMm: 67, waistGirthMm: 250, instepHeightMm: 70 },
      0,
      2,
      {
        length: [-5, 'right'], // 259 − 264, on edges; −8 to −4
        ball: [-0.5, 'right'], // (100 − 99 − 2)/2; −2 to 1
        heel: [0, 'right'], // (67 − 65 − 2)/2; −1.5 to 0.5
        waist: [6 / (2 * Math.PI) - 1, 'right'], // −0.045; −1 to 1
      },
    ],
    [
      'cleat',
      { lengthMm: 276, ballWidthMm: 103, heelWidthMm: 69, waistGirthMm: 250, instepHeightMm: 74 },
      0,
      3,
      {
        length: [12, 'roomy'], // 276 − 264; 5 to 9
        ball: [1, 'right'], // (103 − 99 − 2)/2; −1 to 2
        heel: [1, 'roomy'], // −1 to 0.5
        waist: [6 / (2 * Math.PI) - 1, 'right'], // −0.045; −1 to 3
      },
    ],
    [
      'dance',
      { lengthMm: 266, ballWidthMm: 102, heelWidthMm: 67 },
      0,
      0,
      {
        length: [2, 'right'], // 266 − 264; 0 to 4
        ball: [0.5, 'right'], // (102 − 99 − 2)/2; −1 to 1
        heel: [0, 'right'], // −1 to 0.5
      },
    ],
  ]
  it('leaves out no family', () =>
    expect(new Set(cases.map(([family]) => family))).toEqual(new Set(FAMILIES)))
  it.each(cases)('%s', (family, at, liner, insoleMm, want) => {
    const thick = { toe: liner, ball: liner, instep: liner, ankle: liner, heel: liner }
    const fit = fitFoot(
      foot,
      'left',
      shell({
        family,
        at,
        insoleMm,
        liner: { thicknessMm: thick, packOut: 0.2, mouldable: false },
      }),
      265,
      SETTINGS,
    )
    for (const [station, [mm, verdict]] of Object.entries(want) as [Station, [number, string]][]) {
      expect(fit.clearances[station], `${family} ${station}`).toBeCloseTo(mm, 9)
      expect(fit.verdicts[station], `${family} ${station}`).toBe(verdict)
    }
  })
})

describe('what a family asks of the client', () => {
  const record = (conditions: string[], findings: object = {}, bornOn = '1985-03-02') =>
    parseRecord({
      format: 'gentle-arch/fitting',
      version: 2,
      client: { bornOn },
      visit: { on: '2026-11-20' },
      story: { conditions, intent: 'race' },
      feet: {
        left: {
          readings: [standing('footLengthMm', 260), standing('forefootWidthMm', 98)],
          findings,
        },
      },
    })
  const NO_LINER = { toe: 0, ball: 0, instep: 0, ankle: 0, heel: 0 }
  const made = (family: Family, lengthMm: number) =>
    shell({
      id: family,
      family,
      at: { lengthMm, ballWidthMm: 103 },
      sizesMm: [265],
      liner: { thicknessMm: NO_LINER, packOut: 0, mouldable: false },
    })
  const match = (of: FittingRecord, ...models: FootwearModel[]) => matchRecord(of, models)

  it('a climbing shoe is proposed to a foot that feels, and to none that does not', () => {
    const short = made('climbing-shoe', 248)
    expect(match(record([]), short).pair.map((p) => p.model)).toEqual(['climbing-shoe'])
    for (const atRisk of [
      record(['poorCirculation']),
      record(['neuropathy']),
      record([], { sensationFelt: 6 }),
      record([], { pulses: 'weak' }),
    ]) {
      expect(match(atRisk, short).pair).toEqual([])
      expect(match(atRisk, short).rejected[0]!.because).toMatch(/somebody entitled to it looks/)
    }
  })

  it('a growing foot has its growth room also in a climbing shoe', () => {
    const child = record([], {}, '2016-05-05')
    expect(match(child, made('climbing-shoe', 248)).pair).toEqual([])
    const fit = match(child, made('climbing-shoe', 270)).pair[0]!.left!
    expect(fit.targets.length).toEqual([8, 12])
    expect(fit.verdicts.length).toBe('right')
  })

  it('dance shoes are referred, whatever the foot', () =>
    expect(match(record([]), made('dance', 262)).rejected[0]!.because).toMatch(/refer$/))

  it('toes that are poorly supplied have 8 mm in a soft boot, with the liner in', () => {
    const band = (of: FittingRecord, family: Family) =>
      pairInSizes(standingFeet(of), made(family, 270), matchSettings(of), {}).left!.targets.length
    expect(band(record([]), 'soft-boot')).toEqual([0, 3])
    expect(band(record(['poorCirculation']), 'soft-boot')).toEqual([8, 11])
    expect(band(record([], { pulses: 'absent' }), 'soft-boot')).toEqual([8, 11])
    expect(band(record(['poorCirculation']), 'rigid-shell')).toEqual([5, 10])
  })
})
