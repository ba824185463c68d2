import { getQuery, setResponseHeader } from 'h3'
import { z } from 'zod'
import { madeSides } from '../../../../core/formats/deviceFiles'
import { parseWith } from '../../../../core/record/parse'
import { may } from '../../../../shared/permissions'
import { audit } from '../../../database/audit'
import { readFitting, recordOf } from '../../../database/fittings'
import { database } from '../../../database/pool'
import { localDay } from '../../../http/day'
import { nameFile } from '../../../http/fileName'
import { HttpProblem } from '../../../http/problem'
import { here, idParam, route } from '../../../http/route'
import { inThread } from '../../../work/pool'

const query = z.object({ as: z.enum(['zip', 'template', 'prescription']).default('zip') })

/** The devices of a fitting: everything in one zip, or the templates or the prescription as PDF. */
export default route({ permission: 'documents.ticket' }, async ({ event, person }) => {
  const { as } = parseWith(query, getQuery(event), 'query')
  // The prescription says why; the bench makes what.
  const mayRead = may(person.role, 'documents.card')
  if (as === 'prescription' && !mayRead)
    throw new HttpProblem(403, 'not-allowed', 'Your role makes devices and does not prescribe.')
  const state = here(await readFitting(database(), person.shopId, idParam(event)))
  if (state.blocked)
    throw new HttpProblem(
      409,
      'refer-first',
      'Nothing goes out to be made before a clearance, which the fitter records in Story.',
    )
  const record = recordOf(state)
  if (madeSides(record).length === 0)
    throw new HttpProblem(404, 'no-device', 'No device is prescribed for either foot.')
  await audit(database(), {
    shopId: person.shopId,
    person,
    clientId: state.client.id,
    fittingId: state.id,
    action: `document.devices.${as}`,
  })
  const printed = { shop: state.shop.name, on: localDay(), now: new Date() }
  const { code } = state.client
  const send = (type: string, name: string, bytes: Uint8Array) => {
    setResponseHeader(event, 'content-type', type)
    nameFile(event, as === 'zip' ? 'attachment' : 'inline', `${code}-${name}`)
    return Buffer.from(bytes)
  }
  if (as === 'template')
    return send('application/pdf', 'template.pdf', await inThread('templates', [record, printed]))
  if (as === 'prescription')
    return send(
      'application/pdf',
      'prescription.pdf',
      await inThread('prescriptionPaper', [record, printed]),
    )
  const zip = await inThread('deviceZip', [record, printed, mayRead])
  return send('application/zip', 'devices.zip', zip)
})
