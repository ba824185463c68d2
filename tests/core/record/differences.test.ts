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
    'conditions, smoking: nothing → smoking',
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

it('finds a reading among others, and says which of its numbers came', () => {
  const width = { what: 'forefootWidthMm', posture: 'standing', trials: [97, 98] }
  const length = { what: 'footLengthMm', posture: 'standing', trials: [264] }
  const told = differences(
    [width, length],
    [width, { ...length, trials: [264, 265] }, { what: 'calfGirthMm', trials: [353] }],
    'readings',
  )
  expect(told).toEqual([
    'Foot length standing, trials: 264 → 264, 265',
    'Calf girth: nothing → what calfGirthMm; trials 353',
  ])
})

it('finds a layer of a device, and says which of its amounts changed', () => {
  const skive = { kind: 'medialHeelSkive', depthMm: 3 }
  const before = { kind: 'orthosis', layers: [skive, { kind: 'metPad', heightMm: 5 }] }
  const after = { kind: 'orthosis', layers: [{ ...skive, depthMm: 4 }] }
  expect(differences(before, after, 'device')).toEqual([
    'layers, medial heel skive, depth, mm: 3 → 4',
    'layers, met pad: kind metPad; height, mm 5 → nothing',
  ])
})

it('says of every two records something, and of one and the same nothing', () => {
  const some = { story: { goal: 'ski', complaints: [{ foot: 'left', at: 'navicular', pain: 3 }] } }
  expect(differences(some, structuredClone(some))).toEqual([])
  const worse = structuredClone(some)
  worse.story.complaints[0]!.pain = 7
  expect(differences(some, worse)).toEqual(['story, complaints, left navicular, pain: 3 → 7'])
})
