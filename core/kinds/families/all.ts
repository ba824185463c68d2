import { dressShoe } from './dressShoe'
import { lacedBoot } from './lacedBoot'
import { ridingShoe } from './ridingShoe'
import { rigidShell } from './rigidShell'
import { shoe } from './shoe'
import { skate } from './skate'
import { workBoot } from './workBoot'
import { registry } from '../registry'
import type { FamilyDefinition } from './definition'

/** Families of footwear, from the hardest to the softest. */
const LIST = [rigidShell, skate, lacedBoot, ridingShoe, workBoot, shoe, dressShoe] as const

export type Family = (typeof LIST)[number]['kind']
export const FAMILY_KINDS = registry<FamilyDefinition<Family>>(LIST)
export const FAMILIES = FAMILY_KINDS.kinds
