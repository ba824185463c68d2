import { sign } from './definition'

export const suddenPop = sign({
  kind: 'suddenPop',
  ask: 'a sudden pop or gap in the calf or Achilles tendon',
  refer: 'sudden pop or gap in calf or Achilles tendon',
  childOnly: false,
  lookFor: false,
})
