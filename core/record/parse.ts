import type { z } from 'zod'
import { normsOf, type Norms } from './tables'
import { migrateRecord } from './migrate/migrate'
import { Refusal } from './refusal'
import { recordSchema, type FittingRecord } from './schema'
import { SIDES } from '../tables/vocabulary'
import type { ReadingKind } from '../kinds/readings/all'

/** Parses any value with a schema; throws a Refusal that names the first offending place. */
export function parseWith<S extends z.ZodType>(
  schema: S,
  value: unknown,
  what = 'input',
): z.output<S> {
  const result = schema.safeParse(value)
  if (result.success) return result.data
  const issue = result.error.issues[0]!
  const path = issue.path.map(String).join('.')
  if (issue.code === 'unrecognized_keys') {
    const key = issue.keys[0]!
    const full = path ? `${path}.${key}` : key
    throw new Refusal(
      'unknown-key',
      `${full}: this key is not part of the ${what}. Remove it or correct its name.`,
      full,
    )
  }
  const isMissing = issue.code === 'invalid_type' && / received undefined$/.test(issue.message)
  const words = isMissing ? 'this is missing.' : issue.message
  throw new Refusal('invalid', `${path || what}: ${words}`, path)
}

/**
 * Reads a fitting record from parsed JSON: checks format and version first (so that the sentence is
 * about the real trouble), migrates an earlier version, then the schema, then the hard bounds of
 * every reading.
 *
 * @throws Refusal `not-a-record`, `newer-version`, `unknown-key`, `invalid` or `out-of-bounds`,
 *   with the path
 */
export function parseRecord(value: unknown): FittingRecord {
  const head = value as { format?: unknown; version?: unknown } | null
  if (typeof value !== 'object' || head === null || head.format !== 'gentle-arch/fitting')
    throw new Refusal(
      'not-a-record',
      'This is not a fitting record: its "format" is not "gentle-arch/fitting".',
      'format',
    )
  const record = parseWith(
    recordSchema,
    migrateRecord(value as Record<string, unknown>),
    'fitting record',
  )
  for (const side of SIDES)
    record.feet[side]?.readings.forEach((reading, i) =>
      checkTrials(normsOf(record), reading, `feet.${side}.readings.${i}`),
    )
  return record
}

function checkTrials(
  norms: Norms,
  reading: { what: ReadingKind; trials: number[]; struck: number[] },
  path: string,
) {
  const [low, high] = norms.hardBoundsMm[reading.what]
  reading.trials.forEach((trial, i) => {
    if (!(trial >= low && trial <= high))
      throw new Refusal(
        'out-of-bounds',
        `${path}.trials.${i}: ${trial} is outside ${low} to ${high} mm for ${reading.what}.`,
        `${path}.trials.${i}`,
      )
  })
  const bad = reading.struck.findIndex((index) => index >= reading.trials.length)
  if (bad >= 0)
    throw new Refusal(
      'invalid',
      `${path}.struck.${bad}: there is no trial ${reading.struck[bad]}.`,
      `${path}.struck.${bad}`,
    )
}
