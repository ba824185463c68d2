import { z } from 'zod'
import type { SoleField } from '../../geometry/soleField'
import type { AmountRule } from './amountRule'

/** A rectangle of the foot's plan, mm: no layer changes anything outside the one it states. */
export interface Reach {
  x: readonly [number, number]
  y: readonly [number, number]
}

/** What every layer of the record has beside its own numbers. */
const base = {
  on: z.boolean().default(true),
  name: z.string().max(80).optional(),
  because: z.string().max(80).optional(),
}
type Stored<K extends string, S extends z.ZodRawShape> = z.ZodObject<
  { kind: z.ZodLiteral<K> } & typeof base & S,
  z.core.$strict
>
type LayerOf<K extends string, S extends z.ZodRawShape> = z.output<Stored<K, S>>

/** What stands around a layer in a prescription, as far as layers may clash with it. */
export interface Around {
  layers: readonly { kind: string; on: boolean; heads?: readonly number[] }[]
  posts: number
  /** the footwear has little room for what is built below or beside the shell */
  lowRoom: boolean
  /** the foot may have lost protective feeling */
  mayNotFeel: boolean
}

/** Something about a layer that does not go with what stands around it. */
export interface Clash<L> {
  code: string
  kind: 'stop' | 'watch'
  when: (layer: L, around: Around) => boolean
  words: string
  /** what of the record it depends on beside the layer itself */
  triggers: readonly string[]
}

/** Something of a layer that is chosen from a few words, or from the shop's materials. */
export interface LayerChoice {
  key: string
  label: string
  of: readonly string[] | 'materials'
}
export const MATERIAL: LayerChoice = { key: 'material', label: 'of', of: 'materials' }

/** A flat piece that is cut from sheet for a layer. */
export interface SheetOf<L> {
  words: string
  material: (layer: L) => string
  thicknessMm: (layer: L) => number
  /** cut to where the layer changes the sole, or to the insole, so much short of its heel end */
  cut: 'change' | { insoleShorterMm: (layer: L) => number }
  /** height it takes in the footwear under ball and toes, mm */
  underBallMm: (layer: L) => number
  /** does it run under the heel too? */
  underHeel: boolean
}

/**
 * Everything known about one kind of layer: its words for the trade and for the client, its numbers
 * and limits, what it means for whom, and its shape on the grid. A shape states where it may change
 * anything and returns the signed height change at every cell, mm; layers that move the trim line
 * or raise walls say so by `widen`, `wall` and `keep`.
 */
export interface LayerDefinition<
  K extends string = string,
  S extends z.ZodRawShape = z.ZodRawShape,
  L = LayerOf<K, S>,
> {
  kind: K
  name: string
  /** the one word it is called out by */
  call: string
  does: string
  /** in the client's words */
  plain: string
  /** how the bench takes it; where it is cut or set on */
  where: string
  /** what it means for a child */
  child: string
  /** what it means for a foot that does not feel */
  insensate: string
  /** pushes, cuts or walls where nothing is felt: never suggested for a foot at risk */
  neverInsensate?: true
  /** tilts first, then shapes, skives last: they cut the surface as it then is */
  phase: 'tilt' | 'shape' | 'skive'
  /**
   * cut into or added to the cast, so that the shell follows it; a hollow in the shell; or a piece that
   * lies on the finished shell and leaves its underside alone
   */
  lies: 'cast' | 'hollow' | 'on the shell'
  /** cut into the finished shell: nothing of it is on the positive */
  afterwards?: true
  /** cut or set on with an edge: cells may step there */
  edged: boolean
  /** pushes about the subtalar axis: offered when a turning moment is looked for */
  pushes: boolean
  /** what soft tissue needs and nothing that pushes: the plain device has it too */
  onPlain: boolean
  amounts: readonly [AmountRule, ...AmountRule[]]
  /** words that are chosen beside its numbers: from a list, or a material of the shop */
  choices?: readonly LayerChoice[]
  /** its keys in the record beside kind, switch, name and reason */
  schema: S
  /** the number it is known by, where the record may leave it out */
  main?: (layer: L, forefootDeg: number) => number
  /** what the sheet says of it beside its numbers */
  more: (layer: L) => readonly string[]
  /** a part cut from sheet that belongs to it */
  sheet: SheetOf<L> | null
  clashes: readonly Clash<L>[]
  /** the asked amount, a magnitude in mm */
  asked: (layer: L, field: SoleField) => number
  /** where it may change the top or the trim line */
  reach: (field: SoleField, layer: L) => Reach
  /** signed height change; `current` is the surface before this layer */
  change: (field: SoleField, layer: L, current: Float64Array) => Float64Array
  /**
   * what it achieves where the largest height change does not say it: a rise across, a width, a
   * wall, a sheet under the sole
   */
  achieved?: (
    field: SoleField,
    layer: L,
    change: Float64Array,
  ) => { mm: number; xMm: number; yMm: number }
  /** mm by which the trim line moves out (+) at a cell */
  widen?: (field: SoleField, layer: L, i: number) => number
  /** mm by which the wall stands higher at a share of the length, medial or lateral */
  wall?: (s: number, medial: boolean, layer: L) => number
  /** mm by which the wall of the heel moves outward, its plan with it */
  outwardMm?: (layer: L) => number
  /** mm by which the front edge moves forward at a cell */
  forwardMm?: (field: SoleField, layer: L, i: number) => number
  /** mm that it fills from below at a cell, of the hollow between shell and floor */
  fillsBelowMm?: (field: SoleField, layer: L, i: number, hollowMm: number) => number
  /** mm outside (+) or inside (−) of what is cut away */
  keep?: (field: SoleField, layer: L, i: number) => number
}

/** A kind with the schema that its numbers make. */
export interface LayerKindOf<
  K extends string,
  S extends z.ZodRawShape,
  L = LayerOf<K, S>,
> extends LayerDefinition<K, S, L> {
  stored: Stored<K, S>
}

/** Makes the record's schema of a kind from its numbers, and keeps both in its type. */
export const layer = <const K extends string, S extends z.ZodRawShape>(
  definition: LayerDefinition<K, S>,
): LayerKindOf<K, S> => ({
  ...definition,
  stored: z.strictObject({
    kind: z.literal(definition.kind),
    ...base,
    ...definition.schema,
  }) as unknown as Stored<K, S>,
})
