import { z } from 'zod'
import type { SoleField } from '../../geometry/soleField'
import { depthMm, stored } from './amountRule'
import { dome, ellipse } from './dome'
import { layer } from './definition'

const DEPTH = depthMm({ fallback: 2, presets: [2, 3], usual: [1, 4] })

/** The hollow under one head, its half axes for a 100 mm forefoot (house size). */
const hollow = (field: SoleField, k: number) => {
  const head = field.sole.heads[k - 1]!
  return ellipse(head.x, head.y, (13 * field.sole.parameters.forefootWidthMm) / 100, 16)
}

/** A hollow under one or more met heads; where two overlap the deeper counts. */
export const metHeadRelief = layer({
  kind: 'metHeadRelief',
  name: 'Met-head relief',
  call: 'relief',
  does: 'lets single heads down',
  plain: 'a hollow under the sore part of the ball',
  where: 'top · under the chosen heads',
  child: 'room is welcome in a growing foot',
  insensate: 'a hollow with a soft cover; its border must not press the next head',
  phase: 'shape',
  lies: 'hollow',
  edged: false,
  pushes: false,
  onPlain: false,
  amounts: [DEPTH],
  schema: {
    depthMm: stored(DEPTH),
    heads: z.array(z.number().int().min(1).max(5)).default([2]),
  },
  more: (layer) => [`heads ${layer.heads.join(', ')}`],
  sheet: null,
  clashes: [],
  asked: (layer) => (layer.heads.length > 0 ? layer.depthMm : 0),
  reach: (field, layer) => {
    const boxes = layer.heads.map((k) => hollow(field, k).reach)
    if (boxes.length === 0) return { x: [0, 0], y: [0, 0] }
    return {
      x: [Math.min(...boxes.map((b) => b.x[0])), Math.max(...boxes.map((b) => b.x[1]))],
      y: [Math.min(...boxes.map((b) => b.y[0])), Math.max(...boxes.map((b) => b.y[1]))],
    }
  },
  change: (field, layer) => {
    const out = new Float64Array(field.z.length)
    for (const k of layer.heads) {
      const one = dome(field, hollow(field, k), -layer.depthMm)
      for (let i = 0; i < out.length; i++) if (one[i]! < out[i]!) out[i] = one[i]!
    }
    return out
  },
})
