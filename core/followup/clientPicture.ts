import { advise } from '../advice/advise'
import type { Change } from '../advice/entry'
import { examineFoot } from '../examine/examineFoot'
import { isChild } from '../measure/ageAtVisit'
import { measureRecord } from '../measure/measureRecord'
import { meanOfReading } from '../measure/reading'
import { normsOf } from '../record/tables'
import { allowanceFor } from '../measure/sizes'
import { FOOTWEAR_ASKS } from '../kinds/footwearAsks'
import { LAYERS } from '../kinds/layers/all'
import { postKind } from '../kinds/posts/all'
import { plainParts } from '../device/plainParts'
import { PLACES } from '../kinds/places'
import type { FittingRecord } from '../record/schema'
import { SIDES, type Side } from '../tables/vocabulary'

/** A picture for the client: large, plain, nothing alarming, nobody else's. */
export interface ClientPicture {
  feet: Record<Side, { lengthMm: number | null; widthMm: number | null; words: string[] }>
  between: string | null
  found: string[]
  proposed: string[]
  /** what else could be done, lesser measures first */
  instead: string[]
  hurts: { side: Side; words: string; score: number | null }[]
}

const WIDTH_PLAIN = {
  narrow: 'slim at the front',
  medium: 'usual width at the front',
  wide: 'wide at the front',
  extraWide: 'very wide at the front',
} as const
const ARCH_PLAIN = { low: 'a low arch', usual: 'a usual arch', high: 'a high arch' } as const

/** A change in the client's words; nothing for what is only for the fitter. */
function plain(change: Change | null): string | null {
  if (!change) return null
  if ('layer' in change) return LAYERS.of(change.layer).plain
  if ('post' in change)
    return postKind({ style: 'extrinsic', ...change.post }).plain(change.post.angleDeg)
  if ('heelLiftMm' in change) return 'a small lift under the heel'
  if ('device' in change)
    return change.device === 'trim-to-fit'
      ? 'a ready-made insole, trimmed to you'
      : 'a footbed made for you'
  if ('shell' in change) return 'a footbed that is softer or deeper at the heel'
  if ('footwear' in change) return FOOTWEAR_ASKS.of(change.footwear).plain
  if ('exercise' in change) return 'stretching, a few minutes a day'
  return null
}
const unique = (words: (string | null)[]) => [
  ...new Set(words.filter((w): w is string => w !== null)),
]

/**
 * What was found, what is proposed and what else could be done, in the client's words. Cautions
 * stay with the fitter; a child's foot is never called low or rolled in.
 *
 * For instance `clientPicture(record).between` is 'Your right foot is 4 mm longer.'
 */
export function clientPicture(record: FittingRecord): ClientPicture {
  const child = isChild(record.client, record.visit?.on)
  const norms = normsOf(record)
  const measure = measureRecord(record, allowanceFor(record.story?.activity, norms))
  const feet = Object.fromEntries(
    SIDES.map((side) => {
      const m = measure.feet[side]
      const words = child
        ? []
        : [
            m?.classes?.forefootWidth && WIDTH_PLAIN[m.classes.forefootWidth.class],
            m?.arch.class && ARCH_PLAIN[m.arch.class],
          ].filter((w): w is NonNullable<typeof w> => Boolean(w))
      return [
        side,
        {
          lengthMm: m?.readings.footLengthMm?.standing?.mean ?? null,
          widthMm: m?.readings.forefootWidthMm?.standing?.mean ?? null,
          words,
        },
      ]
    }),
  ) as ClientPicture['feet']
  const gap = measure.differences.footLengthMm
  const found = bothOrEach(SIDES.map((side) => foundIn(record, side, child)))
  const open = advise(record).filter((e) => e.kind === 'suggest')
  const inDevice = SIDES.flatMap((side) => plainParts(record.feet[side]?.device))
  const made = SIDES.some(
    (side) => record.feet[side]?.device && record.feet[side]!.device!.kind !== 'none',
  )
  const lesser = unique(open.filter((e) => e.lesser).map((e) => plain(e.change)))
  const proposed = unique(
    made
      ? ['footbeds for both feet', ...inDevice]
      : open.filter((e) => !e.lesser).map((e) => plain(e.change)),
  ).slice(0, 5)
  return {
    feet,
    between:
      gap === undefined || Math.abs(gap) < 2
        ? gap === undefined
          ? null
          : 'Your feet are the same length.'
        : `Your ${gap > 0 ? 'left' : 'right'} foot is ${Math.round(Math.abs(gap))} mm longer.`,
    found,
    proposed,
    instead: unique([
      ...lesser,
      made ? 'a ready-made insole, trimmed to you' : null,
      'leaving it as it is and looking again',
    ])
      .filter((w) => !proposed.includes(w))
      .slice(0, 4),
    hurts: (record.story?.complaints ?? []).map((c) => ({
      side: c.foot,
      words: PLACES[c.at].plain,
      score: c.score ?? null,
    })),
  }
}

/** What is true of both feet is said once. */
function bothOrEach([left = [], right = []]: Said[][]): string[] {
  const shared = left.filter((l) => right.some((r) => r.both === l.both))
  const only = (list: Said[], side: Side) =>
    list.filter((x) => !shared.some((s) => s.both === x.both)).map((x) => x.one(side))
  return [...shared.map((s) => s.both), ...only(left, 'left'), ...only(right, 'right')]
}

/** A finding in the client's words, for one foot and for both. */
interface Said {
  both: string
  one: (side: Side) => string
}
const said = (both: string, one: string): Said => ({ both, one: (side) => one.replace('{}', side) })

function foundIn(record: FittingRecord, side: Side, child: boolean): Said[] {
  const foot = record.feet[side]
  if (!foot) return []
  const exam = examineFoot(foot, child, normsOf(record))
  const out: Said[] = []
  if (!child && exam.relaxed && Math.abs(exam.relaxed.meanDeg) >= 4) {
    const way = exam.relaxed.meanDeg < 0 ? 'inward' : 'outward'
    out.push(
      said(`Both heels lean ${way} when you stand.`, `Your {} heel leans ${way} when you stand.`),
    )
  }
  if (exam.firstToe && exam.firstToe !== 'usual') {
    const when = exam.firstToe === 'functionalLimit' ? ' when you stand on it' : ''
    out.push(
      said(
        `Both big toes bend less than usual${when}.`,
        `Your {} big toe bends less than usual${when}.`,
      ),
    )
  }
  if (exam.ankle && exam.ankle !== 'usual') {
    const why = exam.ankle === 'calfLimited' ? '; the calf is tight' : ''
    out.push(
      said(`Both ankles bend less than usual${why}.`, `Your {} ankle bends less than usual${why}.`),
    )
  }
  const [sit, stand] = [
    meanOfReading(foot, 'footLengthMm', 'sitting'),
    meanOfReading(foot, 'footLengthMm', 'standing'),
  ]
  const growth = sit !== undefined && stand !== undefined ? Math.round(stand - sit) : 0
  if (growth >= 3)
    out.push(
      said(
        `Both feet grow about ${growth} mm longer when you stand on them.`,
        `Your {} foot grows about ${growth} mm longer when you stand on it.`,
      ),
    )
  return out
}
