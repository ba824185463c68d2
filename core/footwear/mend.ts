import type { Side } from '../record/vocabulary'
import type { FootwearModel } from './catalogueSchema'
import { STATION_KIND, stationWords, type Station } from './stationWords'

/** What work on the footwear can do about a station. */
export type MendKind = 'stretch' | 'pad' | 'grind boot board' | 'shim' | 'tongue pad'

/** Minutes of one piece of work on one side (house defaults: mark, heat, press, cool and recheck; a pad is quick). */
export const WORK_MINUTES: Readonly<Record<MendKind, number>> = {
  stretch: 35,
  pad: 8,
  'grind boot board': 15,
  shim: 6,
  'tongue pad': 8,
}

/** A short station is left alone below this, a loose one below LOOSE_MM: lining and lace take it, mm. */
const SHORT_MM = 0.25
const LOOSE_MM = 1
/** Straps and laces take up this much at instep and waist before a pad is needed; a liner gives this much at a height, mm. */
export const CLOSURE_TAKES_MM = 3
/** Length short of the band by more than this, or longer by more than LENGTH_OVER_MM, cannot be mended. */
const LENGTH_SHORT_MM = 2
const LENGTH_OVER_MM = 8
/** Looser than this beyond the band, mm, no pad makes it hold. */
const LOOSE_MOST_MM: Partial<Record<Station, number>> = { waist: 4 + CLOSURE_TAKES_MM, heel: 6 }

/** Work that would bring a station into its band, without words; null where none is needed or none helps. */
export function mendKind(
  station: Station,
  model: FootwearModel,
  short: number,
  over: number,
): MendKind | null {
  const kind = STATION_KIND[station]
  if (short > SHORT_MM) {
    if (kind === 'width' || kind === 'girth' || kind === 'bump') return 'stretch'
    return kind === 'height' && model.bootBoard.grindableMm > 0 ? 'grind boot board' : null
  }
  if (over <= LOOSE_MM) return null
  if (station === 'heel' || station === 'ankle' || station === 'heelInstep') return 'pad'
  if (station === 'waist') return 'tongue pad'
  return station === 'instepHeight' && over > CLOSURE_TAKES_MM + LOOSE_MM ? 'shim' : null
}

/** How much of it, mm: a stretch or pad takes the whole misfit, a boot board gives what it has. */
export const mendAmountMm = (
  kind: MendKind,
  model: FootwearModel,
  short: number,
  over: number,
): number =>
  kind === 'stretch'
    ? short
    : kind === 'grind boot board'
      ? Math.min(short, model.bootBoard.grindableMm)
      : kind === 'shim'
        ? Math.min(over - CLOSURE_TAKES_MM, 6)
        : over

/** Does no work mend this misfit? */
export function beyondWork(
  station: Station,
  model: FootwearModel,
  value: number,
  short: number,
  over: number,
  longestMm: number,
): boolean {
  const kind = STATION_KIND[station]
  if (station === 'length')
    return short > LENGTH_SHORT_MM || over > LENGTH_OVER_MM || value > longestMm
  if (kind === 'height') return short > model.bootBoard.grindableMm + CLOSURE_TAKES_MM
  return short > model.plastic.stretchMm || over > (LOOSE_MOST_MM[station] ?? Infinity)
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
): string {
  const { name } = stationWords(station)
  if (station === 'length') {
    if (short > LENGTH_SHORT_MM)
      return `too short: ${said(value)} mm behind the heel where ${said(value + short)} is the least`
    return value > longestMm && over <= LENGTH_OVER_MM
      ? `too long: ${round(value)} mm where growing feet get ${round(longestMm)} at most`
      : `too long: ${round(value)} mm behind the heel`
  }
  if (STATION_KIND[station] === 'height')
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

export function workItem(foot: Side, station: Station, does: MendKind, amount: number): WorkItem {
  const amountMm = round(amount)
  const { where } = stationWords(station)
  const words =
    does === 'stretch'
      ? `stretch ${where} by ${amountMm} mm${STATION_KIND[station] === 'bump' ? '' : ' a side'}`
      : does === 'pad'
        ? `pad ${where} by ${amountMm} mm`
        : does === 'tongue pad'
          ? `pad the tongue by ${amountMm} mm`
          : does === 'shim'
            ? `shim of ${amountMm} mm under the device or the boot board`
            : `take ${amountMm} mm off the boot board`
  return { foot, station, does, amountMm, minutes: WORK_MINUTES[does], words }
}
