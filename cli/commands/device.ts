import { modelOf } from '../../core/footwear/brought'
import { mkdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { buildDevice, type BuiltDevice } from '../../core/device/buildDevice'
import { buildPositive } from '../../core/device/positive'
import { deviceReport } from '../../core/advice/deviceReport'
import { parseCatalogue } from '../../core/footwear/catalogueSchema'
import { deviceFiles } from '../../core/formats/deviceFiles'
import { normsOf } from '../../core/record/tables'
import { roundDeep } from '../../core/record/roundDeep'
import { readJson } from '../arguments'
import { footOf } from '../inputs'
import type { Command } from '../command'

/** What is told of a positive: that it is closed, and how high it is. */
function positiveOf({ surface, device }: BuiltDevice) {
  const { report, heightMm } = buildPositive(surface.field, device)
  return { ...report, heightMm }
}

export const deviceCommand: Command = {
  usage: 'RECORD --foot left|right [--device NAME] [--positive] [--catalogue FILE] [--out DIR]',
  files: 1,
  options: ['foot', 'device', 'out', 'catalogue', 'positive?'],
  run: (args) => {
    const { record, side } = footOf(args)
    const built = buildDevice(record.feet[side]!, side, normsOf(record))
    const models =
      args.options.catalogue === undefined
        ? []
        : parseCatalogue(readJson(args.options.catalogue)).models
    const own = deviceReport(
      record,
      side,
      built,
      modelOf(record, models, record.footwear?.chosen?.model),
    )
    const report = {
      ...own,
      ...(args.options.positive && { positive: positiveOf(built) }),
    }
    if (args.options.out === undefined) return roundDeep(report)
    const files = deviceFiles(built, side, record.client?.code ?? 'no client code', normsOf(record))
    mkdirSync(args.options.out, { recursive: true })
    for (const { name, bytes } of files) writeFileSync(join(args.options.out, name), bytes)
    return roundDeep({ ...report, files: files.map(({ name }) => name) })
  },
}
