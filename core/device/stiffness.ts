import type { Device } from '../record/schema'
import { SHELL_MATERIALS, shellMaterial, type ShellMaterial } from './materials'

export const STIFFNESS_CLASSES = ['soft', 'some give', 'stiff', 'very stiff'] as const
export type StiffnessClass = (typeof STIFFNESS_CLASSES)[number]

/** Plate stiffness for each newton of body weight above which a class begins, mm (house limits, own assumption). */
const LIMITS_MM = [2, 6, 16] as const
const USUAL_MASS_KG = 75

/**
 * How stiff a shell feels, by its plate stiffness E·t³/12 against body weight: an estimate of order only, without the shell's shape, its
 * cut-outs and its posts.
 *
 * @param massKg the client's; 75 kg where it was not asked
 * @returns null for a material that the table does not hold
 * @example stiffnessOf(4 mm polypropylene, 75) // { perNewtonMm: 9.4, class: 'stiff' }
 */
export function stiffnessOf(device: Device, massKg: number | undefined, table: readonly ShellMaterial[] = SHELL_MATERIALS): { perNewtonMm: number; class: StiffnessClass; assumedMass: boolean } | null {
  const material = shellMaterial(device.shell.material, table)
  if (!material) return null
  const t = device.shell.graded?.archMm ?? device.shell.thicknessMm
  const perNewtonMm = (material.youngMPa * t ** 3) / 12 / ((massKg ?? USUAL_MASS_KG) * 9.81)
  return { perNewtonMm, class: STIFFNESS_CLASSES[LIMITS_MM.filter((limit) => perNewtonMm >= limit).length]!, assumedMass: massKg === undefined }
}
