import { plainDevice, soleFieldOf } from '../../device/buildDevice'
import { shellMaterial } from '../../device/materialNames'
import { buildShell } from '../../device/bodySolid'
import { blankRefusal } from '../../device/blanks'
import { buildSurface } from '../../device/surface'
import { normsOf } from '../../record/tables'
import { Refusal } from '../../record/refusal'
import type { Foot, FittingRecord } from '../../record/schema'
import type { Side } from '../../tables/vocabulary'
import { archStiffness, SHELL_IGNORES, SHELL_LABEL } from './archStiffness'
import { comfortOf, forceOf } from './comfort'

/** Body weight taken where it was not asked, kg. */
export const USUAL_KG = 75

/**
 * Arch stiffness, deflection and strain of a record's device.
 *
 * @param stepMm edge of the mesh
 * @throws Refusal `shell-not-bent`, `no-blank`, `shell-too-small`, `no-material` or `no-length`
 */
export function shellReport(record: FittingRecord, side: Side, stepMm = 4) {
  const foot = record.feet[side] as Foot
  const device = foot.device ?? plainDevice()
  const noBlank = blankRefusal(device)
  if (noBlank) throw new Refusal('no-blank', noBlank, `feet.${side}.device.blank`)
  const norms = normsOf(record)
  const material = shellMaterial(device.shell.material, norms)
  if (!material)
    throw new Refusal(
      'no-material',
      `feet.${side}.device.shell.material: the table has no material "${device.shell.material}". Add it with its modulus in Settings.`,
      `feet.${side}.device.shell.material`,
    )
  const { field } = soleFieldOf(foot, side, norms)
  const massKg = record.client?.massKg ?? USUAL_KG
  const { stiffness } = archStiffness(
    buildShell(buildSurface(field, device), device, norms),
    device,
    material,
    { massKg, stepMm, range: true },
  )
  const force = forceOf(record)
  return {
    label: SHELL_LABEL,
    ignores: SHELL_IGNORES,
    material: material.name,
    thicknessMm: device.shell.thicknessMm,
    ...stiffness,
    comfort: {
      ...comfortOf(stiffness.archStiffnessNPerMm, stiffness.forceN, force, norms),
      force,
      ...(record.client?.massKg === undefined && { assumedKg: USUAL_KG }),
    },
  }
}
