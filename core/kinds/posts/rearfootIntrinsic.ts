import { angleDeg } from './amounts'
import { post } from './definition'

/** The cast balanced to an angle at the heel: no block below. */
export const rearfootIntrinsic = post({
  kind: 'rearfootIntrinsic',
  at: 'rearfoot',
  style: 'intrinsic',
  name: 'Rearfoot post',
  call: 'post',
  plain: (deg) =>
    deg > 0
      ? 'a heel that stands steadier on its inner side'
      : 'a heel that stands steadier on its outer side',
  child: 'a growing foot without complaint is not corrected',
  insensate: 'no tilt that presses where nothing is felt',
  takesRoom: false,
  amounts: [angleDeg('Rearfoot post', '+ varus, tilts out')],
  over: 'heel',
  drawn: 'section',
})
