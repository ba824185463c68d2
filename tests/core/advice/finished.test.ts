import { describe, expect, it } from 'vitest'
import { advise } from '../../../core/advice/advise'
import { contradictionsOf } from '../../../core/advice/contradictions'
import { finishedDevices } from '../../../core/advice/finishedDevices'
import { benchRecord } from '../../fixtures/benchRecord'
import type { FittingRecord } from '../../../core/record/schema'

const STEADY = { posts: [{ at: 'rearfoot', angleDeg: 0 }] }
const codes = (record: FittingRecord) => contradictionsOf(record).map((c) => c.code)
const finished = (device: object, forefootDeg = 0) =>
  finishedDevices(benchRecord(forefootDeg, device)).map((c) => c.code)
const withReadings = (device: object, readings: object[]) => {
  const record = benchRecord(0, device)
  record.feet.left!.readings.push(...(readings as never[]))
  return record
}
const reading = (what: string, mm: number) => ({
  what,
  posture: 'standing',
  trials: [mm, mm],
  struck: [],
})

describe('what is absurd in the numbers of a device', () => {
  it.each([
    ['a layer of 0', { layers: [{ kind: 'medialSkive', depthMm: 0 }] }, 'amount-of-nothing'],
    [
      'two skives in one heel',
      { layers: [{ kind: 'medialSkive' }, { kind: 'threePlaneShave' }] },
      'skives-doubled',
    ],
    ['a pad on a bar', { layers: [{ kind: 'metPad' }, { kind: 'metBar' }] }, 'pad-on-bar'],
    [
      'an inverted cast that is skived too',
      { inverted: { castDeg: 25 }, layers: [{ kind: 'medialSkive' }] },
      'inverted-and-skived',
    ],
    ['a bar at the heads', { layers: [{ kind: 'metBar', behindHeadsMm: 0 }] }, 'pad-under-heads'],
    [
      'a wall that nothing closes over',
      { outline: { medialTopMm: 25 }, layers: [{ kind: 'medialFlange', heightMm: 25 }] },
      'wall-too-high',
    ],
    ['a cast inverted by 40°', { inverted: { castDeg: 40 } }, 'outside-usual'],
    ['carbon of 3 mm', { shell: { material: 'carbon', thicknessMm: 3 } }, 'outside-usual'],
    ['a cup of 28 mm in a heel of 65', { outline: { heelCupMm: 28 } }, 'cup-too-deep'],
  ])('%s is told', (_, device, code) => {
    expect(codes(benchRecord(0, device))).toContain(code)
    expect(codes(benchRecord(0, {}))).not.toContain(code)
  })
  it('a cup at the ankle bone that was measured, and one below it', () => {
    const device = { outline: { heelCupMm: 20 }, layers: [{ kind: 'medialWrap', heightMm: 12 }] }
    const at = (mm: number) => codes(withReadings(device, [reading('medialMalleolusHeightMm', mm)]))
    expect(at(25)).toContain('cup-at-ankle')
    expect(at(75)).not.toContain('cup-at-ankle')
  })
  it('a top line at the navicular that was measured', () => {
    const at = (medialTopMm: number) => codes(benchRecord(0, { outline: { medialTopMm } }))
    expect(at(40)).not.toContain('top-line-at-navicular')
    expect(
      codes(
        benchRecord(0, {
          outline: { medialTopMm: 38 },
          layers: [{ kind: 'medialFlange', heightMm: 12 }],
        }),
      ),
    ).toContain('top-line-at-navicular')
  })
})

