import { setResponseHeader } from 'h3'
import { auditSeen } from '../../database/audit'
import { database } from '../../database/pool'
import { scanBytes } from '../../database/scans'
import { nameFile } from '../../http/fileName'
import { here, idParam, route } from '../../http/route'

/** The original, byte for byte. */
export default route({ permission: 'shapes.see' }, async ({ event, person }) => {
  const scan = here(await scanBytes(database(), person.shopId, idParam(event)))
  await auditSeen({
    shopId: person.shopId,
    person,
    clientId: scan.clientId,
    fittingId: scan.fittingId,
    action: 'scan.see',
  })
  setResponseHeader(event, 'content-type', 'application/octet-stream')
  nameFile(event, 'attachment', scan.name)
  return scan.bytes
})
