import type { Handover } from '../record/schema'
import type { Round } from '../record/roundSchema'
import { SIDES, type Side } from '../tables/vocabulary'

/** What a round is opened with. */
export interface NewRound extends Pick<Round, 'kind' | 'feet' | 'reason' | 'terms'> {
  by?: string
}

/** The round that is at the bench; none while everything is handed over. */
export const openRound = (rounds: readonly Round[] | undefined): Round | undefined =>
  rounds?.find((round) => round.handedOverOn === undefined)

/**
 * Rounds with a further one; null where one is open, or nothing was handed over yet: what changes then is part of it.
 *
 * @param on the day it is opened
 */
export function withRound(
  rounds: readonly Round[],
  handover: Pick<Handover, 'on'> | undefined,
  { feet, ...told }: NewRound,
  on: string,
): Round[] | null {
  if (!handover?.on || openRound(rounds)) return null
  const no = Math.max(1, ...rounds.map((round) => round.no)) + 1
  return [
    ...rounds,
    { ...told, no, feet: SIDES.filter((side) => feet.includes(side)), openedOn: on },
  ]
}

/** Rounds after a change of the one that is open; the same where none is. */
export const withOpenRound = (rounds: readonly Round[], change: Partial<Round>): Round[] =>
  rounds.map((round) => (round === openRound(rounds) ? { ...round, ...change } : round))

/**
 * What a round is likely to be on account of: the guarantee while it lasts and its visits are not used up.
 *
 * @param visits adjustments that the guarantee covers
 */
export function likelyTerms(
  rounds: readonly Round[],
  handover: Pick<Handover, 'guaranteeUntil'> | undefined,
  visits: number,
  on: string,
): Round['terms'] {
  const used = rounds.filter((round) => round.terms === 'guarantee').length
  const lasts = handover?.guaranteeUntil !== undefined && on <= handover.guaranteeUntil
  return lasts && used < visits ? 'guarantee' : 'paid'
}

/** The prefix of the steps of a round. @example roundPrefix(2) // 'r2:' */
export const roundPrefix = (no: number): string => `r${no}:`

/** The round that a step belongs to; 1 is what was made first. @example roundOfStep('r3:adjust:try') // 3 */
export const roundOfStep = (step: string): number => Number(/^r(\d+):/.exec(step)?.[1] ?? 1)

const FEET: Record<Side, string> = { left: 'left', right: 'right' }
/** A round in a line. For instance `Round 2: adjustment, right, under guarantee: the arch presses` */
export function roundWords({ no, kind, feet, terms, reason }: Round): string {
  const whose = terms === 'guarantee' ? 'under guarantee' : terms
  const both = feet.length === 2 ? 'both feet' : feet.map((side) => FEET[side]).join()
  return `Round ${no}: ${kind}, ${both}, ${whose}: ${reason}`
}
