import { z } from 'zod'
import { ownActivities } from '../kinds/activities/own'
import { activityShiftMm, cuffOnTerrain } from '../kinds/activities/rows'
import { leastRoomMm, matchTargets } from '../kinds/families/rows'
import { processes } from '../kinds/processes/rows'
import { hardBoundsMm, ratioToLength, repeatLimitMm } from '../kinds/readings/rows'
import {
  alignmentChangeDeg,
  alignmentRepeatDeg,
  ankleDeg,
  castPerHeelDeg,
  firstToeDeg,
  rangeRepeatDeg,
  usualForefootDeg,
} from '../tables/angles'
import { benchResources } from '../tables/benchResources'
import { blankFitMm, blanks } from '../tables/blanks'
import { boardOverhang } from '../tables/boardOverhang'
import { captureLimit, gapFilledMm2, standingRiseShare } from '../tables/captureChecks'
import { changeCounts } from '../tables/changeCounts'
import { childNorms } from '../tables/childNorms'
import {
  ankleShare,
  archHeightStanding,
  forefootDeltaMm,
  heelInstepShare,
  navicularDropMm,
  waistShare,
} from '../tables/classes'
import { activityFactor, comfortGiveMm, pushMostNmm } from '../tables/estimateLimits'
import { flexAdvice, flexPoints, leanAdvice } from '../tables/flex'
import {
  dueDays,
  growthFit,
  outcomeDays,
  outgrownMm,
  usualGrowth,
  wearInPaces,
} from '../tables/followup'
import { characterShiftMm } from '../tables/footwearShifts'
import {
  growthRoomMm,
  spareHeightMm,
  thickSockMm,
  usualBumpMm,
  verdictMm,
} from '../tables/footwearTargets'
import { heatWindows } from '../tables/heatWindows'
import { layerUsual } from '../tables/layerLimits'
import { coverMaterials, shellMaterials } from '../tables/materials'
import { comfortChange, painChange } from '../tables/outcomes'
import { ownRecords } from '../tables/ownRecords'
import { packOut } from '../tables/packOut'
import { prices } from '../tables/prices'
import { rankingWeights } from '../tables/ranking'
import { archShare, assumedShape, widthPerLength } from '../tables/ratios'
import { reminderTexts } from '../tables/reminderTexts'
import { ruleThresholds } from '../tables/ruleThresholds'
import { shapeLimits } from '../tables/shapeLimits'
import { feltMm, mendMm, springBackShare, workMinutes } from '../tables/shellWork'
import { allowanceMm, archSizeMm, fingersMm, sideGapMm, usChildOverUk } from '../tables/sizes'
import { skinMarginK } from '../tables/skin'
import { growthCapMm, supportShare } from '../tables/support'
import { visitMinutes } from '../tables/visitMinutes'
import type { Table } from '../tables/table'

/** Every table of a shop, in the order in which Settings shows them. */
export const TABLES = {
  hardBoundsMm,
  repeatLimitMm,
  ratioToLength,
  ownRecords,
  sideGapMm,
  widthPerLength,
  assumedShape,
  forefootDeltaMm,
  waistShare,
  heelInstepShare,
  ankleShare,
  archShare,
  archSizeMm,
  supportShare,
  growthCapMm,
  allowanceMm,
  usChildOverUk,
  fingersMm,
  archHeightStanding,
  navicularDropMm,
  childNorms,
  alignmentRepeatDeg,
  rangeRepeatDeg,
  alignmentChangeDeg,
  changeCounts,
  usualForefootDeg,
  firstToeDeg,
  ankleDeg,
  castPerHeelDeg,
  captureLimit,
  gapFilledMm2,
  standingRiseShare,
  shellMaterials,
  coverMaterials,
  blanks,
  blankFitMm,
  layerUsual,
  matchTargets,
  leastRoomMm,
  ownActivities,
  activityShiftMm,
  characterShiftMm,
  growthRoomMm,
  verdictMm,
  spareHeightMm,
  usualBumpMm,
  thickSockMm,
  shapeLimits,
  feltMm,
  mendMm,
  workMinutes,
  rankingWeights,
  springBackShare,
  packOut,
  flexPoints,
  flexAdvice,
  leanAdvice,
  cuffOnTerrain,
  boardOverhang,
  painChange,
  comfortChange,
  outcomeDays,
  dueDays,
  wearInPaces,
  usualGrowth,
  growthFit,
  outgrownMm,
  processes,
  benchResources,
  heatWindows,
  prices,
  visitMinutes,
  reminderTexts,
  pushMostNmm,
  comfortGiveMm,
  activityFactor,
  skinMarginK,
  ruleThresholds,
} as const

type Tables = typeof TABLES
export type TableKey = keyof Tables
type KeptBy<W extends 'fitting' | 'shop'> = {
  [K in TableKey]: Tables[K]['keptBy'] extends W ? K : never
}[TableKey]

/** Tables whose rows a fitting keeps, because it is judged by them. */
export type NormKey = KeptBy<'fitting'>
/** Tables that are the shop's of today: prices, processes, stock, what the bench has. */
export type ShopKey = KeptBy<'shop'>

const keys = Object.keys(TABLES) as TableKey[]
const isNorm = (key: TableKey): key is NormKey => TABLES[key].keptBy === 'fitting'
export const NORM_KEYS = keys.filter(isNorm)
export const SHOP_KEYS = keys.filter((key): key is ShopKey => !isNorm(key))

type Shape<K extends TableKey> = { [P in K]: z.ZodDefault<Tables[P]['schema']> }
const shapeOf = <K extends TableKey>(of: readonly K[]) =>
  Object.fromEntries(
    of.map((key) => {
      const { schema, house } = TABLES[key] as Table
      return [key, schema.default(house as never)]
    }),
  ) as unknown as Shape<K>

const head = {
  version: z.number().int().min(1).default(1),
  /** why this version exists and where its values come from */
  source: z.string().max(300).default('house defaults'),
}

/**
 * The tables a fitting is judged by: bounds, repeat limits, norms, classes, allowances, targets. A
 * fitting keeps the version it was opened with. Every table has a house value, so `{}` is the
 * house's.
 */
export const normsSchema = z.strictObject({ ...head, ...shapeOf(NORM_KEYS) })
export type Norms = z.output<typeof normsSchema>

/** All tables of a shop, versions of which it keeps. */
export const shopTablesSchema = z.strictObject({ ...head, ...shapeOf(keys) })
export type ShopTables = z.output<typeof shopTablesSchema>

/** The house's tables: what a shop begins with, and what a file without tables is judged by. */
export const HOUSE_TABLES: ShopTables = shopTablesSchema.parse({})
export const HOUSE_NORMS: Norms = normsSchema.parse({})

/** What of a shop's tables a fitting keeps when it is opened. */
export const normsOfShop = (shop: ShopTables): Norms =>
  ({
    version: shop.version,
    source: shop.source,
    ...Object.fromEntries(NORM_KEYS.map((key) => [key, shop[key]])),
  }) as Norms

/** The tables of a record; a record without any is judged by the house's. */
export const normsOf = (record: { norms?: Norms | undefined }): Norms => record.norms ?? HOUSE_NORMS
