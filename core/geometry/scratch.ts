const KEPT = new Map<string, Float64Array>()

/**
 * A cell array for work that ends before the function that asked for it returns: the same memory
 * every time, with whatever was left in it. Fresh arrays of a whole grid cost more than most of
 * what is done in them.
 *
 * @param use what for; two uses that overlap need two names
 */
export function scratch(use: string, length: number): Float64Array {
  const known = KEPT.get(use)
  if (known && known.length === length) return known
  const made = new Float64Array(length)
  KEPT.set(use, made)
  return made
}
