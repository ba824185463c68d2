import { z } from 'zod'
import { SIDES } from '../tables/vocabulary'
import { isoDay } from './isoDay'

/** What comes back to the bench after handover. */
export const ROUND_KINDS = ['adjustment', 'new version', 'remake', 'shell work'] as const
/** Who bears it. */
export const ROUND_TERMS = ['guarantee', 'paid', 'goodwill'] as const

/** What is looked at and asked before a pair leaves, and why something of it was left out. */
export const gateFields = {
  checks: z.record(z.string(), z.enum(['good', 'watch', 'stop'])).optional(),
  /** how the two feel to the client, asked and believed */
  evenFeel: z.enum(['even', 'left higher', 'right higher']).optional(),
  /** worn standing and flexing before the client left, min */
  minutesInFootwear: z.number().min(0).max(240).optional(),
  /** why it leaves all the same: checks not made, or it does not feel even */
  allTheSame: z.string().trim().max(300).optional(),
}

/**
 * A further round at the bench: why, on whose account, what for which feet. Its steps are its own; those of the rounds
 * before stay as they were.
 */
export const roundSchema = z.strictObject({
  /** 2 is the first after the first handover */
  no: z.int().min(2).max(30),
  kind: z.enum(ROUND_KINDS),
  feet: z.array(z.enum(SIDES)).min(1).max(2),
  reason: z.string().trim().min(1).max(300),
  terms: z.enum(ROUND_TERMS),
  openedOn: isoDay,
  by: z.string().max(80).optional(),
  ...gateFields,
  handedOverOn: isoDay.optional(),
})
export type Round = z.output<typeof roundSchema>

/** Rounds of a fitting, oldest first: each has its own number, and one at most is open, the last. */
export const roundsSchema = z
  .array(roundSchema)
  .max(29)
  .refine(
    (rounds) => rounds.every(({ no }, i) => i === 0 || no > rounds[i - 1]!.no),
    'rounds are numbered in their order, each once',
  )
  .refine(
    (rounds) => rounds.slice(0, -1).every(({ handedOverOn }) => handedOverOn !== undefined),
    'a round is handed over before the next one begins',
  )
