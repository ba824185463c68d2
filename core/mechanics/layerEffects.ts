import { layerDefinition } from '../device/layers/registry'
import type { Device } from '../record/schema'
import { contactOnDevice, type ContactGround, type ContactResult } from './contact'
import type { PressureRegion } from './pressureRegions'

/** What some change of a device does, against another device under the same foot. */
export interface ContactEffect {
  momentNmm: number
  momentFixedNmm: number
  medialHeelPoints: number
  /** change of the peak, per cent, by head from the inside out */
  headPeakPercent: readonly number[]
  heelPeakPercent: number
  archPoints: number
}

export interface LayerEffect {
  name: string
  /** which of the device's layers; null for the posts together */
  index: number | null
  /** alone on the plain device */
  alone: ContactEffect
  /** what the whole device would lose without it */
  within: ContactEffect
}

export interface LayerEffects {
  plain: ContactResult
  whole: ContactResult
  change: ContactEffect
  parts: LayerEffect[]
  /** the whole less the sum of the parts alone: combined changes are not the sum of single ones */
  together: { momentNmm: number }
}

const HEADS = ['head1', 'head2', 'head3', 'head4', 'head5'] as const satisfies readonly PressureRegion[]

/** Difference of two contacts, b less a. */
export function effectOf(a: ContactResult, b: ContactResult): ContactEffect {
  const percent = (k: PressureRegion) => (a.peakKPa[k] > 0 ? 100 * (b.peakKPa[k] / a.peakKPa[k] - 1) : 0)
  const heel = (r: ContactResult) => Math.max(r.peakKPa.heelMedial, r.peakKPa.heelLateral)
  const arch = (r: ContactResult) => r.share.midfootMedial
  return {
    momentNmm: b.momentNmm - a.momentNmm, momentFixedNmm: b.momentFixedNmm - a.momentFixedNmm, medialHeelPoints: b.share.heelMedial - a.share.heelMedial,
    headPeakPercent: HEADS.map(percent), heelPeakPercent: heel(a) > 0 ? 100 * (heel(b) / heel(a) - 1) : 0, archPoints: arch(b) - arch(a),
  }
}

/**
 * What each layer of a device does: alone on the plain device, and within the whole. The plain device has the same shell, cover and outline and nothing
 * on it.
 *
 * @param ground the foot made ready, kept while only the device changes
 * @returns parts in the order of the layers that are on, the posts last
 */
export function layerEffects(ground: ContactGround, device: Device): LayerEffects {
  const bare: Device = { ...device, layers: [], posts: [], castAngleDeg: 0, heelLiftMm: 0 }
  const plain = contactOnDevice(ground, bare)
  const whole = contactOnDevice(ground, device, undefined, plain)
  const part = (name: string, index: number | null, only: Partial<Device>, without: Partial<Device>): LayerEffect => ({
    name, index, alone: effectOf(plain, contactOnDevice(ground, { ...bare, ...only }, undefined, plain)), within: effectOf(contactOnDevice(ground, { ...device, ...without }, undefined, whole), whole),
  })
  const parts = device.layers.flatMap((layer, index) => (layer.on ? [part(layer.name ?? layerDefinition(layer.kind).name, index, { layers: [layer] }, { layers: device.layers.filter((_, k) => k !== index) })] : []))
  if (device.posts.some((p) => p.angleDeg !== 0) || device.castAngleDeg !== 0) parts.push(part('Posts', null, { posts: device.posts, castAngleDeg: device.castAngleDeg }, { posts: [], castAngleDeg: 0 }))
  return { plain, whole, change: effectOf(plain, whole), parts, together: { momentNmm: whole.momentNmm - plain.momentNmm - parts.reduce((s, p) => s + p.alone.momentNmm, 0) } }
}
