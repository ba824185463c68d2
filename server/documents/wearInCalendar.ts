import ical, { ICalCalendarMethod } from 'ical-generator'
import type { WearInDay } from '../../core/followup/wearInPlan'

/**
 * Wearing in as iCalendar, one whole day an event: whole days have no hour that a change of the
 * clock could move.
 */
export function wearInCalendar(
  days: readonly WearInDay[],
  shop: string,
  code: string,
  now: Date,
): string {
  const calendar = ical({
    name: 'Wearing in',
    method: ICalCalendarMethod.PUBLISH,
    prodId: { company: 'Gentle Arch', product: 'wearing in', language: 'EN' },
  })
  days.forEach((day, i) => {
    const [y, m, d] = day.on.split('-').map(Number)
    calendar.createEvent({
      id: `${code}-${day.on}-${i}@gentle-arch`,
      stamp: now,
      start: new Date(Date.UTC(y!, m! - 1, d!)),
      end: new Date(Date.UTC(y!, m! - 1, d! + 1)),
      allDay: true,
      timezone: null,
      summary: `Footbeds: ${day.words}`,
      description: [day.only, 'Blister, lasting mark, numbness or warmth: stop and call.', shop]
        .filter(Boolean)
        .join('\n'),
    })
  })
  return calendar.toString()
}
