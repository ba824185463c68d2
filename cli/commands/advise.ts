import { advise, ledgerOf } from '../../core/advice/advise'
import { ofOtherDevices } from '../../core/advice/ofOtherDevices'
import { finishedDevices } from '../../core/advice/finishedDevices'
import type { FittingRecord } from '../../core/record/schema'
import { answerEach } from '../inputs'
import type { Command } from '../command'

/** What the fitter decided before, and what has become of it: told only where the record has decisions. */
function decidedOf(record: FittingRecord, finished: Parameters<typeof advise>[1]) {
  if (!record.ledger?.length) return {}
  return {
    decided: ledgerOf(record, finished).decided.map(({ decision, entry, standing, isOpen }) => ({
      code: decision.code,
      foot: decision.foot,
      ...(decision.about && { about: decision.about }),
      decision: decision.decision,
      standing,
      open: isOpen,
      words: decision.words ?? null,
      now: entry?.words ?? null,
    })),
  }
}

export const adviseCommand: Command = {
  usage: 'RECORD|RECORDS.jsonl',
  files: 1,
  options: [],
  run: (args) =>
    answerEach(args, (record) => {
      const finished = [...finishedDevices(record), ...ofOtherDevices(record)]
      return { entries: advise(record, finished), ...decidedOf(record, finished) }
    }),
}
