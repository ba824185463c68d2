import { addMinutes, format } from 'date-fns'
import type { VisitRow, VisitState } from '../../shared/contracts'

/** How a visit stands, in a word; the sign is told beside its colour. */
export const STATE_WORDS: Record<VisitState, string> = {
  'to-come': 'To come',
  waiting: 'Waiting',
  now: 'Now',
  seen: 'Seen',
  cancelled: 'Called off',
  absent: 'Did not come',
}
const SIGNS: Partial<Record<VisitState, string>> = {
  waiting: ' ▲ waits',
  now: ' · now',
  seen: ' ✓',
  cancelled: ' · off',
  absent: ' · did not come',
}

/** What a card of the calendar says: two short lines, and the whole for whoever hears it. */
export function visitWords(
  visit: VisitRow,
  { isWeek }: { isWeek: boolean },
): { first: string; second: string; whole: string } {
  const at = new Date(visit.startsAt)
  const who = visit.name ?? visit.code
  const where = visit.chair === null ? '' : `chair ${visit.chair}`
  const withWhom = visit.personName ? `with ${visit.personName}` : ''
  const known = [visit.reason, where, visit.personName?.split(' ')[0]]
  return {
    first: `${isWeek ? (who.split(' ')[0] ?? who) : `${format(at, 'HH:mm')} ${who}`}${SIGNS[visit.state] ?? ''}`,
    second: known.filter(Boolean).join(' · '),
    whole: [
      who,
      `${format(at, 'EEEE d MMMM, HH:mm')} to ${format(addMinutes(at, visit.minutes), 'HH:mm')}`,
      visit.reason,
      where,
      withWhom,
      STATE_WORDS[visit.state],
    ]
      .filter(Boolean)
      .join(', '),
  }
}
