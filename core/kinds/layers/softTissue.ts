import type { SoleField } from '../../geometry/soleField'
import { smoothstep as S } from '../../geometry/smoothstep'
import { everyCell, scaleToDepth } from './field'

/**
 * Lowers the outer border from behind the ball to the heel; house formula (1 − S(u; .04, .30))·S(s;
 * .16, .30)·(1 − S(q; −30, −8)).
 */
export const lateralFillChange = (field: SoleField, mm: number): Float64Array =>
  scaleToDepth(
    field,
    everyCell(
      field,
      (s) => S(s, 0.16, 0.3),
      (i, gate) => gate * (1 - S(field.u[i]!, 0.04, 0.3)) * (1 - S(field.q[i]!, -30, -8)),
    ),
    mm,
  )

/** Lowers the medial arch so that soft tissue has room; house formula −f·B₂·S(u; .35, .8). */
export const archFillChange = (field: SoleField, mm: number): Float64Array =>
  everyCell(
    field,
    (s) => -mm * S(s, 0.2, 0.4) * (1 - S(s, 0.48, 0.66)),
    (i, gate) => gate * S(field.u[i]!, 0.35, 0.8),
  )