describe('what the finished body of a device tells', () => {
  it('a sound one tells nothing', () => expect(finished(STEADY)).toEqual([]))
  it.each([
    ['a bare skive rocks', { layers: [{ kind: 'medialSkive', depthMm: 4 }] }, 0, 'rocks'],
    ['a forefoot of 4°, bare', {}, 4, 'stands-on-an-edge'],
    [
      'a cut-out under it',
      { layers: [{ kind: 'firstRayCutOut' }], posts: [] },
      7,
      'cut-out-unsteady',
    ],
    [
      'a pad of 5 on a bar of 6 at one place',
      {
        ...STEADY,
        layers: [
          { kind: 'metPad', heightMm: 5 },
          { kind: 'metBar', heightMm: 6, behindHeadsMm: 21 },
        ],
      },
      0,
      'raises-overlap',
    ],
    [
      'a spot deeper than nylon is thick',
      {
        ...STEADY,
        shell: { material: 'pa12', thicknessMm: 3 },
        layers: [{ kind: 'sweetSpot', depthMm: 4 }],
      },
      0,
      'hollow-too-deep',
    ],
    [
      'nylon printed thinner than it is made',
      { ...STEADY, shell: { material: 'pa12', thicknessMm: 0.8 } },
      0,
      'shell-too-thin',
    ],
  ])('%s', (_, device, forefootDeg, code) => expect(finished(device, forefootDeg)).toContain(code))
  it('two small raises that meet are no fault', () => {
    const layers = [
      { kind: 'metPad', heightMm: 3 },
      { kind: 'metBar', heightMm: 3, behindHeadsMm: 21 },
    ]
    expect(finished({ ...STEADY, layers })).not.toContain('raises-overlap')
  })
  it('a decision about one hollow stays with it when layers change places, and hides no other', () => {
    const deep = { kind: 'sweetSpot', depthMm: 4 }
    const about = (layers: object[]) =>
      finishedDevices(
        benchRecord(0, { ...STEADY, shell: { material: 'pa12', thicknessMm: 3 }, layers }),
      ).flatMap((c) => (c.code === 'hollow-too-deep' ? [c.about] : []))
    const fill = { kind: 'archFill' }
    expect(about([deep, fill])).toEqual(about([fill, deep]))
    expect(about([deep, { ...deep, xMm: 12 }])).toEqual(['sweetSpot', 'sweetSpot#2'])
    const empty = { kind: 'metPad', heightMm: 0 }
    const nothing = (layers: object[]) =>
      contradictionsOf(benchRecord(0, { layers })).flatMap((c) =>
        c.code === 'amount-of-nothing' ? [c.about] : [],
      )
    expect(nothing([empty, fill])).toEqual(nothing([fill, empty]))
  })
  it('says what helps: not cutting through what is let down, not thicker carbon', () => {
    const words = (device: object) =>
      finishedDevices(benchRecord(0, device)).find((c) => c.code === 'hollow-too-deep')!.words
    const corner = { kind: 'firstRayAccommodation', depthMm: 8 }
    expect(words({ layers: [corner] })).not.toMatch(/fill it soft|thicker/)
    const carbon = { material: 'carbon', thicknessMm: 2 }
    const spot = { kind: 'sweetSpot', depthMm: 2 }
    expect(words({ shell: carbon, layers: [spot] })).not.toContain('thicker')
  })
  it('goes into the ledger where somebody built them', () => {
    const record = benchRecord(4, {})
    expect(advise(record, finishedDevices(record)).map((e) => e.code)).toContain(
      'stands-on-an-edge',
    )
    expect(advise(record).map((e) => e.code)).not.toContain('stands-on-an-edge')
  })
})

describe('heels that stand unevenly', () => {
  const pair = (left: object, right: object, leg?: FittingRecord['legLengthDifferenceMm']) => {
    const record = benchRecord(0, { ...STEADY, ...left })
    const other = benchRecord(0, { ...STEADY, ...right }).feet.left!
    const both = { ...record, feet: { left: record.feet.left!, right: other } }
    return finishedDevices(leg ? { ...both, legLengthDifferenceMm: leg } : both)
      .filter((c) => c.code === 'heels-differ')
      .map((c) => c.words)
  }
  it('are told, with which is higher', () => {
    expect(pair({}, {})).toEqual([])
    expect(pair({ heelLiftMm: 4 }, {})[0]).toMatch(/^The left heel stands [34]\.\d mm higher/)
    expect(pair({}, { heelLiftMm: 4 })[0]).toMatch(/^The right heel stands [34]\.\d mm higher/)
  })
  it('a post lengthens a leg as a lift does', () => {
    expect(pair({ posts: [{ at: 'rearfoot', angleDeg: 12 }] }, {})).toHaveLength(1)
  })
  it('are not told where the shorter leg is raised by no more than it is short', () => {
    const leg = { value: 6, shorter: 'left' } as const
    expect(pair({ heelLiftMm: 4 }, {}, leg)).toEqual([])
    expect(pair({}, {}, leg)).toEqual([])
    expect(pair({}, { heelLiftMm: 4 }, leg)).toHaveLength(1)
    expect(pair({ heelLiftMm: 10 }, {}, leg)).toHaveLength(1)
  })
})
