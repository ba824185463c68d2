import Papa from 'papaparse'
import { parseNumber } from '../measure/parseNumber'
import type { Norms } from '../record/tables'
import { refuseTrial } from '../measure/questions'
import { MOST_HELD, MOST_TRIALS } from '../record/commands'
import { Refusal } from '../record/refusal'
import type { FittingRecord, Reading } from '../record/schema'
import { POSTURES, SCAN_INSTRUMENT, SIDES, type Posture, type Side } from '../tables/vocabulary'
import { READING_KINDS, type ReadingKind } from '../kinds/readings/all'

/** What a table would take for a formula; a number may be below zero. */
const FORMULA = /^[=@\t\r]|^[+-](?![\d.])/

const READING_COLUMNS = [
  'side',
  'what',
  'posture',
  'trial',
  'valueMm',
  'struck',
  'instrument',
  'by',
  'at',
  'heightMm',
] as const

/** Readings in long format: one row a trial. */
export function writeReadingsCsv(record: FittingRecord): string {
  const rows = SIDES.flatMap((side) =>
    (record.feet[side]?.readings ?? []).flatMap((r) =>
      r.trials.map((value, i) => [
        side,
        r.what,
        r.posture,
        i + 1,
        value,
        r.struck.includes(i) ? 'yes' : '',
        r.instrument ?? '',
        r.by ?? '',
        r.at ?? '',
        r.heightMm ?? '',
      ]),
    ),
  )
  return `${Papa.unparse({ fields: [...READING_COLUMNS], data: rows }, { newline: '\n', escapeFormulae: FORMULA })}\n`
}

/**
 * Something wrong with one cell of the file; the row is left out. Rows count from 1, the line of
 * names included.
 */
export interface CsvProblem {
  row: number
  column: string
  words: string
}

export interface ReadingsFile {
  readings: Record<Side, Reading[]>
  taken: number
  problems: CsvProblem[]
}

/** One row of a file: a try, and which one it is. */
interface Try {
  value: number
  isStruck: boolean
  place: number
}
interface Found {
  reading: Reading & { side: Side }
  tries: Try[]
}

/**
 * Reads readings in long format. Every row that cannot be taken is named with its column; the
 * others are taken.
 *
 * @throws Refusal only when the line of column names is not there
 * @example
 *   readReadingsCsv('side,what,posture,trial,valueMm\nleft,footLengthMm,standing,1,264', HOUSE_NORMS).readings.left[0].trials
 *   // [264]
 */
export function readReadingsCsv(text: string, norms: Norms): ReadingsFile {
  const lines = Papa.parse<string[]>(text.replace(/^\uFEFF/, '').trim(), {
    skipEmptyLines: true,
  }).data
  const names = (lines[0] ?? []).map((c) => c.trim())
  const missing = ['side', 'what', 'posture', 'valueMm'].filter((c) => !names.includes(c))
  if (missing.length)
    throw new Refusal(
      'no-columns',
      `The first line must name the columns; ${missing.join(', ')} ${missing.length > 1 ? 'are' : 'is'} missing.`,
      'row 1',
    )
  const problems: CsvProblem[] = []
  const found = new Map<string, Found>()
  let taken = 0
  lines.slice(1).forEach((line, i) => {
    const row = i + 2
    const cell = (name: string) => (line[names.indexOf(name)] ?? '').trim()
    const bad = (column: string, words: string) => void problems.push({ row, column, words })
    const [side, what, posture] = [
      cell('side').toLowerCase(),
      cell('what'),
      cell('posture').toLowerCase(),
    ]
    if (!(SIDES as readonly string[]).includes(side))
      return bad('side', `"${cell('side')}" is neither left nor right.`)
    if (!(READING_KINDS as readonly string[]).includes(what))
      return bad('what', `No reading is called "${what}".`)
    if (!(POSTURES as readonly string[]).includes(posture))
      return bad('posture', `"${cell('posture')}" is none of ${POSTURES.join(', ')}.`)
    const value = parseNumber(cell('valueMm'))
    if (value === null) return bad('valueMm', `"${cell('valueMm')}" is not a number.`)
    const refused = refuseTrial(what as ReadingKind, value, norms)
    if (refused) return bad('valueMm', refused.words)
    const height = cell('heightMm') === '' ? undefined : parseNumber(cell('heightMm'))
    if (height === null) return bad('heightMm', `"${cell('heightMm')}" is not a number.`)
    const reading = {
      side: side as Side,
      what: what as ReadingKind,
      posture: posture as Posture,
      trials: [],
      struck: [],
      ...optional(cell),
      ...(height !== undefined && { heightMm: height }),
    } as Reading & { side: Side }
    const one = {
      value,
      isStruck: /^(yes|true|1|x)$/i.test(cell('struck')),
      // A table that was sorted otherwise still says which try was which.
      place: parseNumber(cell('trial')) ?? row,
    }
    return take(`${side} ${keyOf(reading)}`, reading, one, bad)
  })
  function take(
    key: string,
    fresh: Reading & { side: Side },
    one: Try,
    bad: (column: string, words: string) => void,
  ) {
    const { reading, tries } = found.get(key) ?? { reading: fresh, tries: [] }
    const { side, what, posture } = reading
    const counting = tries.filter((t) => !t.isStruck).length
    if (tries.length >= MOST_HELD || (!one.isStruck && counting >= MOST_TRIALS))
      return bad('trial', `More than ${MOST_TRIALS} tries of ${what} ${posture}, ${side}.`)
    found.set(key, { reading, tries: [...tries, one] })
    taken++
  }
  const of = (side: Side) =>
    [...found.values()]
      .filter(({ reading }) => reading.side === side)
      .map(({ reading: { side: _, ...reading }, tries }): Reading => {
        const inOrder = [...tries].sort((a, b) => a.place - b.place)
        return {
          ...reading,
          trials: inOrder.map((t) => t.value),
          struck: inOrder.flatMap((t, i) => (t.isStruck ? [i] : [])),
        }
      })
  return { readings: { left: of('left'), right: of('right') }, taken, problems }
}

