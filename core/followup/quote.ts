import { isBrought, modelOf } from '../footwear/brought'
import type { z } from 'zod'
import type { FootwearModel } from '../footwear/catalogueSchema'
import { sizeWords } from '../footwear/match'
import { openRound, roundWords } from '../bench/rounds'
import { DEVICE_NAMES } from './deviceNames'
import { addDays } from '../record/isoDay'
import type { ShopTables } from '../record/tables'
import type { FittingRecord } from '../record/schema'
import { SIDES } from '../tables/vocabulary'
import type { quoteLineSchema, Quote } from '../record/quoteSchema'

type Line = z.output<typeof quoteLineSchema>

/**
 * Sums of a quote, money to the cent: what the lines come to without tax, tax by rate, and in all.
 */
export interface QuoteSums {
  net: number
  tax: { percent: number; amount: number }[]
  total: number
}

const cent = (v: number) => Math.round((v + Number.EPSILON) * 100) / 100

/**
 * Lines of a quote as the record asks for them by the shop's price list: footwear bought, devices
 * (one foot is half a pair), decided work on the chosen shells, processes added, the visits under
 * guarantee at no charge. What has no price stands there with a question, not with zero.
 *
 * @param isKnown the client has been here before: a first visit is charged once
 * @returns lines, and what could not be priced
 */
export function quoteLines(
  record: FittingRecord,
  models: readonly FootwearModel[],
  { prices: table, processes }: Pick<ShopTables, 'prices' | 'processes'>,
  { isKnown = false }: { isKnown?: boolean } = {},
): { lines: Line[]; missing: string[] } {
  const lines: Line[] = []
  const missing: string[] = []
  const find = (kind: string, of: string) =>
    table.prices.find((p) => p.kind === kind && p.of === of)
  const add = (
    words: string,
    count: number,
    price: { amount: number; taxPercent?: number } | undefined,
  ) => {
    if (!price) return void missing.push(words)
    lines.push({
      words,
      count,
      amount: price.amount,
      taxPercent: price.taxPercent ?? table.taxPercent,
    })
  }
  const round = openRound(record.rounds)
  if (round) {
    const words = roundWords(round).slice(0, 160)
    const price = find('round', round.kind)
    // Of a round only what it is itself; what is not the client's to pay is said with no charge.
    if (round.terms === 'paid') add(price?.name ?? words, 1, price)
    else add(words, 1, { amount: 0 })
    return { lines, missing }
  }
  const first = find('visit', 'first')
  if (first && !isKnown) add(first.name, 1, first)
  const pairs = [record.footwear?.chosen, ...(record.footwear?.moreChosen ?? [])].flatMap((c) =>
    c ? [c] : [],
  )
  for (const chosen of pairs) {
    const model = modelOf(record, models, chosen.model)
    // What the client brought is worked on, not sold.
    if (!model || isBrought(model.id)) continue
    const sizes = [
      ...new Set([chosen.sizeLeftMm, chosen.sizeRightMm].filter((s) => s !== undefined)),
    ]
    const sized = sizes.map((s) => sizeWords(s)).join(' and ')
    add(
      `${model.maker} ${model.name}${sized ? `, ${sized}` : ''}`,
      // Two sizes are two pairs off the shelf.
      Math.max(1, sizes.length),
      model.price > 0 ? { amount: model.price } : undefined,
    )
  }
  const kinds = SIDES.map((s) => record.feet[s]?.device?.kind).filter(
    (k): k is Exclude<typeof k, undefined | 'none'> => k !== undefined && k !== 'none',
  )
  for (const kind of new Set(kinds)) {
    const feet = kinds.filter((k) => k === kind).length
    const price = find('device', kind)
    if (feet === 2) add(price?.name ?? `${DEVICE_NAMES[kind]}s, a pair`, 1, price)
    else
      add(
        `${DEVICE_NAMES[kind]}, one foot`,
        1,
        price && { ...price, amount: cent(price.amount / 2) },
      )
  }
  const layers = SIDES.flatMap((side) =>
    (record.feet[side]?.device?.layers ?? []).filter(({ on }) => on).map(({ kind }) => kind),
  )
  for (const kind of new Set(layers)) {
    // A layer without a price of its own is in that of its device.
    const price = find('layer', kind)
    if (price) add(price.name, layers.filter((k) => k === kind).length, price)
  }
  const planned = pairs.flatMap((c) =>
    c.work.filter((w) => w.model === c.model && w.state !== 'dropped'),
  )
  for (const does of new Set(planned.map((w) => w.does))) {
    const price = find('work', does) ?? find('work', 'other')
    const count = planned.filter((w) => w.does === does).length
    add(
      price && price.of !== 'other' ? price.name : `${does[0]!.toUpperCase()}${does.slice(1)}`,
      count,
      price,
    )
  }
  for (const id of record.making?.extra ?? [])
    add(
      find('other', id)?.name ?? processes.find((p) => p.id === id)?.name ?? id,
      1,
      find('other', id),
    )
  if (table.visitsUnderGuarantee > 0 && kinds.length > 0)
    lines.push({
      words: `Visits for adjustment under guarantee, within ${table.guaranteeMonths} months`,
      count: table.visitsUnderGuarantee,
      amount: 0,
      taxPercent: table.taxPercent,
    })
  return { lines, missing }
}

