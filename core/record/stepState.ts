import { Refusal } from './refusal'
import type { Job } from './schema'
import { SIDES, type Side } from '../tables/vocabulary'
import { skinCheck } from './skinCheck'

export type StepState = 'open' | 'running' | 'done' | 'skipped'

/** Where a step stands; ticks of older records count as done. */
export const stateOf = (entry: Job | undefined): StepState =>
  entry?.state ?? (entry?.done ? 'done' : 'open')

export const STEP_DOES = ['start', 'finish', 'undo', 'redo', 'skip', 'split', 'longer'] as const
export type StepDoes = (typeof STEP_DOES)[number]

/** What happens to a step at the bench. */
export interface StepChange {
  step: string
  foot?: Side
  do: StepDoes
  /** minutes it is planned for (start), more of them (longer), or what is left of it (split) */
  minutes?: number
  /** why it is done again, left out, or gone on with though the surface is warm */
  reason?: string
  /** the side that touches sock or skin, measured just before the foot goes in */
  celsius?: number
  /** how long the foot stays on it, min */
  skinMin?: number
}

/** Who stands on a warm surface: what the skin's limit depends on. */
export interface Wearer {
  child: boolean
  noHeat: boolean
  /** how far below the burn threshold the shop stays for them, K */
  marginK: number
}

/** Nobody has said who stands there: no foot goes onto anything warm. */
export const UNKNOWN_WEARER: Wearer = { child: true, noHeat: true, marginK: Infinity }

const same = (a: { step: string; foot?: Side }, b: { step: string; foot?: Side }) =>
  a.step === b.step && a.foot === b.foot
const minutesOf = (from: string, to: string) =>
  Math.max(0, (Date.parse(to) - Date.parse(from)) / 60_000)

/**
 * The steps' states after a change. A step that is done again opens again everything that followed
 * from it. A foot goes onto a warm surface only below the skin's limit, within its margin only with
 * a reason.
 *
 * @param following steps that come after this one, as far as the job goes; opened again with it
 * @throws Refusal where the change makes no sense or the surface is too hot
 * @example changeStep([], { step: 'heat-moulded:oven', do: 'start', minutes: 6 }, { by: 'B', at:
 *   '2026-11-25T10:00:00Z' }, { wearer: { child: false, noHeat: false, marginK: 3 } })[0].state // 'running'
 */
