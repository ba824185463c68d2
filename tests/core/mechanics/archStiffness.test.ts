import { HOUSE_NORMS } from '../../../core/record/tables'
import { describe, expect, it } from 'vitest'
import { buildShell } from '../../../core/device/bodySolid'
import { sampleSole } from '../../../core/device/soleField'
import { buildSurface } from '../../../core/device/surface'
import { contactGround, contactOnDevice } from '../../../core/mechanics/contact'
import { findAmount } from '../../../core/mechanics/findAmount'
import { archStiffness } from '../../../core/mechanics/plate/archStiffness'
import { comfortOf, forceOf } from '../../../core/mechanics/plate/comfort'
import { shellReport } from '../../../core/mechanics/plate/shellReport'
import { thicknessForGive } from '../../../core/mechanics/plate/thicknessForGive'
import { onCells, shellGive } from '../../../core/mechanics/shellGive'
import { soleFieldOf } from '../../../core/device/buildDevice'
import { deviceSchema, type Device } from '../../../core/record/schema'
import { DEMO_RECORDS } from '../../../demo/records'
import { randomPrescription } from '../../fixtures/randomDevice'
import { refusalCode } from '../../fixtures/refusalCode'
import { REFERENCE_SOLE } from '../../fixtures/referenceSole'

const field = sampleSole(REFERENCE_SOLE, 2)
const material = (id: string) => HOUSE_NORMS.shellMaterials.find((m) => m.id === id)!
const bodyOf = (device: Device) => buildShell(buildSurface(field, device), device, HOUSE_NORMS)
function arch(change: object, options: Parameters<typeof archStiffness>[3] = { stepMm: 6 }) {
  const device = deviceSchema.parse(change)
  return archStiffness(bodyOf(device), device, material(device.shell.material), options)
}
const k = (change: object) => arch(change).stiffness.archStiffnessNPerMm
const shell = (thicknessMm: number, material = 'polypropylene') => ({
  shell: { thicknessMm, material },
})

