import { bestMean, meanOfReading } from '../../measure/reading'
import type { FittingRecord } from '../../record/schema'
import { SIDES, type Side } from '../../tables/vocabulary'
import { READINGS, type ReadingKind } from '../../kinds/readings/all'
import { stationAt, USUAL_LENGTH_MM } from '../../footwear/character'
import { STATION_KINDS } from '../../kinds/stations/all'

/** A measure on the order sheet of a shell made to measure, from calf to toe. */
export interface OrderMeasure {
  code: string
  name: string
  how: string
  reading: ReadingKind
}

/** From the calf down to the toe: calf, ankle, heel, instep, waist, navicular, ball, toe. */
const DOWN_THE_LEG = 'CAHIWNBT'
const place = (code: string) => DOWN_THE_LEG.indexOf(code[0]!) * 10 + Number(code.slice(1))

/** Measures of a custom shell, from the calf down to the toe: what each kind of reading has there. */
const ORDER_MEASURES: readonly OrderMeasure[] = READINGS.all
  .flatMap(({ kind, orderSheet }) => (orderSheet ? [{ ...orderSheet, reading: kind }] : []))
  .sort((a, b) => place(a.code) - place(b.code))

/** Regions that a maker is asked to expand over the foot, each side its own. */
const ORDER_REGIONS = [
  { code: 'toe', name: 'Before the toes', sides: ['front'], usualMm: [12] },
  { code: 'ball', name: 'Ball', sides: ['medial', 'lateral'], usualMm: [3, 3] },
  { code: 'navicular', name: 'Navicular', sides: ['medial'], usualMm: [3] },
  { code: 'fifthMetBase', name: 'Fifth met base', sides: ['lateral'], usualMm: [3] },
  { code: 'instep', name: 'Instep', sides: ['top'], usualMm: [3] },
  { code: 'ankle', name: 'Ankles', sides: ['medial', 'lateral'], usualMm: [4, 4] },
  { code: 'heel', name: 'Heel', sides: ['medial', 'lateral'], usualMm: [1, 1] },
  { code: 'calf', name: 'Calf', sides: ['medial', 'lateral', 'back'], usualMm: [5, 5, 5] },
] as const

export interface OrderSheet {
  code: string
  measures: {
    code: string
    name: string
    how: string
    feet: Partial<
      Record<Side, { standing: number | null; sitting: number | null; heightMm?: number }>
    >
  }[]
  regions: {
    code: string
    name: string
    side: string
    left: number
    right: number
    because: string
  }[]
  missing: string[]
}

/** Room that bony points and numbness add to the usual expansion, mm (house default). */
const BONY_EXTRA_MM = 3

/**
 * The order sheet of a shell made to measure: measures from calf to toe of each foot, standing and
 * sitting, and expansion by region and side. Expansions are usual values (house defaults) raised
 * where a bony point or lump was marked; the maker's own sheet rules.
 */
export function orderSheet(record: FittingRecord): OrderSheet {
  const missing: string[] = []
  const measures = ORDER_MEASURES.map(({ code, name, how, reading }) => {
    const feet = Object.fromEntries(
      SIDES.flatMap((side) => {
        const foot = record.feet[side]
        if (!foot) return []
        const standing = meanOfReading(foot, reading, 'standing') ?? null
        const sitting = meanOfReading(foot, reading, 'sitting') ?? null
        if (standing === null && sitting === null) missing.push(`${side}: ${name.toLowerCase()}`)
        const heightMm = foot.readings.find(
          (r) => r.what === reading && r.heightMm !== undefined,
        )?.heightMm
        return [[side, { standing, sitting, ...(heightMm !== undefined && { heightMm }) }]]
      }),
    )
    return { code, name, how, feet }
  })
  const bony = { left: bonyRegions(record, 'left'), right: bonyRegions(record, 'right') }
  const regions = ORDER_REGIONS.flatMap(({ code, name, sides, usualMm }) =>
    sides.map((side, i) => {
      const add = (foot: Side) => (bony[foot].has(code) ? BONY_EXTRA_MM : 0)
      const because = SIDES.filter((foot) => add(foot) > 0)
        .map((foot) => `${foot}: a bump is marked here`)
        .join('; ')
      return {
        code,
        name,
        side,
        left: usualMm[i]! + add('left'),
        right: usualMm[i]! + add('right'),
        because,
      }
    }),
  )
  return { code: record.client?.code ?? 'no code', measures, regions, missing }
}

/** Regions of a foot where a bony point or lump is marked. */
function bonyRegions(record: FittingRecord, side: Side): ReadonlySet<string> {
  const foot = record.feet[side]
  const length = (foot && bestMean(foot, 'footLengthMm', 'standing')) ?? USUAL_LENGTH_MM
  return new Set(
    (foot?.findings?.marks ?? []).flatMap((m) => {
      const station =
        m.kind === 'bonyPoint' || m.kind === 'lump'
          ? stationAt(m.view, m.xMm, m.yMm, length)
          : undefined
      return (station && STATION_KINDS.of(station).orderRegion) ?? []
    }),
  )
}
