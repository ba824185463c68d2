import { z } from 'zod'
import { amountMm, storedIfTyped } from './amountRule'
import { acrossFoot } from './field'
import { archFillChange } from './softTissue'
import { layer } from './definition'

const LEVEL_MM = { minimum: 0.5, standard: 2.5, full: 4.5 } as const
const AMOUNT = amountMm({
  fallback: LEVEL_MM.standard,
  presets: [LEVEL_MM.minimum, LEVEL_MM.standard, LEVEL_MM.full],
  usual: [0, 5],
})

/**
 * Amount of an arch fill: typed, else by its level, else standard.
 *
 * For instance `archFillMm({ level: 'full' })` is 4.5
 */
const archFillMm = (fill: {
  amountMm?: number | undefined
  level?: keyof typeof LEVEL_MM | undefined
}): number => fill.amountMm ?? LEVEL_MM[fill.level ?? 'standard']

/** Lowers the medial arch so that soft tissue has room. */
export const archFill = layer({
  kind: 'archFill',
  name: 'Arch fill',
  call: 'fill',
  does: 'lowers the arch crest',
  plain: 'a softer, lower arch',
  where: 'cast · medial arch',
  child: 'a growing arch is left as it is: fill it fully',
  insensate: 'a lower arch presses less: fill it fully',
  phase: 'shape',
  lies: 'cast',
  edged: false,
  pushes: false,
  onPlain: true,
  amounts: [AMOUNT],
  schema: {
    amountMm: storedIfTyped(AMOUNT),
    level: z.enum(['minimum', 'standard', 'full']).optional(),
  },
  main: (layer) => archFillMm(layer),
  more: () => [],
  sheet: null,
  clashes: [],
  asked: (layer) => archFillMm(layer),
  reach: (field) => acrossFoot(field, 0.2, 0.66),
  change: (field, layer) => archFillChange(field, archFillMm(layer)),
})
