import { BODY_AMOUNTS } from '../kinds/body/all'
import { LAYERS } from '../kinds/layers/all'
import type { Device } from '../record/schema'
import { contactOnDevice, type ContactGround, type ContactResult } from './contact'
import { levelled, plainOf } from './contactReport'
import { effectOf, type ContactEffect } from './contactEffect'

/**
 * What of a device was taken out: one of its layers, one of its posts, the cast's angle, or the
 * give of its shell.
 */
export type DevicePart =
  { layer: number } | { post: number } | { cast: true } | { inverted: true } | { give: true }

export interface LayerEffect {
  name: string
  part: DevicePart
  /** alone on the plain device */
  alone: ContactEffect
  /** what the whole device would lose without it */
  within: ContactEffect
}

export interface LayerEffects {
  plain: ContactResult
  whole: ContactResult
  change: ContactEffect
  parts: LayerEffect[]
  /** the whole less the sum of the parts alone: combined changes are not the sum of single ones */
  together: { momentNmm: number }
}

/** The device without one of its parts; a post's block stays, level; the give of a shell is not the device's own. */
export function withoutPart(device: Device, part: DevicePart): Device {
  if ('layer' in part)
    return { ...device, layers: device.layers.filter((_, k) => k !== part.layer) }
  if ('post' in part) {
    const posts = device.posts.flatMap((p, k) => (k === part.post ? levelled(p) : [p]))
    return { ...device, posts }
  }
  if ('inverted' in part) return { ...device, inverted: undefined }
  return 'cast' in part ? { ...device, balance: { pourDeg: 0 } } : device
}

/** The device with one number of one of its parts set; a layer or post of nothing is off. */
export function withPartAmount(
  device: Device,
  part: DevicePart,
  key: string,
  amount: number,
): Device {
  if ('layer' in part)
    return {
      ...device,
      layers: device.layers.map((l, k) =>
        k === part.layer ? ({ ...l, [key]: amount, on: amount !== 0 } as typeof l) : l,
      ),
    }
  if ('post' in part)
    return {
      ...device,
      posts: device.posts.map((p, k) => (k === part.post ? { ...p, angleDeg: amount } : p)),
    }
  if ('inverted' in part) return BODY_AMOUNTS.of('invertedCast').write(device, amount)
  return 'cast' in part ? { ...device, balance: { pourDeg: amount } } : device
}

/** The plain device with one part of this one. */
function onlyPart(device: Device, plain: Device, part: DevicePart): Device {
  if ('layer' in part)
    return plain.layers.includes(device.layers[part.layer]!)
      ? { ...plain, layers: [device.layers[part.layer]!] }
      : { ...plain, layers: [...plain.layers, device.layers[part.layer]!] }
  if ('post' in part) {
    // Another post's block stays level beside it.
    const posts = device.posts.flatMap((p, k) => (k === part.post ? [p] : levelled(p)))
    return { ...plain, posts }
  }
  if ('inverted' in part) return { ...plain, inverted: device.inverted }
  return 'cast' in part ? { ...plain, balance: device.balance } : plain
}

/**
 * Parts of a device that do something, with their names: layers in their order, posts, the cast's
 * angle, the shell's give.
 */
export function partsOf(device: Device): { name: string; part: DevicePart }[] {
  return [
    ...device.layers.flatMap((l, layer) =>
      l.on ? [{ name: l.name ?? LAYERS.of(l.kind).name, part: { layer } }] : [],
    ),
    ...device.posts.flatMap((p, post) =>
      p.angleDeg !== 0
        ? [{ name: p.at === 'rearfoot' ? 'Rearfoot post' : 'Forefoot post', part: { post } }]
        : [],
    ),
    ...(device.balance.pourDeg === 0 ? [] : [{ name: 'Pour', part: { cast: true } as const }]),
    ...(device.inverted ? [{ name: 'Inverted technique', part: { inverted: true } as const }] : []),
    { name: 'Shell gives', part: { give: true } as const },
  ]
}

/**
 * What each part of a device does: alone on the plain device, and within the whole. The plain
 * device has the same shell, cover and outline, expansion and fills, and nothing else on it; fills
 * themselves are told against a device without them.
 *
 * @param ground the foot made ready, kept while only the device changes
 * @param give of the shell by cell
 * @returns parts in the order of the layers that are on, then posts, cast angle, and what the
 *   shell's give does against one that gives nothing
 */
export function layerEffects(
  ground: ContactGround,
  device: Device,
  give?: Float64Array,
): LayerEffects {
  const base = plainOf(device)
  const plain = contactOnDevice(ground, base, { give })
  const whole = contactOnDevice(ground, device, { give, start: plain })
  const rigid = new Float64Array(ground.field.x.length)
  const parts = partsOf(device).map(({ name, part }): LayerEffect => {
    if ('give' in part) {
      return {
        name,
        part,
        alone: effectOf(contactOnDevice(ground, base, { give: rigid, start: plain }), plain),
        within: effectOf(contactOnDevice(ground, device, { give: rigid, start: whole }), whole),
      }
    }
    const only = onlyPart(device, base, part)
    // A fill is on the plain device already: alone it is told against one without it.
    const bare =
      'layer' in part && base.layers.includes(device.layers[part.layer]!)
        ? contactOnDevice(ground, { ...only, layers: [] }, { give, start: plain })
        : plain
    return {
      name,
      part,
      alone: effectOf(bare, contactOnDevice(ground, only, { give, start: plain })),
      within: effectOf(
        contactOnDevice(ground, withoutPart(device, part), { give, start: whole }),
        whole,
      ),
    }
  })
  const added = parts.filter(
    (p) =>
      !('give' in p.part) &&
      !('layer' in p.part && base.layers.includes(device.layers[p.part.layer]!)),
  )
  return {
    plain,
    whole,
    change: effectOf(plain, whole),
    parts,
    together: {
      momentNmm:
        whole.momentNmm - plain.momentNmm - added.reduce((s, p) => s + p.alone.momentNmm, 0),
    },
  }
}
