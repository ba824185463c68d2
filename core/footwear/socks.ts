import type { Family } from '../record/vocabulary'
import { FAMILY_RULES } from './families'

/** A sock thicker than this, compressed, raises a note, mm (house default). */
export const THICK_SOCK_MM = 2

/** Thickness that enters the sums, mm: one compressed layer each; two socks add. */
export const sockSumMm = (oneMm: number, count = 1): number => oneMm * count

/** Notes on socks: thin and one; two or thick ones are said, and nobody fills a child's footwear with them. */
export function sockNotes(oneMm: number, count: number, child: boolean): string[] {
  const out: string[] = []
  if (count > 1) out.push(`${count} socks over each other: they slide and fold; one thin sock fits better`)
  if (count === 1 && oneMm > THICK_SOCK_MM) out.push(`${oneMm} mm is a thick sock: it packs down and takes ${oneMm - FAMILY_RULES['rigid-shell'].sockMm} mm more than a thin one`)
  if (child && (count > 1 || oneMm > THICK_SOCK_MM)) out.push('growth room is never filled with socks')
  return out
}

/** The usual sock of a family, mm: thin in boots, a little more in shoes. */
export const usualSockMm = (family: Family): number => FAMILY_RULES[family].sockMm
