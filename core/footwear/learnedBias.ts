import { mean } from 'd3-array'
import { student95 } from '../measure/student'
import type { ShellCheck } from '../record/schema'
import type { FootwearModel } from './catalogueSchema'
import { shellInside } from './gradeShell'

/** What the shell checks of a shop say of one model, with the knee straight. */
export interface LearnedBias {
  /** what is added to the predicted length, mm; 0 while it is not used */
  usedMm: number
  /** mean of seen less predicted, with its 95 % interval, mm */
  seenMm: number
  lowMm: number
  highMm: number
  count: number
  used: boolean
  /** what other models of its maker or family say, where they agree: what its own checks are drawn towards */
  others?: OthersBias
  /** what its checks with the knee bent say: a prediction of its own, no part of the match */
  bent?: LearnedBias
}

/** What other models that are like one say of it. */
export interface OthersBias {
  by: 'maker' | 'family'
  models: number
  seenMm: number
  /** what is taken of it, mm */
  usedMm: number
}

/**
 * Fewer checks than this teach nothing; as many count as much as the catalogue does (house rule
 * n/(n + 5)).
 */
const LEAST = 5
/** Fewer other models than this say nothing of one; as many count as much as the catalogue (own assumption). */
const LEAST_MODELS = 3
/** Inside lengths that differ by less are the same, mm. */
const SAME_MM = 0.05

interface Mean {
  seenMm: number
  lowMm: number
  highMm: number
  count: number
}

/** Mean with its 95 % interval by Student's t; nothing is known of the spread of one. */
function meanOf(values: readonly number[]): Mean {
  const count = values.length
  const seenMm = mean(values) ?? 0
  if (count < 2) return { seenMm, lowMm: -Infinity, highMm: Infinity, count }
  const spread = Math.sqrt(values.reduce((s, v) => s + (v - seenMm) ** 2, 0) / (count - 1))
  const half = (student95(count - 1) * spread) / Math.sqrt(count)
  return { seenMm, lowMm: seenMm - half, highMm: seenMm + half, count }
}
const leavesOut = ({ lowMm, highMm }: Mean, mm: number) => lowMm > mm || highMm < mm

type Check = Pick<ShellCheck, 'gapMm' | 'predictedMm'>
const offsOf = (checks: readonly Check[]): number[] =>
  checks.flatMap((c) => (c.predictedMm === undefined ? [] : [c.gapMm - c.predictedMm]))

/**
 * How much longer or shorter a model's shells are than its data say: the mean of seen less predicted, drawn by
 * n/(n + 5) from what others like it say, else from nothing. Its own checks are used from five on and only when
 * their 95 % interval leaves out what would be taken without them, so that chance is not taken for knowledge.
 *
 * @param checks those of one model, of any client, under one condition
 * For instance `learnBias(20 checks around +3 mm)` is { usedMm: 2.4, seenMm: 3, count: 20, used: true, …
 *   }
 */
export function learnBias(checks: readonly Check[], others?: OthersBias): LearnedBias {
  const own = meanOf(offsOf(checks))
  const fromMm = others?.usedMm ?? 0
  const isOwn = own.count >= LEAST && leavesOut(own, fromMm)
  const ownMm = isOwn ? ((own.seenMm - fromMm) * own.count) / (own.count + LEAST) : 0
  return {
    ...own,
    usedMm: fromMm + ownMm,
    used: isOwn || others !== undefined,
    ...(others && { others }),
  }
}

/** What models like one say, none of them itself: their mean where enough of them agree that it is not nothing. */
function othersBias(
  by: OthersBias['by'],
  means: readonly number[],
  fromMm: number,
): OthersBias | undefined {
  const all = meanOf(means)
  if (all.count < LEAST_MODELS || !leavesOut(all, fromMm)) return undefined
  const share = all.count / (all.count + LEAST_MODELS)
  return {
    by,
    models: all.count,
    seenMm: all.seenMm,
    usedMm: fromMm + (all.seenMm - fromMm) * share,
  }
}

