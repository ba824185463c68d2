import { typedInRange } from '../../core/measure/typedInRange'

/**
 * How a pane reads a typed number: what is wrong with it is told, else '' is, and the number given.
 *
 * @param tell takes the sentence, as a pane's own `trouble` event
 */
export const toldNumber =
  (tell: (trouble: string) => void) =>
  (text: string, name: string, low: number, high: number, whole = false): number | undefined => {
    const typed = typedInRange(text, name, { low, high, whole })
    tell('trouble' in typed ? typed.trouble : '')
    return 'value' in typed ? typed.value : undefined
  }
