import { z } from 'zod'
import { CAPTURE_WAYS } from '../tables/vocabulary'

const text = (max: number) => z.string().max(max)
const point2 = z.tuple([z.number(), z.number()])
const point3 = z.tuple([z.number(), z.number(), z.number()])

/**
 * Corrections that a way of capture asks for, on the captured sole, before any device is built on
 * it.
 */
export const CORRECTION_KINDS = [
  'heelExpansion',
  'lateralFill',
  'archFill',
  'dentFill',
  'toeLevel',
  'toeRoom',
  'archRise',
] as const
export type CorrectionKind = (typeof CORRECTION_KINDS)[number]

export const correctionSchema = z.strictObject({
  kind: z.enum(CORRECTION_KINDS),
  amountMm: z.number().min(0).max(20),
  on: z.boolean().default(true),
})

/**
 * The sole as it was captured, in the foot's frame: heights on a grid as hundredths of a millimetre
 * (base64 of 16-bit little-endian integers, −32768 where there is none), borders per row, heads and
 * toes. Derived from the original file, kept so that the record stands alone.
 */
const surfaceSchema = z.strictObject({
  /** the scan it was read from, and the hash of its original */
  scan: text(40).optional(),
  name: text(200).optional(),
  sha256: text(64).optional(),
  by: text(80).optional(),
  at: text(40).optional(),
  x0: z.number(),
  y0: z.number(),
  stepMm: z.number().min(0.5).max(4),
  columns: z.number().int().min(10).max(400),
  rows: z.number().int().min(10).max(700),
  heights: text(800_000),
  lengthMm: z.number().min(80).max(400),
  forefootWidthMm: z.number().min(20).max(180),
  heelWidthMm: z.number().min(20).max(180),
  forefootDeg: z.number().min(-45).max(45),
  /**
   * how the heel stands in this frame, + inverted: devices are built on the heel turned upright,
   * and the cast's own angle comes on top
   */
  heelDeg: z.number().min(-45).max(45).default(0),
  heads: z.array(point2).length(5),
  toes: z.array(point2).max(5),
})

export const captureSchema = z.strictObject({
  way: z.enum(CAPTURE_WAYS).default('parametric'),
  load: z.enum(['none', 'part', 'full']).default('none'),
  file: text(200).optional(),
  /** every take of this foot, the rejected ones with why */
  takes: z
    .array(
      z.strictObject({
        way: z.enum(CAPTURE_WAYS),
        kept: z.boolean(),
        why: text(300).optional(),
        by: text(80).optional(),
        at: text(40).optional(),
        scan: text(40).optional(),
      }),
    )
    .max(40)
    .optional(),
  /** landmarks that were moved by hand, in scan coordinates, mm */
  landmarks: z
    .array(
      z.strictObject({
        scan: text(40),
        name: text(30),
        atMm: point3,
        by: text(80).optional(),
        at: text(40).optional(),
      }),
    )
    .max(60)
    .optional(),
  surface: surfaceSchema.optional(),
  /** are devices built on the captured surface, or on the readings? */
  use: z.enum(['captured', 'readings']).default('captured'),
  corrections: z.array(correctionSchema).max(12).optional(),
  /** what the checks said when the surface was taken */
  checks: z
    .array(
      z.strictObject({
        code: text(30),
        value: z.number().optional(),
        limit: z.number().optional(),
        unit: z.enum(['deg', 'mm', '%']).optional(),
        verdict: z.enum(['good', 'doubtful', 'redo', 'not seen']),
        words: text(300),
        at: point3.optional(),
      }),
    )
    .max(20)
    .optional(),
  /** why a shape that should be redone was taken all the same */
  overruled: z
    .strictObject({
      why: text(300),
      codes: z.array(text(30)).max(20),
      by: text(80).optional(),
      at: text(40).optional(),
    })
    .optional(),
})

export type CapturePart = z.output<typeof captureSchema>
export type CapturedSurface = z.output<typeof surfaceSchema>
export type Correction = z.output<typeof correctionSchema>
