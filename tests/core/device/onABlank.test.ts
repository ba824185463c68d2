import { describe, expect, it } from 'vitest'
import { deviceReport } from '../../../core/advice/deviceReport'
import { finishedDevices } from '../../../core/advice/finishedDevices'
import { contradictionsOf } from '../../../core/advice/contradictions'
import { blankRefusal, fitBlanks, fromBlank, withBestBlank } from '../../../core/device/blanks'
import { buildDevice, plainDevice } from '../../../core/device/buildDevice'
import { deviceLines } from '../../../core/device/deviceWords'
import { deviceFiles } from '../../../core/formats/deviceFiles'
import { inRealSpace } from '../../../core/device/solid'
import { writeStl } from '../../../core/formats/mesh/writeStl'
import { contactReport } from '../../../core/mechanics/contactReport'
import { shellReport } from '../../../core/mechanics/plate/shellReport'
import { parseWith } from '../../../core/record/parse'
import { recordSchema } from '../../../core/record/schema'
import { HOUSE_NORMS, HOUSE_TABLES } from '../../../core/record/tables'
import { benchRecord } from '../../fixtures/benchRecord'
import { stlPoints } from '../../fixtures/flatBench'
import { refusalCode } from '../../fixtures/refusalCode'

const SHAPE = { archLengthMm: 192, archHeightMm: 18, heelWidthMm: 65, cupMm: 14 }
const MOULDS = { archUpMm: 6, archDownMm: 8, wallMm: 3 }
const blank = (shape: object = {}, kind = 'trim-to-fit') => ({
  kind,
  blank: { id: 'mid', sizeMm: 270, shape: { ...SHAPE, ...shape } },
})
const moulded = (shape: object = {}) => blank({ moulds: MOULDS, ...shape }, 'heat-moulded')
/** A left foot of 265 mm with another arch or heel on a device. */
function foot(device: object, other: Record<string, number> = {}) {
  const record = benchRecord(0, device)
  const readings = record.feet.left!.readings.map((r) =>
    r.what in other ? { ...r, trials: [other[r.what]!, other[r.what]!] } : r,
  )
  const left = { ...record.feet.left!, readings }
  return parseWith(recordSchema, { ...record, client: { massKg: 75 }, feet: { left } }, 'record')
}
const built = (device: object, other?: Record<string, number>) =>
  buildDevice(foot(device, other).feet.left!, 'left', HOUSE_NORMS)
/** Height of the top over the floor of the cup at a place, mm, as a gauge finds it on the file. */
function gauge(device: object, [px, py]: [number, number], other?: Record<string, number>): number {
  const points = stlPoints(writeStl(inRealSpace(built(device, other).solid.mesh, 'left'), 'device'))
  const topNear = (x: number, y: number) => {
    let top = -Infinity
    for (let i = 0; i < points.length; i += 3)
      if (Math.hypot(points[i]! - x, points[i + 1]! - y) < 1) top = Math.max(top, points[i + 2]!)
    return top
  }
  return topNear(px, py) - topNear(0, 34)
}
const ARCH: [number, number] = [20, 114]
const HIGH = { navicularHeightMm: 56 }
const LOW = { navicularHeightMm: 30 }

