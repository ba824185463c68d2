import { shellMaterial } from '../device/materialNames'
import type { Norms } from '../record/tables'
import type { ShellMaterial } from '../tables/materials'
import type { ShellBody } from '../device/bodySolid'
import type { SoleField } from '../geometry/soleField'
import { smoothstep as S } from '../geometry/smoothstep'
import { Refusal } from '../record/refusal'
import type { Device } from '../record/schema'
import { usualShellGive } from './contact'
import { archStiffness, type ArchAnswer, type ArchStiffness } from './plate/archStiffness'
import { SHELL_CASE } from './plate/deviceShell'

/** How much a shell gives under the foot, by cell. */
export interface ShellGive {
  byCell: Float64Array
  /** where it comes from, in words */
  from: string
  /** the arch it was reckoned from, where the shell bends */
  arch?: ArchStiffness
}

/** Lays what a mesh does onto the cells of a field: linear over every triangle, 0 beyond. */
export function onCells(
  { shell: { plan } }: Pick<ArchAnswer, 'shell'>,
  byVertex: ArrayLike<number>,
  field: Pick<SoleField, 'columns' | 'rows' | 'x0' | 'y0' | 'stepMm'>,
): Float64Array {
  const { columns, rows, x0, y0, stepMm } = field
  const out = new Float64Array(columns * rows)
  for (const [i, j, k] of plan.triangles) {
    const [a, b, c] = [plan.points[i]!, plan.points[j]!, plan.points[k]!]
    const twice = (b[0] - a[0]) * (c[1] - a[1]) - (c[0] - a[0]) * (b[1] - a[1])
    const cell = (v: number, from: number) => (v - from) / stepMm - 0.5
    const [left, right] = [
      Math.ceil(cell(Math.min(a[0], b[0], c[0]), x0)),
      Math.floor(cell(Math.max(a[0], b[0], c[0]), x0)),
    ]
    const [low, high] = [
      Math.ceil(cell(Math.min(a[1], b[1], c[1]), y0)),
      Math.floor(cell(Math.max(a[1], b[1], c[1]), y0)),
    ]
    for (let r = Math.max(0, low); r <= Math.min(rows - 1, high); r++)
      for (let q = Math.max(0, left); q <= Math.min(columns - 1, right); q++) {
        const [x, y] = [x0 + (q + 0.5) * stepMm, y0 + (r + 0.5) * stepMm]
        const v = ((x - a[0]) * (c[1] - a[1]) - (c[0] - a[0]) * (y - a[1])) / twice
        const w = ((b[0] - a[0]) * (y - a[1]) - (x - a[0]) * (b[1] - a[1])) / twice
        if (v >= -1e-9 && w >= -1e-9 && v + w <= 1 + 1e-9)
          out[r * columns + q] = (1 - v - w) * byVertex[i]! + v * byVertex[j]! + w * byVertex[k]!
      }
  }
  return out
}

/**
 * Give of a shell from its elements: what its arch bends under an even pressure, over that
 * pressure; under heel and front edge it rests and gives nothing.
 *
 * @returns mm/MPa by cell
 */
export function giveOf(answer: ArchAnswer, field: SoleField, massKg: number): Float64Array {
  const pressure = SHELL_CASE.archMPa * (massKg / SHELL_CASE.usualKg)
  const bends = onCells(answer, answer.bendsMm, field)
  return bends.map(
    (b, i) =>
      (Math.max(0, b) / pressure) * S(field.s[i]!, 0.22, 0.4) * (1 - S(field.s[i]!, 0.52, 0.68)),
  )
}

/** Give of a block: it is pressed together over its whole height. */
const blockGive = (body: ShellBody, material: ShellMaterial): Float64Array =>
  body.top.map((z, i) =>
    body.inside[i]! > 0 ? Math.max(0, z - body.floorMm) / material.youngMPa : 0,
  )

/**
 * Give of a device's shell: of its elements, of a block, or the usual one where neither can be
 * reckoned.
 */
export function shellGive(
  body: ShellBody,
  device: Device,
  rows: Pick<Norms, 'shellMaterials'>,
  massKg: number,
  stepMm = 6,
): ShellGive {
  const { field } = body.surface
  const material = shellMaterial(device.shell.material, rows)
  if (material && !material.rigid)
    return {
      byCell: blockGive(body, material),
      from: `a block of ${material.name}, pressed together`,
    }
  try {
    if (material) {
      const answer = archStiffness(body, device, material, { massKg, stepMm })
      return {
        byCell: giveOf(answer, field, massKg),
        from: `${device.shell.thicknessMm} mm ${material.name}, by its elements`,
        arch: answer.stiffness,
      }
    }
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
  }
  return { byCell: usualShellGive(field), from: 'a usual shell; this one could not be reckoned' }
}
