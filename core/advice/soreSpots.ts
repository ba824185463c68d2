import type { Findings, Mark } from '../record/schema'
import { ONE_SPOT_MM } from './samePart'

/** Marks that a hollow may relieve. */
const RELIEVED: readonly Mark['kind'][] = ['callus', 'corn', 'lump', 'bonyPoint', 'tender']

const MARK_WORDS: Partial<Record<Mark['kind'], string>> = { bonyPoint: 'bony point' }

/** A tender mark in a sentence; for instance 'tender bony point' and, of a kind without a look, 'tender spot'. */
export const tenderMark = ({ kind }: Mark): string =>
  kind === 'tender' ? 'tender spot' : `tender ${MARK_WORDS[kind] ?? kind}`

/**
 * Sore spots under the sole, the worst first, each place once. A callus that nobody found tender is none.
 *
 * For instance two marks 3 mm apart, 6 and 5 of 10, are one spot of 6
 *
 * @param leastTenderness from which a spot counts, 0 to 10; a mark without a number counts unless it is a callus
 */
export function soreSpots(findings: Findings, leastTenderness: number): Mark[] {
  const sore = [...(findings.marks ?? [])]
    .filter(
      (m) =>
        m.view === 'plantar' &&
        RELIEVED.includes(m.kind) &&
        (m.tenderness ?? (m.kind === 'callus' ? 0 : leastTenderness)) >= leastTenderness,
    )
    .sort((a, b) => (b.tenderness ?? 0) - (a.tenderness ?? 0))
  return sore.filter(
    (m, i) =>
      !sore.slice(0, i).some((o) => Math.hypot(o.xMm - m.xMm, o.yMm - m.yMm) <= ONE_SPOT_MM),
  )
}

/** Where the second head lies beside the axis, and how far off a mark still lies under it, mm. */
const SECOND_HEAD_X_MM = 7
const UNDER_HEAD_MM = { across: 10, along: 15 } as const

/** Is there a callus under the second head? @param archLengthMm of the foot: the heads lie there */
export const hasCallusUnderSecond = ({ marks }: Findings, archLengthMm: number): boolean =>
  (marks ?? []).some(
    (m) =>
      m.view === 'plantar' &&
      (m.kind === 'callus' || m.kind === 'corn') &&
      Math.abs(m.xMm - SECOND_HEAD_X_MM) <= UNDER_HEAD_MM.across &&
      Math.abs(m.yMm - archLengthMm) <= UNDER_HEAD_MM.along,
  )
