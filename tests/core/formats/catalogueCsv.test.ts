import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { modelSchema } from '../../../core/footwear/catalogueSchema'
import {
  catalogueCautions,
  readCatalogueCsv,
  readCatalogueJson,
  writeCatalogueCsv,
} from '../../../core/formats/catalogueCsv'
import { Refusal } from '../../../core/record/refusal'
import { demoModels } from '../../../demo/catalogue'

const model = demoModels().find((m) => m.id === 'fern-traverse-99')!

describe('a catalogue as CSV', () => {
  it('takes any text without failing: a report, or a sentence that it is no catalogue', () => {
    const cell = fc.oneof(
      fc.string(),
      fc.constantFrom('shoe', 'rigid-shell', '265', '255 260', '260:1', '-1', '1e99', ''),
    )
    fc.assert(
      fc.property(
        fc.array(fc.array(cell, { minLength: 3, maxLength: 6 }), { maxLength: 8 }),
        fc.boolean(),
        (rows, head) => {
          const quoted = rows.map((r) => r.map((c) => `"${c.replace(/"/g, '""')}"`).join(','))
          try {
            const check = readCatalogueCsv(
              [...(head ? ['id,family,sizesMm,at.lengthMm,stock,price'] : []), ...quoted].join(
                '\n',
              ),
            )
            expect(check.models.length + new Set(check.bad.map((b) => b.row)).size).toBe(check.rows)
            expect(readCatalogueCsv(writeCatalogueCsv(check.models)).models).toEqual(check.models)
          } catch (error) {
            expect(error).toBeInstanceOf(Refusal)
          }
        },
      ),
    )
  })
  it('comes back as it went out', () => {
    const models = demoModels().map((m, i) =>
      i === 0
        ? {
            ...m,
            name: '=SUM(A1)',
            measured: { by: 'R. Ketteridge', on: '2026-11-02' },
            lastWidthMm: 100.5,
          }
        : m,
    )
    expect(writeCatalogueCsv(models)).toContain(`"'=SUM(A1)"`)
    const back = readCatalogueCsv(writeCatalogueCsv(models))
    expect(back.models).toEqual(models)
    expect([back.bad, back.rows]).toEqual([[], models.length])
  })
  it('names every bad cell by row and column and keeps the rest', () => {
    const rows = [
      'id,family,sizesMm,at.lengthMm,stock,extra',
      'a,skate,255 265,278,255:1,x',
      'b,clog,255,278,,',
      'c,shoe,twelve,278,,',
      'd,shoe,255,long,,',
      'a,shoe,255,278,,',
      'e,shoe,255,278,some,',
      'f,shoe,255,278,999:1,',
    ]
    const check = readCatalogueCsv(rows.join('\n'))
    expect(check.models.map((m) => m.id)).toEqual(['a', 'f'])
    expect(check.bad.map((b) => [b.row, b.column])).toEqual([
      [3, 'family'],
      [4, 'sizesMm'],
      [5, 'at.lengthMm'],
      [6, 'id'],
      [7, 'stock'],
    ])
    expect(check.cautions.map((c) => c.column)).toEqual(expect.arrayContaining(['extra', 'stock']))
    expect(() => readCatalogueCsv('name,price\nx,1')).toThrow('family, sizesMm are missing')
  })
  it('reads JSON model by model and says what looks odd', () => {
    const check = readCatalogueJson({
      format: 'gentle-arch/catalogue',
      version: 1,
      models: [{ ...model, grade: { ...model.grade, girthMm: 9 } }, { id: 'x' }],
    })
    expect(check.models).toHaveLength(1)
    expect(check.bad.every((b) => b.row === 1)).toBe(true)
    expect(check.cautions[0]).toMatchObject({ column: 'grade.girthMm' })
    expect(
      catalogueCautions(
        modelSchema.parse({
          id: 'y',
          maker: '',
          name: '',
          family: 'shoe',
          sizesMm: [255, 255],
          at: {},
        }),
      ).map((c) => c.column),
    ).toEqual(['at.lengthMm', 'at.ballWidthMm', 'sizesMm'])
  })
})
