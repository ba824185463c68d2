import { FAMILY_KINDS } from '../kinds/families/all'
import { STATIONS, STATION_KINDS, type Station } from '../kinds/stations/all'
import { archSizeLengthMm } from '../measure/archSize'
import { bestMean, meanOfReading } from '../measure/reading'
import { isWhereStated, type StandingFoot } from '../kinds/stations/definition'
import type { Norms } from '../record/tables'
import { supportedLengthMm } from '../measure/supportedLength'
import type { Foot } from '../record/schema'
import type { FootwearModel, Stations } from './catalogueSchema'
import { ballInsideMm, gradeSteps } from './gradeShell'
import { linerEndsMm } from './toeRoom'
import { proudOf } from './prominence'

/**
 * Readings of a foot as it stands on its device: supported length, standing widths, heights and
 * girths. Null without a length.
 */
export function standingFoot(
  foot: Foot,
  stackMm: StandingFoot['stackMm'],
  norms: Pick<Norms, 'supportShare' | 'growthCapMm' | 'usualBumpMm' | 'archShare' | 'archSizeMm'>,
): StandingFoot | null {
  const standing = bestMean(foot, 'footLengthMm', 'standing')
  if (standing === undefined) return null
  const best = (what: Parameters<typeof bestMean>[1]) => bestMean(foot, what, 'standing')
  const lengthMm = supportedLengthMm(
    standing,
    meanOfReading(foot, 'footLengthMm', 'sitting'),
    foot.device?.kind ?? 'none',
    norms,
  )
  const outgrowsMm = (archSizeLengthMm(foot, norms) ?? 0) - standing
  return {
    lengthMm,
    ...(outgrowsMm >= norms.archSizeMm.by && { archSizedMm: lengthMm + outgrowsMm }),
    bareLengthMm: standing,
    forefootWidthMm: best('forefootWidthMm'),
    heelWidthMm: best('heelWidthMm'),
    malleolusWidthMm: best('malleolusWidthMm'),
    malleolusHeightMm: best('medialMalleolusHeightMm'),
    toeHeightMm: best('toeBoxHeightMm'),
    toeWidthMm: best('toeWidthMm'),
    ballHeightMm: best('ballHeightMm'),
    dorsumHeightMm: best('dorsumHeightMm'),
    waistGirthMm: best('waistGirthMm'),
    instepGirthMm: best('instepGirthMm'),
    heelInstepGirthMm: best('heelInstepGirthMm'),
    calfGirthMm: best('calfGirthMm'),
    proudMm: proudOf(foot, standing, norms),
    stackMm,
  }
}

/**
 * Clearance at every station as a straight line over the steps of grade: base + n·step, mm. NaN
 * where a measure is missing.
 */
export interface ClearanceLines {
  baseMm: Float64Array
  stepMm: Float64Array
}

/**
 * Measures of a foot in the order of the stations; NaN where there is none. A foot is compared with
 * thousands of shells, so they are kept.
 */
function footValues(foot: StandingFoot): Float64Array {
  const had = VALUES.get(foot)
  if (had) return had
  const made = Float64Array.from(STATION_KINDS.all, (s) => s.foot(foot) ?? Number.NaN)
  VALUES.set(foot, made)
  return made
}
const VALUES = new WeakMap<StandingFoot, Float64Array>()
/**
 * Inside measures of a model in the order of the stations; kept, because a catalogue is matched
 * again and again.
 */
function insideValues(model: FootwearModel): Float64Array {
  const had = INSIDES.get(model)
  if (had) return had
  const made = Float64Array.from(
    STATION_KINDS.all,
    (s) =>
      (s.kind === 'ball' ? ballInsideMm(model) : model.at[s.shell.key as keyof Stations]) ??
      Number.NaN,
  )
  INSIDES.set(model, made)
  return made
}
const INSIDES = new WeakMap<FootwearModel, Float64Array>()

