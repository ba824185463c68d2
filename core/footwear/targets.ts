import type { Family, Intent } from '../record/vocabulary'
import type { Station } from './clearance'

export type Band = readonly [number, number]
type Row = Record<Intent, Band>

const row = (race: Band, performance: Band, allRound: Band, comfort: Band): Row => ({ race, performance, 'all-round': allRound, comfort })
const same = (band: Band): Row => row(band, band, band, band)

/** Target clearances of rigid shells by intent, mm (house defaults, editable). */
const RIGID: Record<Station, Row> = {
  length: row([5, 10], [10, 15], [15, 20], [20, 28]),
  toeBox: row([-2, 1], [0, 3], [2, 5], [4, 8]),
  toeBoxHeight: row([0, 2], [1, 3], [2, 5], [4, 8]),
  ball: row([-2, 1], [0, 3], [2, 5], [4, 8]),
  ballHeight: row([0, 2], [1, 3], [2, 5], [4, 8]),
  waist: row([-1, 1], [0, 2], [1, 3], [2, 5]),
  instep: row([-1, 1], [0, 2], [1, 3], [2, 5]),
  instepHeight: row([-1, 1], [0, 2], [1, 4], [2, 6]),
  heel: same([-1, 1]),
  heelInstep: same([-1, 2]),
  ankle: same([-1, 2]),
  cuff: row([0, 4], [0, 6], [0, 8], [0, 10]),
}

/** Families without a hard shell differ in length and in give at the ball (house defaults, editable). */
const LENGTH: Partial<Record<Family, Row>> = {
  skate: row([3, 7], [5, 9], [7, 12], [9, 15]),
  'riding-shoe': row([3, 7], [5, 9], [6, 11], [8, 13]),
  'laced-boot': row([8, 12], [10, 14], [11, 16], [12, 18]),
  'work-boot': row([10, 14], [10, 15], [11, 16], [12, 18]),
  shoe: row([9, 13], [10, 14], [10, 15], [12, 16]),
  'dress-shoe': row([8, 12], [9, 13], [10, 14], [11, 15]),
}

/** Weight of a millimetre of misfit at each station in the ranking (house defaults). */
export const STATION_WEIGHT: Record<Station, number> = {
  length: 1, toeBox: 0.5, toeBoxHeight: 0.6, ball: 1, ballHeight: 0.6, waist: 1, instep: 1, instepHeight: 0.7, heel: 1.2, heelInstep: 1, ankle: 0.8, cuff: 0.4,
}

/** Growth room of children replaces the intent's room at the toes, mm. */
export const GROWTH_ROOM_MM = { rigid: [8, 10] as Band, soft: [8, 12] as Band } as const

/** Target band at a station for a family and an intent, mm. */
export function targetBand(station: Station, family: Family, intent: Intent, child: boolean): Band {
  const rigid = family === 'rigid-shell' || family === 'skate'
  if (station === 'length' && child) return rigid ? GROWTH_ROOM_MM.rigid : GROWTH_ROOM_MM.soft
  if (station === 'length') return (LENGTH[family] ?? RIGID.length)[intent]
  return RIGID[station][intent]
}

export type Verdict = 'tight' | 'snug' | 'right' | 'roomy' | 'loose'

/**
 * Below the band by more than 2 mm tight, by up to 2 snug; inside right; above by up to 3 roomy, else loose.
 *
 * @example verdictOf(-1.5, [0, 3]) // 'snug'
 */
export function verdictOf(clearanceMm: number, [low, high]: Band): Verdict {
  if (clearanceMm < low) return low - clearanceMm > 2 + 1e-9 ? 'tight' : 'snug'
  if (clearanceMm <= high) return 'right'
  return clearanceMm - high <= 3 + 1e-9 ? 'roomy' : 'loose'
}
