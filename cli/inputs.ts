import { readFileSync } from 'node:fs'
import { parseCatalogue, type FootwearModel } from '../core/footwear/catalogueSchema'
import { devicesOf, FIRST_NAME, withDeviceNamed } from '../core/device/severalDevices'
import { completeTables } from '../core/record/migrate/completeTables'
import { parseRecord, parseWith } from '../core/record/parse'
import { Refusal } from '../core/record/refusal'
import {
  HOUSE_TABLES,
  shopTablesSchema,
  TABLES,
  type ShopTables,
  type TableKey,
} from '../core/record/tables'
import type { FittingRecord } from '../core/record/schema'
import type { Side } from '../core/tables/vocabulary'
import { withVisitDay } from '../core/record/visitDay'
import { isLines, Lines, readLines } from './lines'
import { readJson, UsageError, type Arguments } from './arguments'

const EVERY_TABLE = Object.keys(TABLES) as TableKey[]

/** A record as a command reads it: of today, where it has a birth date and no visit. */
export const recordFrom = (value: unknown): FittingRecord =>
  withVisitDay(parseRecord(value), new Date().toISOString().slice(0, 10))

/** The record that is the command's first file. */
export const recordOf = (args: Arguments) => recordFrom(readJson(args.files[0]!))

/** One answer for a record, or one a line for a file of records. */
export const answerEach = (args: Arguments, one: (record: FittingRecord) => unknown): unknown =>
  isLines(args.files[0]!)
    ? new Lines(readLines(args.files[0]!).map((value) => one(recordFrom(value))))
    : one(recordOf(args))

/** The catalogue told by an option; no models where none is. */
export const modelsOf = ({ options }: Arguments): FootwearModel[] =>
  options.catalogue === undefined ? [] : parseCatalogue(readJson(options.catalogue)).models

/** The shop's tables told by an option; the house's where none are. */
export const tablesOf = ({ options }: Arguments): ShopTables =>
  options.tables === undefined
    ? HOUSE_TABLES
    : parseWith(shopTablesSchema, completeTables(readJson(options.tables), EVERY_TABLE), 'tables')

export function sideOf(args: Arguments, record: FittingRecord): Side {
  const side = args.options.foot
  if (side !== 'left' && side !== 'right')
    throw new UsageError('arch: say which foot, --foot left or --foot right')
  if (!record.feet[side])
    throw new Refusal('no-foot', `feet.${side}: this record has no ${side} foot.`, `feet.${side}`)
  return side
}

/** Bytes of a file; a missing one is refused with its name. */
export function bytesOf(path: string): Uint8Array {
  try {
    return readFileSync(path)
  } catch {
    throw new Refusal('no-file', `${path}: there is no such file, or it cannot be read.`, path)
  }
}

/** One of a few words, or the fallback when the option was not given. */
export function oneOf<T extends string>(
  options: Arguments['options'],
  name: string,
  words: readonly T[],
  fallback: T,
): T {
  const value = options[name] ?? fallback
  if (!(words as readonly string[]).includes(value))
    throw new UsageError(`arch: --${name} takes ${words.join(', ')}`)
  return value as T
}

/** A number within limits, or the fallback when the option was not given. */
export function numberOption(
  options: Arguments['options'],
  name: string,
  low: number,
  high: number,
  fallback: number,
): number {
  const value = Number(options[name] ?? fallback)
  if (!(value >= low && value <= high))
    throw new UsageError(`arch: --${name} takes ${low} to ${high}`)
  return value
}

/** The record and the foot that are asked about, seen with the device that `--device` names. */
export function footOf(args: Arguments): { record: FittingRecord; side: Side } {
  const record = recordOf(args)
  const side = sideOf(args, record)
  return { record: withDevice(args, record, side), side }
}

function withDevice(args: Arguments, record: FittingRecord, side: Side): FittingRecord {
  const { device: name } = args.options
  if (name === undefined) return record
  const own = devicesOf(record.feet[side]!).map((d) => d.name ?? FIRST_NAME)
  if (!own.includes(name))
    throw new Refusal(
      'no-device',
      `feet.${side}: there is no device "${name}"${own.length ? `; there is ${own.join(', ')}` : ''}.`,
      `feet.${side}.devices`,
    )
  return withDeviceNamed(record, name)
}
