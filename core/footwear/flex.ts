import { mean } from 'd3-array'
import type { FittingRecord } from '../record/schema'
import { SIDES } from '../record/vocabulary'
import type { FootwearModel } from './catalogueSchema'

/** Points that tie a maker's flex numbers to the shop's own scale of stiffness, 1 soft to 10 stiff: [index, step]. */
export type FlexPoints = Readonly<Record<string, readonly (readonly [number, number])[]>>

/** One thing that moves the advice on stiffness. */
export interface FlexPart {
  words: string
  steps: number
}

export interface FlexAdvice {
  /** on the shop's own scale, 1 to 10 */
  step: number
  parts: FlexPart[]
  missing: string[]
}

const MIDDLE = 5
const ABILITY = { beginner: -2, able: -0.5, strong: 1, expert: 2 } as const
const FORCE = { light: -1, usual: 0, hard: 1 } as const
const LITTLE_ANKLE_DEG = 10

/**
 * Stiffness of the cuff for a client on the shop's own scale of 1 to 10, with what each part adds (house defaults, an estimate): a middle of 5
 * for 75 kg and 1750 mm, 0.8 a 10 kg, 0.3 a 100 mm, ability, force (speed and terrain), little ankle bend, cold.
 *
 * @param cold is it worn in the cold? plastic stiffens there
 */
export function adviseFlex(record: FittingRecord, cold: boolean): FlexAdvice {
  const parts: FlexPart[] = []
  const missing: string[] = []
  const add = (steps: number, words: string) => steps !== 0 && parts.push({ steps, words })
  const { massKg, heightMm } = record.client ?? {}
  if (massKg === undefined) missing.push('body weight')
  else add(((massKg - 75) / 10) * 0.8, `${massKg} kg`)
  if (heightMm === undefined) missing.push('height')
  else add(((heightMm - 1750) / 100) * 0.3, `${heightMm} mm tall`)
  const { ability, force } = record.story ?? {}
  if (ability) add(ABILITY[ability], ability)
  else missing.push('ability')
  if (force) add(FORCE[force], `${force} force`)
  const bends = SIDES.flatMap(
    (side) => mean(record.feet[side]?.findings?.ankleKneeBentDeg ?? []) ?? [],
  )
  if (bends.length === 0) missing.push('ankle range')
  else if (Math.min(...bends) < LITTLE_ANKLE_DEG)
    add(
      -1,
      `ankle bends only ${Math.round(Math.min(...bends))}°: softer, and look at lean and ramp first`,
    )
  if (cold) add(-0.5, 'cold stiffens plastic')
  const step = Math.min(10, Math.max(1, MIDDLE + parts.reduce((sum, p) => sum + p.steps, 0)))
  return {
    step: Math.round(step * 2) / 2,
    parts: parts.map((p) => ({ ...p, steps: Math.round(p.steps * 10) / 10 })),
    missing,
  }
}

/** House line where a maker has no points of its own: index 60 is step 2, 130 step 9 (own assumption). */
const HOUSE_LINE: readonly (readonly [number, number])[] = [
  [60, 2],
  [130, 9],
]

/**
 * A maker's flex number on the shop's own scale. Numbers of two makers cannot be compared; the shop ties each maker's to its own by points.
 *
 * @returns null where the model states no flex; `calibrated` says whether the maker has two points or more
 * @example ownFlexStep(model with index 95, { Tarnwright: [[80, 4], [110, 7]] }) // { step: 5.5, calibrated: true }
 */
export function ownFlexStep(
  model: Pick<FootwearModel, 'maker' | 'flex'>,
  points: FlexPoints,
): { step: number; calibrated: boolean } | null {
  if (!model.flex) return null
  const own = points[model.maker] ?? []
  const calibrated = new Set(own.map(([index]) => index)).size >= 2
  const line = [...(calibrated ? own : HOUSE_LINE)].sort((a, b) => a[0] - b[0])
  const { index } = model.flex
  const k = Math.min(line.length - 2, Math.max(0, line.findIndex((p) => p[0] >= index) - 1))
  const i = index > line.at(-1)![0] ? line.length - 2 : k
  const [x0, y0] = line[i]!
  const [x1, y1] = line[i + 1]!
  return { step: Math.round((y0 + ((index - x0) * (y1 - y0)) / (x1 - x0)) * 10) / 10, calibrated }
}

/** How a model's flex stands to the advice, in words; indices are the maker's own. */
export function flexWords(
  model: Pick<FootwearModel, 'maker' | 'flex'>,
  advice: FlexAdvice,
  points: FlexPoints,
): string {
  const own = ownFlexStep(model, points)
  if (!own) return 'no flex stated'
  const off = own.step - advice.step
  const how =
    Math.abs(off) <= 1 ? 'suits' : off > 0 ? 'stiffer than advised' : 'softer than advised'
  return `flex ${model.flex!.index} by ${model.maker}, step ${own.step} here${own.calibrated ? '' : ' (house line: not calibrated)'}; ${advice.step} advised: ${how}`
}
