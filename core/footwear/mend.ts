import { STATION_KINDS, type Station } from '../kinds/stations/all'
import { isUnderFoot } from '../tables/shellWork'
import type { Side } from '../tables/vocabulary'
import type { Norms } from '../record/tables'
import type { FootwearModel } from './catalogueSchema'

/** What work on the footwear can do about a station. */
export type MendKind = 'stretch' | 'pad' | 'grind boot board' | 'shim' | 'tongue pad'

/** The rows that work on a shell goes by. */
export type MendRows = Pick<Norms, 'mendMm' | 'workMinutes' | 'growthRoomMm'>

/** The thickest shim under a device, mm: beyond it the heel leaves its pocket. */
const MOST_SHIM_MM = 6

/**
 * Work that would bring a station into its band, without words; null where none is needed or none
 * helps.
 */
export function mendKind(
  station: Station,
  model: FootwearModel,
  short: number,
  over: number,
  { mendMm }: MendRows,
): MendKind | null {
  const { measure: kind, closes } = STATION_KINDS.of(station)
  if (short > mendMm.short) {
    if (kind === 'width' || kind === 'girth' || kind === 'bump') return 'stretch'
    return (kind === 'height' || kind === 'level') && model.bootBoard.grindableMm > 0
      ? 'grind boot board'
      : null
  }
  if (over <= mendMm.loose) return null
  return closes === 'shim' && over <= mendMm.closure + mendMm.loose ? null : closes
}

/** How much of it, mm: a stretch or pad takes the whole misfit, a boot board gives what it has. */
export const mendAmountMm = (
  kind: MendKind,
  model: FootwearModel,
  short: number,
  over: number,
  { mendMm }: MendRows,
): number =>
  kind === 'stretch'
    ? short
    : kind === 'grind boot board'
      ? Math.min(short, model.bootBoard.grindableMm)
      : kind === 'shim'
        ? Math.min(over - mendMm.closure, MOST_SHIM_MM)
        : over

/** Looser than this beyond the band, mm, no pad makes it hold. */
const looseMostMm = (station: Station, mendMm: Norms['mendMm']): number =>
  station === 'waist' ? mendMm.waistLoose : station === 'heel' ? mendMm.heelLoose : Infinity

/** Does no work mend this misfit? */
export function beyondWork(
  station: Station,
  model: FootwearModel,
  value: number,
  short: number,
  over: number,
  longestMm: number,
  { mendMm }: MendRows,
): boolean {
  const kind = STATION_KINDS.of(station).measure
  if (station === 'length')
    return short > mendMm.lengthShort || over > mendMm.lengthOver || value > longestMm
  // A bone beside its pocket is worked at the liner, or borne: no reason to refuse a shell.
  if (kind === 'level') return false
  if (kind === 'height') return short > model.bootBoard.grindableMm + mendMm.closure
  return short > model.plastic.stretchMm || over > looseMostMm(station, mendMm)
}

const round = (v: number) => Math.round(v * 10) / 10
const said = (v: number) => String(round(v)).replace('-', '−')

/** Why no work mends it, in words. */
export function beyondWords(
  station: Station,
  model: FootwearModel,
  value: number,
  short: number,
  over: number,
  longestMm: number,
  { mendMm }: MendRows,
): string {
  const { name } = STATION_KINDS.of(station)
  if (station === 'length') {
    if (short > mendMm.lengthShort)
      return `too short: ${said(value)} mm behind the heel where ${said(value + short)} is the least`
    return value > longestMm && over <= mendMm.lengthOver
      ? `too long: ${round(value)} mm where growing feet get ${round(longestMm)} at most`
      : `too long: ${round(value)} mm behind the heel`
  }
  if (STATION_KINDS.of(station).measure === 'height')
    return `${name} is ${round(short)} mm too low over this foot and its device`
  if (short > 0)
    return `${name} needs ${round(short)} mm more a side than it has; it stretches by ${model.plastic.stretchMm} mm`
  return `${name} is ${round(over)} mm too loose to close up`
}

/** Work on one foot's footwear, in the words of the bench. */
export interface WorkItem {
  foot: Side
  station: Station
  does: MendKind
  amountMm: number
  minutes: number
  words: string
}

export function workItem(
  foot: Side,
  station: Station,
  does: MendKind,
  amount: number,
  { workMinutes }: MendRows,
): WorkItem {
  const amountMm = round(amount)
  const { where } = STATION_KINDS.of(station)
  const words =
    does === 'stretch'
      ? `stretch ${where} by ${amountMm} mm${STATION_KINDS.of(station).measure === 'bump' ? '' : ' a side'}`
      : does === 'pad'
        ? `pad ${where} by ${amountMm} mm`
        : does === 'tongue pad'
          ? `pad the tongue by ${amountMm} mm`
          : does === 'shim'
            ? `shim of ${amountMm} mm under the device or the boot board`
            : `take ${amountMm} mm off the boot board`
  return { foot, station, does, amountMm, minutes: workMinutes[does], words }
}

/**
 * Work of one foot with each piece under it once: a board is ground by the most that any station asks, a shim is
 * as thick as the least, because it raises the foot at all of them, and none where the board is ground.
 *
 * For instance toes that ask 1 mm of the board and an instep that asks 2 are one grind of 2 mm
 */
export function underOnce(work: readonly WorkItem[]): WorkItem[] {
  const kept = (does: MendKind) =>
    work
      .filter((w) => w.does === does)
      .reduce<WorkItem | undefined>((best, w) => {
        if (!best) return w
        const isMore = w.amountMm > best.amountMm
        return (does === 'shim' ? w.amountMm < best.amountMm : isMore) ? w : best
      }, undefined)
  // A foot is lowered or raised, never both: what is too low goes before what is loose.
  const under = kept('grind boot board') ?? kept('shim')
  return work.filter((w) => !isUnderFoot(w.does) || w === under)
}
