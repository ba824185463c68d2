import { activityTold } from '../record/storyActivity'
import type { FittingRecord } from '../record/schema'
import { SIDES } from '../tables/vocabulary'

/** What a binding is set for, by what it is called, with its unit behind each number. */
export type BindingBasis = Record<string, string>

/**
 * What a certified technician sets a binding by, as far as this fitting changes it: shell, size, cant, lift, work
 * on the sole, and the body's weight. Nothing of the setting itself is reckoned.
 *
 * For instance a chosen shell of 265 on both feet has 'shell', 'left size' and 'right size', a cant only where there is one
 */
export function bindingBasis(record: FittingRecord): BindingBasis {
  const chosen = record.footwear?.chosen
  if (!chosen) return {}
  const sizes = { left: chosen.sizeLeftMm, right: chosen.sizeRightMm }
  const massKg = record.client?.massKg
  const out: BindingBasis = { shell: chosen.model }
  for (const side of SIDES) {
    const size = sizes[side]
    const cant = chosen.soleCantDeg?.[side] ?? 0
    const lift = record.feet[side]?.device?.heelLiftMm ?? 0
    if (size !== undefined) out[`${side} size`] = `${size} mm`
    if (cant !== 0) out[`${side} sole cant`] = `${cant}°`
    if (lift !== 0) out[`${side} heel lift`] = `${lift} mm`
    const soles = chosen.work.filter(
      (w) => w.foot === side && w.model === chosen.model && w.does === 'sole' && w.state === 'done',
    )
    if (soles.length > 0) out[`${side} work on the sole`] = soles.map((w) => w.amountMm).join(', ')
  }
  if (massKg !== undefined) out['body weight'] = `${massKg} kg`
  return out
}

const NOTHING = 'none'
/** Said without what it was: an id says nothing, and a body's weight goes on no ticket. */
const UNTOLD: readonly string[] = ['shell', 'body weight']
/** What differs between two, in words; a weight that nobody took the first time counts too. */
function changesOf(was: BindingBasis, now: BindingBasis): string[] {
  const keys = [...new Set([...Object.keys(was), ...Object.keys(now)])]
  return keys
    .filter((key) => was[key] !== now[key])
    .map((key) =>
      UNTOLD.includes(key)
        ? `another ${key}`
        : `${key} ${was[key] ?? NOTHING} → ${now[key] ?? NOTHING}`,
    )
}

/** How the binding of the chosen shells stands. */
export type BindingState =
  /** nothing that releases is worn, or nothing is chosen */
  | { kind: 'none' }
  | { kind: 'tested'; by: string; at: string }
  /** never tested, or what it was tested for has changed since */
  | { kind: 'due'; why: string[] }

/**
 * Was the binding set and tested for what the fitting says now? A certified technician does it; this only keeps
 * the name, the day and what it was for.
 */
export function bindingState(record: FittingRecord): BindingState {
  const chosen = record.footwear?.chosen
  if (!chosen || activityTold(record.story)?.recheck !== 'binding') return { kind: 'none' }
  const { binding } = chosen
  if (!binding) return { kind: 'due', why: ['not tested for these shells yet'] }
  const why = changesOf(binding.basis, bindingBasis(record))
  return why.length > 0
    ? { kind: 'due', why }
    : { kind: 'tested', by: binding.by, at: binding.testedAt ?? '' }
}

/** How the binding stands as a paper says it; nothing where none is worn. */
export function bindingWords(record: FittingRecord): string[] {
  const state = bindingState(record)
  if (state.kind === 'none') return []
  return state.kind === 'tested'
    ? [`Binding set and tested by ${state.by}${state.at ? `, ${state.at.slice(0, 10)}` : ''}`]
    : [`Binding to be set and tested by a certified technician: ${state.why.join('; ')}`]
}
