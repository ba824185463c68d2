import type { z } from 'zod'
import { jobSteps } from '../../../../core/bench/jobSteps'
import { skinGaps } from '../../../../core/bench/skinGaps'
import { stepCommand, stepLine } from '../../../../core/bench/stepCommand'
import { bindingState } from '../../../../core/footwear/bindingCheck'
import { handoverGate } from '../../../../core/followup/handoverGate'
import { partOf, type Command } from '../../../../core/record/commands'
import { parseWith } from '../../../../core/record/parse'
import { PART_SCHEMAS, type Parts } from '../../../../core/record/parts'
import type { Job, Round } from '../../../../core/record/schema'
import { commandBody } from '../../../../shared/contracts'
import { may } from '../../../../shared/permissions'
import { audit } from '../../../database/audit'
import { logStep } from '../../../database/bench'
import { dueRestsOn, reckonDue } from '../../../database/due'
import { applyToFitting, readFitting, recordOf } from '../../../database/fittings'
import { readModels } from '../../../database/models'
import { timerFollows } from '../../../database/timers'
import { currentTables } from '../../../database/shopTables'
import { outcomeRestsOn, reckonOutcomes } from '../../../database/outcomes'
import { transaction, type Client } from '../../../database/pool'
import { numbered } from '../../../database/quoteNumbers'
import { shelfFollows, shelfRestsOn } from '../../../database/shelf'
import { workFollows } from '../../../database/workFollows'
import { partForRole } from '../../../http/forRole'
import { HttpProblem } from '../../../http/problem'
import { here, idParam, route } from '../../../http/route'
import { tellShop, type Change } from '../../../http/listener'

/**
 * One change of a fitting: row, version check and audit line in one transaction, then word to every
 * open screen.
 */
export default route(
  { permission: 'jobs.change', body: commandBody },
  async ({ event, person, body }) => {
    const part = partOf(body.command)
    const isBenchWork = part === 'jobs' || part === 'making' || body.command.kind === 'work.found'
    if (!isBenchWork && !may(person.role, 'fittings.change'))
      throw new HttpProblem(403, 'not-allowed', 'Your role changes jobs only.')
    if (part === 'orders')
      throw new HttpProblem(400, 'not-so', 'Orders are kept by sending them to a lab.')
    const id = idParam(event)
    return transaction(async (db) => {
      await gateBefore(db, person, id, body.command)
      const making = part === 'jobs' && (body.command.kind === 'jobs.step' || anyDone(body.command))
      const state = making ? here(await readFitting(db, person.shopId, id)) : null
      if (state?.blocked)
        throw new HttpProblem(
          409,
          'refer-first',
          'Making waits for a clearance, which the fitter records in Story.',
        )
      const steps = state
        ? jobSteps(recordOf(state), {
            models: await readModels(db, person),
            processes: (await currentTables(db, person.shopId)).processes,
          })
        : []
      const known = body.command.kind === 'jobs.step' ? stepCommand(steps, body.command) : null
      if (
        state &&
        body.command.kind === 'part.put' &&
        skinGaps(steps, body.command.content as Job[], state.wearer).length > 0
      )
        throw new HttpProblem(
          409,
          'no-temperature',
          'A foot goes onto a warm surface only after its temperature is measured and cool enough. Begin the step at the bench.',
        )
      const command = known?.command ?? (await withNumbers(db, person.shopId, id, body.command))
      const stamp = { by: person.name, at: new Date(Date.now() - body.waitedMs).toISOString() }
      const applied = await applyToFitting(
        db,
        person.shopId,
        id,
        body.id,
        body.version,
        command,
        stamp,
        state?.wearer,
      )
      if (applied.kind === 'unknown') return here(null)
      if (applied.kind === 'stale')
        throw new HttpProblem(
          409,
          'stale',
          `${applied.current.changedBy ?? 'Someone'} changed this meanwhile.`,
          { path: applied.part, current: partForRole(applied.part, applied.current, person.role) },
        )
      if (applied.kind === 'applied') {
        const { clientId } = applied
        await audit(db, {
          shopId: person.shopId,
          person,
          clientId,
          fittingId: id,
          action: `${body.command.kind}:${part}`,
          detail: { before: applied.before, after: applied.state.content },
        })
        if (outcomeRestsOn(part)) await reckonOutcomes(db, [id])
        if (dueRestsOn(part)) await reckonDue(db, person.shopId, clientId)
        const news: Change[] = [{ what: 'part', fitting: id, part, version: applied.state.version }]
        if (known) {
          const about = { id: body.id, fittingId: id, step: known.step, waitedMs: body.waitedMs }
          if (await timerFollows(db, person, about, known.command, person.name))
            news.push({ what: 'timers' })
          await logStep(
            db,
            person.shopId,
            {
              fittingId: id,
              ...stepLine(known.step, known.command, applied.state.content as Job[]),
            },
            person.name,
          )
        }
        if (shelfRestsOn(part)) await shelfFollows(db, person, id)
        const also = await workFollows(db, person, id, applied, stamp)
        if (also) {
          news.push({ what: 'part', fitting: id, ...also })
          if (outcomeRestsOn(also.part)) await reckonOutcomes(db, [id])
          if (dueRestsOn(also.part)) await reckonDue(db, person.shopId, clientId)
        }
        if (isBenchWork || also || part === 'rounds' || part === 'handover')
          news.push({ what: 'bench' })
        await tellShop(db, person.shopId, ...news)
      }
      return {
        part: applied.part,
        state: partForRole(applied.part, applied.state, person.role),
      }
    })
  },
)

