import type { FootwearModel } from './catalogueSchema'
import type { StandingFoot } from './clearance'
import type { FootFit } from './fitFoot'
import { STATIONS, type Station } from './stationWords'

/** Where a station lies on the shell, in shell coordinates: from the inside of its back, over its boot board. */
export interface ShellPlace {
  fromHeelMm: number
  heightMm: number
  side: 'medial' | 'lateral' | 'both' | 'top' | 'back' | 'front' | 'under'
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

/** Where each station is looked for on a foot: share of its length, sides, height of that place as found or as a share of length (estimates). */
const WHERE: Readonly<
  Record<
    Station,
    { s: number; sides: readonly ShellPlace['side'][]; zMm: (foot: StandingFoot) => number }
  >
> = {
  length: { s: 1, sides: ['front'], zMm: () => 10 },
  toeBox: { s: 0.9, sides: ['medial', 'lateral'], zMm: (f) => (f.toeHeightMm ?? 24) / 2 },
  toeBoxHeight: { s: 0.92, sides: ['top'], zMm: (f) => f.toeHeightMm ?? 24 },
  ball: { s: 0.69, sides: ['medial', 'lateral'], zMm: () => 14 },
  ballHeight: {
    s: 0.66,
    sides: ['top'],
    zMm: (f) => 0.62 * (f.dorsumHeightMm ?? 0.24 * f.lengthMm),
  },
  waist: { s: 0.46, sides: ['medial', 'lateral'], zMm: () => 30 },
  instep: { s: 0.47, sides: ['top'], zMm: (f) => f.dorsumHeightMm ?? 0.24 * f.lengthMm },
  instepHeight: { s: 0.5, sides: ['top'], zMm: (f) => f.dorsumHeightMm ?? 0.24 * f.lengthMm },
  heel: { s: 0.1, sides: ['medial', 'lateral'], zMm: () => 25 },
  heelInstep: {
    s: 0.3,
    sides: ['top'],
    zMm: (f) => 1.35 * (f.dorsumHeightMm ?? 0.24 * f.lengthMm),
  },
  ankle: {
    s: 0.22,
    sides: ['medial', 'lateral'],
    zMm: (f) => f.malleolusHeightMm ?? 0.3 * f.lengthMm,
  },
  cuff: { s: 0.16, sides: ['both'], zMm: (f) => 0.95 * f.lengthMm },
  fifthToe: { s: 0.86, sides: ['lateral'], zMm: () => 12 },
  fifthMet: { s: 0.645, sides: ['lateral'], zMm: () => 14 },
  navicular: { s: 0.45, sides: ['medial'], zMm: (f) => 0.16 * f.lengthMm },
}

/** A place of the foot in shell coordinates: the heel sits its broken-in liner before the shell's back and its device over the boot board. */
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
  const { s, sides, zMm } = WHERE[station]
  const y = s * foot.lengthMm
  const z = zMm(foot)
  return sides.map((side) => {
    // The lateral ankle lies lower and further back than the medial one, and the fifth head behind the first.
    const lateral = side === 'lateral'
    const yMm =
      station === 'ankle' && lateral
        ? y - 0.03 * foot.lengthMm
        : station === 'ball'
          ? (lateral ? 0.645 : 0.725) * foot.lengthMm
          : y
    const zSide = station === 'ankle' && lateral ? z - 12 : z
    return { ...shellPlace(foot, model, yMm, zSide, side), yMm, zMm: zSide }
  })
}

/** Predicted contact: every station that lies below its band, at its places on foot and shell. Labelled an estimate wherever it is drawn. */
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
