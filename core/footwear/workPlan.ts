import { STATION_KINDS, type Station } from '../kinds/stations/all'
import type { HotSpot, ShellWork } from '../record/schema'
import { isUnderFoot } from '../tables/shellWork'
import type { Side } from '../tables/vocabulary'
import { FAMILY_KINDS } from '../kinds/families/all'
import type { Norms } from '../record/tables'
import { oneDecimal } from './reasons'
import { verdictWord } from './targets'
import type { FootwearModel } from './catalogueSchema'
import type { StandingFoot } from '../kinds/stations/definition'
import { stationOfSpot } from './felt'
import type { FootFit } from './fitFoot'
import { shellPlace, stationPlaces } from './spots'

/** How a family's walls are worked: heat, hold, cool (house defaults; the maker's sheet rules). */
export interface WorkProcess {
  heatC: number | null
  heatMin: number
  holdMin: number
  coolMin: readonly [number, number]
  words: string
}

/** Plastic is taken to this much below its limit, °C. */
const BELOW_LIMIT_C = 10
const COOL_MIN = [20, 25] as const

/** Heat, hold and cool for a wall of this model. Leather and cloth are not heated. */
export function processOf(model: FootwearModel): WorkProcess {
  const isHeated = FAMILY_KINDS.of(model.family).heated
  if (isHeated && model.plastic.limitC === 0)
    return {
      heatC: null,
      heatMin: 0,
      holdMin: 3,
      coolMin: COOL_MIN,
      words: 'how warm this plastic may get is not known: ask its maker before any heat',
    }
  if (!isHeated)
    return {
      heatC: null,
      heatMin: 0,
      holdMin: 720,
      coolMin: [0, 0],
      words: 'on the tree over night, damp, no heat; look again in the morning',
    }
  const heatC = model.plastic.limitC - BELOW_LIMIT_C
  return {
    heatC,
    heatMin: 8,
    holdMin: 3,
    coolMin: COOL_MIN,
    words:
      `heat evenly to ${heatC} °C, never above ${model.plastic.limitC} °C; press and hold 3 min; ` +
      `cool ${COOL_MIN[0]} to ${COOL_MIN[1]} min before the press comes out`,
  }
}

/**
 * How far the press goes, mm: what is wanted and what springs back. @example pressMm(2, 0.2) // 2.4
 */
export const pressMm = (wantedMm: number, springBack: number): number => wantedMm * (1 + springBack)

/** A line of the work plan as the bench reads it. */
export interface WorkLine extends ShellWork {
  /** what the press or the grinder is set to, mm */
  setMm: number
  words: string
  process: string
  minutes: number
  /** why it must not be done as it stands */
  stops: string[]
  cautions: string[]
}

const round = (v: number) => Math.round(v * 10) / 10

/** Id of a piece of work: what lies under the whole foot is one, whichever station asks most for it. */
const workId = (side: Side, station: Station, does: ShellWork['does']): string =>
  `${side}-${isUnderFoot(does) ? 'under' : station}-${does.replace(/ /g, '-')}`

/**
 * Work that a fit asks for, placed in shell coordinates; nothing of it is decided. Ids say foot and
 * station, so that a plan made again finds what is done.
 */
export function planOf(
  foot: StandingFoot,
  side: Side,
  model: FootwearModel,
  fit: FootFit,
): ShellWork[] {
  return fit.work.map((w) => {
    const { name } = STATION_KINDS.of(w.station)
    const verdict = verdictWord(w.station, fit.verdicts[w.station]!)
    const places = stationPlaces(foot, model, w.station)
    const at = places[0]!
    const two = places.length > 1
    const place = isUnderFoot(w.does)
      ? { fromHeelMm: at.fromHeelMm, heightMm: 0, side: 'under' as const }
      : {
          fromHeelMm: at.fromHeelMm,
          heightMm: at.heightMm,
          side: two ? ('both' as const) : at.side,
        }
    return {
      id: workId(side, w.station, w.does),
      foot: side,
      model: model.id,
      sizeMm: fit.sizeMm,
      station: w.station,
      does: w.does,
      at: place,
      amountMm: w.amountMm,
      because: `${name} ${verdict}, ${oneDecimal(fit.clearances[w.station]!)} mm`,
      state: 'planned' as const,
    }
  })
}

/**
 * Work for a spot that hurt in the try-on: a stretch of 1 mm a level on that side of the shell.
 * Null under the sole, where the device is looked at.
 */
