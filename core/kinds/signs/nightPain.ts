import { sign } from './definition'

export const nightPain = sign({
  kind: 'nightPain',
  ask: 'night pain with weight loss or fever',
  refer: 'night pain with weight loss or fever',
  childOnly: false,
  lookFor: false,
})
