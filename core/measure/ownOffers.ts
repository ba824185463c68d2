import { READINGS, type ReadingKind } from '../kinds/readings/all'
import type { ShopTables } from '../record/tables'
import type { OwnShare } from './ownNorms'

/** A row of the shop's tables that its own feet could give. */
export interface OwnOffer {
  /** of the reading */
  name: string
  /** what it would be in the tables, in words */
  what: string
  clients: number
  /** as it stands in the tables today, and as the own feet have it */
  now: string
  own: string
  /** the same of small, middle-sized and large feet, with how many there are; empty where none is told apart */
  bySize: string
  /** how many more clients it needs; 0 where it can be taken */
  missing: number
  /** the part of the tables with the own numbers */
  take: Partial<ShopTables>
}

/** Classes that are shares of foot length: low below the first, high above the second. */
const CLASSES = [
  ['waistGirthMm', 'waistShare'],
  ['heelInstepGirthMm', 'heelInstepShare'],
  ['ankleGirthMm', 'ankleShare'],
] as const satisfies readonly (readonly [ReadingKind, keyof ShopTables])[]

/** Shares of foot length that stand in a table of their own. */
const SHARES = [
  ['forefootWidthMm', 'widthPerLength', 'expected for each mm of length'],
  ['archLengthMm', 'archShare', 'as a share of foot length'],
] as const satisfies readonly (readonly [ReadingKind, keyof ShopTables, string])[]

const inThousandths = (value: number) => Number(value.toFixed(3))
/** Fewer clients than this have no spread to tell. */
const FEW = 5
/** A spread of nothing would make every other foot unlikely. */
const LEAST_SPREAD = 0.001

const spreadWords = ({ median, spread, clients }: OwnShare): string =>
  clients < FEW
    ? String(inThousandths(median))
    : `${inThousandths(median)} ± ${Math.max(LEAST_SPREAD, inThousandths(spread))}`

/** The value below which a share of the clients lies. */
function below(quantiles: readonly number[], share: number): number {
  const at = share * (quantiles.length - 1)
  const [low, high] = [quantiles[Math.floor(at)]!, quantiles[Math.ceil(at)]!]
  return low + (at - Math.floor(at)) * (high - low)
}

/**
 * What a shop's own adult feet offer for its tables: usual shares by median and spread, classes by
 * the shares that are low and high. Offered, never taken by themselves; too few clients say how many
 * are missing.
 */
export function ownOffers(shares: readonly OwnShare[], tables: ShopTables): OwnOffer[] {
  const { clientsForNorms, clientsForPercentiles, lowShare, highShare } = tables.ownRecords
  const adults = shares.filter((s) => s.age === 'adult' && s.size === null)
  // What lies on both sides of nothing, as a lead, is no share of a length.
  const positive = adults.filter((s) => s.median > 0)
  const usual = positive.map((s): OwnOffer => {
    const now = tables.ratioToLength[s.what]
    const row = {
      mean: inThousandths(s.median),
      sd: Math.max(LEAST_SPREAD, inThousandths(s.spread)),
      state: `own, ${s.clients} clients`,
    }
    return {
      name: READINGS.of(s.what).name,
      what: 'usual share of foot length',
      clients: s.clients,
      now: now ? `${now.mean} ± ${now.sd}` : 'none',
      own: spreadWords(s),
      bySize: shares
        .filter((one) => one.age === 'adult' && one.what === s.what && one.size !== null)
        .map((one) => `${one.size} ${spreadWords(one)} of ${one.clients}`)
        .join(' · '),
      missing: Math.max(0, clientsForNorms - s.clients),
      take: { ratioToLength: { ...tables.ratioToLength, [s.what]: row } },
    }
  })
  const expected = SHARES.flatMap(([what, table, words]): OwnOffer[] => {
    const s = positive.find((a) => a.what === what)
    if (!s) return []
    return [
      {
        name: READINGS.of(what).name,
        what: words,
        clients: s.clients,
        now: String(tables[table]),
        own: String(inThousandths(s.median)),
        bySize: '',
        missing: Math.max(0, clientsForNorms - s.clients),
        take: { [table]: inThousandths(s.median) },
      },
    ]
  })
  const classes = CLASSES.flatMap(([what, table]): OwnOffer[] => {
    const s = adults.find((a) => a.what === what)
    if (!s) return []
    const [low, high] = [lowShare, highShare].map((share) =>
      inThousandths(below(s.quantiles, share)),
    )
    // Feet that are all alike part nothing.
    if (!(low! < high!)) return []
    const [nowLow, nowHigh] = tables[table]
    return [
      {
        name: READINGS.of(what).name,
        what: 'low below, high above',
        clients: s.clients,
        now: `${nowLow} · ${nowHigh}`,
        own: `${low} · ${high}`,
        bySize: '',
        missing: Math.max(0, clientsForPercentiles - s.clients),
        take: { [table]: [low, high] },
      },
    ]
  })
  return [...usual, ...expected, ...classes]
}
