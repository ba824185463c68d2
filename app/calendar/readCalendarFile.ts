import ICAL from 'ical.js'
import type { BusyTime } from '../../shared/contracts'

/** So far ahead a calendar that repeats for ever is read, days. */
const AHEAD_DAYS = 365
const DAY_MS = 86_400_000
/** A visit of our own, as its file calls it. */
const OWN = /^visit-([0-9a-f-]{36})@gentle-arch$/

/** What a calendar file says from a day on. */
export interface ReadCalendar {
  /** visits of this shop, at the time that the file has for them */
  visits: { id: string; startsAt: string }[]
  /** everything else: when somebody is not to be had */
  busy: BusyTime[]
}

/**
 * Reads a calendar file (iCalendar): visits that this shop has written, and all other events as times at which its
 * owner is not to be had. What repeats is written out for a year; what is called off or leaves its time free is none.
 *
 * @param from the first moment that counts
 * @throws Error where it is no calendar file
 */
export function readCalendarFile(text: string, from: Date): ReadCalendar {
  const root = parsed(text)
  root
    .getAllSubcomponents('vtimezone')
    .forEach((zone) => ICAL.TimezoneService.register(new ICAL.Timezone(zone)))
  const until = new Date(from.getTime() + AHEAD_DAYS * DAY_MS)
  const out: ReadCalendar = { visits: [], busy: [] }
  // A single day that was moved stands in an event of its own, beside the one that repeats.
  const events = root.getAllSubcomponents('vevent').map((part) => new ICAL.Event(part))
  for (const event of events) {
    if (event.isRecurrenceException()) continue
    const [, id] = OWN.exec(event.uid ?? '') ?? []
    if (id && event.startDate) {
      if (!isOff(event)) out.visits.push({ id, startsAt: event.startDate.toJSDate().toISOString() })
      continue
    }
    if (event.startDate) out.busy.push(...timesOf(event, from, until))
  }
  return out
}

function parsed(text: string): ICAL.Component {
  try {
    const read = ICAL.parse(text) as unknown[]
    // A file of several calendars is a list of them: the first counts.
    const root = new ICAL.Component((typeof read[0] === 'string' ? read : read[0]) as never)
    if (root.name === 'vcalendar') return root
  } catch {
    // Said below, as for any other file.
  }
  throw new Error('This is no calendar file. Export one as .ics (iCalendar) and choose that.')
}

const isOff = (event: ICAL.Event) =>
  event.component.getFirstPropertyValue('status') === 'CANCELLED' ||
  event.component.getFirstPropertyValue('transp') === 'TRANSPARENT'

function timesOf(event: ICAL.Event, from: Date, until: Date): BusyTime[] {
  const out: BusyTime[] = []
  const add = (item: ICAL.Event, start: ICAL.Time, end: ICAL.Time) => {
    const startsAt = start.toJSDate()
    const endsAt = end.toJSDate()
    if (isOff(item) || endsAt <= from || startsAt > until || endsAt <= startsAt) return
    out.push({
      uid: (event.uid || 'no name').slice(0, 300),
      startsAt: startsAt.toISOString(),
      endsAt: endsAt.toISOString(),
    })
  }
  if (!event.isRecurring()) {
    add(event, event.startDate, event.endDate)
    return out
  }
  const times = event.iterator()
  for (let time = times.next(); time; time = times.next()) {
    if (time.toJSDate() > until) break
    const { item, startDate, endDate } = event.getOccurrenceDetails(time)
    add(item, startDate, endDate)
  }
  return out
}
