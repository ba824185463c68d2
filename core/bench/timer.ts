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

/** What can be done with a timer. */
export type TimerChange =
  | { do: 'pause' | 'resume' | 'stop' }
  | { do: 'extend'; minutes: number }
  | { do: 'rename'; name: string }

/**
 * A timer after a change, as the server will have it; null when it is over. One that rings is
 * extended from now, not from when it began to ring.
 *
 * @example
 *   changedTimer({ state: 'running', endsAt: 60_000 }, { do: 'pause' }, 15_000)?.leftMs // 45_000
 */
export function changedTimer(timer: Timer, change: TimerChange, now: number): Timer | null {
  const { state } = timer
  switch (change.do) {
    case 'stop':
      return null
    case 'rename':
      return { ...timer, name: change.name }
    case 'pause':
      return state === 'running'
        ? { ...timer, state: 'paused', leftMs: Math.max(0, timer.endsAt! - now), endsAt: null }
        : timer
    case 'resume':
      return state === 'paused'
        ? { ...timer, state: 'running', endsAt: now + timer.leftMs!, leftMs: null }
        : timer
    case 'extend': {
      const moreMs = change.minutes * 60_000
      return state === 'running'
        ? { ...timer, endsAt: Math.max(timer.endsAt!, now) + moreMs }
        : { ...timer, leftMs: (timer.leftMs ?? 0) + moreMs }
    }
  }
}

/** What a timer of a step is about. */
export interface TimedStep {
  key: string
  words: string
  foot?: string | undefined
  minutes: number
  waiting?: boolean | undefined
  overnight?: boolean | undefined
}

/** Longest a timer runs, min. */
const MOST_MIN = 1440
/** Letters of a timer's name and of its step's key. */
const MOST_LETTERS = 80
export const stepKeyOfTimer = (key: string): string => key.slice(0, MOST_LETTERS)

/**
 * The timer that a step brings along when it begins: of a waiting step that is over on the same day;
 * null for any other.
 *
 * @param code the client's code, by which the bench knows the job
 */
export function timerOfStep(
  code: string,
  step: TimedStep,
): { name: string; minutes: number; step: string } | null {
  if (!step.waiting || step.overnight || step.minutes <= 0) return null
  return {
    name: `${code}: ${step.words}${step.foot ? `, ${step.foot}` : ''}`.slice(0, MOST_LETTERS),
    minutes: Math.min(MOST_MIN, step.minutes),
    step: stepKeyOfTimer(step.key),
  }
}

/** m:ss, with a + once it is over. @example leftWords(65_000) // '1:05' */
export function leftWords(ms: number): string {
  const seconds = Math.round(Math.abs(ms) / 1000)
  return `${ms < 0 && seconds > 0 ? '+' : ''}${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`
}

/** Minutes it really took, of a stopped one. */
export const actualMin = (timer: Timer): number | null =>
  timer.stoppedAt === null ? null : (timer.stoppedAt - timer.startedAt) / 60_000
