import type { FittingRecord } from '../record/schema'
import { activityTold } from '../record/storyActivity'
import { normsOf, type Norms } from '../record/tables'
import { cuffParts, leastBendDeg, toTenths, told, withParts, type CuffPart } from './cuffParts'
import type { FootwearModel } from './catalogueSchema'

/** The rows that tie makers' flex numbers to the shop's own scale of stiffness, 1 soft to 10 stiff. */
export type FlexRows = Pick<Norms, 'flexPoints' | 'flexAdvice'>

export interface FlexAdvice {
  /** on the shop's own scale, 1 to 10 */
  step: number
  /** steps that each part adds */
  parts: CuffPart[]
  missing: string[]
}

/**
 * Stiffness of the cuff for a client on the shop's own scale of 1 to 10, with what each part adds
 * (an estimate, by the rows of the table): a middle for a usual weight and height, and what more of
 * either, ability, force, ground, little ankle bend and cold add.
 */
export function adviseFlex(record: FittingRecord): FlexAdvice {
  const { flexAdvice: by } = normsOf(record)
  const { massKg } = record.client ?? {}
  const { parts: usual, missing } = cuffParts(record, by, (ground) => ground.steps)
  const bendDeg = leastBendDeg(record)
  const isStiffAnkle = bendDeg !== undefined && bendDeg < by.littleAnkleDeg
  const parts = [
    ...told([[`${massKg} kg`, massKg && ((massKg - by.atKg) / 10) * by.perTenKg]]),
    ...usual,
    ...told([
      [
        `ankle bends only ${Math.round(bendDeg ?? 0)}°: softer, and look at lean and ramp first`,
        isStiffAnkle ? by.littleAnkle : undefined,
      ],
      ['cold stiffens plastic', activityTold(record.story)?.cold ? by.cold : undefined],
    ]),
  ]
  const step = Math.min(10, Math.max(1, withParts(by.middle, parts)))
  return {
    step: Math.round(step * 2) / 2,
    parts: toTenths(parts),
    missing: [
      ...(massKg === undefined ? ['body weight'] : []),
      ...missing,
      ...(bendDeg === undefined ? ['ankle range'] : []),
    ],
  }
}

/**
 * A maker's flex number on the shop's own scale. Numbers of two makers cannot be compared; the shop
 * ties each maker's to its own by points; a maker without any goes by the house's line.
 *
 * @returns null where the model states no flex; `calibrated` says whether the maker has two points
 *   or more
 * For instance `ownFlexStep(model with index 95, { ...HOUSE_NORMS, flexPoints: { Tarnwright: [[80, 4], [110,
 *   7]] } })` is { step: 5.5, calibrated: true }
 */
export function ownFlexStep(
  model: Pick<FootwearModel, 'maker' | 'flex'>,
  { flexPoints, flexAdvice }: FlexRows,
): { step: number; calibrated: boolean } | null {
  if (!model.flex) return null
  const own = flexPoints[model.maker] ?? []
  const calibrated = new Set(own.map(([index]) => index)).size >= 2
  const line = [...(calibrated ? own : flexAdvice.line)].sort((a, b) => a[0] - b[0])
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
  rows: FlexRows,
): string {
  const own = ownFlexStep(model, rows)
  if (!own) return 'no flex stated'
  const off = own.step - advice.step
  const how =
    Math.abs(off) <= 1 ? 'suits' : off > 0 ? 'stiffer than advised' : 'softer than advised'
  return `flex ${model.flex!.index} by ${model.maker}, step ${own.step} here${own.calibrated ? '' : ' (house line: not calibrated)'}; ${advice.step} advised: ${how}`
}
