import { z } from 'zod'
import { acrossMm, radians } from '../../geometry/tilt'
import { smoothstep as S } from '../../geometry/smoothstep'
import { stored, type AmountRule } from './amountRule'
import { everyCell } from './field'
import { layer, MATERIAL } from './definition'

const REACHES = ['sulcus', 'toes'] as const
/** The wedge comes in over this share of the length. */
const COMES_IN = [0.4, 0.58] as const
/** In front of the heads it runs so far to the sulcus, and out over so much, mm. */
const SULCUS_MM = 14
const OUT_MM = 10
/** It is thin under the pad of the head at its low side, mm beside the head. */
const PAD_MM = 11
/** Between heads 1 and 5 of a usual forefoot, mm: the sheet is this wide. */
const USUAL_WIDTH_MM = 66
const ANGLE: AmountRule = {
  key: 'angleDeg',
  label: 'angle, + varus',
  unit: '°',
  step: 1,
  fallback: 3,
  presets: [2, 3, 4],
  usual: [-6, 6],
  range: [-45, 45],
}

/** A wedge that reaches under the heads: it tilts the forefoot itself, as a post behind them does not. */
export const forefootWedge = layer({
  kind: 'forefootWedge',
  name: 'Forefoot wedge',
  call: 'ballwedge',
  does: 'tilts the ball of the foot itself',
  plain: 'a soft slope under the ball of the foot',
  where: 'forefoot · under heads 1–5',
  child: 'not in a growing foot: it has no adult presets',
  insensate: 'soft, run out long: no tilt that presses where nothing is felt',
  phase: 'tilt',
  lies: 'on the shell',
  edged: false,
  pushes: true,
  onPlain: false,
  amounts: [ANGLE],
  schema: {
    angleDeg: stored(ANGLE),
    reach: z.enum(REACHES).default('sulcus'),
    material: z.string().min(1).max(40).default('eva-50'),
  },
  choices: [{ key: 'reach', label: 'to the', of: REACHES }, MATERIAL],
  more: (layer) => [`to the ${layer.reach}`, layer.material],
  sheet: {
    words: 'Forefoot wedge',
    material: (layer) => layer.material,
    thicknessMm: (layer) => acrossMm(Math.abs(layer.angleDeg), USUAL_WIDTH_MM),
    cut: 'change',
    underBallMm: (layer) => acrossMm(Math.abs(layer.angleDeg), USUAL_WIDTH_MM) / 2,
    underHeel: false,
  },
  clashes: [],
  asked: (layer, field) =>
    acrossMm(Math.abs(layer.angleDeg), field.sole.heads[0]!.x - field.sole.heads[4]!.x),
  reach: (field) => ({
    x: [-90, 90],
    y: [COMES_IN[0] * field.sole.parameters.lengthMm, field.sole.parameters.lengthMm + 20],
  }),
  change: (field, layer) => {
    const slope = Math.tan(radians(layer.angleDeg))
    const [first, , , , fifth] = field.sole.heads
    const thinX = layer.angleDeg > 0 ? fifth!.x - PAD_MM : first!.x + PAD_MM
    const ends = layer.reach === 'sulcus'
    return everyCell(
      field,
      (s) => slope * S(s, ...COMES_IN),
      (i, g) =>
        Math.max(0, g * (field.x[i]! - thinX)) *
        (ends ? 1 - S(field.q[i]!, SULCUS_MM, SULCUS_MM + OUT_MM) : 1),
    )
  },
  achieved: (field, layer) => {
    const [first, , , , fifth] = field.sole.heads
    return {
      mm: acrossMm(Math.abs(layer.angleDeg), first!.x - fifth!.x),
      xMm: first!.x,
      yMm: first!.y,
    }
  },
})
