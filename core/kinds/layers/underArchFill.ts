import { z } from 'zod'
import { smoothstep as S } from '../../geometry/smoothstep'
import { heightMm, stored } from './amountRule'
import { acrossFoot, noChange } from './field'
import { layer, MATERIAL } from './definition'

/** It fills from and to these shares of the length, and runs in over so much (house sizes). */
const FROM = 0.26
const TO = 0.62
const RUN = 0.04
/** Its sides run in within this share of the half width. */
const WIDE = 0.8
const HEIGHT = heightMm({ fallback: 20, presets: [8, 14, 20], usual: [4, 30] })

/** The hollow under the arch of the shell filled from below, no further than the floor, so that the arch gives less. */
export const underArchFill = layer({
  kind: 'underArchFill',
  name: 'Arch fill under the shell',
  call: 'underfill',
  does: 'fills below the shell, so that its arch gives less',
  plain: 'a firmer arch',
  where: 'below · under the arch',
  child: 'not in a growing foot: it has no adult presets',
  insensate: 'soft: an arch that gives presses less',
  phase: 'shape',
  lies: 'cast',
  edged: false,
  pushes: false,
  onPlain: false,
  amounts: [HEIGHT],
  schema: { heightMm: stored(HEIGHT), material: z.string().min(1).max(40).default('eva-50') },
  choices: [MATERIAL],
  more: (layer) => [layer.material],
  sheet: null,
  clashes: [],
  asked: (layer) => layer.heightMm,
  reach: (field) => acrossFoot(field, FROM, TO),
  change: noChange,
  achieved: (field, layer) => ({
    mm: layer.heightMm,
    xMm: 0,
    yMm: ((FROM + TO) / 2) * field.sole.parameters.lengthMm,
  }),
  fillsBelowMm: (field, layer, i, hollowMm) =>
    Math.min(layer.heightMm, hollowMm) *
    S(field.s[i]!, FROM, FROM + RUN) *
    (1 - S(field.s[i]!, TO - RUN, TO)) *
    (1 - S(field.rho[i]!, WIDE - 0.1, WIDE)),
})
