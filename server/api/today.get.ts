import { getQuery } from 'h3'
import { freshest } from '../database/freshest'
import type { Asked } from '../database/places'
import { database } from '../database/pool'
import { unfinished, visitsBetween } from '../database/visits'
import { dayBounds, localDay } from '../http/day'
import { route } from '../http/route'

/** The day of a place or of the whole shop, the same for all who ask at once. */
const dayOf = freshest(async (asked: Asked) => {
  const [visits, open] = await Promise.all([
    visitsBetween(database(), asked, ...dayBounds()),
    unfinished(database(), asked, localDay()),
  ])
  return { day: localDay(), visits, unfinished: open }
})

/**
 * Today's visits at this place and what is unfinished here; with `at=all` at every place of the shop. A
 * bench hand sees codes, not names or reasons.
 */
export default route({ permission: 'today.see' }, async ({ event, person }) => {
  const { shopId, placeId, role } = person
  const today = await dayOf(getQuery(event).at === 'all' ? { shopId } : { shopId, placeId })
  if (role !== 'bench') return today
  return {
    ...today,
    visits: today.visits.map((v) => ({
      ...v,
      name: null,
      occupation: null,
      bornOn: null,
      reason: '',
    })),
    unfinished: today.unfinished.map((o) => ({ ...o, name: o.code })),
  }
})
