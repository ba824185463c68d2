import { z } from 'zod'
import { isoDay } from './isoDay'

export const quoteLineSchema = z.strictObject({
  words: z.string().trim().min(1).max(160),
  count: z.number().int().min(1).max(99),
  amount: z.number().min(-100_000).max(100_000),
  taxPercent: z.number().min(0).max(50),
})

/**
 * A quote as it was given to the client, with their answer. Another one after a change is a further
 * quote; the old one stays.
 */
export const quoteSchema = z.strictObject({
  id: z.string().min(1).max(40),
  /** the shop's own, one after the other */
  no: z.string().max(20).optional(),
  on: isoDay,
  validUntil: isoDay,
  currency: z.string().max(8),
  withTax: z.boolean(),
  guaranteeMonths: z.number().int().min(0).max(120),
  lines: z.array(quoteLineSchema).min(1).max(60),
  answer: z.enum(['open', 'accepted', 'changed', 'declined']).default('open'),
  answeredOn: isoDay.optional(),
  /** who said yes, by name */
  acceptedBy: z.string().trim().max(80).optional(),
  /** asked for then */
  deposit: z.number().min(0).max(1_000_000).optional(),
  /** what the client said */
  words: z.string().max(300).optional(),
  by: z.string().max(80).optional(),
})

export type Quote = z.output<typeof quoteSchema>
export type QuoteLine = z.output<typeof quoteLineSchema>
