import { sign } from './definition'

export const openWound = sign({
  kind: 'openWound',
  ask: 'an open wound or ulcer on a foot',
  refer: 'open wound or ulcer',
  childOnly: false,
  lookFor: true,
})
