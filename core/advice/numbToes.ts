import type { FootContext } from './rule'

/** Toes by number, as they are called. */
export const TOE_WORDS = ['', 'first', 'second', 'third', 'fourth', 'fifth'] as const

/**
 * The web space in which feeling goes: two neighbouring toes that were told, and no others.
 *
 * @returns `untold` where toes go numb and nobody told which; null where none do
 *
 * For instance toes 3 and 4 give [3, 4]; all five toes give 'untold'
 */
export function webSpaceOf({ f, numb }: FootContext): readonly [number, number] | 'untold' | null {
  const toes = [...new Set(f.numbness?.toes)].sort((a, b) => a - b)
  if (toes.length === 2 && toes[1]! - toes[0]! === 1) return [toes[0]!, toes[1]!]
  if (toes.length > 0) return 'untold'
  return numb('lesserToes', 'secondMetHead', 'thirdMetHead', 'fourthMetHead') ? 'untold' : null
}
