import { radians } from '../geometry/angle'
import { peakOf } from '../geometry/grid'
import { smoothstep as S } from '../geometry/smoothstep'
import type { LayerKind } from '../record/layerSchema'
import type { Device } from '../record/schema'
import { asLayer } from './layers/definition'
import { layerDefinition } from './layers/registry'
import type { SoleField } from './soleField'

/** What one layer was asked to do, and what it does. */
export interface LayerResult {
  kind: LayerKind
  askedMm: number
  peakMm: number
  at: { xMm: number; yMm: number } | null
  /** signed height change per cell, mm */
  change: Float64Array
}

/** The top of a device over its sole, all heights in the foot's own frame, mm. */
export interface DeviceSurface {
  field: SoleField
  /** the sole with its cast rotation: what the device is built on */
  cast: Float64Array
  /** the device's top, where the foot (or its cover) lies */
  top: Float64Array
  layers: LayerResult[]
  /** kinds that are stored but not shaped by this version */
  notShaped: LayerKind[]
  /** tilt added by posts, heel, degrees (+ varus) */
  rearfootTiltDeg: number
}

/** Sum of the angles of the posts at a place and of a style, degrees. */
export const postAngleDeg = (device: Device, at: 'rearfoot' | 'forefoot', style?: 'extrinsic' | 'intrinsic'): number =>
  device.posts.filter((p) => p.at === at && (style === undefined || p.style === style)).reduce((sum, p) => sum + p.angleDeg, 0)

/**
 * Height that balance and posts add at every cell: the cast's own angle and intrinsic rearfoot posts by rotating the heel of the cast
 * (faded out at s .30–.50), extrinsic rearfoot posts (s .28–.60), forefoot posts (s .40–.58), heel lift (tapering to the ball).
 */
function tiltOf(field: SoleField, device: Device): Float64Array {
  const tan = (deg: number) => Math.tan(radians(deg))
  // Angles of stacked wedges on one heel add as angles, not as slopes: one rotation per gate, so that 2° intrinsic + 2° extrinsic is 4°.
  const cast = device.castAngleDeg + postAngleDeg(device, 'rearfoot', 'intrinsic')
  const whole = cast + postAngleDeg(device, 'rearfoot', 'extrinsic')
  const tanCast = tan(cast)
  const tanExtrinsic = tan(whole) - tanCast
  const tanForefoot = tan(postAngleDeg(device, 'forefoot'))
  const out = new Float64Array(field.z.length)
  for (let row = 0; row < field.rows; row++) {
    const first = row * field.columns
    const s = field.s[first]!
    const slope = tanCast * (1 - S(s, 0.3, 0.5)) + tanExtrinsic * (1 - S(s, 0.28, 0.6)) + tanForefoot * S(s, 0.4, 0.58)
    const lift = device.heelLiftMm * (1 - S(s, 0.2, 0.66))
    if (slope !== 0 || lift !== 0) for (let i = first; i < first + field.columns; i++) out[i] = slope * field.x[i]! + lift
  }
  return out
}

/**
 * Builds the top of a device: sole, tilts, then shaping layers in their order, skives last (they cut the surface as it then is).
 *
 * @param field the sampled sole
 * @param device its layers; those switched off are left out
 */
export function buildSurface(field: SoleField, device: Device): DeviceSurface {
  const tilt = tiltOf(field, device)
  const top = Float64Array.from(field.z)
  for (let i = 0; i < top.length; i++) top[i]! += tilt[i]!
  const cast = Float64Array.from(field.z)
  const notShaped: LayerKind[] = []
  const layers: LayerResult[] = []
  const active = device.layers.filter((layer) => layer.on)
  for (const phase of ['shape', 'skive'] as const)
    for (const layer of active) {
      const definition = layerDefinition(layer.kind)
      if (!definition) {
        if (phase === 'shape') notShaped.push(layer.kind)
        continue
      }
      if (definition.phase !== phase) continue
      const change = definition.change(field, asLayer(layer), top)
      for (let i = 0; i < top.length; i++) top[i]! += change[i]!
      const peak = peakOf({ ...field, z: change }, field.mask)
      layers.push({ kind: layer.kind, askedMm: definition.asked(asLayer(layer)), peakMm: Math.abs(peak?.valueMm ?? 0), at: peak && { xMm: peak.xMm, yMm: peak.yMm }, change })
    }
  return { field, cast, top, layers, notShaped, rearfootTiltDeg: device.castAngleDeg + postAngleDeg(device, 'rearfoot') }
}
