import type { FittingRecord } from '../record/schema'
import { normsOf } from '../record/tables'
import type { FootwearModel } from './catalogueSchema'
import { cuffParts, leastBendDeg, toTenths, withParts, type CuffPart } from './cuffParts'

/** How far a cuff should lean for a client, and why. */
export interface LeanAdvice {
  leanDeg: number
  /** degrees that each part adds */
  parts: CuffPart[]
  missing: string[]
  /** that the ankle takes no more of it, in words */
  held: string | null
}

/**
 * Lean of a cuff for a client, degrees from the vertical (an estimate, by the rows of the table): a middle for a
 * usual height, what ability, force and ground add, and never more than the ankle that bends less takes, knee bent,
 * over this board's ramp with the reserve kept. Body weight moves stiffness, not lean.
 *
 * Source: lean less ramp against the ankle's range, handbook of examination; what adds to it is the house's own.
 *
 * For instance an ankle that bends 12° over 4° of ramp, 3° kept in reserve, takes 13° at most
 */
export function adviseLean(
  record: FittingRecord,
  { bootBoard }: Pick<FootwearModel, 'bootBoard'>,
): LeanAdvice {
  const { leanAdvice: by, ankleDeg } = normsOf(record)
  const { parts, missing } = cuffParts(record, by, (ground) => ground.leanDeg)
  const wanted = withParts(by.middleDeg, parts)
  const liked = Math.min(by.mostDeg, Math.max(by.leastDeg, wanted))
  const bendDeg = leastBendDeg(record)
  const takenDeg =
    bendDeg === undefined ? Infinity : Math.max(0, bendDeg - ankleDeg.reserve + bootBoard.rampDeg)
  return {
    leanDeg: toHalf(Math.min(liked, takenDeg)),
    parts: toTenths(parts),
    missing: [...missing, ...(bendDeg === undefined ? ['ankle range'] : [])],
    held:
      takenDeg < liked
        ? `the ankle bends ${Math.round(bendDeg!)}° and ${ankleDeg.reserve}° stay in reserve: over ${bootBoard.rampDeg}° of ramp no more`
        : null,
  }
}
/** Down to a half: what the ankle does not take is not rounded up to. */
const toHalf = (deg: number) => Math.floor(deg * 2) / 2

/** Leans that differ by less suit, degrees (house default). */
const SUITS_DEG = 1.5

/** How a model's lean stands to the advice, in words; null where its maker states none. */
export function leanWords(
  model: Pick<FootwearModel, 'cuffLeanDeg'>,
  { leanDeg, held }: LeanAdvice,
): string | null {
  const { cuffLeanDeg } = model
  if (cuffLeanDeg === undefined) return null
  const off = Math.round((cuffLeanDeg - leanDeg) * 10) / 10
  const suits = Math.abs(off) <= SUITS_DEG
  const how = suits ? 'suits' : `leans ${Math.abs(off)}° ${off > 0 ? 'more' : 'less'}`
  return `cuff leans ${cuffLeanDeg}° as made, ${leanDeg}° advised: ${how}${held ? ` (${held})` : ''}`
}
