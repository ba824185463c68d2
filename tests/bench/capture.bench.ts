import { HOUSE_NORMS } from '../../core/record/tables'
import { bench, describe } from 'vitest'
import { captureFoot, openScan } from '../../core/capture/captureScan'
import { takenSurface } from '../../core/capture/takenSurface'
import { standinScan } from '../../core/capture/standin/scan'
import { cutLongEdges } from '../../core/capture/standin/footBody'
import { footField } from '../../core/device/footField'
import { readMesh } from '../../core/formats/mesh/readMesh'
import { writeMesh } from '../../core/formats/mesh/writeMesh'
import { DEMO_RECORDS } from '../../demo/records'

const foot = DEMO_RECORDS['tove-marchetti']!.feet.left!
const small = standinScan(foot, 'left', { rows: HOUSE_NORMS, seed: 1, noiseMm: 0.3, turned: true })
/** The same foot with every edge cut until there are about a million triangles. */
const dense = cutLongEdges(small, 0.72)
const files = { small: writeMesh('stl', small, 'x'), dense: writeMesh('stl', dense, 'x') }
const whole = (bytes: Uint8Array) =>
  captureFoot(openScan(readMesh('x.stl', bytes)), 'left', foot, {}, HOUSE_NORMS)
const open = openScan(readMesh('x.stl', files.small))
const surface = takenSurface(captureFoot(open, 'left', foot, {}, HOUSE_NORMS))

describe(`a binary STL from its bytes to grid, readings and checks`, () => {
  bench(
    `${(dense.triangles.length / 3).toLocaleString('en')} triangles (goal: under 6 s)`,
    () => void whole(files.dense),
    { iterations: 3, warmupIterations: 1, time: 0 },
  )
  bench(
    `${(small.triangles.length / 3).toLocaleString('en')} triangles`,
    () => void whole(files.small),
    { iterations: 5, warmupIterations: 1, time: 0 },
  )
})
describe('after that', () => {
  bench(
    'a landmark is moved',
    () =>
      void captureFoot(open, 'left', foot, { firstMetHead: open.rough.frame.origin }, HOUSE_NORMS),
    { iterations: 5, time: 0 },
  )
  bench(
    'the captured sole is sampled for a device',
    () =>
      void footField(
        { ...foot, capture: { way: 'scan', load: 'none', use: 'captured', surface } },
        HOUSE_NORMS,
      ),
    { iterations: 10, time: 0 },
  )
})
