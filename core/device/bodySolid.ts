import { radians } from '../geometry/tilt'
import { smoothstep as S } from '../geometry/smoothstep'
import type { Device } from '../record/schema'
import { lowerOffset, type Offset } from './erode'
import type { SoleField } from '../geometry/soleField'
import type { DeviceSurface } from './surface'
import { trimDevice } from './trim'

/**
 * House settings of how a shell is ground and posted, mm; `share` values are of foot length or half
 * width.
 */
export const SHELL_RULES = {
  /** front edge ground thin over this length, to this share of the thickness */
  bevelMm: 10,
  bevelShare: 0.35,
  /** an extrinsic block keeps this much under the lowest point of the shell */
  postBaseMm: 1,
  /** sides of a block run in over this width */
  draftMm: 2.5,
  /** a rearfoot block: from the heel to this share of length, this wide */
  postLengthShare: 0.24,
  postWidthShare: 0.8,
  /** a forefoot block: this long behind the front edge */
  forefootPostMm: 30,
  /** thinnest the shell may get anywhere */
  leastMm: 0.4,
} as const

/**
 * The body of a device on the working grid: top, underside, floor and where it is cut. All arrays
 * per cell, mm, foot's own frame.
 */
export interface ShellBody {
  surface: DeviceSurface
  /** distance inside the trim line (+), mm */
  inside: Float64Array
  top: Float64Array
  /** underside with posts */
  bottom: Float64Array
  /** underside of the shell alone, before posts are added */
  shellBottom: Float64Array
  /** the underside before it was ground, for the next change to start from */
  offset: Offset
  floorMm: number
  /** y of the front edge on the middle line */
  frontY: number
}

/** Thickness asked at every cell: one number, or blended from heel over arch to the front edge. */
export function thicknessOf(field: SoleField, device: Device): number | Float64Array {
  const { thicknessMm, graded } = device.shell
  if (!graded) return thicknessMm
  const [heel, arch, front] = [
    graded.heelMm ?? thicknessMm,
    graded.archMm ?? thicknessMm,
    graded.frontMm ?? thicknessMm,
  ]
  return field.s.map(
    (s) => heel + (arch - heel) * S(s, 0.22, 0.36) + (front - arch) * S(s, 0.48, 0.64),
  )
}

/**
 * Cuts the shell out of a device surface and gives it thickness: the underside is the top moved by
 * the thickness along the surface, ground thin at the front; posts, lifts and stabilisers are
 * filled down to a flat floor.
 *
 * @param before the body of a moment ago on the same field: what has not changed is taken over, the
 *   answer is the same
 */
export function buildShell(surface: DeviceSurface, device: Device, before?: ShellBody): ShellBody {
  const { field } = surface
  const { inside, front, ...trim } = trimDevice(field, device, surface.top)
  const thickness = thicknessOf(field, device)
  const offset: Offset = {
    top: trim.top,
    inside,
    thickness,
    bottom: lowerOffset(field, trim.top, inside, thickness, before?.offset),
  }
  const shellBottom = offset.bottom.slice()
  const { top: cut } = trim
  for (let i = 0; i < cut.length; i++) {
    if (
      inside[i]! < -3 ||
      (front[i]! >= SHELL_RULES.bevelMm && cut[i]! - shellBottom[i]! >= SHELL_RULES.leastMm)
    )
      continue
    const share =
      SHELL_RULES.bevelShare + (1 - SHELL_RULES.bevelShare) * S(front[i]!, 0, SHELL_RULES.bevelMm)
    shellBottom[i] = Math.min(
      cut[i]! - SHELL_RULES.leastMm,
      cut[i]! - (cut[i]! - shellBottom[i]!) * share,
    )
  }
  const lowestMm = lowestOf(surface, device, inside, shellBottom)
  const top = keptOnFloor(cut, shellBottom, lowestMm)
  const { bottom, floorMm } = addPosts(surface, device, inside, front, shellBottom, lowestMm)
  return {
    surface,
    inside,
    top,
    bottom,
    shellBottom,
    offset,
    floorMm,
    frontY: field.sole.headLineY(0) - device.outline.distal.behindHeadsMm,
  }
}

