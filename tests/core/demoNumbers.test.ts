import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { readArguments } from '../../cli/arguments'
import { COMMANDS } from '../../cli/commands'
import { Refusal } from '../../core/record/refusal'
import { LONG } from '../effort'

/**
 * What the command line says of every demo record, as it stood when the tables moved to the ground
 * floor. A change of these numbers is a change of what people are told: it has a reason, a decision
 * and a new line in the fixture. What is new beside them is free.
 */
interface Kept {
  record: string
  command: string
  foot?: 'left' | 'right'
  said: unknown
}
const ROOT = new URL('../..', import.meta.url).pathname
const KEPT = readFileSync(`${ROOT}/tests/fixtures/demoNumbers.jsonl`, 'utf8')
  .trim()
  .split('\n')
  .map((line) => JSON.parse(line) as Kept)

/** A sample: every tenth record, and the slow estimates of the first only. */
const EACH = 10
const SLOW = ['contact', 'shell']
const names = [...new Set(KEPT.map((kept) => kept.record))]
const looked = names.filter((_, i) => LONG || i % EACH === 0)
const isLooked = ({ record, command }: Kept) =>
  LONG || !SLOW.includes(command) || record === looked[1]

function say({ record, command, foot }: Kept): unknown {
  const words = [
    `${ROOT}/demo/records/${record}.json`,
    ...(foot ? ['--foot', foot] : []),
    ...(command === 'match' ? ['--catalogue', `${ROOT}/demo/catalogue.json`] : []),
  ]
  const { run, options } = COMMANDS[command]!
  try {
    return JSON.parse(JSON.stringify(run(readArguments(words, options))))
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    return { error: { code: error.code, message: error.message, path: error.path } }
  }
}

/** Where something that was said is otherwise now; numbers may differ in the seventh digit. */
function differences(was: unknown, is: unknown, path = ''): string[] {
  if (typeof was === 'number' && typeof is === 'number')
    return Math.abs(was - is) > 1e-6 * Math.max(1, Math.abs(was)) ? [`${path}: ${was} → ${is}`] : []
  if (was === null || typeof was !== 'object' || is === null || typeof is !== 'object')
    return was === is ? [] : [`${path}: ${JSON.stringify(was)} → ${JSON.stringify(is)}`]
  return Object.entries(was).flatMap(([key, value]) =>
    differences(value, (is as Record<string, unknown>)[key], `${path}.${key}`),
  )
}

describe.each(looked)('%s', (name) => {
  const lines = KEPT.filter((kept) => kept.record === name && isLooked(kept))
  it.each(
    lines.map((line) => [[line.command, line.foot].filter(Boolean).join(' '), line] as const),
  )('%s says what it said', { timeout: 120_000 }, (_, line) => {
    expect(differences(line.said, say(line))).toEqual([])
  })
})
