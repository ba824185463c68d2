import { sign } from './definition'

export const restPainHanging = sign({
  kind: 'restPainHanging',
  ask: 'pain at rest that hanging the foot down relieves',
  refer: 'pain at rest relieved by hanging the foot',
  childOnly: false,
  lookFor: false,
})
