import type { Command } from '../record/commands'
import { Refusal } from '../record/refusal'
import type { Job } from '../record/schema'
import { followingOf, type BenchStep } from './jobSteps'
import { stepKey, type StepChange } from '../record/stepState'

type StepCommand = Extract<Command, { kind: 'jobs.step' }>

/**
 * A change of a step as a command, with all that the job's own process says of it: planned minutes,
 * how long a foot stays on it, what is opened again with it. Browser and server both make it so;
 * the server does not take a caller's word for the skin's minutes.
 *
 * @throws Refusal where the job has no such step, or what comes before it is open and nobody says
 *   why it does not matter
 */
export function stepCommand(
  steps: readonly BenchStep[],
  change: StepChange | StepCommand,
): { step: BenchStep; command: StepCommand } {
  const key = stepKey(change.step, change.foot)
  const step = steps.find((s) => s.key === key)
  if (!step)
    throw new Refusal(
      'no-such-step',
      'This job has no such step any more. Load it again.',
      change.step,
    )
  const { do: what } = change
  // Beginning is held to the order; ticking off what was done is not.
  if (what === 'start') {
    const open = openBefore(steps, step)
    if (open.length > 0 && !change.reason?.trim())
      throw new Refusal(
        'too-early',
        `${open.map((s) => s.words).join(' and ')} comes first. Do or skip it, or say why it does not matter.`,
        'reason',
      )
  }
  const { skinMin: _, ...told } = { kind: 'jobs.step' as const, following: [], ...change }
  return {
    step,
    command: {
      ...told,
      following: what === 'redo' ? followingOf(steps, key) : [],
      ...(what === 'start' && {
        minutes: Math.round(step.minutes),
        ...(step.skinMin !== undefined && { skinMin: step.skinMin }),
      }),
      ...(what === 'finish' &&
        step.state === 'open' &&
        step.skinMin !== undefined && { skinMin: step.skinMin }),
    },
  }
}

/** Steps that come before one and are not over. */
export const openBefore = (steps: readonly BenchStep[], step: BenchStep): BenchStep[] =>
  steps.filter((s) => step.after.includes(s.key) && s.state !== 'done' && s.state !== 'skipped')

/** The line that the bench's log keeps of a change. */
export function stepLine(
  step: BenchStep,
  command: StepCommand,
  after: readonly Job[],
): {
  step: string
  foot?: string
  did: string
  plannedMin?: number
  actualMin?: number
  reason?: string
} {
  const entry = after.find((j) => stepKey(j.step, j.foot) === step.key)
  const plannedMin = entry?.plannedMin ?? step.minutes
  return {
    step: `${step.process}:${step.step.split(':').at(-1)}`,
    did: command.do,
    plannedMin,
    ...(step.foot && { foot: step.foot }),
    ...(command.do === 'finish' &&
      entry?.actualMin !== undefined && { actualMin: entry.actualMin }),
    ...(command.reason && { reason: command.reason }),
  }
}
