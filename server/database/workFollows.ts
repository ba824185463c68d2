import { randomUUID } from 'node:crypto'
import { jobSteps } from '../../core/bench/jobSteps'
import {
  footwearAfterSteps,
  jobsAfterWork,
  workMoved,
  workOfStep,
} from '../../core/bench/workTruth'
import { modelOf } from '../../core/footwear/brought'
import type { FootwearModel } from '../../core/footwear/catalogueSchema'
import { lineOf } from '../../core/footwear/workPlan'
import type { PartName } from '../../core/record/parts'
import type { FittingRecord, Footwear, Job } from '../../core/record/schema'
import { normsOf } from '../../core/record/tables'
import type { Stamp } from '../../core/record/stamps'
import { audit } from './audit'
import { applyToFitting, readFitting, recordOf, type Applied } from './fittings'
import { readModels } from './models'
import type { SignedIn } from './people'
import type { Client } from './pool'
import { currentTables } from './shopTables'

type Change = Extract<Applied, { kind: 'applied' }>

/** What the press is set to for each stretch of the chosen model, mm. */
function pressedOf(record: FittingRecord, models: readonly FootwearModel[]) {
  const chosen = record.footwear?.chosen
  const model = modelOf(record, models, chosen?.model)
  if (!model) return {}
  const stretches = chosen!.work.filter((w) => w.model === model.id && w.does === 'stretch')
  return Object.fromEntries(stretches.map((w) => [w.id, lineOf(w, model, normsOf(record)).setMm]))
}

const isBench = (job: Job) => workOfStep(job.step) !== null

/** Does a change of a part say anything about work on a shell? */
function concernsWork({ part, before, state }: Change): boolean {
  if (part === 'jobs')
    return [before, state.content].some((jobs) => ((jobs as Job[] | null) ?? []).some(isBench))
  if (part !== 'footwear') return false
  const { done, opened } = workMoved(
    (before as Footwear | null) ?? undefined,
    state.content as Footwear,
  )
  return done.size + opened.size > 0
}

/**
 * Bench and Match say one thing: where one of them closed or opened a piece of work, the other part of the fitting
 * follows in the same transaction.
 *
 * @returns what was changed with it; null where nothing had to be
 */
export async function workFollows(
  db: Client,
  person: SignedIn,
  fittingId: string,
  change: Change,
  stamp: Stamp,
): Promise<{ part: PartName; version: number } | null> {
  if (!concernsWork(change)) return null
  const state = await readFitting(db, person.shopId, fittingId)
  if (!state) return null
  const record = recordOf(state)
  const models = await readModels(db, person)
  const { processes } = await currentTables(db, person.shopId)
  const steps = jobSteps(record, { processes, models })
  const isFromBench = change.part === 'jobs'
  const footwear = record.footwear ?? ({} as Footwear)
  const jobs = record.jobs ?? []
  const before = isFromBench ? footwear : jobs
  const after = isFromBench
    ? footwearAfterSteps(
        footwear,
        { before: (change.before as Job[] | null) ?? [], after: jobs },
        steps,
        { at: stamp.at, pressed: pressedOf(record, models) },
      )
    : jobsAfterWork(
        jobs,
        workMoved((change.before as Footwear | null) ?? undefined, footwear),
        steps,
        stamp,
      )
  if (after === before) return null
  const part = isFromBench ? 'footwear' : 'jobs'
  const version = state.parts[part]?.version ?? 0
  const applied = await applyToFitting(
    db,
    person.shopId,
    fittingId,
    randomUUID(),
    version,
    { kind: 'part.put', part, content: after },
    stamp,
    state.wearer,
  )
  if (applied.kind !== 'applied') return null
  await audit(db, {
    shopId: person.shopId,
    person,
    clientId: applied.clientId,
    fittingId,
    action: `work.follows:${part}`,
    detail: { before: applied.before, after: applied.state.content },
  })
  return { part, version: applied.state.version }
}
