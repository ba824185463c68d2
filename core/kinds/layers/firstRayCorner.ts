import type { SoleField } from '../../geometry/soleField'
import { smoothstep as S } from '../../geometry/smoothstep'
import type { AmountRule } from './amountRule'
import type { Reach } from './definition'
import { everyCell } from './field'

/** How far behind the first head the corner begins. */
export const CORNER_LENGTH: AmountRule = {
  key: 'lengthMm',
  label: 'length',
  unit: 'mm',
  step: 5,
  fallback: 35,
  presets: [25, 35, 45],
  usual: [20, 50],
  range: [0, 120],
}

interface Corner {
  depthMm: number
  lengthMm: number
}

/** The line between first and second ray, mm from the axis. */
export const rayLine = ({ sole }: SoleField): number => (sole.heads[0]!.x + sole.heads[1]!.x) / 2

/**
 * How far a cell lies inside the corner of the first ray (+), mm: medial of the line between the
 * first two rays and in front of a line that lies `lengthMm` behind the first head; the inner
 * corner is rounded.
 */
export function inCorner(field: SoleField, lengthMm: number, i: number): number {
  const a = field.x[i]! - rayLine(field)
  const b = field.y[i]! - (field.sole.heads[0]!.y - lengthMm)
  const round = 12
  return a < round && b < round ? round - Math.hypot(round - a, round - b) : Math.min(a, b)
}

export const cornerReach = (field: SoleField, lengthMm: number): Reach => ({
  x: [rayLine(field), 90],
  y: [field.sole.heads[0]!.y - lengthMm, field.sole.parameters.lengthMm + 20],
})

/** The corner let down over so many mm from its edge. */
export const dropCorner = (
  field: SoleField,
  { depthMm, lengthMm }: Corner,
  overMm: number,
): Float64Array => {
  const from = field.sole.heads[0]!.y - lengthMm
  return everyCell(
    field,
    (_, y) => (y > from && lengthMm > 0 ? 1 : 0),
    (i) => -depthMm * S(inCorner(field, lengthMm, i), 0, overMm),
  )
}