function optional(cell: (name: string) => string): Partial<Reading> {
  const [instrument, by, at] = [
    cell('instrument').slice(0, 60),
    cell('by').slice(0, 80),
    cell('at').slice(0, 40),
  ]
  return { ...(instrument && { instrument }), ...(by && { by }), ...(at && { at }) }
}

/**
 * One reading of one foot: trials read off a scan are a reading of their own, beside those of the
 * hand.
 */
const keyOf = (r: Pick<Reading, 'what' | 'posture' | 'instrument'>) =>
  `${r.what} ${r.posture} ${r.instrument === SCAN_INSTRUMENT}`

/**
 * Readings of a file put over those of a fitting: what the file names is replaced where it stands,
 * the rest stays, what is new comes behind.
 */
export function mergeReadings(old: readonly Reading[], file: readonly Reading[]): Reading[] {
  const named = new Map(file.map((r) => [keyOf(r), r]))
  const placed = new Set<string>()
  const there = old.flatMap((r) => {
    const key = keyOf(r)
    const fresh = named.get(key)
    if (!fresh) return [r]
    // Two old entries of one reading become the one of the file.
    if (placed.has(key)) return []
    placed.add(key)
    return [fresh]
  })
  return [...there, ...file.filter((r) => !placed.has(keyOf(r)))]
}

/** What a file does to one reading of a fitting. */
export interface ReadingChange {
  side: Side
  what: ReadingKind
  posture: Posture
  /** tries in words, those that were struck in brackets; null where there were none */
  was: string | null
  is: string
  does: 'new' | 'other' | 'same'
}

const triesWords = ({ trials, struck }: Pick<Reading, 'trials' | 'struck'>) =>
  trials.map((v, i) => (struck.includes(i) ? `(${v})` : String(v))).join(' ')

/**
 * What a file would change, reading by reading, before anything is kept.
 *
 * For instance a length of 264 in the fitting and 265 in the file is 'other', from '264' to '265'
 */
export const readingChanges = (
  feet: FittingRecord['feet'],
  { readings }: Pick<ReadingsFile, 'readings'>,
): ReadingChange[] =>
  SIDES.flatMap((side) =>
    readings[side].map((fresh): ReadingChange => {
      const old = (feet[side]?.readings ?? []).filter((r) => keyOf(r) === keyOf(fresh))
      const was = old.length > 0 ? old.map(triesWords).join(' ') : null
      const is = triesWords(fresh)
      const does = was === null ? 'new' : was === is ? 'same' : 'other'
      return { side, what: fresh.what, posture: fresh.posture, was, is, does }
    }),
  )
