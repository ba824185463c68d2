import type { Layer } from '../kinds/layers/all'
import type { Change } from './entry'

/** Two spots closer than this are one spot, mm: a fingertip. */
export const ONE_SPOT_MM = 8

type LayerChange = Extract<Change, { layer: unknown }>

const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b)

/**
 * Is a layer the one that a change speaks of: of the same kind, at the same spot, under the same heads, between
 * the same shafts? Its amount is not looked at.
 *
 * For instance a sweet spot 30 mm away from the sore one is another layer
 */
export function isSamePart(layer: Layer, { layer: kind, amounts }: LayerChange): boolean {
  if (layer.kind !== kind) return false
  const has = layer as unknown as Record<string, unknown>
  const { xMm, yMm, heads, between } = amounts
  if (typeof xMm === 'number' && typeof yMm === 'number')
    return Math.hypot((has.xMm as number) - xMm, (has.yMm as number) - yMm) <= ONE_SPOT_MM
  return (
    (heads === undefined || same(heads, has.heads)) &&
    (between === undefined || same(between, has.between))
  )
}
