import type { Device, FittingRecord } from '../record/schema'
import { SIDES, type Side } from '../record/vocabulary'
import { normsOf } from '../measure/normsTable'
import { bestMean } from '../measure/reading'
import { pushContradiction } from '../mechanics/pushContradiction'
import { deviceRoom } from '../record/setting'
import { asLayer } from './layers/definition'
import { amountOf } from './layers/amount'
import { layerDefinition } from './layers/registry'
import { shellMaterial } from './materials'
import { postAngleDeg } from './surface'

/** Something in a prescription that does not go together, with the foot and what triggers it. */
export interface Contradiction {
  code: string
  kind: 'stop' | 'watch'
  foot: Side | 'both'
  /** which layer or part, where several may have the same code */
  about?: string
  words: string
  triggers: string[]
}

/** Heel cup deeper than this share of the heel's width is not for children. */
const CHILD_CUP_SHARE = 0.4

/** Inside lift above which most heel counters no longer hold, mm (house assumption; a low counter holds less). */
const MOST_LIFT_MM = 8
const lowVolume = (record: FittingRecord) => deviceRoom(record) === 'low'

/** Adds contradictions of a foot to a list, about one of its layers or parts where several may have the same code. */
const adder =
  (out: Contradiction[], foot: Side, about?: string) =>
  (code: string, kind: 'stop' | 'watch', words: string, ...triggers: string[]) =>
    void out.push({ code, kind, foot, ...(about && { about }), words, triggers })

/** Contradictions of one foot's device with itself, the foot and the footwear intent. */
export function deviceContradictions(
  record: FittingRecord,
  side: Side,
  child: boolean,
): Contradiction[] {
  const foot = record.feet[side]
  const device = foot?.device
  if (!foot || !device || device.kind === 'none') return []
  const at = `feet.${side}.device`
  const out: Contradiction[] = []
  const seen = new Map<string, number>()
  device.layers.forEach((layer, i) => {
    // By its kind and which of its kind it is: its place in the list changes when layers are put in another order.
    const nth = (seen.get(layer.kind) ?? 0) + 1
    seen.set(layer.kind, nth)
    if (!layer.on) return
    const path = `${at}.layers.${i}`
    const name = nth > 1 ? `${layer.kind}#${nth}` : layer.kind
    const add = adder(out, side, name)
    if (layer.kind === 'firstRayCutOut' && device.posts.length === 0)
      add(
        'cut-out-without-post',
        'watch',
        'A first-ray cut-out leaves the edge hanging without a post. Add a post, or use the accommodation.',
        path,
      )
    if (
      layer.kind === 'firstRayExtension' &&
      device.layers.some(
        (l) =>
          l.on &&
          (l.kind === 'firstRayCutOut' ||
            l.kind === 'firstRayAccommodation' ||
            (l.kind === 'metHeadRelief' && l.heads.includes(1))),
      )
    )
      add(
        'extension-over-relief',
        'watch',
        'The first ray is let down and raised at once: a relief or cut-out with an extension under the same ray. Choose one.',
        path,
      )
    if (layer.kind === 'medialFlange' && lowVolume(record))
      add(
        'flange-in-low-volume',
        'watch',
        'A medial flange does not go into footwear with little room. A skive holds without bulk.',
        path,
        'story.intent',
      )
    const definition = layerDefinition(layer.kind)
    for (const rule of definition.amounts) {
      const value = amountOf(layer, rule.key, foot.findings?.forefootDeg?.[0] ?? 0)
      const unit = rule.unit === '°' ? '°' : ' mm'
      const [low, high] = normsOf(record).layerUsual[`${layer.kind}.${rule.key}`] ?? rule.usual
      if (value < low || value > high)
        adder(out, side, `${name}.${rule.key}`)(
          'outside-usual',
          'watch',
          `${definition.name}: ${rule.label} ${value}${unit} is outside the usual ${low} to ${high}${unit}.`,
          path,
        )
    }
    if (definition.phase === 'skive' && isInsensate(record, side))
      add(
        'skive-on-insensate',
        'stop',
        `${definition.name} on a heel that may not feel it. No skive or hard edge here; licensed practice only.`,
        path,
        'story.conditions',
      )
    if (layer.kind === 'metPad' && asLayer<'metPad'>(layer).behindHeadsMm < 0)
      add(
        'pad-under-heads',
        'stop',
        'The met pad lies under the heads and would load them. Move it behind them.',
        path,
      )
  })
  out.push(...shellContradictions(record, side, device, child))
  const push = pushContradiction(record, side)
  if (push) adder(out, side)(push.code, 'watch', push.words, `${at}.aimNmm`)
  return out
}

