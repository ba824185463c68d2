import { archHeightIndexOf } from '../measure/archIndex'
import type { Norms } from '../record/tables'
import { meanOfReading } from '../measure/reading'
import type { CapturePart, Correction } from '../record/captureSchema'
import type { Foot } from '../record/schema'
import { WAYS } from './ways'

/**
 * How far an arch that was captured standing is raised: max(0, dorsum height seated − standing)
 * times a share; where a height is missing, from the arch height indices times the arch length; 0
 * when neither is known.
 *
 * For instance `standingRiseMm(footWithDorsum62And58, 0.5)` is 2
 */
export function standingRiseMm(foot: Foot, share: number): number {
  const of = (what: 'dorsumHeightMm' | 'archLengthMm', posture: 'sitting' | 'standing') =>
    meanOfReading(foot, what, posture)
  const [sitting, standing] = [of('dorsumHeightMm', 'sitting'), of('dorsumHeightMm', 'standing')]
  if (sitting !== undefined && standing !== undefined)
    return Math.max(0, sitting - standing) * share
  const [seatedIndex, standingIndex] = [
    archHeightIndexOf(foot, 'sitting'),
    archHeightIndexOf(foot, 'standing'),
  ]
  const length = of('archLengthMm', 'sitting') ?? of('archLengthMm', 'standing')
  return seatedIndex !== undefined && standingIndex !== undefined && length !== undefined
    ? Math.max(0, seatedIndex - standingIndex) * length * share
    : 0
}

/**
 * Corrections that follow from the way of capture, with their amounts; a dent that was found is
 * filled by what it is deep.
 */
export function proposedCorrections(
  foot: Foot,
  capture: Pick<CapturePart, 'way' | 'checks'>,
  norms: Pick<Norms, 'standingRiseShare'>,
): Correction[] {
  const out: Correction[] = WAYS[capture.way].corrections.map(({ kind, amountMm }) => ({
    kind,
    amountMm,
    on: true,
  }))
  if (capture.way === 'standing-vacuum') {
    const rise = Math.round(2 * standingRiseMm(foot, norms.standingRiseShare)) / 2
    if (rise > 0) out.push({ kind: 'archRise', amountMm: rise, on: true })
  }
  const dent = capture.checks?.find((c) => c.code === 'fingerDents')
  if (capture.way === 'scan' && dent?.value !== undefined && dent.value > 0.5)
    out.push({ kind: 'dentFill', amountMm: Math.round(2 * dent.value) / 2, on: true })
  return out
}
