import { LAYERS, type AnyLayerKind } from '../kinds/layers/all'
import { smoothstep as S } from '../geometry/smoothstep'
import type { Device } from '../record/schema'
import { lowerOffset, type Offset } from './erode'
import type { SoleField } from '../geometry/soleField'
import type { DeviceSurface } from './surface'
import { setOnBelow, type Block } from './blocks'
import { SHELL_RULES } from './shellRules'
import { madeOf, type MakingRows } from './shellMaking'
import { floorUnder, groundToFloor, hollowed, without } from './thinned'
import { trimDevice } from './trim'

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
  /** 1 where the underside is the base of a post, a lift or a stabiliser */
  isBase: Uint8Array
  /** what is set on below, and which of it fills a cell; −1 where nothing does */
  blocks: Block[]
  blockOf: Int8Array
  /** top and underside of the shell alone, without what lies on it and what is set below it */
  shellTop: Float64Array
  shellBottom: Float64Array
  /**
   * how much higher the shell's top stays than its layers ask, where it would get too thin or come
   * through the floor, mm; null where nowhere
   */
  missed: Float64Array | null
  /** 1 at the front edge, which is ground thin */
  isFeather: Uint8Array
  /** of the sheet as it was laid, mm */
  thickness: number | Float64Array
  /** the underside before it was ground, for the next change to start from */
  offset: Offset
  /** the same without what goes down to the floor; null where nothing does */
  level: Offset | null
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
 * A hollow is cut into the shell: where it is milled or printed the underside stays, where a sheet is
 * pressed it follows and is ground off below the floor. What lies on the shell leaves its underside alone.
 *
 * @param before the body of a moment ago on the same field: what has not changed is taken over, the
 *   answer is the same
 */
export function buildShell(
  surface: DeviceSurface,
  device: Device,
  rows: MakingRows,
  before?: ShellBody,
): ShellBody {
  const { field } = surface
  const { inside, front, ...trim } = trimDevice(field, device, surface.top)
  const thickness = thicknessOf(field, device)
  const { way, leastMm } = madeOf(device, rows)
  const lying = (lies: AnyLayerKind['lies']) =>
    surface.layers.filter(({ kind }) => LAYERS.of(kind).lies === lies)
  const [onTop, hollows] = [lying('on the shell'), lying('hollow')]
  const asked = without(trim.top, onTop)
  // A sheet that is pressed follows the hollows of its positive; elsewhere the underside stays.
  const followed = way === 'pressed' ? asked : without(asked, hollows)
  const offsetOf = (top: Float64Array, known?: Offset): Offset => ({
    top,
    inside,
    thickness,
    bottom: lowerOffset(field, top, inside, thickness, known),
  })
  const offset = offsetOf(followed, before?.offset)
  const bottomOf = (o: Offset) => groundThin(o.top, inside, front, o.bottom)
  const goesDown = surface.layers.filter(
    (l) => l.kind === 'firstRayAccommodation' || (way === 'pressed' && hollows.includes(l)),
  )
  const level =
    goesDown.length > 0 ? offsetOf(without(followed, goesDown), before?.level ?? undefined) : null
  const sheet = groundToFloor(
    { top: followed, bottom: bottomOf(offset) },
    level && floorUnder(field, inside, bottomOf(level)),
    leastMm,
  )
  const shell =
    followed === asked
      ? sheet
      : // What was ground to the floor stays there.
        hollowed(sheet, lowered(sheet.top, asked, followed), leastMm)
  const top = onTop.length > 0 ? shell.top.map((z, i) => z + trim.top[i]! - asked[i]!) : shell.top
  const { isBase, blockOf, blocks, ...posted } = setOnBelow(
    surface,
    device,
    inside,
    front,
    shell.bottom,
    rows,
  )
  const bottom = filledBelow(field, device, inside, posted.bottom)
  return {
    surface,
    inside,
    top,
    bottom,
    isBase,
    blockOf,
    blocks,
    shellTop: shell.top,
    shellBottom: shell.bottom,
    missed: shell.top === asked ? null : shell.top.map((z, i) => z - asked[i]!),
    isFeather: Uint8Array.from(front, (mm) => (mm < SHELL_RULES.bevelMm ? 1 : 0)),
    thickness,
    offset,
    level,
    floorMm: lowestOf(inside, bottom),
    frontY: field.sole.headLineY(0) - device.outline.distal.behindHeadsMm,
  }
}

/** A top with what hollows take from it, mm. */
const lowered = (top: Float64Array, asked: Float64Array, followed: Float64Array): Float64Array =>
  top.map((z, i) => z + asked[i]! - followed[i]!)

/** An underside with what fills the hollow between it and the floor that it stands on, mm. */
function filledBelow(
  field: SoleField,
  device: Device,
  inside: Float64Array,
  bottom: Float64Array,
): Float64Array {
  const fills = device.layers.flatMap((layer) => {
    const { fillsBelowMm } = LAYERS.of(layer.kind)
    return layer.on && fillsBelowMm
      ? [(i: number, hollowMm: number) => fillsBelowMm(field, layer, i, hollowMm)]
      : []
  })
  const floor = fills.length > 0 ? floorUnder(field, inside, bottom) : null
  if (!floor) return bottom
  return bottom.map((z, i) => {
    const hollowMm = Math.max(0, z - floor(i))
    return z - Math.max(...fills.map((fill) => fill(i, hollowMm)))
  })
}

/** Lowest point of the shell, mm. */
function lowestOf(inside: Float64Array, shellBottom: Float64Array): number {
  let lowest = Infinity
  for (let i = 0; i < inside.length; i++)
    if (inside[i]! > 0 && shellBottom[i]! < lowest) lowest = shellBottom[i]!
  return lowest
}

/** The underside with the front edge ground thin, mm. */
function groundThin(
  cut: Float64Array,
  inside: Float64Array,
  front: Float64Array,
  underside: Float64Array,
): Float64Array {
  const { bevelMm, bevelShare, leastMm } = SHELL_RULES
  const out = underside.slice()
  for (let i = 0; i < cut.length; i++) {
    if (inside[i]! < -3 || (front[i]! >= bevelMm && cut[i]! - out[i]! >= leastMm)) continue
    const share = bevelShare + (1 - bevelShare) * S(front[i]!, 0, bevelMm)
    out[i] = Math.min(cut[i]! - leastMm, cut[i]! - (cut[i]! - out[i]!) * share)
  }
  return out
}
