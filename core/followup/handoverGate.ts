import { bindingState } from '../footwear/bindingCheck'
import type { BenchStep } from '../bench/jobSteps'
import { openRound } from '../bench/rounds'
import type { FittingRecord } from '../record/schema'
import type { Round } from '../record/roundSchema'
import { HANDOVER_CHECKS } from './handoverChecks'

/** What stands between a pair and its client. */
export interface Gate {
  /** nothing helps but doing it */
  stops: string[]
  /** may be left out with a reason */
  asks: string[]
  /** may it leave? */
  isOpen: boolean
}

/** What is told of the round that is about to leave: of the first, or of the one that is open. */
export const gateTold = (
  record: FittingRecord,
): Pick<Round, 'checks' | 'evenFeel' | 'allTheSame'> =>
  openRound(record.rounds) ?? record.handover ?? {}

const count = (n: number, one: string, many: string) => (n === 1 ? one : `${n} ${many}`)

/**
 * May a pair leave? No open step, no check that says stop and a tested binding are not to be argued with; checks that
 * were not made and feet that do not feel even ask for a reason.
 *
 * @param steps of the job, all rounds
 */
export function handoverGate(
  record: FittingRecord,
  steps: readonly Pick<BenchStep, 'state'>[],
): Gate {
  const { checks = {}, evenFeel, allTheSame } = gateTold(record)
  const open = steps.filter(({ state }) => state === 'open' || state === 'running').length
  const isStopped = HANDOVER_CHECKS.some(({ id }) => checks[id] === 'stop')
  const binding = bindingState(record)
  const stops = [
    ...(isStopped ? ['A check says stop: mend it first'] : []),
    ...(open > 0
      ? [
          `${count(open, 'A step', 'steps')} at the bench ${open === 1 ? 'is' : 'are'} open: do or leave out`,
        ]
      : []),
    ...(binding.kind === 'due'
      ? [`The binding is set and tested by a certified technician first: ${binding.why.join('; ')}`]
      : []),
  ]
  const left = HANDOVER_CHECKS.filter(({ id }) => checks[id] === undefined).length
  const asks = [
    ...(left > 0 ? [`${count(left, 'One check is', 'checks are')} not made`] : []),
    ...(evenFeel === undefined ? ['Nobody asked how the two feel'] : []),
    ...(evenFeel !== undefined && evenFeel !== 'even' ? [`It feels ${evenFeel}`] : []),
  ]
  return { stops, asks, isOpen: stops.length === 0 && (asks.length === 0 || Boolean(allTheSame)) }
}
