import { z } from 'zod'
import { blankSchema, HOUSE_BLANKS } from '../device/blanks'
import { SHELL_MATERIALS, shellMaterialSchema } from '../device/materials'
import {
  benchResourceSchema,
  HOUSE_PROCESSES,
  HOUSE_RESOURCES,
  processSchema,
} from '../bench/processes'
import { heatWindowSchema, HEAT_WINDOWS, SKIN_MARGIN_K } from '../bench/heat/windows'
import { HOUSE_PRICES, priceTableSchema } from '../followup/priceTable'
import { ACTIVITY_FACTOR, COMFORT_GIVE_MM, PUSH_MOST_NMM } from '../mechanics/estimateLimits'
import { CHECK_LIMITS } from '../capture/checkTable'
import { ACTIVITY_SHIFT_MM, CHARACTER_MM } from '../footwear/shiftTable'
import { CHECK_CODES, DEVICE_KINDS, READING_KINDS } from '../record/vocabulary'
import { HARD_BOUNDS_MM, SIDE_GAP_MM, SPREAD_LIMIT_MM } from './bounds'
import { RATIO_NORMS, WIDTH_PER_LENGTH, type SourceState } from './norms'

const positive = z.number().min(0)
const kinds = z.enum(READING_KINDS)
/** a band may be one value wide */
const band = z
  .tuple([z.number().min(-30).max(60), z.number().min(-30).max(60)])
  .refine(([low, high]) => low <= high, 'the lower limit must not be above the upper one')
const pair = z
  .tuple([z.number(), z.number()])
  .refine(([low, high]) => low < high, 'the lower limit must be below the upper one')

/**
 * The table a fitting is judged by: bounds, repeat limits, norms, classes, allowances. A shop keeps versions of it; a fitting keeps the
 * version it was opened with. Every value has a house default, so `{}` is the house table.
 */
export const normsSchema = z.strictObject({
  version: z.number().int().min(1).default(1),
  /** why this version exists and where its values come from */
  source: z.string().max(300).default('house defaults'),
  hardBoundsMm: z.record(kinds, pair).default(HARD_BOUNDS_MM as never),
  repeatLimitMm: z.record(kinds, positive.max(30)).default(SPREAD_LIMIT_MM),
  /** usual share of foot length; beyond 3.5 SD 'sure?' is asked */
  ratioToLength: z
    .partialRecord(
      kinds,
      z.strictObject({ mean: positive, sd: positive.max(1), state: z.string().max(20).optional() }),
    )
    .default(RATIO_NORMS),
  sideGapMm: positive.max(60).default(SIDE_GAP_MM),
  widthPerLength: positive.max(1).default(WIDTH_PER_LENGTH),
  forefootDeltaMm: z
    .tuple([z.number(), z.number(), z.number()])
    .refine(([a, b, c]) => a < b && b < c, 'the three limits must rise')
    .default([-4, 4, 8]),
  waistShare: pair.default([0.89, 0.95]),
  heelInstepShare: pair.default([1.24, 1.3]),
  ankleShare: pair.default([0.82, 0.88]),
  archShare: positive.max(1).default(0.73),
  archSizeMm: z.strictObject({ watch: positive, by: positive }).default({ watch: 3, by: 6 }),
  supportShare: z
    .record(z.enum(DEVICE_KINDS), z.number().min(0).max(1))
    .default({ none: 0, 'trim-to-fit': 0.3, 'heat-moulded': 0.5, 'full-custom': 0.7 }),
  growthCapMm: positive.max(30).default(8),
  allowanceMm: z
    .strictObject({ boots: positive.max(40), shoes: positive.max(40) })
    .default({ boots: 10, shoes: 16 }),
  usChildOverUk: z.number().min(-2).max(3).default(0.5),
  archHeightStanding: pair.default([0.31, 0.37]),
  alignmentRepeatDeg: positive.max(20).default(2),
  rangeRepeatDeg: positive.max(30).default(5),
  /** least alignment change that counts between fitters, degrees */
  alignmentChangeDeg: positive.max(20).default(4),
  /** limits of the checks of a captured shape, in each check's unit (coverage: least share seen) */
  captureLimit: z.record(z.enum(CHECK_CODES), positive.max(100)).default(CHECK_LIMITS),
  gapFilledMm2: positive.max(2000).default(315),
  standingRiseShare: z.number().min(0).max(1).default(0.5),
  /** shell materials of this shop */
  shellMaterials: z
    .array(shellMaterialSchema)
    .min(1)
    .max(60)
    .default([...SHELL_MATERIALS]),
  /** blanks on its shelf */
  blanks: z
    .array(blankSchema)
    .max(400)
    .default([...HOUSE_BLANKS]),
  /** usual limits of layers that differ from the house's, as `kind.amount` */
  layerUsual: z.record(z.string().regex(/^\w+\.\w+$/), pair).default({}),
  /** the shop's own bands of clearance, by `family.station`; the house's where absent */
  matchTargets: z
    .record(
      z.string().regex(/^[a-z-]+\.\w+$/),
      z.strictObject({ race: band, performance: band, 'all-round': band, comfort: band }),
    )
    .default({}),
  /** how far an activity moves a band, by `activity.station` */
  activityShiftMm: z
    .record(z.string().regex(/^[a-z-]+\.\w+$/), z.number().min(-10).max(10))
    .default({ ...ACTIVITY_SHIFT_MM }),
  /** how far a trait of the foot moves a band, mm */
  characterShiftMm: z
    .strictObject({
      loose: positive.max(6),
      stiff: positive.max(6),
      bony: positive.max(6),
      numb: positive.max(6),
    })
    .default({ ...CHARACTER_MM }),
  springBackShare: z.number().min(0).max(1).default(0.2),
  /** a maker's flex numbers tied to the shop's own scale of 1 to 10, by maker */
  flexPoints: z
    .record(z.string().max(80), z.array(z.tuple([z.number(), z.number().min(1).max(10)])).max(20))
    .default({}),
  painChange: positive.max(10).default(2),
  comfortChange: positive.max(100).default(10),
  /** how things are made here, step by step */
  processes: z
    .array(processSchema)
    .min(1)
    .max(60)
    .default([...HOUSE_PROCESSES]),
  benchResources: z
    .array(benchResourceSchema)
    .min(1)
    .max(30)
    .default([...HOUSE_RESOURCES]),
  heatWindows: z
    .array(heatWindowSchema)
    .min(1)
    .max(40)
    .default([...HEAT_WINDOWS]),
  prices: priceTableSchema.default(HOUSE_PRICES),
  /** estimates: a change of moment above which a device pushes hard; feel of a shell by its give, and the force an activity adds */
  pushMostNmm: positive.max(5000).default(PUSH_MOST_NMM),
  comfortGiveMm: pair.default([...COMFORT_GIVE_MM]),
  activityFactor: z
    .strictObject({ light: positive.max(20), usual: positive.max(20), hard: positive.max(20) })
    .default({ ...ACTIVITY_FACTOR }),
  /** stay below the burn threshold of skin by so much, K */
  skinMarginK: z
    .strictObject({ adult: positive.max(15), child: positive.max(15) })
    .default({ ...SKIN_MARGIN_K }),
})

