import { platformChange } from '../kinds/layers/intrinsicForefootPost'
import { LAYERS, type Layer, type LayerKind } from '../kinds/layers/all'
import { radians } from '../geometry/tilt'
import { peakOf } from '../geometry/grid'
import { scratch } from '../geometry/scratch'
import { blankTop } from './blankTop'
import { invertedCast } from './invertedCast'
import { smoothstep as S } from '../geometry/smoothstep'
import type { Device } from '../record/schema'
import type { SoleField } from '../geometry/soleField'

/** What one layer was asked to do, and what it does. */
export interface LayerResult {
  kind: LayerKind
  /** which of the device's layers it is */
  index: number
  askedMm: number
  peakMm: number
  at: { xMm: number; yMm: number } | null
  /** signed height change per cell, mm */
  change: Float64Array
}

/** The top of a device over its sole, all heights in the foot's own frame, mm. */
export interface DeviceSurface {
  field: SoleField
  /** the foot's sole, whatever the device is built on */
  cast: Float64Array
  /** the device's top, where the foot (or its cover) lies */
  top: Float64Array
  /** in the order in which they acted */
  layers: LayerResult[]
  /** tilt added by posts, heel, degrees (+ varus) */
  rearfootTiltDeg: number
}

/** Sum of the angles of the posts at a place and of a style, degrees. */
export const postAngleDeg = (
  device: Device,
  at: 'rearfoot' | 'forefoot',
  style?: 'extrinsic' | 'intrinsic',
): number =>
  device.posts
    .filter((p) => p.at === at && (style === undefined || p.style === style))
    .reduce((sum, p) => sum + p.angleDeg, 0)

/** What a heel lift raises below the shell, mm; one in the cover raises nothing there. */
export const liftUnderShellMm = ({ heelLiftMm, heelLift }: Device): number =>
  heelLift?.in === 'cover' ? 0 : heelLiftMm

/** Where a heel lift is as high as it is asked, share of the length. */
const LIFT_SHARE = 0.14

/**
 * How much a heel lift raises a place, mm: the shell is turned, unchanged, about a line straight across
 * the middle of its front edge.
 */
export function liftMm(field: SoleField, device: Device, y: number): number {
  const mm = liftUnderShellMm(device)
  if (mm === 0) return 0
  const frontY = field.sole.headLineY(0) - device.outline.distal.behindHeadsMm
  const heelY = LIFT_SHARE * field.sole.parameters.lengthMm
  return mm * (Math.max(0, frontY - y) / (frontY - heelY))
}

/**
 * Height that balance and posts add at every cell: the cast's own angle and intrinsic rearfoot
 * posts by rotating the heel of the cast (faded out at s .30–.50), extrinsic rearfoot posts (s
 * .28–.60), heel lift (the whole shell pitched). A forefoot post leaves the top as it is: its wedge lies
 * below.
 */
function tiltOf(field: SoleField, device: Device): Float64Array {
  const tan = (deg: number) => Math.tan(radians(deg))
  // Angles of stacked wedges on one heel add as angles, not as slopes: one rotation per gate, so
  // that 2° intrinsic + 2° extrinsic is 4°.
  const cast = device.balance.pourDeg + postAngleDeg(device, 'rearfoot', 'intrinsic')
  const whole = cast + postAngleDeg(device, 'rearfoot', 'extrinsic')
  const tanCast = tan(cast)
  const tanExtrinsic = tan(whole) - tanCast
  const out = scratch('surface.tilt', field.z.length).fill(0)
  for (let row = 0; row < field.rows; row++) {
    const first = row * field.columns
    const s = field.s[first]!
    const slope = tanCast * (1 - S(s, 0.3, 0.5)) + tanExtrinsic * (1 - S(s, 0.28, 0.6))
    const lift = liftMm(field, device, field.y[first]!)
    if (slope !== 0 || lift !== 0)
      for (let i = first; i < first + field.columns; i++) out[i] = slope * field.x[i]! + lift
  }
  return out
}

/**
 * Tilts first, then shapes, each in the order of the list; skives last, all on the surface that
 * these leave, so that none hides another.
 */
