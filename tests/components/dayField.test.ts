import { expect, test } from 'vitest'
import { nextTick } from 'vue'
import DayField from '../../app/components/DayField.vue'
import { field, textOf, type } from './find'
import { mountWith } from './mountWith'

const open = (props: object = {}) =>
  mountWith(DayField, { props: { modelValue: '2026-11-28', label: 'Promised for', ...props } })

test('a day is shown in words, none as nothing', async () => {
  expect(field((await open()).wrapper, /Promised for/).element.value).toBe('28 Nov 2026')
  expect(field((await open({ modelValue: undefined })).wrapper, /Promised/).element.value).toBe('')
})

test('a typed day is kept when the field is left, and shown in words', async () => {
  const { wrapper } = await open()
  await type(wrapper, /Promised for/, '3.12.2026')
  expect(wrapper.emitted('update:modelValue')).toEqual([['2026-12-03']])
})

test('nothing is kept while somebody types', async () => {
  const { wrapper } = await open()
  await field(wrapper, /Promised for/).setValue('3 Dec 2026')
  expect(wrapper.emitted('update:modelValue')).toBeUndefined()
})

test('what is no day is told and stays to be mended; nothing is kept', async () => {
  const { wrapper } = await open()
  await type(wrapper, /Promised for/, '31 Feb 2026')
  expect(textOf(wrapper)).toContain('“31 Feb 2026” is not a day. Write it as 28 Nov 2026.')
  expect(field(wrapper, /Promised for/).element.value).toBe('31 Feb 2026')
  expect(wrapper.emitted('update:modelValue')).toBeUndefined()
})

test('a day outside what is allowed is told', async () => {
  const { wrapper } = await open({ max: '2026-11-29' })
  await type(wrapper, /Promised for/, '3 Dec 2026')
  expect(textOf(wrapper)).toContain('Not after 29 Nov 2026.')
  expect(wrapper.emitted('update:modelValue')).toBeUndefined()
})

test('emptied, the day is taken away', async () => {
  const { wrapper } = await open()
  await type(wrapper, /Promised for/, '')
  expect(wrapper.emitted('update:modelValue')).toEqual([[undefined]])
})

test('news from the server is shown, but never over what is being typed', async () => {
  const { wrapper } = await open()
  await wrapper.setProps({ modelValue: '2026-12-01' })
  expect(field(wrapper, /Promised for/).element.value).toBe('1 Dec 2026')
  await field(wrapper, /Promised for/).setValue('5 Dec')
  await wrapper.setProps({ modelValue: '2026-12-02' })
  expect(field(wrapper, /Promised for/).element.value).toBe('5 Dec')
})

test('a day that its owner does not take goes back to the one that is kept', async () => {
  const { wrapper } = await open({ 'onUpdate:modelValue': () => {} })
  await type(wrapper, /Promised for/, '')
  await nextTick()
  expect(field(wrapper, /Promised for/).element.value).toBe('28 Nov 2026')
})
