import type { LineStyle, Template } from '../../core/formats/template'
import { INK, LINE, newPaper, type Paper } from './paper'

const PAGES = [
  { name: 'A4', width: 210, height: 297 },
  { name: 'A3', width: 297, height: 420 },
] as const
const STROKE: Record<LineStyle, { width: number; colour: string; dash?: [number, number] }> = {
  solid: { width: 0.4, colour: INK },
  dashed: { width: 0.25, colour: INK, dash: [4, 2] },
  light: { width: 0.2, colour: LINE, dash: [2, 2] },
}

/**
 * Trim templates as PDF at exactly 1:1, one a page: A4 where it fits, else A3. Print at 100 %, the
 * control line says whether it was.
 */
export async function templatePdf(templates: readonly Template[], now: Date): Promise<Buffer> {
  const paper = await newPaper('Trim template 1:1', now, false)
  for (const template of templates) drawTemplate(paper, template)
  return paper.bytes()
}

function drawTemplate({ doc, mm, text }: Paper, { widthMm, heightMm, lines, texts }: Template) {
  const page = PAGES.find((p) => widthMm <= p.width && heightMm <= p.height) ?? PAGES[1]
  doc.addPage({ size: page.name, margin: 0 })
  for (const line of lines) {
    line.points.forEach(([x, y], i) =>
      i === 0 ? doc.moveTo(mm(x), mm(y)) : doc.lineTo(mm(x), mm(y)),
    )
    if (line.closed) doc.closePath()
    const { width, colour, dash } = STROKE[line.style]
    doc.lineWidth(mm(width)).strokeColor(colour)
    if (dash) doc.dash(mm(dash[0]), { space: mm(dash[1]) })
    else doc.undash()
    doc.stroke()
  }
  doc.undash()
  for (const t of texts)
    text(t.text, t.xMm, t.yMm - t.sizeMm, {
      size: mm(t.sizeMm) * 0.8,
      width: page.width - t.xMm - 6,
    })
}
