import ical, { ICalCalendarMethod } from 'ical-generator'
import type { DueRow } from '../../shared/contracts'

/** Reminders as iCalendar, whole days, clients by code; what is late stands on today. */
export function dueCalendar(rows: readonly DueRow[], today: string, now: Date): string {
  const calendar = ical({
    name: 'Due',
    method: ICalCalendarMethod.PUBLISH,
    prodId: { company: 'Gentle Arch', product: 'reminders', language: 'EN' },
  })
  for (const row of rows) {
    const [y, m, d] = (row.on < today ? today : row.on).split('-').map(Number)
    calendar.createEvent({
      id: `${row.fittingId}-${row.kind}-${row.on}@gentle-arch`,
      stamp: now,
      start: new Date(Date.UTC(y!, m! - 1, d!)),
      end: new Date(Date.UTC(y!, m! - 1, d! + 1)),
      allDay: true,
      timezone: null,
      summary: `${row.code}: ${row.words}`,
    })
  }
  return calendar.toString()
}