/** The same command with the shop's numbers on its quotes. */
async function withNumbers(db: Client, shopId: string, id: string, command: Command) {
  if (command.kind !== 'part.put' || command.part !== 'quotes') return command
  const before = recordOf(here(await readFitting(db, shopId, id))).quotes ?? []
  return { ...command, content: await numbered(db, shopId, before, command.content) }
}

/** Does the command say that a step of making was begun or done? */
function anyDone(command: Command): boolean {
  return (
    command.kind === 'part.put' &&
    Array.isArray(command.content) &&
    command.content.some(
      (step: { done?: boolean; state?: string }) => step.done === true || step.state === 'running',
    )
  )
}

/** Which round of a fitting leaves by these parts: 1 by its handover, others by their own; 0 where none does. */
function leaves(command: Command, before: Parts): number {
  if (command.kind !== 'part.put') return 0
  const content = (command.content ?? {}) as object
  if (command.part === 'handover' && 'on' in content && content.on)
    return before.handover?.on ? 0 : 1
  if (command.part !== 'rounds' || !Array.isArray(content)) return 0
  const over = (rounds: readonly Partial<Round>[]) =>
    rounds.filter((round) => round?.handedOverOn).map((round) => round.no)
  return over(content).find((no) => !over(before.rounds ?? []).includes(no)) ?? 0
}

/**
 * Nothing leaves that still waits for something, and no round begins before the first is handed over. What left once
 * stays so, whatever is asked of it later.
 */
async function gateBefore(
  db: Client,
  { shopId, placeId }: { shopId: string; placeId: string },
  id: string,
  command: Command,
) {
  if (command.kind !== 'part.put' || !['handover', 'rounds'].includes(command.part)) return
  const state = here(await readFitting(db, shopId, id))
  const before = recordOf(state)
  const stands: Parts = { handover: before.handover, rounds: before.rounds }
  const isBegun = command.part === 'rounds' && !before.handover?.on
  if (isBegun && Array.isArray(command.content) && command.content.length > 0)
    throw new HttpProblem(
      409,
      'not-handed-over',
      'Hand the first round over before another begins.',
    )
  const no = leaves(command, stands)
  if (no === 0) return
  const told = parseWith(PART_SCHEMAS[command.part] as z.ZodType, command.content, command.part)
  const open = (rounds: readonly Round[]) =>
    rounds.map((round) => (round.no === no ? { ...round, handedOverOn: undefined } : round))
  const after = {
    ...before,
    [command.part]: command.part === 'rounds' ? open(told as Round[]) : told,
  }
  const steps = jobSteps(after, {
    models: await readModels(db, { shopId, placeId }),
    processes: (await currentTables(db, shopId)).processes,
  })
  const { stops, asks, isOpen } = handoverGate(after, steps)
  if (isOpen) return
  const isBinding = bindingState(after).kind === 'due'
  throw new HttpProblem(
    409,
    isBinding ? 'binding-not-tested' : 'not-ready',
    stops.length > 0
      ? `${stops.join('. ')}.`
      : `${asks.join('. ')}. Make up for it, or say why it leaves all the same.`,
  )
}
