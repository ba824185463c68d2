import { sampleGrid, type Grid } from '../../geometry/grid'
import type { SoleField } from '../../geometry/soleField'
import { amountMm, stored } from './amountRule'
import { acrossFoot } from './field'
import { movedWall } from './movedWall'
import { layer } from './definition'

const AMOUNT = amountMm({ fallback: 2, presets: [1, 2, 3], usual: [0, 4] })

/** How far the wall moved at this height over the cup's floor, beside the middle of the heel. */
const READ_MM = 8

/** Reads both walls as a caliper does; the one that moved less counts. */
function wallMovedMm(field: SoleField, askedMm: number, change: Float64Array) {
  const y = field.sole.heelCentreY
  const moved = { ...field, z: field.z.map((z, i) => z + change[i]!) }
  const edge = (grid: Grid, side: 1 | -1) => {
    let out = 0
    while (out < 80 && sampleGrid(grid, side * out, y) < READ_MM) out += 0.05
    return side * out
  }
  const mm = ([1, -1] as const).map((side) => Math.abs(edge(moved, side) - edge(field, side)))
  return { mm: askedMm === 0 ? 0 : Math.min(...mm), xMm: edge(moved, 1), yMm: y }
}

/** Opens the heel for the fat pad, which spreads under load. */
export const heelExpansion = layer({
  kind: 'heelExpansion',
  name: 'Heel expansion',
  call: 'expansion',
  does: 'opens the cup for the fat pad',
  plain: 'room around the heel for its soft pad',
  where: 'cast · heel border',
  child: 'room is welcome in a growing foot',
  insensate: 'room unloads the border: welcome',
  phase: 'shape',
  lies: 'cast',
  edged: true,
  pushes: false,
  onPlain: true,
  amounts: [AMOUNT],
  schema: { amountMm: stored(AMOUNT) },
  more: () => [],
  sheet: null,
  clashes: [],
  asked: (layer) => layer.amountMm,
  reach: (field) => acrossFoot(field, -0.1, 0.34),
  achieved: (field, layer, change) => wallMovedMm(field, layer.amountMm, change),
  outwardMm: (layer) => layer.amountMm,
  change: (field, layer) => movedWall(field, layer.amountMm).change,
})
