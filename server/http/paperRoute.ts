import { setResponseHeader } from 'h3'
import type { FittingRecord } from '../../core/record/schema'
import type { FittingState } from '../../shared/contracts'
import type { Permission } from '../../shared/permissions'
import { audit } from '../database/audit'
import { readFitting, recordOf } from '../database/fittings'
import type { SignedIn } from '../database/people'
import { database } from '../database/pool'
import { readShop } from '../database/shop'
import type { Printed } from '../work/papers'
import { localDay } from './day'
import { nameFile } from './fileName'
import { HttpProblem } from './problem'
import { here, idParam, route } from './route'
import type { H3Event } from 'h3'

interface Asked {
  event: H3Event
  person: SignedIn
  state: FittingState
  record: FittingRecord
  printed: Printed
}

/** A fitting's paper as PDF, noted in the audit trail once it can be made. */
export const paperRoute = (options: {
  permission: Permission
  /** of the file, and in the audit trail */
  name: string
  /** what is not made before a clearance, as the begin of a sentence */
  heldBack?: string
  make: (asked: Asked) => Promise<Uint8Array>
}) =>
  route({ permission: options.permission }, async ({ event, person }) => {
    const { name, heldBack, make } = options
    const db = database()
    const state = here(await readFitting(db, person.shopId, idParam(event)))
    if (heldBack && state.blocked)
      throw new HttpProblem(
        409,
        'refer-first',
        `${heldBack} before a clearance, which the fitter records in Story.`,
      )
    const record = recordOf(state)
    const { name: shop, details } = await readShop(db, person.shopId)
    const printed = { shop, details, on: localDay(), now: new Date() }
    const pdf = await make({ event, person, state, record, printed })
    await audit(db, {
      shopId: person.shopId,
      person,
      clientId: state.client.id,
      fittingId: state.id,
      action: `document.${name}`,
    })
    setResponseHeader(event, 'content-type', 'application/pdf')
    nameFile(event, 'inline', `${state.client.code}-${name}.pdf`)
    return Buffer.from(pdf)
  })
