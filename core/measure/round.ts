import type { Posture, ReadingKind } from '../record/vocabulary'

/** One reading of the guided round: what, and how the client is. */
export interface RoundStep {
  what: ReadingKind
  posture: Posture
}

/** Views of the foot, each with the readings that are drawn in it. */
export const READING_VIEWS = {
  plan: [
    'footLengthMm',
    'archLengthMm',
    'forefootWidthMm',
    'heelWidthMm',
    'secondToeLeadMm',
    'secondMetLeadMm',
  ],
  girths: [
    'ballGirthMm',
    'waistGirthMm',
    'instepGirthMm',
    'heelInstepGirthMm',
    'ankleGirthMm',
    'calfGirthMm',
  ],
  heights: [
    'dorsumHeightMm',
    'navicularHeightMm',
    'medialMalleolusHeightMm',
    'lateralMalleolusHeightMm',
    'malleolusWidthMm',
    'toeBoxHeightMm',
  ],
} as const satisfies Record<string, readonly ReadingKind[]>
export type ReadingView = keyof typeof READING_VIEWS
export const viewOf = (what: ReadingKind): ReadingView =>
  (Object.keys(READING_VIEWS) as ReadingView[]).find((v) =>
    (READING_VIEWS[v] as readonly ReadingKind[]).includes(what),
  )!

const sit = (what: ReadingKind): RoundStep => ({ what, posture: 'sitting' })
const stand = (what: ReadingKind): RoundStep => ({ what, posture: 'standing' })

/** The round in the order in which hands move: seated on the board first, then standing on it, the gauge for heights, the tape from toe to calf. */
export const ROUND: readonly RoundStep[] = [
  ...(['footLengthMm', 'archLengthMm', 'dorsumHeightMm', 'navicularHeightMm'] as const).map(sit),
  ...(
    [
      'footLengthMm',
      'archLengthMm',
      'forefootWidthMm',
      'heelWidthMm',
      'secondToeLeadMm',
      'secondMetLeadMm',
    ] as const
  ).map(stand),
  ...(
    [
      'dorsumHeightMm',
      'navicularHeightMm',
      'medialMalleolusHeightMm',
      'lateralMalleolusHeightMm',
      'malleolusWidthMm',
      'toeBoxHeightMm',
    ] as const
  ).map(stand),
  ...(
    [
      'ballGirthMm',
      'waistGirthMm',
      'instepGirthMm',
      'heelInstepGirthMm',
      'ankleGirthMm',
      'calfGirthMm',
    ] as const
  ).map(stand),
]

/** Place of a reading in the round; −1 for one that is not part of it. */
export const roundIndex = (step: RoundStep): number =>
  ROUND.findIndex((s) => s.what === step.what && s.posture === step.posture)

/** The step so many places on, around the end. */
export function stepFrom(step: RoundStep, by: number): RoundStep {
  const at = roundIndex(step)
  return ROUND[(Math.max(at, 0) + by + ROUND.length) % ROUND.length]!
}
