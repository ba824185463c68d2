import { modelOf } from '../footwear/brought'
import { madeOf } from '../device/shellMaking'
import { usesCaptured } from '../device/footField'
import type { Grid } from '../geometry/grid'
import type { Mesh } from '../geometry/mesh'
import type { FootwearModel } from '../footwear/catalogueSchema'
import { bestMean } from '../measure/reading'
import { READING_KINDS } from '../kinds/readings/all'
import type { FittingRecord } from '../record/schema'
import { normsOf } from '../record/tables'
import { SIDES, type Side } from '../tables/vocabulary'

/** What a lab must know of the feet beside the prescription: no name, no story. */
export interface LabFoot {
  /** standing means, mm */
  readings: Partial<Record<(typeof READING_KINDS)[number], number>>
  /** what the device is built on: a captured surface that goes along, or the readings */
  surface: 'captured' | 'readings'
  way: string | null
  load: string | null
  making: 'pressed' | 'printed' | 'milled' | 'blank'
}

/** Footwear that a pair of devices is for. */
export interface LabFootwear {
  model: string | null
  maker: string | null
  family: string | null
  sizeMm: Partial<Record<Side, number>>
}

/** The feet of an order as the lab is told of them. */
export function labFeet(
  record: FittingRecord,
  feet: readonly Side[],
): Partial<Record<Side, LabFoot>> {
  const norms = normsOf(record)
  return Object.fromEntries(
    feet.flatMap((side) => {
      const foot = record.feet[side]
      if (!foot?.device) return []
      const means = READING_KINDS.flatMap((what) => {
        const mean = bestMean(foot, what, 'standing')
        return mean === undefined ? [] : [[what, Math.round(mean * 10) / 10]]
      })
      const captured = usesCaptured(foot)
      return [
        [
          side,
          {
            readings: Object.fromEntries(means) as LabFoot['readings'],
            surface: captured ? 'captured' : 'readings',
            way: captured ? foot.capture!.way : null,
            load: captured ? foot.capture!.load : null,
            making: madeOf(foot.device, norms).way,
          } satisfies LabFoot,
        ],
      ]
    }),
  )
}

/** The footwear that was chosen; all unknown where none was. */
export function labFootwear(record: FittingRecord, models: readonly FootwearModel[]): LabFootwear {
  const chosen = record.footwear?.chosen
  const model = modelOf(record, models, chosen?.model)
  const sizes = { left: chosen?.sizeLeftMm, right: chosen?.sizeRightMm }
  return {
    model: model?.name ?? null,
    maker: model?.maker ?? null,
    family: model?.family ?? null,
    sizeMm: Object.fromEntries(
      SIDES.flatMap((side) => (sizes[side] === undefined ? [] : [[side, sizes[side]]])),
    ),
  }
}

/** A captured surface as an open mesh that looks up: two triangles for every square that is there, mm. */
export function surfaceMesh({ x0, y0, stepMm, columns, rows, z }: Grid): Mesh {
  const index = new Int32Array(z.length).fill(-1)
  const positions: number[] = []
  z.forEach((height, i) => {
    if (Number.isNaN(height)) return
    index[i] = positions.length / 3
    const [row, column] = [Math.floor(i / columns), i % columns]
    positions.push(x0 + (column + 0.5) * stepMm, y0 + (row + 0.5) * stepMm, height)
  })
  const triangles: number[] = []
  for (let row = 0; row + 1 < rows; row++)
    for (let column = 0; column + 1 < columns; column++) {
      const i = row * columns + column
      const corners = [i, i + 1, i + columns + 1, i + columns].map((k) => index[k]!)
      const [a, b, c, d] = corners as [number, number, number, number]
      if (corners.every((k) => k >= 0)) triangles.push(a, b, c, a, c, d)
    }
  return { positions: Float64Array.from(positions), triangles: Uint32Array.from(triangles) }
}
