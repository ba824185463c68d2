import { STATIONS, STATION_KINDS } from '../kinds/stations/all'
import type { Side } from '../tables/vocabulary'
import type { FootwearModel } from './catalogueSchema'
import type { FootFit, MatchSettings } from './fitFoot'
import { isAbout } from './shownOffsets'
import { verdictWord } from './targets'
import { biasWords, likeCondition } from './learnedBias'

/** A mondo size as the boot trade writes it. @example sizeWords(265) // '26.5' */
export const sizeWords = (sizeMm: number): string => (sizeMm / 10).toFixed(1)

type Sided = readonly (readonly [Side, FootFit])[]

/**
 * Reasons for and against a model in words: what is right, what is not and by how much, what was
 * learned, felt or worked.
 */
export function reasonsOf(fits: Sided, model: FootwearModel, settings: MatchSettings): string[] {
  const out: string[] = []
  const right = STATIONS.filter((s) => fits.every(([, fit]) => fit.verdicts[s] === 'right'))
  const off = verdictWords(fits)
  const known = fits.some(([, fit]) => Object.keys(fit.verdicts).length > 0)
  if (known && off.length === 0)
    out.push(`inside every band${fits.length === 2 ? ' on both feet' : ''}`)
  else if (right.length > 0)
    out.push(`right at ${right.map((s) => STATION_KINDS.of(s).short).join(', ')}`)
  const sizes = fits.map(([, fit]) => fit.sizeMm)
  if (sizes.length === 2 && sizes[0] !== sizes[1])
    out.push(`split pair: left ${sizeWords(sizes[0]!)}, right ${sizeWords(sizes[1]!)}`)
  out.push(...off)
  for (const [side, fit] of fits)
    if (fit.shortBareMm !== null)
      out.push(
        `${side}: ${oneDecimal(fit.shortBareMm)} mm by the bare standing length, ` +
          'long enough only on the device: try on with the finished device first',
      )
  for (const [side, fit] of fits)
    if (fit.byArchMm !== null)
      out.push(
        `${side}: sized by arch length, as a foot of ${oneDecimal(fit.byArchMm)} mm: ` +
          'the toes are short for it, and it has to bend where the ball is',
      )
  out.push(...shiftWords(fits, settings))
  const offsets = (settings.offsets ?? []).filter((o) =>
    fits.some(([side, fit]) => isAbout(o, model.id, side, fit.sizeMm)),
  )
  const isChecked = (side: Side) => offsets.some((o) => o.by === 'check' && o.foot === side)
  const bias = likeCondition(settings.learned?.[model.id], false)
  if (bias && fits.some(([side]) => !isChecked(side))) out.push(`length: ${biasWords(bias)}`)
  for (const o of offsets) out.push(`${o.foot} ${o.words}`)
  return out
}

/** What of a foot moved its bands, said once a foot. */
function shiftWords(fits: Sided, settings: MatchSettings): string[] {
  return fits.flatMap(([side]) => [
    ...new Set((settings.shifts?.[side] ?? []).map((s) => `${side}: ${s.words} (band moved)`)),
  ])
}

function verdictWords(fits: Sided): string[] {
  const out: string[] = []
  for (const station of STATIONS) {
    const said = fits.flatMap(([side, fit]) =>
      fit.verdicts[station] && fit.verdicts[station] !== 'right'
        ? [[side, verdictWord(station, fit.verdicts[station]), fit.clearances[station]!] as const]
        : [],
    )
    if (said.length === 2 && said[0]![1] === said[1]![1])
      out.push(
        `${STATION_KINDS.of(station).name} ${said[0]![1]} on both (${oneDecimal(said[0]![2])} / ${oneDecimal(said[1]![2])} mm)`,
      )
    else
      for (const [side, verdict, value] of said)
        out.push(`${STATION_KINDS.of(station).name} ${verdict} ${side} (${oneDecimal(value)} mm)`)
  }
  return out
}

/** A number with one decimal and a real minus. @example oneDecimal(-0.04) // '0.0' */
export const oneDecimal = (v: number): string =>
  Math.abs(v) < 0.05 ? '0.0' : v.toFixed(1).replace('-', '−')
