import { sign } from './definition'

export const suddenNumb = sign({
  kind: 'suddenNumb',
  ask: 'sudden numbness or weakness',
  refer: 'sudden numbness or weakness',
  childOnly: false,
  lookFor: false,
})
