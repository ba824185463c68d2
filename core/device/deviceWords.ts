import type { Device, Foot } from '../record/schema'
import { bestMean } from '../measure/reading'
import { asLayer } from './layers/definition'
import { LAYER_NAMES } from './layerNames'
import { layerDefinition } from './layers/registry'
import { materialName } from './materials'
import { postHeightMm } from './sizeSense'

const n = (v: number) => Number(v.toFixed(1)).toString()
const KIND_WORDS = { none: 'No device', 'trim-to-fit': 'Trim-to-fit insert', 'heat-moulded': 'Heat-moulded blank', 'full-custom': 'Full custom' } as const

/** The kind of a device as the bench says it. */
export const deviceKindWords = (kind: Device['kind']): string => KIND_WORDS[kind]

/** The prescription of one foot, line by line, for ticket and ledger: shell, cup, layers, posts, lift, cover. */
export function deviceLines(foot: Foot): string[] {
  const { device } = foot
  if (!device || device.kind === 'none') return ['No device for this foot']
  const heel = bestMean(foot, 'heelWidthMm', 'standing')
  const forefoot = bestMean(foot, 'forefootWidthMm', 'standing')
  return [
    `Shell: ${materialName(device.shell.material)}, ${n(device.shell.thicknessMm)} mm`,
    `Heel cup ${n(device.outline.heelCupMm)} mm; front edge ${n(device.outline.distal.behindHeadsMm)} mm behind the met heads`,
    ...(device.castAngleDeg !== 0 ? [`Cast balanced to ${n(device.castAngleDeg)}°`] : []),
    ...device.layers.filter((l) => l.on).map((layer) => {
      const definition = layerDefinition(layer.kind)
      if (!definition) return `${LAYER_NAMES[layer.kind]}: as recorded, not drawn`
      const extra = layer.kind === 'metPad' ? `, front edge ${n(asLayer<'metPad'>(layer).behindHeadsMm)} mm behind the heads` : ''
      return `${definition.name} ${n(definition.asked(layer))} mm${extra}`
    }),
    ...device.posts.filter((p) => p.angleDeg !== 0).map((post) => {
      const width = post.at === 'rearfoot' ? heel : forefoot
      const height = width === undefined ? '' : `, ${n(postHeightMm(post.angleDeg, width))} mm across`
      return `${post.at === 'rearfoot' ? 'Rearfoot' : 'Forefoot'} post ${n(Math.abs(post.angleDeg))}° ${post.angleDeg > 0 ? 'varus' : 'valgus'}, ${post.style}${height}`
    }),
    ...(device.heelLiftMm > 0 ? [`Heel lift ${n(device.heelLiftMm)} mm`] : []),
    device.shell.cover.material === 'none' || device.shell.cover.thicknessMm === 0
      ? 'No cover'
      : `Cover: ${materialName(device.shell.cover.material)}, ${n(device.shell.cover.thicknessMm)} mm, ${{ shell: 'shell only', sulcus: 'to the sulcus', full: 'full length' }[device.outline.cover]}`,
  ]
}
