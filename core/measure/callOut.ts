import { parseNumber } from './parseNumber'
import { READINGS, READING_KINDS, type ReadingKind } from '../kinds/readings/all'
import type { Posture, Side } from '../tables/vocabulary'
import type { Norms } from '../record/tables'
import { refuseTrial } from './questions'

/** What the call-out line understood. Nothing is kept before Enter. */
export type CallOut =
  | { kind: 'empty' }
  | { kind: 'partial'; words: string; complete?: string }
  | { kind: 'refused'; words: string; choices: string[] }
  | { kind: 'undo' }
  /** the reading in hand once more: nothing to keep, the next plain numbers are new tries of it */
  | { kind: 'again' }
  /** strike a try of the reading in hand; a side only where both feet have so many */
  | { kind: 'strike'; number: number; side?: Side }
  | { kind: 'posture'; posture: Posture }
  | { kind: 'readings'; what: ReadingKind; posture: Posture; left: number[]; right: number[] }

export interface CallOutContext {
  /** reading in focus: plain numbers go to it */
  what?: ReadingKind
  posture: Posture
  /** the table the fitting is judged by */
  norms: Pick<Norms, 'hardBoundsMm'>
}

const NAMES: [string, ReadingKind][] = READING_KINDS.flatMap((kind) =>
  READINGS.of(kind).call.map((call): [string, ReadingKind] => [call, kind]),
).sort((a, b) => b[0].length - a[0].length)
const POSTURE_WORDS: Record<string, Posture> = {
  sit: 'sitting',
  sitting: 'sitting',
  seated: 'sitting',
  stand: 'standing',
  standing: 'standing',
}

/**
 * Understands numbers as they are read aloud: `width 97.5 98 / 99` (left / right), `len L 264 265
 * 264`, `waist sit 248 / 251`, `undo`. Two or more numbers in a row are trials of one foot; a slash
 * parts left from right; L or R before numbers names the side.
 *
 * @param line what is typed so far
 * @param context the posture chosen on the page, and the reading in focus for bare numbers
 * @example parseCallOut('width 97.5 98 / 99', { posture: 'standing', norms: HOUSE_NORMS }) // { kind: 'readings', what: 'forefootWidthMm', left: [97.5, 98], right: [99] }
 */
export function parseCallOut(line: string, context: CallOutContext): CallOut {
  const text = line.trim().toLowerCase().replace(/\s+/g, ' ')
  if (text === '') return { kind: 'empty' }
  if (text === 'undo' || text === 'u') return { kind: 'undo' }
  if (text === 'again') return { kind: 'again' }
  if (POSTURE_WORDS[text]) return { kind: 'posture', posture: POSTURE_WORDS[text] }
  if (/^strike\b/.test(text)) return strike(text)
  const named = NAMES.find(
    ([name]) =>
      text === name ||
      text.startsWith(`${name} `) ||
      (text.startsWith(name) && /^[\d\s/.,-]/.test(text.slice(name.length))),
  )
  if (!named && /^[a-z]/.test(text) && !/^[lr]\b/.test(text)) return unknownName(text)
  const what = named?.[1] ?? context.what
  if (!what)
    return { kind: 'partial', words: 'Say which reading first, for example: width 97.5 / 99' }
  return numbersOf(named ? text.slice(named[0].length) : text, what, context.posture, context.norms)
}

/** Numbers of three digits on both sides of a comma: nobody measures to a thousandth. */
const TWO_IN_ONE = /^(\d{2,3}),(\d{3})$/

const OTHER_WORDS: [string, string][] = [
  ['again', 'take the reading in hand once more'],
  ['strike', 'strike a try, for example: strike L 2'],
  ['undo', 'take the last change back'],
  ['sitting', 'go on sitting'],
  ['standing', 'go on standing'],
]

function strike(text: string): CallOut {
  const match = /^strike(?: ([lr]|left|right))?(?: ?([1-5]))?(?: ([lr]|left|right))?$/.exec(text)
  if (!match)
    return { kind: 'refused', words: 'Say which try: strike 2, or strike L 2.', choices: [] }
  if (!match[2]) return { kind: 'partial', words: 'Which try? strike 2, or strike L 2' }
  const side = (match[1] ?? match[3])?.[0]
  return {
    kind: 'strike',
    number: Number(match[2]),
    ...(side && { side: side === 'l' ? ('left' as const) : ('right' as const) }),
  }
}

function unknownName(text: string): CallOut {
  const word = text.split(/[\d/]/)[0]!.trim()
  const other = OTHER_WORDS.find(([name]) => word.length > 1 && name.startsWith(word))
  const begins = NAMES.filter(([name]) => name.startsWith(word)).sort(
    (a, b) => a[0].length - b[0].length,
  )
  if (begins.length > 0)
    return {
      kind: 'partial',
      words: READINGS.of(begins[0]![1]).how,
      complete: begins[0]![0].slice(word.length),
    }
  if (other) return { kind: 'partial', words: other[1], complete: other[0].slice(word.length) }
  const near = NAMES.filter(([name]) => name[0] === word[0])
    .slice(0, 3)
    .map(([name]) => name)
  return { kind: 'refused', words: `No reading is called "${word}".`, choices: near }
}

function numbersOf(
  rest: string,
  what: ReadingKind,
  defaultPosture: Posture,
  norms: CallOutContext['norms'],
): CallOut {
  const name = READINGS.of(what).name.toLowerCase()
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
      const two = TWO_IN_ONE.exec(token)
      if (two) {
        const once = (as: string) => rest.trim().replace(token, as)
        return {
          kind: 'refused',
          words: `${token}: two tries, or one number with a decimal comma?`,
          choices: [once(`${two[1]} ${two[2]}`), once(`${two[1]}.${two[2]}`)],
        }
      }
      const value = parseNumber(token)
      if (value === null)
        return {
          kind: 'refused',
          words: `"${token}" is not a number. Say the ${name} in mm.`,
          choices: [],
        }
      const refused = refuseTrial(what, value, norms)
      if (refused)
        return {
          kind: 'refused',
          words: refused.words,
          choices:
            refused.meant === null ? [] : [rest.trim().replace(token, String(refused.meant))],
        }
      values[side].push(value)
    }
  }
  if (values.left.length + values.right.length === 0)
    return { kind: 'partial', words: `${name}, mm: left / right` }
  if (!sided) return { kind: 'partial', words: `${name}: which foot? Say L, R or left / right` }
  if (values.left.length > 5 || values.right.length > 5)
    return { kind: 'refused', words: 'At most five trials of one reading.', choices: [] }
  return { kind: 'readings', what, posture, left: values.left, right: values.right }
}
