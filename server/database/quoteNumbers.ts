import type { Quote } from '../../core/record/schema'
import type { Client } from './pool'

type Given = Partial<Quote>[]

/**
 * Quotes with their numbers: those that have one keep it, a new one gets the shop's next. A number is given by the
 * shop alone: what a caller says of it counts for nothing.
 *
 * @param before as they are kept
 */
export async function numbered(
  db: Client,
  shopId: string,
  before: readonly Quote[],
  content: unknown,
): Promise<unknown> {
  if (!Array.isArray(content)) return content
  const known = new Map(before.map((quote) => [quote.id, quote.no]))
  const out: Given = []
  for (const quote of content as Given) {
    if (typeof quote !== 'object' || quote === null) return content
    const no = known.has(quote.id ?? '')
      ? known.get(quote.id!)
      : await nextNumber(db, shopId, quote)
    const { no: _, ...told } = quote
    out.push({ ...told, ...(no && { no }) })
  }
  return out
}

/** The shop's next number; two who ask at once get two. */
async function nextNumber(db: Client, shopId: string, { on }: Partial<Quote>): Promise<string> {
  const { rows } = await db.query(
    'update shops set last_quote_no = last_quote_no + 1 where id = $1 returning last_quote_no',
    [shopId],
  )
  return `${String(on ?? '').slice(0, 4)}-${String(rows[0].last_quote_no).padStart(4, '0')}`
}
