import { sign } from './definition'

export const childLimps = sign({
  kind: 'childLimps',
  ask: 'limping, or pain at night',
  refer: 'child limping or in night pain',
  childOnly: true,
  lookFor: false,
})
