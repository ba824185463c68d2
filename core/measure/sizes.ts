import { activityOf } from '../record/storyActivity'
import type { Norms } from '../record/tables'

export type SizeFamily = keyof Norms['allowanceMm']

/** Family for what a client does; boots when nothing is told. */
export const sizeFamilyFor = (activity: string | undefined): SizeFamily =>
  activity === undefined ? 'boots' : (activityOf(activity)?.allowance ?? 'shoes')

/** Allowance of lasts over foot length for what a client does, mm. */
export const allowanceFor = (
  activity: string | undefined,
  norms: Pick<Norms, 'allowanceMm'>,
): number => norms.allowanceMm[sizeFamilyFor(activity)]

export interface SizeSet {
  mondo: number
  eu: number
  uk: number
  usMen: number
  usWomen: number
}

/** To two decimals, so that 41.25 from floating arithmetic is a true tie. */
const toHundredths = (value: number) => Math.round((value + 1e-9) * 100) / 100

/** To the nearest half, ties up. @example roundToHalf(41.25) // 41.5 */
export const roundToHalf = (value: number): number => Math.floor(toHundredths(value) * 2 + 0.5) / 2

/**
 * Footwear sizes from foot length. Mondopoint (ISO 9407) is the foot itself; EU Paris points (L +
 * a)/(20/3); UK (L + a)/8.4667 − 25; US men UK + 1; US women US men + 1.5.
 *
 * @param footLengthMm L, mm
 * @param allowanceMm a, mm
 * @returns exact values to two decimals, and rounded to halves
 * @example sizesOf(265, 10) // { mondo: 26.5, eu: 41.25, uk: 7.48, rounded: { eu: 41.5, uk: 7.5 } }
 */
export function sizesOf(
  footLengthMm: number,
  allowanceMm: number,
): SizeSet & { allowanceMm: number; rounded: SizeSet } {
  const last = footLengthMm + allowanceMm
  const uk = last / 8.4667 - 25
  const exact = {
    mondo: footLengthMm / 10,
    eu: last / (20 / 3),
    uk,
    usMen: uk + 1,
    usWomen: uk + 2.5,
  }
  const map = (f: (v: number) => number): SizeSet => ({
    mondo: f(exact.mondo),
    eu: f(exact.eu),
    uk: f(exact.uk),
    usMen: f(exact.usMen),
    usWomen: f(exact.usWomen),
  })
  return { allowanceMm, ...map(toHundredths), rounded: map(roundToHalf) }
}

/**
 * UK size in words: below adult size 1 the children's scale runs, (L + a)/8.4667 − 12, shown 'child
 * 11' (below 14), else the adult number.
 *
 * @example ukWords(190, 16) // 'child 12.5'
 */
export function ukWords(footLengthMm: number, allowanceMm: number): string {
  const child = roundToHalf((footLengthMm + allowanceMm) / 8.4667 - 12)
  return child < 14 ? `child ${child}` : `${child - 13}`
}

/**
 * US children's size from the UK one: about half a size more. @example usChildWords(190, 16, 0.5)
 * // 'child 13'
 */
export function usChildWords(
  footLengthMm: number,
  allowanceMm: number,
  overUk: Norms['usChildOverUk'],
): string {
  const child = roundToHalf((footLengthMm + allowanceMm) / 8.4667 - 12 + overUk)
  return child < 14 ? `child ${child}` : `${child - 13}`
}
