import { normsOf } from '../../measure/normsTable'
import { measureFoot } from '../../measure/measureFoot'
import { READING_LABELS } from '../../measure/labels'
import { bestMean, readingOf, summarise } from '../../measure/reading'
import { questionsOf } from '../../measure/questions'
import type { FittingRecord } from '../../record/schema'
import { POSTURES, READING_KINDS, SIDES, type Side } from '../../record/vocabulary'
import type { Entry } from '../entry'

import { n } from '../rule'

const watch = {
  kind: 'watch',
  school: 'all',
  strength: 'strong',
  lesser: false,
  met: false,
} as const

/** Length difference from which it is worth a word, mm. */
const LENGTH_GAP_MM = 3

/** Ledger lines about readings: repeats, unlikely values, feet that differ, arch size. */
export function readingEntries(record: FittingRecord, child: boolean): Entry[] {
  const out: Entry[] = []
  for (const side of SIDES) out.push(...repeats(record, side), ...archSize(record, side, child))
  for (const question of questionsOf(record))
    out.push({
      code: `sure:${question.about}`,
      ...watch,
      foot: question.foot,
      triggers: [question.path],
      words: question.words,
      source: 'measuring practice',
      change: null,
    })
  return [...out, ...lengthGap(record)]
}

function repeats(record: FittingRecord, side: Side): Entry[] {
  const foot = record.feet[side]
  if (!foot) return []
  return READING_KINDS.flatMap((what) =>
    POSTURES.flatMap((posture): Entry[] => {
      const reading = readingOf(foot, what, posture)
      const s = reading && summarise(reading, normsOf(record))
      if (!s?.repeat) return []
      const name = READING_LABELS[what].name.toLowerCase()
      const tries = reading!.trials
        .filter((_, i) => !reading!.struck.includes(i))
        .map(n)
        .join(' · ')
      const odd = s.proposeStrike.map((i) => n(reading!.trials[i]!)).join(', ')
      const words = s.notRepeatable
        ? `The ${side} ${name} does not repeat after five tries (${tries}). Its spread of ${n(s.spread)} mm goes along.`
        : s.agreed
          ? `The ${side} ${name} spreads ${n(s.spread)} mm (${tries}). The others agree: strike ${odd}?`
          : `Take the ${side} ${name} once more: the tries differ by ${n(s.spread)} mm (${tries}).`
      return [
        {
          code: `repeat:${what}:${posture}`,
          ...watch,
          foot: side,
          triggers: [`feet.${side}.readings.${what}`],
          words,
          source: 'measuring practice',
          change: { measure: what },
        },
      ]
    }),
  )
}

function archSize(record: FittingRecord, side: Side, child: boolean): Entry[] {
  const foot = record.feet[side]
  if (!foot) return []
  const length = bestMean(foot, 'footLengthMm', 'standing')
  const arch = measureFoot(foot, record.client, child, 10, normsOf(record)).archSizeLengthMm
  if (
    length === undefined ||
    arch === undefined ||
    arch - length < normsOf(record).archSizeMm.watch
  )
    return []
  const by = arch - length >= normsOf(record).archSizeMm.by
  const words = by
    ? `The ${side} ball sits where a ${n(arch)} mm foot has it: the toes are short for the arch. Size the device and flexing footwear by arch length.`
    : `The ${side} arch is long for the foot (as in ${n(arch)} mm). Take the arch length again.`
  return [
    {
      code: 'arch-size',
      ...watch,
      kind: by ? 'suggest' : 'watch',
      foot: side,
      triggers: [`feet.${side}.readings.archLengthMm`],
      words,
      source: 'workshop default',
      change: null,
    },
  ]
}

function lengthGap(record: FittingRecord): Entry[] {
  const { left, right } = record.feet
  const l = left && bestMean(left, 'footLengthMm', 'standing')
  const r = right && bestMean(right, 'footLengthMm', 'standing')
  if (l === undefined || r === undefined || Math.abs(l - r) < LENGTH_GAP_MM) return []
  const longer: Side = l > r ? 'left' : 'right'
  const words = `The ${longer} foot is ${n(Math.abs(l - r))} mm longer. Fit the ${longer} one and look at the other heel.`
  return [
    {
      code: 'length-gap',
      ...watch,
      foot: longer,
      triggers: ['feet.left.readings.footLengthMm', 'feet.right.readings.footLengthMm'],
      words,
      source: 'workshop default',
      change: null,
    },
  ]
}
