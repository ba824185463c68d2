import { LAYERS, layerSchema, type Layer, type LayerKind } from '../../../core/kinds/layers/all'
import type { Device } from '../../../core/record/schema'
import type { Side } from '../../../core/tables/vocabulary'

/**
 * One row of the list: the n-th layer of its kind on either foot, with where it stands in each
 * device; −1 where a foot has none.
 */
export interface LayerRow {
  key: string
  kind: LayerKind
  nth: number
  index: Record<Side, number>
}

const keysOf = (device: Device): string[] => {
  const seen = new Map<LayerKind, number>()
  return device.layers.map(({ kind }) => {
    const nth = seen.get(kind) ?? 0
    seen.set(kind, nth + 1)
    return `${kind}#${nth}`
  })
}

/**
 * Layers of both feet side by side, from the foot down: the left foot's order, what only the right
 * has goes where it stands there.
 */
export function layerRows(left: Device, right: Device): LayerRow[] {
  const [l, r] = [keysOf(left), keysOf(right)]
  const keys = [...l]
  r.forEach((key, i) => {
    if (keys.includes(key)) return
    const before = r
      .slice(0, i)
      .reverse()
      .find((k) => keys.includes(k))
    keys.splice(before === undefined ? 0 : keys.indexOf(before) + 1, 0, key)
  })
  return keys.map((key) => {
    const [kind, nth] = key.split('#') as [LayerKind, string]
    return { key, kind, nth: Number(nth), index: { left: l.indexOf(key), right: r.indexOf(key) } }
  })
}

const find = (device: Device, row: Pick<LayerRow, 'kind' | 'nth'>): Layer | undefined =>
  device.layers.filter((l) => l.kind === row.kind)[row.nth]
export const layerAt = find

type Edit = (device: Device) => Device

/** Changes a layer; one that is not there yet is added with its defaults. */
export const setLayer =
  (row: Pick<LayerRow, 'kind' | 'nth'>, change: Record<string, unknown>): Edit =>
  (device) => {
    const there = find(device, row)
    const next = layerSchema.parse({ ...there, kind: row.kind, ...change })
    return {
      ...device,
      layers: there ? device.layers.map((l) => (l === there ? next : l)) : [...device.layers, next],
    }
  }

export const dropLayer =
  (row: Pick<LayerRow, 'kind' | 'nth'>): Edit =>
  (device) => ({ ...device, layers: device.layers.filter((l) => l !== find(device, row)) })

/** A second one right after it. */
export const doubleLayer =
  (row: Pick<LayerRow, 'kind' | 'nth'>): Edit =>
  (device) => ({
    ...device,
    layers: device.layers.flatMap((l) => (l === find(device, row) ? [l, { ...l }] : [l])),
  })

/** Moves a layer one place towards the foot (−1) or away from it (1), on one foot. */
export const moveLayer =
  (row: Pick<LayerRow, 'kind' | 'nth'>, by: 1 | -1): Edit =>
  (device) => {
    const layers = [...device.layers]
    const from = layers.indexOf(find(device, row)!)
    const to = from + by
    if (from < 0 || to < 0 || to >= layers.length) return device
    layers.splice(to, 0, ...layers.splice(from, 1))
    return { ...device, layers }
  }

/** Puts layers into the order of the given keys. */
export const orderLayers =
  (order: readonly string[]): Edit =>
  (device) => {
    const keys = keysOf(device)
    const place = (i: number) => order.indexOf(keys[i]!)
    return {
      ...device,
      layers: device.layers
        .map((layer, i) => ({ layer, at: place(i) }))
        .sort((a, b) => a.at - b.at)
        .map((x) => x.layer),
    }
  }

/** Layers that lie at a point of their own. */
export const isSpot = (layer: Layer | undefined): layer is Extract<Layer, { xMm: number }> =>
  layer !== undefined && 'xMm' in layer

/** The name a row goes by. */
export const rowName = (row: LayerRow, ...layers: (Layer | undefined)[]): string =>
  layers.find((l) => l?.name)?.name ??
  `${LAYERS.of(row.kind).name}${row.nth > 0 ? ` ${row.nth + 1}` : ''}`
