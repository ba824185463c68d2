import { computed } from 'vue'
import { learnedMinutes } from '../../core/bench/durations'
import { jobSteps, type BenchStep } from '../../core/bench/jobSteps'
import { openBefore, stepCommand } from '../../core/bench/stepCommand'
import type { StepChange } from '../../core/record/stepState'
import { Refusal } from '../../core/record/refusal'
import { useBench } from '~/stores/bench'
import { useFitting } from '~/stores/fitting'
import { useModels } from '~/stores/models'
import { useSession } from '~/stores/session'
import { useTimers } from '~/stores/timers'
import { useChanges } from '~/stores/changes'

/**
 * The job of the open fitting: its steps with the shop's own minutes, and what can be done with
 * them. Changes wait on this device while the line is down.
 */
export function useJob() {
  const fitting = useFitting()
  const changes = useChanges()
  const bench = useBench()
  const models = useModels()
  const timers = useTimers()
  const session = useSession()
  const steps = computed(() =>
    jobSteps(fitting.record, {
      processes: fitting.tables.processes,
      models: models.models,
      learned: learnedMinutes(bench.state?.times ?? []),
    }),
  )
  const canWork = computed(() => session.may('jobs.change') && !fitting.blocked)
  /** Makes a change; a sentence when it is refused. */
  function act(step: BenchStep, change: Omit<StepChange, 'step' | 'foot'>): string {
    try {
      const { command } = stepCommand(steps.value, {
        step: step.step,
        ...(step.foot && { foot: step.foot }),
        ...change,
      })
      const refused = changes.change(command, `${change.do} ${step.words.toLowerCase()}`)
      if (!refused)
        timers.follow(fitting.client?.code ?? 'job', fitting.id, step, change.do, change.minutes)
      return refused ?? ''
    } catch (error) {
      if (error instanceof Refusal) return error.message
      throw error
    }
  }
  const early = (step: BenchStep) =>
    openBefore(steps.value, step).map((s) => `${s.words}${s.foot ? `, ${s.foot}` : ''}`)
  return { fitting, bench, models, steps, canWork, act, early }
}
