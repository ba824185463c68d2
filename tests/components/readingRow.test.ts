import { describe, expect, test } from 'vitest'
import ReadingRow from '../../app/stations/measure/ReadingRow.vue'
import { useHand } from '../../app/stores/hand'
import { summarise } from '../../core/measure/reading'
import { HOUSE_NORMS } from '../../core/record/tables'
import { mountWith } from './mountWith'

async function open(trials: number[], struck: number[] = [], chosen = false) {
  const what = 'instepGirthMm' as const
  const { wrapper } = await mountWith(ReadingRow, {
    props: {
      side: 'left',
      name: 'Instep girth',
      what,
      summary: summarise({ what, trials, struck }, HOUSE_NORMS),
      trials,
      struck,
      chosen,
    },
  })
  return { wrapper, row: wrapper.find('button') }
}
const LIMIT = HOUSE_NORMS.repeatLimitMm.instepGirthMm

describe('a reading in its row', () => {
  test('is never a number alone', async () => {
    const { row } = await open([246, 247])
    expect(row.attributes('aria-label')).toBe('left Instep girth: 246.5 mm, spread 1.0 of 2 tries')
    expect(row.text()).toContain('spread 1.0')
  })
  test('of one try says so', async () => {
    const { row } = await open([246])
    expect(row.attributes('aria-label')).toContain('of 1 try')
  })
  test('that nobody took is said to be so', async () => {
    const { wrapper, row } = await open([])
    expect(row.attributes('aria-label')).toBe('left Instep girth: not taken')
    expect(wrapper.findAll('circle')).toHaveLength(0)
  })
  test('asks for another beyond the limit, or for one to be struck where the others agree', async () => {
    const two = await open([246, 246 + LIMIT + 0.1])
    expect(two.row.text()).toContain('Repeat')
    expect(two.row.attributes('aria-label')).toContain(', repeat')
    const three = await open([246, 246 + LIMIT + 1, 246.5])
    expect(three.row.text()).toContain('Strike one?')
    const near = await open([246, 246 + LIMIT])
    expect(near.row.text()).not.toContain('Repeat')
  })
})

describe('its dots', () => {
  test('stand to the left and right of the mean, one a try', async () => {
    const { wrapper } = await open([246, 250])
    const x = wrapper.findAll('circle').map((c) => Number(c.attributes('cx')))
    expect(x[0]).toBeLessThan(0)
    expect(x[1]).toBeCloseTo(-x[0]!, 9)
  })
  test('that fall together stand on each other', async () => {
    const { wrapper } = await open([246, 246])
    const y = wrapper.findAll('circle').map((c) => Number(c.attributes('cy')))
    expect(y[0]! - y[1]!).toBe(5)
  })
  test('that were struck are hollow', async () => {
    const { wrapper } = await open([246, 270, 247], [1])
    expect(wrapper.findAll('circle').map((c) => c.attributes('fill'))).toEqual([
      'currentColor',
      'none',
      'currentColor',
    ])
  })
})

test('one that is touched is the one in sight of the drawing, until it is left', async () => {
  const { wrapper, row } = await open([246])
  const hand = useHand()
  await row.trigger('focus')
  expect(hand.hot).toBe('instepGirthMm')
  expect(row.classes()).toContain('hot')
  await row.trigger('blur')
  expect(hand.hot).toBeNull()
  await row.trigger('click')
  expect(wrapper.emitted('choose')).toHaveLength(1)
})
