import { z } from 'zod'
import { smoothstep as S } from '../../geometry/smoothstep'
import { stored, thicknessMm } from './amountRule'
import { everyCell } from './field'
import { layer, MATERIAL } from './definition'

const REACHES = ['sulcus', 'toes'] as const
/** It is skived onto the front of the shell over this length behind the heads, mm. */
const ONTO_SHELL_MM = [24, 10] as const
/** In front of the heads it ends so far at the sulcus, mm. */
const SULCUS_MM = [14, 18] as const
const THICKNESS = thicknessMm({ fallback: 3, presets: [2, 3, 4], usual: [1.5, 6] })

/** A sheet in front of the shell, under the whole ball, of its own material. */
export const forefootExtension = layer({
  kind: 'forefootExtension',
  name: 'Forefoot extension',
  call: 'forepad',
  does: 'a sheet of its own under the ball',
  plain: 'a soft sheet under the ball of the foot',
  where: 'forefoot · in front of the shell',
  child: 'soft and thin',
  insensate: 'soft and even, skived onto the shell without a step',
  phase: 'shape',
  lies: 'on the shell',
  edged: false,
  pushes: false,
  onPlain: false,
  amounts: [THICKNESS],
  schema: {
    thicknessMm: stored(THICKNESS),
    material: z.string().min(1).max(40).default('eva-35'),
    reach: z.enum(REACHES).default('toes'),
  },
  choices: [{ key: 'reach', label: 'to the', of: REACHES }, MATERIAL],
  more: (layer) => [`to the ${layer.reach}`],
  sheet: {
    words: 'Forefoot extension',
    material: (layer) => layer.material,
    thicknessMm: (layer) => layer.thicknessMm,
    cut: 'change',
    underBallMm: (layer) => layer.thicknessMm,
    underHeel: false,
  },
  clashes: [],
  asked: (layer) => layer.thicknessMm,
  reach: ({ sole }) => ({
    x: [-90, 90],
    y: [Math.min(...sole.heads.map((h) => h.y)) - ONTO_SHELL_MM[0], sole.parameters.lengthMm + 20],
  }),
  change: (field, layer) => {
    const ends = layer.reach === 'sulcus'
    return everyCell(
      field,
      () => layer.thicknessMm,
      (i, mm) =>
        mm *
        S(field.q[i]!, -ONTO_SHELL_MM[0], -ONTO_SHELL_MM[1]) *
        (ends ? 1 - S(field.q[i]!, ...SULCUS_MM) : 1),
    )
  },
})
