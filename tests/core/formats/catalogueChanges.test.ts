import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { catalogueChanges, changeWords } from '../../../core/formats/catalogueChanges'
import { readCatalogueCsv, writeCatalogueCsv } from '../../../core/formats/catalogueCsv'
import { modelIdOf } from '../../../core/footwear/modelId'
import { measuredShell, shellForm } from '../../../core/footwear/measuredShell'
import { demoModels } from '../../../demo/catalogue'
import { shell } from '../../fixtures/handShell'

const KNOWN = demoModels()
const [first, second] = KNOWN as [(typeof KNOWN)[number], (typeof KNOWN)[number]]

describe('a CSV with some of the columns', () => {
  it('changes those, keeps the others and what is empty, and leaves out what it does not name', () => {
    const check = readCatalogueCsv(`id,price,flex.index\n${first.id},999,\n`, KNOWN)
    expect(check.bad).toEqual([])
    expect(check.models).toEqual([{ ...first, price: 999 }])
    const changes = catalogueChanges(KNOWN, check.models)
    expect(changes).toMatchObject({ added: [], same: 0, untouched: KNOWN.length - 1 })
    expect(changes.models).toEqual([
      {
        id: first.id,
        name: first.name,
        changed: [{ column: 'price', was: String(first.price), is: '999' }],
        lost: [],
      },
    ])
  })
  it('knows a model without an id by its maker and name', () => {
    const check = readCatalogueCsv(`maker,name,price\n${first.maker},${first.name},7\n`, [
      { ...first, id: modelIdOf(first, new Map()) },
    ])
    expect(check.models.map((m) => m.price)).toEqual([7])
    expect(check.models[0]!.at).toEqual(first.at)
  })
  it('says in its row what a new model lacks', () => {
    const { bad, models } = readCatalogueCsv(`id,price\n${first.id},1\nbrand-new,2\n`, KNOWN)
    expect(models).toHaveLength(1)
    expect(new Set(bad.map((b) => `${b.row} ${b.column}`))).toEqual(
      new Set(['3 family', '3 sizesMm']),
    )
    expect(bad[0]!.words).toBe('brand-new is not in the catalogue: a new model needs it.')
  })
  it('whatever the columns are, no other value of a model moves', () => {
    const columns = ['price', 'insoleMm', 'flex.index', 'at.heelWidthMm', 'plastic.name', 'pairing']
    const whole = writeCatalogueCsv(KNOWN).trimEnd().split('\n')
    expect(whole).toHaveLength(KNOWN.length + 1)
    fc.assert(
      fc.property(fc.subarray(columns, { minLength: 1 }), (some) => {
        const csv = `id,${some.join(',')}\n${first.id}${',1'.repeat(some.length)}\n`
        const { models, bad } = readCatalogueCsv(csv, KNOWN)
        expect(bad.map((b) => b.column)).toEqual(some.includes('pairing') ? ['pairing'] : [])
        const [one] = catalogueChanges(KNOWN, models).models
        if (some.includes('pairing')) return
        for (const { column } of one!.changed) expect(some).toContain(column)
        expect(one!.lost).toEqual([])
      }),
    )
  })
  it('the whole catalogue read back changes nothing', () => {
    const { models } = readCatalogueCsv(writeCatalogueCsv(KNOWN), KNOWN)
    expect(catalogueChanges(KNOWN, models)).toEqual({
      added: [],
      same: KNOWN.length,
      untouched: 0,
      models: [],
    })
  })
})

it('what a file takes away is said before it is kept', () => {
  const bare = { ...second, stock: {}, soleNorm: undefined, flex: undefined }
  const { models, added } = catalogueChanges(KNOWN, [bare, shell({ id: 'new', name: 'New' })])
  expect(added).toEqual(['New'])
  const lost = models[0]!.lost.map((l) => l.column)
  expect(lost).toContain('flex.index')
  expect(lost).toContain('stock')
  expect(changeWords(models[0]!)).toMatch(new RegExp(`^${second.name}: loses flex.index`))
})

describe('the id of a model', () => {
  const named = (maker: string, name: string) => ({ maker, name })
  it.each([
    ['Скала', 'Тур 98'],
    ['山靴', '白馬'],
    ['हिम', 'कि'],
    ['हिम', 'का'],
    ['Ærø', 'Ōki'],
  ])('is its own in any alphabet: %s %s', (maker, name) => {
    const id = modelIdOf(named(maker, name), new Map())
    expect(id.length).toBeGreaterThan(3)
    expect(id).not.toBe('model')
  })
  it('is the one it has, and never that of another name', () => {
    const known = new Map([
      ['a-b', named('A', 'B')],
      ['a-b~2', named('A', 'B!')],
    ])
    expect(modelIdOf(named('A', 'B'), known)).toBe('a-b')
    expect(modelIdOf(named('A', 'B!'), known)).toBe('a-b~2')
    expect(modelIdOf(named('a', 'b?'), known)).toBe('a-b~3')
    expect(modelIdOf(named('?', '!'), new Map())).toBe('model')
    const two = ['कि', 'का'].map((name) => modelIdOf(named('हिम', name), new Map()))
    expect(new Set(two).size).toBe(2)
  })
  it('of a shell that is measured anew under a name like another’s replaces nothing', () => {
    const form = { ...shellForm(null), maker: 'A', name: 'B!', sizesMm: '265' }
    const other = shell({ id: 'a-b', maker: 'A', name: 'B' })
    const made = measuredShell(form, null, { by: 'R', on: '2026-11-30' }, [other])
    expect(made.id).toBe('a-b~2')
  })
})
