import { HOUSE_NORMS, HOUSE_TABLES, normsSchema } from '../../../core/record/tables'
import { LAYERS, layerSchema } from '../../../core/kinds/layers/all'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { judge } from '../../../core/advice/advise'
import { proposeDevice } from '../../../core/advice/proposal'
import { fitBlanks } from '../../../core/device/blanks'
import { buildDevice, plainDevice } from '../../../core/device/buildDevice'
import { contradictionsOf } from '../../../core/advice/contradictions'
import { deviceDiff } from '../../../core/device/deviceDiff'
import { layerWords } from '../../../core/device/deviceWords'
import { youngFromShoreA } from '../../../core/mechanics/shoreHardness'
import { cutSection } from '../../../core/device/section'
import { sheetParts } from '../../../core/device/sheetParts'
import { buildShell } from '../../../core/device/bodySolid'
import { deviceWidths, stackHeights } from '../../../core/device/space'
import { buildSurface } from '../../../core/device/surface'
import { waysOut } from '../../../core/device/waysOut'
import { roomOf, widthsOf } from '../../../core/footwear/room'
import { parseWith } from '../../../core/record/parse'
import { joinRecord, splitRecord } from '../../../core/record/parts'
import { deviceSchema, type Device } from '../../../core/record/schema'
import { SCHOOLS } from '../../../core/tables/vocabulary'
import { demoModels } from '../../../demo/catalogue'
import { DEMO_RECORDS } from '../../../demo/records'
import { referenceRecord } from '../../fixtures/feet'
import { runs } from '../../effort'

const device = (d: unknown): Device => parseWith(deviceSchema, d)
const foot = referenceRecord().feet.left!
const bodyOf = (d: unknown) => buildDevice({ ...foot, device: device(d) }, 'left', HOUSE_NORMS).body

describe("a school's proposal", () => {
  const tove = DEMO_RECORDS['tove-marchetti']!
  it('is built from nothing out of its own suggestions, each part with the code of its reason', () => {
    for (const school of SCHOOLS) {
      const proposal = proposeDevice(tove, 'right', school)
      if (!proposal) continue
      expect(proposal.device.school).toBe(school)
      expect(
        proposal.reasons.every(
          (r) => (r.school === school || r.school === 'all') && r.kind === 'suggest',
        ),
      ).toBe(true)
      const codes = new Set(proposal.reasons.map((r) => r.code))
      for (const part of [...proposal.device.layers, ...proposal.device.posts])
        expect(codes.has(part.because!)).toBe(true)
    }
  })
  it('differs between schools, is met once taken, and is none for a foot without findings', () => {
    const [tissue, neutral] = (['tissue-stress', 'neutral'] as const).map((s) =>
      proposeDevice(tove, 'right', s),
    )
    expect(tissue!.device.layers.map((l) => l.kind)).toContain('medialSkive')
    expect(JSON.stringify(tissue!.device.layers)).not.toBe(JSON.stringify(neutral?.device.layers))
    const taken = {
      ...tove,
      feet: { ...tove.feet, right: { ...tove.feet.right!, device: tissue!.device } },
    }
    const codes = new Set(tissue!.reasons.map((r) => r.code))
    for (const entry of judge(taken).filter(
      (e) => codes.has(e.code) && e.foot === 'right' && e.change && 'layer' in e.change,
    ))
      expect(entry.met).toBe(true)
    expect(proposeDevice(referenceRecord(), 'left', 'tissue-stress')).toBeNull()
  })
})

describe('blanks', () => {
  it('are chosen by arch length: one that is too short comes after those that can be trimmed', () => {
    const fits = fitBlanks(foot, HOUSE_TABLES.blanks, 'trim-to-fit', HOUSE_NORMS)
    // 0.73 · 265 = 193.45: the middle line of 260 has its arch at 190, that of 270 at 197; 260 is
    // too short.
    expect(fits[0]!.blank).toMatchObject({ sizeMm: 270 })
    expect(fits[0]!.archLengthMm).toBeCloseTo(fits[0]!.blank.archLengthMm - 193.45, 9)
    expect(fits.find((f) => f.blank.sizeMm === 250)!.verdict).toBe('stop')
    expect(fits.every((f) => f.blank.kind === 'trim-to-fit' && f.words.length > 10)).toBe(true)
  })
  it('go by the measured arch, and there are none without a length', () => {
    const long = {
      ...foot,
      readings: [
        ...foot.readings,
        { what: 'archLengthMm' as const, posture: 'standing' as const, trials: [201], struck: [] },
      ],
    }
    expect(
      fitBlanks(long, HOUSE_TABLES.blanks, 'trim-to-fit', HOUSE_NORMS)[0]!.blank.archLengthMm,
    ).toBeGreaterThanOrEqual(199)
    expect(fitBlanks({ readings: [] }, HOUSE_TABLES.blanks, 'heat-moulded', HOUSE_NORMS)).toEqual(
      [],
    )
  })
})

