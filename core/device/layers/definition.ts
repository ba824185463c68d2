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

/**
 * One kind of layer: its words, its amounts, when it acts (tilts first, shapes, skives last because they need the current surface) and its
 * height change in mm at every cell.
 */
export interface LayerDefinition<K extends LayerKind = LayerKind> {
  kind: K
  name: string
  does: string
  where: string
  phase: 'shape' | 'skive'
  amounts: readonly [AmountRule, ...AmountRule[]]
  /** the asked amount of the layer, a magnitude in mm */
  asked: (layer: LayerOf<K>) => number
  /** signed height change; `current` is the surface before this layer */
  change: (field: SoleField, layer: LayerOf<K>, current: Float64Array) => Float64Array
}

/**
 * Fills an array row by row: `gate` is what depends on the row alone (its share s of the length; 0 skips the row), `height` the rest.
 * Cells far outside the plan stay 0: nothing is built there.
 */
export function everyCell(field: SoleField, gate: (s: number, y: number) => number, height: (i: number, gate: number) => number): Float64Array {
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
