import type { SoleField } from '../../geometry/soleField'
import type { Reach } from './definition'

/**
 * Fills an array row by row: `gate` is what depends on the row alone (its share s of the length; 0
 * skips the row), `height` the rest. Cells far outside the plan stay 0: nothing is built there.
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

/**
 * Scales a change so that its largest value inside the plan is the asked amount; a change that is
 * nowhere positive stays as it is.
 */
export function scaleToPeak(field: SoleField, change: Float64Array, askedMm: number): Float64Array {
  let peak = 0
  for (let i = 0; i < change.length; i++) if (field.mask[i] && change[i]! > peak) peak = change[i]!
  if (peak > 0) for (let i = 0; i < change.length; i++) change[i]! *= askedMm / peak
  return change
}

/**
 * Scales a change that runs down so that its deepest point inside the plan is the asked depth; see
 * scaleToPeak.
 */
export const scaleToDepth = (
  field: SoleField,
  change: Float64Array,
  askedMm: number,
): Float64Array => {
  const out = scaleToPeak(field, change, askedMm)
  for (let i = 0; i < out.length; i++) out[i] = out[i] === 0 ? 0 : -out[i]!
  return out
}

/** A change of nothing: layers that act on the outline, the walls or below the sole. */
export const noChange = (field: SoleField): Float64Array => new Float64Array(field.z.length)

/** The whole length between two shares, over the whole width. */
export const acrossFoot = (field: SoleField, from: number, to: number): Reach => {
  const L = field.sole.parameters.lengthMm
  return { x: [-90, 90], y: [from * L, to * L] }
}
