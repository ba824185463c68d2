import { setResponseHeader } from 'h3'
import { audit } from '../../database/audit'
import { dueRows } from '../../database/due'
import { database } from '../../database/pool'
import { dueCalendar } from '../../documents/dueCalendar'
import { localDay } from '../../http/day'
import { nameFile } from '../../http/fileName'
import { route } from '../../http/route'

/** Reminders as a calendar file: client codes, no names. */
export default route({ permission: 'clients.export' }, async ({ event, person }) => {
  const rows = await dueRows(database(), person.shopId, localDay())
  await audit(database(), { shopId: person.shopId, person, action: 'document.due' })
  setResponseHeader(event, 'content-type', 'text/calendar; charset=utf-8')
  nameFile(event, 'attachment', 'due.ics')
  return dueCalendar(rows, localDay(), new Date())
})
