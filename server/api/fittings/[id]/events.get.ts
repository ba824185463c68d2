import { readFitting } from '../../../database/fittings'
import { database } from '../../../database/pool'
import { eventStream } from '../../../http/eventStream'
import { onFittingChange } from '../../../http/listener'
import { here, idParam, route } from '../../../http/route'

/**
 * Server-sent events: which part of this fitting changed. Carries no content; the screen asks for
 * it.
 */
export default route({ permission: 'fittings.see' }, async ({ event, person }) => {
  const id = idParam(event)
  here(await readFitting(database(), person.shopId, id))
  return eventStream(event, (push) =>
    onFittingChange(id, (change) => push('part', JSON.stringify(change))),
  )
})
