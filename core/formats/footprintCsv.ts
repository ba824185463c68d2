import Papa from 'papaparse'
import { parseWith } from '../record/parse'
import { footprintSchema, type Footprint } from '../record/footprintSchema'
import { Refusal } from '../record/refusal'
import type { Side } from '../tables/vocabulary'

/** First cells of the file: its name and version. */
const HEAD = ['gentle-arch-footprint', '1'] as const
const NAMES: readonly string[] = ['side', 'cellMm', 'toeLineMm', 'source']

/**
 * A footprint as CSV: lines `gentle-arch-footprint,1`, `side,left`, `cellMm,5`, then one line per
 * row of the grid from the toes to the heel, columns from left to right as seen from above, kPa.
 */
export function writeFootprintCsv(print: Footprint, side: Side): string {
  const head = [
    [...HEAD],
    ['side', side],
    ['cellMm', String(print.cellMm)],
    ...(print.toeLineMm === undefined ? [] : [['toeLineMm', String(print.toeLineMm)]]),
    ...(print.source ? [['source', print.source]] : []),
  ]
  return `${Papa.unparse([...head, ...print.kPa.map((row) => row.map(String))], { newline: '\n' })}\n`
}

/**
 * Reads a footprint file; a bare grid of numbers is read too when the cell size is given.
 *
 * @param fallback used where the file does not say: cell size of a bare grid
 * @throws Refusal naming line and column
 * @example readFootprintCsv('gentle-arch-footprint,1\nside,left\ncellMm,5\n0,40,0\n20,60,9\n1,2,3').side // 'left'
 */
export function readFootprintCsv(
  text: string,
  fallback: { cellMm?: number } = {},
): { side?: Side; print: Footprint } {
  const lines = Papa.parse<string[]>(text.replace(/^\uFEFF/, '').trim(), {
    skipEmptyLines: true,
  }).data
  if (lines.length === 0) throw new Refusal('empty-file', 'This file is empty.', 'line 1')
  const named: Record<string, string> = {}
  let first = 0
  if (lines[0]![0]?.trim() === HEAD[0]) {
    if (lines[0]![1]?.trim() !== HEAD[1])
      throw new Refusal(
        'newer-version',
        `This footprint has version ${lines[0]![1]}; this program reads version 1.`,
        'line 1',
      )
    first = 1
    while (first < lines.length && NAMES.includes(lines[first]![0]!.trim())) {
      named[lines[first]![0]!.trim()] = (lines[first]![1] ?? '').trim()
      first++
    }
  }
  const { side } = named
  if (side !== undefined && side !== 'left' && side !== 'right')
    throw new Refusal('invalid', `side: "${side}" is neither left nor right.`, 'side')
  const cellMm = named.cellMm === undefined ? fallback.cellMm : Number(named.cellMm)
  if (cellMm === undefined || !Number.isFinite(cellMm))
    throw new Refusal(
      'no-cell-size',
      'The size of a cell is missing: add a line "cellMm,5" after the first, or type it in.',
      'cellMm',
    )
  const kPa = lines.slice(first).map((line, r) =>
    line.map((cell, c) => {
      const value = cell.trim() === '' ? 0 : Number(cell.trim())
      if (!Number.isFinite(value) || value < 0)
        throw new Refusal(
          'not-a-number',
          `Line ${first + r + 1}, column ${c + 1}: "${cell}" is not a pressure in kPa.`,
          `line ${first + r + 1}, column ${c + 1}`,
        )
      return value
    }),
  )
  const width = kPa[0]?.length ?? 0
  const bad = kPa.findIndex((row) => row.length !== width)
  if (bad >= 0)
    throw new Refusal(
      'ragged-grid',
      `Line ${first + bad + 1}: ${kPa[bad]!.length} cells, the first row has ${width}.`,
      `line ${first + bad + 1}`,
    )
  const print = parseWith(
    footprintSchema,
    {
      cellMm,
      kPa,
      ...(named.toeLineMm && { toeLineMm: Number(named.toeLineMm) }),
      ...(named.source && { source: named.source }),
    },
    'footprint',
  )
  return { ...(side && { side }), print }
}
