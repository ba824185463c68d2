import { decodeSurface } from '../record/surfaceHeights'
import { radians } from '../geometry/tilt'
import { columnX, type Grid } from '../geometry/grid'
import type { Foot } from '../record/schema'
import { capturedPlan, layCaptured } from './capturedPlan'
import { correctCast } from './castCorrections'
import { sampleSole } from './soleField'
import type { SoleField, SoleParameters } from '../geometry/soleField'
import { soleParameters, type AssumedParameter, type SoleRows } from './soleParameters'

/** What the devices of a foot are built on. */
export interface FootField {
  field: SoleField
  assumed: AssumedParameter[]
  from: 'captured' | 'readings'
}

/** Is there a captured surface that devices are to be built on? */
export const usesCaptured = (foot: Foot): boolean =>
  foot.capture?.surface !== undefined && foot.capture.use === 'captured'

/** Everything that the field of a foot depends on, as a key for keeping it. */
export const fieldKey = (foot: Foot, rows: SoleRows): string =>
  JSON.stringify([
    soleParameters(foot, rows)?.parameters,
    usesCaptured(foot) && [foot.capture!.surface, foot.capture!.corrections],
  ])

/**
 * A captured sole rolled so that its heel stands upright, as the closed form does; the prescribed
 * cast angle is added by the device.
 */
function upright(grid: Grid, heelDeg: number): Grid {
  const slope = Math.tan(radians(heelDeg))
  return { ...grid, z: grid.z.map((z, i) => z - slope * columnX(grid, i % grid.columns)) }
}

/**
 * The sole that devices of a foot are built on, sampled: the captured surface with its corrections
 * where one was taken, else the closed form from the readings. Null without a foot length and
 * without a capture.
 *
 * @param stepMm 1 for making, 2 for estimates
 */
export function footField(foot: Foot, rows: SoleRows, stepMm = 1): FootField | null {
  const read = soleParameters(foot, rows)
  if (!usesCaptured(foot))
    return (
      read && {
        field: sampleSole(read.parameters, stepMm),
        assumed: read.assumed,
        from: 'readings',
      }
    )
  const surface = foot.capture!.surface!
  const parameters: SoleParameters = {
    ...(read?.parameters ?? {
      navicularHeightMm: rows.assumedShape.navicularMm,
      castDeg: 0,
      secondToeLeadMm: -3,
      lateralArchMm: 2.2,
    }),
    lengthMm: surface.lengthMm,
    forefootWidthMm: surface.forefootWidthMm,
    heelWidthMm: surface.heelWidthMm,
    forefootDeg: surface.forefootDeg,
  }
  const grid = upright(decodeSurface(surface), surface.heelDeg)
  const field = sampleSole(parameters, stepMm, capturedPlan(surface, grid, 0.13 * surface.lengthMm))
  layCaptured(field, grid)
  correctCast(field, foot.capture!.corrections ?? [])
  return { field, assumed: [], from: 'captured' }
}
