import { captureFoot, captureReport, openScan } from '../../core/capture/captureScan'
import { UNITS } from '../../core/geometry/units'
import { readMesh } from '../../core/formats/mesh/readMesh'
import { HOUSE_NORMS, normsOf } from '../../core/record/tables'
import { roundDeep } from '../../core/record/roundDeep'

import { Refusal } from '../../core/record/refusal'
import { readJson, UsageError } from '../arguments'
import { bytesOf, oneOf, recordFrom } from '../inputs'
import type { Command } from '../command'

export const captureCommand: Command = {
  usage: 'SCAN [--record RECORD --foot left|right] [--unit mm|cm|m|in]',
  files: 1,
  options: ['record', 'foot', 'unit'],
  run: ({ files, options }) => {
    const unit = options.unit === undefined ? undefined : oneOf(options, 'unit', UNITS, 'mm')
    const told =
      options.foot === undefined
        ? undefined
        : oneOf(options, 'foot', ['left', 'right'] as const, 'left')
    const record = options.record === undefined ? undefined : recordFrom(readJson(options.record))
    if (record && !told)
      throw new UsageError(
        'arch capture: with --record say which foot, --foot left or --foot right',
      )
    const foot = record && told && record.feet[told]
    if (record && !foot)
      throw new Refusal('no-foot', `feet.${told}: this record has no ${told} foot.`, `feet.${told}`)
    const open = openScan(readMesh(files[0]!, bytesOf(files[0]!)), unit, told)
    // A scan without a record has no table of its own: the house's limits judge it.
    const norms = record ? normsOf(record) : HOUSE_NORMS
    const side = told ?? open.rough.guess.side
    return roundDeep(captureReport(open, captureFoot(open, side, foot, {}, norms)))
  },
}
