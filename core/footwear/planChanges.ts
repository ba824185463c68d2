import { STATION_KINDS } from '../kinds/stations/all'
import type { ShellWork } from '../record/schema'
import type { Side } from '../tables/vocabulary'
import { oneDecimal, sizeWords } from './reasons'

/** What the fit asks of a plan of work: one line of it, and why. Nothing of it is done by itself. */
export interface PlanChange {
  kind: 'add' | 'change' | 'again' | 'go'
  id: string
  foot: Side
  /** the line as it would stand; null where it goes */
  line: ShellWork | null
  words: string
  why: string
}

/** Less than this is the reckoning's, mm. */
const SAME_MM = 0.3

/** Ids of lines that the fit asked for say foot, station and work; a further one of the same says which. */
const OF_FIT = /^(?:left|right)-/
const FURTHER = /~\d+$/
/** The ask that a line answers: its id without which of several it is. */
export const askOf = (id: string): string => id.replace(FURTHER, '')

/** An id that no line has, of whatever model: the bench knows a piece of work by it alone. */
function freshId(id: string, taken: ReadonlySet<string>): string {
  if (!taken.has(id)) return id
  let n = 2
  while (taken.has(`${id}~${n}`)) n++
  return `${id}~${n}`
}

const called = ({ station, does, foot }: ShellWork): string =>
  `${foot} ${STATION_KINDS.find(station)?.short ?? station}: ${does}`

/** A line that is planned, against what the fit asks now; null where it says the same. */
function changed(is: ShellWork, asks: ShellWork): PlanChange | null {
  const isOtherSize = is.sizeMm !== asks.sizeMm
  const isOther = Math.abs(is.amountMm - asks.amountMm) > SAME_MM && !is.amountByHand
  if (!isOtherSize && !isOther) return null
  const amountMm = isOther ? asks.amountMm : is.amountMm
  const sized = isOtherSize
    ? `planned for ${sizeWords(is.sizeMm)}, chosen is ${sizeWords(asks.sizeMm)}`
    : null
  const grown = isOther
    ? `${oneDecimal(asks.amountMm)} mm instead of ${oneDecimal(is.amountMm)}: ${asks.because}`
    : null
  return {
    kind: 'change',
    id: is.id,
    foot: is.foot,
    line: { ...asks, id: is.id, amountMm, ...(is.amountByHand && { amountByHand: true }) },
    words: `${called(is)} ${oneDecimal(amountMm)} mm`,
    why: [sized, grown].filter(Boolean).join('; '),
  }
}

/** What the fit asks, where no line of it is planned. */
function missing(
  asks: ShellWork,
  same: readonly ShellWork[],
  taken: ReadonlySet<string>,
): PlanChange | null {
  const words = `${called(asks)} ${oneDecimal(asks.amountMm)} mm`
  const here = same.filter((k) => k.sizeMm === asks.sizeMm)
  const dropped = here.find((k) => k.state === 'dropped')
  if (dropped) {
    // Dropped is decided: only more than what was dropped asks again.
    if (asks.amountMm <= dropped.amountMm + SAME_MM) return null
    const why = `dropped at ${oneDecimal(dropped.amountMm)} mm, ${oneDecimal(asks.amountMm)} now: ${asks.because}`
    return {
      kind: 'again',
      id: dropped.id,
      foot: asks.foot,
      line: { ...asks, id: dropped.id },
      words,
      why,
    }
  }
  const id = freshId(asks.id, taken)
  const isDone = here.some((k) => k.state === 'done')
  const why = isDone ? `done once, and still ${asks.because}` : (asks.because ?? '')
  return { kind: 'add', id, foot: asks.foot, line: { ...asks, id }, words, why }
}

/**
 * What has to change in a plan so that it says what the fit says: lines that are new, that grew or shrank, that
 * were dropped and are needed more than then, and that nothing asks for any more. What is done stays, what
 * was added by hand stays, and an amount that was set by hand is left as it was.
 *
 * For instance after a stretch of 2 mm that is done, a ball that is still 1 mm short asks for a further line of 1 mm
 *
 * @param kept every line of the fitting; only those of the model are looked at
 * @param asked lines that the fit of the chosen model asks for, as `planOf` places them
 */
export function planChanges(
  kept: readonly ShellWork[],
  asked: readonly ShellWork[],
  model: string,
): PlanChange[] {
  const own = kept.filter((k) => k.model === model)
  const taken = new Set(kept.map((k) => k.id))
  const needs = asked.map((asks) => {
    const same = own.filter((k) => askOf(k.id) === asks.id)
    const planned = same.find((k) => k.state === 'planned')
    return planned ? changed(planned, asks) : missing(asks, same, taken)
  })
  const ids = new Set(asked.map((a) => a.id))
  const planned = own.filter((k) => k.state === 'planned' && OF_FIT.test(k.id))
  // A line that was opened again beside its further piece would be worked twice.
  const isSecond = (k: ShellWork) => planned.find((p) => askOf(p.id) === askOf(k.id)) !== k
  const gone = planned
    .filter((k) => !ids.has(askOf(k.id)) || isSecond(k))
    .map((k): PlanChange => ({
      kind: 'go',
      id: k.id,
      foot: k.foot,
      line: null,
      words: `${called(k)} ${oneDecimal(k.amountMm)} mm`,
      why: `nothing asks for it any more${k.because ? ` (was: ${k.because})` : ''}`,
    }))
  return [...needs.flatMap((c) => c ?? []), ...gone]
}

/** A plan with changes taken: lines keep their places, new ones come last. */
export function withChanges(
  kept: readonly ShellWork[],
  changes: readonly PlanChange[],
  model: string,
): ShellWork[] {
  const byId = new Map(changes.map((c) => [c.id, c]))
  const stays = kept.flatMap((k) => {
    const change = k.model === model ? byId.get(k.id) : undefined
    if (!change || change.kind === 'add') return [k]
    return change.line ? [change.line] : []
  })
  return [...stays, ...changes.flatMap((c) => (c.kind === 'add' && c.line ? [c.line] : []))]
}
