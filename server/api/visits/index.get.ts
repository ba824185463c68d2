import { getQuery } from 'h3'
import { addDays } from 'date-fns'
import { isoDay } from '../../../core/record/isoDay'
import type { CalendarState } from '../../../shared/contracts'
import { chairsAt } from '../../database/bookings'
import { busyBetween } from '../../database/busyTimes'
import { freshest } from '../../database/freshest'
import type { At } from '../../database/places'
import { database } from '../../database/pool'
import { readShop } from '../../database/shop'
import { listPeople } from '../../database/staff'
import { visitsBetween, withoutDay } from '../../database/visits'
import { dayBounds, localDay } from '../../http/day'
import { forHand } from '../../http/forHand'
import { HttpProblem } from '../../http/problem'
import { route } from '../../http/route'

/** At most so many days at once: a month with its edges. */
const MOST_DAYS = 42

interface AskedDays extends At {
  from: string
  days: number
  all: boolean
}
const daysOf = freshest(async ({ from, days, all, ...at }: AskedDays): Promise<CalendarState> => {
  const db = database()
  const first = dayBounds(new Date(`${from}T12:00`))[0]
  const end = addDays(first, days)
  const asked = all ? { shopId: at.shopId } : at
  const [visits, waiting, busy, people, chairs, { details }] = await Promise.all([
    visitsBetween(db, asked, first, end),
    withoutDay(db, asked),
    busyBetween(db, { shopId: at.shopId }, first, end),
    listPeople(db, at.shopId),
    chairsAt(db, at),
    readShop(db, at.shopId),
  ])
  return {
    from,
    days,
    today: localDay(),
    visits,
    waiting,
    busy: busy.map(({ personId, startsAt, endsAt }) => ({
      personId,
      startsAt: startsAt.toISOString(),
      endsAt: endsAt.toISOString(),
    })),
    people: people
      .filter(({ state, role }) => state === 'here' && (role === 'owner' || role === 'fitter'))
      .map(({ id, name, hours, daysOff }) => ({ id, name, hours, daysOff })),
    chairs,
    hours: details.hours ?? {},
  }
})

/**
 * Some days of this place's calendar (`from=YYYY-MM-DD`, `days`, 7 where not said), who waits for a day, who is there
 * when; with `at=all` of every place of the shop. A bench hand sees codes, not names or reasons.
 */
export default route({ permission: 'today.see' }, async ({ event, person }) => {
  const { shopId, placeId, role } = person
  const { from: asked, days: many = 7, at } = getQuery(event)
  const from = String(asked ?? localDay())
  if (!isoDay.safeParse(from).success)
    throw new HttpProblem(400, 'bad-day', 'Write the day as YYYY-MM-DD.', { path: 'from' })
  const days = Number(many)
  if (!Number.isInteger(days) || days < 1 || days > MOST_DAYS)
    throw new HttpProblem(400, 'bad-days', `Ask for 1 to ${MOST_DAYS} days.`, { path: 'days' })
  const state = await daysOf({ shopId, placeId, from, days, all: at === 'all' })
  if (role !== 'bench') return state
  return { ...state, visits: state.visits.map(forHand), waiting: state.waiting.map(forHand) }
})
