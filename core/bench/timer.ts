/**
 * A timer as the server keeps it: when it ends while it runs, what is left while it is paused.
 * Times are milliseconds since 1970.
 */
export interface Timer {
  id: string
  name: string
  /** minutes it was set to at first */
  plannedMin: number
  startedAt: number
  /** null while it is paused or over */
  endsAt: number | null
  leftMs: number | null
  state: 'running' | 'paused' | 'stopped'
  stoppedAt: number | null
  fittingId: string | null
  step: string | null
  by: string | null
}

/** What is left, ms; below zero it has been ringing for so long. */
export const leftMs = (timer: Timer, now: number): number =>
  timer.state === 'running' ? timer.endsAt! - now : (timer.leftMs ?? 0)

/** Does it ring? Only a running one that is over. */
export const rings = (timer: Timer, now: number): boolean =>
  timer.state === 'running' && timer.endsAt! <= now

/** m:ss, with a + once it is over. @example leftWords(65_000) // '1:05' */
export function leftWords(ms: number): string {
  const seconds = Math.round(Math.abs(ms) / 1000)
  return `${ms < 0 && seconds > 0 ? '+' : ''}${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`
}

/** Minutes it really took, of a stopped one. */
export const actualMin = (timer: Timer): number | null =>
  timer.stoppedAt === null ? null : (timer.stoppedAt - timer.startedAt) / 60_000
