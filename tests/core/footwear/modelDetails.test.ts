import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { detailsForm, MODEL_DETAILS, withDetails } from '../../../core/footwear/modelDetails'
import { modelSchema } from '../../../core/footwear/catalogueSchema'
import { demoModels } from '../../../demo/catalogue'
import { shell } from '../../fixtures/handShell'

const FIELDS = MODEL_DETAILS.flatMap((g) => g.fields)
const model = shell({ measured: { by: 'R', on: '2026-11-02' }, stock: { 265: 2 } })
const typed = (more: Record<string, string>) =>
  withDetails(model, { ...detailsForm(model), ...more })

describe('the details of a model', () => {
  it.each(demoModels().map((m) => [m.id, m] as const))('%s is itself, untouched', (_, m) =>
    expect(withDetails(m, detailsForm(m))).toEqual(m),
  )
  it('are everything that a model has beside its inside, its shelf and who measured it', () => {
    const leaves = (value: unknown, path: string): string[] =>
      typeof value === 'object' && value !== null && !Array.isArray(value)
        ? Object.entries(value).flatMap(([key, inner]) =>
            leaves(inner, path ? `${path}.${key}` : key),
          )
        : [path]
    const full = {
      ...model,
      flex: { index: 90 },
      cuffLeanDeg: 12,
      soleNorm: 'x',
      lastWidthMm: 100,
      plastic: { ...model.plastic, name: 'y' },
    }
    const elsewhere = ['id', 'family', 'at', 'stock', 'measured']
    const asked = new Set(FIELDS.map((f) => f.path))
    for (const path of leaves(full, ''))
      if (!elsewhere.includes(path.split('.')[0]!)) expect(asked, path).toContain(path)
    // And the schema has nothing that neither of the two knows.
    for (const key of Object.keys(modelSchema.shape))
      expect(
        [...asked, ...elsewhere].some((path) => path.split('.')[0] === key),
        key,
      ).toBe(true)
  })
  it('change what was typed, with a comma or a point, and nothing else', () => {
    expect(typed({ price: '420,5', 'plastic.name': ' Polyether ', 'flex.index': '95' })).toEqual({
      ...model,
      price: 420.5,
      plastic: { ...model.plastic, name: 'Polyether' },
      flex: { index: 95 },
    })
  })
  it('an empty field is as a new model has it; a flex that is gone leaves no empty part', () => {
    const flexed = { ...model, flex: { index: 95 } }
    const bare = withDetails(flexed, { ...detailsForm(flexed), 'flex.index': '', insoleMm: '' })
    expect(bare).not.toHaveProperty('flex')
    expect(bare.insoleMm).toBe(3)
  })
  it.each([
    ['price', 'dear', 'Price: “dear” is not a number.'],
    ['sizesMm', '255 x', 'All its sizes: “255 x” is no list of sizes in mm, as 255 260 265.'],
    ['name', ' ', 'Model: give it a name.'],
  ])('%s as “%s” is refused in words', (path, words, said) =>
    expect(() => typed({ [path]: words })).toThrow(said),
  )
  it('what the catalogue cannot hold is refused at its field', () => {
    expect(() => typed({ 'liner.packOut': '1.5' })).toThrow(/^packs out by a share of: /)
    expect(() => typed({ 'bootBoard.rampDeg': '99' })).toThrow(/^Ramp: /)
  })
  it('inside, shelf and measurer stay, whatever is typed', () =>
    fc.assert(
      fc.property(
        fc.constantFrom(...FIELDS),
        fc.oneof(fc.nat({ max: 500 }).map(String), fc.string({ maxLength: 8 })),
        ({ path }, words) => {
          try {
            const { at, stock, measured, id, family } = typed({ [path]: words })
            expect({ at, stock, measured, id, family }).toEqual({
              at: model.at,
              stock: model.stock,
              measured: model.measured,
              id: model.id,
              family: model.family,
            })
          } catch (error) {
            expect((error as Error).message).toMatch(/: /)
          }
        },
      ),
    ))
})
