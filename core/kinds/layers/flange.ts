import { wallHeightMm, stored } from './amountRule'
import { edgeShape } from './edgeShape'
import { noChange } from './field'

const HEIGHT = wallHeightMm({ fallback: 15, presets: [10, 15, 20], usual: [10, 25] })

/** What flanges have in common: a wall along one border of the midfoot. */
export function flange(medial: boolean) {
  const shape = edgeShape(
    { medial, from: 0.2, to: 0.6, fade: 0.12 },
    (layer: { heightMm: number }) => layer.heightMm,
  )
  return {
    child: 'not in a growing foot: it has no adult presets',
    insensate: 'no hard wall beside skin that does not feel',
    neverInsensate: true,
    phase: 'shape',
    lies: 'cast',
    edged: true,
    pushes: false,
    onPlain: false,
    amounts: [HEIGHT],
    schema: { heightMm: stored(HEIGHT) },
    more: () => [],
    sheet: null,
    asked: (layer: { heightMm: number }) => layer.heightMm,
    reach: shape.reach,
    change: noChange,
    achieved: (field: Parameters<typeof shape.achieved>[0], layer: { heightMm: number }) =>
      shape.achieved(field, layer),
    wall: shape.wall,
  } as const
}
