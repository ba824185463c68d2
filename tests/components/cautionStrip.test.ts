import { expect, test } from 'vitest'
import CautionStrip from '../../app/components/CautionStrip.vue'
import { button, textOf } from './find'
import { demo, mountWith } from './mountWith'

test('the first caution stands in the line, the others are one tap away', async () => {
  const record = demo('Mirela')
  const { wrapper, fitting } = await mountWith(CautionStrip, { record, props: { making: true } })
  const [first, second] = fitting.cautions
  expect(textOf(wrapper)).toContain(first!.words)
  expect(textOf(wrapper)).not.toContain(second!.words)
  await button(wrapper, /more$/).trigger('click')
  for (const { words } of fitting.cautions) expect(textOf(wrapper)).toContain(words)
})

test('a client without cautions has no strip', async () => {
  const record = demo('Mirela')
  record.story = { ...record.story!, conditions: [], signs: [] } as never
  const { wrapper, fitting } = await mountWith(CautionStrip, { record, props: { making: true } })
  if (fitting.cautions.length === 0) expect(wrapper.find('.strip').exists()).toBe(false)
  else expect(fitting.cautions.every((c) => !/thinner/i.test(c.words))).toBe(true)
})

test('what is still to be asked is loud from Make on; what was found is loud everywhere', async () => {
  const record = demo('Mirela')
  record.story = { ...record.story!, signs: {} }
  const before = await mountWith(CautionStrip, { record, props: { making: false } })
  await before.wrapper.find('button').trigger('click')
  expect(textOf(before.wrapper)).toMatch(/thinner/i)
  expect(textOf(before.wrapper)).not.toContain('was not asked')
  expect(before.fitting.cautions.some((c) => c.words.includes('was not asked'))).toBe(true)
  const making = await mountWith(CautionStrip, { record, props: { making: true } })
  await making.wrapper.find('button').trigger('click')
  expect(textOf(making.wrapper)).toContain('was not asked')
})
