import { BODY_AMOUNTS } from '../kinds/body/all'
import { LAYERS, type Layer } from '../kinds/layers/all'
import type { Device } from '../record/schema'
import {
  blockWords,
  deviceKindWords,
  isBuilt,
  layerWords,
  pointWords,
  REACH_WORDS,
} from './deviceWords'
import { materialName, type MaterialRows } from './materialNames'

/** One thing that differs between two devices, as the bench reads it; '–' where there is none. */
export interface DeviceChange {
  what: string
  before: string
  after: string
}

const NONE = '–'
const n = (v: number) => Number(v.toFixed(2)).toString()
const withUnit = (v: number, unit: string) => `${n(v)}${unit === '°' ? '°' : ` ${unit}`}`

/** Everything of a device but its layers, line by line. */
function lines(d: Device | null, rows: MaterialRows): Map<string, string> {
  const out = new Map<string, string>()
  if (!d) return out
  const { shell, outline } = d
  out.set('Kind', deviceKindWords(d.kind))
  out.set('Blank', d.blank ? `${d.blank.id} ${n(d.blank.sizeMm)}` : NONE)
  out.set('Shell', materialName(shell.material, rows))
  out.set('Shell is made', shell.making ?? NONE)
  out.set('Milled with', shell.toolMm === undefined ? NONE : `ball of ${n(shell.toolMm)} mm`)
  out.set('Cover', `${materialName(shell.cover.material, rows)}, ${REACH_WORDS[outline.cover]}`)
  out.set(
    'Base',
    shell.base
      ? `${materialName(shell.base.material, rows)}, ${REACH_WORDS[shell.base.reach]}`
      : NONE,
  )
  for (const amount of BODY_AMOUNTS.all) {
    const value = amount.read(d)
    const there = value !== undefined && (value !== 0 || amount.fallback !== 0)
    out.set(amount.full, there ? withUnit(value, amount.unit) : NONE)
  }
  const { half, in: place } = d.heelLift ?? {}
  out.set('Heel lift lies', [half, place].filter(Boolean).join(', ') || NONE)
  out.set('Trim line moved', pointWords(outline.points) || NONE)
  out.set(
    'Heel stabiliser',
    d.heelStabiliser === undefined ? NONE : d.heelStabiliser ? 'yes' : 'no',
  )
  for (const at of ['rearfoot', 'forefoot'] as const)
    out.set(`${at === 'rearfoot' ? 'Rearfoot' : 'Forefoot'} post`, posts(d, at, rows))
  return out
}

function posts(d: Device, at: 'rearfoot' | 'forefoot', rows: MaterialRows): string {
  const said = d.posts
    .filter((p) => p.at === at && isBuilt(p))
    .map((p) =>
      [
        `${n(p.angleDeg)}° ${p.style}`,
        ...(p.lengthMm ? [`${n(p.lengthMm)} mm`] : []),
        ...(p.motionDeg ? [`motion ${n(p.motionDeg)}°`] : []),
        ...blockWords(p, rows),
      ].join(', '),
    )
  return said.join(' + ') || NONE
}

/** Layers under names that stay when amounts change: the kind, and which of its kind it is. */
const named = (layers: readonly Layer[]): Map<string, Layer> => {
  const seen = new Map<string, number>()
  return new Map(
    layers.map((layer) => {
      const count = (seen.get(layer.kind) ?? 0) + 1
      seen.set(layer.kind, count)
      return [`${LAYERS.of(layer.kind).name}${count > 1 ? ` (${count})` : ''}`, layer]
    }),
  )
}
const amounts = (layer: Layer | undefined) =>
  layer
    ? `${layerWords(layer).split(': ').slice(1).join(': ')}${layer.on ? '' : ', switched off'}`
    : NONE

/**
 * What differs between two versions of a device, readable: kind, materials, every number of the
 * body, posts, then every layer that came, went or changed; the order of layers where only that
 * changed.
 */
export function deviceDiff(
  before: Device | null,
  after: Device | null,
  rows: MaterialRows,
): DeviceChange[] {
  const [a, b] = [lines(before, rows), lines(after, rows)]
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
