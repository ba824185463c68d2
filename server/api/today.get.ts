import { getQuery } from 'h3'
import { freshest } from '../database/freshest'
import type { Asked } from '../database/places'
import { database } from '../database/pool'
import { unfinished, visitsBetween } from '../database/visits'
import { isoDay } from '../../core/record/isoDay'
import { dayBounds, localDay } from '../http/day'
import { forHand } from '../http/forHand'
import { HttpProblem } from '../http/problem'
import { route } from '../http/route'

/** A day of a place or of the whole shop, the same for all who ask at once. */
const dayOf = freshest(async ({ day, ...asked }: Asked & { day: string }) => {
  const [visits, open] = await Promise.all([
    visitsBetween(database(), asked, ...dayBounds(new Date(`${day}T12:00`))),
    unfinished(database(), asked, localDay()),
  ])
  return { day, today: localDay(), visits, unfinished: open.rows, unfinishedInAll: open.all }
})

/**
 * Today's visits at this place, or those of another day (`day=YYYY-MM-DD`), and what is unfinished here;
 * with `at=all` at every place of the shop. A bench hand sees codes, not names or reasons.
 */
export default route({ permission: 'today.see' }, async ({ event, person }) => {
  const { shopId, placeId, role } = person
  const day = String(getQuery(event).day ?? localDay())
  if (!isoDay.safeParse(day).success)
    throw new HttpProblem(400, 'bad-day', 'Write the day as YYYY-MM-DD.', { path: 'day' })
  const today = await dayOf({ shopId, day, ...(getQuery(event).at !== 'all' && { placeId }) })
  if (role !== 'bench') return today
  return {
    ...today,
    visits: today.visits.map(forHand),
    unfinished: today.unfinished.map((o) => ({ ...o, name: o.code })),
  }
})
