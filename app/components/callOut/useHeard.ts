import { ANGLES } from '../../../core/kinds/findings/all'
import { READINGS } from '../../../core/kinds/readings/all'
import { computed, type Ref } from 'vue'
import { AMOUNT_CALLS, amountOfCall, parseSided } from '../../../core/device/callOutAmounts'
import { ANGLE_CALLS, angleOfCall } from '../../../core/examine/angleCalls'
import { parseCallOut, type CallOut, type CallOutContext } from '../../../core/measure/callOut'
import { doubt, looksLikeOtherFoot } from '../../../core/measure/questions'
import { bestMean, readingOf } from '../../../core/measure/reading'
import { otherSide, SIDES, type Side } from '../../../core/tables/vocabulary'
import { useFitting } from '~/stores/fitting'
import { useUndo } from '~/stores/undo'

export interface Chip {
  text: string
  side?: Side
}

/** What the call-out line understood so far, ready to be shown. */
export interface Understood {
  chips: Chip[]
  words?: string
  ready: boolean
  choices?: string[]
  complete?: string
  stop?: boolean
}

/** A number with a word of a device's amount or of an angle. */
export type SidedCall =
  | { kind: 'amount'; word: string; left: number[]; right: number[] }
  | { kind: 'angle'; word: string; left: number[]; right: number[] }
  | { kind: 'refused'; words: string; choices?: string[] }

const EXAMPLE =
  'Say a reading and its numbers: width 97.5 / 99 · len L 264 265 · stance -3 / -5 · strike 2 · again · undo'

/** A forefoot by its name alone, with its numbers: an angle, or a width. */
const FOREFOOT = /^forefoot (?=[-−\d lr/])/i

/**
 * `forefoot 5 / 7` is the angle; on Measure, where widths are taken, it is asked. Numbers that no angle has are a
 * width everywhere.
 */
function forefootOf(line: string, onMeasure: boolean): SidedCall | null {
  const numbers = line.trim().replace(FOREFOOT, '')
  const [low, high] = ANGLES.of('forefootDeg').bounds
  const told = [...numbers.replace(/−/g, '-').matchAll(/-?\d+(?:\.\d+)?/g)].map(Number)
  if (told.length === 0 || told.some((v) => v < low || v > high)) return null
  const { call } = ANGLES.of('forefootDeg')
  if (!onMeasure) return sidedOf(`${call} ${numbers}`, false)
  return {
    kind: 'refused',
    words: 'Forefoot: its angle in degrees, or its width in mm?',
    choices: [`${call} ${numbers}`, `width ${numbers}`],
  }
}

function sidedOf(line: string, onMeasure: boolean): SidedCall | null {
  const forefoot = FOREFOOT.test(line.trim()) ? forefootOf(line, onMeasure) : null
  if (forefoot) return forefoot
  const amount = parseSided(line, AMOUNT_CALLS)
  if (amount)
    return 'refused' in amount
      ? { kind: 'refused', words: amount.refused }
      : { kind: 'amount', ...amount }
  const angle = parseSided(line, ANGLE_CALLS)
  if (angle)
    return 'refused' in angle
      ? { kind: 'refused', words: angle.refused }
      : { kind: 'angle', ...angle }
  return null
}

/**
 * Understands the line as it is typed: amounts, angles, readings and the few commands. Keeps
 * nothing.
 */
