import ical, { ICalCalendarMethod, ICalEventStatus } from 'ical-generator'
import type { VisitRow } from '../../shared/contracts'

/** Visits as iCalendar, by client codes: a telephone's calendar is no place for names and reasons. */
export function visitCalendar(visits: readonly VisitRow[], name: string, now: Date): string {
  const calendar = ical({
    name,
    method: ICalCalendarMethod.PUBLISH,
    prodId: { company: 'Gentle Arch', product: 'visits', language: 'EN' },
  })
  for (const visit of visits) {
    const start = new Date(visit.startsAt)
    calendar.createEvent({
      id: visitUid(visit.id),
      stamp: now,
      sequence: visit.version,
      start,
      end: new Date(start.getTime() + visit.minutes * 60_000),
      summary: visit.chair === null ? visit.code : `${visit.code}, chair ${visit.chair}`,
      status: visit.state === 'cancelled' ? ICalEventStatus.CANCELLED : ICalEventStatus.CONFIRMED,
    })
  }
  return calendar.toString()
}

/** What a calendar file calls a visit. */
const visitUid = (id: string): string => `visit-${id}@gentle-arch`