describe('a device from a blank', () => {
  it('has the blank’s arch, whoever stands on it', () => {
    const usual = gauge(blank(), ARCH)
    expect(Math.abs(gauge(blank(), ARCH, HIGH) - usual)).toBeLessThan(0.1)
    expect(Math.abs(gauge(blank(), ARCH, LOW) - usual)).toBeLessThan(0.1)
  })
  it('has the height that its row says, over the inner border', () => {
    // u at x 20 of a waist from −38.5 to 31: the arch rises with u^2.2.
    for (const archHeightMm of [14, 18, 24]) {
      const inward = ((20 + 38.5) / 69.5) ** 2.2
      const found = gauge(blank({ archHeightMm }), ARCH)
      expect(Math.abs(found - (2.2 + (archHeightMm - 2.2) * inward))).toBeLessThan(1)
    }
  })
  it('is moulded to the foot as far as heat moves it, and no further', () => {
    const raw = gauge(blank(), ARCH)
    const own = (other: Record<string, number>) => gauge({ kind: 'full-custom' }, ARCH, other) - raw
    const moved = (other: Record<string, number>) => gauge(moulded(), ARCH, other) - raw
    // 5 mm of navicular height are 3 mm of arch: within what heat does, it lies on the foot.
    expect(
      Math.abs(moved({ navicularHeightMm: 49 }) - own({ navicularHeightMm: 49 })),
    ).toBeLessThan(0.3)
    expect(own({ navicularHeightMm: 64 })).toBeGreaterThan(7)
    expect(moved({ navicularHeightMm: 64 })).toBeLessThan(6.3)
    expect(moved({ navicularHeightMm: 64 })).toBeGreaterThan(5.3)
    expect(moved({ navicularHeightMm: 12 })).toBeGreaterThan(-8.3)
    expect(moved({ navicularHeightMm: 12 })).toBeLessThan(-7)
  })
  it('keeps its cup: heat moves the wall by 3 mm at most, and nothing moves a blank that is only trimmed', () => {
    const wall: [number, number] = [30, 34]
    const wide = { heelWidthMm: 78 }
    const asMade = gauge(blank(), wall, wide)
    expect(Math.abs(gauge(moulded(), wall, wide) - asMade)).toBeLessThan(3.3)
    expect(gauge({ kind: 'full-custom' }, wall, wide)).toBeLessThan(asMade - 3.3)
  })
  it('tells how its arch lies under the foot’s, in height and length, and what is left', () => {
    const report = (device: object, other?: Record<string, number>) => {
      const record = foot(device, other)
      return deviceReport(record, 'left', buildDevice(record.feet.left!, 'left', HOUSE_NORMS))
    }
    const { misfit } = report(blank(), LOW).blank!
    // 14 mm less of navicular height are 8.4 mm less of arch at the border.
    expect(misfit.archHeightMm).toBeGreaterThan(4)
    expect(misfit.archHeightMm).toBeLessThan(8.4)
    expect(misfit.overMm).toBeGreaterThan(4)
    expect(report(moulded(), LOW).blank!.misfit.overMm).toBeLessThan(0.5)
    const forward = report(blank({ archLengthMm: 206 })).blank!.misfit
    expect(forward.archLengthMm).toBeGreaterThan(5)
    expect(report({ kind: 'full-custom' }).blank).toBeUndefined()
  })
  it('is closed, stands, and is felt as it is: more under the arch where its own is higher', () => {
    for (const device of [blank({ archHeightMm: 14 }), moulded(), blank({ archHeightMm: 24 })]) {
      const { solid } = built(device)
      expect(solid.report).toMatchObject({ closed: true, manifold: true, outward: true })
      expect(Math.abs(solid.stands!.rollDeg)).toBeLessThan(0.5)
    }
    const arch = (archHeightMm: number) =>
      contactReport(foot(blank({ archHeightMm })), 'left').device.share.midfootMedial!
    expect(arch(24)).toBeGreaterThan(arch(18) + 0.03)
    expect(arch(18)).toBeGreaterThan(arch(13) + 0.01)
  })
})

describe('a blank that is not known, or does not suit', () => {
  const codes = (device: object, other?: Record<string, number>) => [
    ...contradictionsOf(foot(device, other)).map((c) => c.code),
    ...finishedDevices(foot(device, other)).map((c) => c.code),
  ]
  it('gets no estimate of contact or shell, and is told', () => {
    for (const kind of ['trim-to-fit', 'heat-moulded']) {
      const record = foot({ kind })
      expect(refusalCode(() => contactReport(record, 'left'))).toBe('no-blank')
      expect(refusalCode(() => shellReport(record, 'left'))).toBe('no-blank')
      expect(codes({ kind })).toContain('blank-missing')
      expect(blankRefusal(record.feet.left!.device!)).toMatch(/Choose the blank/)
    }
    expect(codes(blank())).not.toContain('blank-missing')
    expect(codes({ kind: 'full-custom' })).not.toContain('blank-missing')
  })
  it('presses or gapes: told with the millimetres, unless heat takes it', () => {
    expect(codes(blank(), { navicularHeightMm: 26 })).toContain('blank-presses')
    expect(codes(moulded(), { navicularHeightMm: 26 })).not.toContain('blank-presses')
    expect(codes(blank({ archHeightMm: 13 }), { navicularHeightMm: 64 })).toContain('blank-gapes')
    expect(codes(blank())).not.toContain('blank-presses')
    expect(codes(blank())).not.toContain('blank-gapes')
  })
  it('has no cast: what is cut into one is told, what is glued on it is not', () => {
    const skive = { layers: [{ kind: 'medialSkive' }] }
    expect(codes({ ...blank(), ...skive })).toContain('cast-work-on-blank')
    expect(codes({ kind: 'full-custom', ...skive })).not.toContain('cast-work-on-blank')
    expect(codes({ ...blank(), layers: [{ kind: 'metPad' }] })).not.toContain('cast-work-on-blank')
    expect(codes({ ...blank(), castAngleDeg: 3 })).toContain('cast-work-on-blank')
  })
})

