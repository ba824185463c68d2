import { LAYERS } from '../../core/kinds/layers/all'
import { plainDevice, soleFieldOf } from '../../core/device/buildDevice'
import { MARGIN_X_MM, MARGIN_Y_MM } from '../../core/device/soleField'
import { buildSurface } from '../../core/device/surface'
import { normsOf } from '../../core/record/tables'
import { Refusal } from '../../core/record/refusal'
import { UsageError } from '../arguments'
import { footOf } from '../inputs'
import type { Command } from '../command'

/**
 * The grid as printed: first column at x = −60 (or further out for a wide foot), first row at the
 * heel; null outside the plan.
 */
function cropped(field: ReturnType<typeof soleFieldOf>['field'], z: Float64Array) {
  const skipX = Math.round(MARGIN_X_MM / field.stepMm)
  const skipY = Math.round(MARGIN_Y_MM / field.stepMm)
  const columns = field.columns - 2 * skipX
  const rows = Math.ceil(field.sole.parameters.lengthMm / field.stepMm)
  const zMm = Array.from({ length: rows }, (_, r) =>
    Array.from({ length: columns }, (_, c) => {
      const i = (r + skipY) * field.columns + c + skipX
      return field.mask[i] ? Math.round(z[i]! * 1e6) / 1e6 : null
    }),
  )
  return {
    x0: field.x0 + skipX * field.stepMm,
    y0: field.y0 + skipY * field.stepMm,
    stepMm: field.stepMm,
    columns,
    rows,
    zMm,
  }
}

export const surfaceCommand: Command = {
  usage: 'RECORD --foot left|right [--device NAME] [--layer KIND] [--stepMm N]',
  files: 1,
  options: ['foot', 'device', 'layer', 'stepMm'],
  run: (args) => {
    const { record, side } = footOf(args)
    const foot = record.feet[side]!
    const step = Number(args.options.stepMm ?? 1)
    if (![1, 2, 4].includes(step)) throw new UsageError('arch: --stepMm takes 1, 2 or 4')
    const built = buildSurface(
      soleFieldOf(foot, side, normsOf(record), step).field,
      foot.device ?? plainDevice(),
    )
    let z = built.top
    if (args.options.layer !== undefined) {
      if (!LAYERS.all.some((d) => d.kind === args.options.layer))
        throw new Refusal(
          'unknown-layer',
          `There is no layer "${args.options.layer}" among the kinds of the record.`,
          'layer',
        )
      const layers = built.layers.filter((l) => l.kind === args.options.layer)
      if (layers.length === 0)
        throw new Refusal(
          'no-layer',
          `feet.${side}.device.layers: there is no ${args.options.layer} that is on.`,
          `feet.${side}.device.layers`,
        )
      z = new Float64Array(z.length)
      for (const layer of layers) for (let i = 0; i < z.length; i++) z[i]! += layer.change[i]!
    }
    return cropped(built.field, z)
  },
}
