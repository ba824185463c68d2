import type { FittingRecord, ShellCheck } from '../record/schema'
import { SIDES, type Side } from '../tables/vocabulary'
import { checksMade } from './checksMade'
import { checkedFootMm } from './shellCheck'
import type { Offset } from './shownOffsets'

/**
 * What the shell checks of this very foot say of the length behind its heel: the last of each model with the knee
 * straight, as what was seen less what was predicted. A foot that was measured again since is compared as it is known
 * today; a check that does not say what it was compared with moves nothing.
 *
 * For instance a gap of 6 mm where 10 were predicted is −4 mm at length, in every size of that model
 */
export function checkedOffsets(record: FittingRecord): Offset[] {
  const all = checksMade(record.footwear).filter((c) => !c.kneeBent)
  return SIDES.flatMap((foot) => {
    const last = new Map(all.filter((c) => c.foot === foot).map((c) => [c.model, c]))
    return [...last.values()].flatMap((check) => offsetOf(record, foot, check) ?? [])
  })
}

function offsetOf(record: FittingRecord, foot: Side, check: ShellCheck): Offset | null {
  const { model, sizeMm, gapMm, predictedMm, footMm, insideMm, onDevice } = check
  const nowMm = checkedFootMm(record, foot, onDevice)
  if (predictedMm === undefined || footMm === undefined || nowMm === undefined) return null
  const likeNowMm = predictedMm + footMm - nowMm
  return {
    by: 'check',
    model,
    foot,
    station: 'length',
    mm: gapMm - likeNowMm,
    ...(insideMm !== undefined && { knownAs: { sizeMm, insideMm } }),
    words: `shell check: gap ${gapMm} mm where ${likeNowMm.toFixed(1)} mm were predicted; what is seen counts`,
  }
}
