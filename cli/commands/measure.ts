import { measureRecord } from '../../core/measure/measureRecord'
import { normsOf } from '../../core/record/tables'
import { roundDeep } from '../../core/record/roundDeep'
import type { FittingRecord } from '../../core/record/schema'
import { answerEach } from '../inputs'
import { UsageError, type Arguments } from '../arguments'
import type { Command } from '../command'

/** Allowance told on the command line, else the record's own for the family of footwear. */
function allowanceOf({ options }: Arguments): (record: FittingRecord) => number {
  if (options.allowanceMm !== undefined) {
    const value = Number(options.allowanceMm)
    if (!Number.isFinite(value) || value < 0 || value > 40)
      throw new UsageError('arch: --allowanceMm takes 0 to 40')
    return () => value
  }
  const family = options.family ?? 'boots'
  if (family !== 'boots' && family !== 'shoes')
    throw new UsageError('arch: --family takes boots or shoes')
  return (record) => normsOf(record).allowanceMm[family]
}

export const measureCommand: Command = {
  usage: 'RECORD|RECORDS.jsonl [--family boots|shoes] [--allowanceMm N]',
  files: 1,
  options: ['family', 'allowanceMm'],
  run: (args) => {
    const allowance = allowanceOf(args)
    return answerEach(args, (record) => roundDeep(measureRecord(record, allowance(record))))
  },
}
