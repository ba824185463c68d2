import { READINGS, type ReadingKind } from '../kinds/readings/all'
import type { ReadingDefinition } from '../kinds/readings/definition'
import type { Posture } from '../tables/vocabulary'

/** One reading of the guided round: what, and how the client is. */
export interface RoundStep {
  what: ReadingKind
  posture: Posture
}

export type ReadingView = ReadingDefinition['view']

const inView = (view: ReadingView): ReadingKind[] =>
  READINGS.all.filter((d) => d.view === view).map((d) => d.kind)

/** Views of the foot, each with the readings that are drawn in it. */
export const READING_VIEWS: Record<ReadingView, readonly ReadingKind[]> = {
  plan: inView('plan'),
  girths: inView('girths'),
  heights: inView('heights'),
}
export const viewOf = (what: ReadingKind): ReadingView => READINGS.of(what).view

/** The board first, then the gauge for heights, then the tape from toe to calf. */
const HANDS: readonly ReadingView[] = ['plan', 'heights', 'girths']
const taken = (posture: Posture): RoundStep[] =>
  HANDS.flatMap((view) => READING_VIEWS[view])
    .filter((what) => READINGS.of(what).round.includes(posture))
    .map((what) => ({ what, posture }))

/**
 * The round in the order in which hands move: seated on the board first, then standing on it, the
 * gauge for heights, the tape from toe to calf.
 */
export const ROUND: readonly RoundStep[] = [...taken('sitting'), ...taken('standing')]

/** Place of a reading in the round; −1 for one that is not part of it. */
export const roundIndex = (step: RoundStep): number =>
  ROUND.findIndex((s) => s.what === step.what && s.posture === step.posture)

/** The step so many places on, around the end. */
export function stepFrom(step: RoundStep, by: number): RoundStep {
  const at = roundIndex(step)
  return ROUND[(Math.max(at, 0) + by + ROUND.length) % ROUND.length]!
}
