import { READING_KINDS, type Posture, type ReadingKind, type Side } from '../record/vocabulary'
import { READING_LABELS } from './labels'
import { refuseTrial } from './questions'

/** What the call-out line understood. Nothing is kept before Enter. */
export type CallOut =
  | { kind: 'empty' }
  | { kind: 'partial'; words: string; complete?: string }
  | { kind: 'refused'; words: string; choices: string[] }
  | { kind: 'undo' }
  | { kind: 'readings'; what: ReadingKind; posture: Posture; left: number[]; right: number[] }

export interface CallOutContext {
  /** reading in focus: plain numbers go to it */
  what?: ReadingKind
  posture: Posture
}

const NAMES: [string, ReadingKind][] = READING_KINDS.flatMap((kind) => READING_LABELS[kind].call.map((call): [string, ReadingKind] => [call, kind])).sort(
  (a, b) => b[0].length - a[0].length,
)
const POSTURE_WORDS: Record<string, Posture> = { sit: 'sitting', sitting: 'sitting', seated: 'sitting', stand: 'standing', standing: 'standing' }

/** A typed number: point or comma as decimal mark; null when it is not one. @example parseNumber('97,5') // 97.5 */
export function parseNumber(token: string): number | null {
  const text = token.trim().replace(/\s*mm$/i, '').replace(',', '.')
  return /^[-+−]?(\d+\.?\d*|\.\d+)(e\d+)?$/i.test(text) ? Number(text.replace('−', '-')) : null
}

/**
 * Understands numbers as they are read aloud: `width 97.5 98 / 99` (left / right), `len L 264 265 264`, `waist sit 248 / 251`, `undo`.
 * Two or more numbers in a row are trials of one foot; a slash parts left from right; L or R before numbers names the side.
 *
 * @param line what is typed so far
 * @param context the posture chosen on the page, and the reading in focus for bare numbers
 * @example parseCallOut('width 97.5 98 / 99', { posture: 'standing' }) // readings, forefootWidthMm, left [97.5, 98], right [99]
 */
export function parseCallOut(line: string, context: CallOutContext): CallOut {
  const text = line.trim().toLowerCase().replace(/\s+/g, ' ')
  if (text === '') return { kind: 'empty' }
  if (text === 'undo' || text === 'u') return { kind: 'undo' }
  const named = NAMES.find(([name]) => text === name || text.startsWith(`${name} `) || (text.startsWith(name) && /^[\d\s/.,-]/.test(text.slice(name.length))))
  if (!named && /^[a-z]/.test(text) && !/^[lr]\b/.test(text)) return unknownName(text)
  const what = named?.[1] ?? context.what
  if (!what) return { kind: 'partial', words: 'Say which reading first, for example: width 97.5 / 99' }
  return numbersOf(named ? text.slice(named[0].length) : text, what, context.posture)
}

function unknownName(text: string): CallOut {
  const word = text.split(/[\d/]/)[0]!.trim()
  const begins = NAMES.filter(([name]) => name.startsWith(word)).sort((a, b) => a[0].length - b[0].length)
  if (begins.length > 0) return { kind: 'partial', words: READING_LABELS[begins[0]![1]].how, complete: begins[0]![0].slice(word.length) }
  const near = NAMES.filter(([name]) => name[0] === word[0]).slice(0, 3).map(([name]) => name)
  return { kind: 'refused', words: `No reading is called "${word}".`, choices: near }
}

function numbersOf(rest: string, what: ReadingKind, defaultPosture: Posture): CallOut {
  const name = READING_LABELS[what].name.toLowerCase()
  const values: Record<Side, number[]> = { left: [], right: [] }
  let side: Side = 'left'
  let posture = defaultPosture
  let sided = false
  for (const token of rest.replace(/\//g, ' / ').split(' ').filter(Boolean)) {
    if (token === '/') [side, sided] = ['right', true]
    else if (token === 'l' || token === 'left') [side, sided] = ['left', true]
    else if (token === 'r' || token === 'right') [side, sided] = ['right', true]
    else if (POSTURE_WORDS[token]) posture = POSTURE_WORDS[token]
    else if (token !== 'mm') {
      const value = parseNumber(token)
      if (value === null) return { kind: 'refused', words: `"${token}" is not a number. Say the ${name} in mm.`, choices: [] }
      const refused = refuseTrial(what, value)
      if (refused) return { kind: 'refused', words: refused.words, choices: refused.meant === null ? [] : [rest.trim().replace(token, String(refused.meant))] }
      values[side].push(value)
    }
  }
  if (values.left.length + values.right.length === 0) return { kind: 'partial', words: `${name}, mm: left / right` }
  if (!sided) return { kind: 'partial', words: `${name}: which foot? Say L, R or left / right` }
  if (values.left.length > 5 || values.right.length > 5) return { kind: 'refused', words: 'At most five trials of one reading.', choices: [] }
  return { kind: 'readings', what, posture, left: values.left, right: values.right }
}
