import { z } from 'zod'
import { heightMm, stored } from './amountRule'
import { atTheHeads } from './behindHeads'
import { dome, padBehind } from './dome'
import { layer, MATERIAL } from './definition'
import { PAD_AMOUNTS, padSchema, padWords } from './padAmounts'

/** Half axes of a nerve pad, mm (house size). */
const AXES_MM = { across: 12, along: 20 } as const
const HEIGHT = heightMm({ fallback: 4, presets: [3, 4, 5], usual: [2, 5] })

/** A slim dome between two shafts, that spreads the heads in front of it. */
export const nerveSpreadPad = layer({
  kind: 'nerveSpreadPad',
  name: 'Nerve spread pad',
  call: 'nerve',
  does: 'spreads two shafts behind their heads',
  plain: 'a small dome that gives the toes room',
  where: 'top · between two shafts',
  child: 'not in a growing foot: it has no adult presets',
  insensate: 'not on a foot that does not feel: lost feeling is looked at first',
  neverInsensate: true,
  phase: 'shape',
  lies: 'on the shell',
  edged: false,
  pushes: false,
  onPlain: false,
  amounts: [HEIGHT, ...PAD_AMOUNTS],
  schema: {
    heightMm: stored(HEIGHT),
    ...padSchema,
    between: z.array(z.number().int().min(1).max(5)).length(2).default([3, 4]),
  },
  choices: [MATERIAL],
  more: (layer) => [`between ${layer.between.join(' and ')}`, ...padWords(layer)],
  sheet: null,
  clashes: [atTheHeads('pad')],
  asked: (layer) => layer.heightMm,
  reach: (field, layer) =>
    padBehind(field, layer.between as [number, number], layer, AXES_MM).reach,
  change: (field, layer) =>
    dome(
      field,
      padBehind(field, layer.between as [number, number], layer, AXES_MM),
      layer.heightMm,
    ),
})
