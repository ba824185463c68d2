import type { Device, Foot } from '../record/schema'
import { bestMean } from '../measure/reading'
import type { Layer } from '../record/layerSchema'
import { amountOf } from './layers/amount'
import { layerDefinition } from './layers/registry'
import { soleParameters } from './soleParameters'
import { materialName } from './materials'
import { isStabilised } from './shell'
import { postHeightMm } from './sizeSense'

const n = (v: number) => Number(v.toFixed(1)).toString()
const KIND_WORDS = {
  none: 'No device',
  'trim-to-fit': 'Trim-to-fit insert',
  'heat-moulded': 'Heat-moulded blank',
  'full-custom': 'Full custom',
} as const

const REACH_WORDS = { shell: 'shell only', sulcus: 'to the sulcus', full: 'full length' } as const

const gradedWords = ({ shell: { graded, thicknessMm } }: Device) =>
  graded
    ? ` (heel ${n(graded.heelMm ?? thicknessMm)}, arch ${n(graded.archMm ?? thicknessMm)}, front ${n(graded.frontMm ?? thicknessMm)})`
    : ''

/** The kind of a device as the bench says it. */
export const deviceKindWords = (kind: Device['kind']): string => KIND_WORDS[kind]

/** A layer with all its numbers, as the bench reads it. @example layerWords(metPad) // 'Met pad: height 4 mm, behind the heads 8 mm' */
export function layerWords(layer: Layer, forefootDeg = 0): string {
  const definition = layerDefinition(layer.kind)
  const numbers = definition.amounts.map(
    (rule) =>
      `${rule.label} ${n(amountOf(layer, rule.key, forefootDeg))}${rule.unit === '°' ? '°' : ' mm'}`,
  )
  const more = [
    ...('heads' in layer ? [`heads ${layer.heads.join(', ')}`] : []),
    ...('between' in layer ? [`between ${layer.between.join(' and ')}`] : []),
    ...('through' in layer ? [layer.through ? 'cut through' : 'a pocket'] : []),
    ...('rigid' in layer ? [layer.rigid ? 'rigid' : 'flexible'] : []),
  ]
  return `${layer.name ?? definition.name}: ${[...numbers, ...more].join(', ')}`
}

/** Where the trim line was moved by hand. @example pointWords([{ edge: 'medial', s: 0.4, mm: 3 }]) // 'inner at 40 % +3 mm' */
export const pointWords = (points: Device['outline']['points']): string =>
  (points ?? [])
    .filter((p) => p.mm !== 0)
    .map(
      (p) =>
        `${p.edge === 'medial' ? 'inner' : 'outer'} at ${Math.round(100 * p.s)} % ${p.mm > 0 ? '+' : '−'}${n(Math.abs(p.mm))} mm`,
    )
    .join(', ')

/** The prescription of one foot, line by line, for ticket and ledger: shell, cup, layers, posts, lift, cover. */
export function deviceLines(foot: Foot): string[] {
  const { device } = foot
  if (!device || device.kind === 'none') return ['No device for this foot']
  const forefootDeg = soleParameters(foot)?.parameters.forefootDeg ?? 0
  const heel = bestMean(foot, 'heelWidthMm', 'standing')
  const forefoot = bestMean(foot, 'forefootWidthMm', 'standing')
  return [
    `Shell: ${materialName(device.shell.material)}, ${n(device.shell.thicknessMm)} mm${gradedWords(device)}`,
    `Heel cup ${n(device.outline.heelCupMm)} mm; front edge ${n(device.outline.distal.behindHeadsMm)} mm behind the met heads`,
    ...(pointWords(device.outline.points)
      ? [`Trim line moved: ${pointWords(device.outline.points)}`]
      : []),
    ...(device.castAngleDeg !== 0 ? [`Cast balanced to ${n(device.castAngleDeg)}°`] : []),
    ...device.layers.filter((l) => l.on).map((layer) => layerWords(layer, forefootDeg)),
    ...device.posts
      .filter((p) => p.angleDeg !== 0)
      .map((post) => {
        const width = post.at === 'rearfoot' ? heel : forefoot
        const height =
          width === undefined ? '' : `, ${n(postHeightMm(post.angleDeg, width))} mm across`
        return `${post.at === 'rearfoot' ? 'Rearfoot' : 'Forefoot'} post ${n(Math.abs(post.angleDeg))}° ${post.angleDeg > 0 ? 'varus' : 'valgus'}, ${post.style}${height}${post.lengthMm ? `, ${n(post.lengthMm)} mm long` : ''}${post.motionDeg ? `, ${n(post.motionDeg)}° of motion` : ''}`
      }),
    ...(device.heelLiftMm > 0
      ? [
          `Heel lift ${n(device.heelLiftMm)} mm${device.liftTaperMm ? `, run out over ${n(device.liftTaperMm)} mm` : ''}`,
        ]
      : []),
    ...(isStabilised(device) ? ['Underside of the heel flat, so that it does not rock'] : []),
    ...(device.shell.base && device.shell.base.thicknessMm > 0
      ? [
          `Base: ${materialName(device.shell.base.material)}, ${n(device.shell.base.thicknessMm)} mm, ${REACH_WORDS[device.shell.base.reach]}`,
        ]
      : []),
    device.shell.cover.material === 'none' || device.shell.cover.thicknessMm === 0
      ? 'No cover'
      : `Cover: ${materialName(device.shell.cover.material)}, ${n(device.shell.cover.thicknessMm)} mm, ${REACH_WORDS[device.outline.cover]}`,
  ]
}
