import { angleDeg, lengthMm } from './amounts'
import { post } from './definition'

/** A wedge set on below the front of the shell. */
export const forefootExtrinsic = post({
  kind: 'forefootExtrinsic',
  at: 'forefoot',
  style: 'extrinsic',
  name: 'Forefoot post',
  call: 'forepost',
  plain: () => 'an even stand for the ball of the foot',
  child: 'a growing foot without complaint is not corrected',
  insensate: 'soft, run out long',
  takesRoom: true,
  amounts: [angleDeg('Forefoot post', '+ varus'), { ...lengthMm, note: 'behind the front edge' }],
  over: 'forefoot',
  drawn: 'section',
})
