import type { Device } from '../record/schema'
import type { ShellBody } from './bodySolid'
import { shellMaterial } from './materialNames'
import type { MakingRows } from './shellMaking'
import type { Solid } from './solid'

const MM3_PER_CM3 = 1000

/**
 * What a device weighs without its cover, g: every part by its own material, a post without one by the
 * shell's. Null where the table does not know a material.
 */
export function massG(
  body: ShellBody,
  solid: Pick<Solid, 'report' | 'glued'>,
  device: Device,
  rows: MakingRows,
): number | null {
  const densityOf = (id: string) => shellMaterial(id, rows)?.densityGPerCm3
  const shell = densityOf(device.shell.material)
  if (shell === undefined) return null
  const ofPost = (post: number | null) => {
    const material = post === null ? undefined : device.posts[post]!.material
    return material === undefined ? shell : densityOf(material)
  }
  let mass = solid.report.volumeMm3 * shell
  for (const [k, block] of body.blocks.entries()) {
    const density = ofPost(block.post)
    if (density === undefined) return null
    const glued = solid.glued.find((g) => g.post === block.post)
    mass +=
      block.glued && glued
        ? glued.report.volumeMm3 * density
        : blockVolumeMm3(body, k) * (density - shell)
  }
  return mass / MM3_PER_CM3
}

/** Volume between the shell and the base of one of its blocks, mm³. */
function blockVolumeMm3(body: ShellBody, block: number): number {
  const { stepMm } = body.surface.field
  let sum = 0
  for (let i = 0; i < body.bottom.length; i++)
    if (body.blockOf[i] === block && body.inside[i]! > 0)
      sum += body.shellBottom[i]! - body.bottom[i]!
  return sum * stepMm ** 2
}
