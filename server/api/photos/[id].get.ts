import { setResponseHeader } from 'h3'
import { auditSeen } from '../../database/audit'
import { photoBytes } from '../../database/photos'
import { database } from '../../database/pool'
import { here, idParam, route } from '../../http/route'

export default route({ permission: 'clients.see' }, async ({ event, person }) => {
  const photo = here(await photoBytes(database(), person.shopId, idParam(event)))
  await auditSeen({
    shopId: person.shopId,
    person,
    clientId: photo.clientId,
    fittingId: photo.fittingId,
    action: 'photo.see',
  })
  setResponseHeader(event, 'content-type', 'image/jpeg')
  return photo.jpeg
})
