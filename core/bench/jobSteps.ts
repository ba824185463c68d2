import { modelOf } from '../footwear/brought'
import type { FootwearModel } from '../footwear/catalogueSchema'
import { lineOf } from '../footwear/workPlan'
import { normsOf } from '../record/tables'
import { adjust } from '../kinds/processes/adjust'
import type { FittingRecord, Job, Round, ShellWork } from '../record/schema'
import { SIDES, type Side } from '../tables/vocabulary'
import type { Process, Step } from '../tables/processes'
import { roundPrefix } from './rounds'
import { workOfStep, workPrefix } from './workTruth'
import { ofKey, stateOf, stepKey, type StepState } from '../record/stepState'

/** What the shop's own log says of a step's minutes. */
export type Learned = Readonly<Record<string, { minutes: number; count: number }>>

/** One step of a job for one foot or for the pair, with where it stands. */
export interface BenchStep extends Omit<Step, 'id' | 'after' | 'needs'> {
  key: string
  step: string
  foot?: Side
  process: string
  processName: string
  needs: readonly string[]
  /** keys of steps that are over before it begins */
  after: string[]
  /** minutes of the process table, before the shop's own log */
  houseMin: number
  learnedFrom: number
  state: StepState
  redone: number
  entry?: Job
}

/** The house's or the chosen way of making a kind of device. */
export function processFor(
  kind: string,
  processes: readonly Process[],
  ways: Record<string, string> = {},
): Process | undefined {
  const able = processes.filter((p) => p.makes?.includes(kind as never))
  return able.find((p) => p.id === ways[kind]) ?? able[0]
}

/** The ways of making of a round, and for which feet; shell work brings its own steps. */
function waysOfRound(
  record: FittingRecord,
  kind: Round['kind'],
  feet: readonly Side[],
  processes: readonly Process[],
): { way: Process; feet: Side[] }[] {
  if (kind === 'shell work') return []
  if (kind === 'adjustment')
    return [
      { way: processes.find(({ id }) => id === adjust.row.id) ?? adjust.row, feet: [...feet] },
    ]
  const ways = new Map<Process, Side[]>()
  for (const side of feet) {
    const device = record.feet[side]?.device
    const way = device && processFor(device.kind, processes, record.making?.ways)
    if (way) ways.set(way, [...(ways.get(way) ?? []), side])
  }
  return [...ways].map(([way, sides]) => ({ way, feet: sides }))
}

/** What a job is made by: the shop's ways of today, its shells, and its own log. */
export interface Making {
  processes: readonly Process[]
  /** catalogue, for the work plan's words and limits */
  models?: readonly FootwearModel[]
  /** minutes by `process:step` from the shop's own log */
  learned?: Learned
}

/**
 * All steps of a fitting: its devices, the decided work on its shells, and what was added by hand.
 * What both feet share is there once.
 */
