import type { LabOrder } from '../../core/record/schema'
import { sameJson } from '../../core/record/sameJson'
import { SIDES, type Side } from '../../core/tables/vocabulary'
import { readFitting, recordOf } from '../database/fittings'
import { readModels } from '../database/models'
import { orderOf } from '../database/orders'
import { database } from '../database/pool'
import type { SignedIn } from '../database/people'
import { localDay } from '../http/day'
import { HttpProblem } from '../http/problem'
import { here } from '../http/route'
import { inThread } from '../work/pool'
import type { Ordered } from './sendOrder'

/** A fitting that may be ordered for; a problem where it waits for a clearance. */
export async function orderable(person: SignedIn, fittingId: string) {
  const state = here(await readFitting(database(), person.shopId, fittingId))
  if (state.blocked)
    throw new HttpProblem(
      409,
      'refer-first',
      'No order before a clearance, which the fitter records in Story.',
    )
  return state
}
type Orderable = Awaited<ReturnType<typeof orderable>>

/** An order of a fitting by its id; a problem where it has none. */
export const orderHere = (state: Orderable, id: string): LabOrder =>
  here(orderOf(state.parts.orders?.content, id))

/** The devices of some feet as they go out now, with all that a lab is told of them. */
export async function orderedOf(
  person: SignedIn,
  state: Orderable,
  feet: readonly Side[],
): Promise<Ordered> {
  const record = recordOf(state)
  const isMade = (side: Side) =>
    record.feet[side]?.device && record.feet[side].device.kind !== 'none'
  if (!feet.every(isMade))
    throw new HttpProblem(
      400,
      'no-device',
      'There is no device for every foot that was chosen. Prescribe it first.',
      { path: 'feet' },
    )
  const chosen = {
    ...record,
    feet: Object.fromEntries(
      SIDES.filter((side) => feet.includes(side)).map((side) => [side, record.feet[side]]),
    ) as typeof record.feet,
  }
  const on = localDay()
  const model = record.footwear?.chosen?.model
  return {
    record: chosen,
    models: model ? await readModels(database(), person, [model]) : [],
    shop: state.shop.name,
    code: state.client.code ?? '',
    on,
    ...(await inThread('orderFiles', [chosen, on])),
  }
}

/** Name and hash of every file, as an order keeps them. */
export const fileRows = ({ files }: Ordered) => files.map(({ name, sha256 }) => ({ name, sha256 }))

/** An order stands for the devices that it went out with: other devices are another order. */
export function mustBeSame(order: LabOrder, ordered: Ordered): void {
  if (!sameJson(order.files, fileRows(ordered)))
    throw new HttpProblem(
      409,
      'other-device',
      'The devices changed since this order went out. Make a new order.',
    )
}
