import { heightMm, stored } from './amountRule'
import { everyCell, scaleToPeak } from './field'
import { layer } from './definition'

const HEIGHT = heightMm({ fallback: 3, presets: [2, 3, 4], usual: [2, 4] })

/** Where the cuboid lies: share of the length, mm from the axis; and widths of its bell (house sizes). */
const SHARE = 0.41
const X_MM = -20
const ACROSS_MM = 9
const ALONG_MM = 12
/** A bell that ends at four times its width, where it is a third of a thousandth. */
const BELL_ENDS = 4
const bell = (t: number) => (Math.abs(t) > BELL_ENDS ? 0 : Math.exp(-0.5 * t * t))

/** Raise under the cuboid, nearer the heel than the support of the fifth shaft. */
export const cuboidSupport = layer({
  kind: 'cuboidSupport',
  name: 'Cuboid support',
  call: 'cuboid',
  does: 'raises under the cuboid',
  plain: 'support under the outer midfoot',
  where: 'top · lateral midfoot',
  child: 'not in a growing foot: it has no adult presets',
  insensate: 'soft and flat at its edge: the skin does not warn',
  phase: 'shape',
  lies: 'cast',
  edged: false,
  pushes: false,
  onPlain: false,
  amounts: [HEIGHT],
  schema: { heightMm: stored(HEIGHT) },
  more: () => [],
  sheet: null,
  clashes: [],
  asked: (layer) => layer.heightMm,
  reach: (field) => {
    const y = SHARE * field.sole.parameters.lengthMm
    return {
      x: [X_MM - BELL_ENDS * ACROSS_MM, X_MM + BELL_ENDS * ACROSS_MM],
      y: [y - BELL_ENDS * ALONG_MM, y + BELL_ENDS * ALONG_MM],
    }
  },
  change: (field, layer) => {
    const y0 = SHARE * field.sole.parameters.lengthMm
    const change = everyCell(
      field,
      (_, y) => bell((y - y0) / ALONG_MM),
      (i, gate) => gate * bell((field.x[i]! - X_MM) / ACROSS_MM),
    )
    return scaleToPeak(field, change, layer.heightMm)
  },
})
