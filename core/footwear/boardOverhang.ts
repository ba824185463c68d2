import type { FittingRecord } from '../record/schema'
import { normsOf, type Norms } from '../record/tables'
import type { Side } from '../tables/vocabulary'
import type { FootwearModel } from './catalogueSchema'
import { shellInside } from './gradeShell'

/** How far one boot stands over the edges of a board. */
export interface Overhang {
  soleMm: number
  /** the sole was not measured: its inside length and the usual more */
  isEstimate: boolean
  /** at toe and heel each, the boot in the middle, mm; negative ends inside the edge */
  eachMm: number
  verdict: 'right' | 'drags' | 'short'
  words: string
}

const radians = (deg: number) => (deg * Math.PI) / 180
const mm = (v: number) => `${Math.round(v)} mm`

/**
 * How far a sole stands over a board's edge at each end, mm: half of what its length across the board is more than the
 * board is wide. The boot stands in the middle; how it is rounded and bevelled, and the binding's own plate, are not
 * told.
 *
 * @param angleDeg from straight across the board
 * @example overhangMm(300, 255, 15) // 17.4
 */
export const overhangMm = (soleMm: number, boardMm: number, angleDeg: number): number =>
  (soleMm * Math.cos(radians(angleDeg)) - boardMm) / 2

/** The stance that lets a sole stand over by so much, degrees; null where no turn does. */
function angleFor(soleMm: number, boardMm: number, eachMm: number): number | null {
  const across = (boardMm + 2 * eachMm) / soleMm
  return across > 1 ? null : (Math.acos(across) * 180) / Math.PI
}
/** A boot that is turned further than this does not ride as most do (own assumption), degrees. */
const MOST_TURN_DEG = 45

/** What to do about a boot that stands too far over: turn it, or take a wider board. */
function wayOut(soleMm: number, boardMm: number, angleDeg: number, { mostMm }: Rows): string {
  const turn = angleFor(soleMm, boardMm, mostMm)
  const wider = `a board ${mm(soleMm * Math.cos(radians(angleDeg)) - 2 * mostMm)} wide under the foot`
  return turn !== null && turn <= MOST_TURN_DEG
    ? `turn it to ${Math.ceil(turn)}° or take ${wider}`
    : `take ${wider}, or a boot with a shorter sole`
}
type Rows = Norms['boardOverhang']

/**
 * A chosen boot on the client's board, by foot; null while the board's width or the stance is not known.
 *
 * Source: handbook of footwear, soft boots: 5 to 15 mm over the edge at toe and heel.
 */
export function overhangOf(
  record: FittingRecord,
  model: FootwearModel,
  side: Side,
): Overhang | null {
  const { board, chosen } = record.footwear ?? {}
  const { widthMm, angleDeg } = board ?? {}
  const turned = angleDeg?.[side]
  const sizeMm = side === 'left' ? chosen?.sizeLeftMm : chosen?.sizeRightMm
  if (widthMm === undefined || turned === undefined || sizeMm === undefined) return null
  const rows = normsOf(record).boardOverhang
  const measured = chosen?.soleLengthMm?.[side]
  const inside = shellInside(model, sizeMm).lengthMm
  const soleMm = measured ?? (inside === undefined ? undefined : inside + rows.soleOverInsideMm)
  if (soleMm === undefined) return null
  const eachMm = overhangMm(soleMm, widthMm, turned)
  const verdict = eachMm > rows.mostMm ? 'drags' : eachMm < rows.leastMm ? 'short' : 'right'
  const over =
    eachMm < 0
      ? `ends ${mm(-eachMm)} inside the edge at toe and heel`
      : `${mm(eachMm)} over the edge at toe and heel`
  const says = {
    right: `right (${rows.leastMm} to ${rows.mostMm})`,
    drags: `more than ${rows.mostMm}: it drags in the turn; ${wayOut(soleMm, widthMm, turned, rows)}`,
    short: `less than ${rows.leastMm}: little leverage on the edge; a narrower board or a straighter stance`,
  }
  return {
    soleMm,
    isEstimate: measured === undefined,
    eachMm,
    verdict,
    words: `${over}: ${says[verdict]}`,
  }
}
