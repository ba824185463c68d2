import { sign } from './definition'

export const newColdFoot = sign({
  kind: 'newColdFoot',
  ask: 'a foot newly pale, blue or cold',
  refer: 'new pale, blue or cold foot',
  childOnly: false,
  lookFor: true,
})
