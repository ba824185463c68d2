import type { SoleField } from '../geometry/soleField'
import { smoothstep as S } from '../geometry/smoothstep'

/**
 * Tissue of one region: thickness mm, modulus MPa, stiffening, give of what lies behind it mm/MPa.
 */
interface Region {
  tMm: number
  E: number
  beta: number
  cMm: number
}

/**
 * Tissue by region, fitted to mean barefoot standing loads and peaks (Cavanagh, Rodgers and Iiboshi
 * 1987): five parameters for five numbers, a fit and no validation.
 */
const TISSUE = {
  heel: { tMm: 17, E: 0.13, beta: 4, cMm: 2 },
  midfoot: { tMm: 14, E: 0.028, beta: 4, cMm: 10 },
  forefoot: { tMm: 11, E: 0.0368, beta: 4, cMm: 2 },
  toes: { tMm: 8, E: 0.0208, beta: 4, cMm: 20 },
} as const satisfies Record<string, Region>
/** How much more the medial arch gives than the lateral border, mm/MPa. */
const ARCH_GIVE = 60

export interface TissueLaw {
  aMm: Float64Array
  p0: Float64Array
  cMm: Float64Array
}

/** Half way between head line and toe line in front of the heads at x, mm: where toes begin. */
export const sulcusMm = (field: SoleField, x: number): number => {
  const { sole } = field
  const line = [...sole.toes].sort((p, q) => p.x - q.x)
  let y = line[0]!.y
  if (x >= line.at(-1)!.x) y = line.at(-1)!.y
  else
    for (let k = 0; k + 1 < line.length; k++)
      if (x >= line[k]!.x)
        y =
          line[k]!.y +
          ((line[k + 1]!.y - line[k]!.y) * (x - line[k]!.x)) / (line[k + 1]!.x - line[k]!.x)
  return 0.5 * (y - sole.headLineY(x))
}

/**
 * Tissue law of every cell of a sole: regions blended into each other, the heel pad thicker towards
 * its border, the arch giving more medially.
 *
 * @param stiffer one factor on all moduli: what a measured pressure picture said of this client
 */
export function tissueOf(field: SoleField, stiffer = 1): TissueLaw {
  const n = field.x.length
  const law: TissueLaw = {
    aMm: new Float64Array(n),
    p0: new Float64Array(n),
    cMm: new Float64Array(n),
  }
  const { lengthMm: L, heelWidthMm: Wh } = field.sole.parameters
  const sulcus = Array.from({ length: field.columns }, (_, c) =>
    sulcusMm(field, field.x0 + (c + 0.5) * field.stepMm),
  )
  for (let i = 0; i < n; i++) {
    if (!field.mask[i]) continue
    const [x, y, s, q] = [field.x[i]!, field.y[i]!, field.s[i]!, field.q[i]!]
    const sul = sulcus[i % field.columns]!
    const wh = 1 - S(s, 0.24, 0.36)
    const wt = S(q, sul - 6, sul + 6)
    const wf = (1 - wh) * S(q, -42, -18) * (1 - wt)
    const wm = 1 - wh - wt - wf
    const r2 = Math.min(1, ((2 * x) / Wh) ** 2 + ((y - 0.14 * L) / (0.16 * L)) ** 2)
    const mix = (of: (r: Region) => number) =>
      wh * of(TISSUE.heel) +
      wm * of(TISSUE.midfoot) +
      wf * of(TISSUE.forefoot) +
      wt * of(TISSUE.toes)
    const t = mix((r) => r.tMm) + TISSUE.heel.tMm * r2 * wh
    const beta = mix((r) => r.beta)
    law.aMm[i] = t / beta
    law.p0[i] = (stiffer * mix((r) => r.E)) / beta
    law.cMm[i] = mix((r) => r.cMm) + ARCH_GIVE * S(field.u[i]!, 0.4, 0.9) * wm
  }
  return law
}
