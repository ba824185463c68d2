import { addDays, subDays } from 'date-fns'
import { getQuery, setResponseHeader } from 'h3'
import { audit } from '../../database/audit'
import { database } from '../../database/pool'
import { listPeople } from '../../database/staff'
import { visitsBetween } from '../../database/visits'
import { visitCalendar } from '../../documents/visitCalendar'
import { nameFile } from '../../http/fileName'
import { here, route } from '../../http/route'

/** So far back and ahead a calendar file goes, days. */
const BACK = 30
const AHEAD = 365

/** Everybody's visits of the whole shop as a calendar file, or somebody's (`person=`): codes, no names. */
export default route({ permission: 'clients.export' }, async ({ event, person }) => {
  const { shopId } = person
  const db = database()
  const asked = getQuery(event).person
  const who =
    asked === undefined
      ? null
      : here((await listPeople(db, shopId)).find(({ id }) => id === String(asked)))
  const now = new Date()
  const visits = await visitsBetween(db, { shopId }, subDays(now, BACK), addDays(now, AHEAD))
  const own = visits.filter((v) => v.state !== 'absent' && (!who || v.personId === who.id))
  await audit(db, { shopId, person, action: 'document.visits' })
  setResponseHeader(event, 'content-type', 'text/calendar; charset=utf-8')
  nameFile(event, 'attachment', 'visits.ics')
  return visitCalendar(own, who ? `Visits with ${who.name}` : 'Visits', now)
})
