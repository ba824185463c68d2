import { bestMean } from '../measure/reading'
import type { Device, Foot } from '../record/schema'
import type { Norms } from '../record/tables'
import { isBlankKind, shapeOf, type Blank } from '../tables/blanks'
import { archTopMm } from './sole'
import { soleParameters } from './soleParameters'

/** How a blank lies under a foot: what is over (+) or missing (−), mm. */
export interface BlankFit {
  blank: Blank
  archLengthMm: number
  /** height of its arch against the foot's, and what of that heat does not take away */
  archHeightMm: number
  leftMm: number
  lengthMm: number
  heelWidthMm: number
  words: string
  verdict: 'good' | 'watch' | 'stop'
}

/** What of an arch that is too high (+) or too low (−) stays so when heat has done what it can, mm. */
function beyondHeat({ kind, moulds }: Blank, highMm: number): number {
  if (kind !== 'heat-moulded' || !moulds) return highMm
  return highMm > 0
    ? Math.max(0, highMm - moulds.archDownMm)
    : Math.min(0, highMm + moulds.archUpMm)
}

/** Less than this is not said, mm. */
const SAID_MM = 1
function heightWords(highMm: number, leftMm: number): string {
  if (Math.abs(highMm) < SAID_MM) return ''
  const words = `${Math.abs(highMm).toFixed(0)} mm ${highMm > 0 ? 'higher' : 'lower'} than the foot’s`
  return Math.abs(leftMm) < SAID_MM ? `${words} (heat takes it), ` : `${words}, `
}

/**
 * Blanks by how well their arch lies under this foot's, best first: a blank is chosen by arch
 * length, its end is trimmed, so that one that is too long is no fault and one that is too short
 * is. Of lines that lie alike the one whose arch is as high counts. Missing readings are the usual shares of
 * the foot's length.
 *
 * @param kind only blanks of this kind of device
 */
export function fitBlanks(
  foot: Foot,
  blanks: readonly Blank[],
  kind: Blank['kind'],
  rows: Pick<Norms, 'archShare' | 'assumedShape' | 'widthPerLength' | 'blankFitMm'>,
): BlankFit[] {
  const { archWatch, archStop, shorter } = rows.blankFitMm
  const length = bestMean(foot, 'footLengthMm', 'standing')
  if (length === undefined) return []
  const arch = bestMean(foot, 'archLengthMm', 'standing') ?? rows.archShare * length
  const heel = bestMean(foot, 'heelWidthMm', 'standing') ?? rows.assumedShape.heelPerLength * length
  const archTop = archTopMm(soleParameters(foot, rows)!.parameters.navicularHeightMm)
  const fits = blanks
    .filter((b) => b.kind === kind)
    .map((blank): BlankFit => {
      const [a, l, h] = [blank.archLengthMm - arch, blank.sizeMm - length, blank.heelWidthMm - heel]
      const short = l < -shorter
      const verdict =
        Math.abs(a) > archStop || short ? 'stop' : Math.abs(a) > archWatch ? 'watch' : 'good'
      const high = blank.archHeightMm - archTop
      const leftMm = beyondHeat(blank, high)
      const mm = (v: number) => `${Math.abs(v).toFixed(0)} mm`
      const archWords =
        Math.abs(a) < 0.5
          ? 'arch where it should be'
          : `arch ${mm(a)} too far ${a > 0 ? 'forward' : 'back'}`
      return {
        blank,
        archLengthMm: a,
        archHeightMm: high,
        leftMm,
        lengthMm: l,
        heelWidthMm: h,
        verdict,
        words: `${archWords}, ${heightWords(high, leftMm)}${short ? `${mm(l)} too short` : l > 0.5 ? `trim ${mm(l)}` : 'as long as the foot'}`,
      }
    })
  const cost = (f: BlankFit) =>
    Math.abs(f.archLengthMm) +
    (f.lengthMm < -shorter ? 20 - f.lengthMm : 0.1 * f.lengthMm) +
    0.2 * Math.abs(f.heelWidthMm) +
    Math.abs(f.leftMm)
  return fits.sort((a, b) => cost(a) - cost(b))
}

/** A device made from a blank: its shape, its sheet, its cup. */
export const fromBlank = (device: Device, blank: Blank): Device => ({
  ...device,
  kind: blank.kind,
  blank: { id: blank.id, sizeMm: blank.sizeMm, shape: shapeOf(blank) },
  shell: { ...device.shell, material: blank.material, thicknessMm: blank.thicknessMm },
  outline: { ...device.outline, heelCupMm: blank.cupMm },
})

/**
 * A device of a kind that is made from a blank, on the blank of the shelf that lies best under the foot's
 * arch; as it is where it has a blank already, is of another kind, or the shelf has none.
 */
export function withBestBlank(
  device: Device,
  foot: Foot,
  shelf: readonly Blank[],
  rows: Parameters<typeof fitBlanks>[3],
): Device {
  if (!isBlankKind(device.kind) || device.blank?.shape) return device
  const best = fitBlanks(foot, shelf, device.kind, rows)[0]
  return best ? fromBlank(device, best.blank) : device
}

/** Why nothing can be reckoned of a device: it is made from a blank, and which one is not known. */
export const blankRefusal = (device: Device): string | null =>
  isBlankKind(device.kind) && !device.blank?.shape
    ? 'Choose the blank first (Prescribe, Body): the foot stands on its shape, not on its own.'
    : null
