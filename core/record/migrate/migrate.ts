import { Refusal } from '../refusal'
import { RECORD_VERSION } from '../schema'
import { NORM_KEYS } from '../tables'
import { completeTables } from './completeTables'
import { findingsUnderPresentShapes } from './findingShapes'
import { deviceUnderPresentNames, versionsUnderPresentNames } from './deviceNames'
import { changedAt, PLACES, STEPS } from './steps'

/**
 * What is done whatever version a part comes from: a table may be newer than the record, and a device may have
 * a name of before.
 */
const CURRENT: Partial<Record<string, (content: unknown) => unknown>> = {
  norms: (content) => completeTables(content, NORM_KEYS),
  device: deviceUnderPresentNames,
  findings: findingsUnderPresentShapes,
  versions: versionsUnderPresentNames,
}

/**
 * A part as it was stored under a version of the record, in the shape of this program. What is
 * stored stays; what it did not have is the house's.
 *
 * @param version of the record at the time it was stored
 */
export function migratePart(part: string, content: unknown, version: number): unknown {
  const name = part.replace(/\.(left|right)$/, '')
  const migrated = STEPS.filter((step) => step.from >= version).reduce(
    (value, step) => step.parts[name]?.(value) ?? value,
    content,
  )
  return CURRENT[name]?.(migrated) ?? migrated
}

/**
 * A whole record of an earlier version in the shape of this program, before any schema looks at it.
 *
 * @throws Refusal `newer-version` for a version that this program does not know yet
 */
export function migrateRecord(value: Record<string, unknown>): Record<string, unknown> {
  const version = value.version
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 1) return value
  if (version > RECORD_VERSION)
    throw new Refusal(
      'newer-version',
      `This record has version ${version}; this program reads versions 1 to ${RECORD_VERSION}. Update the program, then try again.`,
      'version',
    )
  const moved = PLACES.reduce<unknown>(
    (record, { part, path }) =>
      changedAt(record, path, (content) => migratePart(part, content, version)),
    value,
  )
  return { ...(moved as Record<string, unknown>), version: RECORD_VERSION }
}
