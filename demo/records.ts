import type { FittingRecord } from '../core/record/schema'
import { recordSchema } from '../core/record/schema'
import type { Posture, ReadingKind } from '../core/record/vocabulary'

const reading = (what: ReadingKind, posture: Posture, trials: number[], struck: number[] = []) => ({ what, posture, trials, struck, instrument: posture === 'sitting' ? 'calliper' : 'measuring board' })

type Row = [what: ReadingKind, posture: Posture, left: number[], right: number[]]
const readings = (rows: Row[], side: 0 | 1) => rows.map(([what, posture, ...trials]) => reading(what, posture, trials[side]!))

const TOVE: Row[] = [
  ['footLengthMm', 'sitting', [261, 261.5], [264.5, 265]],
  ['footLengthMm', 'standing', [264, 265, 264], [268, 269, 268]],
  ['archLengthMm', 'standing', [193, 193, 193], [195.5, 195, 196]],
  ['forefootWidthMm', 'standing', [97, 98, 97.5], [99, 98.5, 99.5]],
  ['heelWidthMm', 'standing', [63, 64, 63.5], [64, 64]],
  ['waistGirthMm', 'standing', [243, 245, 244], [249, 248]],
  ['instepGirthMm', 'standing', [246, 247, 245], [249, 250]],
  ['heelInstepGirthMm', 'standing', [331, 333, 332], [334, 336]],
  ['dorsumHeightMm', 'sitting', [66, 66.5], [66, 65.5]],
  ['dorsumHeightMm', 'standing', [63, 63.5, 62.5], [61.5, 61.5]],
  ['navicularHeightMm', 'standing', [42, 43], [38, 39]],
]
const OSKAR: Row[] = [
  ['footLengthMm', 'sitting', [278, 278], [283, 284]],
  ['footLengthMm', 'standing', [281, 281], [288, 288]],
  ['archLengthMm', 'standing', [205, 206], [209, 210]],
  ['forefootWidthMm', 'standing', [108, 109], [110, 111]],
  ['heelWidthMm', 'standing', [69, 69.5], [70, 70]],
  ['waistGirthMm', 'standing', [268, 269], [271, 277]],
  ['heelInstepGirthMm', 'standing', [356, 357], [361, 360]],
  ['dorsumHeightMm', 'standing', [71, 71], [70, 71]],
]
const MIRELA: Row[] = [
  ['footLengthMm', 'sitting', [236, 236.5], [237, 237]],
  ['footLengthMm', 'standing', [240, 240.5], [241, 241.5]],
  ['archLengthMm', 'standing', [175, 175.5], [176, 176]],
  ['forefootWidthMm', 'standing', [95, 95.5], [96.5, 97]],
  ['heelWidthMm', 'standing', [62, 62], [62.5, 62]],
  ['waistGirthMm', 'standing', [229, 230], [232, 231]],
  ['heelInstepGirthMm', 'standing', [306, 307], [308, 308]],
  ['dorsumHeightMm', 'sitting', [57, 57], [56, 56.5]],
  ['dorsumHeightMm', 'standing', [53, 53.5], [52, 52]],
]
const JUNO: Row[] = [
  ['footLengthMm', 'sitting', [196, 196], [195, 195.5]],
  ['footLengthMm', 'standing', [199, 199], [198, 198]],
  ['archLengthMm', 'standing', [144, 144.5], [143.5, 144]],
  ['forefootWidthMm', 'standing', [76, 76], [75.5, 75]],
  ['heelWidthMm', 'standing', [50, 50], [49.5, 50]],
  ['waistGirthMm', 'standing', [184, 185], [184, 184]],
  ['heelInstepGirthMm', 'standing', [251, 252], [250, 251]],
  ['dorsumHeightMm', 'standing', [49, 49], [49, 48.5]],
]

const shop = { name: 'Hollin Row Fit Room', fitter: 'Rhona Ketteridge', fingersMm: { one: 16, two: 33 } }
const head = { format: 'gentle-arch/fitting', version: 1, shop } as const

