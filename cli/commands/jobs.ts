import { isOver, jobSteps, nextStep } from '../../core/bench/jobSteps'
import type { Command } from '../command'
import { modelsOf, recordOf, tablesOf } from '../inputs'

export const jobsCommand: Command = {
  usage: 'RECORD [--catalogue FILE] [--tables FILE]',
  files: 1,
  options: ['catalogue', 'tables'],
  run: (args) => {
    const record = recordOf(args)
    const { processes } = tablesOf(args)
    const steps = jobSteps(record, { processes, models: modelsOf(args) })
    return {
      steps: steps.map(({ entry: _, ...step }) => step),
      next: nextStep(steps)?.key ?? null,
      isOver: isOver(steps),
      handsOnMinutes: steps
        .filter((s) => s.state === 'open' && !s.waiting)
        .reduce((sum, s) => sum + s.minutes, 0),
    }
  },
}
