import { examineRecord } from '../../core/examine/examineRecord'
import { roundDeep } from '../../core/record/roundDeep'
import { answerEach } from '../inputs'
import type { Command } from '../command'

export const examineCommand: Command = {
  usage: 'RECORD|RECORDS.jsonl',
  files: 1,
  options: [],
  run: (args) => answerEach(args, (record) => roundDeep(examineRecord(record))),
}
