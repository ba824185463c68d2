import { asFile } from '../../../../core/device/severalDevices'
import { audit } from '../../../database/audit'
import { findClient } from '../../../database/clients'
import { fittingsOf, readFitting, recordOf } from '../../../database/fittings'
import { photoBytes, photosOf } from '../../../database/photos'
import { database } from '../../../database/pool'
import { scansOf } from '../../../database/scans'
import { nameFile } from '../../../http/fileName'
import { here, idParam, route } from '../../../http/route'

/**
 * Everything held of one client: fitting records, photographs, and the list of scans, whose
 * originals are fetched one by one.
 */
export default route({ permission: 'clients.export' }, async ({ event, person }) => {
  const db = database()
  const client = here(await findClient(db, person.shopId, idParam(event)))
  const records = []
  const photos = []
  const scans = []
  for (const { id } of await fittingsOf(db, person.shopId, client.id)) {
    records.push(asFile(recordOf(here(await readFitting(db, person.shopId, id)))))
    for (const photo of await photosOf(db, person.shopId, id))
      photos.push({
        fitting: id,
        words: photo.words,
        madeAt: photo.madeAt,
        jpegBase64: here(await photoBytes(db, person.shopId, photo.id)).jpeg.toString('base64'),
      })
    for (const scan of await scansOf(db, person.shopId, id))
      scans.push({ fitting: id, ...scan, original: `/api/scans/${scan.id}` })
  }
  await audit(db, { shopId: person.shopId, person, clientId: client.id, action: 'client.export' })
  nameFile(event, 'attachment', `${client.code}-all.json`)
  return { client: client.details, records, photos, scans }
})
