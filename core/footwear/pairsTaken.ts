import type { FittingRecord, Footwear } from '../record/schema'
import { isBrought } from './brought'

/** A pair as it lies on the shelf. */
export interface ShelfPair {
  model: string
  sizeMm: number
}

/**
 * Pairs of the shop's that a fitting has chosen, those for its other devices among them: one where both feet have one
 * size, two where they have two, because a pair is sold with both its shoes. What the client brought lies on no shelf.
 *
 * For instance a chosen model in 265 left and 275 right is two pairs
 */
export function pairsChosen(footwear: Footwear | undefined): ShelfPair[] {
  const all = [...(footwear?.chosen ? [footwear.chosen] : []), ...(footwear?.moreChosen ?? [])]
  const pairs = new Map<string, ShelfPair>()
  for (const { model, sizeLeftMm, sizeRightMm } of all)
    for (const sizeMm of [sizeLeftMm, sizeRightMm])
      if (sizeMm !== undefined && !isBrought(model))
        pairs.set(`${model} ${sizeMm}`, { model, sizeMm })
  return [...pairs.values()]
}

/** Pairs that went with the client: chosen, handed over, and not brought back. */
export const pairsTaken = ({ footwear, handover }: Pick<FittingRecord, 'footwear' | 'handover'>) =>
  handover?.on && !handover.footwearBackOn ? pairsChosen(footwear) : []
