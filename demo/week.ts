import { addDays } from '../core/record/isoDay'

/** A visit of the demo's week: of which of the earlier clients, when, how long, why and with whom. */
export interface WeekVisit {
  client: number
  /** null: waits for a day */
  at: { day: string; hour: number; minute: number } | null
  minutes: number
  reason: string
  login: 'rhona' | 'sunniva'
  isOver: boolean
}

const ROWS: [
  weekday: number,
  hour: number,
  minute: number,
  minutes: number,
  reason: string,
  who?: 'sunniva',
][] = [
  [0, 9, 0, 30, 'two weeks after'],
  [0, 10, 30, 60, 'measure and capture'],
  [0, 14, 0, 45, 'try-in'],
  [1, 9, 30, 45, 'measure and capture'],
  [1, 11, 0, 30, 'recheck', 'sunniva'],
  [1, 15, 0, 60, 'first visit'],
  [2, 10, 0, 45, 'after six weeks'],
  [2, 13, 30, 30, 'adjustment'],
  [3, 9, 0, 45, 'handover'],
  [3, 11, 0, 60, 'shells and try-on', 'sunniva'],
  [3, 14, 0, 45, 'recheck'],
  [4, 9, 0, 60, 'try-in'],
  [4, 11, 0, 45, 'after six weeks', 'sunniva'],
  [4, 15, 0, 45, 'adjustment'],
  [5, 9, 0, 60, 'first visit'],
  [5, 10, 30, 45, 'handover'],
]
const WAITING: [minutes: number, reason: string][] = [
  [30, 'adjustment, right arch presses'],
  [45, 'recheck, rings when the season begins'],
]

/** The demo's visits of the week of a day, beside those of the day itself, and two who wait for one. */
export function weekVisits(today: string): WeekVisit[] {
  const weekday = (new Date(`${today}T12:00:00Z`).getUTCDay() + 6) % 7
  const monday = addDays(today, -weekday)
  const booked = ROWS.filter(([day]) => day !== weekday).map(
    ([day, hour, minute, minutes, reason, login], client): WeekVisit => ({
      client,
      at: { day: addDays(monday, day), hour, minute },
      minutes,
      reason,
      login: login ?? 'rhona',
      isOver: day < weekday,
    }),
  )
  const waiting = WAITING.map(([minutes, reason], i): WeekVisit => ({
    client: booked.length + i,
    at: null,
    minutes,
    reason,
    login: 'rhona',
    isOver: false,
  }))
  return [...booked, ...waiting]
}
