import { z } from 'zod'
import { table, type SourceState } from './table'

/**
 * One blank a shop has on its shelf: made in lines, each line in sizes that differ in length and in
 * arch length.
 */
const blankSchema = z.strictObject({
  id: z.string().min(1).max(40),
  name: z.string().min(1).max(60),
  kind: z.enum(['trim-to-fit', 'heat-moulded']),
  sizeMm: z.number().min(100).max(400),
  archLengthMm: z.number().min(60).max(300),
  archHeightMm: z.number().min(5).max(45),
  heelWidthMm: z.number().min(30).max(110),
  state: z
    .string()
    .max(20)
    .default('own assumption' satisfies SourceState),
})
export type Blank = z.output<typeof blankSchema>

const LINES = [
  { id: 'flat', name: 'Low line', kind: 'trim-to-fit', arch: 0.715, height: 15 },
  { id: 'mid', name: 'Middle line', kind: 'trim-to-fit', arch: 0.73, height: 19 },
  { id: 'high', name: 'High line', kind: 'trim-to-fit', arch: 0.735, height: 24 },
  { id: 'mould', name: 'Mouldable', kind: 'heat-moulded', arch: 0.73, height: 20 },
] as const

/** Invented lines in steps of 10 mm. */
const houseShelf = (): Blank[] =>
  LINES.flatMap((line) =>
    Array.from({ length: 11 }, (_, k) => 210 + 10 * k).map((sizeMm): Blank => ({
      id: line.id,
      name: line.name,
      kind: line.kind,
      sizeMm,
      archLengthMm: Math.round(line.arch * sizeMm),
      archHeightMm: Math.round(line.height + (sizeMm - 260) * 0.06),
      heelWidthMm: Math.round(0.25 * sizeMm),
      state: 'own assumption',
    })),
  )

export const blanks = table({
  name: 'Blanks on the shelf',
  unit: 'mm',
  source: 'invented house lines',
  state: 'own assumption',
  keptBy: 'shop',
  schema: z.array(blankSchema).max(400),
  house: houseShelf(),
})

/** How far a blank may lie from the foot: arch length watched and refused from, length spare. */
export const blankFitMm = table({
  name: 'Blank: arch off watched from, refused from; may be shorter by',
  unit: 'mm',
  source: 'house default',
  state: 'own assumption',
  keptBy: 'fitting',
  schema: z.strictObject({
    archWatch: z.number().min(0).max(40),
    archStop: z.number().min(0).max(40),
    shorter: z.number().min(0).max(20),
  }),
  house: { archWatch: 4, archStop: 8, shorter: 2 },
})
