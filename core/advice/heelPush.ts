import type { FootExamination } from '../examine/examination'
import type { Norms } from '../record/tables'
import type { ComplaintPlace } from '../tables/vocabulary'
import { limitsOf } from './limits'

/** Where the inner and the outer side of a heel hurt. */
export const INNER_SIDE = ['medialAnkle', 'navicular', 'archPlantar'] as const
export const OUTER_SIDE = ['lateralAnkle'] as const

/**
 * The side that a heel may be pushed to. `medial` raises the inner side (varus), `lateral` the outer one.
 * None where findings contradict each other, or both sides hurt alike and the heel leans to neither.
 */
export interface HeelPush {
  to: 'medial' | 'lateral' | null
  because:
    'heel everted' | 'heel inverted' | 'complaint' | 'contradictory' | 'both hurt' | 'nothing'
}

/** May an inner side that hurts be pushed? Not under a heel that stands inverted: the gap below it may be filled. */
export const mayPushInner = ({ to, because }: HeelPush): boolean =>
  to === 'medial' && because !== 'heel inverted'

/**
 * A heel is pushed to one side at a time, whatever the school. The lean of the heel in stance decides first: an
 * everted heel that hurts outside is pinched there, and a push from outside would roll it in further. Else the
 * side that hurts more is relieved.
 *
 * Source: handbook of examination, from tissue to push; house order where two rows meet.
 *
 * For instance an outer ankle that hurts (6 of 10) on a heel 8° everted gives `{ to: 'medial', because: 'heel everted' }`
 *
 * @param hurts the worst complaint at these places; undefined where none was told
 */
export function heelPush(
  exam: Pick<FootExamination, 'relaxed' | 'contradictory'>,
  hurts: (...places: ComplaintPlace[]) => { score?: number | undefined } | undefined,
  norms: Pick<Norms, 'ruleThresholds'>,
): HeelPush {
  if (exam.contradictory) return { to: null, because: 'contradictory' }
  const limit = limitsOf('one-side', norms)
  const leanDeg = exam.relaxed?.meanDeg ?? 0
  if (leanDeg <= limit.of('evertedDeg')) return { to: 'medial', because: 'heel everted' }
  const [inner, outer] = [hurts(...INNER_SIDE), hurts(...OUTER_SIDE)]
  const inverted = leanDeg >= limit.of('invertedDeg')
  if (!outer)
    return { to: 'medial', because: inverted ? 'heel inverted' : inner ? 'complaint' : 'nothing' }
  if (inverted) return { to: 'lateral', because: 'heel inverted' }
  if (!inner) return { to: 'lateral', because: 'complaint' }
  const [i, o] = [inner.score ?? 0, outer.score ?? 0]
  if (i === o) return { to: null, because: 'both hurt' }
  return { to: i > o ? 'medial' : 'lateral', because: 'complaint' }
}
