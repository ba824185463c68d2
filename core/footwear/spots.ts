import type { FootwearModel } from './catalogueSchema'
import type { ShellSide, StandingFoot } from '../kinds/stations/definition'
import type { FootFit } from './fitFoot'
import { STATION_KINDS, STATIONS, type Station } from '../kinds/stations/all'

/**
 * Where a station lies on the shell, in shell coordinates: from the inside of its back, over its
 * boot board.
 */
export interface ShellPlace {
  fromHeelMm: number
  heightMm: number
  side: ShellSide
}

/** A place where foot and shell are predicted to press on each other. */
export interface ContactSpot extends ShellPlace {
  station: Station
  /** the same place on the foot: along the heel–toe axis, over the floor, mm */
  yMm: number
  zMm: number
  shortMm: number
  verdict: 'tight' | 'snug'
}

/**
 * A place of the foot in shell coordinates: the heel sits its broken-in liner before the shell's
 * back and its device over the boot board.
 */
export function shellPlace(
  foot: StandingFoot,
  model: FootwearModel,
  yMm: number,
  zMm: number,
  side: ShellPlace['side'],
): ShellPlace {
  const back = model.liner.thicknessMm.heel * (1 - model.liner.packOut)
  const under = foot.stackMm === null ? model.insoleMm : (foot.stackMm.heel ?? foot.stackMm.instep)
  return { fromHeelMm: Math.round(yMm + back), heightMm: Math.round(zMm + under), side }
}

/** Places of a station on foot and shell. */
export function stationPlaces(
  foot: StandingFoot,
  model: FootwearModel,
  station: Station,
): (ShellPlace & { yMm: number; zMm: number })[] {
  const { at } = STATION_KINDS.of(station)
  const zMm = at.heightMm(foot)
  return at.sides.map((side) => {
    const own =
      side === 'lateral' ? at.lateralShare : side === 'medial' ? at.medialShare : undefined
    const yMm = (own ?? at.share) * foot.lengthMm
    const zSide = side === 'lateral' ? zMm - (at.lateralLowerMm ?? 0) : zMm
    return { ...shellPlace(foot, model, yMm, zSide, side), yMm, zMm: zSide }
  })
}

/**
 * Predicted contact: every station that lies below its band, at its places on foot and shell.
 * Labelled an estimate wherever it is drawn.
 */
export function contactSpots(
  foot: StandingFoot,
  model: FootwearModel,
  fit: FootFit,
): ContactSpot[] {
  return STATIONS.flatMap((station): ContactSpot[] => {
    const verdict = fit.verdicts[station]
    if (verdict !== 'tight' && verdict !== 'snug') return []
    const shortMm = fit.targets[station]![0] - fit.clearances[station]!
    return stationPlaces(foot, model, station).map((p) => ({ ...p, station, shortMm, verdict }))
  })
}
