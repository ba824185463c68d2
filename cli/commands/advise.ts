import { advise } from '../../core/advice/advise'
import { recordOf } from '../inputs'
import type { Command } from '../command'

export const adviseCommand: Command = {
  usage: 'RECORD',
  files: 1,
  options: [],
  run: (args) => ({ entries: advise(recordOf(args)) }),
}
