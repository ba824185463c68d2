import { z } from 'zod'
import { parseWith } from '../record/parse'
import { Refusal } from '../record/refusal'
import { FAMILIES } from '../kinds/families/all'
import { insideSchema } from '../kinds/stations/insideSchema'

const mm = z.number().min(0).max(1000)
export const modelSchema = z.strictObject({
  id: z.string().min(1).max(80),
  maker: z.string().max(80),
  name: z.string().max(80),
  family: z.enum(FAMILIES),
  referenceMm: z.number().min(100).max(400).default(265),
  sizesMm: z.array(z.number().min(100).max(400)).min(1).max(60),
  grade: z
    .strictObject({
      lengthMm: mm.default(10),
      widthMm: mm.default(2),
      heightMm: mm.default(1),
      girthMm: mm.default(6),
    })
    .prefault({}),
  shellStep: z.enum(['half', 'whole']).default('half'),
  pairing: z.enum(['0-5', '5-0']).default('0-5'),
  lastWidthMm: mm.optional(),
  at: insideSchema,
  liner: z
    .strictObject({
      thicknessMm: z
        .strictObject({
          toe: mm.default(0),
          ball: mm.default(0),
          instep: mm.default(0),
          ankle: mm.default(0),
          heel: mm.default(0),
        })
        .prefault({}),
      packOut: z.number().min(0).max(0.9).default(0.2),
      mouldable: z.boolean().default(false),
    })
    .prefault({}),
  bootBoard: z
    .strictObject({
      rampDeg: z.number().min(-20).max(40).default(0),
      thicknessMm: mm.default(0),
      grindableMm: mm.default(0),
    })
    .prefault({}),
  insoleMm: mm.default(3),
  flex: z.strictObject({ index: z.number() }).optional(),
  /** how far the cuff leans forward, degrees from upright */
  cuffLeanDeg: z.number().min(-20).max(40).optional(),
  /** norm of the sole where bindings, blades or cleats hold on to it */
  soleNorm: z.string().max(40).optional(),
  plastic: z
    .strictObject({
      name: z.string().max(40).optional(),
      stretchMm: mm.default(0),
      limitC: z.number().default(0),
      wallMm: mm.default(0),
      minWallMm: mm.default(0),
    })
    .prefault({}),
  /** who measured the inside, and when; absent for what a maker states */
  measured: z
    .strictObject({ by: z.string().max(80).optional(), on: z.string().max(20).optional() })
    .optional(),
  stock: z
    .record(
      z.string().regex(/^\d{3}(\.\d)?$/, 'write the size in mm, as 265'),
      z.number().int().min(0).max(9999),
    )
    .default({}),
  price: z.number().min(0).default(0),
})

/** The most models of one catalogue. */
export const MOST_MODELS = 20_000

export const catalogueSchema = z.strictObject({
  format: z.literal('gentle-arch/catalogue'),
  version: z.literal(1),
  models: z.array(modelSchema).max(MOST_MODELS),
})

export type FootwearModel = z.output<typeof modelSchema>
export type Catalogue = z.output<typeof catalogueSchema>
export type Stations = z.output<typeof insideSchema>

/** Reads a catalogue; throws a Refusal that says which model and which key. */
export function parseCatalogue(value: unknown): Catalogue {
  const head = value as { format?: unknown } | null
  if (typeof value !== 'object' || head === null || head.format !== 'gentle-arch/catalogue')
    throw new Refusal(
      'not-a-catalogue',
      'This is not a catalogue: its "format" is not "gentle-arch/catalogue".',
      'format',
    )
  const catalogue = parseWith(catalogueSchema, value, 'catalogue')
  const seen = new Set<string>()
  catalogue.models.forEach((model, i) => {
    if (seen.has(model.id))
      throw new Refusal(
        'duplicate-model',
        `models.${i}.id: "${model.id}" is used twice.`,
        `models.${i}.id`,
      )
    seen.add(model.id)
  })
  return catalogue
}
