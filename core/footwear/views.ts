import type { FootwearModel } from './catalogueSchema'
import type { StandingFoot } from '../kinds/stations/definition'
import { alongCubics, sideHeightsOf, sideOutline } from '../measure/sideOutline'
import { shellInside } from './gradeShell'
import type { Station } from '../kinds/stations/all'

export type Line = [number, number][]

/**
 * A foot and the inside of a shell in one view, in shell coordinates, mm. Points that no measure
 * holds are named in `guessed`.
 */
export interface FitView {
  foot: Line
  shell: Line
  /** stations of the shell that were drawn after the foot because nobody measured them */
  guessed: Station[]
}

const worn = (model: FootwearModel) => 1 - model.liner.packOut

/**
 * From the inner side: [from the inside of the shell's back, over the boot board]. The foot stands
 * on its device, its heel against the broken-in liner. Heights of toes and dorsum are measures; the
 * leg and what lies between follow usual shares of the length (an estimate).
 */
export function sideView(foot: StandingFoot, model: FootwearModel, sizeMm: number): FitView {
  const L = foot.lengthMm
  const inside = shellInside(model, sizeMm)
  const guessed: Station[] = []
  const under = foot.stackMm === null ? model.insoleMm : (foot.stackMm.heel ?? foot.stackMm.instep)
  const front = foot.stackMm === null ? model.insoleMm : foot.stackMm.toes
  const back = model.liner.thicknessMm.heel * worn(model)
  const {
    dorsumMm: dorsum,
    toeMm: toe,
    ...heights
  } = sideHeightsOf({
    lengthMm: L,
    ...(foot.dorsumHeightMm !== undefined && { dorsumMm: foot.dorsumHeightMm }),
    ...(foot.toeHeightMm !== undefined && { toeMm: foot.toeHeightMm }),
    ...(foot.malleolusHeightMm !== undefined && { medialMalleolusMm: foot.malleolusHeightMm }),
  })
  const ball = 0.62 * dorsum
  const top = legTopMm(foot)
  const leanMm = Math.tan(((model.cuffLeanDeg ?? 12) * Math.PI) / 180) * (top - 0.35 * L)
  // The leg leans with the cuff, from the ankle up.
  const ankle = 0.35 * L
  const body = alongCubics(sideOutline({ ...heights, dorsumMm: dorsum, toeMm: toe }, top)).map(
    ([y, z]): [number, number] => [y + (leanMm * Math.max(0, z - ankle)) / (top - ankle), z],
  )
  const at = (x: number) => under + ((front - under) * x) / L
  const footLine = body.map(([y, z]): [number, number] => [
    y + back,
    z + at(Math.min(L, Math.max(0, y))),
  ])
  const need = (station: Station, value: number | undefined, fall: number) =>
    value === undefined ? (guessed.push(station), fall) : value
  const length = need('length', inside.lengthMm, L + 12)
  const toeH = need('toeBoxHeight', inside.toeBoxHeightMm, toe + front + 6)
  const ballH = inside.ballHeightMm ?? ball + under + 10
  if (inside.ballHeightMm === undefined) guessed.push('ballHeight')
  const instepH = need('instepHeight', inside.instepHeightMm, dorsum + under + 10)
  const throat = instepH + 0.3 * dorsum
  const cuff = inside.cuffHeightMm ?? top
  const shell: Line = [
    [3, 0],
    [0.5 * length, 0],
    [0.97 * length, 0],
    [length, 0.5 * toeH],
    [0.94 * length, toeH],
    [0.7 * length, Math.min(ballH, instepH)],
    [0.5 * L + back, instepH],
    [0.33 * L + back, throat],
    [0.31 * L + back, 0.37 * L + under],
    [0.3 * L + back + leanMm + model.liner.thicknessMm.ankle, cuff],
    [leanMm * 0.9, cuff],
    [back * 0.6, 0.34 * L],
    [0, 0.13 * L],
    [0, 0.04 * L],
  ]
  return { foot: footLine, shell, guessed }
}

/** How far up the leg is drawn, mm. */
export const legTopMm = (foot: StandingFoot): number => 0.85 * foot.lengthMm

/**
 * From behind: [medial +, over the boot board], one closed line each. Widths at heel and ankle are
 * measures; the leg is a round column of its girth (an estimate).
 */
export function backView(foot: StandingFoot, model: FootwearModel, sizeMm: number): FitView {
  const inside = shellInside(model, sizeMm)
  const guessed: Station[] = []
  const under = foot.stackMm === null ? model.insoleMm : (foot.stackMm.heel ?? foot.stackMm.instep)
  const heel = (foot.heelWidthMm ?? 0.245 * foot.lengthMm) / 2
  const ankle = (foot.malleolusWidthMm ?? 0.265 * foot.lengthMm) / 2
  const height = foot.malleolusHeightMm ?? 0.3 * foot.lengthMm
  const leg = (foot.calfGirthMm ?? 1.3 * foot.lengthMm) / (2 * Math.PI)
  const top = legTopMm(foot)
  // The lateral malleolus lies some 12 mm lower than the medial one.
  const half = (sign: 1 | -1, drop: number): Line => [
    [sign * heel * 0.7, 0],
    [sign * heel, 22],
    [sign * heel * 0.86, 0.62 * height],
    [sign * ankle, height - drop],
    [sign * ankle * 0.78, 1.35 * height],
    [sign * leg, top],
  ]
  const footLine: Line = [...half(1, 0), ...half(-1, 12).reverse()].map(
    ([x, z]): [number, number] => [x, z + under],
  )
  const value = (station: Station, v: number | undefined, fall: number) =>
    v === undefined ? (guessed.push(station), fall) : v
  const heelIn = value('heel', inside.heelWidthMm, 2 * heel + 16) / 2
  const ankleIn = value('ankle', inside.ankleWidthMm, 2 * ankle + 22) / 2
  const cuffIn = value('cuff', inside.cuffGirthMm, 2 * Math.PI * (leg + 10)) / (2 * Math.PI)
  const pocket = inside.ankleHeightMm ?? height + under
  const cuffTop = inside.cuffHeightMm ?? top
  const wall = (sign: 1 | -1, drop: number): Line => [
    [sign * heelIn * 0.85, 0],
    [sign * heelIn, 22 + under],
    [sign * heelIn * 0.95, 0.6 * pocket],
    [sign * ankleIn, pocket - drop],
    [sign * ankleIn * 0.92, 1.3 * pocket],
    [sign * cuffIn, Math.max(cuffTop, 1.45 * pocket)],
  ]
  return { foot: footLine, shell: [...wall(1, 0), ...wall(-1, 12).reverse()], guessed }
}
