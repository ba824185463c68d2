import { z } from 'zod'
import { stored, type AmountRule } from './amountRule'
import { BEHIND_HEADS } from './behindHeads'

const SIZE: AmountRule = {
  key: 'sizePercent',
  label: 'size',
  unit: '%',
  step: 10,
  fallback: 100,
  presets: [80, 100, 120],
  usual: [70, 130],
  range: [40, 200],
}
const SIDEWAYS: AmountRule = {
  key: 'medialMm',
  label: 'sideways, + medial',
  unit: 'mm',
  step: 1,
  fallback: 0,
  presets: [],
  usual: [-10, 10],
  range: [-40, 40],
}

/** Where a pad lies and how big it is: behind the heads, sideways, in proportion to the foot. */
export const PAD_AMOUNTS = [BEHIND_HEADS, SIZE, SIDEWAYS] as const

/** The same as the record keeps it, with what the pad is made of. */
export const padSchema = {
  behindHeadsMm: stored(BEHIND_HEADS),
  sizePercent: stored(SIZE),
  medialMm: stored(SIDEWAYS),
  material: z.string().min(1).max(40).optional(),
  /** of its foam, Shore A */
  shoreA: z.number().min(10).max(80).optional(),
}

/** What the sheet says of a pad beside its numbers. */
export const padWords = (pad: { material?: string | undefined; shoreA?: number | undefined }) => [
  ...(pad.material ? [pad.material] : []),
  ...(pad.shoreA ? [`Shore A ${pad.shoreA}`] : []),
]
