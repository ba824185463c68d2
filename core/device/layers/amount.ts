import type { Layer } from '../../record/layerSchema'
import type { AmountRule } from './definition'
import { archFillMm } from './archFill'
import { layerDefinition } from './registry'

/**
 * A number of a layer as it counts: typed, else what its kind falls back to. An arch fill may be given by level, an intrinsic forefoot post
 * takes the angle that was found.
 *
 * @param forefootDeg the forefoot's own angle, for a post without one
 * @example amountOf({ kind: 'archFill', level: 'full', on: true }, 'amountMm') // 4.5
 */
export function amountOf(layer: Layer, key: string, forefootDeg = 0): number {
  const typed = (layer as unknown as Record<string, number | undefined>)[key]
  if (typed !== undefined) return typed
  if (layer.kind === 'archFill') return archFillMm(layer)
  if (layer.kind === 'intrinsicForefootPost') return forefootDeg
  return layerDefinition(layer.kind).amounts.find((rule) => rule.key === key)?.fallback ?? 0
}

/** The number a layer is known by: the first of its amounts. */
export const mainRule = (layer: Layer): AmountRule => layerDefinition(layer.kind).amounts[0]
export const mainAmount = (layer: Layer, forefootDeg = 0): number =>
  amountOf(layer, mainRule(layer).key, forefootDeg)
