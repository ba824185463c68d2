import { radians } from '../geometry/tilt'
import { hermite, polyline } from '../geometry/hermite'
import { smoothstep as S } from '../geometry/smoothstep'
import type { Bump, Sole, SoleParameters, SolePlace, SolePlan } from '../geometry/soleField'

/**
 * Outline stations for a 65 mm heel and a 100 mm forefoot, as a share of length and mm from the
 * axis.
 */
const STATIONS = [0.13, 0.25, 0.4, 0.55, 0.66, 0.74, 0.83, 0.92, 1]
const MEDIAL = [32.5, 30, 30.5, 39, 46, 46.5, 42.5, 39, 28]
const LATERAL = [-32.5, -33.5, -39, -46.5, -50.5, -49, -42, -27, -4]
const HEADS = {
  x: [28, 7, -9, -24, -38],
  y: [0.725, 0.735, 0.715, 0.685, 0.645],
  depth: [3.3, 2.6, 2.6, 2.4, 2.6],
  sigmaX: [11, 9.5, 9.5, 9.5, 9.5],
  sigmaY: 12,
}
const TOES = {
  x: [26, 7, -8, -21, -32],
  y: [0.905, NaN, 0.872, 0.835, 0.79],
  depth: [4.3, 3, 2.7, 2.5, 2.5],
  sigmaX: [10, 6, 6, 6, 6],
  sigmaY: 7.5,
}

/** Where the first met head lies, share of the length; what the outline's stations are for, mm. */
export const FIRST_HEAD_SHARE = HEADS.y[0]!
export const OUTLINE_FOR = { heelMm: 65, forefootMm: 100 } as const

const ARCH_TOP = { mm: 18, atNavicularMm: 44, perMm: 0.6 }
/** Height of the top of the inner arch by the navicular's, mm. @example archTopMm(44) // 18 */
export const archTopMm = (navicularHeightMm: number): number =>
  ARCH_TOP.mm + ARCH_TOP.perMm * (navicularHeightMm - ARCH_TOP.atNavicularMm)
/** The navicular's height that goes with a top of the arch, mm. @example navicularOfArch(18) // 44 */
export const navicularOfArch = (topMm: number): number =>
  ARCH_TOP.atNavicularMm + (topMm - ARCH_TOP.mm) / ARCH_TOP.perMm

/** How much of the arch there is at a share of the length, 0 to 1. */
export const archBand = (s: number): number => S(s, 0.17, 0.42) * (1 - S(s, 0.44, 0.7))

/** Largest share of the half width the border formula is used at; the wall beyond is vertical. */
export const BORDER_LIMIT = 0.985

/**
 * Sole surface of a foot from its measures: heel and forefoot pads, arch, met heads, toes, a
 * rounded border, forefoot and cast angle. It is the *unloaded* sole, an own closed form (house
 * model), used wherever there is no captured shape.
 *
 * @param p lengths in mm, angles in degrees (+ = inverted, medial side up)
 * @param plan borders, heads and toes of a captured foot, in place of the house's proportions
 * @param hasHollows do heads and toes lie in hollows of their own?
 * For instance `createSole({ lengthMm: 265, forefootWidthMm: 100, heelWidthMm: 65, navicularHeightMm:
 *   44, … }).height(20, 111.3)` is 13.471
 */
