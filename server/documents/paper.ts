import PDFDocument from 'pdfkit'
import { useStorage } from 'nitropack/runtime/storage'

const MM = 72 / 25.4

/** Colours of print: ink on white. */
export const INK = '#22302E'
export const MUTED = '#5F6E6B'
export const LINE = '#938C7B'

export interface Paper {
  doc: PDFKit.PDFDocument
  /** mm to points */
  mm: (v: number) => number
  width: number
  heading: (
    text: string,
    x: number,
    y: number,
    size: number,
    options?: PDFKit.Mixins.TextOptions,
  ) => void
  text: (
    text: string,
    x: number,
    y: number,
    options?: {
      size?: number
      bold?: boolean
      colour?: string
      width?: number
      align?: 'left' | 'right'
    },
  ) => number
  rule: (y: number) => void
  bytes: () => Promise<Buffer>
}

async function font(store: string, name: string): Promise<Buffer> {
  const raw = await useStorage(`assets:${store}`).getItemRaw(name)
  if (!raw) throw new Error(`font ${name} is not in the bundle`)
  return Buffer.from(raw as Uint8Array)
}

/**
 * An A4 page with the project's letters; positions in mm from the top left. Without a first page
 * the caller adds its own.
 */
export async function newPaper(title: string, now: Date, firstPage = true): Promise<Paper> {
  const [regular, bold, headline] = await Promise.all([
    font('figtree400', 'Figtree_400Regular.ttf'),
    font('figtree600', 'Figtree_600SemiBold.ttf'),
    font('bricolage600', 'BricolageGrotesque_600SemiBold.ttf'),
  ])
  const doc = new PDFDocument({
    size: 'A4',
    margin: 0,
    font: regular as unknown as string,
    info: { Title: title, Creator: 'Gentle Arch', CreationDate: now },
    autoFirstPage: firstPage,
  })
  doc.registerFont('regular', regular)
  doc.registerFont('bold', bold)
  doc.registerFont('headline', headline)
  const chunks: Buffer[] = []
  doc.on('data', (chunk: Buffer) => chunks.push(chunk))
  const mm = (v: number) => v * MM
  return {
    doc,
    mm,
    width: 210,
    heading: (text, x, y, size, options = {}) =>
      void doc.font('headline').fontSize(size).fillColor(INK).text(text, mm(x), mm(y), options),
    text: (
      text,
      x,
      y,
      { size = 10, bold: strong = false, colour = INK, width = 180, align = 'left' } = {},
    ) => {
      doc
        .font(strong ? 'bold' : 'regular')
        .fontSize(size)
        .fillColor(colour)
        .text(text, mm(x), mm(y), { width: mm(width), align, lineGap: 1 })
      return doc.y / MM
    },
    rule: (y) =>
      void doc
        .moveTo(mm(15), mm(y))
        .lineTo(mm(195), mm(y))
        .lineWidth(0.5)
        .strokeColor(LINE)
        .stroke(),
    bytes: () =>
      new Promise((resolve) => {
        doc.on('end', () => resolve(Buffer.concat(chunks)))
        doc.end()
      }),
  }
}
