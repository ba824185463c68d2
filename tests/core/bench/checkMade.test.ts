import { describe, expect, it } from 'vitest'
import { caliperWords, checkMade } from '../../../core/bench/checkMade'
import { buildDevice } from '../../../core/device/buildDevice'
import { calipersOf } from '../../../core/device/calipers'
import { ticketOf } from '../../../core/formats/papers/ticket'
import { HOUSE_NORMS } from '../../../core/record/tables'
import { benchRecord } from '../../fixtures/benchRecord'

const read = (device: object) =>
  calipersOf(buildDevice(benchRecord(0, device).feet.left!, 'left', HOUSE_NORMS).body)

describe('what a caliper should read', () => {
  it('heel as thick as the sheet, arch over the bench, no post where there is none', () => {
    const bare = read({})
    expect(bare.heelMm).toBeCloseTo(4, 0.7)
    expect(bare.archMm).toBeGreaterThan(8)
    expect(bare.postMm).toBeNull()
  })
  it('a lift of 6 mm is 6 mm more at the heel', () => {
    expect(read({ heelLiftMm: 6 }).heelMm! - read({}).heelMm!).toBeCloseTo(6, 0)
  })
  it('a post is as high at its high corner as its angle makes it over the block', () => {
    const { postMm } = read({ posts: [{ at: 'rearfoot', angleDeg: 6 }] })
    // 80 % of 65 mm under 6°, a millimetre of base, and the heel's own roundness beside.
    expect(postMm).toBeGreaterThan(52 * Math.tan((6 * Math.PI) / 180) - 1)
    expect(postMm).toBeLessThan(14)
  })
})

describe('what was made', () => {
  const should = { heelMm: 6, archMm: 20, postMm: 5 }
  it.each([
    ['as it should be', { heelMm: 6.4 }, null],
    ['ground too far', { heelMm: 5.2 }, /ground too far/],
    ['not ground', { heelMm: 6.8 }, /not ground/],
    ['a low arch', { archMm: 18 }, /did not follow the positive/],
    ['a high arch', { archMm: 21 }, /lifted off warm|stands high/],
    ['a low post', { postMm: 4 }, /less than was asked/],
  ])('%s is told with its cause', (_, measured, cause) => {
    const [said] = checkMade(should, measured)
    if (cause === null) expect(said!.cause).toBeNull()
    else expect(said!.cause).toMatch(cause)
  })
  it('nothing is said of what nobody measured, or what there is not', () => {
    expect(checkMade(should, {})).toEqual([])
    expect(checkMade({ ...should, postMm: null }, { postMm: 4 })).toEqual([])
  })
  it('the ticket tells the numbers of each foot', () => {
    const record = benchRecord(0, { kind: 'full-custom' })
    expect(ticketOf(record, [], []).check).toEqual([expect.stringMatching(/^left: heel thickness/)])
    expect(caliperWords({ heelMm: 6, archMm: null, postMm: 5 })).toBe(
      'heel thickness 6.0 mm, post at its high corner 5.0 mm',
    )
  })
})
