import { setResponseHeader } from 'h3'
import { wearInPlan } from '../../../../core/followup/wearInPlan'
import { audit } from '../../../database/audit'
import { readFitting, recordOf } from '../../../database/fittings'
import { database } from '../../../database/pool'
import { wearInCalendar } from '../../../documents/wearInCalendar'
import { localDay } from '../../../http/day'
import { nameFile } from '../../../http/fileName'
import { here, idParam, route } from '../../../http/route'

/** Wearing in as a calendar file: whole days, no name. */
export default route({ permission: 'documents.card' }, async ({ event, person }) => {
  const state = here(await readFitting(database(), person.shopId, idParam(event)))
  const record = recordOf(state)
  await audit(database(), {
    shopId: person.shopId,
    person,
    clientId: state.client.id,
    fittingId: state.id,
    action: 'document.wear-in',
  })
  setResponseHeader(event, 'content-type', 'text/calendar; charset=utf-8')
  nameFile(event, 'attachment', `${state.client.code}-wear-in.ics`)
  return wearInCalendar(
    wearInPlan(record, record.handover?.wearInStart ?? localDay()),
    state.shop.name,
    state.client.code,
    new Date(),
  )
})
