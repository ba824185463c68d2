import type { ShellBody } from './bodySolid'
import { cupFloor } from './cupDepth'
import { floorUnder } from './thinned'

/** Three numbers that a caliper reads off a finished device on a flat bench, mm. */
export const CALIPER_PLACES = ['heelMm', 'archMm', 'postMm'] as const
export type CaliperPlace = (typeof CALIPER_PLACES)[number]
export type Calipers = Record<CaliperPlace, number | null>

/** Where the arch is read: a share of the length, half way to the inner border. */
const ARCH_SHARE = 0.42

/**
 * Heel: from the cup's lowest place to the bench. Arch: the top of the shell over the bench. Post: its block at
 * its high corner. Null where the device has none of it.
 */
export function calipersOf(body: ShellBody): Calipers {
  const { field } = body.surface
  const floor = floorUnder(field, body.inside, body.bottom) ?? (() => body.floorMm)
  // A body that lies on an edge has no floor under some of its places.
  const over = (i: number): number | null => {
    const mm = body.shellTop[i]! - floor(i)
    return Number.isFinite(mm) ? mm : null
  }
  const heel = cupFloor(body)
  const { lengthMm } = field.sole.parameters
  const [x, y] = [field.sole.medial(ARCH_SHARE * lengthMm) / 2, ARCH_SHARE * lengthMm]
  const arch =
    Math.floor((y - field.y0) / field.stepMm) * field.columns +
    Math.floor((x - field.x0) / field.stepMm)
  let postMm = 0
  for (let i = 0; i < body.bottom.length; i++)
    if (body.isBase[i] && (body.blocks[body.blockOf[i]!]?.post ?? null) !== null)
      postMm = Math.max(postMm, body.shellBottom[i]! - body.bottom[i]!)
  return {
    heelMm: heel === null ? null : over(heel),
    archMm: body.inside[arch]! > 0 ? over(arch) : null,
    postMm: postMm > 0 ? postMm : null,
  }
}
