import { mean, sum } from 'd3-array'
import type { Footprint } from '../record/footprintSchema'
import type { Side } from '../tables/vocabulary'
import { Refusal } from '../record/refusal'
import { clipArea, type Point } from '../geometry/clipArea'

/** Cells from this pressure on count as contact, kPa. */
export const CONTACT_KPA = 10

/**
 * A cell of the grid that touches: its corner square, centre and force. Frame: x medial +, y from
 * the rear edge of contact, mm.
 */
interface Cell {
  x: number
  y: number
  kPa: number
  row: number
  column: number
}

export interface FootprintReading {
  lengthMm: number
  /** line between ball and toes, mm from the rear edge: the fitter's, else the tool's proposal */
  toeLineMm: number
  proposedToeLineMm: number
  /** middle third over the whole, toes left out (Cavanagh & Rodgers 1987) */
  archIndex: number
  /** adults: ≤ 0.21 high arch, ≥ 0.26 low */
  archClass: 'high' | 'usual' | 'low'
  contactCm2: number
  forceN: number
  peakKPa: number
  peakAtMm: [number, number]
  /** share of the force, 0–1 */
  share: {
    heel: number
    midfoot: number
    forefoot: number
    toes: number
    medial: number
    lateral: number
  }
  centreOfPressureMm: [number, number]
  /**
   * axis from the middle of the heel to the middle of the ball, degrees from the grid's rows; +
   * leans medial
   */
  axisDeg: number
}

function cellsOf(print: Footprint, side: Side): Cell[] {
  const { kPa, cellMm } = print
  const rows = kPa.length
  const columns = kPa[0]!.length
  const bad = kPa.findIndex((row) => row.length !== columns)
  if (bad >= 0)
    throw new Refusal(
      'ragged-grid',
      `footprint.kPa.${bad}: this row has ${kPa[bad]!.length} cells, the first has ${columns}.`,
      `footprint.kPa.${bad}`,
    )
  const flip = side === 'left' ? 1 : -1
  const cells = kPa.flatMap((row, r) =>
    row.flatMap((value, c): Cell[] =>
      value >= CONTACT_KPA
        ? [
            {
              x: flip * (c + 0.5 - columns / 2) * cellMm,
              y: (rows - r - 0.5) * cellMm,
              kPa: value,
              row: r,
              column: c,
            },
          ]
        : [],
    ),
  )
  if (cells.length < 8)
    throw new Refusal(
      'empty-grid',
      `Fewer than 8 cells reach ${CONTACT_KPA} kPa: nothing stood on this grid.`,
      'footprint.kPa',
    )
  const rear = Math.min(...cells.map((c) => c.y)) - cellMm / 2
  const middle = mean(cells, (c) => c.x)!
  return cells.map((c) => ({ ...c, x: c.x - middle, y: c.y - rear }))
}

/**
 * Where the ball ends and the toes begin: in front of the patch that holds the heel; where toes
 * touch it, at the narrowest row there.
 */
function proposeToeLine(cells: readonly Cell[], cellMm: number, lengthMm: number): number {
  const at = new Map(cells.map((c) => [`${c.row},${c.column}`, c]))
  const rear = cells.reduce((a, b) => (b.y < a.y ? b : a))
  const seen = new Set<Cell>([rear])
  const queue = [rear]
  while (queue.length > 0) {
    const c = queue.pop()!
    for (let dr = -1; dr <= 1; dr++)
      for (let dc = -1; dc <= 1; dc++) {
        const next = at.get(`${c.row + dr},${c.column + dc}`)
        if (next && !seen.has(next)) {
          seen.add(next)
          queue.push(next)
        }
      }
  }
  const front = Math.max(...[...seen].map((c) => c.y)) + cellMm / 2
  if (front < 0.92 * lengthMm && front > 0.55 * lengthMm) return front
  const widths = new Map<number, number>()
  for (const c of cells)
    if (c.y > 0.72 * lengthMm && c.y < 0.92 * lengthMm) widths.set(c.y, (widths.get(c.y) ?? 0) + 1)
  const narrowest = [...widths].sort((a, b) => a[1] - b[1] || a[0] - b[0])[0]
  return narrowest ? narrowest[0] : 0.82 * lengthMm
}

