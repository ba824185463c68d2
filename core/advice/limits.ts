import type { Norms } from '../record/tables'
import { THRESHOLDS, type ThresholdKey, type ThresholdOf } from '../tables/ruleThresholds'

/** A value that a rule held against its limit, as Why shows it on demand. */
export interface Figure {
  words: string
  value: number | null
  limit: number
  unit: string
}

/**
 * One figure of a rule in words: what was held against what, or an amount that the rule names.
 *
 * @example figureWords({ words: 'heel stands everted by at least', value: -6, limit: -4, unit: '°' })
 *   // 'heel stands everted by at least −4°: here −6°'
 */
export function figureWords({ words, value, limit, unit }: Figure): string {
  const told = (number: number) => {
    const sign = number < 0 ? '−' : ''
    const digits = String(Number(Math.abs(number).toFixed(1)))
    return `${sign}${digits}${unit === '°' ? unit : unit && ` ${unit}`}`
  }
  return `${words} ${told(limit)}${value === null ? '' : `: here ${told(value)}`}`
}

/**
 * The thresholds of one rule as it reads them. What is compared is kept, so that an entry can say
 * which value met which limit.
 */
export interface Limits<Code extends string> {
  of: (name: ThresholdOf<Code>) => number
  /** value ≥ limit */
  atLeast: (name: ThresholdOf<Code>, value: number) => boolean
  /** value > limit */
  over: (name: ThresholdOf<Code>, value: number) => boolean
  /** value ≤ limit */
  atMost: (name: ThresholdOf<Code>, value: number) => boolean
  /** value < limit */
  under: (name: ThresholdOf<Code>, value: number) => boolean
  /** what was read and compared, in the order in which the rule did it */
  figures: () => Figure[]
}

/** The limits of a rule out of the rows a fitting is judged by. */
export function limitsOf<Code extends string>(
  code: Code,
  { ruleThresholds }: Pick<Norms, 'ruleThresholds'>,
): Limits<Code> {
  const kept = new Map<ThresholdKey, Figure>()
  const read = (name: ThresholdOf<Code>, value: number | null): number => {
    const key = `${code}.${name}` as ThresholdKey
    const limit = ruleThresholds[key]
    const { words, unit } = THRESHOLDS[key]
    if (value !== null || !kept.has(key)) kept.set(key, { words, value, limit, unit })
    return limit
  }
  return {
    of: (name) => read(name, null),
    atLeast: (name, value) => value >= read(name, value),
    over: (name, value) => value > read(name, value),
    atMost: (name, value) => value <= read(name, value),
    under: (name, value) => value < read(name, value),
    figures: () => [...kept.values()],
  }
}
