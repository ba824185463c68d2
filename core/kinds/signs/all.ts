import { archDropped } from './archDropped'
import { calfSwollen } from './calfSwollen'
import { changingShape } from './changingShape'
import { childLimps } from './childLimps'
import { fracture } from './fracture'
import { hotSwollen } from './hotSwollen'
import { newColdFoot } from './newColdFoot'
import { nightPain } from './nightPain'
import { openWound } from './openWound'
import { restPainHanging } from './restPainHanging'
import { spreadingRedness } from './spreadingRedness'
import { suddenNumb } from './suddenNumb'
import { suddenPop } from './suddenPop'
import { registry } from '../registry'
import type { SignDefinition } from './definition'

/** Signs asked before anything is made. */
const LIST = [
  openWound,
  hotSwollen,
  fracture,
  suddenNumb,
  calfSwollen,
  childLimps,
  changingShape,
  suddenPop,
  archDropped,
  restPainHanging,
  newColdFoot,
  spreadingRedness,
  nightPain,
] as const

export type Sign = (typeof LIST)[number]['kind']
export const SIGNS = registry<SignDefinition<Sign>>(LIST)
export const SIGN_KINDS = SIGNS.kinds
