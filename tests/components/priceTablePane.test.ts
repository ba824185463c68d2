import { expect, test } from 'vitest'
import PriceTablePane from '../../app/settings/PriceTablePane.vue'
import { HOUSE_TABLES } from '../../core/record/tables'
import { button, field, type } from './find'
import { settingsPane } from './settingsTables'

const open = (more: Parameters<typeof settingsPane>[1] = {}) => settingsPane(PriceTablePane, more)
const HOUSE = HOUSE_TABLES.prices
const PAIR = HOUSE.prices.find((p) => p.of === 'full-custom')!

const STANDS_FOR: Record<string, string> = {
  'device-trim-to-fit': 'Trim-to-fit insert',
  'device-heat-moulded': 'Heat-moulded footbed',
  'device-full-custom': 'Full custom footbed',
  'work-stretch': 'stretch',
  'work-grind': 'grind',
  'work-other': 'any other work on a shell',
  measuring: 'the first visit of a client',
  adjustment: 'a visit under guarantee',
  'adjust-paid': 'adjustment',
  'liner-mould': 'Liner mould',
}
test('every price stands there with what it stands for', async () => {
  const { wrapper } = await open()
  for (const price of HOUSE.prices) {
    expect(field(wrapper, `Name of ${price.name}`).element.value).toBe(price.name)
    expect(field(wrapper, `Price of ${price.name}`).element.value).toBe(String(price.amount))
    const row = wrapper.findAll('tbody tr')[HOUSE.prices.indexOf(price)]!
    expect(row.text()).toContain(STANDS_FOR[price.id])
  }
})

test('a price is changed, with a comma too, and the others stay', async () => {
  const { wrapper, change, trouble } = await open()
  await type(wrapper, `Price of ${PAIR.name}`, '312,50')
  expect(change()!.prices!.prices).toEqual(
    HOUSE.prices.map((p) => (p.id === PAIR.id ? { ...p, amount: 312.5 } : p)),
  )
  expect(trouble()).toBe('')
})

test.each([
  ['words', 'dear', '“dear” is not a number. Nothing was changed.'],
  ['less than nothing', '-1', 'amount'],
])('a price of %s is refused', async (_, typed, said) => {
  const { wrapper, changes, trouble } = await open()
  await type(wrapper, `Price of ${PAIR.name}`, typed)
  expect(changes()).toEqual([])
  expect(trouble()).toContain(said)
  expect(field(wrapper, `Price of ${PAIR.name}`).element.value).toBe(String(PAIR.amount))
})

test('an own tax is set and taken off again', async () => {
  const { wrapper, change } = await open()
  await type(wrapper, `Tax of ${PAIR.name}`, '10')
  expect(change()!.prices!.prices.find((p) => p.id === PAIR.id)!.taxPercent).toBe(10)
  const taxed = await open({
    tables: { prices: { ...HOUSE, prices: [{ ...PAIR, taxPercent: 10 }] } },
  })
  await type(taxed.wrapper, `Tax of ${PAIR.name}`, '')
  expect(taxed.change()!.prices!.prices[0]).not.toHaveProperty('taxPercent', 10)
})

test('what holds for all prices is changed', async () => {
  const { wrapper, change, changes, trouble } = await open()
  await type(wrapper, 'Tax, %', '19')
  expect(change()!.prices!.taxPercent).toBe(19)
  await type(wrapper, 'A quote holds, days', '45')
  expect(change()!.prices!.validDays).toBe(45)
  await type(wrapper, 'Tax, %', '200')
  expect(changes()).toHaveLength(2)
  expect(trouble()).toContain('taxPercent')
  await wrapper.find('input[type="checkbox"]').setValue(!HOUSE.withTax)
  expect(change()!.prices!.withTax).toBe(!HOUSE.withTax)
})

test('a new price is the shop’s own and can be taken out; so can any other', async () => {
  const { wrapper, change } = await open()
  await button(wrapper, 'Add a price').trigger('click')
  const added = change()!.prices!
  expect(added.prices.at(-1)).toEqual({
    id: 'own-1',
    name: 'New price',
    kind: 'other',
    amount: 0,
  })
  // One that stands for a device may go too: a quote says then what has no price.
  expect(button(wrapper, `Take ${PAIR.name} out`).exists()).toBe(true)
  const more = await open({ tables: { prices: added } })
  await button(more.wrapper, 'Add a price').trigger('click')
  expect(more.change()!.prices!.prices.at(-1)!.id).toBe('own-2')
  await button(more.wrapper, 'Take New price out').trigger('click')
  expect(more.change()!.prices!.prices).toEqual(HOUSE.prices)
})

test('who may not change prices reads them', async () => {
  const { wrapper } = await open({ may: false })
  expect(
    wrapper.findAll<HTMLInputElement>('input:not([type=hidden])').every((i) => i.element.disabled),
  ).toBe(true)
  expect(() => button(wrapper, 'Add a price')).toThrow()
})
