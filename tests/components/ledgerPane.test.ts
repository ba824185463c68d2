import { expect, test } from 'vitest'
import { nextTick } from 'vue'
import LedgerPane from '../../app/components/LedgerPane.vue'
import { useLedger } from '../../app/stores/ledger'
import { figureWords } from '../../core/advice/limits'
import { button, textOf } from './find'
import { demo, mountWith } from './mountWith'

const open = (props: { role?: 'reader' } = {}) =>
  mountWith(LedgerPane, { record: demo('Tove'), ...props })

test('three entries stand open, the rest on demand, each with its school', async () => {
  const { wrapper } = await open()
  const ledger = useLedger()
  expect(ledger.open.length).toBeGreaterThan(3)
  expect(wrapper.findAll('article')).toHaveLength(3)
  expect(textOf(wrapper)).toContain(`${ledger.open.length} open · 0 decided`)
  await button(wrapper, `${ledger.open.length - 3} more`).trigger('click')
  expect(wrapper.findAll('article')).toHaveLength(ledger.open.length)
  for (const entry of ledger.open) expect(textOf(wrapper)).toContain(entry.words)
})

test('noted, an entry moves to the decided ones with who decided', async () => {
  const { wrapper, fitting } = await open()
  const ledger = useLedger()
  const first = ledger.open[0]!
  await button(wrapper, 'Noted').trigger('click')
  await nextTick()
  expect(fitting.record.ledger).toMatchObject([
    { code: first.code, foot: first.foot, decision: 'accepted', by: 'Rhona Kestle' },
  ])
  expect(ledger.open).not.toContainEqual(first)
  expect(textOf(wrapper)).toContain('Decided: 1')
})

test('a decided entry can be opened again', async () => {
  const { wrapper, fitting } = await open()
  const before = useLedger().open.length
  await button(wrapper, 'Noted').trigger('click')
  await nextTick()
  useLedger().reopen(fitting.record.ledger![0]!)
  await nextTick()
  expect(useLedger().open).toHaveLength(before)
})

test('a reader sees reasons and decides nothing', async () => {
  const { wrapper } = await open({ role: 'reader' })
  expect(wrapper.findAll('article').length).toBeGreaterThan(0)
  expect(() => button(wrapper, 'Noted')).toThrow()
  expect(() => button(wrapper, 'Set aside')).toThrow()
})

test('value, limit and source stand there on demand, and go again', async () => {
  const { wrapper } = await open()
  const entry = useLedger().open.find((e) => e.code === 'length-gap')!
  const told = 'feet differ in length by at least 3 mm: here 4 mm'
  expect(figureWords(entry.figures[0]!)).toBe(told)
  const article = wrapper.findAll('article').find((a) => a.text().includes(entry.words))!
  expect(article.text()).not.toContain(told)
  await article.find('.school').trigger('click')
  expect(article.text()).toContain(told)
  expect(article.text()).toContain('Source: workshop default.')
  await article.find('.school').trigger('click')
  expect(article.text()).not.toContain(told)
})
