import { sampleGrid } from '../geometry/grid'
import type { LayerKind } from '../kinds/layers/all'
import type { Foot } from '../record/schema'
import { plainDevice } from './buildDevice'
import { footField } from './footField'
import type { SoleRows } from './soleParameters'
import { buildSurface } from './surface'

/**
 * What changes when a device moves from the readings' sole to the captured one, its layers staying
 * as they are.
 */
export interface SurfaceChange {
  lengthMm: [number, number]
  forefootWidthMm: [number, number]
  heelWidthMm: [number, number]
  /** height of the device's top, mm, before and after */
  at: { place: 'heel' | 'arch' | 'ball'; before: number; after: number }[]
  /** under the shell, away from its steep rim */
  largest: { mm: number; xMm: number; yMm: number }
  layers: { kind: LayerKind; before: number; after: number }[]
}

/**
 * The device of a foot on its readings and on its captured surface, side by side; null when one of
 * the two is missing.
 */
export function surfaceChange(foot: Foot, rows: SoleRows): SurfaceChange | null {
  if (!foot.capture?.surface) return null
  const before = footField({ ...foot, capture: { ...foot.capture, use: 'readings' } }, rows, 2)
  const after = footField({ ...foot, capture: { ...foot.capture, use: 'captured' } }, rows, 2)
  if (!before || !after || before.from !== 'readings') return null
  const device = foot.device ?? plainDevice()
  const [a, b] = [buildSurface(before.field, device), buildSurface(after.field, device)]
  const [gridA, gridB] = [
    { ...before.field, z: a.top },
    { ...after.field, z: b.top },
  ]
  const [pa, pb] = [before.field.sole.parameters, after.field.sole.parameters]
  const place = (name: 'heel' | 'arch' | 'ball', x: number, s: number) => ({
    place: name,
    before: sampleGrid(gridA, x, s * pa.lengthMm),
    after: sampleGrid(gridB, x, s * pb.lengthMm),
  })
  let largest = { mm: 0, xMm: 0, yMm: 0 }
  for (let i = 0; i < b.top.length; i++) {
    if (
      !after.field.mask[i] ||
      after.field.rho[i]! > 0.85 ||
      after.field.q[i]! > -device.outline.distal.behindHeadsMm
    )
      continue
    const [xMm, yMm] = [after.field.x[i]!, after.field.y[i]!]
    const mm = b.top[i]! - sampleGrid(gridA, xMm, (yMm * pa.lengthMm) / pb.lengthMm)
    if (Math.abs(mm) > Math.abs(largest.mm)) largest = { mm, xMm, yMm }
  }
  return {
    lengthMm: [pa.lengthMm, pb.lengthMm],
    forefootWidthMm: [pa.forefootWidthMm, pb.forefootWidthMm],
    heelWidthMm: [pa.heelWidthMm, pb.heelWidthMm],
    at: [place('heel', 0, 0.13), place('arch', 0.06 * pb.lengthMm, 0.43), place('ball', 0, 0.7)],
    largest,
    layers: b.layers.map((l) => ({
      kind: l.kind,
      before: a.layers.find((o) => o.kind === l.kind)?.peakMm ?? 0,
      after: l.peakMm,
    })),
  }
}
