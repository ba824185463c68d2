import { createHash, randomUUID } from 'node:crypto'
import { prescription } from '../../../../core/formats/papers/prescription'
import type { LabOrder } from '../../../../core/record/schema'
import { orderBody } from '../../../../shared/contracts'
import { audit } from '../../../database/audit'
import { applyToFitting, readFitting, recordOf } from '../../../database/fittings'
import { database, transaction } from '../../../database/pool'
import { pairFilesOf } from '../../../documents/pairFilesOf'
import { localDay } from '../../../http/day'
import { HttpProblem } from '../../../http/problem'
import { here, idParam, route } from '../../../http/route'
import { lab } from '../../../labs/adapter'
import { tellShop } from '../../../http/listener'

/**
 * Sends the devices to the lab and keeps order and answer with the fitting. Nothing is kept when
 * the lab does not answer.
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
    const files = (await pairFilesOf(chosen, on)).filter((f) => !f.name.startsWith('prescription'))
    const hashed = files.map(({ name, bytes }) => ({
      name,
      sha256: createHash('sha256').update(bytes).digest('hex'),
      bytes,
    }))
    const order = randomUUID()
    const { name, send } = lab()
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
      note: body.note,
      prescription: prescription(chosen, on),
      files: hashed.map(({ bytes, ...file }) => ({
        ...file,
        base64: Buffer.from(bytes).toString('base64'),
      })),
    }).catch(() => {
      throw new HttpProblem(
        502,
        'lab-away',
        'The lab did not answer. Nothing was ordered; send it again later.',
      )
    })
    const kept: LabOrder = {
      id: order,
      lab: name,
      feet,
      files: hashed.map(({ name: file, sha256 }) => ({ name: file, sha256 })),
      ...(body.note && { note: body.note }),
      by: person.name,
      at: new Date().toISOString(),
      answer,
    }
    return transaction(async (db) => {
      const now = here(await readFitting(db, person.shopId, id))
      const orders = [...((now.parts.orders?.content as LabOrder[] | undefined) ?? []), kept].slice(
        -40,
      )
      const applied = await applyToFitting(
        db,
        person.shopId,
        id,
        randomUUID(),
        now.parts.orders?.version ?? 0,
        { kind: 'part.put', part: 'orders', content: orders },
        person.name,
      )
      if (applied.kind !== 'applied')
        throw new HttpProblem(
          409,
          'stale',
          'Someone ordered at the same moment. Look at the orders first.',
        )
      await audit(db, {
        shopId: person.shopId,
        person,
        clientId: state.client.id,
        fittingId: id,
        action: 'device.order',
        detail: { order, lab: name, feet },
      })
      await tellShop(db, person.shopId, {
        what: 'part',
        fitting: id,
        part: 'orders',
        version: applied.state.version,
      })
      return { order: kept }
    })
  },
)
