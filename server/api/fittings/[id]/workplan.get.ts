import { setResponseHeader } from 'h3'
import { audit } from '../../../database/audit'
import { readFitting, recordOf } from '../../../database/fittings'
import { readModels } from '../../../database/models'
import { database } from '../../../database/pool'
import { workPlanPdf } from '../../../documents/workPlanPdf'
import { localDay } from '../../../http/day'
import { forRole } from '../../../http/forRole'
import { HttpProblem } from '../../../http/problem'
import { nameFile } from '../../../http/fileName'
import { here, idParam, route } from '../../../http/route'

/** The work on the chosen shells as PDF. */
export default route({ permission: 'documents.ticket' }, async ({ event, person }) => {
  const state = here(await readFitting(database(), person.shopId, idParam(event)))
  if (state.blocked)
    throw new HttpProblem(
      409,
      'refer-first',
      'No work plan before a clearance, which the fitter records in Story.',
    )
  const { footwear } = recordOf(forRole(state, person.role))
  const record = { ...recordOf(state), ...(footwear && { footwear }) }
  const model = (await readModels(database(), person.shopId)).find(
    (m) => m.id === record.footwear?.chosen?.model,
  )
  if (!model)
    throw new HttpProblem(
      409,
      'no-model',
      'Choose a model in Match first; the one chosen is not in the catalogue any more.',
    )
  await audit(database(), {
    shopId: person.shopId,
    person,
    clientId: state.client.id,
    fittingId: state.id,
    action: 'document.work-plan',
  })
  setResponseHeader(event, 'content-type', 'application/pdf')
  nameFile(event, 'inline', `${state.client.code}-work-plan.pdf`)
  return workPlanPdf(record, model, state.shop.name, localDay(), new Date())
})
