import { cleat } from './cleat'
import { climbingShoe } from './climbingShoe'
import { danceShoe } from './danceShoe'
import { dressShoe } from './dressShoe'
import { lacedBoot } from './lacedBoot'
import { ridingShoe } from './ridingShoe'
import { rigidShell } from './rigidShell'
import { shoe } from './shoe'
import { skate } from './skate'
import { softBoot } from './softBoot'
import { workBoot } from './workBoot'
import { registry } from '../registry'
import type { FamilyDefinition } from './definition'

/** Families of footwear, from the hardest to the softest. */
const LIST = [
  rigidShell,
  skate,
  softBoot,
  lacedBoot,
  ridingShoe,
  climbingShoe,
  workBoot,
  cleat,
  shoe,
  dressShoe,
  danceShoe,
] as const

export type Family = (typeof LIST)[number]['kind']
export const FAMILY_KINDS = registry<FamilyDefinition<Family>>(LIST)
export const FAMILIES = FAMILY_KINDS.kinds
