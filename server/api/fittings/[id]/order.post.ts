import { randomUUID } from 'node:crypto'
import { sameJson } from '../../../../core/record/sameJson'
import type { LabAnswer, LabOrder } from '../../../../core/record/schema'
import { orderBody } from '../../../../shared/contracts'
import { readFitting, recordOf } from '../../../database/fittings'
import { keepOrder, orderOf } from '../../../database/orders'
import { database } from '../../../database/pool'
import { localDay } from '../../../http/day'
import { HttpProblem } from '../../../http/problem'
import { here, idParam, route } from '../../../http/route'
import { lab, LabRefused } from '../../../labs/adapter'
import { inThread } from '../../../work/pool'

/**
 * Keeps an order, then sends the devices to the lab under the order's own id, and keeps what it
 * answers. Asked again under the same id, it is sent again only where the lab has not spoken.
 */
export default route(
  { permission: 'devices.order', body: orderBody },
  async ({ event, person, body }) => {
    const id = idParam(event)
    const state = here(await readFitting(database(), person.shopId, id))
    if (state.blocked)
      throw new HttpProblem(
        409,
        'refer-first',
        'No order before a clearance, which the fitter records in Story.',
      )
    const record = recordOf(state)
    const feet = body.feet.filter(
      (side) => record.feet[side]?.device && record.feet[side]!.device!.kind !== 'none',
    )
    if (feet.length < body.feet.length)
      throw new HttpProblem(
        400,
        'no-device',
        'There is no device for every foot that was chosen. Prescribe it first.',
        { path: 'feet' },
      )
    const chosen = {
      ...record,
      feet: Object.fromEntries(feet.map((side) => [side, record.feet[side]])) as typeof record.feet,
    }
    const on = localDay()
    const { files, prescription } = await inThread('orderFiles', [chosen, on])
    const order = body.id ?? randomUUID()
    const fileRows = files.map(({ name: file, sha256 }) => ({ name: file, sha256 }))
    const known = orderOf(state.parts.orders?.content, order)
    // The lab has spoken: it is told again, not asked again.
    if (known && (known.answer.status === 'accepted' || known.answer.status === 'queries'))
      return { order: known }
    if (known && !sameJson(known.files, fileRows))
      throw new HttpProblem(
        409,
        'other-device',
        'The devices changed since this order went out. Make a new order.',
      )
    const { name, send } = lab()
    const kept: LabOrder = known ?? {
      id: order,
      lab: name,
      feet,
      files: fileRows,
      ...(body.note && { note: body.note }),
      by: person.name,
      at: new Date().toISOString(),
      answer: { status: 'sent', queries: [] },
    }
    // Kept before it goes out: whatever happens on the way, it is known that it may have arrived.
    if (!known) await keepOrder(person, id, kept)
    const answer = await send({
      format: 'gentle-arch/lab-order',
      version: 1,
      order,
      on,
      shop: state.shop.name,
      client: {
        code: state.client.code,
        ...(record.client?.massKg && { massKg: record.client.massKg }),
      },
      note: kept.note ?? '',
      prescription,
      files,
    }).catch((error: Error): LabAnswer => {
      const status = error instanceof LabRefused ? 'refused' : 'no answer'
      return { status, queries: [] }
    })
    const answered = { ...kept, answer }
    await keepOrder(person, id, answered)
    return { order: answered }
  },
)
