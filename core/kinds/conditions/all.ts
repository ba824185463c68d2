import { amputation } from './amputation'
import { bloodThinners } from './bloodThinners'
import { diabetes } from './diabetes'
import { hypermobility } from './hypermobility'
import { inflammatoryArthritis } from './inflammatoryArthritis'
import { kidneyFailure } from './kidneyFailure'
import { neuropathy } from './neuropathy'
import { osteoarthritis } from './osteoarthritis'
import { pastUlcer } from './pastUlcer'
import { poorCirculation } from './poorCirculation'
import { pregnancy } from './pregnancy'
import { recentOperation } from './recentOperation'
import { smoking } from './smoking'
import { registry } from '../registry'
import type { ConditionDefinition } from './definition'

/** Conditions that matter to feet and footwear, in the order in which they are asked. */
const LIST = [
  diabetes,
  neuropathy,
  poorCirculation,
  pastUlcer,
  amputation,
  kidneyFailure,
  smoking,
  inflammatoryArthritis,
  osteoarthritis,
  hypermobility,
  pregnancy,
  bloodThinners,
  recentOperation,
] as const

export type Condition = (typeof LIST)[number]['kind']
export const CONDITIONS = registry<ConditionDefinition<Condition>>(LIST)
export const CONDITION_KINDS = CONDITIONS.kinds
