import { LAYERS, layerSchema } from '../kinds/layers/all'
import type { Norms } from '../record/tables'
import type { Device } from '../record/schema'
import type { DevicePart } from './layerEffects'

/**
 * One amount that can be looked for backwards: the device that has it, where its number stands, and
 * how far it may go.
 */
export interface AmountCandidate {
  id: string
  name: string
  unit: 'mm' | '°'
  device: Device
  part: DevicePart
  key: string
  /** as it is now; 0 for what would be added */
  now: number
  most: number
  usualMost: number
  step: number
  /** a post may tilt either way, a layer has no less than nothing */
  bothWays: boolean
}

/** Layers that push about the subtalar axis: they are offered even where the device has none. */
const PUSHING = LAYERS.all.filter((d) => d.pushes).map((d) => d.kind)
const BEYOND_USUAL = 1.5
/** More of a rearfoot post than this is unusual, degrees. */
const USUAL_POST_DEG = 6
const MOST_POST_DEG = 10

/**
 * Amounts of a device that change the turning moment: its layers' main numbers and posts first,
 * then what could be added.
 */
export function amountCandidates(
  device: Device,
  { layerUsual }: Pick<Norms, 'layerUsual'>,
): AmountCandidate[] {
  const layer = (on: Device, k: number, added: boolean): AmountCandidate[] => {
    const of = on.layers[k]!
    const definition = LAYERS.of(of.kind)
    const rule = definition.amounts[0]
    if (rule.unit !== 'mm' || !(rule.key in of)) return []
    const usualMost = (layerUsual[`${of.kind}.${rule.key}`] ?? rule.usual)[1]
    return [
      {
        id: `${added ? 'new' : 'layer'}-${k}-${of.kind}`,
        name: `${of.name ?? definition.name}${added ? ', new' : ''}`,
        unit: 'mm',
        device: on,
        part: { layer: k },
        key: rule.key,
        now: added ? 0 : (of as unknown as Record<string, number>)[rule.key]!,
        most: BEYOND_USUAL * usualMost,
        usualMost,
        step: rule.step,
        bothWays: false,
      },
    ]
  }
  const post = (on: Device, k: number, added: boolean): AmountCandidate => ({
    id: `${added ? 'new' : 'post'}-${k}`,
    name: `${on.posts[k]!.at === 'rearfoot' ? 'Rearfoot' : 'Forefoot'} post${added ? ', new' : ''}`,
    unit: '°',
    device: on,
    part: { post: k },
    key: 'angleDeg',
    now: added ? 0 : on.posts[k]!.angleDeg,
    most: MOST_POST_DEG,
    usualMost: USUAL_POST_DEG,
    step: 0.5,
    bothWays: true,
  })
  const there = [
    ...device.layers.flatMap((l, k) => (l.on ? layer(device, k, false) : [])),
    ...device.posts.map((_, k) => post(device, k, false)),
  ]
  const missing = PUSHING.filter(
    (kind) => !device.layers.some((l) => l.on && l.kind === kind),
  ).flatMap((kind) =>
    layer(
      { ...device, layers: [...device.layers, layerSchema.parse({ kind })] },
      device.layers.length,
      true,
    ),
  )
  const unposted = device.posts.some((p) => p.at === 'rearfoot')
    ? []
    : [
        post(
          {
            ...device,
            posts: [...device.posts, { at: 'rearfoot', style: 'extrinsic', angleDeg: 4 }],
          },
          device.posts.length,
          true,
        ),
      ]
  // What pushes most is looked for most often.
  const rank = (c: AmountCandidate) =>
    PUSHING.some((kind) => c.id.endsWith(kind)) || c.unit === '°' ? 0 : 1
  return [...there, ...missing, ...unposted].sort((a, b) => rank(a) - rank(b))
}