export function workForSpot(
  spot: HotSpot,
  index: number,
  foot: StandingFoot,
  side: Side,
  model: FootwearModel,
  sizeMm: number,
): ShellWork | null {
  const station = stationOfSpot(spot, foot.lengthMm)
  if (!station) return null
  const where = spot.view === 'dorsal' ? 'top' : spot.view === 'medial' ? 'medial' : 'lateral'
  const places = stationPlaces(foot, model, station)
  const zMm = (places.find((p) => p.side === where) ?? places[0]!).zMm
  const place = shellPlace(foot, model, spot.yMm, zMm, where)
  const isHeight = ['height', 'level'].includes(STATION_KINDS.of(station).measure)
  const does = isHeight && model.bootBoard.grindableMm > 0 ? 'grind boot board' : 'stretch'
  const isUnder = isUnderFoot(does)
  return {
    id: isUnder ? workId(side, station, does) : `${side}-spot-${index}-${station}`,
    foot: side,
    model: model.id,
    sizeMm,
    station,
    does,
    at: isUnder ? { ...place, heightMm: 0, side: 'under' } : place,
    amountMm: spot.level,
    because: `hot spot in the try-on, ${['', 'felt', 'bothers', 'hurts'][spot.level]}`,
    state: 'planned',
  }
}

/**
 * A plan's line with what the press is set to, heat and cooling, and what stops it: the plastic's
 * stretch, the wall's minimum, the boot board's depth.
 */
export function lineOf(
  work: ShellWork,
  model: FootwearModel,
  { springBackShare, workMinutes }: Pick<Norms, 'springBackShare' | 'workMinutes'>,
): WorkLine {
  const process = processOf(model)
  const stops: string[] = []
  const cautions: string[] = []
  const { stretchMm, wallMm, minWallMm } = model.plastic
  let setMm = work.amountMm
  let how = ''
  if (work.does === 'stretch') {
    setMm = pressMm(work.amountMm, work.springBackShare ?? springBackShare)
    how =
      work.springBackShare === undefined
        ? process.words
        : `${process.words}; ${Math.round(work.springBackShare * 100)} % springs back, learned here`
    if (work.amountMm > stretchMm)
      stops.push(`${round(work.amountMm)} mm asked; this wall stretches ${stretchMm} mm`)
    else if (setMm > stretchMm)
      cautions.push(
        `the press goes to ${round(setMm)} mm, beyond the ${stretchMm} mm that the wall takes: in two goes`,
      )
    if (work.station === 'toeBox' && model.family === 'work-boot')
      stops.push('a toe cap does not stretch')
  }
  if (work.does === 'grind') {
    const depth = Math.max(0, wallMm - minWallMm)
    how = 'mark, grind in passes of half a millimetre, measure the wall between them'
    if (work.amountMm > depth)
      stops.push(
        `${round(work.amountMm)} mm asked; the wall of ${wallMm} mm keeps ${minWallMm}, so ${round(depth)} mm is all`,
      )
  }
  if (work.does === 'grind boot board') {
    how = 'grind evenly from heel to ball, keep the ramp'
    if (work.amountMm > model.bootBoard.grindableMm)
      stops.push(
        `${round(work.amountMm)} mm asked; this boot board gives ${model.bootBoard.grindableMm} mm`,
      )
  }
  if (work.does === 'shim') how = 'shim under the boot board, heel to ball'
  if (work.does === 'insole shim') how = 'shim under the device, cut to the insole'
  if (work.does === 'pad') how = 'pad on the liner\u2019s outside, edges skived'
  if (work.does === 'tongue pad')
    how = 'pad on the tongue\u2019s outside, clear of the instep\u2019s bone and nerve'
  if (work.does === 'cuff')
    how = 'loosen, set, tighten; liner out, relaxed stance, equal gaps both sides'
  if (work.does === 'sole') {
    how = 'plane or shim the sole in steps of 0.5°, 3° in all at most'
    cautions.push(
      `sole${model.soleNorm ? ` (${model.soleNorm})` : ''} and bindings: ` +
        'only with a re-check by a certified technician, with the name kept',
    )
  }
  const at = work.at
  const where =
    at.side === 'under'
      ? 'under the foot'
      : `${at.side === 'both' ? 'both sides' : at.side}, ${at.fromHeelMm} mm from the back inside, ${at.heightMm} mm over the boot board`
  const station = STATION_KINDS.find(work.station)?.name ?? work.station
  return {
    ...work,
    setMm: round(setMm),
    stops,
    cautions,
    process: how,
    minutes: workMinutes[work.does],
    words:
      work.does === 'stretch'
        ? `${station}: stretch ${round(work.amountMm)} mm${at.side === 'both' ? ' a side' : ''}, press to ${round(setMm)} mm; ${where}`
        : work.does === 'cuff' || work.does === 'sole'
          ? `${work.does}, ${round(work.amountMm)}°`
          : `${station}: ${work.does} ${round(work.amountMm)} mm; ${where}`,
  }
}
