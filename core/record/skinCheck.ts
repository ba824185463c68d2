import { SKIN_THRESHOLDS } from '../tables/skin'

/**
 * Highest temperature for so long a contact, °C: straight in the logarithm of time between the
 * points of the standard; below one minute that of one minute, above eight hours that of eight.
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
 * May a foot go onto a surface of this temperature? Above the burn threshold never; within the
 * margin only with a typed reason; on insensate skin or with poor circulation not at all, whatever
 * the temperature.
 *
 * @param celsius of the side that touches sock or skin, measured just before the foot goes in
 */
export function skinCheck(
  celsius: number,
  minutes: number,
  who: { noHeat: boolean; marginK: number },
): SkinCheck {
  const thresholdC = skinThresholdC(minutes)
  if (who.noHeat)
    return {
      answer: 'stop',
      thresholdC,
      words: 'No heat moulding on this foot: feeling or circulation is poor.',
    }
  const margin = who.marginK
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
