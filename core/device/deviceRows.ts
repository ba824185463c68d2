import type { Norms } from '../record/tables'
import type { MaterialRows } from './materialNames'
import type { SoleRows } from './soleParameters'

/** The rows a device is built, named and filed by. */
export type DeviceRows = SoleRows & MaterialRows

/** Those rows of a fitting's table, for whoever hands them on and need not carry the rest. */
export const deviceRows = ({
  widthPerLength,
  assumedShape,
  shellMaterials,
  coverMaterials,
}: Norms): DeviceRows => ({ widthPerLength, assumedShape, shellMaterials, coverMaterials })
