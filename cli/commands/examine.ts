import { examineRecord } from '../../core/examine/examineRecord'
import { roundDeep } from '../../core/record/roundDeep'
import { recordOf } from '../inputs'
import type { Command } from '../command'

export const examineCommand: Command = {
  usage: 'RECORD',
  files: 1,
  options: [],
  run: (args) => {
    const record = recordOf(args)
    return roundDeep(examineRecord(record))
  },
}
