import { radians } from '../geometry/tilt'
import { sampleGrid, type Grid } from '../geometry/grid'
import type { ShellBody } from './bodySolid'

/**
 * A cut through the device: heights above the floor, mm, along the line from lateral to medial;
 * null where there is nothing.
 */
export interface Section {
  yMm: number
  /** turn of the line, degrees: + turns its medial end forward */
  turnDeg: number
  /** place along the line, mm from the axis */
  xMm: number[]
  cast: (number | null)[]
  top: (number | null)[]
  bottom: (number | null)[]
  shellBottom: (number | null)[]
}

/**
 * Cuts a shell body along a line through (0, yMm), every millimetre. Heights are above the floor
 * the device stands on.
 */
export function cutSection(body: ShellBody, yMm: number, turnDeg = 0): Section {
  const { field, cast } = body.surface
  const { sole } = field
  const section: Section = { yMm, turnDeg, xMm: [], cast: [], top: [], bottom: [], shellBottom: [] }
  const on = (z: Float64Array) => ({
    x0: field.x0,
    y0: field.y0,
    stepMm: field.stepMm,
    columns: field.columns,
    rows: field.rows,
    z,
  })
  const [insideGrid, castGrid, topGrid, bottomGrid, shellGrid] = [
    body.inside,
    cast,
    body.top,
    body.bottom,
    body.shellBottom,
  ].map(on)
  const [cos, sin] = [Math.cos(radians(turnDeg)), Math.sin(radians(turnDeg))]
  const straight = turnDeg === 0
  // A turned line may meet the foot anywhere; a straight one only between its borders.
  const from = straight ? Math.floor(sole.lateral(yMm)) - 9 : -120
  const to = straight ? Math.ceil(sole.medial(yMm)) + 14 : 120
  for (let t = from; t <= to; t++) {
    const [x, y] = [t * cos, yMm + t * sin]
    const height = (grid: Grid | undefined) => sampleGrid(grid!, x, y) - body.floorMm
    const within =
      x > field.x0 && x < -field.x0 && y > field.y0 && y < field.y0 + field.rows * field.stepMm
    const inShell = within && sampleGrid(insideGrid!, x, y) > 0
    const onFoot = sole.contains(x, y)
    if (!straight && !inShell && !onFoot) continue
    section.xMm.push(t)
    section.cast.push(onFoot ? height(castGrid) : null)
    section.top.push(inShell ? height(topGrid) : null)
    section.bottom.push(inShell ? height(bottomGrid) : null)
    section.shellBottom.push(inShell ? height(shellGrid) : null)
  }
  return section
}
