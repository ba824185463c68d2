import type { ReadingKind } from '../../../core/kinds/readings/all'

/**
 * A reading as drawn on a foot: its line in drawing millimetres, its ends, and where its trials are
 * told.
 */
export interface DrawnLine {
  what: ReadingKind
  d: string
  dash?: string
  dots: [number, number][]
  /** where the strip of trials is set */
  strip: [number, number]
}
