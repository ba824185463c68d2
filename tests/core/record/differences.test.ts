import { expect, it } from 'vitest'
import { differences } from '../../../core/record/differences'

it('tells field by field what it was and is, and nothing of what stayed', () => {
  expect(
    differences(
      { massKg: 70, name: 'A', conditions: ['diabetes'] },
      { massKg: 72, name: 'A', guardian: 'B', conditions: ['diabetes', 'smoking'] },
    ),
  ).toEqual([
    'mass, kg: 70 → 72',
    'conditions: diabetes → diabetes, smoking',
    'guardian: nothing → B',
  ])
  expect(differences({ a: 1 }, { a: 1 })).toEqual([])
})

it('takes a thing that was not there, or is no more, as empty', () => {
  expect(differences(null, { goal: 'ski' })).toEqual(['goal: nothing → ski'])
  expect(differences({ goal: 'ski' }, undefined)).toEqual(['goal: ski → nothing'])
  expect(differences([1, 2], [1])).toEqual(['1, 2 → 1'])
})

it('does not fill the page with one value', () =>
  expect(differences({ note: 'x'.repeat(500) }, { note: '' })[0]!.length).toBeLessThan(120))
