import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { contradictionsOf } from '../../../core/advice/contradictions'
import { sampleSole } from '../../../core/device/soleField'
import { HOUSE_NORMS } from '../../../core/record/tables'
import { amountCandidates } from '../../../core/mechanics/amountCandidates'
import { amountForMoment } from '../../../core/mechanics/amountForMoment'
import { contactGround, contactOnDevice } from '../../../core/mechanics/contact'
import { plainOf } from '../../../core/mechanics/contactReport'
import { deviceEffects, pressurePicture } from '../../../core/mechanics/deviceEffects'
import {
  cellWords,
  effectCells,
  lateralByDirection,
  rangeWords,
} from '../../../core/mechanics/effectCells'
import { effectOf } from '../../../core/mechanics/contactEffect'
import { withPartAmount, withoutPart } from '../../../core/mechanics/layerEffects'
import { ESTIMATE_NOTES, estimateLines } from '../../../core/mechanics/estimateLines'
import { overPush } from '../../../core/mechanics/overPush'
import { shellVariants } from '../../../core/mechanics/plate/variants'
import { deviceSchema, type FittingRecord } from '../../../core/record/schema'
import { DEMO_RECORDS } from '../../../demo/records'
import { runs } from '../../effort'
import { REFERENCE_SOLE } from '../../fixtures/referenceSole'

const field = sampleSole(REFERENCE_SOLE, 4)
const ground = contactGround(field, HOUSE_NORMS, 75)
const skived = (depthMm: number) =>
  deviceSchema.parse({
    layers: [{ kind: 'medialSkive', depthMm }, { kind: 'archFill' }],
    posts: [{ at: 'rearfoot', angleDeg: 3 }],
  })
const tove = DEMO_RECORDS['tove-marchetti']!
const aimed = (aimNmm: number): FittingRecord => {
  const record = structuredClone(tove)
  record.feet.right!.device!.aimNmm = aimNmm
  return record
}

describe('effects as they are told', () => {
  it('a millimetre of skive buys what its cells say, with a range and two digits', () => {
    const [a, b] = [skived(2), skived(3)].map((d) => deviceEffects(ground, d).device)
    const bought = effectOf(a!, b!)
    const cells = effectCells(bought)
    expect(cells.map((c) => c.key)).toEqual([
      'medialHeel',
      'arch',
      'head1',
      'head2',
      'head3',
      'head4',
      'head5',
      'moment',
    ])
    const moment = cells.at(-1)!
    expect(bought.momentNmm).toBeGreaterThan(30)
    expect(moment.step.way).toBe('up')
    expect(moment.told).toBe(rangeWords('moment', bought.momentNmm))
    expect(rangeWords('moment', 170.4)).toBe('+170 N·mm (+100 to +260)')
    expect(rangeWords('share', -1.234)).toBe('−1.2 points of load (−0.74 to −1.9)')
    expect(cellWords(moment)).toMatch(/^Turning moment outward, (slight|moderate)$/)
  })
  it('under a rearfoot post the lateral heads are told by direction alone', () => {
    const device = skived(3)
    const { change } = deviceEffects(ground, device)
    expect(lateralByDirection(device)).toBe(true)
    expect(lateralByDirection(device, { layer: 0 })).toBe(false)
    expect(lateralByDirection(device, { post: 0 })).toBe(true)
    expect(effectCells(change, { lateralByDirection: true }).map((c) => c.told === null)).toEqual([
      false,
      false,
      false,
      false,
      false,
      true,
      true,
      false,
    ])
  })
  it('a picture of pressure has rings every 20 kPa up to its peak', () => {
    const { device } = deviceEffects(ground, skived(3))
    const picture = pressurePicture(ground, device)
    const heights = picture.rings.map((r) => r.heightMm)
    expect(heights[0]).toBe(20)
    heights.forEach((h, i) => expect(h).toBe(20 * (i + 1)))
    expect(Math.max(...Object.values(picture.peakKPa)) - heights.at(-1)!).toBeLessThan(20.01)
  })
})

describe('pushing too hard', () => {
  it('is named when even the low end passes what is wanted, when it goes the other way, and above the house limit', () => {
    expect(overPush(200, 150, 600)).toBeNull()
    expect(overPush(400, 150, 600)!.words).toMatch(/about 400 N·mm, at least 240, for 150 wanted/)
    expect(overPush(-400, -150, 600)!.code).toBe('over-push')
    expect(overPush(-120, 150, 600)!.code).toBe('pushes-away')
    expect(overPush(-30, 150, 600)).toBeNull()
    expect(overPush(700, undefined, 600)!.words).toMatch(/house limit of 600/)
    expect(overPush(500, undefined, 600)).toBeNull()
  })
  it('stands in the ledger beside the wanted moment, and is gone with it', () => {
    const codes = (record: FittingRecord) =>
      contradictionsOf(record)
        .filter((c) => c.foot === 'right')
        .map((c) => c.code)
    expect(codes(aimed(100))).toContain('over-push')
    expect(codes(aimed(-400))).toContain('pushes-away')
    expect(codes(aimed(450))).not.toContain('over-push')
    expect(codes(tove)).not.toContain('over-push')
    const child = aimed(100)
    child.client = { ...child.client!, bornOn: '2015-01-01' }
    expect(codes(child)).not.toContain('over-push')
  })
})