describe('materials', () => {
  it('turns Shore A into a modulus by Gent, for its own scale only', () => {
    // 0.0981 · (56 + 7.62336 · 40) / (0.137505 · (254 − 2.54 · 40)) = 35.408 / 20.956
    expect(youngFromShoreA(40)).toBeCloseTo(1.69, 2)
    expect(() => youngFromShoreA(90)).toThrow(RangeError)
  })
  it("follows the shop's table: another limit of a layer, another material", () => {
    const record = referenceRecord({
      layers: [{ kind: 'metPad', heightMm: 5 }],
      shell: { material: 'bamboo', thicknessMm: 4 },
    })
    const codes = (norms?: unknown) =>
      contradictionsOf({ ...record, ...(norms ? { norms: parseWith(normsSchema, norms) } : {}) })
        .filter((c) => c.foot === 'left')
        .map((c) => c.code)
    expect(codes()).toContain('unknown-material')
    const bamboo = { ...HOUSE_NORMS.shellMaterials[0]!, id: 'bamboo', name: 'Bamboo' }
    expect(codes({ shellMaterials: [...HOUSE_NORMS.shellMaterials, bamboo] })).not.toContain(
      'unknown-material',
    )
    expect(
      codes({ layerUsual: { 'metPad.heightMm': [2, 4] }, shellMaterials: [bamboo] }),
    ).toContain('outside-usual')
    expect(HOUSE_TABLES.blanks.length).toBeGreaterThan(20)
  })
})

describe('the room a device takes', () => {
  it('counts what lies below the shell: base, toe plate, extension', () => {
    const bare = stackHeights(bodyOf({}), device({}))
    const d = device({
      shell: { base: { thicknessMm: 3, reach: 'full' } },
      layers: [
        { kind: 'toeCarbonPlate', thicknessMm: 1.2 },
        { kind: 'firstRayExtension', heightMm: 3 },
      ],
    })
    const full = stackHeights(bodyOf(d), d)
    expect(full.toesMm - bare.toesMm).toBeCloseTo(3 + 1.2 + 3, 9)
    expect(full.heelMm - bare.heelMm).toBeCloseTo(3 + 1.2, 9)
  })
  it('a flare takes width at the waist, not at the heel', () => {
    const [bare, wide] = [{}, { layers: [{ kind: 'medialFlare', widthMm: 6 }] }].map((d) =>
      deviceWidths(bodyOf(d)),
    )
    expect(wide!.waistWidthMm - bare!.waistWidthMm).toBeGreaterThan(4)
    expect(wide!.heelWidthMm).toBe(bare!.heelWidthMm)
    expect(widthsOf(demoModels()[0]!, 265).heelWidthMm).toBeGreaterThan(40)
  })
  it('offers ways out that gain what they say, cheapest for the foot first, and roomier footwear last', () => {
    const d = device({
      posts: [{ at: 'rearfoot', angleDeg: 6 }],
      heelLiftMm: 8,
      shell: { thicknessMm: 5 },
    })
    const room = roomOf(demoModels()[0]!, HOUSE_NORMS)
    const needed = stackHeights(bodyOf(d), d)
    const missing = {
      ...needed,
      heelMm: room.heelMm - needed.heelMm - 8,
      archMm: 1,
      ballMm: 1,
      toesMm: 1,
    }
    const ways = waysOut({ ...foot, device: d }, d, missing, HOUSE_NORMS)
    expect(ways.length).toBeGreaterThan(3)
    expect(ways.at(-1)).toMatchObject({ id: 'footwear', device: null })
    for (const way of ways.slice(0, -1)) {
      const after = stackHeights(bodyOf(way.device), way.device!)
      expect(Math.abs(needed.heelMm - after.heelMm - way.gainMm.heelMm), way.words).toBeLessThan(
        0.4,
      )
      expect(way.gainMm.heelMm).toBeGreaterThan(0.1)
    }
    expect(
      waysOut(
        { ...foot, device: d },
        d,
        { heelMm: 1, archMm: 1, ballMm: 1, toesMm: 1 },
        HOUSE_NORMS,
      ),
    ).toEqual([])
  })
  it('lists the pieces that are cut from sheet with closed outlines', () => {
    const d = device({
      layers: [
        { kind: 'firstRayExtension' },
        { kind: 'firstRayWedge' },
        { kind: 'toeCarbonPlate' },
      ],
      shell: { base: {} },
    })
    const parts = sheetParts(bodyOf(d), d, HOUSE_NORMS)
    expect(parts.map((p) => p.id)).toEqual([
      'cover',
      'base',
      'firstRayExtension-1',
      'firstRayWedge-2',
      'toeCarbonPlate-3',
    ])
    for (const p of parts) expect(p.lines[0]!.length, p.id).toBeGreaterThan(12)
  })
})

