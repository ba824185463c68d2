import type { Side } from '../../tables/vocabulary'
import { bordersBetween, outlineRows } from './outlineRows'
import type { SoleGrid } from './soleGrid'

/** Left or right, and how surely: below 1 it should be asked. */
export interface SideGuess {
  side: Side
  sureness: number
}

/**
 * Left or right from the sole in a rough pose (x to the right seen from above): the arch is on the
 * inner side, the toes reach further forward there, and the plan's front bends towards it.
 *
 * @param grid sole in the rough pose, y from the heel, any step
 */
export function whichSide(grid: SoleGrid, lengthMm: number): SideGuess {
  const rows = outlineRows(grid)
  const heel = bordersBetween(grid, rows, 0.08 * lengthMm, 0.2 * lengthMm)
  const ball = bordersBetween(grid, rows, 0.62 * lengthMm, 0.76 * lengthMm)
  if (!heel || !ball) return { side: 'left', sureness: 0 }
  const middle = (b: { medial: number; lateral: number }) => (b.medial + b.lateral) / 2
  const lean = (middle(ball) - middle(heel)) / (0.55 * lengthMm)
  const axis = (y: number) => middle(heel) + lean * (y - 0.14 * lengthMm)
  const half = (ball.medial - ball.lateral) / 2
  // Front edge on either side of the axis, and heights under the midfoot.
  const front = { right: [] as number[], left: [] as number[] }
  const arch = { right: [] as number[], left: [] as number[] }
  for (let c = 0; c < grid.columns; c++) {
    const x = grid.x0 + (c + 0.5) * grid.stepMm
    let last = -Infinity
    for (let r = 0; r < grid.rows; r++) {
      const z = grid.z[r * grid.columns + c]!
      if (Number.isNaN(z)) continue
      const y = grid.y0 + (r + 0.5) * grid.stepMm
      const away = x - axis(y)
      last = Math.max(last, y)
      if (
        y > 0.32 * lengthMm &&
        y < 0.52 * lengthMm &&
        Math.abs(away) > 0.2 * half &&
        Math.abs(away) < 0.65 * half
      )
        arch[away > 0 ? 'right' : 'left'].push(z)
    }
    const away = x - axis(0.9 * lengthMm)
    if (Math.abs(away) > 0.35 * half && Math.abs(away) < 0.7 * half && last > 0.6 * lengthMm)
      front[away > 0 ? 'right' : 'left'].push(last)
  }
  const mean = (v: readonly number[]) => (v.length ? v.reduce((a, b) => a + b, 0) / v.length : 0)
  const score =
    (mean(arch.right) - mean(arch.left)) / 4 + (mean(front.right) - mean(front.left)) / 8
  return { side: score >= 0 ? 'left' : 'right', sureness: Math.abs(score) }
}
