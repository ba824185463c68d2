import { smoothstep as S } from '../geometry/smoothstep'
import type { Correction, CorrectionKind } from '../record/captureSchema'
import { moveWall } from '../kinds/layers/movedWall'
import { archFillChange, lateralFillChange } from '../kinds/layers/softTissue'
import { everyCell, scaleToPeak } from '../kinds/layers/field'
import type { SoleField } from '../geometry/soleField'

/** Words of a correction: its name, what it does and why a captured shape needs it. */
export const CORRECTIONS: Record<CorrectionKind, { name: string; does: string }> = {
  heelExpansion: { name: 'Heel expansion', does: 'room for the fat pad, which spreads under load' },
  lateralFill: { name: 'Lateral fill', does: 'room for soft tissue along the outer border' },
  archFill: { name: 'Arch fill', does: 'lowers the arch crest' },
  dentFill: { name: 'Dent fill', does: 'fills the pits that fingers left under heads 4 and 5' },
  toeLevel: {
    name: 'Toes level',
    does: 'lifts toes that were pressed in to the level of the ball',
  },
  toeRoom: { name: 'Toe room', does: 'opens the walls behind the toes' },
  archRise: { name: 'Arch rise', does: 'raises an arch that was captured standing' },
}

const FORMULAS: Record<CorrectionKind, (field: SoleField, mm: number) => Float64Array> = {
  heelExpansion: (field, mm) => moveWall(field, mm).change,
  lateralFill: lateralFillChange,
  archFill: archFillChange,
  dentFill: (field, mm) => {
    const [, , , fourth, fifth] = field.sole.heads
    const bell = (i: number, h: { x: number; y: number }) =>
      Math.exp((-0.5 * ((field.x[i]! - h.x) ** 2 + (field.y[i]! - h.y + 4) ** 2)) / 36)
    return negative(
      scaleToPeak(
        field,
        everyCell(
          field,
          () => 1,
          (i) => Math.max(bell(i, fourth!), bell(i, fifth!)),
        ),
        mm,
      ),
    )
  },
  toeLevel: (field, mm) =>
    everyCell(
      field,
      () => 1,
      (i) => mm * S(field.q[i]!, 6, 26),
    ),
  toeRoom: (field, mm) =>
    negative(
      scaleToPeak(
        field,
        everyCell(
          field,
          () => 1,
          (i) => S(field.q[i]!, 0, 14) * S(field.rho[i]!, 0.55, 0.95),
        ),
        mm,
      ),
    ),
  archRise: (field, mm) =>
    scaleToPeak(
      field,
      everyCell(
        field,
        (s) => S(s, 0.17, 0.42) * (1 - S(s, 0.44, 0.7)),
        (i, gate) => gate * S(field.u[i]!, 0.1, 0.8),
      ),
      mm,
    ),
}

const negative = (z: Float64Array) => z.map((v) => -v)

/** Height change of one correction at every cell, mm. */
export const correctionChange = (
  field: SoleField,
  correction: Pick<Correction, 'kind' | 'amountMm'>,
): Float64Array => FORMULAS[correction.kind](field, correction.amountMm)

/** Corrects a captured sole in place; what is switched off is left out. */
export function correctCast(field: SoleField, corrections: readonly Correction[]): void {
  for (const correction of corrections) {
    if (!correction.on || correction.amountMm === 0) continue
    const change = correctionChange(field, correction)
    // A wall that moves takes the foot's border along.
    const border =
      correction.kind === 'heelExpansion' ? moveWall(field, correction.amountMm).rho : field.rho
    field.rho.set(border)
    for (let i = 0; i < change.length; i++) field.z[i]! += change[i]!
  }
}
