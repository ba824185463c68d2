import PDFDocument from 'pdfkit'
import { letterFile, otherLetters, type Letter } from './letters'
import { NO_SIGN, signRuns } from './signRuns'

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

const LETTERS = ['regular', 'bold', 'headline'] as const satisfies readonly Letter[]
const OTHERS = 'others'
/** What stands at the foot of a page on which a sign is missing; distance from its edges, mm. */
const MISSING = `${NO_SIGN} stands for a sign that these letters do not have.`
const MISSING_AT_MM = { x: 15, up: 8 }

/** The letters in use now know their signs. */
const hasNow = (doc: PDFKit.PDFDocument) => {
  const { font } = (
    doc as unknown as { _font: { font: { hasGlyphForCodePoint: (code: number) => boolean } } }
  )._font
  return (code: number) => font.hasGlyphForCodePoint(code)
}

/**
 * An A4 page with the project's letters; positions in mm from the top left. Signs of other scripts
 * are written with theirs. Without a first page the caller adds its own.
 */
export async function newPaper(title: string, now: Date, firstPage = true): Promise<Paper> {
  const doc = new PDFDocument({
    size: 'A4',
    margin: 0,
    font: letterFile('regular') as unknown as string,
    info: { Title: title, Creator: 'Gentle Arch', CreationDate: now },
    autoFirstPage: firstPage,
  })
  for (const letter of LETTERS) doc.registerFont(letter, letterFile(letter))
  const others = otherLetters()
  if (others) doc.registerFont(OTHERS, others.bytes, others.name)
  const chunks: Buffer[] = []
  doc.on('data', (chunk: Buffer) => chunks.push(chunk))
  const mm = (v: number) => v * MM
  /** pages that say that a sign is missing */
  const told = new Set<PDFKit.PDFPage>()
  function tellMissing(size: number) {
    if (told.has(doc.page)) return
    told.add(doc.page)
    const { x, y, page } = doc
    doc.font('regular').fontSize(8)
    doc.text(MISSING, mm(MISSING_AT_MM.x), page.height - mm(MISSING_AT_MM.up), { lineBreak: false })
    doc.fontSize(size)
    doc.x = x
    doc.y = y
  }

  const othersHave = (letter: Letter) => {
    if (!others) return () => false
    doc.font(OTHERS)
    const has = hasNow(doc)
    doc.font(letter)
    return has
  }
  /** Writes with what has the signs; the place is in points. */
  function write(
    letter: Letter,
    size: number,
    words: string,
    [x, y]: [number, number],
    options: PDFKit.Mixins.TextOptions,
  ) {
    doc.font(letter).fontSize(size)
    const has = hasNow(doc)
    if ([...words].every((sign) => /\s/.test(sign) || has(sign.codePointAt(0)!)))
      return void doc.text(words, x, y, options)
    const { runs, missing } = signRuns(words, has, othersHave(letter))
    if (missing) tellMissing(size)
    const fontOf = (run: (typeof runs)[number]) => (run.letters === 'own' ? letter : OTHERS)
    // Runs of one line begin where the last one ended; where they end is reckoned before they begin.
    const total = runs.reduce((sum, run) => sum + doc.font(fontOf(run)).widthOfString(run.text), 0)
    const isRight = options.align === 'right' && total <= (options.width ?? 0)
    const from = isRight ? x + options.width! - total : x
    const width = isRight ? total + 1 : options.width
    runs.forEach((run, i) => {
      const more = {
        ...options,
        align: 'left' as const,
        width,
        continued: i < runs.length - 1,
      }
      doc.font(fontOf(run))
      if (i === 0) doc.text(run.text, from, y, more)
      else doc.text(run.text, more)
    })
    if (runs.length === 0) doc.text('', x, y, options)
  }
  return {
    doc,
    mm,
    width: 210,
    heading: (text, x, y, size, options = {}) => {
      doc.fillColor(INK)
      write('headline', size, text, [mm(x), mm(y)], options)
    },
    text: (
      text,
      x,
      y,
      { size = 10, bold: strong = false, colour = INK, width = 180, align = 'left' } = {},
    ) => {
      doc.fillColor(colour)
      const options = { width: mm(width), align, lineGap: 1 }
      write(strong ? 'bold' : 'regular', size, text, [mm(x), mm(y)], options)
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
