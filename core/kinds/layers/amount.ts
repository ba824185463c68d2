import type { AmountRule } from './amountRule'
import { LAYERS, type Layer } from './all'

/**
 * A number of a layer as it counts: typed, else what its kind says instead. An arch fill may be
 * given by level, an intrinsic forefoot post takes the angle that was found.
 *
 * @param forefootDeg the forefoot's own angle, for a post without one
 * @example amountOf({ kind: 'archFill', level: 'full', on: true }, 'amountMm') // 4.5
 */
export function amountOf(layer: Layer, key: string, forefootDeg = 0): number {
  const typed = (layer as unknown as Record<string, number | undefined>)[key]
  if (typed !== undefined) return typed
  const definition = LAYERS.of(layer.kind)
  const [main] = definition.amounts
  if (definition.main && key === main.key) return definition.main(layer, forefootDeg)
  return definition.amounts.find((rule) => rule.key === key)?.fallback ?? 0
}

/** The number a layer is known by: the first of its amounts. */
export const mainRule = (layer: Layer): AmountRule => LAYERS.of(layer.kind).amounts[0]
export const mainAmount = (layer: Layer, forefootDeg = 0): number =>
  amountOf(layer, mainRule(layer).key, forefootDeg)
