import { ascending } from 'd3-array'
import type { FittingRecord, Foot } from '../record/schema'
import { SIDES, type Side } from '../tables/vocabulary'
import { READINGS, type ReadingKind } from '../kinds/readings/all'
import { normsOf, type Norms } from '../record/tables'
import { bestMean, meanOfReading } from './reading'

/** Something unlikely that is used all the same: where it is and the words to ask with. */
export interface Question {
  path: string
  /** what it is about, whatever the order of the readings; the foot it is about, or both */
  about: string
  foot: Side | 'both'
  words: string
}

const mm = (value: number) => `${Number(value.toFixed(1))} mm`

/** Why one new value is unlikely, in words; null when there is nothing to ask. */
export function doubt(
  what: ReadingKind,
  value: number,
  footLengthMm: number | undefined,
  norms: Pick<Norms, 'ratioToLength'>,
  heightMm?: number,
): string | null {
  if (what === 'footLengthMm') return doubtfulLength(value, heightMm)
  const norm = norms.ratioToLength[what]
  if (!norm || footLengthMm === undefined) return null
  const away = (value / footLengthMm - norm.mean) / norm.sd
  if (Math.abs(away) <= 3.5) return null
  return `${READINGS.of(what).name} ${mm(value)} is unusually ${away > 0 ? 'big' : 'small'} for a foot of ${mm(footLengthMm)}. Sure?`
}

/** Usual share of body height that a foot is long, and its SD; own assumption, only to ask 'sure?'. */
const OF_HEIGHT = { mean: 0.152, sd: 0.0065 } as const

function doubtfulLength(lengthMm: number, heightMm: number | undefined): string | null {
  if (heightMm === undefined) return null
  const away = (lengthMm / heightMm - OF_HEIGHT.mean) / OF_HEIGHT.sd
  if (Math.abs(away) <= 3.5) return null
  return `Foot length ${mm(lengthMm)} is unusually ${away > 0 ? 'big' : 'small'} for a body height of ${mm(heightMm)}. Sure?`
}

/**
 * What a trial means when it cannot be kept as typed: outside the hard bounds, with the likely
 * meaning (cm typed for mm, a decimal point lost).
 *
 * @returns null when the value is within bounds
 * @example refuseTrial('footLengthMm', 26.5, HOUSE_NORMS)?.meant // 265
 */
export function refuseTrial(
  what: ReadingKind,
  value: number,
  norms: Pick<Norms, 'hardBoundsMm'>,
): { words: string; meant: number | null } | null {
  const [low, high] = norms.hardBoundsMm[what]
  const name = READINGS.of(what).name.toLowerCase()
  if (!Number.isFinite(value))
    return { words: `That is not a number. Type the ${name} in mm.`, meant: null }
  if (value >= low && value <= high) return null
  const factor = [10, 0.1].find((f) => value * f >= low && value * f <= high)
  const meant = factor === undefined ? null : Number((value * factor).toFixed(2))
  return {
    words: `${value} mm is too ${value < low ? 'small' : 'big'} for ${name} (${low} to ${high} mm).`,
    meant,
  }
}

/**
 * Does a new trial look like the other foot's value? True when it is far from this foot's own
 * trials and equals one of the other foot's.
 */
export function looksLikeOtherFoot(
  what: ReadingKind,
  value: number,
  own: readonly number[],
  other: readonly number[],
  norms: Pick<Norms, 'repeatLimitMm'>,
): boolean {
  if (own.length === 0 || other.length === 0) return false
  const limit = norms.repeatLimitMm[what]
  return (
    own.every((t) => Math.abs(t - value) > limit) && other.some((t) => Math.abs(t - value) < 0.05)
  )
}

/** All questions about the readings of a record. */
export function questionsOf(record: FittingRecord): Question[] {
  const questions: Question[] = []
  const norms = normsOf(record)
  for (const side of SIDES) {
    const foot = record.feet[side]
    if (!foot) continue
    const length = bestMean(foot, 'footLengthMm', 'standing')
    foot.readings.forEach((reading, i) => {
      // The same reading by hand and off a scan is one question.
      if (
        foot.readings.findIndex((r) => r.what === reading.what && r.posture === reading.posture) < i
      )
        return
      const value = meanOfReading(foot, reading.what, reading.posture)
      const words =
        value === undefined
          ? null
          : doubt(reading.what, value, length, norms, record.client?.heightMm)
      if (words)
        questions.push({
          path: `feet.${side}.readings.${i}`,
          about: `${reading.what}:${reading.posture}`,
          foot: side,
          words,
        })
    })
    questions.push(...sitAndStand(foot, side))
  }
  return [...questions, ...sideGaps(record)].sort((a, b) => ascending(a.path, b.path))
}

/** Heights of the arch: load lowers them, never the other way. */
const FALLS_STANDING = ['dorsumHeightMm', 'navicularHeightMm'] as const

/**
 * Was a height of the arch read higher standing than sitting? Nothing is derived from the pair then.
 *
 * For instance a dorsum of 60 mm sitting and 62 mm standing gives true
 */
export function risesStanding(foot: Foot, what: (typeof FALLS_STANDING)[number]): boolean {
  const [standing, sitting] = (['standing', 'sitting'] as const).map((p) =>
    meanOfReading(foot, what, p),
  )
  return standing !== undefined && sitting !== undefined && standing > sitting + 0.05
}

function sitAndStand(foot: Foot, side: Side): Question[] {
  const out: Question[] = []
  const sitting = meanOfReading(foot, 'footLengthMm', 'sitting')
  const standing = meanOfReading(foot, 'footLengthMm', 'standing')
  if (sitting !== undefined && standing !== undefined && sitting > standing)
    out.push({
      path: `feet.${side}.readings`,
      about: 'longer-sitting',
      foot: side,
      words: `The ${side} foot is longer sitting (${mm(sitting)}) than standing (${mm(standing)}). Take both again.`,
    })
  for (const what of FALLS_STANDING)
    if (risesStanding(foot, what)) {
      const [up, down] = (['standing', 'sitting'] as const).map((p) =>
        meanOfReading(foot, what, p)!,
      )
      out.push({
        path: `feet.${side}.readings`,
        about: `higher-standing:${what}`,
        foot: side,
        words: `The ${side} ${READINGS.of(what).name.toLowerCase()} is higher standing (${mm(up!)}) than sitting (${mm(down!)}): a foot sinks when it is loaded. Take both again.`,
      })
    }
  const arch = bestMean(foot, 'archLengthMm', 'standing')
  const length = bestMean(foot, 'footLengthMm', 'standing')
  if (arch !== undefined && length !== undefined && arch >= length)
    out.push({
      path: `feet.${side}.readings`,
      about: 'arch-over-foot',
      foot: side,
      words: `The ${side} arch length (${mm(arch)}) is not shorter than the foot (${mm(length)}). Take both again.`,
    })
  return out
}

function sideGaps(record: FittingRecord): Question[] {
  const { left, right } = record.feet
  if (!left || !right) return []
  const kinds = new Set(left.readings.map((r) => r.what))
  return [...kinds].flatMap((what) => {
    const l = bestMean(left, what, 'standing')
    const r = bestMean(right, what, 'standing')
    if (l === undefined || r === undefined || Math.abs(l - r) <= normsOf(record).sideGapMm)
      return []
    return [
      {
        path: `feet.left.readings.${what}`,
        about: `gap:${what}`,
        foot: 'both',
        words: `${READINGS.of(what).name} differs by ${mm(Math.abs(l - r))} between the feet. Sure?`,
      },
    ]
  })
}
