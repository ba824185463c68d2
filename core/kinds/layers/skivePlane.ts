import { radians } from '../../geometry/tilt'
import type { SoleField } from '../../geometry/soleField'
import { smoothstep as S } from '../../geometry/smoothstep'
import { everyCell, scaleToPeak } from './field'

const SKIVE_PLANE = Math.tan(radians(15))

/** Where a skive lies: the whole heel, faded out in front of it. */
export const HEEL_FADE = [0.2, 0.27] as const

/**
 * The plane of a heel skive, inclined 15° and raised by the depth through the inner third of the
 * heel (Kirby's medial skive; side +1 medial, −1 lateral), where it stands above the surface that
 * the shaping layers left; faded out in front of the heel and scaled so that its peak is the depth.
 * The surface is taken in the heel's own frame, without tilts and lift: a post turns the skive with
 * the heel.
 *
 * @param forward slope along the foot, from the heel's centre on
 * @param fade shares of the length between which it runs out
 */
export function skivePlane(
  field: SoleField,
  current: Float64Array,
  depthMm: number,
  side: 1 | -1,
  forward: number,
  fade: readonly [number, number],
): Float64Array {
  // A 0 mm skive is off: its plane would still cut the border.
  if (depthMm === 0) return new Float64Array(current.length)
  const third = field.sole.parameters.heelWidthMm / 6
  const start = field.sole.heelCentreY
  const change = everyCell(
    field,
    (s) => 1 - S(s, fade[0], fade[1]),
    (i, gate) => {
      const plane =
        depthMm +
        SKIVE_PLANE * (side * field.x[i]! - third) +
        forward * Math.max(0, field.y[i]! - start)
      return Math.max(0, plane - current[i]!) * gate
    },
  )
  return scaleToPeak(field, change, depthMm)
}

/** No skive on a heel that may not feel it. */
export const notOnInsensate = (name: string) => ({
  code: 'skive-on-insensate',
  kind: 'stop' as const,
  when: (_: unknown, around: { mayNotFeel: boolean }) => around.mayNotFeel,
  words: `${name} on a heel that may not feel it. No skive or hard edge here; licensed practice only.`,
  triggers: ['story.conditions'],
})