/** Is a check about the shell as it stands in the catalogue today? */
function isOfToday(check: ShellCheck, model: FootwearModel): boolean {
  const { on } = model.measured ?? {}
  if (on && check.at && check.at.slice(0, 10) < on) return false
  const nowMm = shellInside(model, check.sizeMm).lengthMm
  return (
    check.insideMm === undefined ||
    nowMm === undefined ||
    Math.abs(nowMm - check.insideMm) < SAME_MM
  )
}

/**
 * The learned bias of every model that was checked, or of which others like it say something: by its own checks of
 * the shell as it is measured today, drawn towards what at least three other models of its maker say, and those
 * towards what its family says of other makers. Straight and bent knees are learned apart.
 *
 * @param checks of any client, on models of the catalogue
 */
export function learnAll(
  checks: readonly ShellCheck[],
  models: readonly FootwearModel[],
): Record<string, LearnedBias> {
  const known = new Map(models.map((m) => [m.id, m]))
  const straight = new Map<string, ShellCheck[]>()
  const bent = new Map<string, ShellCheck[]>()
  for (const check of checks) {
    const model = known.get(check.model)
    if (!model || !isOfToday(check, model)) continue
    const into = check.kneeBent ? bent : straight
    into.set(model.id, [...(into.get(model.id) ?? []), check])
  }
  const taught = models.flatMap((model) => {
    const offs = offsOf(straight.get(model.id) ?? [])
    return offs.length < LEAST ? [] : [{ model, meanMm: mean(offs)! }]
  })
  const meansOf = (keep: (other: FootwearModel) => boolean) =>
    taught.flatMap(({ model, meanMm }) => (keep(model) ? [meanMm] : []))
  // Models that nobody checked learn from the same others: once for each maker and family.
  const ofLike = new Map<string, OthersBias | undefined>()
  const likeOf = (model: FootwearModel): OthersBias | undefined => {
    const isTaught = taught.some((t) => t.model.id === model.id)
    const key = JSON.stringify([model.maker, model.family, isTaught ? model.id : null])
    if (!ofLike.has(key)) {
      const family = othersBias(
        'family',
        meansOf((m) => m.family === model.family && m.maker !== model.maker),
        0,
      )
      const maker = othersBias(
        'maker',
        // Models whose maker nobody knows are not of one maker.
        meansOf((m) => m.maker !== '' && m.maker === model.maker && m.id !== model.id),
        family?.usedMm ?? 0,
      )
      ofLike.set(key, maker ?? family)
    }
    return ofLike.get(key)
  }
  return Object.fromEntries(
    models.flatMap((model) => {
      const others = taught.length < LEAST_MODELS ? undefined : likeOf(model)
      const own = straight.get(model.id)
      const ownBent = bent.get(model.id)
      if (!own && !ownBent && !others) return []
      const bias = learnBias(own ?? [], others)
      return [[model.id, ownBent ? { ...bias, bent: learnBias(ownBent, others) } : bias]]
    }),
  )
}

/** What was learned under one condition of the knee; undefined where there is nothing. */
export function likeCondition(
  bias: LearnedBias | undefined,
  kneeBent: boolean,
): LearnedBias | undefined {
  if (kneeBent) return bias?.bent
  return bias && (bias.count > 0 || bias.used) ? bias : undefined
}

const sign = (mm: number) => `${mm >= 0 ? '+' : '−'}${Math.abs(mm).toFixed(1)}`

/**
 * A bias in words. For instance `biasWords(bias)` is '+2.4 mm learned from 20 shell checks (seen +3.0,
 * 2.7 to 3.3)'
 */
export function biasWords(b: LearnedBias): string {
  const like =
    b.others &&
    `${b.others.models} other models of its ${b.others.by} (seen ${sign(b.others.seenMm)})`
  const checks = `${b.count} shell ${b.count === 1 ? 'check' : 'checks'}`
  if (b.count < LEAST)
    return like
      ? `${sign(b.usedMm)} mm as ${like} taught; ${checks} of its own, learns from ${LEAST}`
      : `${checks} so far, learns from ${LEAST}`
  const seen = `seen ${sign(b.seenMm)}, ${sign(b.lowMm)} to ${sign(b.highMm)}`
  if (!b.used) return `${checks} agree with the data (${seen})`
  return `${sign(b.usedMm)} mm learned from ${checks} (${seen})${like ? `, drawn towards ${like}` : ''}`
}
