import { Refusal } from './refusal'
import type { Footwear, ShellWork } from './schema'

/** A piece of work that was done and is to be done again: what was found of it goes with it. */
export function workOpenedAgain(work: ShellWork): ShellWork {
  const { doneAt: _, gainedMm: __, pressedMm: ___, ...rest } = work
  return { ...rest, state: 'planned' }
}

/** What is measured of a piece of work that is done; null takes it back. */
export interface WorkFound {
  gainedMm?: number | null | undefined
  pressedMm?: number | null | undefined
}

/**
 * Footwear with what a gauge, or a foot in the shell, found of a piece of work after cooling, and what the press
 * was really set to.
 *
 * @param id of work on the model that is chosen
 * @throws Refusal where there is no such work, or it is not done
 */
export function withFound(footwear: Footwear | undefined, id: string, found: WorkFound): Footwear {
  const chosen = footwear?.chosen
  const at = chosen?.work.findIndex((w) => w.id === id && w.model === chosen.model) ?? -1
  if (!chosen || at < 0)
    throw new Refusal('no-such-work', 'The plan has no such work any more. Load it again.', 'work')
  const work = chosen.work[at]!
  if (work.state !== 'done')
    throw new Refusal(
      'not-done',
      'It is measured after cooling: finish the work first, then say what was found.',
      'work',
    )
  const merged = Object.entries({ ...work, ...found }).filter(
    ([, value]) => value !== null && value !== undefined,
  )
  const next = Object.fromEntries(merged) as ShellWork
  return { ...footwear, chosen: { ...chosen, work: chosen.work.with(at, next) } }
}
