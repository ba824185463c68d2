import { READINGS, READING_KINDS } from '../../kinds/readings/all'
import { normsOf } from '../../record/tables'
import { archSizeLengthMm } from '../../measure/archSize'
import { bestMean, readingOf, summarise } from '../../measure/reading'
import { questionsOf } from '../../measure/questions'
import type { FittingRecord } from '../../record/schema'
import { POSTURES, SIDES, type Side } from '../../tables/vocabulary'
import type { Entry } from '../entry'
import { limitsOf } from '../limits'

import { n } from '../rule'

const watch = {
  kind: 'watch',
  school: 'all',
  strength: 'strong',
  lesser: false,
  met: false,
  caution: false,
  figures: [],
} as const

/** Ledger lines about readings: repeats, unlikely values, feet that differ, arch size. */
export function readingEntries(record: FittingRecord): Entry[] {
  const out: Entry[] = []
  for (const side of SIDES) out.push(...repeats(record, side), ...archSize(record, side))
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
      const norms = normsOf(record)
      const s = reading && summarise(reading, norms)
      if (!s?.repeat) return []
      const name = READINGS.of(what).name.toLowerCase()
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
          figures: [
            {
              words: 'spread above',
              value: s.spread,
              limit: norms.repeatLimitMm[what],
              unit: 'mm',
            },
          ],
          change: { measure: what },
        },
      ]
    }),
  )
}

function archSize(record: FittingRecord, side: Side): Entry[] {
  const foot = record.feet[side]
  if (!foot) return []
  const length = bestMean(foot, 'footLengthMm', 'standing')
  const { archSizeMm, ...norms } = normsOf(record)
  const arch = archSizeLengthMm(foot, norms)
  if (length === undefined || arch === undefined || arch - length < archSizeMm.watch) return []
  const by = arch - length >= archSizeMm.by
  const words = by
    ? `The ${side} ball sits where a ${n(arch)} mm foot has it: ` +
      'the toes are short for the arch. Size the device and flexing footwear by arch length.'
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
      figures: [
        {
          words: by ? 'size by it from' : 'watched from',
          value: arch - length,
          limit: by ? archSizeMm.by : archSizeMm.watch,
          unit: 'mm',
        },
      ],
      change: null,
    },
  ]
}

function lengthGap(record: FittingRecord): Entry[] {
  const { left, right } = record.feet
  const l = left && bestMean(left, 'footLengthMm', 'standing')
  const r = right && bestMean(right, 'footLengthMm', 'standing')
  if (l === undefined || r === undefined) return []
  const limit = limitsOf('length-gap', normsOf(record))
  if (!limit.atLeast('mm', Math.abs(l - r))) return []
  const longer: Side = l > r ? 'left' : 'right'
  const words =
    `The ${longer} foot is ${n(Math.abs(l - r))} mm longer` +
    (limit.atLeast('splitMm', Math.abs(l - r))
      ? ', a shell size or more. Compare one size with work, a split pair and a custom shell.'
      : `. Fit the ${longer} one and look at the other heel.`)
  return [
    {
      code: 'length-gap',
      ...watch,
      foot: longer,
      triggers: ['feet.left.readings.footLengthMm', 'feet.right.readings.footLengthMm'],
      words,
      source: 'workshop default',
      figures: limit.figures(),
      change: null,
    },
  ]
}
