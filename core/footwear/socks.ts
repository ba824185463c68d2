import { FAMILY_KINDS, type Family } from '../kinds/families/all'
import type { FittingRecord } from '../record/schema'
import type { Norms } from '../record/tables'

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

/**
 * Thickness that enters the sums, mm: two socks add; where nothing was recorded, the usual one of
 * the family. @example sockMm({ oneMm: 1, count: 2 }, 'shoe') // 2
 */
export const sockMm = ({ oneMm, count }: Socks, family: Family): number =>
  (oneMm ?? FAMILY_KINDS.of(family).sockMm) * count

/**
 * Notes on socks: thin and one; two or thick ones are said, and nobody fills a child's footwear
 * with them.
 */
export function sockNotes(
  { oneMm, count }: Socks,
  child: boolean,
  { thickSockMm }: Pick<Norms, 'thickSockMm'>,
): string[] {
  const out: string[] = []
  const thick = oneMm !== undefined && oneMm > thickSockMm
  if (count > 1)
    out.push(`${count} socks over each other: they slide and fold; one thin sock fits better`)
  if (count === 1 && thick) out.push(`${oneMm} mm is a thick sock: it packs down`)
  if (child && (count > 1 || thick)) out.push('growth room is never filled with socks')
  return out
}
