import { applyCommand, partOf, type Command, type CommandContext } from './commands'
import { mergeParts, type Clash } from './merge'
import { Refusal } from './refusal'
import { sameJson } from './sameJson'

/** A change that waits: what the part was before it and after it, as its maker saw them. */
export interface Waiting {
  command: Command
  before: unknown
  after: unknown
}

export interface Rebased<W extends Waiting> {
  /** the same changes, in their order, as they are to be sent now */
  waiting: W[]
  /** the part with all of them */
  content: unknown
  /** what both changed differently */
  clashes: Clash[]
}

/** Adds to what is there, whatever that is; so does one reading whose before nobody knows. */
const isAdded = ({ command, after }: Waiting) =>
  command.kind === 'readings.add' ||
  command.kind === 'jobs.step' ||
  command.kind === 'work.found' ||
  (command.kind === 'readings.set' && after === undefined)

/**
 * Puts changes that wait for a part onto another content of it, one after the other. What adds is
 * added there too; every other change is merged three ways, so that nobody's entries are lost.
 *
 * @param current what the part is now, for everybody
 * @param choose what to do where both changed one thing; theirs where it is not said
 */
export function rebase<W extends Waiting>(
  waiting: readonly W[],
  current: unknown,
  context: CommandContext,
  choose?: (clash: Clash) => 'mine' | 'theirs',
): Rebased<W> {
  const clashes: Clash[] = []
  let content: unknown = current ?? undefined
  const moved = waiting.map((item) => {
    const before = content
    const { command } = item
    if (isAdded(item)) {
      content = applied(before, command, context)
      return { ...item, before, after: content }
    }
    const part = partOf(command)
    const merged = mergeParts(part.split('.')[0]!, item.before, item.after, before, choose)
    clashes.push(...merged.clashes)
    // One reading set stays in its own words, so that the server stamps it.
    const stays = command.kind === 'readings.set' && !sameJson(merged.content, before)
    content = stays ? applied(before, command, context) : merged.content
    const next: Command = stays ? command : { kind: 'part.put', part, content }
    return { ...item, command: next, before, after: content }
  })
  return { waiting: moved, content, clashes }
}

/** What does not fit any more is left to the server, which refuses it in words. */
function applied(before: unknown, command: Command, context: CommandContext): unknown {
  try {
    return applyCommand(before, command, context)
  } catch (error) {
    if (error instanceof Refusal) return before
    throw error
  }
}
