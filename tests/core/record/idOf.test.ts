import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { idOf } from '../../../core/record/idOf'

describe('an id made of a name', () => {
  it.each([
    ['Beech laminate, 3-ply', 'beech-laminate-3-ply'],
    ['  Wide!  ', 'wide'],
    ['Söder Läst', 'söder-läst'],
    ['Снег 98', 'снег-98'],
    ['…', ''],
    ['', ''],
  ])('%s', (name, id) => {
    expect(idOf(name)).toBe(id)
  })

  it('tells names of another alphabet apart', () => {
    expect(idOf('Снег')).not.toBe(idOf('Лёд'))
  })

  it('has no dash at its ends, is not too long, and is its own id', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme', maxLength: 120 }), (name) => {
        const id = idOf(name, 20)
        expect(id).not.toMatch(/^-|-$/)
        expect(id.length).toBeLessThanOrEqual(20)
      }),
    )
    expect(idOf(idOf('Beech laminate, 3-ply'))).toBe('beech-laminate-3-ply')
  })
})
