import type { Layer } from '../record/layerSchema'
import type { Device } from '../record/schema'
import { deviceKindWords, layerWords, pointWords } from './deviceWords'
import { layerDefinition } from './layers/registry'
import { materialName } from './materials'

/** One thing that differs between two devices, as the bench reads it; '–' where there is none. */
export interface DeviceChange {
  what: string
  before: string
  after: string
}

const NONE = '–'
const n = (v: number) => Number(v.toFixed(2)).toString()
const mm = (v: number | undefined) => (v === undefined ? NONE : `${n(v)} mm`)
const deg = (v: number | undefined) => (v === undefined || v === 0 ? NONE : `${n(v)}°`)

/** Everything of a device but its layers, line by line. */
function lines(d: Device | null): Map<string, string> {
  const out = new Map<string, string>()
  if (!d) return out
  const { shell, outline } = d
  out.set('Kind', deviceKindWords(d.kind))
  out.set('Cast', deg(d.castAngleDeg))
  out.set('Shell', `${materialName(shell.material)}, ${mm(shell.thicknessMm)}`)
  out.set(
    'Thickness under heel, arch, front',
    shell.graded
      ? [shell.graded.heelMm, shell.graded.archMm, shell.graded.frontMm]
          .map((v) => mm(v ?? shell.thicknessMm))
          .join(', ')
      : NONE,
  )
  out.set(
    'Cover',
    `${materialName(shell.cover.material)}, ${mm(shell.cover.thicknessMm)}, ${outline.cover}`,
  )
  out.set(
    'Base',
    shell.base
      ? `${materialName(shell.base.material)}, ${mm(shell.base.thicknessMm)}, ${shell.base.reach}`
      : NONE,
  )
  out.set('Heel cup', mm(outline.heelCupMm))
  out.set('Front edge behind the heads', mm(outline.distal.behindHeadsMm))
  out.set('Inner top line', mm(outline.medialTopMm))
  out.set('Outer top line', mm(outline.lateralTopMm))
  out.set('Trim line moved', pointWords(d.outline.points) || NONE)
  out.set(
    'Heel lift',
    d.heelLiftMm > 0
      ? `${mm(d.heelLiftMm)}${d.liftTaperMm ? ` over ${mm(d.liftTaperMm)}` : ''}`
      : NONE,
  )
  out.set('Wanted moment', d.aimNmm ? `${d.aimNmm} N·mm` : NONE)
  out.set(
    'Heel stabiliser',
    d.heelStabiliser === undefined ? NONE : d.heelStabiliser ? 'yes' : 'no',
  )
  out.set('Blank', d.blank ? `${d.blank.id} ${n(d.blank.sizeMm)}` : NONE)
  for (const at of ['rearfoot', 'forefoot'] as const) {
    const posts = d.posts.filter((p) => p.at === at && p.angleDeg !== 0)
    out.set(
      `${at === 'rearfoot' ? 'Rearfoot' : 'Forefoot'} post`,
      posts
        .map(
          (p) =>
            `${deg(p.angleDeg)} ${p.style}${p.lengthMm ? `, ${mm(p.lengthMm)}` : ''}${p.motionDeg ? `, motion ${deg(p.motionDeg)}` : ''}`,
        )
        .join(' + ') || NONE,
    )
  }
  return out
}

/** Layers under names that stay when amounts change: the kind, and which of its kind it is. */
const named = (layers: readonly Layer[]): Map<string, Layer> => {
  const seen = new Map<string, number>()
  return new Map(
    layers.map((layer) => {
      const count = (seen.get(layer.kind) ?? 0) + 1
      seen.set(layer.kind, count)
      return [`${layerDefinition(layer.kind).name}${count > 1 ? ` (${count})` : ''}`, layer]
    }),
  )
}
const amounts = (layer: Layer | undefined) =>
  layer
    ? `${layerWords(layer).split(': ').slice(1).join(': ')}${layer.on ? '' : ', switched off'}`
    : NONE

/**
 * What differs between two versions of a device, readable: kind, shell, outline, posts, then every layer that came, went or changed; the order
 * of layers where only that changed.
 */
export function deviceDiff(before: Device | null, after: Device | null): DeviceChange[] {
  const [a, b] = [lines(before), lines(after)]
  const out: DeviceChange[] = []
  for (const what of new Set([...a.keys(), ...b.keys()])) {
    const [was, is] = [a.get(what) ?? NONE, b.get(what) ?? NONE]
    if (was !== is) out.push({ what, before: was, after: is })
  }
  const [la, lb] = [named(before?.layers ?? []), named(after?.layers ?? [])]
  for (const what of new Set([...la.keys(), ...lb.keys()])) {
    const [was, is] = [amounts(la.get(what)), amounts(lb.get(what))]
    if (was !== is) out.push({ what, before: was, after: is })
  }
  const both = [...la.keys()].filter((k) => lb.has(k))
  const order = [...lb.keys()].filter((k) => la.has(k))
  if (both.join() !== order.join())
    out.push({ what: 'Order of layers', before: both.join(', '), after: order.join(', ') })
  return out
}
