import { smoothstep as S } from '../geometry/smoothstep'
import type { Device } from '../record/schema'
import { BORDER_LIMIT } from './sole'
import type { SoleField } from './soleField'
import { postAngleDeg, type DeviceSurface } from './surface'

/** House settings of how a shell is cut and posted, mm; `share` values are of foot length or half width. */
export const SHELL_RULES = {
  /** rim beyond the foot's border, as a share of the shell's thickness, and its largest width */
  lipShare: 0.8,
  lipMaxMm: 4,
  /** front edge ground thin over this length, to this share of the thickness */
  bevelMm: 10,
  bevelShare: 0.35,
  /** an extrinsic block keeps this much under the lowest point of the shell */
  postBaseMm: 1,
  /** a rearfoot block: from the heel to this share of length, this wide */
  postLengthShare: 0.24,
  postWidthShare: 0.8,
  /** a forefoot block: this long behind the front edge */
  forefootPostMm: 30,
  /** thinnest the shell may get anywhere */
  leastMm: 0.4,
} as const

/** The body of a device on the working grid: top, underside, floor and where it is cut. All arrays per cell, mm, foot's own frame. */
export interface ShellBody {
  surface: DeviceSurface
  /** distance inside the trim line (+), mm */
  inside: Float64Array
  top: Float64Array
  /** underside with posts */
  bottom: Float64Array
  /** underside of the shell alone, before posts are added */
  shellBottom: Float64Array
  floorMm: number
  /** y of the front edge on the middle line */
  frontY: number
}

/**
 * Shares of the half width at which the shell is cut so that the cup is as deep as asked: the border of the foot is itself the wall,
 * and a cup deeper than the foot's border reaches is made by raising the rim.
 */
function trimAt(field: SoleField, device: Device) {
  const { sole } = field
  const cup = device.outline.heelCupMm
  const reach = sole.borderHeight(0.1, BORDER_LIMIT)
  return {
    limit: (s: number) => sole.borderShare(s, cup + 40 * S(s, 0.2, 0.36)),
    raise: (s: number) => Math.max(0, cup - reach) * (1 - S(s, 0.22, 0.36)),
  }
}

/**
 * Cuts the shell out of a device surface and gives it thickness: the underside is the top moved by the thickness along the surface
 * (grey-scale erosion by a ball, exact for planes and free of self-overlap), ground thin at the front; extrinsic posts and lifts are filled
 * down to a flat floor.
 */
export function buildShell(surface: DeviceSurface, device: Device): ShellBody {
  const { field } = surface
  const size = field.z.length
  const thickness = device.shell.thicknessMm
  const lip = Math.min(SHELL_RULES.lipMaxMm, SHELL_RULES.lipShare * thickness)
  const trim = trimAt(field, device)
  const inside = new Float64Array(size)
  const top = new Float64Array(size)
  const front = new Float64Array(size)
  inside.fill(-99)
  for (let row = 0; row < field.rows; row++) {
    const first = row * field.columns
    const s = field.s[first]!
    const limit = trim.limit(s)
    const raise = trim.raise(s)
    const rimHeight = field.sole.borderHeight(s, limit)
    for (let i = first; i < first + field.columns; i++) {
      top[i] = surface.top[i]!
      front[i] = -device.outline.distal.behindHeadsMm - field.q[i]!
      const column = i - first
      if (column < field.from[row]! || column >= field.to[row]!) continue
      const rho = field.rho[i]!
      inside[i] = Math.min((limit - rho) * field.reach[i]! + lip, front[i]!)
      // Beyond the trim line the rim runs level, where the foot's own border would go on rising.
      if (rho > limit) top[i]! += rimHeight - field.sole.borderHeight(s, rho)
      if (raise > 0) top[i]! += raise * S(rho, limit - 0.02, limit)
    }
  }
  const shellBottom = erode(field, top, inside, thickness)
  for (let i = 0; i < size; i++) {
    if (inside[i]! < -3) continue
    const share = SHELL_RULES.bevelShare + (1 - SHELL_RULES.bevelShare) * S(front[i]!, 0, SHELL_RULES.bevelMm)
    shellBottom[i] = Math.min(top[i]! - SHELL_RULES.leastMm, top[i]! - (top[i]! - shellBottom[i]!) * share)
  }
  const { bottom, floorMm } = addPosts(surface, device, inside, front, shellBottom)
  return { surface, inside, top, bottom, shellBottom, floorMm, frontY: field.sole.headLineY(0) - device.outline.distal.behindHeadsMm }
}