export type Norms = z.output<typeof normsSchema>

/** The house table. */
export const HOUSE_NORMS: Norms = normsSchema.parse({})

/** What each part of the table is, where its house value comes from, and how sure that source is. */
export const NORM_NOTES: Record<
  Exclude<keyof Norms, 'version' | 'source'>,
  { name: string; unit: string; source: string; state: SourceState }
> = {
  hardBoundsMm: {
    name: 'Hard bounds, refused outside',
    unit: 'mm',
    source: 'house limits, kept wide',
    state: 'own assumption',
  },
  repeatLimitMm: {
    name: 'Take again above a spread of',
    unit: 'mm',
    source: 'workshop practice',
    state: 'own assumption',
  },
  ratioToLength: {
    name: 'Usual share of foot length, mean and SD',
    unit: '',
    source: 'house table, only to ask “sure?”',
    state: 'own assumption',
  },
  sideGapMm: {
    name: 'Ask “sure?” above a left–right gap of',
    unit: 'mm',
    source: 'workshop default',
    state: 'own assumption',
  },
  widthPerLength: {
    name: 'Expected forefoot width for each mm of length',
    unit: '',
    source: 'workshop default',
    state: 'own assumption',
  },
  forefootDeltaMm: {
    name: 'Forefoot narrow below, wide above, extra wide above',
    unit: 'mm',
    source: 'workshop default',
    state: 'own assumption',
  },
  waistShare: {
    name: 'Waist girth share: low below, high above',
    unit: '',
    source: 'provisional',
    state: 'own assumption',
  },
  heelInstepShare: {
    name: 'Heel–instep girth share: low below, high above',
    unit: '',
    source: 'provisional',
    state: 'own assumption',
  },
  ankleShare: {
    name: 'Ankle girth share: low below, high above',
    unit: '',
    source: 'provisional',
    state: 'own assumption',
  },
  archShare: {
    name: 'Arch length as a share of foot length',
    unit: '',
    source: 'workshop default',
    state: 'own assumption',
  },
  archSizeMm: {
    name: 'Arch size: watch from, size by it from',
    unit: 'mm',
    source: 'workshop default',
    state: 'own assumption',
  },
  supportShare: {
    name: 'Standing growth won back by a support',
    unit: '',
    source: 'house assumption, corrected from shell checks',
    state: 'own assumption',
  },
  growthCapMm: {
    name: 'Largest growth that counts',
    unit: 'mm',
    source: 'house assumption',
    state: 'own assumption',
  },
  allowanceMm: {
    name: 'Allowance of lasts over the foot',
    unit: 'mm',
    source: 'workshop default',
    state: 'own assumption',
  },
  usChildOverUk: {
    name: 'US child over UK child',
    unit: 'sizes',
    source: 'workshop default',
    state: 'own assumption',
  },
  archHeightStanding: {
    name: 'Arch height index standing: low below, high above',
    unit: '',
    source: 'Butler 2008, mean ± 1 SD of 100 recreational runners',
    state: 'checked',
  },
  alignmentRepeatDeg: {
    name: 'Take an alignment angle again above',
    unit: '°',
    source: 'workshop practice',
    state: 'own assumption',
  },
  rangeRepeatDeg: {
    name: 'Take a range again above',
    unit: '°',
    source: 'workshop practice',
    state: 'own assumption',
  },
  alignmentChangeDeg: {
    name: 'Alignment change that counts between fitters',
    unit: '°',
    source: 'between fitters 3 to 5°',
    state: 'own assumption',
  },
  captureLimit: {
    name: 'Capture: limits of the quality checks',
    unit: '°, mm, %',
    source: 'workshop practice; toes and dents own',
    state: 'own assumption',
  },
  gapFilledMm2: {
    name: 'Capture: largest gap that is filled',
    unit: 'mm²',
    source: 'house default, a hole 20 mm across',
    state: 'own assumption',
  },
  standingRiseShare: {
    name: 'Arch captured standing: share of the drop raised again',
    unit: '',
    source: 'workshop default',
    state: 'own assumption',
  },
  shellMaterials: {
    name: 'Shell materials',
    unit: '',
    source: 'workshop table; the maker\u2019s sheet rules',
    state: 'own assumption',
  },
  blanks: {
    name: 'Blanks on the shelf',
    unit: 'mm',
    source: 'invented house lines',
    state: 'own assumption',
  },
  layerUsual: {
    name: 'Usual limits of layers',
    unit: 'mm, °',
    source: 'workshop practice',
    state: 'own assumption',
  },
  matchTargets: {
    name: 'Target clearances',
    unit: 'mm',
    source: 'workshop practice for rigid shells, house defaults elsewhere',
    state: 'own assumption',
  },
  activityShiftMm: {
    name: 'Activity moves a target by',
    unit: 'mm',
    source: 'house default',
    state: 'own assumption',
  },
  characterShiftMm: {
    name: 'A trait of the foot moves a target by',
    unit: 'mm',
    source: 'house default',
    state: 'own assumption',
  },
  springBackShare: {
    name: 'A stretched wall springs back by this share',
    unit: '',
    source: 'workshop default',
    state: 'own assumption',
  },
  flexPoints: {
    name: 'Makers\u2019 flex numbers on the own scale',
    unit: 'steps',
    source: 'tried here',
    state: 'own assumption',
  },
  painChange: {
    name: 'Pain change that counts, 0–10',
    unit: 'points',
    source: 'house default',
    state: 'own assumption',
  },
  comfortChange: {
    name: 'Comfort change that counts, 0–100',
    unit: 'points',
    source: 'house default',
    state: 'own assumption',
  },
  processes: {
    name: 'Processes, step by step',
    unit: 'min',
    source: 'workshop defaults',
    state: 'own assumption',
  },
  benchResources: {
    name: 'What the bench has, and its hours',
    unit: '',
    source: 'workshop defaults',
    state: 'own assumption',
  },
  prices: {
    name: 'Price list',
    unit: '',
    source: 'invented, to be replaced by your own',
    state: 'own assumption',
  },
  heatWindows: {
    name: 'Working windows of materials',
    unit: '°C',
    source: 'workshop values; the maker’s sheet rules',
    state: 'own assumption',
  },
  pushMostNmm: {
    name: 'Estimate: a device pushes hard above',
    unit: 'N·mm',
    source: 'house limit, about a 4 mm skive with a 5° post',
    state: 'own assumption',
  },
  comfortGiveMm: {
    name: 'Estimate: a shell gives from, springs from',
    unit: 'mm',
    source: 'house limits of arch give under body and activity',
    state: 'own assumption',
  },
  activityFactor: {
    name: 'Estimate: force on the arch against standing',
    unit: '×',
    source: 'house factors',
    state: 'own assumption',
  },
  skinMarginK: {
    name: 'Stay below the burn threshold of skin by',
    unit: 'K',
    source: 'house margin; thresholds of ISO 13732-1',
    state: 'own assumption',
  },
}

/** The table of a record; what an older table did not have yet is the house's. */
export const normsOf = (record: { norms?: Norms }): Norms =>
  record.norms ? { ...HOUSE_NORMS, ...record.norms } : HOUSE_NORMS
