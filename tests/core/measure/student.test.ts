import { expect, it } from 'vitest'
import { student95 } from '../../../core/measure/student'

// Two-sided 95 % points as every table of the t distribution has them.
it.each([
  [1, 12.706],
  [2, 4.303],
  [3, 3.182],
  [4, 2.776],
  [5, 2.571],
  [6, 2.447],
  [8, 2.306],
  [10, 2.228],
  [15, 2.131],
  [20, 2.086],
  [30, 2.042],
  [60, 2.0],
  [120, 1.98],
])('%i degrees of freedom: %f', (df, t) => {
  expect(Math.abs(student95(df) - t) / t).toBeLessThan(0.003)
})

it('narrows towards the normal with more of them', () => {
  for (let df = 1; df < 200; df++) expect(student95(df + 1)).toBeLessThan(student95(df))
  expect(student95(1e6)).toBeCloseTo(1.96, 3)
})
