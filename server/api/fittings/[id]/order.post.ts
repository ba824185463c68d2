import { randomUUID } from 'node:crypto'
import type { LabOrder } from '../../../../core/record/schema'
import { orderBody } from '../../../../shared/contracts'
import { keepOrder, orderOf } from '../../../database/orders'
import { HttpProblem } from '../../../http/problem'
import { idParam, route } from '../../../http/route'
import { lab } from '../../../labs/adapter'
import { fileRows, mustBeSame, orderable, orderedOf } from '../../../labs/orderedOf'
import { sendOrder } from '../../../labs/sendOrder'

/** The lab's own words: asked again, it is not asked twice. */
const SPOKEN: readonly string[] = ['accepted', 'queries', 'cancelled']

/**
 * Keeps an order, then sends the devices to the lab under the order's own id, and keeps what it
 * answers. Asked again under the same id, it is sent again only where the lab has not spoken.
 */
export default route(
  { permission: 'devices.order', body: orderBody },
  async ({ event, person, body }) => {
    const id = idParam(event)
    const state = await orderable(person, id)
    const known = orderOf(state.parts.orders?.content, body.id ?? '')
    // The lab has spoken: it is told again, not asked again.
    if (known && SPOKEN.includes(known.answer.status)) return { order: known }
    const ordered = await orderedOf(person, state, body.feet)
    if (known) mustBeSame(known, ordered)
    if (body.remakeOf && !orderOf(state.parts.orders?.content, body.remakeOf))
      throw new HttpProblem(
        400,
        'no-order',
        'The order that is made anew is not of this fitting.',
        {
          path: 'remakeOf',
        },
      )
    if (body.remakeOf && !body.remakeWhy)
      throw new HttpProblem(400, 'no-reason', 'Say why it is made anew.', { path: 'remakeWhy' })
    const kept: LabOrder = known ?? {
      id: body.id ?? randomUUID(),
      lab: lab().name,
      feet: body.feet,
      files: fileRows(ordered),
      ...(body.note && { note: body.note }),
      ...(body.wantedOn && { wantedOn: body.wantedOn }),
      ...(body.remakeOf && { remakeOf: body.remakeOf, remakeWhy: body.remakeWhy }),
      by: person.name,
      at: new Date().toISOString(),
      answer: { status: 'sent', queries: [] },
    }
    // Kept before it goes out: whatever happens on the way, it is known that it may have arrived.
    if (!known) await keepOrder(person, id, kept)
    const answered = await sendOrder(kept, ordered)
    await keepOrder(person, id, answered)
    return { order: answered }
  },
)
