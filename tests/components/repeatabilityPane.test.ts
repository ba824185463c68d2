import { expect, test } from 'vitest'
import RepeatabilityPane from '../../app/settings/RepeatabilityPane.vue'
import { HOUSE_NORMS } from '../../core/record/tables'
import { button, pick, textOf, type } from './find'
import { mountWith, settled } from './mountWith'

const pair = (id: string, first: number, second: number, what = 'footLengthMm') => ({
  id,
  fitter: 'Rhona Kestle',
  what,
  subject: 'HR-0412 L',
  first,
  second,
  takenOn: '2026-11-20',
})
const open = (readings: object[] = [], role?: 'reader') =>
  mountWith(RepeatabilityPane, {
    props: {
      tables: {
        ...HOUSE_NORMS,
        repeatLimitMm: { ...HOUSE_NORMS.repeatLimitMm, footLengthMm: 2.5 },
      },
    },
    answers: { 'double-readings': { readings } },
    ...(role && { role }),
  })

test('error and smallest change of each reading, by hand', async () => {
  // Differences 1, −1, 2, 0, 2: Σd² = 10, n = 5, TEM = 1; 1.96 · √2 = 2.772.
  const { wrapper } = await open([
    pair('a', 264, 265),
    pair('b', 265, 264),
    pair('c', 264, 266),
    pair('d', 264, 264),
    pair('e', 262, 264),
  ])
  const row = wrapper
    .find('tbody tr')
    .findAll('td')
    .map((td) => td.text())
  expect(row).toEqual(['Foot length', 'Rhona Kestle', '5', '1.00 mm', '2.77 mm', '2.5 mm'])
})

test('a few pairs say how many more are needed', async () => {
  const { wrapper } = await open([pair('a', 264, 265), pair('b', 97, 98, 'forefootWidthMm')])
  expect(textOf(wrapper)).toContain('▲ 4 more before it is used')
  expect(wrapper.findAll('tbody tr')).toHaveLength(2)
})

test('none yet says what stands in for them', async () => {
  const { wrapper } = await open()
  expect(textOf(wrapper)).toContain('No double readings yet.')
})

test('a pair goes to the server as it was typed, and the fields are empty again', async () => {
  const { wrapper, calls } = await open()
  const [what, whose, first, second] = [
    /^Reading/,
    /^Whose foot/,
    'First, mm',
    'Second, mm',
  ] as const
  await pick(wrapper, what, 'Heel width')
  await type(wrapper, whose, ' HR-0412 L ')
  await type(wrapper, first, '64')
  await type(wrapper, second, '64,5')
  await button(wrapper, 'Keep the pair').trigger('click')
  await settled()
  expect(calls.filter((c) => c.method === 'POST')).toMatchObject([
    {
      path: 'double-readings',
      body: { what: 'heelWidthMm', subject: 'HR-0412 L', first: 64, second: 64.5 },
    },
  ])
})

test('what is missing or wrong is told beside its field, and nothing is sent', async () => {
  const { wrapper, calls } = await open()
  expect(textOf(wrapper)).not.toContain('Say this.')
  await type(wrapper, 'First, mm', 'long')
  await button(wrapper, 'Keep the pair').trigger('click')
  expect(textOf(wrapper)).toContain('“long” is not a number.')
  expect(textOf(wrapper)).toContain('Say this.')
  expect(calls.filter((c) => c.method === 'POST')).toEqual([])
})

test('a reader sees the figures and adds nothing', async () => {
  const { wrapper } = await open([pair('a', 264, 265)], 'reader')
  expect(textOf(wrapper)).toContain('Foot length')
  expect(() => button(wrapper, 'Keep the pair')).toThrow()
})
