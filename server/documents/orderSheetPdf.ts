import { orderSheet } from '../../core/formats/papers/orderSheet'
import type { FittingRecord } from '../../core/record/schema'
import { SIDES } from '../../core/tables/vocabulary'
import { MUTED, newPaper } from './paper'

/**
 * The order sheet of a shell made to measure: measures from calf to toe, expansion by region and
 * side. A code, never a name.
 */
export async function orderSheetPdf(
  record: FittingRecord,
  shop: string,
  day: string,
  now: Date,
): Promise<Buffer> {
  const sheet = orderSheet(record)
  const paper = await newPaper(`Order sheet ${sheet.code}`, now)
  const { heading, text, rule } = paper
  heading('Shell made to measure', 15, 13, 22)
  heading(sheet.code, 120, 13, 22, { width: paper.mm(75), align: 'right' })
  text(`${shop} · ${day} · all measures in mm, standing / sitting`, 15, 23, { colour: MUTED })
  rule(30)
  const column = { code: 15, name: 26, how: 70, left: 138, right: 168 }
  let y = 33
  text('LEFT', column.left, y, { bold: true, width: 26 })
  text('RIGHT', column.right, y, { bold: true, width: 26 })
  y = 39
  for (const m of sheet.measures) {
    text(m.code, column.code, y, { size: 9.5, colour: MUTED, width: 10 })
    text(m.name, column.name, y, { size: 10, bold: true, width: 42 })
    text(m.how, column.how, y, { size: 8.5, colour: MUTED, width: 66 })
    for (const side of SIDES) {
      const v = m.feet[side]
      const show = (n: number | null | undefined) =>
        n === null || n === undefined ? '—' : n.toFixed(1)
      text(
        `${show(v?.standing)} / ${show(v?.sitting)}${v?.heightMm ? ` at ${v.heightMm}` : ''}`,
        column[side],
        y,
        { size: 9.5, width: 28 },
      )
    }
    y += 6.6
  }
  rule(y + 1)
  y = text('Expansion over the foot, by region and side', 15, y + 4, { bold: true, size: 12 }) + 1.5
  for (const r of sheet.regions) {
    text(`${r.name}, ${r.side}`, column.name, y, { size: 10, width: 60 })
    text(r.because, column.how + 14, y, { size: 8.5, colour: MUTED, width: 52 })
    text(`+ ${r.left}`, column.left, y, { size: 10, width: 26 })
    text(`+ ${r.right}`, column.right, y, { size: 10, width: 26 })
    y += 5.6
  }
  rule(y + 1)
  if (sheet.missing.length)
    y = text(`Not taken: ${sheet.missing.join('; ')}`, 15, y + 4, { size: 9.5, bold: true }) + 1
  text(
    'Expansions are usual values of this house, raised at marked bumps; the maker\u2019s own sheet rules. Check every measure on the foot before ordering.',
    15,
    284,
    { size: 8, colour: MUTED },
  )
  return paper.bytes()
}
