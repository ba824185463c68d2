import type { Layer, LayerKind, LayerOf } from '../../record/layerSchema'
import type { SoleField } from '../soleField'

/** How the amounts of a layer are offered: which number, its unit, steps, presets and the usual range (outside it is computed and named). */
export interface AmountRule {
  key: string
  label: string
  unit: 'mm' | '°'
  step: number
  fallback: number
  presets: readonly number[]
  usual: readonly [number, number]
}

/** A rectangle of the foot's plan, mm: no layer changes anything outside the one it states. */
export interface Reach {
  x: readonly [number, number]
  y: readonly [number, number]
}

/**
 * One kind of layer: its words, its amounts, when it acts (tilts first, shapes, skives last because they need the current surface) and its
 * height change in mm at every cell. Layers that move the trim line or raise walls say so by `widen`, `wall` and `keep`.
 */
export interface LayerDefinition<K extends LayerKind = LayerKind> {
  kind: K
  name: string
  does: string
  where: string
  phase: 'tilt' | 'shape' | 'skive'
  /** what is cut or set on with an edge: cells may step there */
  edged?: true
  amounts: readonly [AmountRule, ...AmountRule[]]
  /** the asked amount of the layer, a magnitude in mm */
  asked: (layer: LayerOf<K>, field: SoleField) => number
  /** where it may change the top or the trim line */
  reach: (field: SoleField, layer: LayerOf<K>) => Reach
  /** signed height change; `current` is the surface before this layer */
  change: (field: SoleField, layer: LayerOf<K>, current: Float64Array) => Float64Array
  /** what it achieves where the largest height change does not say it: a rise across, a width, a wall, a sheet under the sole */
  achieved?: (
    field: SoleField,
    layer: LayerOf<K>,
    change: Float64Array,
  ) => { mm: number; xMm: number; yMm: number }
  /** mm by which the trim line moves out (+) at a cell */
  widen?: (field: SoleField, layer: LayerOf<K>, i: number) => number
  /** mm by which the wall stands higher at a share of the length, medial or lateral */
  wall?: (s: number, medial: boolean, layer: LayerOf<K>) => number
  /** mm outside (+) or inside (−) of what is cut away */
  keep?: (field: SoleField, layer: LayerOf<K>, i: number) => number
}

/**
 * Fills an array row by row: `gate` is what depends on the row alone (its share s of the length; 0 skips the row), `height` the rest.
 * Cells far outside the plan stay 0: nothing is built there.
 */
export function everyCell(
  field: SoleField,
  gate: (s: number, y: number) => number,
  height: (i: number, gate: number) => number,
): Float64Array {
  const out = new Float64Array(field.z.length)
  for (let row = 0; row < field.rows; row++) {
    const first = row * field.columns
    const g = gate(field.s[first]!, field.y[first]!)
    if (g === 0) continue
    for (let i = first + field.from[row]!; i < first + field.to[row]!; i++) out[i] = height(i, g)
  }
  return out
}

/** Scales a change so that its largest value inside the plan is the asked amount; a change that is nowhere positive stays as it is. */
export function scaleToPeak(field: SoleField, change: Float64Array, askedMm: number): Float64Array {
  let peak = 0
  for (let i = 0; i < change.length; i++) if (field.mask[i] && change[i]! > peak) peak = change[i]!
  if (peak > 0) for (let i = 0; i < change.length; i++) change[i]! *= askedMm / peak
  return change
}

/** Narrows a layer to the definition's kind; the registry guarantees that they belong together. */
export const asLayer = <K extends LayerKind>(layer: Layer): LayerOf<K> => layer as LayerOf<K>

/** A change of nothing: layers that act on the outline, the walls or below the sole. */
export const noChange = (field: SoleField): Float64Array => new Float64Array(field.z.length)

/** The whole length between two shares, over the whole width. */
export const acrossFoot = (field: SoleField, from: number, to: number): Reach => {
  const L = field.sole.parameters.lengthMm
  return { x: [-90, 90], y: [from * L, to * L] }
}

/** Scales a change that runs down so that its deepest point inside the plan is the asked depth; see scaleToPeak. */
export const scaleToDepth = (
  field: SoleField,
  change: Float64Array,
  askedMm: number,
): Float64Array => {
  const out = scaleToPeak(field, change, askedMm)
  for (let i = 0; i < out.length; i++) out[i] = out[i] === 0 ? 0 : -out[i]!
  return out
}