/**
 * What a quote comes to. Tax is reckoned once a rate on the sum of its lines, so that the parts add
 * up to the whole.
 *
 * @example quoteSums({ withTax: true, lines: [{ words: 'x', count: 1, amount: 120, taxPercent: 20
 *   }] }) // { net: 100, tax: [{ percent: 20, amount: 20 }], total: 120 }
 */
export function quoteSums({ lines, withTax }: Pick<Quote, 'lines' | 'withTax'>): QuoteSums {
  const rates = [...new Set(lines.map((l) => l.taxPercent))].sort((a, b) => a - b)
  const sums = rates.map((percent) => {
    const sum = cent(
      lines
        .filter((l) => l.taxPercent === percent)
        .reduce((s, l) => s + cent(l.count * l.amount), 0),
    )
    const amount = withTax ? cent(sum - sum / (1 + percent / 100)) : cent((sum * percent) / 100)
    return { percent, amount, net: withTax ? cent(sum - amount) : sum }
  })
  const net = cent(sums.reduce((s, r) => s + r.net, 0))
  const tax = sums.map(({ percent, amount }) => ({ percent, amount }))
  return { net, tax, total: cent(net + tax.reduce((s, t) => s + t.amount, 0)) }
}

/** Money as it is read. @example money(1234.5, '€') // '1,234.50 €' */
export const money = (amount: number, currency: string): string =>
  `${amount.toFixed(2).replace(/\B(?=(\d{3})+(?!\d))/g, ',')} ${currency}`

/** Lines whose words, count or price differ between two quotes: what the client has changed. */
export function quoteChanges(before: readonly Line[], after: readonly Line[]): string[] {
  const say = (l: Line) => `${l.count} × ${l.words} at ${l.amount}`
  const [old, next] = [before.map(say), after.map(say)]
  return [
    ...old.filter((l) => !next.includes(l)).map((l) => `out: ${l}`),
    ...next.filter((l) => !old.includes(l)).map((l) => `in: ${l}`),
  ]
}

/** What a quote is made of beside its lines. */
interface QuoteHead {
  id: string
  /** the day it is given */
  on: string
  by?: string | undefined
}

/** A quote as it is given to the client: its lines under the terms of the price list of that day. */
export const quoteOf = (
  lines: readonly Line[],
  { validDays, currency, withTax, guaranteeMonths, depositPercent }: ShopTables['prices'],
  { id, on, by }: QuoteHead,
): Quote => ({
  id,
  on,
  validUntil: addDays(on, validDays),
  currency,
  withTax,
  guaranteeMonths,
  lines: lines.map((line) => ({ ...line })),
  answer: 'open',
  ...(depositPercent > 0 && {
    deposit: cent((quoteSums({ lines: [...lines], withTax }).total * depositPercent) / 100),
  }),
  ...(by && { by }),
})

/** Quotes with a further one: those that were still open are told as changed by it. */
export const withQuote = (given: readonly Quote[], next: Quote): Quote[] => [
  ...given.map((quote) =>
    quote.answer === 'open' ? { ...quote, answer: 'changed' as const, answeredOn: next.on } : quote,
  ),
  next,
]

/** How a quote stands on a day. */
export interface QuoteState {
  /** its last day is over and nobody has answered */
  isOver: boolean
  /** what is to be made is no longer what was quoted, line by line */
  changed: string[]
}

/**
 * Does a quote still hold on a day? One that was declined is held against nothing; lines at no
 * charge change nothing.
 *
 * @param asked what the record asks for by the price list of that day
 */
export function quoteState(quote: Quote, asked: readonly Line[], today: string): QuoteState {
  const charged = (lines: readonly Line[]) => lines.filter((line) => line.amount !== 0)
  return {
    isOver: quote.answer === 'open' && quote.validUntil < today,
    changed: quote.answer === 'declined' ? [] : quoteChanges(charged(quote.lines), charged(asked)),
  }
}
