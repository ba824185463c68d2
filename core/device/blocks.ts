import { radians } from '../geometry/tilt'
import type { PostHalf } from '../kinds/posts/definition'
import type { Device } from '../record/schema'
import type { SoleField } from '../geometry/soleField'
import { forefootBase } from './forefootPost'
import { shellMaterial } from './materialNames'
import type { MakingRows } from './shellMaking'
import { SHELL_RULES } from './shellRules'
import { STANDING } from './stands'
import { liftMm, liftUnderShellMm, postAngleDeg, type DeviceSurface } from './surface'

/** Far outside of every block, mm. */
const NOWHERE_MM = -99

/** What is set on below a shell: one of its posts, the wedge of its lift, or a heel ground flat. */
export interface Block {
  /** which of the device's posts it is; null for lift and stabiliser */
  post: number | null
  at: 'rearfoot' | 'forefoot'
  /** distance inside its plan at a cell (+), mm */
  under: (i: number) => number
  motionDeg: number
  /** a body of its own, that is glued on */
  glued: boolean
  /** modulus of its own material; null where it has none, or none that is known */
  youngMPa: number | null
  /** from the heel, or behind the front edge, mm */
  lengthMm: number
}

/** An underside with all that is set on below it. */
export interface Posted {
  bottom: Float64Array
  /** 1 where the underside is the base of a block */
  isBase: Uint8Array
  /** which of the blocks fills a cell; −1 where none does */
  blockOf: Int8Array
  blocks: Block[]
}

/**
 * Does the underside of the heel stand flat without a post? Mouldable blanks would rock otherwise.
 */
export const isStabilised = (device: Device): boolean =>
  device.heelStabiliser ?? device.kind === 'heat-moulded'

/** How far the wedge of a lift reaches from the heel: to the front edge, or as long as was stated, mm. */
function liftLengthMm({ field }: DeviceSurface, device: Device): number {
  const { lengthMm } = field.sole.parameters
  const toFrontMm = field.sole.headLineY(0) - device.outline.distal.behindHeadsMm
  const { liftTaperMm } = device
  return liftTaperMm === undefined
    ? toFrontMm
    : Math.min(toFrontMm, STANDING.heelShare * lengthMm + liftTaperMm)
}

/** What the extrinsic forefoot posts leave of the angle that the shell has without them, degrees. */
function forefootLeftDeg({ field }: DeviceSurface, device: Device): number {
  const own = field.sole.parameters.forefootDeg
  const byShape = device.layers.reduce(
    (sum, l) => (l.on && l.kind === 'intrinsicForefootPost' ? sum + (l.angleDeg ?? own) : sum),
    0,
  )
  return own - byShape - postAngleDeg(device, 'forefoot')
}

/** How steeply a level floor rises from what the heel stands on to where the front touches it. */
function slopeToFront(
  field: SoleField,
  inside: Float64Array,
  shellBottom: Float64Array,
  heel: { yMm: number; zMm: number },
  behindMm: number,
): number {
  let least = Infinity
  for (let i = 0; i < inside.length; i++)
    if (inside[i]! > 0 && field.y[i]! > behindMm)
      least = Math.min(least, (shellBottom[i]! - heel.zMm) / (field.y[i]! - heel.yMm))
  return Number.isFinite(least) ? least : 0
}

/** The lowest point of the heel of a shell, mm. */
function heelPoint(field: SoleField, inside: Float64Array, shellBottom: Float64Array) {
  const endY = STANDING.heelShare * field.sole.parameters.lengthMm
  let found = -1
  for (let i = 0; i < inside.length; i++)
    if (
      inside[i]! > 0 &&
      field.y[i]! < endY &&
      (found < 0 || shellBottom[i]! < shellBottom[found]!)
    )
      found = i
  return found < 0
    ? { xMm: 0, yMm: 0, zMm: 0 }
    : { xMm: field.x[found]!, yMm: field.y[found]!, zMm: shellBottom[found]! }
}

/** How far a cell lies on the side that a half stands under, mm. */
const onHalf = ({ x }: SoleField, half: PostHalf | undefined, i: number): number =>
  half === 'medial' ? x[i]! : half === 'lateral' ? -x[i]! : Infinity

