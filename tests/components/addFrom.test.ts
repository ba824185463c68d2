import { expect, test } from 'vitest'
import AddFrom from '../../app/components/AddFrom.vue'
import { field, pick } from './find'
import { mountWith } from './mountWith'

const ITEMS = [
  { value: 'felt', title: 'Felt it' },
  { value: 'trim', title: 'Trim it' },
]
const open = (props: object = {}) =>
  mountWith(AddFrom as never, { props: { words: 'Add a step', items: ITEMS, ...props } })

test('what is taken is given away, and the list asks again', async () => {
  const { wrapper } = await open()
  await pick(wrapper, 'Add a step', 'Trim it')
  await pick(wrapper, 'Add a step', 'Felt it')
  await pick(wrapper, 'Add a step', 'Felt it')
  expect(wrapper.emitted('add')).toEqual([['trim'], ['felt'], ['felt']])
  expect(field(wrapper, 'Add a step').element.value).toBe('')
})

test('nothing taken is nothing added', async () => {
  const { wrapper } = await open()
  wrapper.findComponent({ name: 'VSelect' }).vm.$emit('update:modelValue', null)
  expect(wrapper.emitted('add')).toBeUndefined()
})

test('it says what it adds, and is closed to who may not', async () => {
  const { wrapper } = await open({ disabled: true })
  const list = field(wrapper, 'Add a step').element
  expect(list.disabled).toBe(true)
  expect(list.placeholder).toBe('Add a step …')
})
