/** Units of length that files of shapes come in. */
export const UNITS = ['mm', 'cm', 'm', 'in'] as const
export type Unit = (typeof UNITS)[number]
export const MM_PER: Record<Unit, number> = { mm: 1, cm: 10, m: 1000, in: 25.4 }

/**
 * Unit that makes the longest side of the box most like a foot's (255 mm) within 80 to 700 mm; null
 * when none does. Centimetres and inches overlap, so the guess is shown and asked.
 *
 * For instance `guessUnit(positions spanning 0.265)` is 'm'
 */
export function guessUnit(positions: Float64Array): Unit | null {
  let longest = 0
  for (let axis = 0; axis < 3; axis++) {
    let [low, high] = [Infinity, -Infinity]
    for (let i = axis; i < positions.length; i += 3) {
      const v = positions[i]!
      if (v < low) low = v
      if (v > high) high = v
    }
    longest = Math.max(longest, high - low)
  }
  const fits = UNITS.filter((u) => longest * MM_PER[u] >= 80 && longest * MM_PER[u] <= 700)
  const away = (u: Unit) => Math.abs(Math.log((longest * MM_PER[u]) / 255))
  return fits.sort((a, b) => away(a) - away(b))[0] ?? null
}