/** The demo fittings by file name. All people are invented. */
export const DEMO_RECORDS: Record<string, FittingRecord> = Object.fromEntries(
  Object.entries({
    'tove-marchetti': {
      ...head,
      client: { code: 'HR-0412', name: 'Tove Marchetti', bornOn: '1985-03-02', sex: 'female', massKg: 64, heightMm: 1740, occupation: 'ski-touring hut warden' },
      visit: { on: '2026-11-20', reason: 'right inner heel hurts on descents' },
      story: {
        activity: 'ski-touring', ability: 'strong', intent: 'performance', hours: 9, school: 'tissue-stress',
        goal: 'I want to ski down to the valley without taking the right boot off at the half-way bend.',
        complaints: [
          { foot: 'right', at: 'medialAnkle', score: 6, words: 'sharp, on descents' },
          { foot: 'right', at: 'secondMetHead', score: 4, words: 'burning, from the third hour' },
          { foot: 'left', at: 'medialAnkle', score: 3, words: 'dull, after descents' },
        ],
        conditions: [],
      },
      feet: {
        left: {
          readings: readings(TOVE, 0),
          findings: { forefootDeg: [4, 4], rcspDeg: [-3, -3] },
          capture: { way: 'parametric', load: 'none' },
          device: { kind: 'full-custom', school: 'tissue-stress', layers: [{ kind: 'archFill', amountMm: 2 }, { kind: 'medialSkive', depthMm: 2 }], posts: [{ at: 'rearfoot', style: 'extrinsic', angleDeg: 3 }], shell: { thicknessMm: 3 } },
        },
        right: {
          readings: readings(TOVE, 1),
          findings: { forefootDeg: [6, 7], rcspDeg: [-5, -6] },
          capture: { way: 'parametric', load: 'none' },
          device: { kind: 'full-custom', school: 'tissue-stress', layers: [{ kind: 'archFill', amountMm: 2.5 }, { kind: 'metPad', heightMm: 4, behindHeadsMm: 8 }, { kind: 'medialSkive', depthMm: 3 }], posts: [{ at: 'rearfoot', style: 'extrinsic', angleDeg: 4 }], shell: { thicknessMm: 3 } },
        },
      },
      footwear: { sockMm: 1 },
    },
    'oskar-penhale': {
      ...head,
      client: { code: 'HR-0388', name: 'Oskar Penhale', bornOn: '1992-08-19', sex: 'male', massKg: 96, heightMm: 1880, occupation: 'trail-crew sawyer' },
      visit: { on: '2026-11-25', reason: 'boots for the fire season, feet differ' },
      story: { activity: 'wildland-fire', ability: 'expert', intent: 'all-round', hours: 12, school: 'platform', goal: 'Both boots the same after twelve hours on a slope.', complaints: [{ foot: 'right', at: 'fifthMetHead', score: 5, words: 'rubs' }], conditions: [] },
      feet: { left: { readings: readings(OSKAR, 0), findings: { forefootDeg: [1, 2], rcspDeg: [0] } }, right: { readings: readings(OSKAR, 1), findings: { forefootDeg: [2, 2], rcspDeg: [1] } } },
      footwear: { sockMm: 1.5 },
    },
    'mirela-stanhope': {
      ...head,
      client: { code: 'HR-0295', name: 'Mirela Stanhope', bornOn: '1974-01-30', sex: 'female', massKg: 71, heightMm: 1630, occupation: 'night nurse' },
      visit: { on: '2026-10-28', reason: 'burning forefoot on long shifts' },
      story: { activity: 'ward', ability: 'able', intent: 'comfort', hours: 11, school: 'comfort', goal: 'A twelve-hour shift and then the stairs at home.', complaints: [{ foot: 'right', at: 'thirdMetHead', score: 6 }, { foot: 'left', at: 'thirdMetHead', score: 3 }], conditions: ['bloodThinners'] },
      feet: {
        left: { readings: readings(MIRELA, 0), findings: { forefootDeg: [2, 3], rcspDeg: [-4, -4] }, capture: { way: 'parametric' }, device: { kind: 'heat-moulded', layers: [{ kind: 'metPad', heightMm: 3 }], shell: { material: 'eva-60', thicknessMm: 6 } } },
        right: { readings: readings(MIRELA, 1), findings: { forefootDeg: [3, 3], rcspDeg: [-5, -4] }, capture: { way: 'parametric' }, device: { kind: 'heat-moulded', layers: [{ kind: 'metPad', heightMm: 4 }], shell: { material: 'eva-60', thicknessMm: 6 } } },
      },
      footwear: { sockMm: 1.5, candidates: ['mere-ward-rocker'], chosen: { model: 'mere-ward-rocker', sizeLeftMm: 245, sizeRightMm: 245 } },
      handover: { on: '2026-11-02', wearInStart: '2026-11-03', nextVisitOn: '2026-11-25', checks: { flat: 'good', edge: 'good', liner: 'good', arches: 'good', stand: 'watch' } },
      followups: [
        { on: '2026-11-02', pain: [{ foot: 'right', at: 'thirdMetHead', score: 6 }, { foot: 'left', at: 'thirdMetHead', score: 3 }], comfort: 42 },
        { on: '2026-11-16', pain: [{ foot: 'right', at: 'thirdMetHead', score: 4 }, { foot: 'left', at: 'thirdMetHead', score: 2 }], comfort: 61, words: 'better until the last hours' },
      ],
    },
    'juno-abara': {
      ...head,
      client: { code: 'HR-0421', name: 'Juno Abara', bornOn: '2017-05-11', sex: 'female', massKg: 31, heightMm: 1360, guardian: 'Ife Abara', occupation: 'skater' },
      visit: { on: '2026-11-25', reason: 'outgrown skates' },
      story: { activity: 'figure-skating', ability: 'able', intent: 'all-round', hours: 2, school: 'platform', goal: 'New skates for the winter show.', complaints: [], conditions: [] },
      feet: { left: { readings: readings(JUNO, 0) }, right: { readings: readings(JUNO, 1) } },
      footwear: { sockMm: 1 },
    },
  }).map(([name, record]) => [name, recordSchema.parse(record)]),
)
