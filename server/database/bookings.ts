import { format } from 'date-fns'
import { isAtWork, WEEKDAYS, type Hours, type Weekday } from '../../shared/shopDetails'
import { localDay } from '../http/day'
import { resourcesAt } from '../../core/tables/benchResources'
import { busyBetween } from './busyTimes'
import type { At } from './places'
import type { Client } from './pool'
import { readShop } from './shop'
import { currentTables } from './shopTables'
import { listPeople } from './staff'
import type { Booking } from './visits'

const clock = (at: Date) => format(at, 'HH:mm')
const endOf = ({ startsAt, minutes }: { startsAt: Date; minutes: number }) =>
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

/** A visit that is to be, as far as its time goes. */
type Asked = Omit<Booking, 'startsAt' | 'reason' | 'fittingId'> & {
  startsAt: Date
  shopId: string
  placeId: string
  clientId: string
  /** itself, where it is moved */
  id?: string
}

/** Others at the time who are this client, or with this person, or in this chair. */
async function meanwhile(
  db: Client,
  { shopId, placeId, startsAt, minutes, personId, chair, clientId, id }: Asked,
): Promise<string[]> {
  const { rows } = await db.query<{
    startsAt: Date
    minutes: number
    code: string
    isClient: boolean
    isWith: boolean
  }>(
    `select v.starts_at as "startsAt", v.minutes, c.code, c.id = $4 as "isClient",
       coalesce(v.person_id = $6, false) as "isWith"
     from visits v join fittings f on f.id = v.fitting_id join clients c on c.id = f.client_id
     where v.shop_id = $1 and v.state in ('to-come', 'waiting', 'now')
       and v.starts_at < $3 and v.starts_at > $2::timestamptz - interval '8 hours'
       and v.starts_at + make_interval(mins => v.minutes) > $2
       and ($5::uuid is null or v.id <> $5)
       and (c.id = $4 or v.person_id = $6 or (v.chair = $7 and v.place_id = $8))
     order by v.starts_at`,
    [
      shopId,
      startsAt,
      endOf({ startsAt, minutes }),
      clientId,
      id ?? null,
      personId,
      chair,
      placeId,
    ],
  )
  return rows.map((other) => {
    const when = `from ${clock(other.startsAt)} to ${clock(endOf(other))}`
    if (other.isClient) return `This client is here ${when}`
    return other.isWith
      ? `${other.code} is booked ${when}`
      : `${other.code} is in chair ${chair} ${when}`
  })
}

/** More people at a time than there are chairs. */
async function chairsTaken(
  db: Client,
  { shopId, placeId, startsAt, minutes, id }: Asked,
  chairs: number,
): Promise<string | null> {
  const to = endOf({ startsAt, minutes })
  const { rows } = await db.query<{ startsAt: Date; minutes: number }>(
    `select starts_at as "startsAt", minutes from visits
     where shop_id = $1 and place_id = $2 and state in ('to-come', 'waiting', 'now')
       and starts_at < $4 and starts_at > $3::timestamptz - interval '8 hours'
       and starts_at + make_interval(mins => minutes) > $3 and ($5::uuid is null or id <> $5)`,
    [shopId, placeId, startsAt, to, id ?? null],
  )
  // Most are there at once just after somebody came.
  const most = Math.max(
    0,
    ...[startsAt, ...rows.map((v) => v.startsAt)]
      .filter((at) => at >= startsAt)
      .map((at) => rows.filter((v) => v.startsAt <= at && endOf(v) > at).length),
  )
  if (most < chairs) return null
  return chairs === 1 ? 'The chair is taken then' : `All ${chairs} chairs are taken then`
}

/**
 * What speaks against a visit at this time, in sentences: the shop's hours, the person's hours, days away and own
 * calendar, chairs, and whoever is with that person, in that chair or is that client at the time. Nothing is
 * forbidden by it.
 */
export async function bookingTroubles(db: Client, asked: Asked): Promise<string[]> {
  const { shopId, placeId, startsAt, personId, chair } = asked
  const to = endOf(asked)
  const { details } = await readShop(db, shopId)
  const chairs = await chairsAt(db, { shopId, placeId })
  const person = personId && (await listPeople(db, shopId)).find((p) => p.id === personId)
  const isAway = person && !isAtWork({ hours: {}, daysOff: person.daysOff }, localDay(startsAt))
  const busy = person ? await busyBetween(db, { shopId, personId }, startsAt, to) : []
  const others = await meanwhile(db, asked)
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
    ...busy.map(
      (time) =>
        `${(person as { name: string }).name} is not to be had from ${clock(time.startsAt)} to ${clock(time.endsAt)}`,
    ),
    chair !== null && chair > chairs ? `There is no chair ${chair} here` : null,
    ...others,
    // Who is named already says the same of a single chair.
    others.length === 0 ? await chairsTaken(db, asked, chairs) : null,
  ]
  return said.flatMap((words) => (words === null ? [] : [`${words}.`]))
}

/** How many chairs a place has. */
export async function chairsAt(db: Client, { shopId, placeId }: At): Promise<number> {
  const { benchResources } = await currentTables(db, shopId)
  return resourcesAt(benchResources, placeId).find(({ id }) => id === 'chair')?.count ?? 0
}
