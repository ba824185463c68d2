import { sign } from './definition'

export const spreadingRedness = sign({
  kind: 'spreadingRedness',
  ask: 'redness that spreads',
  refer: 'spreading redness',
  childOnly: false,
  lookFor: true,
})
