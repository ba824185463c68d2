import type { FittingRecord } from '../record/schema'
import type { Family } from '../record/vocabulary'
import { FAMILY_RULES } from './families'

/** A sock thicker than this, compressed, raises a note, mm (house default). */
export const THICK_SOCK_MM = 2

/** What is worn: one compressed layer, mm, or nothing recorded, and how many over each other. */
export interface Socks {
  oneMm: number | undefined
  count: number
}

/** Socks of a record. */
export const socksOf = ({ footwear }: Pick<FittingRecord, 'footwear'>): Socks => ({
  oneMm: footwear?.sockMm,
  count: footwear?.socks ?? 1,
})

/** Thickness that enters the sums, mm: two socks add; where nothing was recorded, the usual one of the family. @example sockMm({ oneMm: 1, count: 2 }, 'shoe') // 2 */
export const sockMm = ({ oneMm, count }: Socks, family: Family): number =>
  (oneMm ?? FAMILY_RULES[family].sockMm) * count

/** Notes on socks: thin and one; two or thick ones are said, and nobody fills a child's footwear with them. */
export function sockNotes({ oneMm, count }: Socks, child: boolean): string[] {
  const out: string[] = []
  const thick = oneMm !== undefined && oneMm > THICK_SOCK_MM
  if (count > 1)
    out.push(`${count} socks over each other: they slide and fold; one thin sock fits better`)
  if (count === 1 && thick) out.push(`${oneMm} mm is a thick sock: it packs down`)
  if (child && (count > 1 || thick)) out.push('growth room is never filled with socks')
  return out
}
