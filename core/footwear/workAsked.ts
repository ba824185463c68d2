import type { Footwear, ShellWork } from '../record/schema'
import { SIDES, type Side } from '../tables/vocabulary'
import type { FootwearModel } from './catalogueSchema'
import { lastReading, tryOnsOf } from './felt'
import type { Feet, PairFit } from './match'
import { askOf } from './planChanges'
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
      (w) =>
        w.model === model.id &&
        askOf(w.id) === id &&
        w.state === 'done' &&
        (w.doneAt ?? '') >= tried.startedAt,
    )
  return spots
    .flatMap((spot, i) => workForSpot(spot, i, foot, side, model, sizeMm) ?? [])
    .filter((work) => !isWorkedSince(work))
}

/**
 * Lines of the fit beside those of hot spots: where both ask for the same at one station, the spot says where;
 * of several that are one piece the most counts. No foot is raised where a spot asks to lower it.
 */
function together(ofFit: readonly ShellWork[], ofSpots: readonly ShellWork[]): ShellWork[] {
  const isSame = (a: ShellWork, b: ShellWork) =>
    a.id === b.id || (a.station === b.station && a.does === b.does)
  const pieces = [...ofSpots, ...ofFit].reduce<ShellWork[]>((out, work) => {
    const i = out.findIndex((o) => isSame(o, work))
    if (i < 0) return [...out, work]
    const amountMm = Math.max(out[i]!.amountMm, work.amountMm)
    return out.with(i, { ...out[i]!, amountMm })
  }, [])
  const isLowered = pieces.some((w) => w.does === 'grind boot board')
  return pieces.filter((w) => !(isLowered && w.does === 'shim'))
}

/** Less of a boot board than this is not worth a grind, mm. */
const LEAST_GRIND_MM = 0.5

/** Work as far as the boot board gives it: what was ground off this shell is gone. */
function asBoardGives(
  work: readonly ShellWork[],
  kept: readonly ShellWork[],
  { id, bootBoard }: FootwearModel,
): ShellWork[] {
  return work.flatMap((w) => {
    if (w.does !== 'grind boot board') return [w]
    const gone = kept.filter(
      (k) =>
        k.model === id &&
        k.foot === w.foot &&
        k.sizeMm === w.sizeMm &&
        k.does === w.does &&
        k.state === 'done',
    )
    const leftMm = bootBoard.grindableMm - gone.reduce((sum, k) => sum + k.amountMm, 0)
    const amountMm = Math.floor(Math.min(w.amountMm, leftMm) * 10) / 10
    return amountMm < LEAST_GRIND_MM ? [] : [{ ...w, amountMm }]
  })
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
    const ofFit = one.sizeMm === size ? planOf(foot, side, model, one) : []
    const ofSpots = spotsAsked(footwear, feet, side, model, size)
    return asBoardGives(together(ofFit, ofSpots), chosen.work, model)
  })
}
