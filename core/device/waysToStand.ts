import { layerSchema } from '../kinds/layers/all'
import { parseWith } from '../record/parse'
import { deviceSchema, type Device } from '../record/schema'
import { isStabilised } from './blocks'
import { STANDING, type Stands } from './stands'
import { postAngleDeg } from './surface'

/** A post that was given motion is meant to let the heel roll in. */
const isMeantToRoll = (device: Device) => device.posts.some((p) => (p.motionDeg ?? 0) > 0)

/** What is wrong with how a device stands, the worst first; null where it stands as it should. */
export function wrongWith(
  stands: Stands | null,
  device: Device,
): 'falls-over' | 'rocks' | 'stands-on-an-edge' | 'hangs' | null {
  if (!stands) return 'falls-over'
  if (stands.rocks && !isMeantToRoll(device)) return 'rocks'
  if (Math.abs(stands.rollDeg) > STANDING.rollsDeg) return 'stands-on-an-edge'
  return stands.baseGapMm > STANDING.hangsMm ? 'hangs' : null
}

/** Does it stand as a device should: level, on all that it should stand on, without rocking? */
export const isSteady = (stands: Stands | null, device: Device): boolean =>
  wrongWith(stands, device) === null

/** A change that makes a device stand, and the device with it. */
export interface WayToStand {
  id: 'flat-post' | 'platform' | 'wedge' | 'grind-flat'
  words: string
  device: Device
}

const LEVEL_DEG = 1
const half = (deg: number) => Math.round(deg * 2) / 2

/**
 * Ways to make a device stand that does not: the forefoot held by shape or by a wedge below, a flat post
 * under the heel, the heel ground flat. Each is offered where the device has nothing of the kind yet.
 *
 * @param forefootDeg the forefoot's own angle, + varus
 */
export function waysToStand(
  stands: Stands | null,
  device: Device,
  forefootDeg: number,
): WayToStand[] {
  if (isSteady(stands, device)) return []
  const out: WayToStand[] = []
  const isLevelled =
    device.layers.some((l) => l.on && l.kind === 'intrinsicForefootPost') ||
    device.posts.some((p) => p.at === 'forefoot')
  const leftDeg = half(forefootDeg - postAngleDeg(device, 'forefoot'))
  const withPost = (post: object) =>
    parseWith(deviceSchema, { ...device, posts: [...device.posts, post] }, 'device')
  if (Math.abs(forefootDeg) >= LEVEL_DEG && !isLevelled) {
    const layers = [...device.layers, layerSchema.parse({ kind: 'intrinsicForefootPost' })]
    const words = `Platform: hold the forefoot’s ${half(forefootDeg)}° by shape`
    out.push({ id: 'platform', words, device: { ...device, layers } })
    out.push({
      id: 'wedge',
      words: `Wedge of ${leftDeg}° below the front`,
      device: withPost({ at: 'forefoot', style: 'extrinsic', angleDeg: leftDeg }),
    })
  }
  if (!device.posts.some((p) => p.at === 'rearfoot' && p.style === 'extrinsic')) {
    out.push({
      id: 'flat-post',
      words: 'Flat post 0° under the heel',
      device: withPost({ at: 'rearfoot', style: 'extrinsic', angleDeg: 0 }),
    })
    if (!isStabilised(device))
      out.push({
        id: 'grind-flat',
        words: 'Grind the heel flat',
        device: { ...device, heelStabiliser: true },
      })
  }
  return out
}
