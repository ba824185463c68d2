import { contactReport } from '../../core/mechanics/contactReport'
import { roundDeep } from '../../core/record/roundDeep'
import { UsageError } from '../arguments'
import { footOf } from '../inputs'
import type { Command } from '../command'

export const contactCommand: Command = {
  usage: 'RECORD --foot left|right [--device NAME] [--load standing|single-limb]',
  files: 1,
  options: ['foot', 'device', 'load'],
  run: (args) => {
    const { record, side } = footOf(args)
    const load = args.options.load ?? 'standing'
    if (load !== 'standing' && load !== 'single-limb')
      throw new UsageError('arch: --load takes standing or single-limb')
    return roundDeep({ foot: side, ...contactReport(record, side, load) })
  },
}
