import type { Quote } from '../../core/record/schema'
import type { PartContent } from '../../core/record/parts'
import { partContent } from './storedParts'
import type { Client } from './pool'

/** A quote that was accepted, and by whom. */
export interface Sold {
  quote: Quote
  code: string
  name: string
}

/** Quotes that were accepted in a span of days, by day and number. */
export async function soldBetween(
  db: Client,
  shopId: string,
  from: string,
  to: string,
): Promise<Sold[]> {
  const { rows } = await db.query(
    `select c.code, c.name, p.content, p.record_version
     from fitting_parts p join fittings f on f.id = p.fitting_id join clients c on c.id = f.client_id
     where f.shop_id = $1 and p.part = 'quotes' and p.content @> '[{"answer": "accepted"}]'`,
    [shopId],
  )
  return rows
    .flatMap(({ code, name, content, record_version }) =>
      (partContent('quotes', content, record_version) as PartContent<'quotes'>).map((quote) => ({
        quote,
        code,
        name,
      })),
    )
    .filter(({ quote }) => {
      const on = quote.answeredOn ?? quote.on
      return quote.answer === 'accepted' && from <= on && on <= to
    })
    .sort((a, b) => keyOf(a).localeCompare(keyOf(b)))
}
const keyOf = ({ quote }: Sold) => `${quote.answeredOn ?? quote.on} ${quote.no ?? ''} ${quote.id}`
