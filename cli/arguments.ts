import { readFileSync } from 'node:fs'
import { Refusal } from '../core/record/refusal'

/** The command was called wrongly: exit 2. */
export class UsageError extends Error {}

/** Parsed command line: files in order, options by name. */
export interface Arguments {
  files: string[]
  options: Record<string, string>
}

/**
 * Splits words into files and options; an unknown option is a wrong use.
 *
 * @param known names of options; one that takes no value ends in a question mark
 */
export function readArguments(rest: string[], known: readonly string[]): Arguments {
  const out: Arguments = { files: [], options: {} }
  for (let i = 0; i < rest.length; i++) {
    const word = rest[i]!
    if (!word.startsWith('--')) {
      out.files.push(word)
      continue
    }
    const [key, inline] = word.slice(2).split('=', 2) as [string, string | undefined]
    if (known.includes(`${key}?`) && inline === undefined) {
      out.options[key] = 'yes'
      continue
    }
    if (!known.includes(key))
      throw new UsageError(
        `arch: there is no option --${key}${known.length ? `; known: ${known.map((k) => `--${k.replace('?', '')}`).join(' ')}` : ''}`,
      )
    const value = inline ?? rest[++i]
    if (value === undefined) throw new UsageError(`arch: --${key} needs a value`)
    out.options[key] = value
  }
  return out
}

/**
 * Reads a JSON file; a missing or broken one is refused with its name and, for broken JSON, the
 * place.
 */
export function readJson(path: string): unknown {
  let text: string
  try {
    text = readFileSync(path, 'utf8')
  } catch {
    throw new Refusal('no-file', `${path}: there is no such file, or it cannot be read.`, path)
  }
  try {
    return JSON.parse(text)
  } catch (error) {
    throw new Refusal('not-json', `${path}: this is not JSON (${(error as Error).message}).`, path)
  }
}
