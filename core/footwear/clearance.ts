import { bestMean, meanOfReading } from '../measure/reading'
import { HOUSE_NORMS, type Norms } from '../measure/normsTable'
import { supportedLengthMm } from '../measure/supportedLength'
import type { Foot } from '../record/schema'
import type { FootwearModel, Stations } from './catalogueSchema'
import { ballInsideMm, gradeSteps } from './gradeShell'
import { proudOf } from './prominence'
import { STATION_KIND, STATIONS, type Station } from './stationWords'

export { STATIONS, type Station }

/** What a foot measures where the shell has its stations, mm, and what its device adds. */
export interface StandingFoot {
  lengthMm: number
  /** standing on nothing; what a shell must hold before the device is proved */
  bareLengthMm?: number
  forefootWidthMm?: number
  heelWidthMm?: number
  malleolusWidthMm?: number
  toeHeightMm?: number
  dorsumHeightMm?: number
  waistGirthMm?: number
  instepGirthMm?: number
  heelInstepGirthMm?: number
  calfGirthMm?: number
  /** height of the inner ankle over the floor */
  malleolusHeightMm?: number
  /** how far a bump stands out of the smooth line of the foot, where one was marked */
  proudMm?: Partial<Record<'fifthToe' | 'fifthMet' | 'navicular', number>>
  /** what the device takes under ball, instep and toes (and heel), mm; null: nothing under the foot but the supplied insole */
  stackMm: { ball: number; instep: number; toes: number; heel?: number } | null
}

/** Readings of a foot as it stands on its device: supported length, standing widths, heights and girths. Null without a length. */
export function standingFoot(
  foot: Foot,
  stackMm: StandingFoot['stackMm'],
  norms: Norms = HOUSE_NORMS,
): StandingFoot | null {
  const standing = bestMean(foot, 'footLengthMm', 'standing')
  if (standing === undefined) return null
  const best = (what: Parameters<typeof bestMean>[1]) => bestMean(foot, what, 'standing')
  return {
    lengthMm: supportedLengthMm(
      standing,
      meanOfReading(foot, 'footLengthMm', 'sitting'),
      foot.device?.kind ?? 'none',
      norms,
    ),
    bareLengthMm: standing,
    forefootWidthMm: best('forefootWidthMm'),
    heelWidthMm: best('heelWidthMm'),
    malleolusWidthMm: best('malleolusWidthMm'),
    malleolusHeightMm: best('medialMalleolusHeightMm'),
    toeHeightMm: best('toeBoxHeightMm'),
    dorsumHeightMm: best('dorsumHeightMm'),
    waistGirthMm: best('waistGirthMm'),
    instepGirthMm: best('instepGirthMm'),
    heelInstepGirthMm: best('heelInstepGirthMm'),
    calfGirthMm: best('calfGirthMm'),
    proudMm: proudOf(foot, standing),
    stackMm,
  }
}

/** Where a station finds its two measures. */
interface StationRule {
  shell: keyof Stations
  foot: (foot: StandingFoot) => number | undefined
  /** name of the reading that is missing when the foot has none */
  reading: string
}

const RULES: Readonly<Record<Station, StationRule>> = {
  length: { shell: 'lengthMm', foot: (f) => f.lengthMm, reading: 'footLengthMm' },
  toeBox: { shell: 'toeBoxWidthMm', foot: () => undefined, reading: 'toeWidthMm' },
  toeBoxHeight: { shell: 'toeBoxHeightMm', foot: (f) => f.toeHeightMm, reading: 'toeBoxHeightMm' },
  ball: { shell: 'ballWidthMm', foot: (f) => f.forefootWidthMm, reading: 'forefootWidthMm' },
  ballHeight: { shell: 'ballHeightMm', foot: () => undefined, reading: 'ballHeightMm' },
  waist: { shell: 'waistGirthMm', foot: (f) => f.waistGirthMm, reading: 'waistGirthMm' },
  instep: { shell: 'instepGirthMm', foot: (f) => f.instepGirthMm, reading: 'instepGirthMm' },
  instepHeight: {
    shell: 'instepHeightMm',
    foot: (f) => f.dorsumHeightMm,
    reading: 'dorsumHeightMm',
  },
  heel: { shell: 'heelWidthMm', foot: (f) => f.heelWidthMm, reading: 'heelWidthMm' },
  heelInstep: {
    shell: 'heelInstepGirthMm',
    foot: (f) => f.heelInstepGirthMm,
    reading: 'heelInstepGirthMm',
  },
  ankle: { shell: 'ankleWidthMm', foot: (f) => f.malleolusWidthMm, reading: 'malleolusWidthMm' },
  cuff: { shell: 'cuffGirthMm', foot: (f) => f.calfGirthMm, reading: 'calfGirthMm' },
  fifthToe: {
    shell: 'fifthToeRoomMm',
    foot: (f) => f.proudMm?.fifthToe,
    reading: 'findings.marks (fifth toe)',
  },
  fifthMet: {
    shell: 'fifthMetRoomMm',
    foot: (f) => f.proudMm?.fifthMet,
    reading: 'findings.marks (fifth met head)',
  },
  navicular: {
    shell: 'navicularRoomMm',
    foot: (f) => f.proudMm?.navicular,
    reading: 'findings.marks (navicular)',
  },
}

/** Clearance at every station as a straight line over the steps of grade: base + n·step, mm. NaN where a measure is missing. */
export interface ClearanceLines {
  baseMm: Float64Array
  stepMm: Float64Array
}

