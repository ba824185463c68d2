import { writeFileSync } from 'node:fs'
import { FAULTS, usualFault } from '../../core/capture/standin/faults'
import { standinScan } from '../../core/capture/standin/scan'
import { MESH_FORMATS } from '../../core/formats/mesh/formats/all'
import { UNITS } from '../../core/geometry/units'
import { writeMesh } from '../../core/formats/mesh/writeMesh'
import { normsOf } from '../../core/record/tables'
import { UsageError } from '../arguments'
import { recordOf, sideOf, oneOf, numberOption } from '../inputs'
import type { Command } from '../command'

export const scanCommand: Command = {
  usage:
    'RECORD --foot left|right [--fault CHECK --amount X] [--seed N] [--leg capped|open|sole-only] [--toes separate|joined] [--pose any|standing] [--unit mm|cm|m|in] [--noiseMm N] [--holes N] --out FILE',
  files: 1,
  options: [
    'foot',
    'fault',
    'amount',
    'seed',
    'leg',
    'toes',
    'pose',
    'unit',
    'noiseMm',
    'holes',
    'out',
  ],
  run: (args) => {
    const { options } = args
    const record = recordOf(args)
    const side = sideOf(args, record)
    const format = MESH_FORMATS.find((f) => options.out?.toLowerCase().endsWith(`.${f}`))
    if (options.out === undefined || !format)
      throw new UsageError(
        `arch scan needs --out with a name that ends in ${MESH_FORMATS.map((f) => `.${f}`).join(', ')}`,
      )
    const fault =
      options.fault === undefined ? undefined : oneOf(options, 'fault', FAULTS, FAULTS[0])
    const usual = fault && usualFault(fault, normsOf(record))
    const amount = usual && numberOption(options, 'amount', -60, 60, usual.amount)
    const unit = oneOf(options, 'unit', UNITS, 'mm')
    const mesh = standinScan(record.feet[side]!, side, {
      seed: numberOption(options, 'seed', 0, 4294967295, 1),
      fault,
      amount,
      unit,
      leg: oneOf(options, 'leg', ['capped', 'open', 'sole-only'] as const, 'capped'),
      separateToes: oneOf(options, 'toes', ['separate', 'joined'], 'separate') === 'separate',
      turned: oneOf(options, 'pose', ['any', 'standing'], 'any') === 'any',
      noiseMm: numberOption(options, 'noiseMm', 0, 5, 0.3),
      holes: numberOption(options, 'holes', 0, 50, 0),
      rows: normsOf(record),
    })
    writeFileSync(options.out, writeMesh(format, mesh, `${side} stand-in scan`, unit))
    return {
      format,
      unit,
      side,
      triangles: mesh.triangles.length / 3,
      ...(fault && { fault, amount, amountUnit: usual?.unit }),
    }
  },
}
