import { smoothstep as S } from '../../geometry/smoothstep'
import { heightMm, stored } from './amountRule'
import { atTheHeads, BEHIND_HEADS } from './behindHeads'
import { everyCell } from './field'
import { layer } from './definition'

/** Half length of a met bar, mm (house size). */
const HALF_MM = 14
const HEIGHT = heightMm({ fallback: 4, presets: [3, 4, 5], usual: [3, 6] })

/** A bar across the whole foot behind the line of the heads: d·(1 − t²)^1.5 along, eased out over
 * the borders. */
export const metBar = layer({
  kind: 'metBar',
  name: 'Met bar',
  call: 'bar',
  does: 'lifts all shafts behind the heads',
  plain: 'a small bar behind the ball of the foot',
  where: 'top · behind heads 1–5',
  child: 'not in a growing foot: it has no adult presets',
  insensate: 'soft, and only where its place was marked: it presses',
  phase: 'shape',
  lies: 'on the shell',
  edged: false,
  pushes: false,
  onPlain: false,
  amounts: [HEIGHT, BEHIND_HEADS],
  schema: { heightMm: stored(HEIGHT), behindHeadsMm: stored(BEHIND_HEADS) },
  more: () => [],
  sheet: null,
  clashes: [atTheHeads('met bar')],
  asked: (layer) => layer.heightMm,
  reach: (field, layer) => {
    const y = field.sole.heads.map((h) => h.y)
    return {
      x: [-90, 90],
      y: [Math.min(...y) - layer.behindHeadsMm - 2 * HALF_MM, Math.max(...y) - layer.behindHeadsMm],
    }
  },
  change: (field, layer) =>
    everyCell(
      field,
      () => layer.heightMm,
      (i, mm) => {
        const t = (field.q[i]! + layer.behindHeadsMm + HALF_MM) / HALF_MM
        const rest = 1 - t * t
        return rest > 0
          ? mm *
              rest *
              Math.sqrt(rest) *
              S(field.u[i]!, 0.02, 0.22) *
              (1 - S(field.u[i]!, 0.78, 0.98))
          : 0
      },
    ),
})
