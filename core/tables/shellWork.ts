import { z } from 'zod'
import { table } from './table'

const mm = z.number().min(0).max(40)
const note = {
  unit: 'mm',
  source: 'house default',
  state: 'own assumption',
  keptBy: 'fitting',
} as const

/** What can be done about a shell. */
export const WORK_KINDS = [
  'stretch',
  'grind',
  'pad',
  'grind boot board',
  'shim',
  'insole shim',
  'tongue pad',
  'cuff',
  'sole',
] as const

const UNDER_FOOT: ReadonlySet<string> = new Set<(typeof WORK_KINDS)[number]>([
  'grind boot board',
  'shim',
  'insole shim',
])
/** Does a kind of work lie under the whole foot? One piece of it lowers or raises all of it. */
export const isUnderFoot = (does: string): boolean => UNDER_FOOT.has(does)

export const springBackShare = table({
  ...note,
  name: 'A stretched wall springs back by this share',
  unit: '',
  source: 'workshop default',
  schema: z.number().min(0).max(1),
  house: 0.2,
})

/** Minutes of one piece of work on one side: mark, heat, press, cool and recheck; a pad is quick. */
export const workMinutes = table({
  ...note,
  name: 'Minutes of one piece of work on a shell',
  unit: 'min',
  schema: z.record(z.enum(WORK_KINDS), z.number().min(0).max(2880)),
  house: {
    stretch: 35,
    grind: 15,
    pad: 8,
    'grind boot board': 15,
    shim: 6,
    'insole shim': 4,
    'tongue pad': 8,
    cuff: 10,
    sole: 30,
  },
})

/** What lining, lace and strap take by themselves, and beyond what no work helps. */
export const mendMm = table({
  ...note,
  name: 'Work on a shell: left alone when short by, loose by; what a closure takes; length too short from, too long from; pads hold at the heel to, at the waist to',
  schema: z.strictObject({
    short: mm,
    loose: mm,
    closure: mm,
    lengthShort: mm,
    lengthOver: mm,
    heelLoose: mm,
    waistLoose: mm,
  }),
  house: {
    short: 0.25,
    loose: 1,
    closure: 3,
    lengthShort: 2,
    lengthOver: 8,
    heelLoose: 6,
    waistLoose: 7,
  },
})

/** How much room each thing felt says is there or lacking: a correction, not a measurement. */
export const feltMm = table({
  ...note,
  name: 'Room that what is felt in a try-on stands for',
  schema: z.strictObject({
    toesPressFlexed: z.number(),
    toesTouchFlexed: z.number(),
    toesPressUpright: z.number(),
    toesClear: z.number(),
    heelLift: z.number(),
    heelLiftMuch: z.number(),
    /** a heel that lifts this much is not held; twice as much is much */
    heelLifts: mm,
    hotSpotPerLevel: z.number(),
    numb: z.number(),
    tingling: z.number(),
    holdLoose: z.number(),
    holdTight: z.number(),
  }),
  house: {
    toesPressFlexed: -5,
    toesTouchFlexed: -3,
    toesPressUpright: -3,
    toesClear: 2,
    heelLift: 1,
    heelLiftMuch: 2,
    heelLifts: 4,
    hotSpotPerLevel: -1,
    numb: -1.5,
    tingling: -0.75,
    holdLoose: 1.5,
    holdTight: -1.5,
  },
})
