import { describe, expect, it } from 'vitest'
import { applyCommand, type Command } from '../../../core/record/commands'
import { rebase, type Waiting } from '../../../core/record/rebase'
import { BY_HOUSE } from '../../fixtures/houseContext'

/** Changes as somebody made them, one after the other, on what they saw. */
function made(start: unknown, ...commands: Command[]): Waiting[] {
  let before = start
  return commands.map((command) => {
    const after = applyCommand(before, command, BY_HOUSE)
    const item = { command, before, after }
    before = after
    return item
  })
}
const add = (what: 'footLengthMm' | 'archLengthMm', ...values: number[]): Command => ({
  kind: 'readings.add',
  side: 'left',
  what,
  posture: 'standing',
  values,
})
const set = (trials: number[], struck: number[] = []): Command => ({
  kind: 'readings.set',
  side: 'left',
  what: 'footLengthMm',
  posture: 'standing',
  trials,
  struck,
})
const story = (content: object): Command => ({
  kind: 'part.put',
  part: 'story',
  content: { complaints: [], conditions: [], ...content },
})
const trials = (content: unknown) =>
  (content as { what: string; trials: number[] }[]).map((r) => [r.what, r.trials])
const put = (start: unknown, ...commands: Command[]) => made(start, ...commands).at(-1)!.after
const START = put(undefined, add('footLengthMm', 264))

describe('what waits, put onto what others did', () => {
  it('tries are added to theirs, in its own words', () => {
    const mine = made(START, add('footLengthMm', 266), add('archLengthMm', 190))
    const now = put(START, add('footLengthMm', 261))
    const { waiting, content, clashes } = rebase(mine, now, BY_HOUSE)
    expect(clashes).toEqual([])
    expect(waiting.map((w) => w.command)).toEqual(mine.map((w) => w.command))
    expect(trials(content)).toEqual([
      ['footLengthMm', [264, 261, 266]],
      ['archLengthMm', [190]],
    ])
  })

  it('a whole part that waits takes their entries in, and so does the one after it', () => {
    const base = put(undefined, story({ goal: 'ski' }))
    const pain = { foot: 'left', at: 'heelPlantar', score: 4 }
    const mine = made(base, story({ goal: 'ski', hours: 3 }), story({ goal: 'ski', hours: 4 }))
    const now = put(base, story({ goal: 'ski', complaints: [pain] }))
    const { waiting, content, clashes } = rebase(mine, now, BY_HOUSE)
    expect(clashes).toEqual([])
    expect(content).toMatchObject({ hours: 4, complaints: [pain] })
    for (const { command } of waiting)
      expect(command).toMatchObject({ content: { complaints: [pain] } })
  })

  it('a reading set by both is asked; theirs leaves it, mine is set again', () => {
    const mine = made(START, set([264, 265], [0]))
    const now = put(START, set([250]))
    expect(rebase(mine, now, BY_HOUSE).clashes).toHaveLength(1)
    expect(trials(rebase(mine, now, BY_HOUSE).content)).toEqual([['footLengthMm', [250]]])
    const chosen = rebase(mine, now, BY_HOUSE, () => 'mine')
    expect(trials(chosen.content)).toEqual([['footLengthMm', [264, 265]]])
    expect(chosen.waiting[0]!.command.kind).toBe('readings.set')
  })

  it('one’s own change that came back with a stamp is no change of somebody else', () => {
    const [first, second] = made(START, add('footLengthMm', 266), set([264, 266], [1]))
    const stamped = (first!.after as object[]).map((r) => ({ ...r, by: 'Rhona', at: 'now' }))
    const theirs = [...stamped, { what: 'archLengthMm', posture: 'standing', trials: [190] }]
    const { clashes, content } = rebase([second!], theirs, BY_HOUSE)
    expect(clashes).toEqual([])
    expect(content).toMatchObject([{ struck: [1] }, { what: 'archLengthMm' }])
  })

  it('a try too many is left to the server to refuse; what was made after it stays', () => {
    const mine = made(START, add('footLengthMm', 265, 266), add('archLengthMm', 190))
    const now = put(START, add('footLengthMm', 261, 262, 263))
    const { waiting, content } = rebase(mine, now, BY_HOUSE)
    expect(waiting).toHaveLength(2)
    expect(trials(content)).toEqual([
      ['footLengthMm', [264, 261, 262, 263]],
      ['archLengthMm', [190]],
    ])
  })

  it('begins where nobody has written anything', () =>
    expect(rebase(made(undefined, story({ hours: 3 })), null, BY_HOUSE).content).toMatchObject({
      hours: 3,
    }))

  it('what an earlier version kept without a before is asked, never silently dropped or laid on top', () => {
    const [put] = made(undefined, story({ goal: 'ski' }))
    const old = { ...put!, before: undefined }
    const theirs = { goal: 'hike', complaints: [], conditions: [] }
    expect(rebase([old], theirs, BY_HOUSE).clashes).toMatchObject([{ mine: 'ski', theirs: 'hike' }])
    const [reading] = made(START, set([264, 265], [0]))
    const unknown = { ...reading!, before: undefined, after: undefined }
    const now = [
      ...(START as object[]),
      { what: 'archLengthMm', posture: 'standing', trials: [190] },
    ]
    expect(trials(rebase([unknown], now, BY_HOUSE).content)).toEqual([
      ['footLengthMm', [264, 265]],
      ['archLengthMm', [190]],
    ])
  })
})
