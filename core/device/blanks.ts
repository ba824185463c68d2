import { z } from 'zod'
import { bestMean } from '../measure/reading'
import type { Foot } from '../record/schema'
import type { SourceState } from '../measure/norms'

/** One blank a shop has on its shelf: made in lines, each line in sizes that differ in length and in arch length. */
export const blankSchema = z.strictObject({
  id: z.string().min(1).max(40),
  name: z.string().min(1).max(60),
  kind: z.enum(['trim-to-fit', 'heat-moulded']),
  sizeMm: z.number().min(100).max(400),
  archLengthMm: z.number().min(60).max(300),
  archHeightMm: z.number().min(5).max(45),
  heelWidthMm: z.number().min(30).max(110),
  state: z
    .string()
    .max(20)
    .default('own assumption' satisfies SourceState),
})
export type Blank = z.output<typeof blankSchema>

const LINES = [
  { id: 'flat', name: 'Low line', kind: 'trim-to-fit', arch: 0.715, height: 15 },
  { id: 'mid', name: 'Middle line', kind: 'trim-to-fit', arch: 0.73, height: 19 },
  { id: 'high', name: 'High line', kind: 'trim-to-fit', arch: 0.735, height: 24 },
  { id: 'mould', name: 'Mouldable', kind: 'heat-moulded', arch: 0.73, height: 20 },
] as const

/** The house shelf: invented lines in steps of 10 mm (own assumption; a shop enters its own). */
export const HOUSE_BLANKS: readonly Blank[] = LINES.flatMap((line) =>
  Array.from({ length: 11 }, (_, k) => 210 + 10 * k).map((sizeMm): Blank => ({
    id: line.id,
    name: line.name,
    kind: line.kind,
    sizeMm,
    archLengthMm: Math.round(line.arch * sizeMm),
    archHeightMm: Math.round(line.height + (sizeMm - 260) * 0.06),
    heelWidthMm: Math.round(0.25 * sizeMm),
    state: 'own assumption',
  })),
)

/** How a blank lies under a foot: what is over (+) or missing (−), mm. */
export interface BlankFit {
  blank: Blank
  archLengthMm: number
  lengthMm: number
  heelWidthMm: number
  words: string
  verdict: 'good' | 'watch' | 'stop'
}

/** Arch length off by less is good, by more than the second not usable (house limits, mm). */
const ARCH_LIMITS_MM = [4, 8] as const
const LENGTH_SPARE_MM = 2

/**
 * Blanks by how well their arch lies under this foot's, best first: a blank is chosen by arch length, its end is trimmed, so that one that is
 * too long is no fault and one that is too short is. A missing arch length is 0.73 of the foot's.
 *
 * @param kind only blanks of this kind of device
 */
export function fitBlanks(foot: Foot, blanks: readonly Blank[], kind: Blank['kind']): BlankFit[] {
  const length = bestMean(foot, 'footLengthMm', 'standing')
  if (length === undefined) return []
  const arch = bestMean(foot, 'archLengthMm', 'standing') ?? 0.73 * length
  const heel = bestMean(foot, 'heelWidthMm', 'standing') ?? 0.245 * length
  const fits = blanks
    .filter((b) => b.kind === kind)
    .map((blank): BlankFit => {
      const [a, l, h] = [blank.archLengthMm - arch, blank.sizeMm - length, blank.heelWidthMm - heel]
      const short = l < -LENGTH_SPARE_MM
      const verdict =
        Math.abs(a) > ARCH_LIMITS_MM[1] || short
          ? 'stop'
          : Math.abs(a) > ARCH_LIMITS_MM[0]
            ? 'watch'
            : 'good'
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
    (f.lengthMm < -LENGTH_SPARE_MM ? 20 - f.lengthMm : 0.1 * f.lengthMm) +
    0.2 * Math.abs(f.heelWidthMm)
  return fits.sort((a, b) => cost(a) - cost(b))
}