export function useHeard(line: Ref<string>, context: () => CallOutContext) {
  const fitting = useFitting()
  const undoing = useUndo()
  const sided = computed(() => sidedOf(line.value, context().what !== undefined))
  const heard = computed<CallOut>(() => parseCallOut(line.value, context()))
  const understood = computed<Understood>(() =>
    sided.value ? ofSided(sided.value) : ofHeard(heard.value),
  )

  function ofSided(call: SidedCall): Understood {
    if (call.kind === 'refused')
      return {
        chips: [],
        words: call.words,
        ready: false,
        ...(call.choices && { choices: call.choices }),
        stop: !call.choices && !call.words.startsWith('Which'),
      }
    const rule =
      call.kind === 'amount'
        ? amountOfCall(call.word)!
        : {
            label: ANGLES.of(angleOfCall(call.word)!).name,
            unit: '°',
            range: ANGLES.of(angleOfCall(call.word)!).bounds,
          }
    const bad = [...call.left, ...call.right].find((v) => v < rule.range[0] || v > rule.range[1])
    if (bad !== undefined)
      return {
        chips: [],
        words: `${bad} ${rule.unit} is outside ${rule.range[0]} to ${rule.range[1]}.`,
        ready: false,
        stop: true,
      }
    const chips = SIDES.flatMap((side): Chip[] =>
      call[side].length ? [{ side, text: `${call[side].join(' · ')} ${rule.unit}` }] : [],
    )
    return {
      chips: [{ text: rule.label }, ...chips],
      ready: chips.length > 0,
      words: chips.length ? undefined : `${rule.label}: left / right`,
    }
  }
  function ofHeard(h: CallOut): Understood {
    if (h.kind === 'readings') {
      const chips = SIDES.flatMap((side): Chip[] => {
        if (!h[side].length) return []
        const tries = readingOf(fitting.record.feet[side]!, h.what, h.posture)?.trials.length ?? 0
        return [
          {
            side,
            text: `${h[side].join(' · ')} mm, try ${tries + 1}${h[side].length > 1 ? `–${tries + h[side].length}` : ''}`,
          },
        ]
      })
      return {
        chips: [{ text: `${READINGS.of(h.what).name}, ${h.posture}` }, ...chips],
        ready: true,
        words: warning(h),
      }
    }
    if (h.kind === 'undo')
      return {
        chips: [{ text: 'Take back' }],
        ready: true,
        words: undoing.next?.words ?? 'nothing to take back',
      }
    if (h.kind === 'again')
      return {
        chips: [{ text: 'Once more' }],
        ready: true,
        words: 'Now say only the numbers: left / right',
      }
    if (h.kind === 'posture') return { chips: [{ text: h.posture }], ready: true }
    if (h.kind === 'strike') return strikeWords(h)
    if (h.kind === 'refused')
      return { chips: [], words: h.words, ready: false, choices: h.choices, stop: true }
    if (h.kind === 'partial')
      return { chips: [], words: h.words, ready: false, complete: h.complete }
    return { chips: [], ready: false, words: EXAMPLE }
  }
  /** Feet whose try of the reading in hand can be struck. */
  function strikable(h: Extract<CallOut, { kind: 'strike' }>): Side[] {
    const { what, posture } = context()
    return what === undefined
      ? []
      : SIDES.filter(
          (side) =>
            (h.side === undefined || h.side === side) &&
            readingOf(fitting.record.feet[side]!, what, posture)?.trials[h.number - 1] !==
              undefined,
        )
  }
  function strikeWords(h: Extract<CallOut, { kind: 'strike' }>): Understood {
    const { what, posture } = context()
    if (what === undefined)
      return { chips: [], words: 'Strike works on Measure, for the reading in hand.', ready: false }
    const sides = strikable(h)
    if (sides.length === 0)
      return {
        chips: [],
        words: `There is no try ${h.number} of ${READINGS.of(what).name.toLowerCase()} ${posture}.`,
        ready: false,
        stop: true,
      }
    if (sides.length > 1)
      return {
        chips: [],
        words: 'Which foot?',
        ready: false,
        choices: [`strike L ${h.number}`, `strike R ${h.number}`],
      }
    const reading = readingOf(fitting.record.feet[sides[0]!]!, what, posture)!
    return {
      chips: [
        { text: reading.struck.includes(h.number - 1) ? 'Bring back' : 'Strike' },
        { side: sides[0], text: `try ${h.number}: ${reading.trials[h.number - 1]} mm` },
      ],
      ready: true,
    }
  }
  /** Something unlikely in what was heard: asked once, kept on a second Enter. */
  function warning(h: Extract<CallOut, { kind: 'readings' }>): string | undefined {
    const { norms } = fitting
    for (const side of SIDES)
      for (const value of h[side]) {
        const foot = fitting.record.feet[side]!
        const own = readingOf(foot, h.what, h.posture)?.trials ?? []
        const other =
          readingOf(fitting.record.feet[otherSide(side)]!, h.what, h.posture)?.trials ?? []
        if (looksLikeOtherFoot(h.what, value, own, other, norms))
          return `${value} is the ${otherSide(side)} foot's value. Keep it as ${side}?`
        const words = doubt(
          h.what,
          value,
          bestMean(foot, 'footLengthMm', 'standing'),
          norms,
          fitting.record.client?.heightMm,
        )
        if (words) return words
      }
    return undefined
  }
  return { sided, heard, understood, strikable }
}
