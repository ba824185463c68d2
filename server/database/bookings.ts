import { format } from 'date-fns'
import { isAtWork, WEEKDAYS, type Hours, type Weekday } from '../../shared/shopDetails'
import { localDay } from '../http/day'
import type { Client } from './pool'
import { readShop } from './shop'
import { listPeople } from './staff'
import type { Booking } from './visits'

const clock = (at: Date) => format(at, 'HH:mm')
const endOf = ({ startsAt, minutes }: Pick<Booking, 'startsAt' | 'minutes'>) =>
  new Date(startsAt.getTime() + minutes * 60_000)

/** How hours are spoken of: `The shop` is open and closed, somebody works and does not. */
interface Spoken {
  within: string
  never: string
}

/** Why a time lies outside of hours; null where it does not, or no hours are told. */
function outsideWords(
  { within, never }: Spoken,
  hours: Hours,
  from: Date,
  to: Date,
): string | null {
  if (Object.keys(hours).length === 0) return null
  const weekday = String(((from.getDay() + 6) % 7) + 1) as Weekday
  const [, day] = WEEKDAYS.find(([number]) => number === weekday)!
  const span = hours[weekday]
  if (!span) return `${never} on a ${day}`
  const isWithin =
    span.from <= clock(from) && clock(to) <= span.to && localDay(from) === localDay(to)
  return isWithin ? null : `${within} from ${span.from} to ${span.to} then`
}

/**
 * What speaks against a visit at this time, in sentences: the shop's hours, the person's hours and days away, and
 * whoever is with that person or is that client at the time. Nothing is forbidden by it.
 */
export async function bookingTroubles(
  db: Client,
  shopId: string,
  booking: Booking & { clientId: string; id?: string },
): Promise<string[]> {
  const { startsAt, personId, clientId, id } = booking
  const to = endOf(booking)
  const { details } = await readShop(db, shopId)
  const person = personId && (await listPeople(db, shopId)).find((p) => p.id === personId)
  const { rows } = await db.query<{
    startsAt: Date
    minutes: number
    code: string
    isClient: boolean
  }>(
    `select v.starts_at as "startsAt", v.minutes, c.code, c.id = $4 as "isClient"
     from visits v join fittings f on f.id = v.fitting_id join clients c on c.id = f.client_id
     where v.shop_id = $1 and v.state in ('to-come', 'waiting', 'now')
       and v.starts_at < $3 and v.starts_at > $2::timestamptz - interval '8 hours'
       and v.starts_at + make_interval(mins => v.minutes) > $2
       and ($5::uuid is null or v.id <> $5)
       and (c.id = $4 or v.person_id = $6)
     order by v.starts_at`,
    [shopId, startsAt, to, clientId, id ?? null, personId],
  )
  const isAway = person && !isAtWork({ hours: {}, daysOff: person.daysOff }, localDay(startsAt))
  const said = [
    outsideWords(
      { within: 'The shop is open', never: 'The shop is closed' },
      details.hours ?? {},
      startsAt,
      to,
    ),
    isAway ? `${person.name} is away that day` : null,
    person
      ? outsideWords(
          { within: `${person.name} works`, never: `${person.name} does not work` },
          person.hours,
          startsAt,
          to,
        )
      : null,
    ...rows.map((other) => {
      const when = `from ${clock(other.startsAt)} to ${clock(endOf(other))}`
      return other.isClient ? `This client is here ${when}` : `${other.code} is booked ${when}`
    }),
  ]
  return said.flatMap((words) => (words === null ? [] : [`${words}.`]))
}
