import { z } from 'zod'
import type { SoleField } from '../../geometry/soleField'
import { smoothstep as S } from '../../geometry/smoothstep'
import { heightMm, stored } from './amountRule'
import { everyCell } from './field'
import { rayLine } from './firstRayCorner'
import { layer } from './definition'

const HEIGHT = heightMm({ fallback: 3, presets: [2, 3, 4], usual: [2, 4] })
/** Length of the ramp behind an extension, and of the slope at its side, mm (house sizes). */
const RAMP_MM = 16
const SIDE_MM = 10

/**
 * Plan of the extension: from behind the first head to the end of the great toe, medial of the line
 * between the first two rays.
 */
function plan(field: SoleField) {
  const [head, toe] = [field.sole.heads[0]!, field.sole.toes[0]!]
  return {
    x0: rayLine(field) - SIDE_MM / 2,
    y0: head.y - 12 - RAMP_MM,
    y1: Math.min(field.sole.parameters.lengthMm - 2, toe.y + 14),
  }
}

/** Layers that let down what an extension raises. */
const LETS_DOWN = ['firstRayCutOut', 'firstRayAccommodation', 'firstRayWedge']

/** Raises the first head and the great toe together, where the first metatarsal is short. */
export const firstRayExtension = layer({
  kind: 'firstRayExtension',
  name: 'First-ray extension',
  call: 'extension',
  does: 'raises the first head and toe together',
  plain: 'a little more under the big toe',
  where: 'forefoot · under the first ray',
  child: 'not in a growing foot: it has no adult presets',
  insensate: 'flexible and soft at its edge, never rigid under a toe that is not felt',
  neverInsensate: true,
  phase: 'shape',
  lies: 'on the shell',
  edged: true,
  pushes: false,
  onPlain: false,
  amounts: [HEIGHT],
  schema: { heightMm: stored(HEIGHT), rigid: z.boolean().default(false) },
  more: (layer) => [layer.rigid ? 'rigid' : 'flexible'],
  sheet: {
    words: 'First-ray extension',
    material: (layer) => (layer.rigid ? 'stiff sheet' : 'foam, firm'),
    thicknessMm: (layer) => layer.heightMm,
    cut: 'change',
    underBallMm: (layer) => layer.heightMm,
    underHeel: false,
  },
  clashes: [
    {
      code: 'extension-over-relief',
      kind: 'watch',
      when: (_, { layers }) =>
        layers.some((l) => l.on && (LETS_DOWN.includes(l.kind) || l.heads?.includes(1))),
      words:
        'The first ray is let down and raised at once: a relief or cut-out with an extension under the same ray. Choose one.',
      triggers: [],
    },
  ],
  asked: (layer) => layer.heightMm,
  reach: (field) => {
    const { x0, y0, y1 } = plan(field)
    return { x: [x0, 90], y: [y0, y1] }
  },
  change: (field, layer) => {
    const { x0, y0, y1 } = plan(field)
    return everyCell(
      field,
      (_, y) => layer.heightMm * S(y, y0, y0 + RAMP_MM) * (1 - S(y, y1 - 8, y1)),
      (i, gate) => gate * S(field.x[i]!, x0, x0 + SIDE_MM),
    )
  },
})
