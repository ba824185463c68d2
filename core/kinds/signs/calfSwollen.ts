import { sign } from './definition'

export const calfSwollen = sign({
  kind: 'calfSwollen',
  ask: 'a painful, swollen calf',
  refer: 'calf pain with swelling: at once',
  childOnly: false,
  lookFor: false,
})