describe('how it is made', () => {
  const namesOf = (device: object) =>
    deviceFiles(built(device), 'left', 'HR-1', HOUSE_NORMS).map((f) => f.name)
  it('is as the blank comes: no positive, and a hollow is ground into it from above', () => {
    expect(namesOf(blank())).not.toContain('left-positive.stl')
    expect(namesOf({ kind: 'full-custom' })).toContain('left-positive.stl')
    const lines = deviceLines(foot(blank()).feet.left!, HOUSE_NORMS).join('; ')
    expect(lines).toContain('as the blank comes')
    expect(lines).not.toContain('positive')
    const spot = { kind: 'metHeadRelief', depthMm: 1, heads: [3] }
    const bottom = (device: object) => built(device).body.shellBottom
    expect(bottom({ ...blank(), layers: [spot] })).toEqual(bottom(blank()))
  })
})

describe('the shelf', () => {
  const { feet } = foot({}, {})
  const fits = (other: Record<string, number>) =>
    fitBlanks(foot({}, other).feet.left!, HOUSE_TABLES.blanks, 'trim-to-fit', HOUSE_NORMS)
  it('offers a low line for a low arch and a high one for a high arch, and says how they differ', () => {
    expect(fits({ navicularHeightMm: 38 })[0]!.blank.id).toBe('flat')
    expect(fits({ navicularHeightMm: 55 })[0]!.blank.id).toBe('high')
    const high = fits(LOW).find((f) => f.blank.id === 'high')!
    expect(high.words).toMatch(/mm higher than the foot’s/)
    expect(high.archHeightMm).toBeGreaterThan(10)
    const mouldable = fitBlanks(
      foot({}, LOW).feet.left!,
      HOUSE_TABLES.blanks,
      'heat-moulded',
      HOUSE_NORMS,
    )[0]!
    expect(mouldable.words).toMatch(/heat takes it|higher/)
    expect(mouldable.leftMm).toBeLessThan(mouldable.archHeightMm - 7)
  })
  it('gives a device its shape, sheet and cup, and keeps them when the shelf changes', () => {
    const row = HOUSE_TABLES.blanks.find((b) => b.id === 'mould' && b.sizeMm === 270)!
    const device = fromBlank(plainDevice(), row)
    expect(device).toMatchObject({
      kind: 'heat-moulded',
      shell: { material: 'eva-60', thicknessMm: 6 },
      blank: { id: 'mould', sizeMm: 270, shape: { archHeightMm: row.archHeightMm } },
    })
    expect(withBestBlank(device, feet.left!, [], HOUSE_NORMS)).toBe(device)
  })
  it('fills in the best blank where one is wanted and none chosen, and nothing else', () => {
    const best = (kind: 'trim-to-fit' | 'full-custom', shelf = HOUSE_TABLES.blanks) =>
      withBestBlank({ ...plainDevice(), kind }, feet.left!, shelf, HOUSE_NORMS)
    expect(best('trim-to-fit').blank).toMatchObject({ sizeMm: 270 })
    expect(best('full-custom').blank).toBeUndefined()
    expect(best('trim-to-fit', []).blank).toBeUndefined()
  })
})
