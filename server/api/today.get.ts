import { database } from '../database/pool'
import { unfinished, visitsBetween } from '../database/visits'
import { dayBounds, localDay } from '../http/day'
import { route } from '../http/route'

/** Today's visits and what is unfinished. A bench hand sees codes, not names or reasons. */
export default route({ permission: 'today.see' }, async ({ person }) => {
  const [from, to] = dayBounds()
  const visits = await visitsBetween(database(), person.shopId, from, to)
  const open = await unfinished(database(), person.shopId, localDay())
  if (person.role !== 'bench') return { day: localDay(), visits, unfinished: open }
  return {
    day: localDay(),
    visits: visits.map((v) => ({ ...v, name: null, occupation: null, bornOn: null, reason: '' })),
    unfinished: open.map((o) => ({ ...o, name: o.code })),
  }
})
