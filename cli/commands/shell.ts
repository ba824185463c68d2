import { solveShellFile } from '../../core/mechanics/plate/modelFile'
import { shellReport } from '../../core/mechanics/plate/shellReport'
import { roundDeep } from '../../core/record/roundDeep'
import { readJson, UsageError } from '../arguments'
import { footOf } from '../inputs'
import type { Command } from '../command'

export const shellCommand: Command = {
  usage: 'RECORD --foot left|right [--device NAME] | --model FILE',
  files: 1,
  options: ['foot', 'device', 'model'],
  optionalFile: 'model',
  run: (args) => {
    if (args.options.model !== undefined) {
      if (args.files.length > 0 || args.options.foot !== undefined)
        throw new UsageError('arch: --model takes one shell file and no record')
      // Not rounded: deflections of a test shell may be millionths.
      return solveShellFile(readJson(args.options.model))
    }
    const { record, side } = footOf(args)
    return roundDeep({ foot: side, ...shellReport(record, side) })
  },
}
