/**
 * Young's modulus of a rubber-like block from its Shore A hardness, MPa (Gent 1958): made for solid
 * rubber, for foams an order of size only, half to twice; a measured modulus replaces it.
 *
 * @throws RangeError for other scales: hardness below 20 or above 80 Shore A
 * @example youngFromShoreA(40) // 1.69
 */
export function youngFromShoreA(shoreA: number): number {
  if (!(shoreA >= 20 && shoreA <= 80))
    throw new RangeError(`${shoreA} is not between 20 and 80 Shore A`)
  return (0.0981 * (56 + 7.62336 * shoreA)) / (0.137505 * (254 - 2.54 * shoreA))
}
