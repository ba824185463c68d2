import { bench, describe } from 'vitest'
import { matchSettings, standingFeet } from '../../core/footwear/matchRecord'
import { writeCatalogueCsv } from '../../core/formats/catalogueCsv'
import { demoModels } from '../../demo/catalogue'
import { DEMO_RECORDS } from '../../demo/records'
import { bundled } from './bundled'
import type * as Core from './studioCore'

const core = await bundled<typeof Core>('studioCore')
const tove = DEMO_RECORDS['tove-marchetti']!
const base = demoModels()
const SIZES = [230, 235, 240, 245, 250, 255, 260, 265, 270, 275, 280, 285]
/** Two thousand models of twelve sizes, each a little different. */
const models = Array.from({ length: 2000 }, (_, i) => {
  const m = base[i % base.length]!
  return {
    ...m,
    id: `m${i}`,
    sizesMm: SIZES,
    at: {
      ...m.at,
      ballWidthMm: m.at.ballWidthMm! + (i % 17) / 3,
      lengthMm: m.at.lengthMm! + (i % 5) - 2,
    },
  }
})
const feet = standingFeet(tove)
const settings = matchSettings(tove)
const csv = writeCatalogueCsv(
  Array.from({ length: 10_000 }, (_, i) => ({ ...base[i % base.length]!, id: `m${i}` })),
)

describe('match', () => {
  bench(
    '2,000 models × 12 sizes × 2 feet, the 40 best told (bar 100 ms)',
    () => void core.matchCatalogue(feet, models, settings, 40),
  )
  bench(
    'a catalogue of 10,000 rows read and checked (bar 3 s)',
    () => void core.readCatalogueCsv(csv),
    { iterations: 5, time: 0 },
  )
})
