import { orderReplyBody } from '../../../../../shared/contracts'
import { keepOrder } from '../../../../database/orders'
import { HttpProblem } from '../../../../http/problem'
import { idParam, route } from '../../../../http/route'
import { mustBeSame, orderable, orderedOf, orderHere } from '../../../../labs/orderedOf'
import { sendOrder } from '../../../../labs/sendOrder'

/** Answers what the lab asked back; the order goes to it again with the answers. */
export default route(
  { permission: 'devices.order', body: orderReplyBody },
  async ({ event, person, body }) => {
    const id = idParam(event)
    const state = await orderable(person, id)
    const order = orderHere(state, body.order)
    if (order.answer.status !== 'queries')
      throw new HttpProblem(409, 'nothing-asked', 'The lab asks nothing about this order now.')
    const asked = (reply: { foot: string; code: string }) =>
      order.answer.queries.some((q) => q.foot === reply.foot && q.code === reply.code)
    if (!body.replies.every(asked))
      throw new HttpProblem(409, 'not-asked', 'The lab asked something else meanwhile. Look again.')
    const ordered = await orderedOf(person, state, order.feet)
    mustBeSame(order, ordered)
    const at = new Date().toISOString()
    const replies = body.replies.map((reply) => ({ ...reply, by: person.name, at }))
    const replied = { ...order, replies: [...(order.replies ?? []), ...replies] }
    // Kept before it goes out, as the order was.
    await keepOrder(person, id, replied)
    const answered = await sendOrder(replied, ordered)
    // A lab that cannot be reached has still asked what it asked.
    const kept = answered.answer.status === 'no answer' ? replied : answered
    await keepOrder(person, id, kept)
    return { order: kept, reached: answered.answer.status !== 'no answer' }
  },
)