function shellContradictions(
  record: FittingRecord,
  side: Side,
  device: Device,
  child: boolean,
): Contradiction[] {
  const at = `feet.${side}.device`
  const out: Contradiction[] = []
  const add = adder(out, side)
  const material = shellMaterial(device.shell.material, normsOf(record).shellMaterials)
  const { thicknessMm } = device.shell
  if (!material)
    add(
      'unknown-material',
      'watch',
      `Material "${device.shell.material}" is not in the table; mass is left out.`,
      `${at}.shell.material`,
    )
  else if (thicknessMm < material.usualMm[0] || thicknessMm > material.usualMm[1])
    adder(out, side, 'shell')(
      'outside-usual',
      'watch',
      `${material.name} ${thicknessMm} mm is outside its usual ${material.usualMm[0]} to ${material.usualMm[1]} mm.`,
      `${at}.shell.thicknessMm`,
    )
  const snug = record.story?.intent === 'race' || record.story?.intent === 'performance'
  if (material?.rigid && snug && thicknessMm >= 4.5)
    add(
      'rigid-in-snug',
      'watch',
      'A rigid shell in a snug fit: the arch wants some give. Try a thinner shell.',
      `${at}.shell.thicknessMm`,
      'story.intent',
    )
  const extrinsic = postAngleDeg(device, 'rearfoot', 'extrinsic')
  if (extrinsic !== 0 && lowVolume(record))
    add(
      'extrinsic-in-low-volume',
      'watch',
      'An extrinsic post takes room that this footwear does not have. The same angle intrinsically, or a skive, takes none.',
      `${at}.posts`,
      'story.intent',
    )
  if (Math.abs(postAngleDeg(device, 'rearfoot')) > 8)
    add(
      'post-large',
      'watch',
      `${Math.abs(postAngleDeg(device, 'rearfoot'))}° of rearfoot post is more than is usual. Read the angle again first.`,
      `${at}.posts`,
    )
  if (device.heelLiftMm > MOST_LIFT_MM)
    add(
      'lift-over-counter',
      'watch',
      `A heel lift of ${device.heelLiftMm} mm inside lifts the heel out of most counters (${MOST_LIFT_MM} mm). Put the rest on the whole sole.`,
      `${at}.heelLiftMm`,
    )
  const heel = bestMean(record.feet[side]!, 'heelWidthMm', 'standing')
  if (child && heel !== undefined && device.outline.heelCupMm > CHILD_CUP_SHARE * heel)
    add(
      'cup-too-deep',
      'watch',
      `A cup of ${device.outline.heelCupMm} mm is more than 40 % of this heel's width.`,
      `${at}.outline.heelCupMm`,
    )
  return out
}

/** Contradictions between the two feet. */
export function pairContradictions(record: FittingRecord): Contradiction[] {
  const made = (side: Side) =>
    record.feet[side]?.device !== undefined && record.feet[side]!.device!.kind !== 'none'
  const [corrected, bare] =
    made('left') && !made('right')
      ? (['left', 'right'] as const)
      : made('right') && !made('left')
        ? (['right', 'left'] as const)
        : [null, null]
  if (!corrected || !bare || !record.feet[bare]) return []
  const words = `The ${corrected} foot gets a device, the ${bare} foot none. Give the ${bare} one a neutral blank, so that both stand alike.`
  return [
    {
      code: 'one-foot-bare',
      kind: 'watch',
      foot: bare,
      words,
      triggers: [`feet.${corrected}.device`],
    },
  ]
}

/** May this foot have lost protective feeling? Neuropathy recorded, a point not felt, or diabetes without a full screen. */
export function isInsensate(record: FittingRecord, side: Side): boolean {
  const conditions = record.story?.conditions ?? []
  const felt = record.feet[side]?.findings?.sensationFelt
  return (
    conditions.includes('neuropathy') ||
    (felt !== undefined && felt < 10) ||
    (conditions.includes('diabetes') && felt !== 10)
  )
}

/** All contradictions of a record. */
export const contradictionsOf = (record: FittingRecord, child: boolean): Contradiction[] => [
  ...SIDES.flatMap((side) => deviceContradictions(record, side, child)),
  ...pairContradictions(record),
]
