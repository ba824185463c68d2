import { soleOutline } from '../device/outline'
import type { Sole } from '../geometry/soleField'
import type { FootwearModel } from './catalogueSchema'
import { shellInside } from './gradeShell'
import type { Line } from './views'

/**
 * A foot and the inside of a shell from above, in shell coordinates: [medial +, from the inside of
 * the back], mm.
 */
export interface PlanView {
  foot: Line
  shell: Line
  lengthMm: number
}

/** Where the shell's width at heel and ball hold, as shares of the foot's length. */
const HEEL_S = 0.13
const BALL_S = 0.69

/**
 * A foot in its shell from above, to scale: the shell's line runs through its own length and widths
 * at heel and ball, the rest follows the shape of the foot (an estimate). The heel sits against the
 * broken-in liner.
 */
export function planView(
  sole: Sole,
  widths: { forefootWidthMm: number; heelWidthMm: number; lengthMm: number },
  model: FootwearModel,
  sizeMm: number,
): PlanView {
  const inside = shellInside(model, sizeMm)
  const { lengthMm: L, forefootWidthMm, heelWidthMm } = widths
  const length = inside.lengthMm ?? L + 10
  const back = model.liner.thicknessMm.heel * (1 - model.liner.packOut)
  const heel = ((inside.heelWidthMm ?? heelWidthMm) - heelWidthMm) / 2
  const ball = ((inside.ballWidthMm ?? forefootWidthMm) - forefootWidthMm) / 2
  const gap = (s: number) =>
    s < HEEL_S
      ? heel
      : s > BALL_S
        ? ball
        : heel + ((ball - heel) * (s - HEEL_S)) / (BALL_S - HEEL_S)
  const outline = soleOutline(sole)
  return {
    foot: outline.map(([x, y]) => [x, y + back]),
    shell: outline.map(([x, y]) => {
      const { middleX, halfWidth, s } = sole.place(x, y)
      const across = Math.max(-1, Math.min(1, (x - middleX) / halfWidth))
      return [x + across * gap(s), (y * length) / L]
    }),
    lengthMm: length,
  }
}

/**
 * Where a closed line is widest on one side at a distance from the heel; null beyond its ends.
 * @param side 1 medial, −1 lateral
 */
export function borderAt(line: Line, yMm: number, side: 1 | -1): number | null {
  let best: number | null = null
  for (let i = 0, j = line.length - 1; i < line.length; j = i++) {
    const [x1, y1] = line[j]!
    const [x2, y2] = line[i]!
    if ((y1 - yMm) * (y2 - yMm) > 0 || y1 === y2) continue
    const x = x1 + ((x2 - x1) * (yMm - y1)) / (y2 - y1)
    if (best === null || side * x > side * best) best = x
  }
  return best
}

/**
 * Points of a piece of work on the plan: on the wall of its side or sides, else on the middle line.
 */
export function planPoints(
  view: PlanView,
  at: { fromHeelMm: number; side: string },
): [number, number][] {
  const y = Math.min(view.lengthMm - 1, Math.max(1, at.fromHeelMm))
  const wall = (side: 1 | -1): [number, number] => [borderAt(view.shell, y, side) ?? 0, y]
  if (at.side === 'both') return [wall(1), wall(-1)]
  if (at.side === 'medial') return [wall(1)]
  if (at.side === 'lateral') return [wall(-1)]
  const [medial, lateral] = [borderAt(view.shell, y, 1) ?? 0, borderAt(view.shell, y, -1) ?? 0]
  return [
    [(medial + lateral) / 2, at.side === 'front' ? view.lengthMm : at.side === 'back' ? 0 : y],
  ]
}
