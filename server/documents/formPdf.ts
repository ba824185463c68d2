import type { FittingForm } from '../../core/formats/papers/fittingForm'
import { MUTED, newPaper } from './paper'

const BOTTOM = 278

/** The fitting form: everything of a pair on A4, for the shop's file or a colleague. */
export async function formPdf(
  form: FittingForm,
  who: { name: string; code: string; shop: string; day: string },
  now: Date,
): Promise<Buffer> {
  const paper = await newPaper(`Fitting form ${who.code}`, now)
  const { heading, text, rule, doc } = paper
  heading('Fitting form', 15, 13, 22)
  heading(who.code, 120, 13, 22, { width: paper.mm(75), align: 'right' })
  text(`${who.name} · ${who.shop} · ${who.day}`, 15, 23, { colour: MUTED, size: 10 })
  rule(30)
  let y = 33
  const room = (need: number) => {
    if (y + need <= BOTTOM) return
    doc.addPage()
    y = 15
  }
  for (const section of form.sections) {
    room(16)
    text(section.title, 15, y, { bold: true, size: 12 })
    if (section.rows.length) {
      text('left', 115, y + 0.6, { size: 9, colour: MUTED, width: 38, align: 'right' })
      text('right', 157, y + 0.6, { size: 9, colour: MUTED, width: 38, align: 'right' })
    }
    y += 6.5
    for (const [what, left, right] of section.rows) {
      room(5)
      text(what, 15, y, { size: 9.5, width: 98 })
      text(left, 115, y, { size: 9.5, width: 38, align: 'right' })
      text(right, 157, y, { size: 9.5, width: 38, align: 'right' })
      y += 4.7
    }
    for (const line of section.lines) {
      room(10)
      y = text(line, 15, y + 0.3, { size: 9.5, width: 180 })
    }
    rule(y + 1.5)
    y += 4.5
  }
  room(18)
  text('Fitter', 15, y + 10, { size: 9, colour: MUTED })
  text('Client', 115, y + 10, { size: 9, colour: MUTED })
  doc
    .moveTo(paper.mm(28), paper.mm(y + 13))
    .lineTo(paper.mm(95), paper.mm(y + 13))
    .moveTo(paper.mm(128), paper.mm(y + 13))
    .lineTo(paper.mm(195), paper.mm(y + 13))
    .lineWidth(0.5)
    .stroke()
  return paper.bytes()
}
