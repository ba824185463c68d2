import { bookVisitBody } from '../../../shared/contracts'
import { audit } from '../../database/audit'
import { bookingTroubles } from '../../database/bookings'
import { addClient, findClient } from '../../database/clients'
import { fittingClient, fittingsOf, openFitting } from '../../database/fittings'
import type { Client as ClientDetails } from '../../../core/record/schema'
import type { AtWork } from '../../database/people'
import { transaction, type Client } from '../../database/pool'
import { isOfShop } from '../../database/staff'
import { bookVisit } from '../../database/visits'
import { checkBornOn } from '../../http/bornOn'
import { localDay } from '../../http/day'
import { tellShop } from '../../http/listener'
import { clash } from '../../http/problem'
import { here, route } from '../../http/route'

/** Who rang for the first time. @returns their id */
async function added(db: Client, person: AtWork, details: ClientDetails): Promise<string> {
  checkBornOn(details)
  const client = await addClient(db, person.shopId, details)
  const after = client.details
  await audit(db, {
    shopId: person.shopId,
    person,
    clientId: client.id,
    action: 'client.add',
    detail: { after },
  })
  return client.id
}
async function whose(
  db: Client,
  shopId: string,
  { fittingId, clientId }: { fittingId?: string | undefined; clientId?: string | undefined },
): Promise<string> {
  if (fittingId) return here(await fittingClient(db, shopId, fittingId))
  return here(await findClient(db, shopId, clientId!)).id
}

/** Books a visit, or keeps that somebody waits for a day: of the fitting that is named, else of the client's newest, else of a first one. */
export default route({ permission: 'fittings.change', body: bookVisitBody }, ({ person, body }) =>
  transaction(async (db) => {
    const { shopId } = person
    if (body.personId) here((await isOfShop(db, { shopId, personId: body.personId })) || null)
    const { startsAt, newClient } = body
    const clientId = newClient ? await added(db, person, newClient) : await whose(db, shopId, body)
    const newest = body.fittingId ?? (await fittingsOf(db, shopId, clientId))[0]?.id
    const fittingId = newest ?? (await openFitting(db, person, clientId, localDay()))
    const booking = { ...body, fittingId, startsAt: startsAt === null ? null : new Date(startsAt) }
    if (booking.startsAt && !body.anyway) {
      const { placeId } = person
      const asked = { ...booking, startsAt: booking.startsAt, shopId, placeId, clientId }
      const troubles = await bookingTroubles(db, asked)
      if (troubles.length > 0) throw clash(troubles)
    }
    const id = await bookVisit(db, person, booking)
    await audit(db, { shopId, person, clientId, fittingId, action: 'visit.book' })
    await tellShop(db, shopId, { what: 'bench' })
    return { id, fittingId }
  }),
)
