import { ANGLES, ANGLE_KEYS, type AngleKey } from '../kinds/findings/all'
import { READINGS, READING_KINDS, type ReadingKind } from '../kinds/readings/all'
import type { Norms } from '../record/tables'
import { refuseTrial } from './questions'

/** What may be read twice to learn how well it repeats: every reading and every angle. */
export type ReadTwiceKind = ReadingKind | AngleKey
export const READ_TWICE: readonly [ReadTwiceKind, ...ReadTwiceKind[]] = [
  ...READING_KINDS,
  ...ANGLE_KEYS,
] as [ReadTwiceKind, ...ReadTwiceKind[]]

const asReading = (kind: ReadTwiceKind) => READINGS.find(kind)

export const readTwiceName = (kind: ReadTwiceKind): string =>
  asReading(kind)?.name ?? ANGLES.of(kind).name
export const readTwiceUnit = (kind: ReadTwiceKind): 'mm' | '°' => (asReading(kind) ? 'mm' : '°')

/** What counts as a change while too few pairs are held, in the kind's unit. */
export const houseLeast = (
  kind: ReadTwiceKind,
  norms: Pick<Norms, 'repeatLimitMm' | 'alignmentChangeDeg'>,
): number => (asReading(kind) ? norms.repeatLimitMm[kind as ReadingKind] : norms.alignmentChangeDeg)

/** Why a value cannot be of this kind, in words; null where it can. */
export function refuseReadTwice(
  kind: ReadTwiceKind,
  value: number,
  norms: Pick<Norms, 'hardBoundsMm'>,
): string | null {
  if (asReading(kind)) return refuseTrial(kind as ReadingKind, value, norms)?.words ?? null
  const { bounds, name } = ANGLES.of(kind)
  const [low, high] = bounds
  return value >= low && value <= high
    ? null
    : `${name}: ${value}° is outside ${low} to ${high} degrees.`
}
