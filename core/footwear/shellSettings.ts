import type { Footwear } from '../record/schema'
import { SIDES } from '../tables/vocabulary'

type Chosen = NonNullable<Footwear['chosen']>

const degrees = (v: number) => `${Math.abs(v)}°`
const mm = (v: number) => `${v < 0 ? '−' : ''}${Math.abs(v)} mm`

/**
 * What is set on the chosen shells, as the bench and the papers read it; a cuff or a cant of nothing is not
 * told.
 *
 * For instance a right cuff of 1.5° and a lean of 14° are 'right cuff 1.5° outwards' and 'forward lean 14°'
 */
export function settingWords(chosen: Chosen): string[] {
  const { cuffAlignDeg, soleCantDeg, forwardLeanDeg, rampDeg, deltaMm } = chosen
  const perFoot = SIDES.flatMap((side) => {
    const [cuff, cant] = [cuffAlignDeg?.[side] ?? 0, soleCantDeg?.[side] ?? 0]
    return [
      ...(cuff === 0 ? [] : [`${side} cuff ${degrees(cuff)} ${cuff > 0 ? 'outwards' : 'inwards'}`]),
      ...(cant === 0
        ? []
        : [`${side} sole cant ${degrees(cant)} ${cant > 0 ? 'outwards' : 'inwards'}`]),
    ]
  })
  return [
    ...perFoot,
    ...(forwardLeanDeg === undefined ? [] : [`forward lean ${degrees(forwardLeanDeg)}`]),
    ...(rampDeg === undefined ? [] : [`ramp ${degrees(rampDeg)}`]),
    ...(deltaMm === undefined ? [] : [`binding delta ${mm(deltaMm)}`]),
  ]
}
