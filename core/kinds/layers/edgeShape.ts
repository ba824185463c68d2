import type { SoleField } from '../../geometry/soleField'
import { smoothstep as S } from '../../geometry/smoothstep'
import { acrossFoot } from './field'

/** A border between two shares of the length, along which something is widened or raised. */
interface Edge {
  medial: boolean
  from: number
  to: number
  fade: number
}

/** Share of the amount at a share of the length: full in the middle, faded at both ends (house shapes). */
const shareAt = ({ from, to, fade }: Edge, s: number): number =>
  S(s, from, from + fade) * (1 - S(s, to - fade, to))

/** Shapes of a layer that acts along one border; the top inside the outline stays as it is. */
export function edgeShape<L>(edge: Edge, amountMm: (layer: L) => number) {
  return {
    reach: (field: SoleField) => ({
      x: edge.medial ? ([0, 90] as const) : ([-90, 0] as const),
      y: acrossFoot(field, edge.from - 0.02, edge.to).y,
    }),
    achieved: (field: SoleField, layer: L) => {
      const s = (edge.from + edge.to) / 2
      const y = s * field.sole.parameters.lengthMm
      return {
        mm: amountMm(layer) * shareAt(edge, s),
        xMm: edge.medial ? field.sole.medial(y) : field.sole.lateral(y),
        yMm: y,
      }
    },
    widen: (field: SoleField, layer: L, i: number) =>
      field.u[i]! > 0.5 === edge.medial ? amountMm(layer) * shareAt(edge, field.s[i]!) : 0,
    wall: (s: number, medial: boolean, layer: L) =>
      medial === edge.medial ? amountMm(layer) * shareAt(edge, s) : 0,
  }
}
