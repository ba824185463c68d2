import { backpacking } from './backpacking'
import { ballet } from './ballet'
import { climbing } from './climbing'
import { court } from './court'
import { crossCountry } from './crossCountry'
import { dancing } from './dancing'
import { dress } from './dress'
import { figureSkating } from './figureSkating'
import { football } from './football'
import { freeride } from './freeride'
import { golf } from './golf'
import { hiking } from './hiking'
import { hockey } from './hockey'
import { horseRiding } from './horseRiding'
import { houseShoe } from './houseShoe'
import { inline } from './inline'
import { military } from './military'
import { mountainRiding } from './mountainRiding'
import { mountaineering } from './mountaineering'
import { office } from './office'
import { piste } from './piste'
import { roadRiding } from './roadRiding'
import { running } from './running'
import { school } from './school'
import { skiRace } from './skiRace'
import { skiTouring } from './skiTouring'
import { snowboardHard } from './snowboardHard'
import { snowboardSoft } from './snowboardSoft'
import { structuralFire } from './structuralFire'
import { telemark } from './telemark'
import { trackRiding } from './trackRiding'
import { trackSpikes } from './trackSpikes'
import { trailRunning } from './trailRunning'
import { walking } from './walking'
import { ward } from './ward'
import { wildlandFire } from './wildlandFire'
import { workSafety } from './workSafety'
import { registry } from '../registry'
import type { ActivityDefinition } from './definition'

/** What clients do in their footwear, in groups. */
const LIST = [
  skiTouring,
  piste,
  skiRace,
  freeride,
  telemark,
  crossCountry,
  snowboardSoft,
  snowboardHard,
  mountaineering,
  climbing,
  hiking,
  backpacking,
  hockey,
  figureSkating,
  inline,
  roadRiding,
  trackRiding,
  mountainRiding,
  running,
  trailRunning,
  trackSpikes,
  court,
  football,
  golf,
  horseRiding,
  dancing,
  ballet,
  military,
  wildlandFire,
  structuralFire,
  workSafety,
  ward,
  office,
  school,
  walking,
  dress,
  houseShoe,
] as const

export type Activity = (typeof LIST)[number]['kind']
export const ACTIVITIES = registry<ActivityDefinition<Activity>>(LIST)
