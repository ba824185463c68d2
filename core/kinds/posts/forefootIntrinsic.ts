import { angleDeg } from './amounts'
import { post } from './definition'

/** The front of the cast balanced to an angle. */
export const forefootIntrinsic = post({
  kind: 'forefootIntrinsic',
  at: 'forefoot',
  style: 'intrinsic',
  name: 'Forefoot post',
  call: 'forepost',
  plain: () => 'an even stand for the ball of the foot',
  child: 'a growing foot without complaint is not corrected',
  insensate: 'no tilt that presses where nothing is felt',
  takesRoom: false,
  amounts: [angleDeg('Forefoot post', '+ varus')],
  over: 'forefoot',
  drawn: 'section',
})
