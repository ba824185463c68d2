import { flatGroup, mean, median, quantileSorted } from 'd3-array'
import { READING_KINDS, type ReadingKind } from '../kinds/readings/all'
import type { Foot } from '../record/schema'
import type { ShopTables } from '../record/tables'
import { SIDES, type Side } from '../tables/vocabulary'
import { isChild } from './ageAtVisit'
import { bestMean } from './reading'

/** One client as last measured. */
export interface OwnClient {
  bornOn?: string | undefined
  /** day of the visit */
  on: string
  feet: Partial<Record<Side, Pick<Foot, 'readings'>>>
}

export const SIZE_GROUPS = ['small', 'middle', 'large'] as const
export type SizeGroup = (typeof SIZE_GROUPS)[number]

/** How one reading, as a share of foot length, lies among clients: one value a client. */
export interface OwnShare {
  what: ReadingKind
  age: 'adult' | 'child'
  /** null: all sizes together */
  size: SizeGroup | null
  clients: number
  median: number
  /** 1.4826 times the median distance from the median: as a standard deviation, deaf to slips */
  spread: number
  /** the 0th, 5th … 100th of a hundred */
  quantiles: number[]
}

/** Median distance → standard deviation of a normal distribution. */
const MAD_TO_SD = 1.4826
/** A distribution is told in this many steps. */
const STEPS = 20

/**
 * Small, middle or large by foot length.
 *
 * @param partedAtMm where the middle begins and ends
 * @example sizeGroupOf(250, [240, 265]) // 'middle'
 */
export const sizeGroupOf = (lengthMm: number, [low, high]: readonly [number, number]): SizeGroup =>
  lengthMm < low ? 'small' : lengthMm < high ? 'middle' : 'large'

/** Mean of both feet of one client: length, and each reading as a share of it. */
function sharesOf({ feet }: OwnClient): { lengthMm: number; of: Map<ReadingKind, number> } | null {
  const lengths = SIDES.flatMap((side) => {
    const foot = feet[side] as Foot | undefined
    return (foot && bestMean(foot, 'footLengthMm', 'standing')) ?? []
  })
  if (lengths.length === 0) return null
  const of = new Map<ReadingKind, number>()
  for (const what of READING_KINDS) {
    if (what === 'footLengthMm') continue
    const shares = SIDES.flatMap((side) => {
      const foot = feet[side] as Foot | undefined
      const [value, length] = [what, 'footLengthMm' as const].map(
        (kind) => foot && bestMean(foot, kind, 'standing'),
      )
      return value !== undefined && length !== undefined ? [value / length] : []
    })
    if (shares.length > 0) of.set(what, mean(shares)!)
  }
  return { lengthMm: mean(lengths)!, of }
}

function shareOf(
  what: ReadingKind,
  age: OwnShare['age'],
  size: SizeGroup | null,
  values: readonly number[],
): OwnShare {
  const sorted = [...values].sort((a, b) => a - b)
  const middle = median(sorted)!
  return {
    what,
    age,
    size,
    clients: sorted.length,
    median: middle,
    spread: MAD_TO_SD * median(sorted, (v) => Math.abs(v - middle))!,
    quantiles: Array.from({ length: STEPS + 1 }, (_, i) => quantileSorted(sorted, i / STEPS)!),
  }
}

/**
 * How a shop's clients lie: for every reading its share of foot length by age group, all sizes
 * together and each by itself. One value a client, both feet averaged, as last measured.
 *
 * @returns rows with at least one client, in the order of the readings
 * For instance clients with widths of 0.36, 0.37 and 0.39 of their length have a median of 0.37 and
 *   a spread of 0.0148
 */
export function ownShares(
  clients: readonly OwnClient[],
  { sizesPartedAtMm }: Pick<ShopTables['ownRecords'], 'sizesPartedAtMm'>,
): OwnShare[] {
  const values = clients.flatMap((client) => {
    const shares = sharesOf(client)
    if (!shares) return []
    const isGrowing = isChild({ ...(client.bornOn && { bornOn: client.bornOn }) }, client.on)
    const age: OwnShare['age'] = isGrowing ? 'child' : 'adult'
    const own = sizeGroupOf(shares.lengthMm, sizesPartedAtMm)
    return [...shares.of].flatMap(([what, share]) =>
      [null, own].map((size) => ({ what, age, size, share })),
    )
  })
  const found = flatGroup(
    values,
    (v) => v.what,
    (v) => v.age,
    (v) => v.size,
  ).map(([what, age, size, group]) =>
    shareOf(
      what,
      age,
      size,
      group.map((v) => v.share),
    ),
  )
  const rank = (s: OwnShare) =>
    READING_KINDS.indexOf(s.what) * 10 +
    (s.age === 'adult' ? 0 : 5) +
    (s.size === null ? 0 : 1 + SIZE_GROUPS.indexOf(s.size))
  return found.sort((a, b) => rank(a) - rank(b))
}

/**
 * How many of a hundred clients lie below a value.
 *
 * @param quantiles the 0th, 5th … 100th of a hundred, rising
 * @example percentileIn([0.3, 0.34, 0.38], 0.36) // 75
 */
export function percentileIn(quantiles: readonly number[], value: number): number {
  const last = quantiles.length - 1
  if (value <= quantiles[0]!) return 0
  if (value >= quantiles[last]!) return 100
  const above = quantiles.findIndex((q) => q > value)
  const [low, high] = [quantiles[above - 1]!, quantiles[above]!]
  return (100 * (above - 1 + (value - low) / (high - low))) / last
}

/** Where a client's share lies among the shop's clients of that age and size; null while too few are held. */
export function placeAmong(
  shares: readonly OwnShare[],
  {
    what,
    share,
    lengthMm,
    child,
  }: { what: ReadingKind; share: number; lengthMm: number; child: boolean },
  own: ShopTables['ownRecords'],
): { percentile: number; clients: number; size: SizeGroup | null } | null {
  const group = sizeGroupOf(lengthMm, own.sizesPartedAtMm)
  const ofKind = shares.filter((s) => s.what === what && s.age === (child ? 'child' : 'adult'))
  const enough = [group, null].flatMap((size) =>
    ofKind.filter((s) => s.size === size && s.clients >= own.clientsForPercentiles),
  )
  const [row] = enough
  return row
    ? {
        percentile: Math.round(percentileIn(row.quantiles, share)),
        clients: row.clients,
        size: row.size,
      }
    : null
}
