import { angleDeg, lengthMm, motionDeg } from './amounts'
import { post } from './definition'

/** A block set on below the heel of the shell. */
export const rearfootExtrinsic = post({
  kind: 'rearfootExtrinsic',
  at: 'rearfoot',
  style: 'extrinsic',
  name: 'Rearfoot post',
  call: 'post',
  plain: (deg) =>
    deg > 0
      ? 'a heel that stands steadier on its inner side'
      : 'a heel that stands steadier on its outer side',
  child: 'a growing foot without complaint is not corrected',
  insensate: 'a soft block with a wide base, no edge at the skin',
  takesRoom: true,
  amounts: [angleDeg('Rearfoot post', '+ varus, tilts out'), lengthMm, motionDeg],
  over: 'heel',
  drawn: 'section',
})
