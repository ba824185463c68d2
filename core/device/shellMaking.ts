import type { Device } from '../record/schema'
import type { Norms } from '../record/tables'
import { isBlankKind } from '../tables/blanks'
import type { ShellMaking } from '../tables/materials'
import { shellMaterial } from './materialNames'

/** The rows that decide how a shell is made. */
export type MakingRows = Pick<Norms, 'shellMaterials'>

/** How a shell is made, and how thin it may get, mm; null: never thinner than it was laid. */
export interface MadeShell {
  /** `blank`: it came off the shelf, there is no positive, and hollows are ground into it */
  way: ShellMaking | 'blank'
  leastMm: number | null
}

/** A material that no table knows is taken for a sheet that is pressed, mm. */
const UNKNOWN: MadeShell = { way: 'pressed', leastMm: 1.5 }

/**
 * How the shell of a device is made: as its blank was, as the device says, else as is usual for its material.
 * For instance a plain device of the house is pressed and keeps 1.5 mm.
 */
export function madeOf({ kind, blank, shell }: Device, rows: MakingRows): MadeShell {
  const material = shellMaterial(shell.material, rows)
  const usual = material ? { way: material.making, leastMm: material.leastMm } : UNKNOWN
  if (isBlankKind(kind) && blank?.shape) return { ...usual, way: 'blank' }
  return { ...usual, way: shell.making ?? usual.way }
}
