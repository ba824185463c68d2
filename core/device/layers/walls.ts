import { smoothstep as S } from '../../geometry/smoothstep'
import { LAYER_NAMES } from '../layerNames'
import type { LayerKind, LayerOf } from '../../record/layerSchema'
import { acrossFoot, noChange, type AmountRule, type LayerDefinition } from './definition'

/** Shares of the length between which each edge is widened or raised, fading over the given shares at both ends (house shapes). */
const bump = (s: number, from: number, to: number, fade: number): number =>
  S(s, from, from + fade) * (1 - S(s, to - fade, to))

interface Edge {
  kind: LayerKind
  does: string
  where: string
  key: 'widthMm' | 'heightMm'
  rule: Pick<AmountRule, 'fallback' | 'presets' | 'usual'>
  medial: boolean
  from: number
  to: number
  fade: number
}

const amountOf = (edge: Edge, layer: LayerOf<LayerKind>) =>
  (layer as unknown as Record<string, number>)[edge.key]!

/** A layer that widens the outline (a flare) or raises a wall (wrap, flange) along one border; the top inside the outline stays as it is. */
function edgeLayer(edge: Edge): LayerDefinition {
  const isFlare = edge.key === 'widthMm'
  const share = (s: number) => bump(s, edge.from, edge.to, edge.fade)
  return {
    kind: edge.kind,
    name: LAYER_NAMES[edge.kind],
    does: edge.does,
    where: edge.where,
    phase: 'shape',
    edged: true,
    amounts: [
      { key: edge.key, label: isFlare ? 'width' : 'height', unit: 'mm', step: 1, ...edge.rule },
    ],
    asked: (layer) => amountOf(edge, layer),
    reach: (field) => ({
      x: edge.medial ? [0, 90] : [-90, 0],
      y: acrossFoot(field, edge.from - 0.02, edge.to).y,
    }),
    change: noChange,
    achieved: (field, layer) => {
      const s = (edge.from + edge.fade + edge.to - edge.fade) / 2
      const y = s * field.sole.parameters.lengthMm
      return {
        mm: amountOf(edge, layer) * share(s),
        xMm: edge.medial ? field.sole.medial(y) : field.sole.lateral(y),
        yMm: y,
      }
    },
    ...(isFlare
      ? {
          widen: (field, layer, i) =>
            field.u[i]! > 0.5 === edge.medial ? amountOf(edge, layer) * share(field.s[i]!) : 0,
        }
      : {
          wall: (s, medial, layer) =>
            medial === edge.medial ? amountOf(edge, layer) * share(s) : 0,
        }),
  }
}

export const medialFlare = edgeLayer({
  kind: 'medialFlare',
  does: 'a wider base beside the inner midfoot',
  where: 'outline · beside the navicular',
  key: 'widthMm',
  rule: { fallback: 4, presets: [3, 5, 8], usual: [3, 8] },
  medial: true,
  from: 0.26,
  to: 0.56,
  fade: 0.12,
})
export const lateralFlare = edgeLayer({
  kind: 'lateralFlare',
  does: 'a wider base beside the outer heel',
  where: 'outline · outer heel',
  key: 'widthMm',
  rule: { fallback: 4, presets: [3, 5, 8], usual: [3, 8] },
  medial: false,
  from: 0.02,
  to: 0.32,
  fade: 0.1,
})
export const medialWrap = edgeLayer({
  kind: 'medialWrap',
  does: 'the inner cup wall higher, on into the arch',
  where: 'wall · inner heel to arch',
  key: 'heightMm',
  rule: { fallback: 8, presets: [4, 8, 12], usual: [4, 12] },
  medial: true,
  from: 0.02,
  to: 0.46,
  fade: 0.1,
})
export const medialFlange = edgeLayer({
  kind: 'medialFlange',
  does: 'a wall along the arch',
  where: 'wall · along the arch',
  key: 'heightMm',
  rule: { fallback: 15, presets: [10, 15, 20], usual: [10, 25] },
  medial: true,
  from: 0.2,
  to: 0.6,
  fade: 0.12,
})
