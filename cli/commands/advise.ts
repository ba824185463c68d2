import { advise } from '../../core/advice/advise'
import { ofOtherDevices } from '../../core/advice/ofOtherDevices'
import { finishedDevices } from '../../core/advice/finishedDevices'
import { recordOf } from '../inputs'
import type { Command } from '../command'

export const adviseCommand: Command = {
  usage: 'RECORD',
  files: 1,
  options: [],
  run: (args) => {
    const record = recordOf(args)
    return { entries: advise(record, [...finishedDevices(record), ...ofOtherDevices(record)]) }
  },
}
