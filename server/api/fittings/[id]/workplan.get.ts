import { modelOf } from '../../../../core/footwear/brought'
import { recordOf } from '../../../database/fittings'
import { readModels } from '../../../database/models'
import { database } from '../../../database/pool'
import { forRole } from '../../../http/forRole'
import { paperRoute } from '../../../http/paperRoute'
import { HttpProblem } from '../../../http/problem'
import { inThread } from '../../../work/pool'

/** The work on the chosen shells as PDF. */
export default paperRoute({
  permission: 'documents.ticket',
  name: 'work-plan',
  heldBack: 'No work plan',
  make: async ({ person, state, record, printed }) => {
    // What was felt and said of a shell is cut for the bench; its feet are needed whole.
    const { footwear } = recordOf(forRole(state, person.role))
    const chosen = footwear?.chosen?.model
    const found = chosen ? await readModels(database(), person, [chosen]) : []
    const model = modelOf({ footwear }, found, chosen)
    if (!model)
      throw new HttpProblem(
        409,
        'no-model',
        'Choose a model in Match first; the one chosen is not in the catalogue any more.',
      )
    return inThread('workPlan', [{ ...record, ...(footwear && { footwear }) }, model, printed])
  },
})
