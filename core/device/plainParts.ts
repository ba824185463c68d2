import { BODY_AMOUNTS } from '../kinds/body/all'
import { LAYERS } from '../kinds/layers/all'
import { postKind } from '../kinds/posts/all'
import type { Device } from '../record/schema'

/**
 * What a device is made of in the client's words, each thing once: its layers, its posts, what its
 * body does. Every kind has its words; a device of nothing else is an even support.
 */
export function plainParts(device: Device | undefined): string[] {
  if (!device || device.kind === 'none') return []
  return [
    ...new Set([
      ...device.layers.filter((l) => l.on).map((l) => LAYERS.of(l.kind).plain),
      ...device.posts.filter((p) => p.angleDeg !== 0).map((p) => postKind(p).plain(p.angleDeg)),
      ...BODY_AMOUNTS.all.flatMap((amount) => {
        const value = amount.read(device)
        return value === undefined ? [] : (amount.plain?.(value) ?? [])
      }),
    ]),
  ]
}
