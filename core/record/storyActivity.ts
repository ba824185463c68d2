import { ACTIVITIES, type Activity } from '../kinds/activities/all'
import type { ActivityDefinition } from '../kinds/activities/definition'
import { FAMILY_KINDS, type Family } from '../kinds/families/all'
import type { FittingRecord } from './schema'

/** What is known about an activity of a story; undefined for one in the client's own words. */
export const activityOf = (id: string | undefined): ActivityDefinition<Activity> | undefined =>
  id === undefined ? undefined : ACTIVITIES.find(id)

/** Families that suit an activity; null, every family, when it is unknown. */
export const familiesFor = (activity: string | undefined): readonly Family[] | null =>
  activityOf(activity)?.families ?? null

export const activityName = (id: string | undefined): string | undefined =>
  activityOf(id)?.name ?? id

/** Is the activity's footwear rigid and snug? */
export const isBootActivity = (activity: string | undefined): boolean =>
  activityOf(activity)?.families.some((f) => FAMILY_KINDS.of(f).boot) ?? false

/** Room that footwear for this activity and intent leaves under a device. */
export const deviceRoom = ({ story }: Pick<FittingRecord, 'story'>): 'low' | 'usual' =>
  story?.intent === 'race' || activityOf(story?.activity)?.lowRoom ? 'low' : 'usual'
