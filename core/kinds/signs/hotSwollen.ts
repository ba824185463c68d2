import { sign } from './definition'

export const hotSwollen = sign({
  kind: 'hotSwollen',
  ask: 'a hot, swollen foot',
  refer: 'hot swollen foot',
  childOnly: false,
  lookFor: true,
})
