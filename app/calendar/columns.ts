import { addDays, format, parseISO } from 'date-fns'
import { minuteOf } from '../../core/bench/schedule/day'
import type { CalendarState, VisitRow } from '../../shared/contracts'
import { isAtWork, type Hours, type Weekday } from '../../shared/shopDetails'
import type { Span } from './sideBySide'

export type View = 'day' | 'week'
export type By = 'chairs' | 'people'

/** A column of the calendar: a day, or on one day a chair or somebody. */
export interface Column {
  key: string
  title: string
  /** YYYY-MM-DD */
  day: string
  /** what a visit gets that is put here, beside its day */
  at: { chair?: number | null; personId?: string | null }
  /** when the shop, or this person, works; null: not at all; undefined: nobody said */
  open: Span | null | undefined
  /** when this person is not to be had */
  busy: Span[]
}

/** Minutes of the day's clock of a moment. */
export const clockMinutes = (moment: string): number => {
  const at = new Date(moment)
  return at.getHours() * 60 + at.getMinutes()
}
/** The moment of a day at a minute of its clock. */
export function momentOf(day: string, minute: number): string {
  const at = parseISO(day)
  at.setHours(0, minute)
  return at.toISOString()
}
export const dayOfMoment = (moment: string): string => format(new Date(moment), 'yyyy-MM-dd')

function openOn(hours: Hours, day: string): Span | null | undefined {
  if (Object.keys(hours).length === 0) return undefined
  const weekday = String(((parseISO(day).getDay() + 6) % 7) + 1) as Weekday
  const span = hours[weekday]
  return span ? { from: minuteOf(span.from), to: minuteOf(span.to) } : null
}

/** Days of a week from a Monday; Sunday is left out where the shop is closed then and nobody comes. */
function daysOf({ from, days, hours, visits }: CalendarState): string[] {
  const all = Array.from({ length: days }, (_, i) =>
    format(addDays(parseISO(from), i), 'yyyy-MM-dd'),
  )
  const seen = new Set(visits.map((visit) => dayOfMoment(visit.startsAt)))
  return all.filter((day) => parseISO(day).getDay() !== 0 || openOn(hours, day) || seen.has(day))
}

/** When somebody is not to be had on a day, minutes of it. */
export function busyOn({ busy }: CalendarState, personId: string, day: string): Span[] {
  const start = momentOf(day, 0)
  const end = momentOf(day, 1440)
  return busy
    .filter((time) => time.personId === personId && time.startsAt < end && time.endsAt > start)
    .map(({ startsAt, endsAt }) => ({
      from: startsAt <= start ? 0 : clockMinutes(startsAt),
      to: endsAt >= end ? 1440 : clockMinutes(endsAt),
    }))
}

type Somebody = CalendarState['people'][number]

/** When somebody works on a day: their own hours, else the shop's; null on a day off or away. */
const worksOn = (person: Somebody, day: string, open: Column['open']): Column['open'] =>
  isAtWork(person, day) ? (openOn(person.hours, day) ?? open) : null

/**
 * The columns of a week, or of a day by its chairs or by who is there.
 *
 * @param only whose week it is; the shop's where not said
 */
export function columnsOf(state: CalendarState, view: View, by: By, only?: Somebody): Column[] {
  if (view === 'week')
    return daysOf(state).map((day) => {
      const open = openOn(state.hours, day)
      return {
        key: day,
        title: format(parseISO(day), 'EEE d'),
        day,
        at: {},
        open: only ? worksOn(only, day, open) : open,
        busy: only ? busyOn(state, only.id, day) : [],
      }
    })
  const day = state.from
  const open = openOn(state.hours, day)
  if (by === 'chairs')
    return [
      ...Array.from({ length: state.chairs }, (_, i) => ({
        key: `chair ${i + 1}`,
        title: `Chair ${i + 1}`,
        day,
        at: { chair: i + 1 },
        open,
        busy: [],
      })),
      { key: 'chair', title: 'Any chair', day, at: { chair: null }, open, busy: [] },
    ]
  return [
    ...state.people.map((person) => ({
      key: person.id,
      title: person.name,
      day,
      at: { personId: person.id },
      open: worksOn(person, day, open),
      busy: busyOn(state, person.id, day),
    })),
    { key: 'nobody', title: 'Nobody in particular', day, at: { personId: null }, open, busy: [] },
  ]
}

/** The column that a visit stands in; undefined where none shows it. */
export function columnOf(
  columns: readonly Column[],
  visit: Pick<VisitRow, 'startsAt' | 'chair' | 'personId'>,
): Column | undefined {
  const day = dayOfMoment(visit.startsAt)
  const here = columns.filter((column) => column.day === day)
  return (
    here.find(
      ({ at }) =>
        (at.chair === undefined || at.chair === visit.chair) &&
        (at.personId === undefined || at.personId === visit.personId),
    ) ??
    // A chair that is no more, somebody who has left: among those without.
    here.find(({ at }) => at.chair === null || at.personId === null)
  )
}

/** Hours that are drawn: from opening to closing, and whatever lies outside of them. */
export function shownHours(columns: readonly Column[], spans: readonly Span[]): Span {
  const all = [...columns.flatMap(({ open }) => open ?? []), ...spans]
  const known = all.length > 0 ? all : [{ from: 9 * 60, to: 17 * 60 }]
  const from = Math.min(...known.map((span) => span.from))
  const to = Math.max(...known.map((span) => span.to))
  const first = Math.floor(Math.min(from, 10 * 60) / 60) * 60
  return { from: first, to: Math.min(1440, Math.ceil(Math.max(to, first + 480) / 60) * 60) }
}

/** Share of what is open that is booked, 0 to 1 and more; null where nobody said what is open. */
export function bookedShare(
  visits: readonly Pick<VisitRow, 'minutes'>[],
  open: Span | null | undefined,
  chairs: number,
): number | null {
  const room = open ? (open.to - open.from) * chairs : 0
  if (room === 0) return null
  return visits.reduce((sum, visit) => sum + visit.minutes, 0) / room
}
