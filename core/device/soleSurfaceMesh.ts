import { clipDomain, interpolateOn } from '../geometry/clipDomain'
import type { Mesh } from '../geometry/mesh'
import { BORDER_LIMIT } from './sole'
import type { ShellBody } from './bodySolid'

/**
 * The device's top over the whole plan of the foot as an open surface, for milling: faces look up,
 * heights over the floor that the device stands on, the foot's own frame, mm.
 */
export function soleSurfaceMesh({ surface: { field, top }, floorMm }: ShellBody): Mesh {
  const { lengthMm } = field.sole.parameters
  const inside = new Float64Array(field.z.length)
  for (let i = 0; i < inside.length; i++) {
    const row = Math.floor(i / field.columns)
    const column = i % field.columns
    const near = column >= field.from[row]! && column < field.to[row]!
    inside[i] = near
      ? Math.min((BORDER_LIMIT - field.rho[i]!) * field.reach[i]!, lengthMm - field.y[i]!)
      : -99
  }
  const { points, triangles, ...domain } = clipDomain(field, inside)
  const z = interpolateOn({ points, triangles, ...domain }, top)
  const positions = new Float64Array(z.length * 3)
  for (let i = 0; i < z.length; i++)
    positions.set([points[2 * i]!, points[2 * i + 1]!, z[i]! - floorMm], 3 * i)
  return { positions, triangles }
}