export function createSole(p: SoleParameters, plan?: SolePlan, hasHollows = true): Sole {
  const L = p.lengthMm
  const heelCentreY = 0.13 * L
  const medialAt = hermite(STATIONS, MEDIAL)
  const lateralAt = hermite(STATIONS, LATERAL)
  const widthFactor = (s: number) => {
    const w = S(s, 0.2, 0.6)
    return (
      ((1 - w) * p.heelWidthMm) / OUTLINE_FOR.heelMm +
      (w * p.forefootWidthMm) / OUTLINE_FOR.forefootMm
    )
  }
  const medialFull = plan?.medial ?? ((y: number) => medialAt(y / L) * widthFactor(y / L))
  const lateralFull = plan?.lateral ?? ((y: number) => lateralAt(y / L) * widthFactor(y / L))
  const rounded = (y: number) =>
    y < heelCentreY ? Math.sqrt(Math.max(0, 1 - ((heelCentreY - y) / heelCentreY) ** 2)) : 1

  const scale = p.forefootWidthMm / 100
  const heads = HEADS.x.map((x, i): Bump => ({
    x: x * scale,
    y: HEADS.y[i]! * L,
    depth: HEADS.depth[i]!,
    sigmaX: HEADS.sigmaX[i]! * scale,
    sigmaY: HEADS.sigmaY,
  }))
  const toes = TOES.x.map((x, i): Bump => ({
    x: x * scale,
    y: i === 1 ? TOES.y[0]! * L + p.secondToeLeadMm : TOES.y[i]! * L,
    depth: TOES.depth[i]!,
    sigmaX: TOES.sigmaX[i]! * scale,
    sigmaY: TOES.sigmaY,
  }))
  plan?.heads.forEach(([x, y], i) => Object.assign(heads[i]!, { x, y }))
  plan?.toes.forEach(([x, y], i) => Object.assign(toes[i]!, { x, y }))
  const bumps = hasHollows ? [...heads, ...toes] : []
  const lateralToMedial = [...heads].reverse()
  const headLineY = polyline(
    lateralToMedial.map((h) => h.x),
    lateralToMedial.map((h) => h.y),
  )

  const topMm = archTopMm(p.navicularHeightMm)
  const tanForefoot = Math.tan(radians(p.forefootDeg))
  const tanCast = Math.tan(radians(p.castDeg))

  const border = (s: number) => {
    const w = S(s, 0.18, 0.45)
    return { m: 3.44 + (5 - 3.44) * w, c: 24 + (13 - 24) * w }
  }
  const borderHeight = (s: number, rho: number) => {
    const { m, c } = border(s)
    return c * (1 - (1 - Math.min(BORDER_LIMIT, rho) ** m) ** (1 / m))
  }
  const borderShare = (s: number, heightMm: number) => {
    const { m, c } = border(s)
    if (heightMm >= c) return BORDER_LIMIT
    return Math.min(BORDER_LIMIT, (1 - (1 - Math.max(0, heightMm) / c) ** m) ** (1 / m))
  }

  const place = (x: number, y: number): SolePlace => {
    const yBorder = Math.max(y, heelCentreY)
    const med = medialFull(yBorder)
    const lat = lateralFull(yBorder)
    const middleX = (med + lat) / 2
    const halfWidth = (med - lat) / 2
    const back = y < heelCentreY ? (heelCentreY - y) / heelCentreY : 0
    return {
      s: y / L,
      u: Math.min(1, Math.max(0, (x - lat) / (med - lat))),
      q: y - headLineY(x),
      rho: Math.sqrt(((x - middleX) / halfWidth) ** 2 + back * back),
      middleX,
      halfWidth,
    }
  }

  const height = (x: number, y: number): number => {
    const { s, u, q, rho } = place(x, y)
    let z =
      archBand(s) * (p.lateralArchMm + (topMm - p.lateralArchMm) * u ** 2.2) +
      4 * S(q, -45, -8) +
      1.5 * S(q, 5, 25)
    for (const b of bumps) {
      const dx = (x - b.x) / b.sigmaX
      const dy = (y - b.y) / b.sigmaY
      const r2 = dx * dx + dy * dy
      if (r2 < 72) z -= b.depth * Math.exp(-0.5 * r2) // beyond, the bump is below 1e-15 mm
    }
    z += tanForefoot * x * S(s, 0.42, 0.62) + tanCast * x * (1 - S(s, 0.3, 0.5))
    return z + borderHeight(s, rho)
  }

  const medial = (y: number) => medialFull(Math.max(y, heelCentreY)) * rounded(y)
  const lateral = (y: number) => lateralFull(Math.max(y, heelCentreY)) * rounded(y)
  const contains = (x: number, y: number) =>
    y >= 0.5 && y <= L && x <= medial(y) - 0.3 && x >= lateral(y) + 0.3
  return {
    parameters: p,
    heelCentreY,
    medial,
    lateral,
    headLineY,
    heads,
    toes,
    place,
    height,
    borderHeight,
    borderShare,
    contains,
  }
}