describe('the arch of a device', () => {
  it('is stiffer the thicker its shell, by about the square; stiffer in carbon, softer where it is cut out', () => {
    const by = [2, 3, 4, 5].map((t) => k(shell(t)))
    for (let i = 1; i < 4; i++) expect(by[i]! / by[i - 1]!).toBeGreaterThan(1.2)
    expect(by[2]! / by[0]!).toBeGreaterThan(2.5)
    expect(by[2]! / by[0]!).toBeLessThan(8)
    expect(k(shell(1.8, 'carbon'))).toBeGreaterThan(2 * k(shell(3)))
    expect(k({ layers: [{ kind: 'firstRayCutOut' }] })).toBeLessThan(0.9 * by[2]!)
    expect(k({ outline: { heelCupMm: 18, medialTopMm: 18, lateralTopMm: 14 } })).toBeGreaterThan(
      1.1 * by[2]!,
    )
    expect(k({ posts: [{ at: 'rearfoot', angleDeg: 4 }] })).not.toBeCloseTo(by[2]!, 0)
  })
  it('says nearly the same on a finer mesh, from a coarser answer, and for a heavier person', () => {
    const fine = arch({}, { stepMm: 4, range: true })
    const { stiffness } = fine
    expect(k({}) / stiffness.archStiffnessNPerMm).toBeCloseTo(1, 0.8)
    const again = arch({}, { stepMm: 4, from: fine }).stiffness
    expect(Math.abs(again.archStiffnessNPerMm / stiffness.archStiffnessNPerMm - 1)).toBeLessThan(
      0.01,
    )
    const [low, high] = stiffness.rangeNPerMm!
    expect(low).toBeLessThan(stiffness.archStiffnessNPerMm)
    expect(high).toBeGreaterThanOrEqual(stiffness.archStiffnessNPerMm)
    expect(high).toBeLessThan(2 * low)
    expect(stiffness.forceN * 2).toBeCloseTo(
      arch({}, { stepMm: 6, massKg: 150 }).stiffness.forceN,
      9,
    )
    expect(stiffness.peakDeflectionMm).toBeGreaterThan(stiffness.meanDeflectionMm)
    // Stress and strain belong together: E·ε is near σ for a strip, never far off.
    expect(stiffness.peakStressMPa! / (1300 * stiffness.peakStrain!)).toBeGreaterThan(0.7)
    expect(stiffness.peakStressMPa! / (1300 * stiffness.peakStrain!)).toBeLessThan(1.4)
    expect(stiffness.utilisationPercent).toBeCloseTo((100 * stiffness.peakStressMPa!) / 15, 9)
  })
  it('is finite or a sentence for whatever the studio makes', () => {
    for (let seed = 1; seed <= 16; seed++) {
      const foot = randomPrescription(seed).feet.left!
      const own = sampleSole(soleFieldOf(foot, 'left', HOUSE_NORMS, 4).field.sole.parameters, 2)
      const device = foot.device!
      const { stiffness: s, answer } = archStiffness(
        buildShell(buildSurface(own, device), device, HOUSE_NORMS),
        device,
        material('polypropylene'),
        { stepMm: 8 },
      )
      expect(
        [s.archStiffnessNPerMm, s.peakDeflectionMm, s.peakStrain ?? 0].every(
          (v) => Number.isFinite(v) && v >= 0,
        ),
        `seed ${seed}`,
      ).toBe(true)
      expect(s.settled, `seed ${seed}`).toBe(true)
      // Three holds against sliding carry nothing; the floor carries everything.
      expect(
        Math.abs(answer.reactionN[0]) + Math.abs(answer.reactionN[1]),
        `seed ${seed}`,
      ).toBeLessThan(1e-5)
    }
    expect(refusalCode(() => arch(shell(8, 'eva-60')))).toBe('shell-not-bent')
  })
  it('gives under the foot: a softer shell carries less under the arch, a block is pressed, a plain map stays what it is', () => {
    const ground = contactGround(field, HOUSE_NORMS, 75)
    const [soft, stiff] = [shell(2), shell(5)].map((s) => {
      const device = deviceSchema.parse(s)
      const give = shellGive(bodyOf(device), device, HOUSE_NORMS, 75)
      expect(give.from).toMatch(/by its elements/)
      return contactOnDevice(ground, device, { give: give.byCell }).share.midfootMedial
    })
    expect(soft!).toBeLessThan(stiff!)
    const block = deviceSchema.parse(shell(8, 'eva-60'))
    expect(shellGive(bodyOf(block), block, HOUSE_NORMS, 75).from).toMatch(/pressed together/)
    const one = arch({}).shell
    const even = onCells(
      { shell: one },
      one.plan.points.map(() => 2),
      field,
    )
    expect(Math.max(...even)).toBeCloseTo(2, 9)
    expect(even.filter((v) => v > 0).length * 4).toBeGreaterThan(
      0.9 * one.plan.triangles.reduce((sum, t) => sum + area(t.map((v) => one.plan.points[v]!)), 0),
    )
  })
  it('backwards: the thickness that gives what another did is that one', () => {
    const device = deviceSchema.parse(shell(3.4))
    const asked = arch(shell(3.4)).stiffness.meanDeflectionMm
    const found = thicknessForGive(
      buildSurface(field, device),
      device,
      material('polypropylene'),
      asked,
    )
    expect(found.reached).toBe(true)
    expect(found.thicknessMm).toBeCloseTo(3.4, 0)
    expect(Math.abs(found.giveMm / asked - 1)).toBeLessThan(0.03)
    expect(
      thicknessForGive(buildSurface(field, device), device, material('polypropylene'), 30),
    ).toMatchObject({ reached: false })
  })
  it('feels stiff, giving or springy by body and activity', () => {
    expect([
      comfortOf(120, 32, 'light', HOUSE_NORMS).class,
      comfortOf(38, 32, 'usual', HOUSE_NORMS).class,
      comfortOf(18, 32, 'hard', HOUSE_NORMS).class,
    ]).toEqual(['stiff', 'some give', 'springy'])
    expect(forceOf({ ...DEMO_RECORDS['tove-marchetti']!, story: undefined })).toBe('usual')
    const left = shellReport(DEMO_RECORDS['tove-marchetti']!, 'left')
    expect(left.comfort).toMatchObject({ force: 'hard' })
    // Her forefoot stands inverted and is not balanced: the front edge hangs.
    expect(left.flags.join()).toMatch(/settles by about \d+ mm until it stands/)
  })
})

const area = ([a, b, c]: readonly (readonly [number, number])[]) =>
  Math.abs((b![0] - a![0]) * (c![1] - a![1]) - (c![0] - a![0]) * (b![1] - a![1])) / 2

describe('finding an amount', () => {
  it('that does what is asked, rising or falling; where none does, the nearer end', () => {
    expect(findAmount((d) => 60 * d, 150, [0, 6], 0.01)).toMatchObject({
      amount: expect.closeTo(2.5, 3),
      reached: true,
    })
    expect(findAmount((d) => d ** 3, 20, [0, 6], 0.01).amount).toBeCloseTo(Math.cbrt(20), 3)
    expect(findAmount((d) => -Math.exp(d), -5, [0, 6], 0.01).amount).toBeCloseTo(Math.log(5), 2)
    expect(findAmount((d) => 60 * d, 500, [0, 6], 1)).toEqual({
      amount: 6,
      does: 360,
      reached: false,
    })
    expect(findAmount((d) => 60 * d, -10, [0, 6], 1)).toEqual({
      amount: 0,
      does: 0,
      reached: false,
    })
  })
})
