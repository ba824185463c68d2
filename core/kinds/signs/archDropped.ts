import { sign } from './definition'

export const archDropped = sign({
  kind: 'archDropped',
  ask: 'an arch that came down, and no heel raise on one leg',
  refer: 'arch dropping with no single-leg heel raise',
  childOnly: false,
  lookFor: false,
})
