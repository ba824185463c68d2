/** Degrees to radians; records and interfaces keep degrees, radians live only inside a function. */
export const radians = (deg: number): number => (deg * Math.PI) / 180

/** Radians to degrees. */
export const degrees = (rad: number): number => (rad * 180) / Math.PI

/**
 * Height in mm that an angle makes across a width: d = W·tan θ.
 *
 * @example acrossMm(7, 96) // 11.79: 7° over a 96 mm forefoot
 */
export const acrossMm = (angleDeg: number, widthMm: number): number =>
  widthMm * Math.tan(radians(angleDeg))
