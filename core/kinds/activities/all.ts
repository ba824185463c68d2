import { dress } from './dress'
import { figureSkating } from './figureSkating'
import { hockey } from './hockey'
import { mountaineering } from './mountaineering'
import { roadRiding } from './roadRiding'
import { running } from './running'
import { skiTouring } from './skiTouring'
import { walking } from './walking'
import { ward } from './ward'
import { wildlandFire } from './wildlandFire'
import { registry } from '../registry'
import type { ActivityDefinition } from './definition'

/** What clients do in their footwear, in groups of footwear. */
const LIST = [
  skiTouring,
  mountaineering,
  hockey,
  figureSkating,
  wildlandFire,
  ward,
  roadRiding,
  running,
  walking,
  dress,
] as const

export type Activity = (typeof LIST)[number]['kind']
export const ACTIVITIES = registry<ActivityDefinition<Activity>>(LIST)
