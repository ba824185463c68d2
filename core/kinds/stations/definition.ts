import type { TargetRow } from '../../tables/footwearTargets'
import type { ReadingKind } from '../readings/all'

/**
 * What kind of measure a station compares: bare length, a width or girth a side, a height whole, or
 * room for a bump on one side, or how far a bone sits below (+) or above (−) its place in the shell.
 */
export type StationMeasure = 'length' | 'width' | 'height' | 'girth' | 'bump' | 'level'

/** Measures of a foot that count only where a shell states its own: not every shell has room or a pocket there. */
export const isWhereStated = (measure: StationMeasure): boolean =>
  measure === 'bump' || measure === 'level'

/** Stations with room for a bump on one side. */
export const BUMP_STATIONS = ['fifthToe', 'fifthMet', 'firstMet', 'navicular'] as const
export type BumpStation = (typeof BUMP_STATIONS)[number]

/** What a foot measures where a shell has its stations, mm, and what its device adds. */
export interface StandingFoot {
  lengthMm: number
  /** what flexing footwear is sized by, where the arch is long for the foot and its toes are short */
  archSizedMm?: number
  /** standing on nothing; what a shell must hold before the device is proved */
  bareLengthMm?: number
  forefootWidthMm?: number
  heelWidthMm?: number
  malleolusWidthMm?: number
  toeHeightMm?: number
  /** across first and fifth toe */
  toeWidthMm?: number
  /** top of the first met head over the floor */
  ballHeightMm?: number
  dorsumHeightMm?: number
  waistGirthMm?: number
  instepGirthMm?: number
  heelInstepGirthMm?: number
  calfGirthMm?: number
  /** height of the inner ankle over the floor */
  malleolusHeightMm?: number
  /** how far a bump stands out of the smooth line of the foot, where one was marked */
  proudMm?: Partial<Record<BumpStation, number>>
  /**
   * what the device takes under ball, instep and toes (and heel), mm; null: nothing under the foot
   * but the supplied insole
   */
  stackMm: { ball: number; instep: number; toes: number; heel?: number } | null
}

/** Sides of a shell on which work is placed. */
export const SHELL_SIDES = ['medial', 'lateral', 'both', 'top', 'back', 'front', 'under'] as const
export type ShellSide = (typeof SHELL_SIDES)[number]

/** One measure of a bare shell, and how it is taken. */
export interface ShellMeasure<M extends string = string> {
  /** its key in a catalogue, with the unit */
  key: M
  name: string
  how: string
  /** what a step of grade adds to it; rooms for bumps do not grow */
  grows: 'lengthMm' | 'widthMm' | 'heightMm' | 'girthMm' | null
  /** its turn when a shell is measured station by station */
  turn: number
}

/** Everything known about one station of a shell. */
export interface StationDefinition<K extends string = string, M extends string = string> {
  kind: K
  name: string
  /** in a list */
  short: string
  /** as a place to work on */
  where: string
  /** in the client's words */
  plain: string
  /** what it means for a growing foot */
  child: string
  /** what it means for a foot that does not feel */
  insensate: string
  measure: StationMeasure
  /** what its verdicts are called, where a place is not tight or loose */
  verdicts?: Record<'tight' | 'snug' | 'right' | 'roomy' | 'loose', string>
  shell: ShellMeasure<M>
  /** for a bump: the station that a shell without room of its own here is judged by */
  instead?: 'ball' | 'toeBox' | 'waist'
  /** measures of a shell that belong to it and are not compared by themselves */
  beside: readonly ShellMeasure<M>[]
  /** what the foot has there */
  foot: (foot: StandingFoot) => number | undefined
  /** the reading to take where the foot has none; what to mark for a bump */
  reading: ReadingKind | null
  missing: string
  /** which part of the liner lies there, and where the device's height counts */
  liner: 'toe' | 'ball' | 'instep' | 'ankle' | 'heel' | null
  lift: 'toes' | 'ball' | 'instep' | 'heel' | null
  /** bands of rigid shells; other families say where theirs differ */
  target: TargetRow
  targetStated: boolean
  /** what helps when it is loose */
  closes: 'pad' | 'tongue pad' | 'shim' | null
  /** where it lies on a foot: share of its length, sides, height over the floor (estimates) */
  at: {
    share: number
    /** the outer side lies elsewhere along the foot, as the fifth head behind the first */
    lateralShare?: number
    medialShare?: number
    lateralLowerMm?: number
    sides: readonly ShellSide[]
    heightMm: (foot: StandingFoot) => number
  }
  /** region of the order sheet of a shell made to measure that a bump here asks room in */
  orderRegion: string | null
}

/** Keeps the name of the kind, and the keys of its measures, in its type. */
export const station = <const K extends string, const M extends string>(
  definition: StationDefinition<K, M>,
): StationDefinition<K, M> => definition
