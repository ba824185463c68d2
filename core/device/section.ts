import { sampleGrid, type Grid } from '../geometry/grid'
import type { ShellBody } from './shell'

/** A cut across the device at one distance from the heel: heights above the floor, mm, from lateral to medial; null where there is nothing. */
export interface Section {
  yMm: number
  xMm: number[]
  cast: (number | null)[]
  top: (number | null)[]
  bottom: (number | null)[]
  shellBottom: (number | null)[]
}

/** Cuts a shell body across at yMm, every millimetre of x. Heights are above the floor the device stands on. */
export function cutSection(body: ShellBody, yMm: number): Section {
  const { field, cast } = body.surface
  const { sole } = field
  const section: Section = { yMm, xMm: [], cast: [], top: [], bottom: [], shellBottom: [] }
  const on = (z: Float64Array) => ({ x0: field.x0, y0: field.y0, stepMm: field.stepMm, columns: field.columns, rows: field.rows, z })
  const [insideGrid, castGrid, topGrid, bottomGrid, shellGrid] = [body.inside, cast, body.top, body.bottom, body.shellBottom].map(on)
  const height = (grid: Grid | undefined, x: number) => sampleGrid(grid!, x, yMm) - body.floorMm
  const from = Math.floor(sole.lateral(yMm)) - 6
  const to = Math.ceil(sole.medial(yMm)) + 6
  for (let x = from; x <= to; x++) {
    const inShell = sampleGrid(insideGrid!, x, yMm) > 0
    section.xMm.push(x)
    section.cast.push(sole.contains(x, yMm) ? height(castGrid, x) : null)
    section.top.push(inShell ? height(topGrid, x) : null)
    section.bottom.push(inShell ? height(bottomGrid, x) : null)
    section.shellBottom.push(inShell ? height(shellGrid, x) : null)
  }
  return section
}
