import { z } from 'zod'

/**
 * How an amount is offered and kept: which number of the record, its unit and steps, presets, the
 * usual range (outside it is computed and named) and the range that is kept at all.
 */
export interface AmountRule {
  key: string
  label: string
  unit: 'mm' | '°' | '%'
  step: number
  fallback: number
  presets: readonly number[]
  usual: readonly [number, number]
  range: readonly [number, number]
}

/**
 * A unit as it stands behind its number.
 *
 * @example unitBehind('°') // '°'
 */
export const unitBehind = (unit: string): string => (unit === '°' ? '°' : ` ${unit}`)

/** Millimetres of a layer: nothing below zero, nothing a foot could not stand on. */
const RANGE_MM = [0, 40] as const

type Offered = Pick<AmountRule, 'fallback' | 'presets' | 'usual'>
const inMm = (key: string, label: string, step: number, offered: Offered): AmountRule => ({
  key,
  label,
  unit: 'mm',
  step,
  range: RANGE_MM,
  ...offered,
})

export const depthMm = (offered: Offered) => inMm('depthMm', 'depth', 0.5, offered)
export const heightMm = (offered: Offered) => inMm('heightMm', 'height', 0.5, offered)
export const wallHeightMm = (offered: Offered) => inMm('heightMm', 'height', 1, offered)
export const widthMm = (offered: Offered) => inMm('widthMm', 'width', 1, offered)
export const thicknessMm = (offered: Offered) => inMm('thicknessMm', 'thickness', 0.5, offered)
export const amountMm = (offered: Offered) => inMm('amountMm', 'amount', 0.5, offered)

/** The number as the record keeps it, with its default. */
export const stored = ({ range: [low, high], fallback }: AmountRule) =>
  z.number().min(low).max(high).default(fallback)

/** The same where the record may leave it out, because something else says it. */
export const storedIfTyped = ({ range: [low, high] }: AmountRule) =>
  z.number().min(low).max(high).optional()