/** Measures of a foot in the order of the stations; NaN where there is none. A foot is compared with thousands of shells, so they are kept. */
function footValues(foot: StandingFoot): Float64Array {
  const had = VALUES.get(foot)
  if (had) return had
  const made = Float64Array.from(STATIONS, (s) => RULES[s].foot(foot) ?? Number.NaN)
  VALUES.set(foot, made)
  return made
}
const VALUES = new WeakMap<StandingFoot, Float64Array>()
/** Inside measures of a model in the order of the stations; kept, because a catalogue is matched again and again. */
function insideValues(model: FootwearModel): Float64Array {
  const had = INSIDES.get(model)
  if (had) return had
  const made = Float64Array.from(
    STATIONS,
    (s) => (s === 'ball' ? ballInsideMm(model) : model.at[RULES[s].shell]) ?? Number.NaN,
  )
  INSIDES.set(model, made)
  return made
}
const INSIDES = new WeakMap<FootwearModel, Float64Array>()

/**
 * Clearances of a foot in a model at its reference size, and what one step of grade adds, mm, + = room. Per side for widths
 * ((inside − foot − 2·liner − 2·sock)/2) and girths ((G_inside − G_foot)/2π − liner − sock); whole for heights (inside − foot − device
 * lift − liner − 2·sock); bare for length; one side for bumps (room − bump − liner − sock).
 *
 * @param linerShare 1 as new, 1 − packOut after break-in
 * @param into arrays to write over, so that a catalogue is matched without making new ones
 */
export function clearanceLines(
  foot: StandingFoot,
  model: FootwearModel,
  sockMm: number,
  linerShare: number,
  into?: ClearanceLines,
): ClearanceLines {
  const { baseMm, stepMm } = into ?? {
    baseMm: new Float64Array(STATIONS.length),
    stepMm: new Float64Array(STATIONS.length),
  }
  const room = insideValues(model)
  const own = footValues(foot)
  const { thicknessMm } = model.liner
  const toe = thicknessMm.toe * linerShare
  const ball = thicknessMm.ball * linerShare
  const instep = thicknessMm.instep * linerShare
  const ankle = thicknessMm.ankle * linerShare
  const heel = thicknessMm.heel * linerShare
  const { grade, insoleMm } = model
  const { stackMm } = foot
  // What the device adds over the insole that it replaces.
  const lift = (stack: number | undefined) => (stack === undefined ? 0 : stack - insoleMm)
  const width = (i: number, liner: number) => {
    baseMm[i] = (room[i]! - own[i]! - 2 * liner - 2 * sockMm) / 2
    stepMm[i] = grade.widthMm / 2
  }
  const girth = (i: number, liner: number) => {
    baseMm[i] = (room[i]! - own[i]!) / (2 * Math.PI) - liner - sockMm
    stepMm[i] = grade.girthMm / (2 * Math.PI)
  }
  const height = (i: number, liner: number, liftMm: number) => {
    baseMm[i] = room[i]! - own[i]! - liftMm - liner - 2 * sockMm
    stepMm[i] = grade.heightMm
  }
  const bump = (i: number, liner: number) => {
    baseMm[i] = room[i]! - own[i]! - liner - sockMm
    stepMm[i] = 0
  }
  baseMm[0] = room[0]! - own[0]!
  stepMm[0] = grade.lengthMm
  width(1, toe)
  height(2, toe, lift(stackMm?.toes))
  width(3, ball)
  height(4, ball, lift(stackMm?.ball))
  girth(5, instep)
  girth(6, instep)
  height(7, instep, lift(stackMm?.instep))
  width(8, heel)
  girth(9, heel)
  width(10, ankle)
  girth(11, ankle)
  bump(12, toe)
  bump(13, ball)
  bump(14, instep)
  return { baseMm, stepMm }
}

/** Does the foot have the measure of a station? Bumps are not asked of a foot. */
export const footHas = (foot: StandingFoot, station: Station): boolean =>
  STATION_KIND[station] !== 'bump' && RULES[station].foot(foot) !== undefined

export interface Clearances {
  /** as worn after the liner's break-in, mm, + = room; null where a measure is missing */
  worn: Record<Station, number | null>
  /** with the liner as new */
  asNew: Record<Station, number | null>
  /** measures that are missing, foot's or shell's */
  missing: string[]
}

/**
 * Clearance of a foot in a size of a model, mm, + = room.
 *
 * @param sockMm one compressed layer
 * @param offsetsMm room that work on this shell gave or took, or that checks and the client's feet showed, by station
 */
export function clearances(
  foot: StandingFoot,
  model: FootwearModel,
  sizeMm: number,
  sockMm: number,
  offsetsMm: Partial<Record<Station, number>> = {},
): Clearances {
  const n = gradeSteps(model, sizeMm)
  const at = (share: number) => {
    const lines = clearanceLines(foot, model, sockMm, share)
    return Object.fromEntries(
      STATIONS.map((s, i) => [
        s,
        Number.isNaN(lines.baseMm[i])
          ? null
          : lines.baseMm[i]! + n * lines.stepMm[i]! + (offsetsMm[s] ?? 0),
      ]),
    ) as Record<Station, number | null>
  }
  return { worn: at(1 - model.liner.packOut), asNew: at(1), missing: missingMeasures(foot, model) }
}

/** Measures without which a station stays unknown. Bumps count only where the shell states a room for them. */
export function missingMeasures(foot: StandingFoot, model: FootwearModel): string[] {
  const out = new Set<string>()
  for (const station of STATIONS) {
    const rule = RULES[station]
    const inside = station === 'ball' ? ballInsideMm(model) : model.at[rule.shell]
    const bump = STATION_KIND[station] === 'bump'
    if (inside === undefined && !bump) out.add(`models.${model.id}.at.${rule.shell}`)
    if (rule.foot(foot) === undefined && !(bump && inside === undefined))
      out.add(bump ? rule.reading : `readings.${rule.reading}`)
  }
  return [...out]
}