/** All that is set on below a shell: rearfoot posts, lift, stabiliser, forefoot posts. */
function blocksOf(
  surface: DeviceSurface,
  device: Device,
  front: Float64Array,
  rows: MakingRows,
): Block[] {
  const { field } = surface
  const sides = (i: number) => (SHELL_RULES.postWidthShare - field.rho[i]!) * field.reach[i]!
  const usualMm = SHELL_RULES.postLengthShare * field.sole.parameters.lengthMm
  const youngOf = (post: number | null) => {
    const material = post === null ? undefined : device.posts[post]!.material
    return (material && shellMaterial(material, rows)?.youngMPa) || null
  }
  const rear = (
    post: number | null,
    lengthMm: number,
    half: PostHalf | undefined,
    motionDeg: number,
  ): Block => ({
    post,
    at: 'rearfoot',
    lengthMm,
    motionDeg,
    youngMPa: youngOf(post),
    glued: post !== null && device.posts[post]!.glued === true,
    under: (i) => Math.min(sides(i), lengthMm - field.y[i]!, onHalf(field, half, i)),
  })
  const extrinsic = [...device.posts.entries()].filter(([, p]) => p.style === 'extrinsic')
  const blocks = extrinsic.flatMap(([index, p]): Block[] => {
    if (p.at === 'rearfoot')
      // One of 0° is a flat block: it steadies.
      return [rear(index, p.lengthMm ?? usualMm, p.half, p.motionDeg ?? 0)]
    if (p.angleDeg === 0) return []
    const lengthMm = p.lengthMm ?? SHELL_RULES.forefootPostMm
    // Kept with the block: the next device that is cut writes over it.
    const ahead = front.slice()
    const under = (i: number) =>
      Math.min(sides(i), lengthMm - ahead[i]!, ahead[i]!, onHalf(field, p.half, i))
    const youngMPa = youngOf(index)
    return [
      {
        post: index,
        at: 'forefoot',
        lengthMm,
        youngMPa,
        motionDeg: 0,
        glued: p.glued === true,
        under,
      },
    ]
  })
  if (liftUnderShellMm(device) > 0)
    blocks.push(rear(null, liftLengthMm(surface, device), device.heelLift?.half, 0))
  if (isStabilised(device)) blocks.push(rear(null, usualMm, undefined, 0))
  return blocks
}

/**
 * Fills the space under posts, lifts and stabilisers down to what they stand on. A heel's base runs on
 * to the front edge, so that both lie on the floor together.
 *
 * @param front distance behind the front edge (+), mm
 */
export function setOnBelow(
  surface: DeviceSurface,
  device: Device,
  inside: Float64Array,
  front: Float64Array,
  shellBottom: Float64Array,
  rows: MakingRows,
): Posted {
  const { field } = surface
  const blocks = blocksOf(surface, device, front, rows)
  const bottom = shellBottom.slice()
  const isBase = new Uint8Array(bottom.length)
  const blockOf = new Int8Array(bottom.length).fill(-1)
  if (blocks.length === 0) return { bottom, isBase, blockOf, blocks }
  const heel = heelPoint(field, inside, shellBottom)
  const posted = blocks.some((b) => b.at === 'rearfoot' && b.post !== null)
  const rearBlocks = blocks.filter((b) => b.at === 'rearfoot')
  const rearMm = Math.max(0, ...rearBlocks.map((b) => b.lengthMm))
  // What stood on the floor before the lift stands so much higher now: its wedge fills that.
  const baseMm = heel.zMm - liftMm(field, device, heel.yMm) - (posted ? SHELL_RULES.postBaseMm : 0)
  const along = slopeToFront(field, inside, shellBottom, { yMm: heel.yMm, zMm: baseMm }, rearMm)
  const heelBase = (y: number) => baseMm + along * (y - heel.yMm)
  const fore = blocks.filter((b) => b.at === 'forefoot')
  const foreBase =
    fore.length > 0 &&
    forefootBase(
      field,
      forefootLeftDeg(surface, device),
      rearBlocks.length > 0 ? { xMm: 0, yMm: rearMm, zMm: heelBase(rearMm) } : heel,
      (i) => inside[i]! >= -3 && fore.some((b) => b.under(i) > 0),
      shellBottom,
    )
  for (let i = 0; i < bottom.length; i++) {
    if (inside[i]! < -3) continue
    let best = -1
    let most = NOWHERE_MM
    blocks.forEach((b, k) => {
      const under = b.under(i)
      if (under > most) [best, most] = [k, under]
    })
    const w = Math.min(1, Math.max(0, most / SHELL_RULES.draftMm + 0.5))
    if (w === 0) continue
    const block = blocks[best]!
    // Motion: the base stands on its outer part and its inner part is ground up, so that the heel can
    // roll in so far.
    const raisedMm = Math.tan(radians(block.motionDeg)) * Math.max(0, field.x[i]!)
    const base =
      block.at === 'rearfoot'
        ? heelBase(field.y[i]!) + raisedMm
        : foreBase
          ? foreBase.heightMm(i)
          : bottom[i]!
    bottom[i] = bottom[i]! + w * (Math.min(bottom[i]!, base) - bottom[i]!)
    blockOf[i] = best
    // What motion has ground up is not meant to touch.
    if (w === 1 && raisedMm === 0) isBase[i] = 1
  }
  return { bottom, isBase, blockOf, blocks }
}
