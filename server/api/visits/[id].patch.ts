import { visitChangeBody } from '../../../shared/contracts'
import { audit } from '../../database/audit'
import { bookingTroubles } from '../../database/bookings'
import { transaction } from '../../database/pool'
import { isOfShop } from '../../database/staff'
import { changeVisit, isHeld, lockVisit } from '../../database/visits'
import { tellShop } from '../../http/listener'
import { clash, HttpProblem } from '../../http/problem'
import { here, idParam, route } from '../../http/route'

/** Moves a visit, says who it is with, or how it stands; every state can be taken back. */
export default route(
  { permission: 'fittings.change', body: visitChangeBody },
  ({ event, person, body }) =>
    transaction(async (db) => {
      const { shopId } = person
      const id = idParam(event)
      const visit = await lockVisit(db, shopId, id)
      if (visit?.version !== body.version)
        throw new HttpProblem(
          409,
          'stale',
          'Someone changed this visit meanwhile. The list is being read again.',
        )
      if (body.personId) here((await isOfShop(db, { shopId, personId: body.personId })) || null)
      const { version: _, anyway, startsAt, ...told } = body
      const next = {
        ...visit,
        ...told,
        ...(startsAt !== undefined && { startsAt: startsAt === null ? null : new Date(startsAt) }),
      }
      if (next.startsAt === null && next.state !== 'to-come' && next.state !== 'cancelled')
        throw new HttpProblem(400, 'no-day', 'This visit waits for a day. Book it first.')
      const isMoved = [startsAt, told.minutes, told.personId, told.chair].some(
        (field) => field !== undefined,
      )
      // What was called off left its time to others: on again, it says who has it now. Nothing is asked there.
      const isBack = !isHeld(visit) && isHeld(next)
      const troubles =
        next.startsAt && (isMoved || isBack)
          ? await bookingTroubles(db, { ...next, startsAt: next.startsAt, shopId, id })
          : []
      if (isMoved && troubles.length > 0 && !anyway) throw clash(troubles)
      const version = await changeVisit(db, person, id, next)
      await audit(db, {
        shopId,
        person,
        clientId: visit.clientId,
        fittingId: visit.fittingId,
        action: `visit.${told.state ?? 'move'}`,
      })
      await tellShop(db, shopId, { what: 'bench' })
      return { version, said: troubles }
    }),
)
