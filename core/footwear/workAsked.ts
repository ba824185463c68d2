import type { Footwear, ShellWork } from '../record/schema'
import { SIDES, type Side } from '../tables/vocabulary'
import type { FootwearModel } from './catalogueSchema'
import { lastReading, tryOnsOf } from './felt'
import type { Feet, PairFit } from './match'
import { planOf, workForSpot } from './workPlan'

/** From this level on a hot spot asks for work: it bothers. */
const BOTHERS = 2

/** What hurt in the last try-on of a model on a foot and was not worked since. */
function spotsAsked(
  footwear: Footwear,
  feet: Feet,
  side: Side,
  model: FootwearModel,
  sizeMm: number,
): ShellWork[] {
  const foot = feet[side]
  const tried = tryOnsOf(footwear)
    .filter((t) => t.worn[side]?.model === model.id)
    .at(-1)
  if (!foot || !tried) return []
  const spots = (lastReading(tried, side)?.hotSpots ?? []).filter((s) => s.level >= BOTHERS)
  const isWorkedSince = ({ id }: ShellWork) =>
    (footwear.chosen?.work ?? []).some(
      (w) => w.id.startsWith(id) && w.state === 'done' && (w.doneAt ?? '') >= tried.startedAt,
    )
  return spots
    .flatMap((spot, i) => workForSpot(spot, i, foot, side, model, sizeMm) ?? [])
    .filter((work) => !isWorkedSince(work))
}

/** Lines of the fit beside those of hot spots: where both ask at one station, the spot says where, and the more counts. */
function together(ofFit: readonly ShellWork[], ofSpots: readonly ShellWork[]): ShellWork[] {
  const isSame = (a: ShellWork, b: ShellWork) => a.station === b.station && a.does === b.does
  const spots = ofSpots.map((spot) => {
    const fit = ofFit.find((w) => isSame(w, spot))
    return fit && fit.amountMm > spot.amountMm ? { ...spot, amountMm: fit.amountMm } : spot
  })
  return [...ofFit.filter((w) => !spots.some((s) => isSame(s, w))), ...spots]
}

/**
 * Work that the chosen model asks for in the sizes it was chosen in: by what is tight or loose, and by what hurt
 * in the last try-on of it. Nothing of a foot without a size.
 *
 * @param fit of the chosen model in those sizes, with what was worked reckoned in
 */
export function workAsked(
  footwear: Footwear,
  feet: Feet,
  model: FootwearModel,
  fit: Pick<PairFit, 'left' | 'right'>,
): ShellWork[] {
  const { chosen } = footwear
  if (chosen?.model !== model.id) return []
  const sizes = { left: chosen.sizeLeftMm, right: chosen.sizeRightMm }
  return SIDES.flatMap((side) => {
    const [foot, one, size] = [feet[side], fit[side], sizes[side]]
    if (!foot || !one || size === undefined) return []
    const ofFit = one.sizeMm === size ? planOf(foot, side, model, one, chosen.work) : []
    return together(ofFit, spotsAsked(footwear, feet, side, model, size))
  })
}
