import { baseThickness } from './baseThickness'
import { castAngle } from './castAngle'
import { coverThickness } from './coverThickness'
import { frontEdge } from './frontEdge'
import { gradedArch } from './gradedArch'
import { gradedFront } from './gradedFront'
import { gradedHeel } from './gradedHeel'
import { heelCup } from './heelCup'
import { heelLift } from './heelLift'
import { invertedCast } from './invertedCast'
import { lateralTop } from './lateralTop'
import { liftTaper } from './liftTaper'
import { medialTop } from './medialTop'
import { shellThickness } from './shellThickness'
import { wantedMoment } from './wantedMoment'
import { registry } from '../registry'
import type { BodyAmount } from './definition'

/** Every number of a device's body, in the order of the studio. */
const LIST = [
  shellThickness,
  gradedHeel,
  gradedArch,
  gradedFront,
  coverThickness,
  baseThickness,
  heelCup,
  medialTop,
  lateralTop,
  frontEdge,
  castAngle,
  invertedCast,
  heelLift,
  liftTaper,
  wantedMoment,
] as const

export type BodyKind = (typeof LIST)[number]['kind']
export const BODY_AMOUNTS = registry<BodyAmount<BodyKind>>(LIST)
