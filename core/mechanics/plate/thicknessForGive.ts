import type { ShellMaterial } from '../../tables/materials'
import { buildShell } from '../../device/bodySolid'
import type { DeviceSurface } from '../../device/surface'
import type { Device } from '../../record/schema'
import { findAmount } from '../findAmount'
import { archStiffness, type ArchAnswer } from './archStiffness'

/** A shell is looked for within these shares of what is usual in its material. */
const SHARES = [0.6, 1.6] as const
const SEARCH_MM = 6
/** Near enough, as a share of the give asked. */
const NEAR = 0.02

export interface ThicknessForGive {
  thicknessMm: number
  giveMm: number
  archStiffnessNPerMm: number
  reached: boolean
  /** thinnest and thickest looked at, mm */
  between: [number, number]
}

/**
 * Which thickness gives this give: the arch's mean deflection under standing, times a factor for
 * the activity. The shell is built anew at every thickness; grading is left out (one thickness
 * everywhere).
 *
 * @param giveMm asked
 * @param factor of the activity on the force
 * @param onShell called after every shell that was looked at
 */
export function thicknessForGive(
  surface: DeviceSurface,
  device: Device,
  material: ShellMaterial,
  giveMm: number,
  {
    massKg = 75,
    factor = 1,
    onShell,
  }: { massKg?: number; factor?: number; onShell?: () => void } = {},
): ThicknessForGive {
  const [low, high] = [SHARES[0] * material.usualMm[0], SHARES[1] * material.usualMm[1]]
  let from: ArchAnswer | undefined
  const known = new Map<number, { give: number; k: number }>()
  const at = (logMm: number) => {
    const thicknessMm = Math.exp(logMm)
    const plain: Device = { ...device, shell: { ...device.shell, thicknessMm, graded: undefined } }
    const answer = archStiffness(
      buildShell(surface, plain, { shellMaterials: [material] }),
      plain,
      material,
      {
        massKg,
        stepMm: SEARCH_MM,
        from,
      },
    )
    from = answer
    onShell?.()
    const found = {
      give: answer.stiffness.meanDeflectionMm * factor,
      k: answer.stiffness.archStiffnessNPerMm,
    }
    known.set(logMm, found)
    return Math.log(found.give)
  }
  // Give falls with about the square of the thickness: a straight line in logarithms.
  const found = findAmount(at, Math.log(giveMm), [Math.log(low), Math.log(high)], NEAR)
  const there = known.get(found.amount)!
  return {
    thicknessMm: Math.exp(found.amount),
    giveMm: there.give,
    archStiffnessNPerMm: there.k,
    reached: found.reached,
    between: [low, high],
  }
}
