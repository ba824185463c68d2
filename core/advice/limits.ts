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

/** What was read so far: a rule that stops at its first line keeps nothing. */
class ReadLimits<Code extends string> implements Limits<Code> {
  private kept: { key: ThresholdKey; figure: Figure }[] | null = null

  constructor(
    private readonly code: Code,
    private readonly rows: Norms['ruleThresholds'],
  ) {}

  private read(name: ThresholdOf<Code>, value: number | null): number {
    const key = `${this.code}.${name}` as ThresholdKey
    const limit = this.rows[key]
    const kept = (this.kept ??= [])
    const at = kept.findIndex((k) => k.key === key)
    if (at < 0 || value !== null) {
      const { words, unit } = THRESHOLDS[key]
      const figure = { words, value, limit, unit }
      if (at < 0) kept.push({ key, figure })
      else kept[at] = { key, figure }
    }
    return limit
  }
  of(name: ThresholdOf<Code>) {
    return this.read(name, null)
  }
  atLeast(name: ThresholdOf<Code>, value: number) {
    return value >= this.read(name, value)
  }
  over(name: ThresholdOf<Code>, value: number) {
    return value > this.read(name, value)
  }
  atMost(name: ThresholdOf<Code>, value: number) {
    return value <= this.read(name, value)
  }
  under(name: ThresholdOf<Code>, value: number) {
    return value < this.read(name, value)
  }
  figures() {
    return (this.kept ?? []).map(({ figure }) => figure)
  }
}

/** The limits of a rule out of the rows a fitting is judged by. */
export const limitsOf = <Code extends string>(
  code: Code,
  { ruleThresholds }: Pick<Norms, 'ruleThresholds'>,
): Limits<Code> => new ReadLimits(code, ruleThresholds)
