import { blankRefusal } from '../device/blanks'
import { isBlankKind } from '../tables/blanks'
import { LAYERS, type LayerKind } from '../kinds/layers/all'
import { mainRule } from '../kinds/layers/amount'
import { POST_PLACES } from '../kinds/posts/all'
import { bestMean } from '../measure/reading'
import type { Device, FittingRecord } from '../record/schema'
import { normsOf } from '../record/tables'
import type { Side } from '../tables/vocabulary'
import { layerNames } from './layerNames'
import { limitsOf, type Figure } from './limits'

/** Something absurd in a prescription, seen from its numbers alone. */
export interface DeviceClash {
  code: string
  about?: string
  kind: 'stop' | 'watch'
  words: string
  triggers: string[]
  figures?: Figure[]
}

const SKIVES = ['medialSkive', 'lateralSkive', 'threePlaneShave']
const PADS = ['metPad', 'nerveSpreadPad']

const has = (device: Device, kinds: readonly string[]) =>
  device.layers.filter((l) => l.on && kinds.includes(l.kind))

/** Clashes of a device's own numbers, with the foot's readings and with the footwear it is for. */
export function deviceClashes(record: FittingRecord, side: Side, device: Device): DeviceClash[] {
  const at = `feet.${side}.device`
  return [
    ...amountsOfNothing(device, at),
    ...twice(device, at),
    ...walls(record, side, device, at),
    ...onBlank(device, at),
  ]
}

/** Is it cut into or added to a cast, and nothing that is glued on or cut afterwards? */
function isOfCast(kind: LayerKind): boolean {
  const { lies, afterwards, sheet, fillsBelowMm } = LAYERS.of(kind)
  return lies === 'cast' && !afterwards && !sheet && !fillsBelowMm
}

/** A device from a blank: which one, and that it has no cast to be cut into. */
function onBlank(device: Device, at: string): DeviceClash[] {
  if (!isBlankKind(device.kind)) return []
  if (blankRefusal(device))
    return [
      {
        code: 'blank-missing',
        kind: 'watch',
        words:
          'It is made from a blank, and which one is not chosen: it is drawn as if it were made to the foot.',
        triggers: [`${at}.blank`],
      },
    ]
  const cut = device.layers.filter((l) => l.on && isOfCast(l.kind))
  const work = [
    ...cut.map((l) => LAYERS.of(l.kind).name),
    ...(device.inverted ? ['Inverted technique'] : []),
    ...(device.balance.pourDeg === 0 ? [] : ['Pour']),
  ]
  if (work.length === 0) return []
  return [
    {
      code: 'cast-work-on-blank',
      kind: 'watch',
      words: `${work.join(', ')}: work on a cast, and a blank has none. Glue it on or post it, or make the device to the foot.`,
      triggers: [`${at}.blank`, `${at}.layers`],
    },
  ]
}

/** Layers that are on and do nothing: their maker would ask. */
const amountsOfNothing = ({ layers }: Device, at: string): DeviceClash[] =>
  layers.flatMap((layer, i) => {
    const rule = mainRule(layer)
    if (!layer.on || (layer as unknown as Record<string, unknown>)[rule.key] !== 0) return []
    const { name } = LAYERS.of(layer.kind)
    return [
      {
        code: 'amount-of-nothing',
        about: layerNames(layers)[i]!,
        kind: 'watch' as const,
        words: `${name}: ${rule.label} 0 does nothing and is on no paper. Give it an amount, or take it off.`,
        triggers: [`${at}.layers.${i}`],
      },
    ]
  })

