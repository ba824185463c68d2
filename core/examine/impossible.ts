import type { AngleKey, Findings } from '../kinds/findings/all'
import type { Norms } from '../record/tables'
import type { AngleSummary } from './angleSummary'
import { degreesText } from './angleSummary'

/** Two findings of one foot that cannot both be true: nothing is derived from them until both were taken again. */
export interface ImpossiblePair {
  code:
    'bent-below-straight' | 'loaded-over-unloaded' | 'eversion-below-nothing' | 'stance-contradicts'
  /** with `{side}` where the foot is named */
  words: string
  /** findings to take again, the first one first */
  of: readonly (AngleKey | 'axis' | 'kneeOver')[]
}

/** What rounding leaves of nothing, degrees. */
const NOTHING_DEG = 0.05

type Angles = Record<AngleKey, AngleSummary | null>

/**
 * Pairs of findings that contradict each other: an ankle that bends less with a bent knee than with a straight
 * one, a big toe that goes further under load than in the air, a heel that stands further out than it can go, and
 * a heel that stands inverted over a medial axis or in a pronated posture.
 *
 * For instance a heel 3° inverted over a medial axis is `stance-contradicts`: heel line, axis and knee are looked at again.
 */
export function impossiblePairs(
  angles: Angles,
  findings: Findings | undefined,
  { ruleThresholds }: Pick<Norms, 'ruleThresholds'>,
): ImpossiblePair[] {
  const of = (key: AngleKey) => angles[key]?.meanDeg
  const said = (deg: number) => `${deg < -NOTHING_DEG ? '−' : ''}${degreesText(deg)}°`
  const out: ImpossiblePair[] = []
  const [straight, bent] = [of('ankleKneeStraightDeg'), of('ankleKneeBentDeg')]
  if (straight !== undefined && bent !== undefined && bent < straight - NOTHING_DEG)
    out.push({
      code: 'bent-below-straight',
      words:
        `The {side} ankle bends ${said(bent)} with a bent knee and ${said(straight)} with a straight one: ` +
        `the bent knee gives more, never less. Take both again.`,
      of: ['ankleKneeBentDeg', 'ankleKneeStraightDeg'],
    })
  const [unloaded, loaded] = [of('firstToeUnloadedDeg'), of('firstToeLoadedDeg')]
  if (unloaded !== undefined && loaded !== undefined && loaded > unloaded + NOTHING_DEG)
    out.push({
      code: 'loaded-over-unloaded',
      words:
        `The {side} big toe bends ${said(loaded)} under load and ${said(unloaded)} in the air: ` +
        `load never gives more. Take both again.`,
      of: ['firstToeLoadedDeg', 'firstToeUnloadedDeg'],
    })
  const [eversion, relaxed, tibia] = [of('eversionDeg'), of('rcspDeg'), of('tibialVarumDeg')]
  if (eversion !== undefined && relaxed !== undefined && tibia !== undefined) {
    const left = eversion + relaxed - tibia
    if (left < -NOTHING_DEG)
      out.push({
        code: 'eversion-below-nothing',
        words:
          `The {side} heel stands ${said(-left)} further out than its eversion of ${said(eversion)} ` +
          `lets it go. Take eversion, stance and shin again.`,
        of: ['eversionDeg', 'rcspDeg', 'tibialVarumDeg'],
      })
  }
  const against = stanceAgainst(findings)
  if (
    relaxed !== undefined &&
    relaxed >= ruleThresholds['stance-contradicts.invertedDeg'] &&
    against.length > 0
  )
    out.push({
      code: 'stance-contradicts',
      words:
        `The {side} heel stands ${said(relaxed)} inverted, yet ${against.map(([, w]) => w).join(' and ')}: ` +
        `these contradict each other. Look at the heel line again, then at the rest.`,
      of: ['rcspDeg', ...against.map(([key]) => key)],
    })
  return out
}

/** Findings that say a foot rolls in: the axis alone does, the knee only beside it. */
function stanceAgainst(
  findings: Findings | undefined,
): [key: 'axis' | 'kneeOver', words: string][] {
  if (findings?.axis !== 'medial') return []
  const inside = findings.kneeOver === 'inside'
  return [
    ['axis', 'the axis lies medial'],
    ...(inside ? [['kneeOver', 'the knee tracks inside'] as ['kneeOver', string]] : []),
  ]
}
