import { bestMean } from '../measure/reading'
import type { Foot } from '../record/schema'
import type { Norms } from '../record/tables'
import type { Blank } from '../tables/blanks'

/** How a blank lies under a foot: what is over (+) or missing (−), mm. */
export interface BlankFit {
  blank: Blank
  archLengthMm: number
  lengthMm: number
  heelWidthMm: number
  words: string
  verdict: 'good' | 'watch' | 'stop'
}

/**
 * Blanks by how well their arch lies under this foot's, best first: a blank is chosen by arch
 * length, its end is trimmed, so that one that is too long is no fault and one that is too short
 * is. Missing arch length and heel width are the usual shares of the foot's length.
 *
 * @param kind only blanks of this kind of device
 */
export function fitBlanks(
  foot: Foot,
  blanks: readonly Blank[],
  kind: Blank['kind'],
  rows: Pick<Norms, 'archShare' | 'assumedShape' | 'blankFitMm'>,
): BlankFit[] {
  const { archWatch, archStop, shorter } = rows.blankFitMm
  const length = bestMean(foot, 'footLengthMm', 'standing')
  if (length === undefined) return []
  const arch = bestMean(foot, 'archLengthMm', 'standing') ?? rows.archShare * length
  const heel = bestMean(foot, 'heelWidthMm', 'standing') ?? rows.assumedShape.heelPerLength * length
  const fits = blanks
    .filter((b) => b.kind === kind)
    .map((blank): BlankFit => {
      const [a, l, h] = [blank.archLengthMm - arch, blank.sizeMm - length, blank.heelWidthMm - heel]
      const short = l < -shorter
      const verdict =
        Math.abs(a) > archStop || short ? 'stop' : Math.abs(a) > archWatch ? 'watch' : 'good'
      const mm = (v: number) => `${Math.abs(v).toFixed(0)} mm`
      const archWords =
        Math.abs(a) < 0.5
          ? 'arch where it should be'
          : `arch ${mm(a)} too far ${a > 0 ? 'forward' : 'back'}`
      return {
        blank,
        archLengthMm: a,
        lengthMm: l,
        heelWidthMm: h,
        verdict,
        words: `${archWords}, ${short ? `${mm(l)} too short` : l > 0.5 ? `trim ${mm(l)}` : 'as long as the foot'}`,
      }
    })
  const cost = (f: BlankFit) =>
    Math.abs(f.archLengthMm) +
    (f.lengthMm < -shorter ? 20 - f.lengthMm : 0.1 * f.lengthMm) +
    0.2 * Math.abs(f.heelWidthMm)
  return fits.sort((a, b) => cost(a) - cost(b))
}
