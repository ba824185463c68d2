import { orderCancelBody } from '../../../../../shared/contracts'
import { readFitting } from '../../../../database/fittings'
import { keepOrder } from '../../../../database/orders'
import { database } from '../../../../database/pool'
import { localDay } from '../../../../http/day'
import { HttpProblem } from '../../../../http/problem'
import { here, idParam, route } from '../../../../http/route'
import { lab } from '../../../../labs/adapter'
import { orderHere } from '../../../../labs/orderedOf'
import { asAnswer } from '../../../../labs/sendOrder'

/** Takes an order back. Only the lab's own word cancels it: it may be made already. */
export default route(
  { permission: 'devices.order', body: orderCancelBody },
  async ({ event, person, body }) => {
    const id = idParam(event)
    const state = here(await readFitting(database(), person.shopId, id))
    const order = orderHere(state, body.order)
    if (order.answer.status === 'cancelled') return { order }
    const answer = await lab()
      .cancel({
        format: 'gentle-arch/lab-cancel',
        version: 1,
        order: order.id,
        on: localDay(),
        dueOn: order.answer.dueOn ?? null,
      })
      .catch(asAnswer)
    if (answer.status === 'no answer')
      throw new HttpProblem(
        503,
        'lab-silent',
        'The lab does not answer. The order stands until it does: call them.',
      )
    if (answer.status !== 'cancelled')
      throw new HttpProblem(
        409,
        'too-late',
        'The lab has it in work already and does not take it back.',
      )
    const cancelled = { ...order, answer: { ...answer, queries: [] } }
    await keepOrder(person, id, cancelled)
    return { order: cancelled }
  },
)
