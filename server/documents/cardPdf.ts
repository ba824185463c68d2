import type { ClientCard } from '../../core/formats/papers/card'
import { contactWords, type ShopDetails } from '../../shared/shopDetails'
import { INK, MUTED, newPaper } from './paper'

/** The client's card: one page, large letters, plain words. */
export async function cardPdf(
  card: ClientCard,
  shop: ShopDetails & { name: string },
  day: string,
  now: Date,
): Promise<Buffer> {
  const paper = await newPaper('Your footbeds', now)
  const { doc, mm, heading, text, rule } = paper
  doc.rect(mm(10), mm(10), mm(190), mm(277)).lineWidth(1).strokeColor(INK).stroke()
  heading(card.greeting, 20, 20, 28, { width: mm(170) })
  let y = doc.y / (72 / 25.4) + 4
  for (const line of card.made) y = text(line, 20, y, { size: 15, width: 170 }) + 2
  if (card.goal)
    y = text(`Your goal: “${card.goal}”`, 20, y + 1, { size: 14, colour: MUTED, width: 170 }) + 2
  rule(y + 2)
  text('Wearing in', 20, y + 6, { bold: true, size: 18 })
  y += 16
  card.wearIn.forEach((line, i) => {
    y = text(`${i + 1}.  ${line}`, 20, y, { size: 17, width: 170 }) + 2.5
  })
  if (card.exercises.length)
    y = text(`At home: ${card.exercises.join('; ')}.`, 20, y + 1, { size: 15, width: 170 }) + 2
  y = text(card.normal, 20, y + 1, { size: 14, colour: MUTED, width: 170 }) + 2
  rule(y + 2)
  text(shop.phone ? `Stop and call us: ${shop.phone}` : 'Stop and call us', 20, y + 6, {
    bold: true,
    size: 18,
    width: 170,
  })
  y += 16
  for (const line of card.stop) y = text(`•  ${line}`, 20, y, { size: 17, width: 170 }) + 2
  rule(y + 3)
  y =
    text(
      card.nextVisitOn ? `Next visit: ${card.nextVisitOn}` : 'Next visit: we will call you',
      20,
      y + 7,
      { bold: true, size: 18, width: 170 },
    ) + 4
  y = text(card.care, 20, y - 1, { size: 12, colour: MUTED, width: 170 })
  if (card.guaranteeUntil)
    text(`Guarantee until ${card.guaranteeUntil}: come back, we put it right.`, 20, y + 1, {
      size: 13,
      bold: true,
      width: 170,
    })
  const told = [shop.name, contactWords(shop), day].filter(Boolean).join(' · ')
  // Two lines, where a shop's name and address are long.
  text(told, 20, 265, { size: 9.5, colour: MUTED, width: 170 })
  text(card.notice, 20, 274, { size: 10, colour: MUTED, width: 170 })
  return paper.bytes()
}
