import { money, quoteSums } from '../../core/followup/quote'
import { contactWords, type ShopDetails } from '../../shared/shopDetails'
import type { Quote } from '../../core/record/schema'
import { MUTED, newPaper } from './paper'

/** A plain quote on A4: what it costs before anything is made. */
export async function quotePdf(
  quote: Quote,
  who: { name: string; code: string; shop: string; details: ShopDetails },
  words: (day: string) => string,
  now: Date,
): Promise<Buffer> {
  const paper = await newPaper(`Quote ${who.code}`, now)
  const { heading, text, rule, doc } = paper
  heading(quote.no ? `Quote ${quote.no}` : 'Quote', 20, 18, 26)
  text(who.shop, 20, 30, { size: 12, colour: MUTED })
  const { taxNumber } = who.details
  const told = [contactWords(who.details), taxNumber && `tax number ${taxNumber}`]
  const below = text(told.filter(Boolean).join(' · '), 20, 35.5, {
    size: 9,
    colour: MUTED,
    width: 170,
  })
  const top = Math.max(42, below + 2)
  text(`For ${who.name}, ${who.code}`, 20, top, { size: 13 })
  text(`${words(quote.on)}; holds until ${words(quote.validUntil)}`, 20, top + 7, {
    size: 11,
    colour: MUTED,
  })
  rule(top + 16)
  let y = top + 20
  const right = (value: string, at: number, bold = false, size = 11) =>
    text(value, 150, at, { size, width: 40, align: 'right', bold })
  for (const l of quote.lines) {
    if (y > 250) {
      doc.addPage()
      y = 20
    }
    right(l.amount === 0 ? 'no charge' : money(l.count * l.amount, quote.currency), y)
    y =
      text(`${l.count > 1 ? `${l.count} × ` : ''}${l.words}`, 20, y, { size: 11, width: 125 }) + 1.5
  }
  rule(y + 1)
  y += 5
  const sums = quoteSums(quote)
  for (const [what, value] of [
    ['Without tax', sums.net],
    ...sums.tax.filter((t) => t.amount !== 0).map((t) => [`Tax ${t.percent} %`, t.amount] as const),
  ] as const) {
    text(String(what), 20, y, { size: 11, colour: MUTED })
    right(money(value, quote.currency), y)
    y += 6
  }
  text('In all', 20, y + 1, { size: 15, bold: true })
  right(money(sums.total, quote.currency), y + 1, true, 15)
  y += 16
  if (quote.deposit) {
    text('Deposit when it is accepted', 20, y - 4, { size: 11, colour: MUTED })
    right(money(quote.deposit, quote.currency), y - 4)
    y += 5
  }
  y =
    text(
      `Guarantee: ${quote.guaranteeMonths} months on what we make. If it does not fit, come back and we put it right.`,
      20,
      y,
      { size: 11, width: 170 },
    ) + 2
  y = text(
    'Prices are for what is written here. If something else turns out to be needed, we ask first. A footbed supports; nobody can promise that pain goes.',
    20,
    y,
    { size: 10, colour: MUTED, width: 170 },
  )
  const said = {
    open: '',
    accepted: 'Accepted',
    changed: 'Changed on your wish',
    declined: 'Not taken',
  }[quote.answer]
  if (said)
    text(
      `${said}${quote.acceptedBy ? ` by ${quote.acceptedBy}` : ''}${quote.answeredOn ? ` on ${words(quote.answeredOn)}` : ''}${quote.words ? `: ${quote.words}` : ''}`,
      20,
      y + 8,
      { size: 12, bold: true, width: 170 },
    )
  else {
    text('Accepted', 20, y + 18, { size: 10, colour: MUTED })
    doc
      .moveTo(paper.mm(42), paper.mm(y + 21))
      .lineTo(paper.mm(130), paper.mm(y + 21))
      .lineWidth(0.5)
      .stroke()
  }
  return paper.bytes()
}