describe('one amount sought backwards', () => {
  const at = (device = skived(3)) => {
    const plain = contactOnDevice(ground, plainOf(device))
    const part = { layer: 0 }
    return {
      momentAt: (mm: number) =>
        contactOnDevice(ground, withPartAmount(device, part, 'depthMm', mm), { start: plain })
          .momentNmm - plain.momentNmm,
      range: [0, 6] as const,
      usualMost: 4,
      step: 0.1,
    }
  }
  it('finds the skive that has the moment of the one it was, within the spread of the estimate', () => {
    const search = at()
    const wanted = search.momentAt(3)
    const found = amountForMoment(search, wanted)
    expect(found).toMatchObject({ amount: expect.closeTo(3, 1), verdict: 'within' })
    expect(found.between[1] === null || found.between[1] > found.amount!).toBe(true)
    expect(found.curve.map(([a]) => a)).toEqual([0, 1, 2, 3, 4, 5, 6])
    expect(amountForMoment(search, search.momentAt(5.5)).verdict).toBe('over')
    // A post the other way is over the usual by its size.
    const posted = {
      momentAt: (deg: number) => 70 * deg,
      range: [-10, 0] as const,
      usualMost: 6,
      step: 0.5,
    }
    expect(amountForMoment(posted, -560)).toMatchObject({ amount: -8, verdict: 'over' })
    expect(amountForMoment(posted, -280)).toMatchObject({ amount: -4, verdict: 'within' })
    expect(amountForMoment(search, 5000)).toMatchObject({
      amount: null,
      verdict: 'out of reach',
      between: [null, null],
    })
  })
  it('offers what the device has, then what could be added, and sets it', () => {
    const device = skived(3)
    const list = amountCandidates(device, HOUSE_NORMS)
    expect(list[0]).toMatchObject({
      name: 'Medial heel skive',
      now: 3,
      key: 'depthMm',
      part: { layer: 0 },
    })
    expect(list.map((c) => c.name)).toEqual(
      expect.arrayContaining([
        'Rearfoot post',
        'Three-plane heel shave, new',
        'Lateral heel skive, new',
      ]),
    )
    expect(list.map((c) => c.name)).not.toContain('Rearfoot post, new')
    expect(amountCandidates(deviceSchema.parse({}), HOUSE_NORMS).map((c) => c.now)).toEqual([
      0, 0, 0, 0, 0,
    ])
    for (const c of list) {
      const set = withPartAmount(c.device, c.part, c.key, 2)
      const number =
        'layer' in c.part
          ? (set.layers[c.part.layer] as unknown as Record<string, number>)[c.key]
          : set.posts[(c.part as { post: number }).post]!.angleDeg
      expect(number).toBe(2)
    }
    expect(withPartAmount(device, { layer: 0 }, 'depthMm', 0).layers[0]!.on).toBe(false)
    // The block of a post steadies: it stays, level.
    expect(withoutPart(device, { post: 0 }).posts).toMatchObject([{ at: 'rearfoot', angleDeg: 0 }])
  })
  it('what a part does is what is lost without it, whatever the amount', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.5, max: 5, noNaN: true }), (mm) => {
        const search = at(skived(mm))
        const off = contactOnDevice(ground, withoutPart(skived(mm), { layer: 0 })).momentNmm
        const nothing = contactOnDevice(
          ground,
          withPartAmount(skived(mm), { layer: 0 }, 'depthMm', 0),
        ).momentNmm
        expect(nothing).toBeCloseTo(off, 6)
        expect(search.momentAt(mm)).toBeGreaterThan(search.momentAt(mm / 2))
      }),
      { numRuns: runs(8) },
    )
  })
})

describe('estimates on paper', () => {
  it('say what the device does, how its shell feels, and that they are estimates', () => {
    const lines = estimateLines(tove, 'right')
    expect(lines).toHaveLength(3)
    for (const line of lines) expect(line).toMatch(/estimate/)
    expect(lines[1]).toMatch(/^Turning moment outward, marked, estimate: about \+\d+ N·mm \(/)
    expect(lines[2]).toMatch(/arch about \d+ N\/mm, some give; stress about \d+ % of its limit/)
    expect(estimateLines(aimed(300), 'right')[1]).toMatch(/wanted 300 N·mm/)
    expect(ESTIMATE_NOTES.join(' ')).toMatch(/leaves out.*shear.*leaves out.*creep/)
  })
  it('say why there is none: feet at risk name the target that is measured in the shoe', () => {
    const record = structuredClone(tove)
    record.story = { ...record.story!, conditions: ['diabetes'] }
    expect(estimateLines(record, 'right')[0]).toMatch(
      /measure inside the shoe.*under 200 kPa.*No estimate here is compared/,
    )
    expect(
      estimateLines({ ...tove, client: { ...tove.client!, massKg: undefined } }, 'right')[0],
    ).toMatch(/body weight is missing/)
  })
})

describe('shells to compare', () => {
  it('are thinner, thicker, without each cut and wall, without posts or with one, and with another edge', () => {
    const device = deviceSchema.parse({
      layers: [{ kind: 'firstRayCutOut' }, { kind: 'medialSkive' }, { kind: 'medialFlange' }],
      shell: { thicknessMm: 3, graded: { archMm: 4 } },
    })
    const list = shellVariants(device)
    expect(list.map((v) => v.name)).toEqual([
      'Thinner by 0.5 mm',
      'Thicker by 0.5 mm',
      'Without first-ray cut-out',
      'Without medial flange',
      'With a rearfoot post of 4°',
      'Front edge 5 mm further back',
      'Cup 4 mm deeper',
    ])
    expect(list[0]!.device.shell).toMatchObject({ thicknessMm: 2.5, graded: { archMm: 3.5 } })
    for (const v of list) expect(() => deviceSchema.parse(v.device)).not.toThrow()
    expect(
      shellVariants(deviceSchema.parse({ posts: [{ at: 'rearfoot', angleDeg: 4 }] })).map(
        (v) => v.name,
      ),
    ).toContain('Without posts')
  })
})
