import type { Condition } from '../kinds/conditions/all'
import type { Complaint, FittingRecord } from './schema'

type Told = Pick<FittingRecord, 'client' | 'story'>

/** What was told of a client's health, in this fitting or before: conditions are the client's. */
export const conditionsOf = ({ client, story }: Told): Condition[] => [
  ...new Set([...(client?.conditions ?? []), ...(story?.conditions ?? [])]),
]

/** Breaks, operations and the like, in this fitting or before. */
export const historyOf = ({ client, story }: Told) => [
  ...(client?.history ?? []),
  ...(story?.history ?? []),
]

/** What hurts or goes numb: a score of 0 is no pain. */
export const complaintsOf = ({ story }: Told): Complaint[] =>
  (story?.complaints ?? []).filter((c) => c.score !== 0 || c.numb === true)
