import { asFile } from '../../../../core/device/severalDevices'
import { audit } from '../../../database/audit'
import { readFitting, recordOf } from '../../../database/fittings'
import { database } from '../../../database/pool'
import { nameFile } from '../../../http/fileName'
import { here, idParam, route } from '../../../http/route'

/** The fitting as an open record file. */
export default route({ permission: 'clients.export' }, async ({ event, person }) => {
  const state = here(await readFitting(database(), person.shopId, idParam(event)))
  await audit(database(), {
    shopId: person.shopId,
    person,
    clientId: state.client.id,
    fittingId: state.id,
    action: 'fitting.export',
  })
  nameFile(event, 'attachment', `${state.client.code}-${state.openedOn}.json`)
  return asFile(recordOf(state))
})
