import { ANGLES, type AngleKey } from '../kinds/findings/all'

/** The words angles are called out by. */
export const ANGLE_CALLS: readonly string[] = ANGLES.all.map((angle) => angle.call)

/** The angle a word calls; undefined for another word. @example angleOfCall('stance') // 'rcspDeg' */
export const angleOfCall = (word: string): AngleKey | undefined =>
  ANGLES.all.find((angle) => angle.call === word)?.kind