/** The same push given twice. */
function twice(device: Device, at: string): DeviceClash[] {
  const out: DeviceClash[] = []
  const skives = has(device, SKIVES)
  if (skives.length > 1)
    out.push({
      code: 'skives-doubled',
      kind: 'watch',
      words:
        `${skives.map((l) => LAYERS.of(l.kind).name.toLowerCase()).join(' and ')} ` +
        `cut the same heel: what they raise adds up. Choose one.`,
      triggers: [`${at}.layers`],
    })
  if (has(device, PADS).length > 0 && has(device, ['metBar']).length > 0)
    out.push({
      code: 'pad-on-bar',
      kind: 'watch',
      words: 'A pad on a bar: both lift behind the same heads. Choose one.',
      triggers: [`${at}.layers`],
    })
  for (const place of POST_PLACES) {
    const angles = device.posts.filter((p) => p.at === place && p.angleDeg !== 0)
    if (angles.some((p) => p.angleDeg > 0) && angles.some((p) => p.angleDeg < 0))
      out.push({
        code: 'posts-opposed',
        about: place,
        kind: 'watch',
        words: `Two ${place} posts, one varus and one valgus: they push against each other. Keep one.`,
        triggers: [`${at}.posts`],
      })
  }
  const isVarus = device.posts.some((p) => p.at === 'rearfoot' && p.angleDeg > 0)
  const isValgus = device.posts.some((p) => p.at === 'rearfoot' && p.angleDeg < 0)
  const inner = has(device, ['medialSkive', 'threePlaneShave']).length > 0
  const outer = has(device, ['lateralSkive']).length > 0
  if ((isVarus && outer) || (isValgus && inner))
    out.push({
      code: 'post-against-skive',
      kind: 'watch',
      words:
        `A ${isVarus ? 'varus' : 'valgus'} post and a ${outer ? 'lateral' : 'medial'} ` +
        `skive push the same heel to opposite sides. Keep one.`,
      triggers: [`${at}.posts`, `${at}.layers`],
    })
  const pushes = has(device, ['medialSkive', 'threePlaneShave']).length > 0
  if (device.inverted && pushes)
    out.push({
      code: 'inverted-and-skived',
      kind: 'watch',
      words:
        'The inverted technique and a skive push the same heel. What each is expected to do does not add up.',
      triggers: [`${at}.inverted`, `${at}.layers`],
    })
  return out
}

/** Walls and top lines against what was measured of the foot. */
function walls(
  record: FittingRecord,
  side: Side,
  { outline, layers }: Device,
  at: string,
): DeviceClash[] {
  const norms = normsOf(record)
  const foot = record.feet[side]!
  const out: DeviceClash[] = []
  const raised = (s: number, medial: boolean) =>
    layers.reduce((sum, l) => sum + (l.on ? (LAYERS.of(l.kind).wall?.(s, medial, l) ?? 0) : 0), 0)
  const ANKLE_S = 0.18
  const ARCH_S = 0.4
  for (const medial of [true, false]) {
    const inner = medial ? 'inner' : 'outer'
    const bone = bestMean(
      foot,
      medial ? 'medialMalleolusHeightMm' : 'lateralMalleolusHeightMm',
      'standing',
    )
    const cupMm = outline.heelCupMm + raised(ANKLE_S, medial)
    const ankle = limitsOf('cup-at-ankle', norms)
    if (bone !== undefined && ankle.over('mm', cupMm - bone))
      out.push({
        code: 'cup-at-ankle',
        about: inner,
        kind: 'watch',
        words:
          `The ${inner} wall of the cup stands ${cupMm.toFixed(0)} mm, ` +
          `the ankle bone was measured at ${bone.toFixed(0)}. It would press there.`,
        triggers: [`${at}.outline.heelCupMm`, `feet.${side}.readings`],
        figures: ankle.figures(),
      })
    const top = (medial ? outline.medialTopMm : outline.lateralTopMm) ?? 0
    const wallMm = top + raised(ARCH_S, medial)
    const wall = limitsOf('wall-too-high', norms)
    if (wall.over('mm', wallMm))
      out.push({
        code: 'wall-too-high',
        about: inner,
        kind: 'watch',
        words: `The ${inner} wall beside the arch comes to ${wallMm.toFixed(0)} mm with all that is on it. No footwear closes over that.`,
        triggers: [`${at}.outline`, `${at}.layers`],
        figures: wall.figures(),
      })
  }
  const navicular = bestMean(foot, 'navicularHeightMm', 'standing')
  const topMm = (outline.medialTopMm ?? 0) + raised(ARCH_S, true)
  if (navicular !== undefined && topMm > navicular)
    out.push({
      code: 'top-line-at-navicular',
      kind: 'watch',
      words:
        `The inner top line stands ${topMm.toFixed(0)} mm, ` +
        `the navicular was measured at ${navicular.toFixed(0)}. Its edge would lie on the bone.`,
      triggers: [`${at}.outline.medialTopMm`, `feet.${side}.readings`],
      figures: [{ words: 'navicular', value: topMm, limit: navicular, unit: 'mm' }],
    })
  return out
}
