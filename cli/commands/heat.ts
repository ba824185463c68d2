import { fitHeat } from '../../core/bench/heat/fitHeat'
import { readHeatCsv } from '../../core/bench/heat/heatLog'
import { forecast } from '../../core/bench/heat/predictHeat'
import { roundDeep } from '../../core/record/roundDeep'
import { UsageError } from '../arguments'
import { bytesOf } from '../inputs'
import type { Command } from '../command'

/** A window as LOW-HIGH in °C. */
function windowOf(text: string | undefined): [number, number] | null {
  if (text === undefined) return null
  const found = /^(\d+(?:\.\d+)?)-(\d+(?:\.\d+)?)$/.exec(text)
  if (!found || Number(found[1]) >= Number(found[2]))
    throw new UsageError('arch heat: --window takes LOW-HIGH in °C, as 110-130')
  return [Number(found[1]), Number(found[2])]
}

export const heatCommand: Command = {
  usage: 'LOG.csv [--ambient C] [--window LOW-HIGH]',
  files: 1,
  options: ['ambient', 'window'],
  run: (args) => {
    const ambient = args.options.ambient === undefined ? undefined : Number(args.options.ambient)
    if (ambient !== undefined && !Number.isFinite(ambient))
      throw new UsageError('arch heat: --ambient takes a number in °C')
    const window = windowOf(args.options.window)
    const fit = fitHeat(readHeatCsv(new TextDecoder().decode(bytesOf(args.files[0]!))), {
      ambientC: ambient,
    })
    return roundDeep({ ...fit, ...forecast(fit, window) })
  },
}
