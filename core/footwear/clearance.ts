import { bestMean, meanOfReading } from '../measure/reading'
import { HOUSE_NORMS, type Norms } from '../measure/normsTable'
import { supportedLengthMm } from '../measure/supportedLength'
import type { Foot } from '../record/schema'
import type { FootwearModel } from './catalogueSchema'
import { shellInside } from './gradeShell'

/** Stations of clearance, in the order in which they are shown. */
export const STATIONS = ['length', 'toeBox', 'toeBoxHeight', 'ball', 'ballHeight', 'waist', 'instep', 'instepHeight', 'heel', 'heelInstep', 'ankle', 'cuff'] as const
export type Station = (typeof STATIONS)[number]

/** What a foot measures where the shell has its stations, mm, and what its device adds. */
export interface StandingFoot {
  lengthMm: number
  forefootWidthMm?: number
  heelWidthMm?: number
  malleolusWidthMm?: number
  toeHeightMm?: number
  dorsumHeightMm?: number
  waistGirthMm?: number
  instepGirthMm?: number
  heelInstepGirthMm?: number
  calfGirthMm?: number
  /** what the device takes under ball, instep and toes, mm; null: nothing under the foot but the supplied insole */
  stackMm: { ball: number; instep: number; toes: number } | null
}

/** Readings of a foot as it stands on its device: supported length, standing widths, heights and girths. Null without a length. */
export function standingFoot(foot: Foot, stackMm: StandingFoot['stackMm'], norms: Norms = HOUSE_NORMS): StandingFoot | null {
  const standing = bestMean(foot, 'footLengthMm', 'standing')
  if (standing === undefined) return null
  const best = (what: Parameters<typeof bestMean>[1]) => bestMean(foot, what, 'standing')
  return {
    lengthMm: supportedLengthMm(standing, meanOfReading(foot, 'footLengthMm', 'sitting'), foot.device?.kind ?? 'none', norms),
    forefootWidthMm: best('forefootWidthMm'),
    heelWidthMm: best('heelWidthMm'),
    malleolusWidthMm: best('malleolusWidthMm'),
    toeHeightMm: best('toeBoxHeightMm'),
    dorsumHeightMm: best('dorsumHeightMm'),
    waistGirthMm: best('waistGirthMm'),
    instepGirthMm: best('instepGirthMm'),
    heelInstepGirthMm: best('heelInstepGirthMm'),
    calfGirthMm: best('calfGirthMm'),
    stackMm,
  }
}

export interface Clearances {
  /** as worn after the liner's break-in, mm, + = room; null where a measure is missing */
  worn: Record<Station, number | null>
  /** with the liner as new */
  asNew: Record<Station, number | null>
  /** measures that are missing, foot's or shell's */
  missing: string[]
}

/**
 * Clearance of a foot in a size of a model, mm, + = room. Widths and girths are per side: (inside − foot − 2·liner − 2·sock)/2 and
 * (G_inside − G_foot)/2π − liner − sock; heights whole: inside − foot − device lift − liner − 2·sock; length is the bare shell's.
 *
 * @param sockMm one compressed layer
 */
export function clearances(foot: StandingFoot, model: FootwearModel, sizeMm: number, sockMm: number): Clearances {
  const missing = new Set<string>()
  const worn = stationsFor(foot, model, sizeMm, sockMm, 1 - model.liner.packOut, missing)
  return { worn, asNew: stationsFor(foot, model, sizeMm, sockMm, 1, missing), missing: [...missing] }
}

function stationsFor(foot: StandingFoot, model: FootwearModel, sizeMm: number, sock: number, linerShare: number, missing: Set<string>): Record<Station, number | null> {
  const inside = shellInside(model, sizeMm)
  const liner = model.liner.thicknessMm
  const both = (station: keyof typeof inside, footMm: number | undefined, name: string, sum: (inside: number, foot: number) => number) => {
    const room = inside[station]
    if (room === undefined) missing.add(`models.${model.id}.at.${station}`)
    if (footMm === undefined) missing.add(`readings.${name}`)
    return room === undefined || footMm === undefined ? null : sum(room, footMm)
  }
  const width = (l: number) => (room: number, f: number) => (room - f - 2 * l * linerShare - 2 * sock) / 2
  const girth = (l: number) => (room: number, f: number) => (room - f) / (2 * Math.PI) - l * linerShare - sock
  const lift = (stack: number | undefined) => (stack === undefined ? 0 : stack - model.insoleMm)
  const height = (l: number, stack: number | undefined) => (room: number, f: number) => room - f - lift(stack) - l * linerShare - 2 * sock
  return {
    length: both('lengthMm', foot.lengthMm, 'footLengthMm', (room, f) => room - f),
    toeBox: both('toeBoxWidthMm', undefined, 'toeWidthMm', width(liner.toe)),
    toeBoxHeight: both('toeBoxHeightMm', foot.toeHeightMm, 'toeBoxHeightMm', height(liner.toe, foot.stackMm?.toes)),
    ball: both('ballWidthMm', foot.forefootWidthMm, 'forefootWidthMm', width(liner.ball)),
    ballHeight: both('ballHeightMm', undefined, 'ballHeightMm', height(liner.ball, foot.stackMm?.ball)),
    waist: both('waistGirthMm', foot.waistGirthMm, 'waistGirthMm', girth(liner.instep)),
    instep: both('instepGirthMm', foot.instepGirthMm, 'instepGirthMm', girth(liner.instep)),
    instepHeight: both('instepHeightMm', foot.dorsumHeightMm, 'dorsumHeightMm', height(liner.instep, foot.stackMm?.instep)),
    heel: both('heelWidthMm', foot.heelWidthMm, 'heelWidthMm', width(liner.heel)),
    heelInstep: both('heelInstepGirthMm', foot.heelInstepGirthMm, 'heelInstepGirthMm', girth(liner.heel)),
    ankle: both('ankleWidthMm', foot.malleolusWidthMm, 'malleolusWidthMm', width(liner.ankle)),
    cuff: both('cuffGirthMm', foot.calfGirthMm, 'calfGirthMm', girth(liner.ankle)),
  }
}
