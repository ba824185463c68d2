import { z } from 'zod'
import { table, type SourceState } from './table'

/**
 * How far heat moves a blank towards the foot, mm: at the top of its arch up and down, elsewhere
 * (the wall of the cup) either way.
 */
const mouldsSchema = z.strictObject({
  archUpMm: z.number().min(0).max(20),
  archDownMm: z.number().min(0).max(20),
  wallMm: z.number().min(0).max(10),
})
export type BlankMoulds = z.output<typeof mouldsSchema>

/** The shape of a blank: what its maker's sheet says, or a ruler on one from the shelf. */
export const blankShapeSchema = z.strictObject({
  /** from the back of the heel to where its first met head lies */
  archLengthMm: z.number().min(60).max(300),
  /** of its top at the inner border, over the cup's floor */
  archHeightMm: z.number().min(5).max(45),
  heelWidthMm: z.number().min(30).max(110),
  cupMm: z.number().min(4).max(30).default(14),
  moulds: mouldsSchema.optional(),
})
export type BlankShape = z.output<typeof blankShapeSchema>

/** How far the usual mouldable blank gives, where its maker says nothing. */
export const USUAL_MOULDS: BlankMoulds = { archUpMm: 6, archDownMm: 8, wallMm: 3 }

/**
 * One blank a shop has on its shelf: made in lines, each line in sizes that differ in length and in
 * arch length.
 */
export const BLANK_KINDS = ['trim-to-fit', 'heat-moulded'] as const
export type BlankKind = (typeof BLANK_KINDS)[number]
/** Does a kind of device come with a shape of its own? */
export const isBlankKind = (kind: string): kind is BlankKind =>
  (BLANK_KINDS as readonly string[]).includes(kind)

const blankSchema = z.strictObject({
  id: z.string().min(1).max(40),
  name: z.string().min(1).max(60),
  kind: z.enum(BLANK_KINDS),
  sizeMm: z.number().min(100).max(400),
  ...blankShapeSchema.shape,
  /** what it is made of, by the shop's materials, and how thick: how stiff it is follows */
  material: z.string().min(1).max(40).default('polypropylene'),
  thicknessMm: z.number().min(0.5).max(20).default(3),
  state: z
    .string()
    .max(20)
    .default('own assumption' satisfies SourceState),
})
export type Blank = z.output<typeof blankSchema>

const HARD = { cupMm: 14, material: 'polypropylene', thicknessMm: 3 }
const FOAM = { cupMm: 14, moulds: USUAL_MOULDS, material: 'eva-60', thicknessMm: 6 }
const LINES = [
  { id: 'flat', name: 'Low line', kind: 'trim-to-fit', arch: 0.715, height: 15, ...HARD },
  { id: 'mid', name: 'Middle line', kind: 'trim-to-fit', arch: 0.73, height: 19, ...HARD },
  { id: 'high', name: 'High line', kind: 'trim-to-fit', arch: 0.735, height: 24, ...HARD },
  { id: 'mould', name: 'Mouldable', kind: 'heat-moulded', arch: 0.73, height: 20, ...FOAM },
] as const

/** Invented lines in steps of 10 mm. */
const houseShelf = (): Blank[] =>
  LINES.flatMap(({ id, name, kind, arch, height, ...sheet }) =>
    Array.from({ length: 11 }, (_, k) => 210 + 10 * k).map((sizeMm): Blank => ({
      id,
      name,
      kind,
      sizeMm,
      archLengthMm: Math.round(arch * sizeMm),
      archHeightMm: Math.round(height + (sizeMm - 260) * 0.06),
      heelWidthMm: Math.round(0.25 * sizeMm),
      ...sheet,
      state: 'own assumption',
    })),
  )

/** The shape of a blank alone, as a device keeps it: the shelf may change later. */
export const shapeOf = ({ archLengthMm, archHeightMm, heelWidthMm, cupMm, moulds }: Blank) => ({
  archLengthMm,
  archHeightMm,
  heelWidthMm,
  cupMm,
  ...(moulds && { moulds }),
})

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
