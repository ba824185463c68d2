import { describe, expect, it } from 'vitest'
import { matchCatalogue } from '../../../core/footwear/match'
import { pairsChosen, pairsTaken } from '../../../core/footwear/pairsTaken'
import { footwearSchema } from '../../../core/record/schema'
import { demoModels } from '../../../demo/catalogue'
import { foot, SETTINGS } from '../../fixtures/handShell'

const footwear = (chosen?: object, moreChosen: object[] = []) =>
  footwearSchema.parse({ ...(chosen && { chosen }), moreChosen })
const told = (...of: Parameters<typeof footwear>) =>
  pairsChosen(footwear(...of)).map(({ model, sizeMm }) => `${model} ${sizeMm}`)

describe('pairs of the shelf that a fitting has chosen', () => {
  it('are one where both feet have one size, two where they have two', () => {
    expect(told({ model: 'a', sizeLeftMm: 265, sizeRightMm: 265 })).toEqual(['a 265'])
    expect(told({ model: 'a', sizeLeftMm: 265, sizeRightMm: 275 })).toEqual(['a 265', 'a 275'])
    expect(told({ model: 'a', sizeRightMm: 275 })).toEqual(['a 275'])
    expect(told({ model: 'a' })).toEqual([])
    expect(told()).toEqual([])
    expect(pairsChosen(undefined)).toEqual([])
  })
  it('count those for other devices, and nothing that the client brought', () => {
    const more = [
      { model: 'b', sizeLeftMm: 265, sizeRightMm: 265 },
      { model: 'own:1', sizeLeftMm: 265, sizeRightMm: 265 },
    ]
    expect(told({ model: 'a', sizeLeftMm: 265 }, more)).toEqual(['a 265', 'b 265'])
  })
  it('are taken from the handover until they come back', () => {
    const own = footwear({ model: 'a', sizeLeftMm: 265 })
    expect(pairsTaken({ footwear: own })).toEqual([])
    expect(pairsTaken({ footwear: own, handover: {} })).toEqual([])
    expect(pairsTaken({ footwear: own, handover: { on: '2026-11-30' } })).toHaveLength(1)
    const back = { on: '2026-11-30', footwearBackOn: '2026-12-02' }
    expect(pairsTaken({ footwear: own, handover: back })).toEqual([])
  })
})

it('a match that asks for what lies there asks for the size, ranks those as ever, and counts no others', () => {
  const feet = { left: foot, right: { ...foot, lengthMm: 270, bareLengthMm: 272 } }
  const models = demoModels()
  const all = matchCatalogue(feet, models, SETTINGS)
  const asked: string[] = []
  const some = matchCatalogue(feet, models, SETTINGS, 0, (model, sizes) => {
    asked.push(model.id)
    return sizes.every((size) => (model.stock[String(size)] ?? 0) > 0)
  })
  const here = all.pair.filter((p) => {
    const { stock } = models.find((m) => m.id === p.model)!
    return [p.left!.sizeMm, p.right!.sizeMm].every((size) => (stock[String(size)] ?? 0) > 0)
  })
  expect(new Set(asked).size).toBe(models.length)
  expect(here.length).toBeGreaterThan(2)
  expect(here.length).toBeLessThan(all.pair.length)
  expect(some.pair).toEqual(here)
  expect(some.counts.compared).toBe(some.pair.length + some.rejected.length)
})
