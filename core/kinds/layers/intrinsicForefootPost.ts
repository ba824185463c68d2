import { acrossMm, radians } from '../../geometry/tilt'
import { sampleGrid } from '../../geometry/grid'
import { smoothstep as S } from '../../geometry/smoothstep'
import { storedIfTyped, type AmountRule } from './amountRule'
import { everyCell } from './field'
import { layer } from './definition'

/** The level platform begins so far behind the heads, and blends into the arch over this length, mm. */
const PLATFORM_MM = 8
const BLEND_MM = 30
const ANGLE: AmountRule = {
  key: 'angleDeg',
  label: 'angle, + varus',
  unit: '°',
  step: 1,
  fallback: 0,
  presets: [2, 4, 6],
  usual: [-8, 8],
  range: [-45, 45],
}

/** A level platform across heads 1 to 5: the slope of the forefoot is taken out of the surface under
 * the heads, so that the edge lies flat while the heel stands where it was balanced; blended out
 * behind over 30 mm. Without a typed angle it is the forefoot's own. */
export const intrinsicForefootPost = layer({
  kind: 'intrinsicForefootPost',
  name: 'Intrinsic forefoot post',
  call: 'platform',
  does: 'holds the forefoot angle by a level platform',
  plain: 'an even stand for the ball of the foot',
  where: 'cast · under heads 1–5',
  child: 'a growing forefoot is left as it is unless somebody entitled to it asks',
  insensate: 'soft and flat at its edge: the skin does not warn',
  phase: 'tilt',
  edged: false,
  pushes: false,
  onPlain: false,
  amounts: [ANGLE],
  schema: { angleDeg: storedIfTyped(ANGLE) },
  main: (layer, forefootDeg) => layer.angleDeg ?? forefootDeg,
  more: () => [],
  sheet: null,
  clashes: [],
  asked: (layer, field) =>
    acrossMm(
      Math.abs(layer.angleDeg ?? field.sole.parameters.forefootDeg),
      field.sole.heads[0]!.x - field.sole.heads[4]!.x,
    ),
  reach: ({ sole }) => ({
    x: [-90, 90],
    y: [
      Math.min(...sole.heads.map((h) => h.y)) - PLATFORM_MM - BLEND_MM,
      sole.parameters.lengthMm + 20,
    ],
  }),
  change: (field, layer) => {
    const slope = -Math.tan(radians(layer.angleDeg ?? field.sole.parameters.forefootDeg))
    return everyCell(
      field,
      () => slope || 0,
      (i, g) => g * field.x[i]! * S(field.q[i]!, -PLATFORM_MM - BLEND_MM, -PLATFORM_MM),
    )
  },
  achieved: (field, _, change) => {
    const [first, , , , fifth] = field.sole.heads
    const grid = { ...field, z: change }
    return {
      mm: Math.abs(sampleGrid(grid, first!.x, first!.y) - sampleGrid(grid, fifth!.x, fifth!.y)),
      xMm: first!.x,
      yMm: first!.y,
    }
  },
})
