import { expect, test, vi } from 'vitest'
import FileField from '../../app/components/FileField.vue'
import { mountWith } from './mountWith'

const FILE = new File(['260'], 'readings.csv', { type: 'text/csv' })
const open = (props: object = {}) =>
  mountWith(FileField, { props: { label: 'Readings from CSV', accept: '.csv', ...props } })
type Opened = Awaited<ReturnType<typeof open>>['wrapper']

/** Chooses files as the browser's own dialog does. */
async function choose(wrapper: Opened, files: File[]) {
  const input = wrapper.find<HTMLInputElement>('input[type="file"]')
  Object.defineProperty(input.element, 'files', { value: files, configurable: true })
  await input.trigger('change')
}

test('the field is named, and asks for its kinds of file only', async () => {
  const { wrapper } = await open()
  const input = wrapper.find<HTMLInputElement>('input[type="file"]')
  expect(input.attributes()).toMatchObject({
    'aria-label': 'Readings from CSV',
    accept: '.csv',
  })
  expect(input.element.multiple).toBe(false)
})

test('a file is given away as it is chosen', async () => {
  const { wrapper } = await open()
  await choose(wrapper, [FILE])
  expect(wrapper.emitted('files')).toEqual([[[FILE]]])
})

test('the same file can be chosen again once it is mended', async () => {
  const { wrapper } = await open()
  await choose(wrapper, [FILE])
  await vi.waitFor(() =>
    expect(wrapper.find<HTMLInputElement>('input[type="file"]').element.value).toBe(''),
  )
  await choose(wrapper, [FILE])
  expect(wrapper.emitted('files')).toHaveLength(2)
})

test('several files come together where several are asked for', async () => {
  const { wrapper } = await open({ multiple: true })
  const other = new File(['261'], 'more.csv')
  await choose(wrapper, [FILE, other])
  expect(wrapper.emitted('files')).toEqual([[[FILE, other]]])
})

test('nothing chosen is nothing given', async () => {
  const { wrapper } = await open()
  await choose(wrapper, [])
  expect(wrapper.emitted('files')).toBeUndefined()
})

test('a hidden one is opened by its place, and stands outside the walk by keys', async () => {
  const { wrapper } = await open({ hidden: true })
  const input = wrapper.find<HTMLInputElement>('input[type="file"]')
  expect(wrapper.classes()).toContain('sr')
  expect(input.attributes('tabindex')).toBe('-1')
  const click = vi.spyOn(input.element, 'click').mockImplementation(() => undefined)
  ;(wrapper.vm as unknown as { open: () => void }).open()
  expect(click).toHaveBeenCalledOnce()
})
