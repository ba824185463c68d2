import type { Family, Intent } from '../record/vocabulary'
import type { Station } from './stationWords'

export type Band = readonly [number, number]
export type Row = Readonly<Record<Intent, Band>>
/** A shop's own bands, by `family.station`; what is not named is the house's. */
export type TargetOverrides = Readonly<Record<string, Row>>

const row = (race: Band, performance: Band, allRound: Band, comfort: Band): Row => ({
  race,
  performance,
  'all-round': allRound,
  comfort,
})
const same = (band: Band): Row => row(band, band, band, band)
const widths = row([-2, 1], [0, 3], [2, 5], [4, 8])
const heights = row([0, 2], [1, 3], [2, 5], [4, 8])
const girths = row([-1, 1], [0, 2], [1, 3], [2, 5])

/** Rigid shells: the length is that of the bare shell behind the heel, toes touching. */
const RIGID: Readonly<Record<Station, Row>> = {
  length: row([5, 10], [10, 15], [15, 20], [20, 28]),
  toeBox: widths,
  toeBoxHeight: heights,
  ball: widths,
  ballHeight: heights,
  waist: girths,
  instep: girths,
  instepHeight: row([-1, 1], [0, 2], [1, 4], [2, 6]),
  heel: same([-1, 1]),
  heelInstep: same([-1, 2]),
  ankle: same([-1, 2]),
  cuff: row([0, 4], [0, 6], [0, 8], [0, 10]),
  fifthToe: row([-1, 1], [0, 2], [1, 3], [2, 5]),
  fifthMet: row([-1, 1], [0, 2], [1, 3], [2, 5]),
  navicular: girths,
}

const shoeLike = {
  ball: row([0, 2], [0, 3], [1, 4], [2, 6]),
  toeBox: row([0, 3], [0, 4], [1, 5], [2, 7]),
  toeBoxHeight: row([1, 4], [1, 5], [2, 6], [3, 9]),
  waist: row([-1, 2], [-1, 3], [0, 4], [0, 5]),
  instep: row([-1, 2], [-1, 3], [0, 4], [0, 5]),
  instepHeight: row([-1, 3], [0, 4], [0, 5], [1, 7]),
}

/** Where a family's rules differ from those of rigid shells. */
const FAMILY: Readonly<Record<Exclude<Family, 'rigid-shell'>, Partial<Record<Station, Row>>>> = {
  skate: {
    length: row([3, 7], [5, 9], [7, 12], [9, 15]),
    toeBox: row([-2, 1], [-1, 2], [0, 4], [2, 6]),
    ball: row([-2, 1], [-1, 2], [0, 3], [1, 5]),
    heel: same([-1, 0.5]),
    ankle: same([-1, 1]),
  },
  'riding-shoe': {
    length: row([3, 7], [5, 9], [6, 11], [8, 13]),
    toeBox: row([-1, 1], [-1, 2], [0, 3], [1, 4]),
    ball: row([-1, 1], [-1, 2], [0, 2], [0, 3]),
    waist: row([-1, 1], [-1, 1], [-1, 2], [0, 2]),
    instep: row([-1, 1], [-1, 1], [-1, 2], [0, 3]),
    heel: same([-1, 0.5]),
  },
  'laced-boot': {
    ...shoeLike,
    length: row([8, 12], [10, 14], [11, 16], [12, 18]),
    heelInstep: same([-1, 3]),
    ankle: same([-1, 4]),
  },
  'work-boot': {
    ...shoeLike,
    length: row([10, 14], [10, 15], [11, 16], [12, 18]),
    toeBoxHeight: row([3, 7], [3, 8], [4, 10], [5, 12]),
    heelInstep: same([-1, 3]),
    ankle: same([-1, 5]),
  },
  shoe: {
    ...shoeLike,
    length: row([10, 12], [10, 13], [10, 15], [11, 15]),
    heelInstep: same([-1, 4]),
    ankle: same([-1, 5]),
  },
  'dress-shoe': {
    ...shoeLike,
    length: row([8, 12], [9, 13], [10, 14], [11, 15]),
    ball: row([-1, 1], [-1, 2], [0, 2], [0, 3]),
    heel: same([-1, 0.5]),
    heelInstep: same([-1, 4]),
  },
}

/** What the handbook of rigid shells states; every other number is a house default. */
const STATED = new Set<Station>([
  'length',
  'ball',
  'waist',
  'instep',
  'toeBoxHeight',
  'navicular',
  'ankle',
  'heel',
  'cuff',
])

/** Bands of a family at a station by intent, as the house has them. */
export const houseRow = (family: Family, station: Station): Row =>
  (family === 'rigid-shell' ? undefined : FAMILY[family][station]) ?? RIGID[station]

/** Where the bands of a family at a station come from. */
export function targetSource(family: Family, station: Station): string {
  if (family === 'rigid-shell')
    return STATED.has(station)
      ? 'workshop practice for rigid shells, house default'
      : 'house default, after the nearest station'
  if (family === 'shoe' && station === 'length') return 'toe room of 10 to 15 mm, house default'
  return FAMILY[family][station] ? 'house default of this family' : 'as rigid shells, house default'
}

/** Room to grow that children get at the toes instead of the intent's, mm: at most 10 in hard shells, 8 to 12 in shoes (house defaults). */
export const GROWTH_ROOM_MM = { hard: [8, 10] as Band, soft: [8, 12] as Band } as const
/** A child's footwear may be this much longer than its least room, mm; never more, and never filled with thick socks. */
export const GROWTH_MOST_MM = 15

const HARD: ReadonlySet<Family> = new Set(['rigid-shell', 'skate'])

/** Target band at a station for a family and an intent, mm, before the character of the foot moves it. */
export function targetBand(
  station: Station,
  family: Family,
  intent: Intent,
  child: boolean,
  overrides?: TargetOverrides,
): Band {
  if (station === 'length' && child)
    return HARD.has(family) ? GROWTH_ROOM_MM.hard : GROWTH_ROOM_MM.soft
  return (overrides?.[`${family}.${station}`] ?? houseRow(family, station))[intent]
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
