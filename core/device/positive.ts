import { clipDomain, interpolateOn } from '../geometry/clipDomain'
import { inspectMesh, type Mesh, type MeshReport } from '../geometry/mesh'
import { LAYERS } from '../kinds/layers/all'
import type { Device } from '../record/schema'
import type { SoleField } from '../geometry/soleField'
import { closedBetween } from './closedBetween'
import { lowerOffset } from './erode'
import { BORDER_LIMIT } from './sole'
import { buildSurface } from './surface'
import { borderOf, trimDevice } from './trim'

/** How a positive is made, mm (house sizes). */
const POSITIVE = {
  /** block behind the cast, that it is held by */
  baseMm: 20,
  /** it reaches so far over the highest top line, so that the sheet has something to lie on */
  overTopMm: 10,
  /** the trim line is a groove so deep and so wide to either side */
  grooveMm: 0.6,
  grooveHalfMm: 1.2,
} as const

/** The corrected cast that a sheet is pressed over. */
export interface Positive {
  /** sole down as the foot stands, mm in the foot's own frame */
  mesh: Mesh
  report: MeshReport
  /** height from the lowest place of the sole to the flat back of the base, mm */
  heightMm: number
}

/**
 * What of a device is on its cast: balance, platform, expansion, fills, skives, shave, supports, reliefs and
 * groove; nothing that is glued on, cut out or ground. A lift turns the finished shell as a whole.
 */
export const castOf = (device: Device): Device => ({
  ...device,
  heelLiftMm: 0,
  layers: device.layers.filter(({ kind }) => {
    const { lies, afterwards } = LAYERS.of(kind)
    return lies !== 'on the shell' && !afterwards
  }),
})

/**
 * The positive of a device as a closed body, for pressing and vacuum, right for milling: below it the
 * corrected sole with the trim line as a groove, straight walls over the highest top line, a flat base.
 *
 * @param allowanceMm thickness that is pressed between the positive and the shell, as a cover
 */
export function buildPositive(field: SoleField, device: Device, allowanceMm = 0): Positive {
  const cast = castOf(device)
  const { top } = buildSurface(field, cast)
  const { inside: trimmed, top: rim } = trimDevice(field, cast, top)
  const border = borderOf(field, cast)
  const plan = new Float64Array(field.z.length)
  for (let i = 0; i < plan.length; i++) plan[i] = planMm(field, border, i)
  const sole = allowanceMm > 0 ? lowerOffset(field, top, plan, allowanceMm) : top
  let [highest, lowest] = [-Infinity, Infinity]
  for (let i = 0; i < plan.length; i++) {
    if (trimmed[i]! > 0) highest = Math.max(highest, rim[i]!)
    if (plan[i]! > 0) lowest = Math.min(lowest, sole[i]!)
  }
  const back = Math.max(highest, lowest) + POSITIVE.overTopMm + POSITIVE.baseMm
  // The groove is cut into the sole: the body begins a little higher there.
  const under = sole.map((z, i) => {
    const near = 1 - Math.abs(trimmed[i]!) / POSITIVE.grooveHalfMm
    return Math.min(z + POSITIVE.grooveMm * Math.max(0, near), back - POSITIVE.baseMm)
  })
  const domain = clipDomain(field, plan)
  const mesh = closedBetween(
    domain,
    new Float64Array(domain.points.length / 2).fill(back),
    interpolateOn(domain, under),
    0,
  )
  return { mesh, report: inspectMesh(mesh), heightMm: back - lowest }
}

/** Distance inside the plan of the foot (+), mm. */
function planMm({ sole, from, to, columns, reach, y }: SoleField, border: Float64Array, i: number) {
  const row = Math.floor(i / columns)
  const column = i % columns
  if (column < from[row]! || column >= to[row]!) return -99
  return Math.min((BORDER_LIMIT - border[i]!) * reach[i]!, sole.parameters.lengthMm - y[i]!)
}
