import { expect, test } from 'vitest'
import { nextTick } from 'vue'
import MakeStation from '../../app/stations/make/MakeStation.vue'
import PromisePane from '../../app/stations/make/PromisePane.vue'
import QuotePane from '../../app/stations/make/QuotePane.vue'
import { deviceRows } from '../../core/device/deviceRows'
import { deviceLines } from '../../core/device/deviceWords'
import { quoteLines, quoteSums } from '../../core/followup/quote'
import { HOUSE_NORMS, HOUSE_TABLES } from '../../core/record/tables'
import { button, textOf, type } from './find'
import { demo, mountWith } from './mountWith'

test('steps, promise, quote and the prescription of both feet stand there', async () => {
  const record = demo('Tove')
  const { wrapper } = await mountWith(MakeStation, { record })
  const text = textOf(wrapper)
  expect(text).toContain('0 of 9 steps done')
  expect(text).toContain('Print or mill the solid, or order it')
  for (const side of ['left', 'right'] as const)
    for (const line of deviceLines(record.feet[side]!, deviceRows(HOUSE_NORMS)))
      expect(text).toContain(line)
})

test('a step that is ticked is done in the record, and undone again', async () => {
  const { wrapper, fitting } = await mountWith(MakeStation, { record: demo('Tove') })
  await button(wrapper, 'Print or mill the solid, or order it').trigger('click')
  await nextTick()
  expect(textOf(wrapper)).toContain('1 of 9 steps done')
  expect(Object.values(fitting.record.jobs ?? {})).not.toHaveLength(0)
  await button(wrapper, 'Print or mill the solid, or order it').trigger('click')
  await nextTick()
  expect(textOf(wrapper)).toContain('0 of 9 steps done')
})

test('nothing prescribed: nothing to make, and the way to Prescribe', async () => {
  const record = demo('Tove')
  for (const side of ['left', 'right'] as const) delete record.feet[side]!.device
  const { wrapper } = await mountWith(MakeStation, { record })
  expect(textOf(wrapper)).toContain('Nothing to make: prescribe a device first.')
  expect(textOf(wrapper)).toContain('no device prescribed yet')
})

test('a promised time that is none is refused in words, and not kept', async () => {
  const { wrapper, fitting } = await mountWith(PromisePane, {
    record: demo('Tove'),
    props: { disabled: false },
  })
  await type(wrapper, /time/i, '25:61')
  expect(textOf(wrapper)).toContain('“25:61” is not a time. Write it as HH:MM.')
  expect(fitting.record.making?.promisedAt).toBeUndefined()
  await type(wrapper, /time/i, '16:30')
  expect(fitting.record.making?.promisedAt).toBe('16:30')
})

test('before a quote is given, its pane says what the price list comes to', async () => {
  const record = demo('Tove')
  const { wrapper } = await mountWith(QuotePane, { record })
  const lines = quoteLines(record, [], HOUSE_TABLES).lines
  const { total } = quoteSums({ lines, withTax: HOUSE_TABLES.prices.withTax })
  expect(textOf(wrapper)).toContain(`None given yet: ${total.toFixed(2)}`)
})
