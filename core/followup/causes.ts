import { layerSchema, type LayerKind } from '../kinds/layers/all'
import type { Device, FittingRecord } from '../record/schema'
import type { ComplaintPlace } from '../tables/vocabulary'

/** A complaint after wearing, in the words of the follow-up. */
export const AFTER_COMPLAINTS = [
  'archPresses',
  'rollsIn',
  'heelLifts',
  'toesNumb',
  'blackNail',
  'headHurts',
  'heelHurts',
  'slips',
] as const
export type AfterComplaint = (typeof AFTER_COMPLAINTS)[number]

/** The likely cause of a complaint and the smallest change for it. */
export interface Adjustment {
  complaint: AfterComplaint
  words: string
  cause: string
  change: string
  /** places of pain that speak for it */
  at: readonly ComplaintPlace[]
  /** the next version of the device; null where the footwear is what has to change */
  next: ((device: Device) => Device) | null
}

const onLayer = (device: Device, kind: LayerKind): number =>
  device.layers.findIndex((l) => l.kind === kind && l.on)
/** One amount of a layer changed by so much, or the layer added with a start value. */
function stepLayer(
  device: Device,
  kind: LayerKind,
  key: string,
  by: number,
  start: number,
  most: number,
): Device {
  const i = onLayer(device, kind)
  if (i < 0)
    return { ...device, layers: [...device.layers, layerSchema.parse({ kind, [key]: start })] }
  const now = (device.layers[i] as unknown as Record<string, number>)[key] ?? start
  return {
    ...device,
    layers: device.layers.map((l, k) =>
      k === i ? ({ ...l, [key]: Math.min(most, Math.round((now + by) * 10) / 10) } as typeof l) : l,
    ),
  }
}

/**
 * From complaint and place to likely cause and the smallest change (workshop practice; amounts are
 * house defaults).
 */
export const ADJUSTMENTS: readonly Adjustment[] = [
  {
    complaint: 'archPresses',
    words: 'the arch presses',
    cause: 'the device stands higher than the arch bears',
    change: 'lower the arch by 1 mm of fill before the shell is thinned',
    at: ['archPlantar', 'navicular'],
    next: (d) => stepLayer(d, 'archFill', 'amountMm', 1, 1, 6),
  },
  {
    complaint: 'rollsIn',
    words: 'still rolls in',
    cause: 'the tilt under the inner heel is too little for this foot',
    change: '1 mm more of skive before a larger post',
    at: ['medialAnkle', 'knee'],
    next: (d) => stepLayer(d, 'medialSkive', 'depthMm', 1, 2, 6),
  },
  {
    complaint: 'heelLifts',
    words: 'the heel lifts in the boot',
    cause: 'the heel pocket is wider than the heel',
    change: 'heel pocket pads, then a liner of less volume; not a tighter buckle',
    at: ['heelBack', 'achilles'],
    next: null,
  },
  {
    complaint: 'toesNumb',
    words: 'toes go numb',
    cause: 'the instep is held too hard',
    change: 'open the instep: tongue, buckle, boot board',
    at: ['instep'],
    next: null,
  },
  {
    complaint: 'blackNail',
    words: 'a black toenail',
    cause: 'too short, or the heel is loose and the foot slides',
    change: 'look at the length, then at the heel pocket',
    at: ['greatToe', 'lesserToes'],
    next: null,
  },
  {
    complaint: 'headHurts',
    words: 'the second head still hurts',
    cause: 'the pad sits under the head, not behind it',
    change: 'move the pad 3 mm back',
    at: ['secondMetHead', 'thirdMetHead', 'fourthMetHead'],
    next: (d) => stepLayer(d, 'metPad', 'behindHeadsMm', 3, 8, 25),
  },
  {
    complaint: 'heelHurts',
    words: 'under the heel it still hurts',
    cause: 'the sore spot carries as much as before',
    change: 'a hollow of 2 mm under the spot, or 1 mm deeper',
    at: ['heelPlantar'],
    next: (d) => stepLayer(d, 'sweetSpot', 'depthMm', 1, 2, 5),
  },
  {
    complaint: 'slips',
    words: 'the foot slips on it',
    cause: 'the heel cup is too shallow to hold',
    change: '2 mm more of heel cup',
    at: [],
    next: (d) => ({
      ...d,
      outline: { ...d.outline, heelCupMm: Math.min(18, d.outline.heelCupMm + 2) },
    }),
  },
]

/**
 * Adjustments that the pain of a record speaks for: places that hurt at the last visit and have not
 * got better, worst first.
 */
export function likelyAdjustments(
  record: FittingRecord,
  pain: readonly { foot: 'left' | 'right'; at: ComplaintPlace; score: number; verdict: string }[],
): { foot: 'left' | 'right'; adjustment: Adjustment; score: number }[] {
  return [...pain]
    .filter((p) => p.score >= 3 && p.verdict !== 'better')
    .sort((a, b) => b.score - a.score)
    .flatMap((p) =>
      ADJUSTMENTS.filter((a) => a.at.includes(p.at)).map((adjustment) => ({
        foot: p.foot,
        adjustment,
        score: p.score,
      })),
    )
    .filter((x) => record.feet[x.foot] !== undefined)
}
