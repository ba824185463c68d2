import type { SoleField } from '../../geometry/soleField'
import { smoothstep as S } from '../../geometry/smoothstep'
import { depthMm, stored } from './amountRule'
import { everyCell, scaleToDepth } from './field'
import { layer } from './definition'

/** Half width of the groove, mm (house size). */
const HALF_MM = 9
const DEPTH = depthMm({ fallback: 2, presets: [2, 3, 4], usual: [2, 4] })

/** Where the medial band runs: a straight line from the inner heel to between heads 1 and 2. */
function band({ sole }: SoleField) {
  const [first, second] = sole.heads
  const fromY = 0.22 * sole.parameters.lengthMm
  const toY = Math.min(first!.y, second!.y) - 12
  const fromX = 0.06 * sole.parameters.heelWidthMm
  const toX = (first!.x + second!.x) / 2
  return { fromY, toY, at: (y: number) => fromX + ((toX - fromX) * (y - fromY)) / (toY - fromY) }
}

/** A groove along the medial band of the fascia, from the front of the heel to behind heads 1 and 2. */
export const fasciaGroove = layer({
  kind: 'fasciaGroove',
  name: 'Fascia groove',
  call: 'groove',
  does: 'room for the tight band of the fascia',
  plain: 'a groove for the tight band under the arch',
  where: 'top · heel to behind heads 1–2',
  child: 'room is welcome in a growing foot',
  insensate: 'soft and flat at its edge: the skin does not warn',
  phase: 'shape',
  lies: 'hollow',
  edged: false,
  pushes: false,
  onPlain: false,
  amounts: [DEPTH],
  schema: { depthMm: stored(DEPTH) },
  more: () => [],
  sheet: null,
  clashes: [],
  asked: (layer) => layer.depthMm,
  reach: (field) => {
    const { fromY, toY, at } = band(field)
    const x = [at(fromY), at(toY)]
    return {
      x: [Math.min(...x) - HALF_MM, Math.max(...x) + HALF_MM],
      y: [fromY, toY],
    }
  },
  change: (field, layer) => {
    const { fromY, toY, at } = band(field)
    const change = everyCell(
      field,
      (_, y) => S(y, fromY, fromY + 18) * (1 - S(y, toY - 18, toY)),
      (i, gate) => {
        const t = (field.x[i]! - at(field.y[i]!)) / HALF_MM
        const rest = 1 - t * t
        return rest > 0 ? gate * rest * Math.sqrt(rest) : 0
      },
    )
    return scaleToDepth(field, change, layer.depthMm)
  },
})
