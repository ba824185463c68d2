import { parseCatalogue } from '../../core/footwear/catalogueSchema'
import { matchReport } from '../../core/footwear/matchRecord'
import { roundDeep } from '../../core/record/roundDeep'
import { readJson, UsageError } from '../arguments'
import { recordOf } from '../inputs'
import type { Command } from '../command'

export const matchCommand: Command = {
  usage: 'RECORD --catalogue FILE',
  files: 1,
  options: ['catalogue'],
  run: (args) => {
    if (args.options.catalogue === undefined)
      throw new UsageError('arch match needs --catalogue FILE')
    return roundDeep(
      matchReport(recordOf(args), parseCatalogue(readJson(args.options.catalogue)).models),
    )
  },
}
