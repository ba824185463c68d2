import { buildShell } from '../device/bodySolid'
import { footField } from '../device/footField'
import { stackHeights } from '../device/space'
import { standingOf } from '../device/solid'
import { buildSurface } from '../device/surface'
import { normsOf } from '../record/tables'
import type { FittingRecord } from '../record/schema'
import { SIDES, type Side } from '../tables/vocabulary'
import type { Contradiction } from './contradictions'
import { finishedContradictions } from './finishedContradictions'
import { heelsContradiction } from './heelsContradiction'
import { standsContradiction } from './standsContradiction'

/** The grid that devices are made on, mm: a coarser one may tell another fault. */
const STEP_MM = 1

/**
 * What the finished bodies of a record's devices contradict: how they stand, how thick they are, what meets at
 * one place. Each body is built for it: ask where there is time for that.
 */
export function finishedDevices(record: FittingRecord): Contradiction[] {
  const norms = normsOf(record)
  const heelMm: Partial<Record<Side, number>> = {}
  const each = SIDES.flatMap((side) => {
    const foot = record.feet[side]
    const device = foot?.device
    if (!device || device.kind === 'none') return []
    const field = footField(foot, norms, STEP_MM)?.field
    if (!field) return []
    const body = buildShell(buildSurface(field, device), device, norms)
    const { stands } = standingOf(body)
    heelMm[side] = stackHeights(body, device).heelMm
    return [
      ...standsContradiction(stands, device, side),
      ...finishedContradictions(body, stands, device, side, norms),
    ]
  })
  const { left, right } = heelMm
  if (left === undefined || right === undefined) return each
  return [...each, ...heelsContradiction({ left, right }, record, norms)]
}
