import type { Footwear, Job, ShellWork } from '../record/schema'
import { stateOf, stepKey } from '../record/stepState'
import { workOpenedAgain } from '../record/workState'

const PREFIX = 'work:'

/** The prefix under which the steps of a piece of work stand among the jobs. */
export const workPrefix = (id: string): string => `${PREFIX}${id}`

/**
 * The piece of work that a step belongs to; null for a step of a device.
 *
 * @example workOfStep('work:left-ball-stretch:press') // 'left-ball-stretch'
 */
export const workOfStep = (step: string): string | null =>
  step.startsWith(PREFIX) ? step.slice(PREFIX.length, step.lastIndexOf(':')) : null

type Step = { step: string; foot?: Job['foot'] }
const keyOf = ({ step, foot }: Step) => stepKey(step, foot)
const byKey = (jobs: readonly Job[]) => new Map(jobs.map((job) => [keyOf(job), job]))
const isOver = (job: Job | undefined) => ['done', 'skipped'].includes(stateOf(job))

/** Work of the model that is chosen: the bench sees no other. */
const ofChosen = ({ chosen }: Footwear): readonly ShellWork[] =>
  chosen?.work.filter((w) => w.model === chosen.model) ?? []

/** What a change at the bench says of one piece of work. */
function said(
  work: ShellWork,
  own: readonly Step[],
  before: ReadonlyMap<string, Job>,
  after: ReadonlyMap<string, Job>,
): 'done' | 'open' | null {
  const is = own.map((s) => after.get(keyOf(s)))
  const isMoved = own.some((s) => stateOf(before.get(keyOf(s))) !== stateOf(after.get(keyOf(s))))
  if (!isMoved) return null
  if (work.state === 'planned')
    return is.every(isOver) && is.some((j) => stateOf(j) === 'done') ? 'done' : null
  // A step that the shop adds to its way of working opens nothing that was done.
  const isOpened = own.some((s) => isOver(before.get(keyOf(s))) && !isOver(after.get(keyOf(s))))
  const isUndone = !is.some((j) => stateOf(j) === 'done')
  return work.state === 'done' && (isOpened || isUndone) ? 'open' : null
}

/**
 * Footwear after steps changed at the bench: work whose steps are over, and not all left out, is done; work
 * that was done and of which a step is opened again is planned again. The same object where nothing is to change.
 *
 * @param steps of the job as it is made today, those of its work among them
 * @param pressed what the press was set to for a stretch, mm, by id of the work
 * @param at ISO time of the change
 */
export function footwearAfterSteps(
  footwear: Footwear,
  { before, after }: { before: readonly Job[]; after: readonly Job[] },
  steps: readonly Step[],
  { at, pressed }: { at: string; pressed: Readonly<Record<string, number>> },
): Footwear {
  const { chosen } = footwear
  if (!chosen) return footwear
  const [was, is] = [byKey(before), byKey(after)]
  const seen = new Set(ofChosen(footwear))
  let isChanged = false
  const work = chosen.work.map((w) => {
    const own = seen.has(w) ? steps.filter(({ step }) => workOfStep(step) === w.id) : []
    const now = own.length > 0 ? said(w, own, was, is) : null
    if (now === null) return w
    isChanged = true
    if (now === 'open') return workOpenedAgain(w)
    const pressedMm = w.pressedMm ?? pressed[w.id]
    return {
      ...w,
      state: 'done' as const,
      doneAt: at,
      ...(pressedMm !== undefined && { pressedMm }),
    }
  })
  return isChanged ? { ...footwear, chosen: { ...chosen, work } } : footwear
}

/** Pieces of work by model and id, as they stand. */
const standing = (footwear: Footwear | undefined) =>
  new Map((footwear?.chosen?.work ?? []).map((w) => [`${w.model} ${w.id}`, w]))

/** Ids of work that is done now and was not, and of what was done or there and is not any more. */
export function workMoved(
  before: Footwear | undefined,
  after: Footwear | undefined,
): { done: Set<string>; opened: Set<string> } {
  const [was, is] = [standing(before), standing(after)]
  const done = [...is].filter(([key, w]) => w.state === 'done' && was.get(key)?.state !== 'done')
  const opened = [...was].filter(
    ([key, w]) => !is.has(key) || (w.state === 'done' && is.get(key)!.state !== 'done'),
  )
  const idsOf = (list: readonly [string, ShellWork][]) => new Set(list.map(([, { id }]) => id))
  return { done: idsOf(done), opened: idsOf(opened) }
}

/**
 * Jobs after the plan of work changed in Match: where the bench had begun, what is done there is done here, and
 * what is opened again or gone is forgotten here. The same list where nothing is to change.
 *
 * @param steps of the job as it is made today with the footwear as it is after the change
 * @param stamp who changed the plan, and when
 */
export function jobsAfterWork(
  jobs: readonly Job[],
  { done, opened }: ReturnType<typeof workMoved>,
  steps: readonly Step[],
  stamp: { by: string; at: string },
): readonly Job[] {
  const isOf = (ids: ReadonlySet<string>, step: string) => ids.has(workOfStep(step) ?? '')
  const kept = jobs.filter(({ step }) => !isOf(opened, step) || isOf(done, step))
  const begun = new Set(kept.map(({ step }) => workOfStep(step)))
  const known = byKey(kept)
  const closes = steps.filter(
    (s) => isOf(done, s.step) && begun.has(workOfStep(s.step)) && !isOver(known.get(keyOf(s))),
  )
  if (closes.length === 0 && kept.length === jobs.length) return jobs
  const closed = new Set(closes.map(keyOf))
  return [
    ...kept.filter((job) => !closed.has(keyOf(job))),
    ...closes.map(({ step, foot }): Job => ({
      ...known.get(stepKey(step, foot)),
      step,
      ...(foot && { foot }),
      done: true,
      state: 'done',
      doneAt: stamp.at,
      ...stamp,
    })),
  ]
}

/** Where the bench stands with a piece of work, in words; empty where nothing was begun. */
export function benchWords(id: string, jobs: readonly Job[], steps: readonly Step[]): string {
  const known = byKey(jobs)
  const own = steps.filter(({ step }) => workOfStep(step) === id)
  const states = own.map((s) => stateOf(known.get(keyOf(s))))
  const over = states.filter((s) => s === 'done' || s === 'skipped').length
  if (states.every((s) => s === 'open')) return ''
  if (states.every((s) => s === 'skipped')) return 'left out at the bench'
  return `at the bench ${over} of ${own.length} ${own.length === 1 ? 'step' : 'steps'}`
}
