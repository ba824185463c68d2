import { mean } from 'd3-array'
import type { FittingRecord, Story } from '../record/schema'
import { normsOf, type Norms } from '../record/tables'
import { SIDES } from '../tables/vocabulary'

/** One thing that moves an advice on a cuff, in the advice's own unit: steps of stiffness, or degrees of lean. */
export interface CuffPart {
  words: string
  by: number
}
type Ability = NonNullable<Story['ability']>
type Force = NonNullable<Story['force']>

/** What height, ability and force add; the tables of stiffness and of lean both have these rows. */
interface PerClient {
  atMm: number
  perHundredMm: number
  ability: Readonly<Record<Ability, number>>
  force: Readonly<Record<Force, number>>
}

/**
 * What a client's height, ability, force and ground add to an advice on a cuff, and what of it is not known.
 *
 * For instance an able client of 1850 mm on ice, by the house's rows of lean, has parts of 0.5 and 1 and misses nothing
 *
 * @param ofGround which of what a ground asks: its steps, or its degrees
 */
export function cuffParts(
  record: FittingRecord,
  by: PerClient,
  ofGround: (ground: Norms['cuffOnTerrain'][string]) => number,
): { parts: CuffPart[]; missing: string[] } {
  const { heightMm } = record.client ?? {}
  const { ability, force, activity, terrain } = record.story ?? {}
  const ground = normsOf(record).cuffOnTerrain[`${activity}.${terrain}`]
  return {
    parts: told([
      [`${heightMm} mm tall`, heightMm && ((heightMm - by.atMm) / 100) * by.perHundredMm],
      [String(ability), ability && by.ability[ability]],
      [`${force} force`, force && by.force[force]],
      [String(terrain), ground && ofGround(ground)],
    ]),
    missing: [
      ...(heightMm === undefined ? ['height'] : []),
      ...(ability === undefined ? ['ability'] : []),
    ],
  }
}

/** Parts that are known and move anything. */
export const told = (all: readonly (readonly [string, number | undefined])[]): CuffPart[] =>
  all.flatMap(([words, by]) => (by ? [{ words, by }] : []))

/** A sum that begins somewhere, with what each part adds. */
export const withParts = (from: number, parts: readonly CuffPart[]): number =>
  parts.reduce((sum, part) => sum + part.by, from)

/** Parts as they are told: to a tenth. */
export const toTenths = (parts: readonly CuffPart[]): CuffPart[] =>
  parts.map((part) => ({ ...part, by: Math.round(part.by * 10) / 10 }))

/** How far the ankle bends that bends less, knee bent, degrees; undefined where none was measured. */
export function leastBendDeg({ feet }: FittingRecord): number | undefined {
  const bends = SIDES.flatMap((side) => mean(feet[side]?.findings?.ankleKneeBentDeg ?? []) ?? [])
  return bends.length === 0 ? undefined : Math.min(...bends)
}
