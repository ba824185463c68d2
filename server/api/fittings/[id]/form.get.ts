import { setResponseHeader } from 'h3'
import { fittingForm } from '../../../../core/formats/papers/fittingForm'
import { audit } from '../../../database/audit'
import { readFitting, recordOf } from '../../../database/fittings'
import { readModels } from '../../../database/models'
import { database } from '../../../database/pool'
import { formPdf } from '../../../documents/formPdf'
import { localDay } from '../../../http/day'
import { nameFile } from '../../../http/fileName'
import { here, idParam, route } from '../../../http/route'

/** The fitting form as PDF. */
export default route({ permission: 'documents.card' }, async ({ event, person }) => {
  const state = here(await readFitting(database(), person.shopId, idParam(event)))
  await audit(database(), {
    shopId: person.shopId,
    person,
    clientId: state.client.id,
    fittingId: state.id,
    action: 'document.form',
  })
  const form = fittingForm(recordOf(state), await readModels(database(), person.shopId))
  const pdf = await formPdf(
    form,
    {
      name: state.client.details.name ?? '',
      code: state.client.code,
      shop: state.shop.name,
      day: localDay(),
    },
    new Date(),
  )
  setResponseHeader(event, 'content-type', 'application/pdf')
  nameFile(event, 'inline', `${state.client.code}-form.pdf`)
  return pdf
})