export function changeStep(
  jobs: readonly Job[],
  change: StepChange,
  stamp: { by?: string; at: string },
  {
    following = [],
    wearer,
  }: { following?: readonly { step: string; foot?: Side }[] | undefined; wearer: Wearer },
): Job[] {
  const old = jobs.find((j) => same(j, change))
  const state = stateOf(old)
  const { step, foot } = change
  const base: Job = {
    ...(old ?? { step, ...(foot && { foot }), done: false }),
    ...(stamp.by && { by: stamp.by }),
    at: stamp.at,
  }
  const put = (entry: Job): Job[] => [...jobs.filter((j) => !same(j, change)), entry]
  const needReason = () => {
    if (!change.reason?.trim()) throw new Refusal('no-reason', 'Say why in a few words.', 'reason')
    return change.reason.trim()
  }
  const refuse = (words: string): never => {
    throw new Refusal('bad-step', words, step)
  }
  if (change.do === 'start') {
    if (state === 'running') return refuse('This step is running already.')
    if (state !== 'open') return refuse('This step is over. Open it again first.')
    const warm = change.skinMin === undefined ? {} : onSkin(change, wearer)
    return put({
      ...without(base, ['reason', 'doneAt']),
      done: false,
      state: 'running',
      startedAt: stamp.at,
      ...(change.minutes !== undefined && { plannedMin: change.minutes }),
      ...warm,
    })
  }
  if (change.do === 'finish') {
    if (state === 'done' || state === 'skipped') return refuse('This step is over already.')
    const warm = state === 'open' && change.skinMin !== undefined ? onSkin(change, wearer) : {}
    return put({
      ...without(base, ['leftMin']),
      ...warm,
      done: true,
      state: 'done',
      doneAt: stamp.at,
      ...(base.startedAt && {
        actualMin: round(
          (base.spentMin ?? 0) + (state === 'running' ? minutesOf(base.startedAt, stamp.at) : 0),
        ),
      }),
    })
  }
  if (change.do === 'longer') {
    if (state !== 'running') return refuse('Only a running step can take longer.')
    return put({
      ...base,
      plannedMin: (base.plannedMin ?? 0) + Math.max(1, Math.round(change.minutes ?? 1)),
    })
  }
  if (change.do === 'split') {
    if (state !== 'running') return refuse('Only a running step can be split.')
    const spent = round((base.spentMin ?? 0) + minutesOf(base.startedAt!, stamp.at))
    const left = change.minutes ?? Math.max(1, Math.round((base.plannedMin ?? 0) - spent))
    return put({
      ...without(base, ['doneAt']),
      done: false,
      state: 'open',
      leftMin: Math.max(1, Math.round(left)),
      spentMin: spent,
    })
  }
  if (change.do === 'skip') {
    if (state === 'done' || state === 'skipped') return refuse('This step is over already.')
    return put({ ...base, done: true, state: 'skipped', doneAt: stamp.at, reason: needReason() })
  }
  const fresh = (entry: Job): Job => ({
    ...without(entry, [
      'doneAt',
      'startedAt',
      'actualMin',
      'leftMin',
      'spentMin',
      'plannedMin',
      'celsius',
      'reason',
    ]),
    done: false,
    state: 'open',
  })
  if (change.do === 'undo') {
    if (state === 'open' && !old?.startedAt) return refuse('There is nothing to take back.')
    return put(fresh(base))
  }
  if (state !== 'done' && state !== 'skipped')
    return refuse('Only a step that is over can be done again.')
  const reason = needReason()
  const again = (entry: Job) => ({ ...fresh(entry), redone: (entry.redone ?? 0) + 1 })
  return [
    ...jobs
      .filter((j) => !same(j, change))
      .map((j) =>
        following.some((f) => same(f, j)) && stateOf(j) !== 'open'
          ? { ...fresh(j), redone: (j.redone ?? 0) + 1 }
          : j,
      ),
    { ...again(base), reason },
  ]
}

const round = (v: number) => Math.round(v * 10) / 10
const without = (job: Job, keys: readonly (keyof Job)[]): Job =>
  Object.fromEntries(Object.entries(job).filter(([k]) => !keys.includes(k as keyof Job))) as Job

function onSkin(change: StepChange, wearer: Wearer): Partial<Job> {
  if (change.celsius === undefined || !Number.isFinite(change.celsius))
    throw new Refusal(
      'no-temperature',
      'Measure the side that touches the sock and type it in first.',
      'celsius',
    )
  const check = skinCheck(change.celsius, change.skinMin!, wearer)
  if (check.answer === 'stop') throw new Refusal('too-hot', check.words, 'celsius')
  if (check.answer === 'reason' && !change.reason?.trim())
    throw new Refusal('no-reason', check.words, 'reason')
  return {
    celsius: change.celsius,
    ...(check.answer === 'reason' && { reason: change.reason!.trim() }),
  }
}

/**
 * A step's key beside others of its job. @example stepKey('heat-moulded:trim', 'left') //
 * 'heat-moulded:trim@left'
 */
export const stepKey = (step: string, foot?: Side): string => (foot ? `${step}@${foot}` : step)

/** Step and foot of a key. */
export function ofKey(key: string): { step: string; foot?: Side } {
  const foot = SIDES.find((s) => key.endsWith(`@${s}`))
  return foot ? { step: key.slice(0, -foot.length - 1), foot } : { step: key }
}
