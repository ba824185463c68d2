import { quoteLines, quoteOf, quoteState, quoteSums } from '../../core/followup/quote'
import { isDay } from '../../core/record/isoDay'
import type { Command } from '../command'
import { UsageError } from '../arguments'
import { modelsOf, recordOf, tablesOf } from '../inputs'

export const quoteCommand: Command = {
  usage: 'RECORD [--catalogue FILE] [--tables FILE] [--on YYYY-MM-DD]',
  files: 1,
  options: ['catalogue', 'tables', 'on'],
  run: (args) => {
    const record = recordOf(args)
    const tables = tablesOf(args)
    const on = args.options.on ?? record.visit?.on
    if (on === undefined || !isDay(on))
      throw new UsageError('arch quote: the record has no day; say one, --on YYYY-MM-DD')
    const asked = quoteLines(record, modelsOf(args), tables)
    const quote = quoteOf(asked.lines, tables.prices, { id: 'asked', on })
    const given = record.quotes ?? []
    return {
      on,
      validUntil: quote.validUntil,
      currency: quote.currency,
      lines: asked.lines,
      missing: asked.missing,
      sums: quoteSums(quote),
      given: given.map((q) => ({ id: q.id, answer: q.answer, ...quoteState(q, asked.lines, on) })),
    }
  },
}
