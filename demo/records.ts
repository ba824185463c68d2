import { onBlank } from './people'
import { RECORD_VERSION, recordSchema, type FittingRecord } from '../core/record/schema'
import type { Posture } from '../core/tables/vocabulary'
import { SIGN_KINDS } from '../core/kinds/signs/all'
import type { ReadingKind } from '../core/kinds/readings/all'

const TOOL = (what: ReadingKind) =>
  what.includes('Girth')
    ? 'tape'
    : what.includes('Height')
      ? 'height gauge'
      : what.includes('Width')
        ? 'calliper'
        : 'measuring board'
const reading = (what: ReadingKind, posture: Posture, trials: number[], struck: number[] = []) => ({
  what,
  posture,
  trials,
  struck,
  instrument: TOOL(what),
  ...(what === 'calfGirthMm' && { heightMm: 310 }),
})

type Row = [what: ReadingKind, posture: Posture, left: number[], right: number[]]
const readings = (rows: Row[], side: 0 | 1) =>
  rows.map(([what, posture, ...trials]) => reading(what, posture, trials[side]!))

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
  ['navicularHeightMm', 'sitting', [48, 49], [47, 48]],
  ['navicularHeightMm', 'standing', [42, 43], [38, 39]],
  ['secondToeLeadMm', 'standing', [-2, -2], [1, 1]],
  ['secondMetLeadMm', 'standing', [2, 2], [3, 3]],
  ['ballGirthMm', 'standing', [243, 244], [247, 248]],
  ['ankleGirthMm', 'standing', [224, 225], [226, 226]],
  ['calfGirthMm', 'standing', [352, 354], [356, 355]],
  ['medialMalleolusHeightMm', 'standing', [81, 82], [79, 80]],
  ['lateralMalleolusHeightMm', 'standing', [69, 70], [68, 68]],
  ['malleolusWidthMm', 'standing', [68, 68.5], [69, 69]],
  ['toeBoxHeightMm', 'standing', [24, 24.5], [25, 25]],
]
/** The same feet a year earlier, before the hut season. */
const TOVE_EARLIER: Row[] = [
  ['footLengthMm', 'sitting', [261, 261], [264.5, 264]],
  ['footLengthMm', 'standing', [264, 264.5], [267, 267.5]],
  ['archLengthMm', 'standing', [193, 193], [195, 195.5]],
  ['forefootWidthMm', 'standing', [97, 97.5], [98, 98.5]],
  ['heelWidthMm', 'standing', [63, 63.5], [64, 64]],
  ['waistGirthMm', 'standing', [243, 244], [244, 245]],
  ['heelInstepGirthMm', 'standing', [332, 333], [334, 335]],
  ['dorsumHeightMm', 'standing', [63, 63], [63.5, 64]],
  ['navicularHeightMm', 'standing', [43, 43], [42, 43]],
]
const ANSELM: Row[] = [
  ['footLengthMm', 'sitting', [268, 268], [267, 267.5]],
  ['footLengthMm', 'standing', [270, 270.5], [269, 269]],
  ['archLengthMm', 'standing', [198, 198], [197.5, 197]],
  ['forefootWidthMm', 'standing', [106, 106.5], [105, 105]],
  ['heelWidthMm', 'standing', [67, 67], [66.5, 67]],
  ['waistGirthMm', 'standing', [262, 263], [260, 261]],
  ['heelInstepGirthMm', 'standing', [342, 343], [341, 341]],
  ['dorsumHeightMm', 'standing', [62, 62.5], [62, 62]],
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

const shop = {
  name: 'Hollin Row Fit Room',
  fitter: 'Rhona Ketteridge',
  fingersMm: { one: 16, two: 33 },
}
const NO_SIGNS = Object.fromEntries(
  SIGN_KINDS.filter((s) => s !== 'childLimps').map((s) => [s, 'no']),
)
const head = { format: 'gentle-arch/fitting', version: RECORD_VERSION, shop } as const

/** The demo fittings by file name. All people are invented. */
export const DEMO_RECORDS: Record<string, FittingRecord> = Object.fromEntries(
  Object.entries({
    'tove-marchetti': {
      ...head,
      client: {
        code: 'HR-0412',
        name: 'Tove Marchetti',
        bornOn: '1985-03-02',
        sex: 'female',
        massKg: 64,
        heightMm: 1740,
        occupation: 'ski-touring hut warden',
      },
      visit: { on: '2026-11-20', reason: 'right inner heel hurts on descents' },
      story: {
        activity: 'ski-touring',
        ability: 'strong',
        intent: 'performance',
        hours: 9,
        daysPerWeek: 5,
        terrain: 'steep descents',
        force: 'hard',
        school: 'tissue-stress',
        wears: { what: 'touring shells, three winters, liners packed out', size: '27.0' },
        history: [{ kind: 'sprain', what: 'right ankle, two winters ago', foot: 'right' }],
        signs: NO_SIGNS,
        goal: 'I want to ski down to the valley without taking the right boot off at the half-way bend.',
        complaints: [
          {
            foot: 'right',
            at: 'medialAnkle',
            score: 6,
            words: 'sharp, on descents',
            when: 'during',
          },
          { foot: 'right', at: 'secondMetHead', score: 4, words: 'burning, from the third hour' },
          { foot: 'left', at: 'medialAnkle', score: 3, words: 'dull, after descents' },
        ],
        conditions: [],
      },
      feet: {
        left: {
          readings: readings(TOVE, 0),
          findings: {
            subtalar: { inversionDeg: [22, 23], eversionDeg: [10, 11] },
            neutralPalpatedDeg: [1, 1],
            ncspDeg: [4, 4],
            rcspDeg: [-3, -3],
            tibialVarumDeg: [4, 4],
            forefootDeg: [4, 4],
            ankleKneeStraightDeg: [9, 10],
            ankleKneeBentDeg: [15, 16],
            firstToeUnloadedDeg: [72, 70],
            firstToeLoadedDeg: [24, 26],
            posture: [0, 1, 0, 1, 1, 0],
            axis: 'central',
            kneeOver: 'second',
            windlass: 'rises',
            firstRay: { rest: 'level', stiffness: 'usual' },
            fifthRay: 'level',
            heelRaise: { count: 18, inverts: true },
            mobility: { subtalar: 'usual', midtarsal: 'usual' },
            sensationFelt: 10,
            pulses: 'both',
            skin: 'usual',
            deformity: 'none',
            fatPad: 'usual',
          },
          capture: { way: 'parametric', load: 'none' },
          device: {
            kind: 'full-custom',
            school: 'tissue-stress',
            layers: [
              { kind: 'archFill', amountMm: 2 },
              { kind: 'medialSkive', depthMm: 2 },
            ],
            posts: [{ at: 'rearfoot', style: 'extrinsic', angleDeg: 3 }],
            shell: { thicknessMm: 3 },
          },
        },
        right: {
          readings: readings(TOVE, 1),
          findings: {
            subtalar: { inversionDeg: [22, 24], eversionDeg: [11, 12] },
            neutralPalpatedDeg: [1, 0],
            ncspDeg: [4, 5],
            rcspDeg: [-5, -6],
            tibialVarumDeg: [4, 4],
            forefootDeg: [6, 7],
            ankleKneeStraightDeg: [8, 8],
            ankleKneeBentDeg: [14, 15],
            firstToeUnloadedDeg: [68, 70],
            firstToeLoadedDeg: [18, 20],
            posture: [1, 1, 2, 1, 1, 1],
            axis: 'medial',
            kneeOver: 'first',
            windlass: 'late',
            firstRay: { rest: 'plantarflexed', stiffness: 'usual' },
            fifthRay: 'level',
            heelRaise: { count: 11, inverts: true },
            mobility: { subtalar: 'usual', midtarsal: 'loose' },
            sensationFelt: 10,
            pulses: 'both',
            skin: 'usual',
            deformity: 'none',
            fatPad: 'usual',
            marks: [
              { kind: 'callus', view: 'plantar', xMm: 12, yMm: 196, sizeMm: 14, tenderness: 2 },
              { kind: 'bonyPoint', view: 'medial', xMm: 38, yMm: 112, sizeMm: 16, tenderness: 6 },
              { kind: 'callus', view: 'plantar', xMm: -30, yMm: 178, sizeMm: 10, tenderness: 0 },
            ],
          },
          capture: { way: 'parametric', load: 'none' },
          device: {
            kind: 'full-custom',
            school: 'tissue-stress',
            layers: [
              { kind: 'archFill', amountMm: 2.5 },
              { kind: 'metPad', heightMm: 4, behindHeadsMm: 8 },
              { kind: 'medialSkive', depthMm: 3 },
            ],
            posts: [{ at: 'rearfoot', style: 'extrinsic', angleDeg: 4 }],
            shell: { thicknessMm: 3 },
          },
        },
      },
      footwear: { sockMm: 1 },
    },
    'tove-marchetti-earlier': {
      ...head,
      client: {
        code: 'HR-0412',
        name: 'Tove Marchetti',
        bornOn: '1985-03-02',
        sex: 'female',
        massKg: 64,
        heightMm: 1740,
        occupation: 'ski-touring hut warden',
      },
      visit: { on: '2025-10-14', reason: 'measured before the season' },
      story: {
        activity: 'walking',
        ability: 'strong',
        intent: 'comfort',
        hours: 6,
        school: 'tissue-stress',
        complaints: [{ foot: 'right', at: 'medialAnkle', score: 2, words: 'tired by evening' }],
        conditions: [],
      },
      feet: {
        left: {
          readings: readings(TOVE_EARLIER, 0),
          findings: { forefootDeg: [4, 5], rcspDeg: [-3, -3] },
        },
        right: {
          readings: readings(TOVE_EARLIER, 1),
          findings: { forefootDeg: [6, 6], rcspDeg: [-1, -1] },
        },
      },
    },
    'anselm-quarrie': {
      ...head,
      client: {
        code: 'HR-0174',
        name: 'Anselm Quarrie',
        bornOn: '1957-12-08',
        sex: 'male',
        massKg: 88,
        heightMm: 1760,
        occupation: 'retired organ tuner',
      },
      visit: { on: '2026-11-25', reason: 'shoes for the stairs at home' },
      story: {
        activity: 'walking',
        ability: 'able',
        intent: 'comfort',
        hours: 3,
        school: 'comfort',
        goal: 'Down to the bakery and back without stopping.',
        complaints: [{ foot: 'left', at: 'firstMetHead', score: 3, words: 'rubs by noon' }],
        conditions: ['diabetes'],
        signs: { ...NO_SIGNS, openWound: 'yes' },
      },
      feet: {
        left: {
          readings: readings(ANSELM, 0),
          findings: {
            rcspDeg: [-2, -2],
            sensationFelt: 8,
            pulses: 'both',
            deformity: 'none',
            skin: 'usual',
            fatPad: 'thin',
            marks: [{ kind: 'wound', view: 'plantar', xMm: 34, yMm: 196, sizeMm: 8 }],
          },
        },
        right: {
          readings: readings(ANSELM, 1),
          findings: {
            rcspDeg: [-2, -1],
            sensationFelt: 9,
            pulses: 'both',
            deformity: 'none',
            skin: 'usual',
            fatPad: 'thin',
          },
        },
      },
      footwear: { sockMm: 1.5 },
    },
    'oskar-penhale': {
      ...head,
      client: {
        code: 'HR-0388',
        name: 'Oskar Penhale',
        bornOn: '1992-08-19',
        sex: 'male',
        massKg: 96,
        heightMm: 1880,
        occupation: 'trail-crew sawyer',
      },
      visit: { on: '2026-11-25', reason: 'boots for the fire season, feet differ' },
      story: {
        activity: 'wildland-fire',
        ability: 'expert',
        intent: 'all-round',
        hours: 12,
        school: 'platform',
        goal: 'Both boots the same after twelve hours on a slope.',
        complaints: [{ foot: 'right', at: 'fifthMetHead', score: 5, words: 'rubs' }],
        conditions: [],
      },
      feet: {
        left: { readings: readings(OSKAR, 0), findings: { forefootDeg: [1, 2], rcspDeg: [0] } },
        right: { readings: readings(OSKAR, 1), findings: { forefootDeg: [2, 2], rcspDeg: [1] } },
      },
      footwear: { sockMm: 1.5 },
    },
    'mirela-stanhope': {
      ...head,
      client: {
        code: 'HR-0295',
        name: 'Mirela Stanhope',
        bornOn: '1974-01-30',
        sex: 'female',
        massKg: 71,
        heightMm: 1630,
        occupation: 'night nurse',
      },
      visit: { on: '2026-10-28', reason: 'burning forefoot on long shifts' },
      story: {
        activity: 'ward',
        ability: 'able',
        intent: 'comfort',
        hours: 11,
        school: 'comfort',
        goal: 'A twelve-hour shift and then the stairs at home.',
        complaints: [
          { foot: 'right', at: 'thirdMetHead', score: 6 },
          { foot: 'left', at: 'thirdMetHead', score: 3 },
        ],
        conditions: ['bloodThinners'],
      },
      feet: {
        left: onBlank({
          readings: readings(MIRELA, 0),
          findings: { forefootDeg: [2, 3], rcspDeg: [-4, -4] },
          capture: { way: 'parametric' },
          device: {
            kind: 'heat-moulded',
            layers: [{ kind: 'metPad', heightMm: 3 }],
          },
        }),
        right: onBlank({
          readings: readings(MIRELA, 1),
          findings: { forefootDeg: [3, 3], rcspDeg: [-5, -4] },
          capture: { way: 'parametric' },
          device: {
            kind: 'heat-moulded',
            layers: [{ kind: 'metPad', heightMm: 4 }],
          },
        }),
      },
      footwear: {
        sockMm: 1.5,
        candidates: ['mere-ward-rocker'],
        chosen: { model: 'mere-ward-rocker', sizeLeftMm: 245, sizeRightMm: 245 },
      },
      handover: {
        on: '2026-11-02',
        wearInStart: '2026-11-03',
        nextVisitOn: '2026-11-25',
        checks: { flat: 'good', edge: 'good', liner: 'good', arches: 'good', stand: 'watch' },
      },
      followups: [
        {
          on: '2026-11-02',
          pain: [
            { foot: 'right', at: 'thirdMetHead', score: 6 },
            { foot: 'left', at: 'thirdMetHead', score: 3 },
          ],
          comfort: 42,
        },
        {
          on: '2026-11-16',
          pain: [
            { foot: 'right', at: 'thirdMetHead', score: 4 },
            { foot: 'left', at: 'thirdMetHead', score: 2 },
          ],
          comfort: 61,
          words: 'better until the last hours',
        },
      ],
    },
    'juno-abara': {
      ...head,
      client: {
        code: 'HR-0421',
        name: 'Juno Abara',
        bornOn: '2017-05-11',
        sex: 'female',
        massKg: 31,
        heightMm: 1360,
        guardian: 'Ife Abara',
        occupation: 'skater',
      },
      visit: { on: '2026-11-25', reason: 'outgrown skates' },
      story: {
        activity: 'figure-skating',
        ability: 'able',
        intent: 'all-round',
        hours: 2,
        school: 'platform',
        goal: 'New skates for the winter show.',
        complaints: [],
        conditions: [],
      },
      feet: { left: { readings: readings(JUNO, 0) }, right: { readings: readings(JUNO, 1) } },
      footwear: { sockMm: 1 },
    },
  }).map(([name, record]) => [name, recordSchema.parse(record)]),
)
