import { ACTIVITIES, type Activity } from '../kinds/activities/all'
import type { ActivityDefinition } from '../kinds/activities/definition'
import { definitionOf } from '../kinds/activities/own'
import { FAMILY_KINDS, type Family } from '../kinds/families/all'
import type { FittingRecord, Story } from './schema'

/** What of a story says what the footwear is for. */
export type ActivityTold = Pick<Story, 'activity' | 'ownActivity'>

/** What is known about an activity by its kind; undefined for one in the client's own words. */
export const activityOf = (id: string | undefined): ActivityDefinition<Activity> | undefined =>
  id === undefined ? undefined : ACTIVITIES.find(id)

/** The shop's own activity of a story, where that is what it is for. */
export const ownActivityOf = (story: ActivityTold | undefined) =>
  story?.ownActivity?.like === story?.activity ? story?.ownActivity : undefined

/**
 * What is known about what the footwear of a story is for: the shop's own activity where it is one;
 * undefined for one in the client's own words.
 */
export function activityTold(
  story: ActivityTold | undefined,
): ActivityDefinition<Activity> | undefined {
  const own = ownActivityOf(story)
  return own ? definitionOf(own) : activityOf(story?.activity)
}

/** Families that suit what a story is for; null, every family, when it is unknown. */
export const familiesFor = (story: ActivityTold | undefined): readonly Family[] | null =>
  activityTold(story)?.families ?? null

/** What a kind of activity is called; the words themselves where it is none. */
export const activityName = (id: string | undefined): string | undefined =>
  activityOf(id)?.name ?? id

/** What a story is for, by name or in the client's words. */
export const activityWords = (story: ActivityTold | undefined): string | undefined =>
  activityTold(story)?.name ?? story?.activity

/** Is the footwear of what it is for rigid and snug? */
export const isBootActivity = (story: ActivityTold | undefined): boolean =>
  activityTold(story)?.families.some((f) => FAMILY_KINDS.of(f).boot) ?? false

/** Room that footwear for this activity and intent leaves under a device. */
export const deviceRoom = ({ story }: Pick<FittingRecord, 'story'>): 'low' | 'usual' =>
  story?.intent === 'race' || activityTold(story)?.lowRoom ? 'low' : 'usual'