/**
 * Reads a footprint or pressure grid: arch index, load shares, centre of pressure.
 *
 * Arch index: thirds of the print without toes along the axis heel → ball; the area of the middle
 * third over the whole; cells count from
 * 10 kPa and are cut by area where a third ends (Cavanagh & Rodgers 1987). The second toe itself is
 * not found: the middle of the ball stands in.
 *
 * @param side mirrors the columns so that x is medial +
 * @throws Refusal when rows differ in length or nothing stood on the grid
 * For instance `readFootprint(rectangle of equal cells, 'left').archIndex` is 0.333
 */
export function readFootprint(print: Footprint, side: Side): FootprintReading {
  const cells = cellsOf(print, side)
  const { cellMm } = print
  const lengthMm = Math.max(...cells.map((c) => c.y)) + cellMm / 2
  const proposedToeLineMm = proposeToeLine(cells, cellMm, lengthMm)
  const toeLineMm = Math.min(lengthMm, print.toeLineMm ?? proposedToeLineMm)
  const body = cells.filter((c) => c.y - cellMm / 2 < toeLineMm - 1e-9)
  const near = (from: number, to: number) =>
    body.filter((c) => c.y >= from * toeLineMm && c.y <= to * toeLineMm)
  const [heel, ball] = [near(0, 0.25), near(0.75, 1)]
  const lean =
    heel.length && ball.length
      ? (mean(ball, (c) => c.x)! - mean(heel, (c) => c.x)!) /
        (mean(ball, (c) => c.y)! - mean(heel, (c) => c.y)!)
      : 0
  const angle = Math.atan(lean)
  // The axis through the middle of the heel; every cell becomes a turned square whose third is cut
  // by area.
  const [ax, ay] = [Math.sin(angle), Math.cos(angle)]
  const h = cellMm / 2
  const squares = body.map((c) => ({
    cell: c,
    corners: (
      [
        [-h, -h],
        [h, -h],
        [h, h],
        [-h, h],
      ] as const
    ).map(([dx, dy]): Point => [c.x + dx, Math.min(toeLineMm, c.y + dy)]),
  }))
  const along = ([x, y]: Point) => x * ax + y * ay
  const ends = squares.flatMap((s) => s.corners.map(along))
  const [from, to] = [Math.min(...ends), Math.max(...ends)]
  const third = (to - from) / 3
  const below = (limit: number) => squares.map((s) => clipArea(s.corners, [ax, ay], limit))
  const cut = [below(from + third), below(from + 2 * third), below(to + 1)]
  const [rear, upToMiddle, whole] = cut.map((areas) => sum(areas)) as [number, number, number]
  const archIndex = (upToMiddle - rear) / whole
  const force = (c: Cell) => c.kPa * cellMm * cellMm * 1e-3
  const total = sum(cells, force)
  const shareOf = (areas: readonly number[], less?: readonly number[]) =>
    squares.reduce((t, s, i) => t + (s.cell.kPa * 1e-3 * (areas[i]! - (less?.[i] ?? 0))) / total, 0)
  const share = {
    heel: shareOf(cut[0]!),
    midfoot: shareOf(cut[1]!, cut[0]),
    forefoot: shareOf(cut[2]!, cut[1]),
  }
  const axisX = (y: number) =>
    (mean(heel, (c) => c.x) ?? 0) + lean * (y - (mean(heel, (c) => c.y) ?? 0))
  const medial = sum(cells, (c) => (c.x > axisX(c.y) ? force(c) : 0)) / total
  const peak = cells.reduce((a, b) => (b.kPa > a.kPa ? b : a))
  return {
    lengthMm,
    toeLineMm,
    proposedToeLineMm,
    archIndex,
    archClass: archIndexClass(archIndex),
    contactCm2: (cells.length * cellMm * cellMm) / 100,
    forceN: total,
    peakKPa: peak.kPa,
    peakAtMm: [peak.x, peak.y],
    share: {
      ...share,
      toes: Math.max(0, 1 - share.heel - share.midfoot - share.forefoot),
      medial,
      lateral: 1 - medial,
    },
    centreOfPressureMm: [
      sum(cells, (c) => c.x * force(c)) / total,
      sum(cells, (c) => c.y * force(c)) / total,
    ],
    axisDeg: (angle * 180) / Math.PI,
  }
}

/**
 * Classes of the arch index in adults (Cavanagh & Rodgers 1987): ≤ 0.21 high, ≥ 0.26 low, between
 * usual.
 */
export const archIndexClass = (index: number): FootprintReading['archClass'] =>
  index <= 0.21 + 1e-9 ? 'high' : index >= 0.26 - 1e-9 ? 'low' : 'usual'
