import { readFileSync } from 'node:fs'
import { Refusal } from '../core/record/refusal'

/** Many answers, printed one JSON document a line. */
export class Lines {
  constructor(readonly answers: readonly unknown[]) {}
}

export const isLines = (path: string): boolean => /\.(jsonl|ndjson)$/i.test(path)

/**
 * Work of one line; a refusal becomes that line's answer, so that one bad record does not hide the
 * others.
 */
export type LineReader = { map: (one: (value: unknown) => unknown) => unknown[] }

/**
 * Reads a file of JSON lines; empty lines are passed over, a broken one is refused with its number.
 */
export function readLines(path: string): LineReader {
  let text: string
  try {
    text = readFileSync(path, 'utf8')
  } catch {
    throw new Refusal('no-file', `${path}: there is no such file, or it cannot be read.`, path)
  }
  const lines = text
    .split('\n')
    .map((line, i) => ({ line: line.trim(), number: i + 1 }))
    .filter((l) => l.line !== '')
  return {
    map: (one) => {
      let refused = 0
      const answers = lines.map(({ line, number }) => {
        try {
          return one(parse(line, number))
        } catch (error) {
          if (!(error instanceof Refusal)) throw error
          refused++
          return {
            error: {
              code: error.code,
              message: error.message,
              path: `line ${number}${error.path ? `: ${error.path}` : ''}`,
            },
          }
        }
      })
      if (refused > 0 && refused === lines.length)
        throw new Refusal(
          'all-refused',
          `${path}: none of its ${lines.length} lines could be read; the first says: ${(answers[0] as { error: { message: string } }).error.message}`,
          'line 1',
        )
      return answers
    },
  }
}

function parse(line: string, number: number): unknown {
  try {
    return JSON.parse(line)
  } catch (error) {
    throw new Refusal(
      'not-json',
      `Line ${number} is not JSON (${(error as Error).message}).`,
      `line ${number}`,
    )
  }
}
