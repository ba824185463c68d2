import { randomUUID } from 'node:crypto'
import type { LabOrder } from '../../core/record/schema'
import { HttpProblem } from '../http/problem'
import { here } from '../http/route'
import { tellShop } from '../http/listener'
import { audit } from './audit'
import { applyToFitting, readFitting } from './fittings'
import type { SignedIn } from './people'
import { transaction } from './pool'

/** A fitting keeps its newest orders. */
const MOST = 40

/** The order of this id that a fitting has, if any. */
export const orderOf = (orders: unknown, id: string): LabOrder | undefined =>
  (orders as LabOrder[] | undefined)?.find((order) => order.id === id)

/** Keeps an order, new or with another answer, with a line in the trail and word to every screen. */
export function keepOrder(person: SignedIn, fittingId: string, order: LabOrder): Promise<void> {
  return transaction(async (db) => {
    const { shopId } = person
    const state = here(await readFitting(db, shopId, fittingId))
    const all = (state.parts.orders?.content as LabOrder[] | undefined) ?? []
    const content = orderOf(all, order.id)
      ? all.map((other) => (other.id === order.id ? order : other))
      : [...all, order].slice(-MOST)
    const applied = await applyToFitting(
      db,
      shopId,
      fittingId,
      randomUUID(),
      state.parts.orders?.version ?? 0,
      { kind: 'part.put', part: 'orders', content },
      { by: person.name, at: new Date().toISOString() },
    )
    if (applied.kind !== 'applied')
      throw new HttpProblem(
        409,
        'stale',
        'Someone ordered at the same moment. Look at the orders first.',
      )
    await audit(db, {
      shopId,
      person,
      clientId: state.client.id,
      fittingId,
      action: 'device.order',
      detail: {
        order: order.id,
        lab: order.lab,
        feet: order.feet,
        status: order.answer.status,
      },
    })
    const { version } = applied.state
    await tellShop(db, shopId, { what: 'part', fitting: fittingId, part: 'orders', version })
  })
}
