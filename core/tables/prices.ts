import { z } from 'zod'
import { table } from './table'
import type { DEVICE_KINDS } from './vocabulary'

/**
 * What a price is for: the device of a kind (a pair), a layer on one foot, work on a shell, a visit, what comes back
 * and is paid, anything else.
 * Footwear brings its own price from the catalogue.
 */
export const PRICE_KINDS = ['device', 'layer', 'work', 'visit', 'round', 'other'] as const

const id = z.string().regex(/^[a-z][a-z0-9-]{0,30}$/, 'use small letters, digits and dashes')
const priceSchema = z.strictObject({
  id,
  name: z.string().trim().min(1).max(80),
  kind: z.enum(PRICE_KINDS),
  /** what of its kind it stands for; then it comes into a quote by itself */
  of: z.string().max(40).optional(),
  /** for a pair of devices, for one piece of work, for one visit */
  amount: z.number().min(0).max(100_000),
  /** per cent; the table's where absent */
  taxPercent: z.number().min(0).max(50).optional(),
})
export type Price = z.output<typeof priceSchema>

export const priceTableSchema = z.strictObject({
  currency: z.string().trim().min(1).max(8).default('€'),
  taxPercent: z.number().min(0).max(50).default(20),
  /** are the amounts of this table and the catalogue with tax? */
  withTax: z.boolean().default(true),
  /** a device is made good without charge for so long, and looked after in so many visits */
  guaranteeMonths: z.number().int().min(0).max(120).default(12),
  visitsUnderGuarantee: z.number().int().min(0).max(20).default(3),
  /** days the client may think about it */
  validDays: z.number().int().min(1).max(365).default(30),
  /** asked for as a quote is accepted, % of all of it */
  depositPercent: z.number().min(0).max(100).default(0),
  prices: z.array(priceSchema).max(200),
})
export type PriceTable = z.output<typeof priceTableSchema>

const device = (kind: (typeof DEVICE_KINDS)[number], name: string, amount: number): Price => ({
  id: `device-${kind}`,
  name,
  kind: 'device',
  of: kind,
  amount,
})
export const prices = table({
  name: 'Price list',
  unit: '',
  source: 'invented, to be replaced by your own',
  state: 'own assumption',
  keptBy: 'shop',
  schema: priceTableSchema,
  house: priceTableSchema.parse({
    prices: [
      device('trim-to-fit', 'Trim-to-fit inserts, a pair', 60),
      device('heat-moulded', 'Heat-moulded footbeds, a pair', 160),
      device('full-custom', 'Full custom footbeds, a pair', 290),
      { id: 'work-stretch', name: 'Shell stretch', kind: 'work', of: 'stretch', amount: 35 },
      { id: 'work-grind', name: 'Shell grind', kind: 'work', of: 'grind', amount: 30 },
      { id: 'work-other', name: 'Work on the shell', kind: 'work', of: 'other', amount: 25 },
      {
        id: 'measuring',
        name: 'Measuring and examination',
        kind: 'visit',
        of: 'first',
        amount: 55,
      },
      { id: 'adjustment', name: 'Adjustment visit', kind: 'visit', of: 'guarantee', amount: 40 },
      {
        id: 'adjust-paid',
        name: 'Adjustment after the guarantee',
        kind: 'round',
        of: 'adjustment',
        amount: 40,
      },
      { id: 'liner-mould', name: 'Liner mould', kind: 'other', of: 'liner-mould', amount: 45 },
    ],
  }),
})