/** Underside: at every cell the lowest point of balls of the shell's thickness hung under the cells inside the trim line. */
function erode(field: SoleField, top: Float64Array, inside: Float64Array, thickness: number): Float64Array {
  const { columns, rows, stepMm } = field
  const radius = Math.floor(thickness / stepMm)
  const offsets: { dx: number; dy: number; drop: number }[] = []
  for (let dy = -radius; dy <= radius; dy++)
    for (let dx = -radius; dx <= radius; dx++) {
      const d2 = (dx * dx + dy * dy) * stepMm * stepMm
      if (d2 <= thickness * thickness) offsets.push({ dx, dy, drop: Math.sqrt(thickness * thickness - d2) })
    }
  const near = offsets.map(({ dx, dy }) => dy * columns + dx)
  const drops = offsets.map((o) => o.drop)
  const out = new Float64Array(top.length)
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      const i = row * columns + column
      let low = top[i]! - thickness
      if (inside[i]! > -1.5 * stepMm) {
        const safe = row >= radius && row < rows - radius && column >= radius && column < columns - radius
        for (let k = 0; k < near.length; k++) {
          if (!safe && (column + offsets[k]!.dx < 0 || column + offsets[k]!.dx >= columns || row + offsets[k]!.dy < 0 || row + offsets[k]!.dy >= rows)) continue
          const j = i + near[k]!
          const z = top[j]! - drops[k]!
          if (z < low && inside[j]! > 0) low = z
        }
      }
      out[i] = low
    }
  return out
}

/** Fills the space under posts and lifts down to the floor; the floor is the lowest point of the shell, less the block's base. */
function addPosts(surface: DeviceSurface, device: Device, inside: Float64Array, front: Float64Array, shellBottom: Float64Array) {
  const { field } = surface
  let lowest = Infinity
  for (let i = 0; i < inside.length; i++) if (inside[i]! > 0 && shellBottom[i]! < lowest) lowest = shellBottom[i]!
  const rearBlock = device.posts.some((p) => p.at === 'rearfoot' && p.style === 'extrinsic' && p.angleDeg !== 0) || device.heelLiftMm > 0
  const frontBlock = device.posts.some((p) => p.at === 'forefoot' && p.style === 'extrinsic' && p.angleDeg !== 0)
  const floorMm = lowest - (rearBlock || frontBlock ? SHELL_RULES.postBaseMm : 0)
  const bottom = Float64Array.from(shellBottom)
  const postLength = SHELL_RULES.postLengthShare * field.sole.parameters.lengthMm
  for (let i = 0; i < bottom.length; i++) {
    const width = (SHELL_RULES.postWidthShare - field.rho[i]!) * field.reach[i]!
    const rear = rearBlock ? Math.min(width, postLength - field.y[i]!) : -1
    const fore = frontBlock ? Math.min(width, SHELL_RULES.forefootPostMm - front[i]!, front[i]!) : -1
    const w = Math.min(1, Math.max(0, Math.max(rear, fore) + 0.5))
    if (w > 0) bottom[i] = bottom[i]! + w * (floorMm - bottom[i]!)
  }
  return { bottom, floorMm }
}

/** Height of an extrinsic post across the heel, mm: heel width × tan(angle). @example rearfootPostHeightMm(65, 4) // 4.55 */
export const rearfootPostHeightMm = (heelWidthMm: number, angleDeg: number): number => heelWidthMm * Math.tan((Math.abs(angleDeg) * Math.PI) / 180)

/** Has the device a block under the heel? */
export const hasRearBlock = (device: Device): boolean => postAngleDeg(device, 'rearfoot', 'extrinsic') !== 0 || device.heelLiftMm > 0
