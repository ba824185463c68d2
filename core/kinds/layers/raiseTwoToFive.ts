import type { SoleField } from '../../geometry/soleField'
import { smoothstep as S } from '../../geometry/smoothstep'
import { heightMm, stored } from './amountRule'
import { everyCell } from './field'
import { rayLine } from './firstRayCorner'
import { layer } from './definition'

const HEIGHT = heightMm({ fallback: 3, presets: [2, 3, 4], usual: [2, 4] })
/** Ramp behind the heads and slope at its inner side, mm (house sizes). */
const RAMP_MM = 16
const SIDE_MM = 8

/** From behind heads 2 to 5 to in front of them, lateral of the line between the first two rays. */
function plan(field: SoleField) {
  const outer = field.sole.heads.slice(1)
  return {
    x1: rayLine(field),
    y0: Math.min(...outer.map((head) => head.y)) - 8 - RAMP_MM,
    y1: Math.max(...outer.map((head) => head.y)) + 20,
  }
}

/** Raises heads 2 to 5 and leaves the first free, so that it can bear and go down. */
export const raiseTwoToFive = layer({
  kind: 'raiseTwoToFive',
  name: 'Raise under heads 2–5',
  call: 'raise',
  does: 'lets the first head down beside the others',
  plain: 'a little more under the outer toes’ ball, so that the big toe’s can go down',
  where: 'forefoot · under heads 2–5',
  child: 'not in a growing foot: it has no adult presets',
  insensate: 'soft, with a soft inner edge: a step presses where nothing is felt',
  phase: 'shape',
  lies: 'on the shell',
  edged: true,
  pushes: true,
  onPlain: false,
  amounts: [HEIGHT],
  schema: { heightMm: stored(HEIGHT) },
  more: () => [],
  sheet: {
    words: 'Raise under heads 2–5',
    material: () => 'foam, firm',
    thicknessMm: (layer) => layer.heightMm,
    cut: 'change',
    underBallMm: (layer) => layer.heightMm,
    underHeel: false,
  },
  clashes: [
    {
      code: 'raise-over-extension',
      kind: 'watch',
      when: (_, { layers }) => layers.some((l) => l.on && l.kind === 'firstRayExtension'),
      words:
        'All heads are raised at once: an extension under the first and a raise under the others. Choose one.',
      triggers: [],
    },
  ],
  asked: (layer) => layer.heightMm,
  reach: (field) => {
    const { x1, y0, y1 } = plan(field)
    return { x: [-90, x1 + SIDE_MM / 2], y: [y0, y1] }
  },
  change: (field, layer) => {
    const { x1, y0, y1 } = plan(field)
    return everyCell(
      field,
      (_, y) => layer.heightMm * S(y, y0, y0 + RAMP_MM) * (1 - S(y, y1 - 10, y1)),
      (i, gate) => gate * (1 - S(field.x[i]!, x1 - SIDE_MM / 2, x1 + SIDE_MM / 2)),
    )
  },
})