/**
 * Clearances of a foot in a model at its reference size, and what one step of grade adds, mm, + =
 * room. Per side for widths ((inside − foot − 2·liner − 2·sock)/2) and girths ((G_inside −
 * G_foot)/2π − liner − sock); whole for heights (inside − foot − device lift − liner − 2·sock);
 * bare for length, with the liner's ends where the family is judged with it in; one side for bumps (room − bump − liner − sock);
 * a bone's place against the shell's for levels (inside − foot − device lift − sock), + = it sits below.
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
  const { grade } = model
  const { linerIn } = FAMILY_KINDS.of(model.family)
  for (let i = 0; i < STATION_KINDS.all.length; i++) {
    const { measure, liner, lift } = STATION_KINDS.all[i]!
    const gap = room[i]! - own[i]! + (i === BALL ? besideBallMm(foot, model) : 0)
    const linerMm = liner === null ? 0 : thicknessMm[liner] * linerShare
    switch (measure) {
      case 'length':
        baseMm[i] =
          room[i]! - sizedByMm(foot, model) - (linerIn ? linerEndsMm(model, linerShare) : 0)
        stepMm[i] = grade.lengthMm
        break
      case 'width':
        baseMm[i] = (gap - 2 * linerMm - 2 * sockMm) / 2
        stepMm[i] = grade.widthMm / 2
        break
      case 'girth':
        baseMm[i] = gap / (2 * Math.PI) - linerMm - sockMm
        stepMm[i] = grade.girthMm / (2 * Math.PI)
        break
      case 'height':
        // Socks lie above and below.
        baseMm[i] = gap - overInsoleMm(foot, model, lift) - linerMm - 2 * sockMm
        stepMm[i] = grade.heightMm
        break
      case 'bump':
        baseMm[i] = gap - linerMm - sockMm
        stepMm[i] = 0
        break
      case 'level':
        // The bone stands on device and sock; the liner lies beside it.
        baseMm[i] = gap - overInsoleMm(foot, model, lift) - sockMm
        stepMm[i] = grade.heightMm
    }
  }
  return { baseMm, stepMm }
}

/** What the device adds at a place over the insole that it replaces, mm; 0 where nothing is known of it. */
function overInsoleMm(
  { stackMm }: StandingFoot,
  { insoleMm }: Pick<FootwearModel, 'insoleMm'>,
  lift: 'toes' | 'ball' | 'instep' | 'heel' | null,
): number {
  const stack = lift === null ? undefined : stackMm?.[lift]
  return stack === undefined ? 0 : stack - insoleMm
}

/** Bumps that a caliper across the ball takes in, and the room a shell states for each. */
const BESIDE_BALL = [
  ['firstMet', 'firstMetRoomMm'],
  ['fifthMet', 'fifthMetRoomMm'],
] as const
/**
 * What of the ball's width is judged at stations of its own, mm: how far the outer met heads stand
 * proud where the shell states the room beside them. Nothing counts twice, and nothing is lost: a
 * shell that states no room is held against the whole width.
 */
export const besideBallMm = (foot: StandingFoot, { at }: Pick<FootwearModel, 'at'>): number =>
  BESIDE_BALL.reduce(
    (sum, [bump, room]) => sum + (at[room] === undefined ? 0 : (foot.proudMm?.[bump] ?? 0)),
    0,
  )
const BALL = STATIONS.indexOf('ball')

/** The length that a foot is sized by in a model: where it flexes, its ball has to sit at the foot's. */
export const sizedByMm = (foot: StandingFoot, { family }: Pick<FootwearModel, 'family'>): number =>
  FAMILY_KINDS.of(family).bends ? (foot.archSizedMm ?? foot.lengthMm) : foot.lengthMm

/** Does the foot have the measure of a station? What counts only where a shell states its own is not asked. */
export const footHas = (foot: StandingFoot, station: Station): boolean =>
  !isWhereStated(STATION_KINDS.of(station).measure) &&
  STATION_KINDS.of(station).foot(foot) !== undefined

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
 * @param offsetsMm room that work on this shell gave or took, or that checks and the client's feet
 *   showed, by station
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

/**
 * Measures without which a station stays unknown. Bumps count only where the shell states a room
 * for them.
 */
function missingMeasures(foot: StandingFoot, model: FootwearModel): string[] {
  const out = new Set<string>()
  for (const station of STATION_KINDS.all) {
    const key = station.shell.key as keyof Stations
    const inside = station.kind === 'ball' ? ballInsideMm(model) : model.at[key]
    const bump = station.measure === 'bump'
    const isOptional = isWhereStated(station.measure)
    if (inside === undefined && !isOptional) out.add(`models.${model.id}.at.${key}`)
    if (station.foot(foot) === undefined && !(isOptional && inside === undefined))
      out.add(bump ? station.missing : `readings.${station.missing}`)
  }
  return [...out]
}