/**
 * Lowest point of the shell; a corner that an accommodation lets down does not count: it is let
 * down onto the floor, not through it.
 */
function lowestOf(
  { layers }: DeviceSurface,
  device: Device,
  inside: Float64Array,
  shellBottom: Float64Array,
): number {
  const down = layers.filter((l) => device.layers[l.index]!.kind === 'firstRayAccommodation')
  let lowest = Infinity
  for (let i = 0; i < inside.length; i++)
    if (inside[i]! > 0 && shellBottom[i]! < lowest && !down.some((l) => l.change[i]! < 0))
      lowest = shellBottom[i]!
  return lowest
}

/**
 * Grinds flat what would stand below the floor, and keeps the least thickness above it; the top is
 * copied only where that changes it.
 */
function keptOnFloor(cut: Float64Array, shellBottom: Float64Array, floorMm: number): Float64Array {
  let top = cut
  for (let i = 0; i < cut.length; i++)
    if (shellBottom[i]! < floorMm) {
      shellBottom[i] = floorMm
      if (cut[i]! >= floorMm + SHELL_RULES.leastMm) continue
      if (top === cut) top = cut.slice()
      top[i] = floorMm + SHELL_RULES.leastMm
    }
  return top
}

/**
 * Does the underside of the heel stand flat without a post? Mouldable blanks would rock otherwise.
 */
export const isStabilised = (device: Device): boolean =>
  device.heelStabiliser ?? device.kind === 'heat-moulded'

/**
 * Fills the space under posts, lifts and stabilisers down to the floor: the lowest point of the
 * shell, less the base of a block.
 */
function addPosts(
  surface: DeviceSurface,
  device: Device,
  inside: Float64Array,
  front: Float64Array,
  shellBottom: Float64Array,
  lowestMm: number,
) {
  const { field } = surface
  const rear = device.posts.filter(
    (p) => p.at === 'rearfoot' && p.style === 'extrinsic' && p.angleDeg !== 0,
  )
  const fore = device.posts.filter(
    (p) => p.at === 'forefoot' && p.style === 'extrinsic' && p.angleDeg !== 0,
  )
  const block = rear.length > 0 || device.heelLiftMm > 0
  const filled = block || isStabilised(device)
  const floorMm = lowestMm - (block || fore.length > 0 ? SHELL_RULES.postBaseMm : 0)
  const bottom = shellBottom.slice()
  const rearMm =
    Math.max(0, ...rear.map((p) => p.lengthMm ?? 0)) ||
    SHELL_RULES.postLengthShare * field.sole.parameters.lengthMm
  const foreMm = Math.max(0, ...fore.map((p) => p.lengthMm ?? 0)) || SHELL_RULES.forefootPostMm
  // Motion: the base stands on its outer part and its inner part is ground up, so that the heel can
  // roll in so far.
  const motion = Math.tan(radians(Math.max(0, ...rear.map((p) => p.motionDeg ?? 0))))
  for (let i = 0; i < bottom.length; i++) {
    if (inside[i]! < -3) continue
    const width = (SHELL_RULES.postWidthShare - field.rho[i]!) * field.reach[i]!
    const underHeel = filled ? Math.min(width, rearMm - field.y[i]!) : -1
    const underFront = fore.length > 0 ? Math.min(width, foreMm - front[i]!, front[i]!) : -1
    const w = Math.min(1, Math.max(0, Math.max(underHeel, underFront) / SHELL_RULES.draftMm + 0.5))
    if (w === 0) continue
    const base =
      underHeel >= underFront
        ? Math.min(bottom[i]!, floorMm + motion * Math.max(0, field.x[i]!))
        : floorMm
    bottom[i] = bottom[i]! + w * (base - bottom[i]!)
  }
  return { bottom, floorMm }
}
