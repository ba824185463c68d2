import { bench, describe } from 'vitest'
import { HOUSE_NORMS } from '../../core/record/tables'
import { matchRecord } from '../../core/footwear/matchRecord'
import { demoModels } from '../../demo/catalogue'
import { DEMO_RECORDS } from '../../demo/records'
import type { Device } from '../../core/record/schema'
import { bundled } from './bundled'
import type * as Core from './studioCore'

const {
  buildPositive,
  standingOf,
  buildShell,
  buildSolid,
  buildSurface,
  cutSection,
  deviceContours,
  soleFieldOf,
} = await bundled<typeof Core>('studioCore')
const tove = DEMO_RECORDS['tove-marchetti']!
const foot = tove.feet.right!
const { field } = soleFieldOf(foot, 'right', HOUSE_NORMS)
let turn = 0
/** Another depth each time, so that nothing can be remembered. */
const changed = (): Device => ({
  ...foot.device!,
  layers: foot.device!.layers.map((l) =>
    l.kind === 'medialSkive' ? { ...l, depthMm: 2 + (turn++ % 20) / 10 } : l,
  ),
})
let shown = buildShell(buildSurface(field, foot.device!), foot.device!, HOUSE_NORMS)
const body = buildShell(buildSurface(field, foot.device!), foot.device!, HOUSE_NORMS)
const models = demoModels()

describe('one change of a layer on a 1 mm grid', () => {
  bench(
    'new surface, shell, contours and section (goal: median under 16 ms)',
    () => {
      const device = changed()
      shown = buildShell(buildSurface(field, device), device, HOUSE_NORMS, shown)
      deviceContours(shown, 2)
      cutSection(shown, 34.5)
    },
    { time: 3000 },
  )
  bench('surface alone', () => void buildSurface(field, changed()))
})

describe('the rest', () => {
  bench('sole sampled anew on 1 mm', () => void soleFieldOf(foot, 'right', HOUSE_NORMS))
  bench('how it stands (goal: under 80 ms)', () => void standingOf(body), { time: 2000 })
  bench('positive (goal: under 150 ms)', () => void buildPositive(field, foot.device!), {
    time: 2000,
  })
  bench('solid with its checks (goal: under 150 ms)', () => void buildSolid(body), { time: 2000 })
  bench('match of the demo catalogue, both devices built', () => void matchRecord(tove, models))
})
