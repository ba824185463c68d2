import { bookVisitBody } from '../../../shared/contracts'
import { audit } from '../../database/audit'
import { bookingTroubles } from '../../database/bookings'
import { findClient } from '../../database/clients'
import { fittingClient, fittingsOf, openFitting } from '../../database/fittings'
import { transaction } from '../../database/pool'
import { isOfShop } from '../../database/staff'
import { bookVisit } from '../../database/visits'
import { localDay } from '../../http/day'
import { tellShop } from '../../http/listener'
import { clash } from '../../http/problem'
import { here, route } from '../../http/route'

/** Books a visit: of the fitting that is named, else of the client's newest, else of a first one. */
export default route({ permission: 'fittings.change', body: bookVisitBody }, ({ person, body }) =>
  transaction(async (db) => {
    const { shopId } = person
    if (body.personId) here((await isOfShop(db, { shopId, personId: body.personId })) || null)
    const clientId = body.fittingId
      ? here(await fittingClient(db, shopId, body.fittingId))
      : here(await findClient(db, shopId, body.clientId!)).id
    const newest = body.fittingId ?? (await fittingsOf(db, shopId, clientId))[0]?.id
    const fittingId = newest ?? (await openFitting(db, person, clientId, localDay()))
    const booking = { ...body, fittingId, startsAt: new Date(body.startsAt) }
    const troubles = await bookingTroubles(db, shopId, { ...booking, clientId })
    if (troubles.length > 0 && !body.anyway) throw clash(troubles)
    const id = await bookVisit(db, person, booking)
    await audit(db, { shopId, person, clientId, fittingId, action: 'visit.book' })
    await tellShop(db, shopId, { what: 'bench' })
    return { id, fittingId }
  }),
)
