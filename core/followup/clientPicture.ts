import { dayWords } from '../record/typedDay'
import { ledgerOf } from '../advice/advise'
import type { Change } from '../advice/entry'
import { riskOf } from '../examine/risk'
import { wearInPlan } from './wearInPlan'
import { examineSide } from '../examine/examineSide'
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
  /** what that means for walking and standing, each thing once */
  means: string[]
  /** what was decided; where nothing was yet, what could be done */
  proposed: string[]
  /** is it decided, or only what could be done? */
  isDecided: boolean
  /** what else could be done, lesser measures first */
  instead: string[]
  /** what it asks of the client's time */
  takes: string[]
  hurts: { side: Side; words: string; score: number | null }[]
}

const WIDTH_PLAIN = {
  narrow: 'slim at the front',
  medium: 'usual width at the front',
  wide: 'wide at the front',
  extraWide: 'very wide at the front',
} as const
const archPlain = (arch: keyof typeof ARCH_PLAIN | undefined) => arch && ARCH_PLAIN[arch]
const ARCH_PLAIN = { low: 'a low arch', usual: 'a usual arch', high: 'a high arch' } as const

/** A change in the client's words; nothing for what is only for the fitter. */
function plain(change: Change | null): string | null {
  if (!change) return null
  if ('layer' in change) return LAYERS.of(change.layer).plain
  if ('post' in change)
    return postKind({ style: 'extrinsic', ...change.post }).plain(change.post.angleDeg)
  if ('heelLiftMm' in change) return 'a small lift under the heel'
  if ('device' in change)
    return change.device === 'none'
      ? 'leaving it as it is and looking again'
      : change.device === 'trim-to-fit'
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
 * @param today day by which clearances count or have lapsed; the visit's where absent
 *
 * For instance `clientPicture(record).between` is 'Your right foot is 4 mm longer.'
 */
export function clientPicture(record: FittingRecord, today?: string): ClientPicture {
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
            archPlain(m?.arch.class ?? m?.footprint?.archClass),
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
  const said = SIDES.map((side) => foundIn(record, side, child))
  const proposed = proposedWords(record, today)
  return {
    feet,
    between:
      gap === undefined || Math.abs(gap) < 2
        ? gap === undefined
          ? null
          : 'Your feet are the same length.'
        : `Your ${gap > 0 ? 'left' : 'right'} foot is ${Math.round(Math.abs(gap))} mm longer.`,
    found: bothOrEach(said),
    means: unique(said.flat().map((s) => s.means)),
    proposed: proposed.words,
    isDecided: proposed.isDecided,
    instead: insteadWords(record, today)
      .filter((words) => !proposed.words.includes(words))
      .slice(0, 4),
    takes: takesWords(record, today),
    hurts: (record.story?.complaints ?? []).map((c) => ({
      side: c.foot,
      words: PLACES[c.at].plain,
      score: c.score ?? null,
    })),
  }
}

const isMade = (record: FittingRecord, side: Side) =>
  record.feet[side]?.device !== undefined && record.feet[side]!.device!.kind !== 'none'

/** Suggestions that are still to be weighed up: what was set aside is not among them. */
const openSuggestions = (record: FittingRecord, today?: string) =>
  ledgerOf(record, [], today).open.filter((e) => e.kind === 'suggest')

/** What was decided is proposed; where somebody else looks first, that and nothing else. */
function proposedWords(
  record: FittingRecord,
  today?: string,
): { words: string[]; isDecided: boolean } {
  if (riskOf(record, today).blocked)
    return {
      words: ['first somebody entitled to it has a look; until then nothing is made'],
      isDecided: true,
    }
  const made = SIDES.filter((side) => isMade(record, side))
  const footbeds =
    made.length === 2
      ? ['footbeds for both feet']
      : made.map((side) => `a footbed for your ${side} foot`)
  const decided = unique([
    ...footbeds,
    ...(record.footwear?.asks ?? []).map((ask) => plain({ footwear: ask.what })),
    ...(record.handover?.exercises ?? []).map((e) => plain({ exercise: e.what })),
    ...made.flatMap((side) => plainParts(record.feet[side]!.device)),
  ])
  if (decided.length > 0) return { words: decided.slice(0, 5), isDecided: true }
  const open = openSuggestions(record, today).filter((e) => !e.lesser)
  const could = unique(open.map((e) => plain(e.change))).slice(0, 5)
  return could.length > 0
    ? { words: could, isDecided: false }
    : { words: ['nothing is needed'], isDecided: true }
}

function insteadWords(record: FittingRecord, today?: string): string[] {
  if (riskOf(record, today).blocked) return []
  const lesser = openSuggestions(record, today).filter((e) => e.lesser)
  const made = SIDES.some((side) => isMade(record, side))
  return unique([
    ...lesser.map((e) => plain(e.change)),
    made ? 'a ready-made insole, trimmed to you' : null,
    'leaving it as it is and looking again',
  ])
}

/** Any day: how many days wearing in takes does not hang on it. */
const ANY_DAY = '2026-01-01'

/** How long it takes, as far as the record says it. */
function takesWords(record: FittingRecord, today?: string): string[] {
  if (riskOf(record, today).blocked) return []
  const { promisedOn } = record.making ?? {}
  const made = SIDES.some((side) => isMade(record, side))
  const days = wearInPlan(record, ANY_DAY).length
  const stretches = (record.handover?.exercises ?? []).length > 0
  return [
    ...(promisedOn ? [`ready on ${dayWords(promisedOn)}`] : []),
    ...(made ? [`about ${days} days of wearing in, a little longer every day`] : []),
    ...(stretches ? ['a few minutes of stretching a day, for about six weeks'] : []),
  ]
}

/** What is true of both feet is said once. */
function bothOrEach([left = [], right = []]: Said[][]): string[] {
  const shared = left.filter((l) => right.some((r) => r.both === l.both))
  const only = (list: Said[], side: Side) =>
    list.filter((x) => !shared.some((s) => s.both === x.both)).map((x) => x.one(side))
  return [...shared.map((s) => s.both), ...only(left, 'left'), ...only(right, 'right')]
}

/** A finding in the client's words, for one foot and for both, and what it means. */
interface Said {
  both: string
  one: (side: Side) => string
  means: string
}
const said = (both: string, one: string, means: string): Said => ({
  both,
  one: (side) => one.replace('{}', side),
  means,
})

function foundIn(record: FittingRecord, side: Side, child: boolean): Said[] {
  const foot = record.feet[side]
  const exam = examineSide(record, side)
  if (!foot || !exam) return []
  const out: Said[] = []
  if (!child && exam.relaxed && Math.abs(exam.relaxed.meanDeg) >= 4) {
    const [way, works] = exam.relaxed.meanDeg < 0 ? ['inward', 'inner'] : ['outward', 'outer']
    out.push(
      said(
        `Both heels lean ${way} when you stand.`,
        `Your {} heel leans ${way} when you stand.`,
        `The ${works} side of the ankle works more. Many people have it and nothing hurts.`,
      ),
    )
  }
  if (exam.firstToe && exam.firstToe !== 'usual') {
    const when = exam.firstToe === 'functionalLimit' ? ' when you stand on it' : ''
    out.push(
      said(
        `Both big toes bend less than usual${when}.`,
        `Your {} big toe bends less than usual${when}.`,
        'Rolling over the toe at each step asks more of the joints around it.',
      ),
    )
  }
  if (exam.ankle && exam.ankle !== 'usual') {
    const why = exam.ankle === 'calfLimited' ? '; the calf is tight' : ''
    out.push(
      said(
        `Both ankles bend less than usual${why}.`,
        `Your {} ankle bends less than usual${why}.`,
        'The heel comes up early, and the front of the foot carries more.',
      ),
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
        'Footwear tried without support feels shorter than it will be.',
      ),
    )
  return out
}
