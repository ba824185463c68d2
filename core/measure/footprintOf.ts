import type { Foot } from '../record/schema'
import { Refusal } from '../record/refusal'
import type { Side } from '../tables/vocabulary'
import { readFootprint, type FootprintReading } from './footprint'

/** What was read off a grid already: the grid of a record never changes, another grid is another object. */
const known = new WeakMap<object, Partial<Record<Side, FootprintReading | null>>>()

/**
 * The footprint of a foot, read once; null where there is none, or nothing stood on its grid.
 *
 * For instance a foot without a footprint gives null
 */
export function footprintOf(foot: Foot | undefined, side: Side): FootprintReading | null {
  const print = foot?.footprint
  if (!print) return null
  const read = known.get(print) ?? {}
  if (read[side] === undefined) {
    read[side] = readOrNull(print, side)
    known.set(print, read)
  }
  return read[side]
}

function readOrNull(print: NonNullable<Foot['footprint']>, side: Side): FootprintReading | null {
  try {
    return readFootprint(print, side)
  } catch (error) {
    if (error instanceof Refusal) return null
    throw error
  }
}
