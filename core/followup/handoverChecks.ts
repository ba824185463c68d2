/** What is looked at before a pair leaves, in this order. */
export const HANDOVER_CHECKS = [
  { id: 'flat', name: 'Flat and not rocking', how: 'on the bench, both' },
  { id: 'edge', name: 'Edge behind the met heads', how: 'nothing under the heads' },
  { id: 'liner', name: 'Fits the liner', how: 'no fold, no lift' },
  { id: 'arches', name: 'Arches alike?', how: 'ask, and believe the answer' },
  { id: 'stand', name: 'Stand, flex, ten steps', how: 'or 15 minutes in the boot' },
  { id: 'toes', name: 'Toes', how: 'touch upright, leave when flexed; none numb' },
  { id: 'marks', name: 'Red marks gone in 30 minutes', how: 'skin looked at after' },
] as const

/** A day so many months later; the last of the month where that month is shorter. @example monthsLater('2026-01-31', 1) // '2026-02-28' */
export function monthsLater(isoDay: string, months: number): string {
  const [y, m, d] = isoDay.split('-').map(Number)
  const last = new Date(Date.UTC(y!, m! - 1 + months + 1, 0)).getUTCDate()
  return new Date(Date.UTC(y!, m! - 1 + months, Math.min(d!, last))).toISOString().slice(0, 10)
}