describe('versions', () => {
  it('name what changed, came, went, and nothing else', () => {
    const a = device({ layers: [{ kind: 'medialSkive', depthMm: 3 }, { kind: 'metPad' }] })
    const b = device({
      layers: [
        { kind: 'medialSkive', depthMm: 4 },
        { kind: 'sweetSpot', xMm: 5, yMm: 40 },
      ],
      posts: [{ at: 'rearfoot', angleDeg: 3 }],
      outline: { heelCupMm: 16 },
    })
    const diff = Object.fromEntries(
      deviceDiff(a, b, HOUSE_NORMS).map((c) => [c.what, [c.before, c.after]]),
    )
    expect(diff['Medial heel skive']).toEqual(['depth 3 mm', 'depth 4 mm'])
    expect(diff['Met pad']![1]).toBe('–')
    expect(diff['Sweet spot']![0]).toBe('–')
    expect(diff['Heel cup']).toEqual(['14 mm', '16 mm'])
    expect(diff['Rearfoot post']).toEqual(['–', '3° extrinsic'])
    expect(Object.keys(diff)).toHaveLength(5)
    expect(deviceDiff(a, a, HOUSE_NORMS)).toEqual([])
    expect(deviceDiff(null, a, HOUSE_NORMS).length).toBeGreaterThan(4)
  })
  it('say when only the order changed, and are kept through record and parts', () => {
    const [x, y] = [
      layerSchema.parse({ kind: 'metPad' }),
      layerSchema.parse({ kind: 'medialSkive' }),
    ]
    expect(
      deviceDiff(
        { ...plainDevice(), layers: [x, y] },
        { ...plainDevice(), layers: [y, x] },
        HOUSE_NORMS,
      ).map((c) => c.what),
    ).toEqual(['Order of layers'])
    const record = {
      ...referenceRecord(),
      orders: [
        {
          id: 'o',
          lab: 'l',
          feet: ['left' as const],
          files: [],
          answer: { status: 'accepted' as const, queries: [], dueOn: '2026-12-04' },
        },
      ],
    }
    record.feet.left = {
      ...record.feet.left!,
      deviceVersions: [{ device: plainDevice(), words: 'first' }],
    }
    expect(joinRecord(splitRecord(record), record.client)).toMatchObject({
      feet: { left: { deviceVersions: [{ words: 'first' }] } },
      orders: record.orders,
    })
  })
  it('every layer has a line for the bench with all its numbers', () => {
    for (const d of LAYERS.all) {
      const words = layerWords(layerSchema.parse({ kind: d.kind }))
      expect(words.startsWith(`${d.name}: `)).toBe(true)
      for (const rule of d.amounts) expect(words).toContain(rule.label)
    }
  })
})

describe('while an amount changes', () => {
  it('takes over what has not changed and gives the same answer', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 6, noNaN: true }),
        fc.double({ min: 2, max: 5, noNaN: true }),
        fc.integer({ min: 8, max: 18 }),
        (depthMm, thicknessMm, heelCupMm) => {
          const { field } = buildDevice(foot, 'left', HOUSE_NORMS).surface
          const first = device({
            layers: [{ kind: 'metPad' }, { kind: 'medialSkive', depthMm: 2 }],
          })
          const then = device({
            layers: [{ kind: 'metPad' }, { kind: 'medialSkive', depthMm }],
            ...(depthMm > 3 && { shell: { thicknessMm }, outline: { heelCupMm } }),
          })
          const before = buildShell(buildSurface(field, first), first, HOUSE_NORMS)
          const [fresh, carried] = [undefined, before].map(
            (b) => buildShell(buildSurface(field, then), then, HOUSE_NORMS, b).bottom,
          )
          return fresh!.every((z, i) => z === carried![i])
        },
      ),
      { numRuns: runs(8) },
    ))
  it('cuts anywhere and turned: a turned line through the heel is longer, and reads the same height at the axis', () => {
    const body = bodyOf({})
    const [straight, turned] = [cutSection(body, 100), cutSection(body, 100, 40)]
    const at = (s: typeof straight) => s.top[s.xMm.indexOf(0)]!
    expect(at(turned)).toBeCloseTo(at(straight), 9)
    const width = (s: typeof straight) => s.xMm.filter((_, i) => s.top[i] !== null).length
    expect(width(turned)).toBeGreaterThan(width(straight) * 1.2)
  })
})
