import { getQuery, setResponseHeader } from 'h3'
import Papa from 'papaparse'
import { z } from 'zod'
import { quoteSums } from '../../core/followup/quote'
import { isoDay } from '../../core/record/isoDay'
import { parseWith } from '../../core/record/parse'
import { audit } from '../database/audit'
import { database } from '../database/pool'
import { soldBetween } from '../database/sold'
import { nameFile } from '../http/fileName'
import { route } from '../http/route'

const query = z.object({ from: isoDay, to: isoDay })

/**
 * What was sold in a span of days, for a bookkeeper's program: accepted quotes line by line, money as plain numbers.
 * Clients stand in it by name: an invoice is written to somebody.
 */
export default route({ permission: 'clients.export' }, async ({ event, person }) => {
  const { from, to } = parseWith(query, getQuery(event), 'query')
  const { shopId } = person
  const sold = await soldBetween(database(), shopId, from, to)
  await audit(database(), { shopId, person, action: 'document.sold' })
  setResponseHeader(event, 'content-type', 'text/csv; charset=utf-8')
  nameFile(event, 'attachment', `sold-${from}-${to}.csv`)
  const fields = [
    'accepted',
    'quote',
    'client',
    'name',
    'what',
    'count',
    'each',
    'tax %',
    'prices with tax',
    'currency',
    'quote in all',
  ]
  const data = sold.flatMap(({ quote, code, name }) =>
    quote.lines.map(({ words, count, amount, taxPercent }) => [
      quote.answeredOn ?? quote.on,
      quote.no ?? quote.id,
      code,
      name,
      words,
      String(count),
      amount.toFixed(2),
      String(taxPercent),
      quote.withTax ? 'yes' : 'no',
      quote.currency,
      quoteSums(quote).total.toFixed(2),
    ]),
  )
  return `${Papa.unparse({ fields, data }, { newline: '\n', escapeFormulae: true })}\n`
})
