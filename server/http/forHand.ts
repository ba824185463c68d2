import type { DaylessVisit, VisitRow } from '../../shared/contracts'

/** A visit as a bench hand sees it: its code, no name and nothing of why somebody comes. */
export const forHand = <V extends VisitRow | DaylessVisit>(visit: V): V => ({
  ...visit,
  name: null,
  occupation: null,
  bornOn: null,
  reason: '',
  note: '',
})
