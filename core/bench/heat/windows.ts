import { z } from 'zod'

/** Working window of a material, °C (workshop values; the maker's sheet rules; editable). */
export const heatWindowSchema = z
  .strictObject({
    id: z.string().regex(/^[a-z][a-z0-9-]{0,30}$/),
    name: z.string().min(1).max(80),
    lowC: z.number().min(20).max(400),
    highC: z.number().min(20).max(400),
    caution: z.string().max(200).optional(),
  })
  .refine((w) => w.lowC < w.highC, 'a window must open below where it closes')
export type HeatWindow = z.output<typeof heatWindowSchema>

export const HEAT_WINDOWS: readonly HeatWindow[] = [
  { id: 'eva', name: 'EVA blank', lowC: 110, highC: 130 },
  { id: 'polypropylene', name: 'polypropylene sheet', lowC: 160, highC: 190 },
  { id: 'thermoplastic-blank', name: 'thermoplastic blank on the tray', lowC: 90, highC: 120 },
  { id: 'liner', name: 'liner', lowC: 80, highC: 110 },
  {
    id: 'boot-shell',
    name: 'boot shell for stretching, surface',
    lowC: 80,
    highC: 120,
    caution: 'never above the limit of this plastic',
  },
  {
    id: 'resistive-mould',
    name: 'internal mould with its own heating',
    lowC: 80,
    highC: 110,
    caution: 'isolated low-voltage supply, never unattended, never on a body',
  },
]

/** Burn thresholds of healthy adult skin, °C by minutes of contact (ISO 13732-1). */
export const SKIN_THRESHOLDS: readonly (readonly [minutes: number, celsius: number])[] = [
  [1, 51],
  [10, 48],
  [480, 43],
]
/** Stay below the threshold by so much, K (house defaults): adults, children. */
export const SKIN_MARGIN_K = { adult: 3, child: 5 } as const

/**
 * Highest temperature for so long a contact, °C: straight in the logarithm of time between the points of the standard; below one minute that of
 * one minute, above eight hours that of eight.
 *
 * @example skinThresholdC(10) // 48
 */
export function skinThresholdC(minutes: number): number {
  const table = SKIN_THRESHOLDS
  if (minutes <= table[0]![0]) return table[0]![1]
  for (let i = 1; i < table.length; i++) {
    const [m0, c0] = table[i - 1]!
    const [m1, c1] = table[i]!
    if (minutes <= m1) return c0 + ((c1 - c0) * Math.log(minutes / m0)) / Math.log(m1 / m0)
  }
  return table.at(-1)![1]
}

export interface SkinCheck {
  /** go on; go on with a typed reason; no further, whatever is typed */
  answer: 'go' | 'reason' | 'stop'
  thresholdC: number
  words: string
}

/**
 * May a foot go onto a surface of this temperature? Above the burn threshold never; within the margin only with a typed reason; on insensate skin
 * or with poor circulation not at all, whatever the temperature.
 *
 * @param celsius of the side that touches sock or skin, measured just before the foot goes in
 */
export function skinCheck(
  celsius: number,
  minutes: number,
  who: { child: boolean; noHeat: boolean; marginK?: number },
): SkinCheck {
  const thresholdC = skinThresholdC(minutes)
  if (who.noHeat)
    return {
      answer: 'stop',
      thresholdC,
      words: 'No heat moulding on this foot: feeling or circulation is poor.',
    }
  const margin = who.marginK ?? (who.child ? SKIN_MARGIN_K.child : SKIN_MARGIN_K.adult)
  const said = `${celsius} °C on the sock side; healthy adult skin burns from ${thresholdC.toFixed(1)} °C in ${minutes} min`
  if (celsius >= thresholdC) return { answer: 'stop', thresholdC, words: `${said}. Let it cool.` }
  if (celsius > thresholdC - margin)
    return {
      answer: 'reason',
      thresholdC,
      words: `${said}; that is within ${margin} K. Let it cool, or say why not.`,
    }
  return {
    answer: 'go',
    thresholdC,
    words: `${celsius} °C, more than ${margin} K below ${thresholdC.toFixed(1)} °C`,
  }
}