const PHASES = ['tilt', 'shape', 'skive'] as const

/**
 * Builds the top of a device: sole, tilts, then shaping layers in their order, skives last (they
 * cut the surface as it then is).
 *
 * @param field the sampled sole
 * @param device its layers; those switched off are left out
 */
export function buildSurface(field: SoleField, device: Device): DeviceSurface {
  const tilt = tiltOf(field, device)
  /** in the heel's own frame: without tilts and lift */
  const shape = builtOn(field, device)
  const layers: LayerResult[] = []
  for (const phase of PHASES) {
    const before = phase === 'skive' ? copied(shape) : shape
    device.layers.forEach((layer, index) => {
      const definition = LAYERS.of(layer.kind)
      if (!layer.on || definition.phase !== phase) return
      const result =
        phase === 'skive' ? shaped(field, layer, before) : remembered(field, layer, before)
      for (let i = 0; i < shape.length; i++) shape[i]! += result.change[i]!
      layers.push({ ...result, index })
    })
  }
  const cast = postAngleDeg(device, 'forefoot', 'intrinsic') + platformOfInverted(field, device)
  if (cast !== 0) {
    const level = platformChange(field, cast)
    for (let i = 0; i < tilt.length; i++) tilt[i]! += level[i]!
  }
  const top = shape
  for (let i = 0; i < top.length; i++) top[i]! += tilt[i]!
  return {
    field,
    cast: field.z,
    top,
    layers,
    rearfootTiltDeg: device.balance.pourDeg + postAngleDeg(device, 'rearfoot'),
  }
}

/** What the layers are laid on: the blank, the inverted cast, or the foot as it is. */
function builtOn(field: SoleField, device: Device): Float64Array {
  const blank = blankTop(field, device)
  if (blank) return blank.moulded.slice()
  return device.inverted ? invertedCast(field, device.inverted.castDeg) : field.z.slice()
}

/** A cast whose rear is inverted has a platform in front, unless something holds the forefoot already. */
function platformOfInverted({ sole }: SoleField, { inverted, layers, posts }: Device): number {
  const isHeld =
    posts.some((p) => p.at === 'forefoot') ||
    layers.some((l) => l.on && l.kind === 'intrinsicForefootPost')
  return inverted && !isHeld ? sole.parameters.forefootDeg : 0
}

const copied = (z: Float64Array) => {
  const out = scratch('surface.before', z.length)
  out.set(z)
  return out
}

type Shaped = Omit<LayerResult, 'index'>

const shaped = (field: SoleField, layer: Layer, before: Float64Array): Shaped => {
  const definition = LAYERS.of(layer.kind)
  const change = definition.change(field, layer, before)
  return {
    kind: layer.kind,
    askedMm: definition.asked(layer, field),
    ...achievedBy(field, layer, change),
    change,
  }
}

/**
 * What layers made of a field a moment ago: while one amount changes the others stay, and only
 * skives look at what lies below them.
 */
const RECENT = new WeakMap<SoleField, Map<string, Shaped>>()
const MOST_RECENT = 24

function remembered(field: SoleField, layer: Layer, before: Float64Array): Shaped {
  const known = RECENT.get(field) ?? new Map<string, Shaped>()
  RECENT.set(field, known)
  const key = JSON.stringify(layer)
  const found = known.get(key) ?? shaped(field, layer, before)
  known.delete(key)
  known.set(key, found)
  if (known.size > MOST_RECENT) known.delete(known.keys().next().value!)
  return found
}

/** The amount a layer reaches and where, magnitudes in mm. */
function achievedBy(
  field: SoleField,
  layer: Layer,
  change: Float64Array,
): Pick<LayerResult, 'peakMm' | 'at'> {
  const own = LAYERS.of(layer.kind).achieved?.(field, layer, change)
  if (own) return { peakMm: own.mm, at: own.mm > 0 ? { xMm: own.xMm, yMm: own.yMm } : null }
  const peak = peakOf({ ...field, z: change }, field.mask)
  return { peakMm: Math.abs(peak?.valueMm ?? 0), at: peak && { xMm: peak.xMm, yMm: peak.yMm } }
}
