import { parseWith } from '../record/parse'
import { Refusal } from '../record/refusal'
import { deviceSchema, type Device, type Foot } from '../record/schema'
import { buildShell, type ShellBody } from './bodySolid'
import { buildSolid, type Solid } from './solid'
import { footField, type FootField } from './footField'
import type { AssumedParameter, SoleRows } from './soleParameters'
import type { MakingRows } from './shellMaking'
import { buildSurface, type DeviceSurface } from './surface'

/** A device with no layers and every default. */
export const plainDevice = (): Device => parseWith(deviceSchema, {})

/**
 * The sampled sole of a foot, captured or from its readings; throws a Refusal when there is
 * neither.
 */
export function soleFieldOf(foot: Foot, side: string, rows: SoleRows, stepMm = 1): FootField {
  const found = footField(foot, rows, stepMm)
  if (!found)
    throw new Refusal(
      'no-length',
      `feet.${side}.readings: footLengthMm is needed to draw the sole. Measure the foot length first.`,
      `feet.${side}.readings`,
    )
  return found
}

export interface BuiltDevice {
  device: Device
  surface: DeviceSurface
  body: ShellBody
  solid: Solid
  assumed: AssumedParameter[]
}

/** Everything of one foot's device: surface, shell body and solid, on a 1 mm grid. */
export function buildDevice(foot: Foot, side: string, rows: SoleRows & MakingRows): BuiltDevice {
  const { field, assumed } = soleFieldOf(foot, side, rows)
  const device = foot.device ?? plainDevice()
  const surface = buildSurface(field, device)
  const body = buildShell(surface, device, rows)
  return { device, surface, body, solid: buildSolid(body), assumed }
}
