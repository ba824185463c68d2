import { ANGLES, type AngleKey, type Findings } from '../kinds/findings/all'
import { sameJson } from '../record/sameJson'
import type { Posture } from '../tables/vocabulary'

/** Trials of an angle, wherever the record keeps them. */
export function trialsOf(findings: Findings | undefined, key: AngleKey): readonly number[] {
  const within = ANGLES.of(key).within
  const place = (within ? findings?.[within] : findings) as
    Partial<Record<AngleKey, number[]>> | undefined
  return place?.[key] ?? []
}

/** The findings with an angle's trials replaced. */
export function withTrials(
  findings: Findings | undefined,
  key: AngleKey,
  trials: number[],
): Findings {
  const within = ANGLES.of(key).within
  return within
    ? { ...findings, [within]: { ...findings?.[within], [key]: trials } }
    : { ...findings, [key]: trials }
}

type Taken = NonNullable<Findings['taken']>[AngleKey]

/** The findings with something told anew about how an angle was taken. */
const withTaken = (findings: Findings, key: AngleKey, told: Partial<Taken>): Findings => ({
  ...findings,
  taken: { ...findings.taken, [key]: { ...findings.taken?.[key], ...told } },
})

/** Tries of an angle that were struck: they stay in the record, and count for nothing. */
export const struckOf = (findings: Findings | undefined, key: AngleKey): readonly number[] =>
  findings?.taken?.[key]?.struck ?? []

/** How the client lay or stood for an angle: as told, else as is usual for it. */
export const positionOf = (findings: Findings | undefined, key: AngleKey): Posture =>
  findings?.taken?.[key]?.position ?? ANGLES.of(key).positions[0]

/** The findings with the way told in which an angle was taken. */
export const withPosition = (
  findings: Findings | undefined,
  key: AngleKey,
  position: Posture,
): Findings => withTaken(findings ?? {}, key, { position })

/**
 * The findings with one try of an angle struck: it makes room for another and counts no more.
 *
 * @param index of the try among those that count
 */
export function strikeTry(findings: Findings | undefined, key: AngleKey, index: number): Findings {
  const trials = trialsOf(findings, key)
  const kept = withTrials(
    findings,
    key,
    trials.filter((_, i) => i !== index),
  )
  return withTaken(kept, key, { struck: [...struckOf(findings, key), trials[index]!] })
}

/**
 * The findings with a struck try counting again, behind the others.
 *
 * @param index of the try among those that were struck
 */
export function bringBackTry(
  findings: Findings | undefined,
  key: AngleKey,
  index: number,
): Findings {
  const struck = struckOf(findings, key)
  const back = withTrials(findings, key, [...trialsOf(findings, key), struck[index]!])
  return withTaken(back, key, { struck: struck.filter((_, i) => i !== index) })
}

/**
 * Findings as their keeper keeps them: an angle whose tries changed says by whom and when; the
 * others say what they said.
 *
 * @param before as they are kept, undefined where there are none yet
 * For instance with `ncspDeg: [1]` new in `after`, `taken.ncspDeg` is the stamp
 */
export function stampAngles(
  before: Findings | undefined,
  after: Findings,
  stamp: { by: string; at: string },
): Findings {
  const entries = ANGLES.kinds.flatMap((key) => {
    const { by: _, at: __, ...told } = after.taken?.[key] ?? {}
    const trials = trialsOf(after, key)
    if (trials.length === 0 && Object.keys(told).length === 0) return []
    const { by, at } = before?.taken?.[key] ?? {}
    const isAsItWas =
      sameJson(trials, trialsOf(before, key)) && sameJson(told.struck, before?.taken?.[key]?.struck)
    const said = isAsItWas ? { ...(by && { by }), ...(at && { at }) } : stamp
    const entry = { ...told, ...said }
    return Object.keys(entry).length > 0 ? [[key, entry] as const] : []
  })
  const { taken: _, ...rest } = after
  return entries.length > 0 ? { ...rest, taken: Object.fromEntries(entries) } : rest
}
