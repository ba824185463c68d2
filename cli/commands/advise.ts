import { advise } from '../../core/advice/advise'
import { ofOtherDevices } from '../../core/advice/ofOtherDevices'
import { finishedDevices } from '../../core/advice/finishedDevices'
import { answerEach } from '../inputs'
import type { Command } from '../command'

export const adviseCommand: Command = {
  usage: 'RECORD|RECORDS.jsonl',
  files: 1,
  options: [],
  run: (args) =>
    answerEach(args, (record) => ({
      entries: advise(record, [...finishedDevices(record), ...ofOtherDevices(record)]),
    })),
}
