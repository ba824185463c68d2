import { HOUSE_NORMS } from '../../../core/record/tables'
import fc from 'fast-check'
import { createSole } from '../../../core/device/sole'
import { soleParameters } from '../../../core/device/soleParameters'
import { describe, expect, it } from 'vitest'
import type { FootwearModel } from '../../../core/footwear/catalogueSchema'
import { borderAt, planPoints, planView } from '../../../core/footwear/planView'
import { demoModels } from '../../../demo/catalogue'
import { DEMO_RECORDS } from '../../../demo/records'

const tove = DEMO_RECORDS['tove-marchetti']!
const model = demoModels().find((m) => m.id === 'fern-traverse-99')!
const at265: FootwearModel = { ...model, sizesMm: [265] }

describe('a foot in its shell from above', () => {
  const parameters = soleParameters(tove.feet.left!, HOUSE_NORMS)!.parameters
  const plan = planView(createSole(parameters), parameters, at265, 265)
  const across = (line: typeof plan.shell, y: number) =>
    borderAt(line, y, 1)! - borderAt(line, y, -1)!
  it("has the shell's own length and its own widths at heel and ball", () => {
    expect(
      Math.max(...plan.shell.map(([, y]) => y)) - Math.min(...plan.shell.map(([, y]) => y)),
    ).toBeCloseTo(280, 0)
    // Where the sides run along; the ends are round, there the gap is before and behind. The shell
    // is stretched to its own length, the foot stands a broken-in liner before its back: the same
    // share of each is compared.
    const L = parameters.lengthMm
    const wider = (s: number) =>
      across(plan.shell, (s * L * 280) / L) - across(plan.foot, s * L + 6 * 0.8)
    for (const s of [0.11, 0.13]) expect(wider(s)).toBeCloseTo(76 - parameters.heelWidthMm, 0)
    for (const s of [0.7, 0.75, 0.8])
      expect(wider(s)).toBeCloseTo(110 - parameters.forefootWidthMm, 0)
  })
  it('puts work on the wall it is for, wherever it lies along the shell', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 5, max: 270 }),
        fc.constantFrom('medial', 'lateral', 'both', 'top', 'under'),
        (fromHeelMm, side) => {
          const points = planPoints(plan, { fromHeelMm, side })
          expect(points).toHaveLength(side === 'both' ? 2 : 1)
          for (const [x, y] of points) {
            expect(y).toBe(fromHeelMm)
            expect(x).toBeLessThanOrEqual(borderAt(plan.shell, y, 1)! + 1e-9)
            expect(x).toBeGreaterThanOrEqual(borderAt(plan.shell, y, -1)! - 1e-9)
          }
          if (side === 'medial') expect(points[0]![0]).toBe(borderAt(plan.shell, fromHeelMm, 1))
        },
      ),
    )
    expect(borderAt(plan.shell, 900, 1)).toBeNull()
    expect([
      planPoints(plan, { fromHeelMm: 200, side: 'front' })[0]![1],
      planPoints(plan, { fromHeelMm: 200, side: 'back' })[0]![1],
    ]).toEqual([280, 0])
  })
})
