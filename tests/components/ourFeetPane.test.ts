import { expect, test } from 'vitest'
import OurFeetPane from '../../app/settings/OurFeetPane.vue'
import { HOUSE_TABLES } from '../../core/record/tables'
import { button, textOf } from './find'
import { settingsPane } from './settingsTables'

const share = (what: string, clients: number, more: object = {}) => ({
  what,
  age: 'adult',
  size: null,
  clients,
  median: 0.92,
  spread: 0.021,
  quantiles: Array.from({ length: 21 }, (_, i) => 0.86 + 0.006 * i),
  ...more,
})
const open = (shares: object[], may = true) =>
  settingsPane(OurFeetPane, {
    may,
    answers: { 'norms/own': { shares, ownRecords: HOUSE_TABLES.ownRecords } },
  })

test('what holds today stands beside our own, with how many clients', async () => {
  const { wrapper, change } = await open([share('waistGirthMm', 120)])
  const words = textOf(wrapper)
  expect(words).toContain('120')
  expect(words).toContain('0.89 · 0.95')
  expect(words).toContain('0.884 · 0.956')
  expect(words).toContain('0.92 ± 0.021')
  // Offered, not taken.
  expect(change()).toBeUndefined()
})

test('one is taken by hand, goes into the table alone, and can be left again', async () => {
  const { wrapper, draft, changes } = await open([share('waistGirthMm', 120)])
  await button(wrapper, 'Take Waist girth, low below, high above').trigger('click')
  expect(changes()).toEqual([{ waistShare: [0.884, 0.956] }])
  // What is taken is what the draft holds: left as it was, it is offered again.
  await wrapper.setProps({ draft })
  expect(textOf(wrapper)).not.toContain('✓ in the table')
  await wrapper.setProps({ draft: { ...draft, ...changes()[0] } })
  expect(textOf(wrapper)).toContain('✓ in the table')
  expect(() => button(wrapper, 'Take Waist girth, low below, high above')).toThrow()
  expect(button(wrapper, 'Take Waist girth, usual share of foot length')).toBeTruthy()
})

test('too few say how many are missing', async () => {
  const { wrapper } = await open([share('waistGirthMm', 60)])
  expect(textOf(wrapper)).toContain('▲ 40 more before it is offered')
  expect(button(wrapper, 'Take Waist girth, low below, high above')).toBeTruthy()
})

test('children and single sizes are not offered as everybody’s', async () => {
  const { wrapper } = await open([
    share('waistGirthMm', 300, { age: 'child' }),
    share('waistGirthMm', 300, { size: 'small' }),
  ])
  expect(textOf(wrapper)).toContain('No grown client has a foot length yet')
})

test('who may not change the tables may read', async () => {
  const { wrapper } = await open([share('waistGirthMm', 120)], false)
  expect(button(wrapper, /^Take Waist girth, low/).element.disabled).toBe(true)
})

test('sizes are told apart under the whole, each with how many there are', async () => {
  const { wrapper } = await open([
    share('waistGirthMm', 120),
    share('waistGirthMm', 70, { size: 'small', median: 0.94 }),
    share('waistGirthMm', 3, { size: 'large', median: 0.9 }),
  ])
  expect(textOf(wrapper)).toContain('small 0.94 ± 0.021 of 70 · large 0.9 of 3')
})
