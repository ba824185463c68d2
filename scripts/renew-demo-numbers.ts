// npx tsx scripts/renew-demo-numbers.ts COMMAND …: what these commands say of the demo records is
// kept anew, after a change of numbers that was meant. Only what was kept before is kept again; the
// change wants a decision in docs/decisions that says why, and a look at the difference.
import { readFileSync, writeFileSync } from 'node:fs'
import { readArguments } from '../cli/arguments'
import { COMMANDS } from '../cli/commands'
import { Refusal } from '../core/record/refusal'

const commands = process.argv.slice(2)
if (commands.length === 0) {
  console.error('name the commands whose numbers are to be kept anew: contact, device …')
  process.exit(2)
}
const FILE = 'tests/fixtures/demoNumbers.jsonl'
interface Kept {
  record: string
  command: string
  foot?: string
  said: unknown
}

function say({ record, command, foot }: Kept): unknown {
  const words = [
    `demo/records/${record}.json`,
    ...(foot ? ['--foot', foot] : []),
    ...(command === 'match' ? ['--catalogue', 'demo/catalogue.json'] : []),
  ]
  const { run, options } = COMMANDS[command]!
  try {
    return JSON.parse(JSON.stringify(run(readArguments(words, options))))
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    return { error: { code: error.code, message: error.message, path: error.path } }
  }
}

/**
 * What is said now, of that which was kept: lists whole, of a match as many as were kept; entries with
 * the keys that they had.
 */
function asKept(was: unknown, is: unknown, isOfBest = false): unknown {
  if (Array.isArray(is) && Array.isArray(was))
    return is.slice(0, isOfBest ? was.length : undefined).map((v, i) => asKept(was[i] ?? was[0], v))
  if (was === null || is === null || typeof was !== 'object' || typeof is !== 'object')
    return typeof is === 'number' ? Math.round(is * 1e6) / 1e6 : is
  const now = is as Record<string, unknown>
  return Object.fromEntries(
    Object.entries(was).flatMap(([key, value]) =>
      key in now ? [[key, asKept(value, now[key], key === 'pair')]] : [],
    ),
  )
}

let changed = 0
const lines = readFileSync(FILE, 'utf8')
  .trim()
  .split('\n')
  .map((line) => {
    const kept = JSON.parse(line) as Kept
    if (!commands.includes(kept.command)) return line
    const now = JSON.stringify({ ...kept, said: asKept(kept.said, say(kept)) })
    if (now !== line) changed++
    return now
  })
writeFileSync(FILE, `${lines.join('\n')}\n`)
console.log(`${changed} of ${lines.length} lines are kept anew`)
