import { z } from 'zod'
import { BODY_AMOUNTS, type BodyKind } from './all'

/** A number of a device's body as the record keeps it: within its range. */
export const storedAmount = (kind: BodyKind) => {
  const [low, high] = BODY_AMOUNTS.of(kind).range
  return z.number().min(low).max(high)
}

/** The same with the record's own value, for a number every device has. */
export const storedWithDefault = (kind: BodyKind) => {
  const { fallback } = BODY_AMOUNTS.of(kind)
  if (fallback === null) throw new RangeError(`${kind} has no value of its own`)
  return storedAmount(kind).default(fallback)
}
