import { sign } from './definition'

export const fracture = sign({
  kind: 'fracture',
  ask: 'a fresh injury that might be a fracture, or an infection',
  refer: 'suspected fracture or infection',
  childOnly: false,
  lookFor: true,
})
