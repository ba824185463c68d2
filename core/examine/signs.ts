import type { Sign } from '../record/vocabulary'

/** Questions asked before anything is made; a yes is looked at by somebody entitled to it first. */
export const SIGN_WORDS: Record<Sign, { ask: string; refer: string; childOnly?: true }> = {
  openWound: { ask: 'an open wound or ulcer on a foot', refer: 'open wound or ulcer' },
  hotSwollen: { ask: 'a hot, swollen foot', refer: 'hot swollen foot' },
  fracture: {
    ask: 'a fresh injury that might be a fracture, or an infection',
    refer: 'suspected fracture or infection',
  },
  suddenNumb: { ask: 'sudden numbness or weakness', refer: 'sudden numbness or weakness' },
  calfSwollen: { ask: 'a painful, swollen calf', refer: 'calf pain with swelling: at once' },
  childLimps: {
    ask: 'limping, or pain at night',
    refer: 'child limping or in night pain',
    childOnly: true,
  },
  changingShape: { ask: 'a foot that changes its shape quickly', refer: 'rapidly changing shape' },
  suddenPop: {
    ask: 'a sudden pop or gap in the calf or Achilles tendon',
    refer: 'sudden pop or gap in calf or Achilles tendon',
  },
  archDropped: {
    ask: 'an arch that came down, and no heel raise on one leg',
    refer: 'arch dropping with no single-leg heel raise',
  },
  restPainHanging: {
    ask: 'pain at rest that hanging the foot down relieves',
    refer: 'pain at rest relieved by hanging the foot',
  },
  newColdFoot: { ask: 'a foot newly pale, blue or cold', refer: 'new pale, blue or cold foot' },
  spreadingRedness: { ask: 'redness that spreads', refer: 'spreading redness' },
  nightPain: {
    ask: 'night pain with weight loss or fever',
    refer: 'night pain with weight loss or fever',
  },
}
