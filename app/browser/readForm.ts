import type { z } from 'zod'
import { parseNumber } from '../../core/measure/parseNumber'

/** What was typed, checked: the value to send, or a sentence for each field that is not right. */
export interface ReadForm<T> {
  value: T | null
  /** by the path of the field: 'details.massKg' */
  troubles: Record<string, string>
}

/** Plain words for what a schema has no words of its own for. */
const words: z.core.$ZodErrorMap = (issue) => {
  const isText = typeof issue.input === 'string'
  if (issue.code === 'invalid_type')
    return issue.expected === 'number' && isText ? `“${issue.input}” is not a number.` : 'Say this.'
  if (issue.code === 'too_small')
    return issue.origin === 'string' ? 'Say this.' : `Not under ${issue.minimum}.`
  if (issue.code === 'too_big')
    return issue.origin === 'string'
      ? `At most ${issue.maximum} letters.`
      : `Not over ${issue.maximum}.`
  return undefined
}

/**
 * Reads a form by the very schema that the server will read it with, so that nobody waits for an
 * answer to learn that a field is wrong.
 *
 * @param typed what the fields hold; a text that should be a number goes through `typedNumber`
 */
export function readForm<S extends z.ZodType>(schema: S, typed: unknown): ReadForm<z.output<S>> {
  const read = schema.safeParse(typed, { error: words })
  if (read.success) return { value: read.data, troubles: {} }
  const troubles: Record<string, string> = {}
  for (const issue of read.error.issues) troubles[issue.path.join('.')] ??= issue.message
  return { value: null, troubles }
}

/** A typed number, the text itself where it is none, nothing where nothing stands. */
export const typedNumber = (text: string): number | string | undefined =>
  text.trim() === '' ? undefined : (parseNumber(text) ?? text.trim())

/** A typed text; nothing where nothing stands. */
export const typedText = (text: string): string | undefined => text.trim() || undefined
