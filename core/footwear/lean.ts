import type { FittingRecord } from '../record/schema'
import { normsOf } from '../record/tables'
import type { FootwearModel } from './catalogueSchema'
import { groundOf, leastBendDeg } from './flex'

/** How far a cuff should lean for a client, and why. */
export interface LeanAdvice {
  leanDeg: number
  parts: { words: string; deg: number }[]
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
  const { leanAdvice: by, cuffOnTerrain, ankleDeg } = normsOf(record)
  const parts: LeanAdvice['parts'] = []
  const missing: string[] = []
  const add = (deg: number, words: string) => deg !== 0 && parts.push({ deg, words })
  const { heightMm } = record.client ?? {}
  if (heightMm === undefined) missing.push('height')
  else add(((heightMm - by.atMm) / 100) * by.perHundredMm, `${heightMm} mm tall`)
  const { ability, force } = record.story ?? {}
  if (ability) add(by.ability[ability], ability)
  else missing.push('ability')
  if (force) add(by.force[force], `${force} force`)
  const ground = groundOf(record.story, cuffOnTerrain)
  if (ground) add(ground.leanDeg, ground.words)
  const wanted = by.middleDeg + parts.reduce((sum, p) => sum + p.deg, 0)
  const liked = Math.min(by.mostDeg, Math.max(by.leastDeg, wanted))
  const bendDeg = leastBendDeg(record)
  if (bendDeg === undefined) missing.push('ankle range')
  const takenDeg =
    bendDeg === undefined ? Infinity : Math.max(0, bendDeg - ankleDeg.reserve + bootBoard.rampDeg)
  return {
    leanDeg: toHalf(Math.min(liked, takenDeg)),
    parts: parts.map((p) => ({ ...p, deg: Math.round(p.deg * 10) / 10 })),
    missing,
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
  const off = cuffLeanDeg - leanDeg
  const suits = Math.abs(off) <= SUITS_DEG
  const how = suits ? 'suits' : `leans ${Math.abs(off)}° ${off > 0 ? 'more' : 'less'}`
  return `cuff leans ${cuffLeanDeg}° as made, ${leanDeg}° advised: ${how}${held ? ` (${held})` : ''}`
}
