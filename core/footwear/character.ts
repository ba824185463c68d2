import { STATION_KINDS, type Station } from '../kinds/stations/all'
import { conditionsOf } from '../record/health'
import { bestMean } from '../measure/reading'
import type { FittingRecord, Foot } from '../record/schema'
import type { ComplaintPlace, Side } from '../tables/vocabulary'
import type { Band } from '../tables/footwearTargets'
import type { Norms } from '../record/tables'

/** One way in which a foot, or what it does, moves a target band, and why. */
export interface TargetShift {
  station: Station
  lowMm: number
  highMm: number
  words: string
  /** path of the record that says so */
  trigger: string
}

/** A foot nobody measured is taken as this long to place a mark on it, mm. */
export const USUAL_LENGTH_MM = 260

const AROUND: readonly Station[] = ['ball', 'waist', 'instep', 'instepHeight']
const HOLDS: readonly Station[] = ['ball', 'waist', 'instep', 'heelInstep', 'ankle']
const NUMB_AT: ReadonlySet<ComplaintPlace> = new Set([
  'greatToe',
  'lesserToes',
  'firstMetHead',
  'secondMetHead',
  'thirdMetHead',
  'fourthMetHead',
  'fifthMetHead',
])

/**
 * Station that a spot on the skin would press on: by view and by its share of the foot's length.
 * Undefined under the sole.
 */
export function stationAt(
  view: 'plantar' | 'dorsal' | 'medial' | 'lateral',
  xMm: number,
  yMm: number,
  lengthMm: number,
): Station | undefined {
  const s = yMm / lengthMm
  if (view === 'plantar') return undefined
  if (s > 0.82)
    return view === 'dorsal' ? 'toeBoxHeight' : view === 'lateral' ? 'fifthToe' : 'toeBox'
  if (s > 0.56)
    return view === 'dorsal' ? 'ballHeight' : view === 'lateral' ? 'fifthMet' : 'firstMet'
  if (view === 'dorsal') return s > 0.3 ? 'instepHeight' : 'heelInstep'
  if (s > 0.32) return view === 'medial' ? 'navicular' : 'waist'
  return s > 0.12 ? 'ankle' : 'heel'
}

/**
 * Shifts of one foot's targets: a loose foot may take the snug end, a stiff foot and bony points
 * want room there, numb toes want instep room, and what swells in its work gets room for it.
 * Children's joints are not judged.
 *
 * @param rows how far each trait and each activity moves a band, mm
 */
export function shiftsOf(
  record: FittingRecord,
  side: Side,
  child: boolean,
  rows: Pick<Norms, 'activityShiftMm' | 'characterShiftMm'>,
): TargetShift[] {
  const foot = record.feet[side]
  if (!foot) return []
  const by = rows.characterShiftMm
  return [
    ...jointShifts(record, foot, side, child, by),
    ...bonyShifts(foot, side, by),
    ...numbShifts(record, foot, side, by),
    ...activityShiftsOf(record, rows.activityShiftMm),
  ]
}

function jointShifts(
  record: FittingRecord,
  foot: Foot,
  side: Side,
  child: boolean,
  by: Norms['characterShiftMm'],
): TargetShift[] {
  if (child) return []
  const joints = Object.values(foot.findings?.mobility ?? {})
  const path = `feet.${side}.findings.mobility`
  const loose = joints.filter((j) => j === 'loose').length
  const stiff = joints.filter((j) => j === 'stiff').length
  if (
    conditionsOf(record).includes('hypermobility') ||
    loose >= 2 ||
    (loose === 1 && stiff === 0 && joints.length > 0)
  )
    return HOLDS.map((station) => ({
      station,
      lowMm: -by.loose,
      highMm: 0,
      words: 'a loose foot may take the snug end',
      trigger: loose ? path : 'story.conditions',
    }))
  if (stiff >= 1)
    return AROUND.map((station) => ({
      station,
      lowMm: by.stiff,
      highMm: by.stiff,
      words: 'a stiff foot wants room',
      trigger: path,
    }))
  return []
}

function bonyShifts(foot: Foot, side: Side, by: Norms['characterShiftMm']): TargetShift[] {
  const length = bestMean(foot, 'footLengthMm', 'standing') ?? USUAL_LENGTH_MM
  const out = new Map<Station, TargetShift>()
  for (const [i, mark] of (foot.findings?.marks ?? []).entries()) {
    if (mark.kind !== 'bonyPoint' && mark.kind !== 'lump' && mark.kind !== 'corn') continue
    const station = stationAt(mark.view, mark.xMm, mark.yMm, length)
    if (station && !out.has(station))
      out.set(station, {
        station,
        lowMm: by.bony,
        highMm: by.bony,
        words: `a ${mark.kind === 'bonyPoint' ? 'bony point' : mark.kind} wants room at ${STATION_KINDS.of(station).short}`,
        trigger: `feet.${side}.findings.marks.${i}`,
      })
  }
  return [...out.values()]
}

function numbShifts(
  record: FittingRecord,
  foot: Foot,
  side: Side,
  by: Norms['characterShiftMm'],
): TargetShift[] {
  const found = (foot.findings?.numbness?.toes.length ?? 0) > 0
  const said =
    record.story?.complaints.findIndex(
      (c) => c.foot === side && c.numb === true && NUMB_AT.has(c.at),
    ) ?? -1
  if (!found && said < 0) return []
  const trigger = found ? `feet.${side}.findings.numbness` : `story.complaints.${said}`
  return (['instep', 'instepHeight'] as const).map((station) => ({
    station,
    lowMm: by.numb,
    highMm: by.numb,
    words: 'numb toes want room over the instep',
    trigger,
  }))
}

function activityShiftsOf(
  record: FittingRecord,
  table: Readonly<Record<string, number>>,
): TargetShift[] {
  const activity = record.story?.activity
  if (!activity) return []
  return Object.entries(table).flatMap(([key, mm]) => {
    const [name, station] = key.split('.') as [string, Station]
    return name === activity && STATION_KINDS.find(station) && mm !== 0
      ? [
          {
            station,
            lowMm: mm,
            highMm: mm,
            words: `${STATION_KINDS.of(station).short} ${mm > 0 ? '+' : '−'}${Math.abs(mm)} mm for what it is worn for`,
            trigger: 'story.activity',
          },
        ]
      : []
  })
}

/**
 * A band as the shifts of a foot leave it; it never turns over. @example shifted([0, 2], [{ station: 'instep', lowMm: 1, highMm: 1 }], 'instep') // [1, 3]
 */
export function shifted(band: Band, shifts: readonly TargetShift[], station: Station): Band {
  let [low, high] = band
  for (const s of shifts) {
    if (s.station !== station) continue
    low += s.lowMm
    high += s.highMm
  }
  return [low, Math.max(low, high)]
}