export function jobSteps(
  record: FittingRecord,
  { processes, models = [], learned = {} }: Making,
): BenchStep[] {
  const norms = normsOf(record)
  const entries = new Map((record.jobs ?? []).map((j) => [stepKey(j.step, j.foot), j]))
  const kinds = new Map<string, Side[]>()
  for (const side of SIDES) {
    const device = record.feet[side]?.device
    if (device && device.kind !== 'none')
      kinds.set(device.kind, [...(kinds.get(device.kind) ?? []), side])
  }
  const out: BenchStep[] = []
  const add = (process: Process, prefix: string, feet: Side[], words?: string) => {
    const keysOf = (step: Step) =>
      step.perFoot
        ? feet.map((f) => stepKey(`${prefix}:${step.id}`, f))
        : [stepKey(`${prefix}:${step.id}`)]
    process.steps.forEach((step, i) => {
      const before = (step.after ?? (i > 0 ? [process.steps[i - 1]!.id] : [])).flatMap((id) =>
        process.steps.filter((s) => s.id === id),
      )
      for (const foot of step.perFoot ? feet : [undefined]) {
        const key = stepKey(`${prefix}:${step.id}`, foot)
        const entry = entries.get(key)
        const own = learned[`${process.id}:${step.id}`]
        const minutes = entry?.leftMin ?? own?.minutes ?? step.minutes
        const after = before.flatMap((b) =>
          b.perFoot && foot ? [stepKey(`${prefix}:${b.id}`, foot)] : keysOf(b),
        )
        out.push({
          ...step,
          key,
          step: `${prefix}:${step.id}`,
          ...(foot && { foot }),
          process: process.id,
          processName: process.name,
          needs: step.needs ?? [],
          after,
          minutes,
          houseMin: step.minutes,
          learnedFrom: own?.count ?? 0,
          words: words && i === 0 ? `${step.words}: ${words}` : step.words,
          state: stateOf(entry),
          redone: entry?.redone ?? 0,
          ...(entry && { entry }),
        })
      }
    })
  }
  for (const [kind, feet] of kinds) {
    const process = processFor(kind, processes, record.making?.ways)
    if (process) add(process, process.id, feet)
  }
  for (const id of record.making?.extra ?? []) {
    const process = processes.find((p) => p.id === id)
    if (process && !out.some((s) => s.step.startsWith(`${id}:`)))
      add(process, process.id, [...SIDES])
  }
  for (const { no, kind, feet } of record.rounds ?? [])
    for (const process of waysOfRound(record, kind, feet, processes))
      add(process.way, `${roundPrefix(no)}${process.way.id}`, process.feet)
  const chosen = record.footwear?.chosen
  const model = modelOf(record, models, chosen?.model)
  const worked = new Set((record.jobs ?? []).map(({ step }) => workOfStep(step)))
  // What the bench did stays among its steps: it can be opened again where it was closed.
  const isHere = (w: ShellWork) =>
    w.model === model?.id && (w.state === 'planned' || (w.state === 'done' && worked.has(w.id)))
  for (const work of model ? (chosen?.work ?? []).filter(isHere) : []) {
    const line = lineOf(work, model!, norms)
    if (line.stops.length > 0 && work.state === 'planned') continue
    const process = processes.find((p) => p.works?.includes(work.does as never))
    if (process)
      add(
        { ...process, steps: process.steps.map((s) => ({ ...s, perFoot: false })) },
        workPrefix(work.id),
        [work.foot],
        `${work.foot}, ${line.words}`,
      )
    else
      add(
        {
          id: 'shell-other',
          name: 'Work on the shell',
          steps: [
            { id: 'do', words: `${work.foot}, ${line.words}`.slice(0, 120), minutes: line.minutes },
          ],
        },
        workPrefix(work.id),
        [work.foot],
      )
  }
  return out
}

/** Keys of everything that comes after a step, by way of any number of steps. */
export function followingOf(
  steps: readonly BenchStep[],
  key: string,
): { step: string; foot?: Side }[] {
  const out = new Set<string>()
  const walk = (k: string) => {
    for (const s of steps) {
      if (!s.after.includes(k) || out.has(s.key)) continue
      out.add(s.key)
      walk(s.key)
    }
  }
  walk(key)
  return [...out].map(ofKey)
}

/** Is anything of this job left to do? */
export const isOver = (steps: readonly BenchStep[]): boolean =>
  steps.every((s) => s.state === 'done' || s.state === 'skipped')

/** Minutes of hands that are left in open steps, min; what waits by itself takes none. */
export const handsLeftMin = (steps: readonly BenchStep[]): number =>
  steps.reduce((sum, s) => (s.state === 'open' && !s.waiting ? sum + s.minutes : sum), 0)

/**
 * The step that comes next: the first that is open with all before it over; else the one running.
 */
export function nextStep(steps: readonly BenchStep[]): BenchStep | undefined {
  const over = new Set(
    steps.filter((s) => s.state === 'done' || s.state === 'skipped').map((s) => s.key),
  )
  return (
    steps.find((s) => s.state === 'open' && s.after.every((a) => over.has(a))) ??
    steps.find((s) => s.state === 'running')
  )
}
