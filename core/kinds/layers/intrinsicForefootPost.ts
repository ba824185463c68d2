import { acrossMm, radians } from '../../geometry/tilt'
import { sampleGrid } from '../../geometry/grid'
import { smoothstep as S } from '../../geometry/smoothstep'
import { storedIfTyped, type AmountRule } from './amountRule'
import type { SoleField } from '../../geometry/soleField'
import { everyCell } from './field'
import { layer } from './definition'

/**
 * The level platform is full from so far behind the heads on (a shell's front edge lies up to 8 mm
 * behind them, and is ground thin over 10 more: it carries behind that), and blends into the arch over this length, mm.
 */
const PLATFORM_MM = 18
const BLEND_MM = 30
/** The pad under a head reaches so far beyond its middle: the level is that of its outer end, mm. */
const PAD_MM = 8

/**
 * What a platform makes of the surface, mm: the forefoot's slope is taken out of it down to the
 * lowest of the heads, the fifth in varus and the first in valgus; the top only goes down.
 *
 * @param angleDeg of the forefoot, + varus
 */
export function platformChange(field: SoleField, angleDeg: number): Float64Array {
  const [first, , , , fifth] = field.sole.heads
  const slope = Math.tan(radians(angleDeg))
  const lowX = angleDeg > 0 ? fifth!.x - PAD_MM : first!.x + PAD_MM
  return everyCell(
    field,
    () => slope || 0,
    (i, g) =>
      -Math.max(0, g * (field.x[i]! - lowX)) *
      S(field.q[i]!, -PLATFORM_MM - BLEND_MM, -PLATFORM_MM) *
      // The forefoot's own angle comes in over this share of the length.
      S(field.s[i]!, 0.42, 0.62),
  )
}
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
  lies: 'cast',
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
  change: (field, layer) =>
    platformChange(field, layer.angleDeg ?? field.sole.parameters.forefootDeg),
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
