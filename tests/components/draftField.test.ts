import { expect, test } from 'vitest'
import DraftField from '../../app/components/DraftField.vue'
import { mountWith } from './mountWith'

const open = (props: object = {}) =>
  mountWith(DraftField, { props: { value: 12, 'aria-label': 'Width', ...props } })

test('what is typed is given away when the field is left, once', async () => {
  const { wrapper } = await open()
  const input = wrapper.find('input')
  await input.setValue('14')
  expect(wrapper.emitted('keep')).toBeUndefined()
  await input.trigger('blur')
  await input.trigger('blur')
  expect(wrapper.emitted('keep')).toEqual([['14']])
})

test('what was refused does not stay: the field shows what is kept', async () => {
  const { wrapper } = await open()
  const input = wrapper.find('input')
  await input.setValue('abc')
  await input.trigger('blur')
  expect(input.element.value).toBe('12')
})

test('refused text stays where the form says so', async () => {
  const { wrapper } = await open({ invalidKeeps: true })
  const input = wrapper.find('input')
  await input.setValue('abc')
  await input.trigger('blur')
  expect(input.element.value).toBe('abc')
})

test('news from the server never overwrites what is being typed', async () => {
  const { wrapper } = await open()
  const input = wrapper.find('input')
  await input.trigger('focus')
  await input.setValue('14')
  await wrapper.setProps({ value: 99 })
  expect(input.element.value).toBe('14')
  await input.trigger('blur')
  expect(wrapper.emitted('keep')).toEqual([['14']])
})

test('news are shown while nothing was typed, in focus or not', async () => {
  const { wrapper } = await open()
  await wrapper.find('input').trigger('focus')
  await wrapper.setProps({ value: 99 })
  expect(wrapper.find('input').element.value).toBe('99')
})

test('Enter keeps and goes on; unchanged text is not kept', async () => {
  const { wrapper } = await open()
  const input = wrapper.find('input')
  await input.setValue('12')
  await input.trigger('keydown', { key: 'Enter' })
  await new Promise((over) => setTimeout(over))
  expect(wrapper.emitted('keep')).toBeUndefined()
  expect(wrapper.emitted('next')).toHaveLength(1)
})

test('no value is an empty field', async () => {
  const { wrapper } = await open({ value: undefined })
  expect(wrapper.find('input').element.value).toBe('')
})
