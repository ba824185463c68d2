import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import AmountStepper from '../../app/components/AmountStepper.vue'
import { button, field, type } from './find'
import { mountWith } from './mountWith'

const open = (props: object = {}) =>
  mountWith(AmountStepper, {
    props: {
      value: 3,
      unit: 'mm',
      step: 0.5,
      min: 0,
      max: 8,
      start: 4,
      label: 'left Met pad',
      ...props,
    },
  })
beforeEach(() => void vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] }))
afterEach(() => void vi.useRealTimers())

test('shows its value with its unit, and none where there is none', async () => {
  expect(field((await open()).wrapper, 'left Met pad, mm').element.value).toBe('3 mm')
  expect(field((await open({ value: null })).wrapper, 'left Met pad, mm').element.value).toBe(
    'none',
  )
  expect(field((await open({ unit: '°' })).wrapper, 'left Met pad, °').element.value).toBe('3°')
})

test('a press shows a draft at once and keeps it when it is let go', async () => {
  const { wrapper } = await open()
  const more = button(wrapper, 'left Met pad more')
  await more.trigger('pointerdown')
  expect(wrapper.emitted('draft')).toEqual([[3.5]])
  expect(wrapper.emitted('keep')).toBeUndefined()
  await more.trigger('pointerup')
  await more.trigger('lostpointercapture')
  expect(wrapper.emitted('keep')).toEqual([[3.5]])
})

test('held it goes on, faster and faster, and stops at the limit', async () => {
  const { wrapper } = await open()
  const less = button(wrapper, 'left Met pad less')
  await less.trigger('pointerdown')
  vi.advanceTimersByTime(380)
  expect(wrapper.emitted('draft')).toEqual([[2.5], [2]])
  vi.advanceTimersByTime(3000)
  await less.trigger('pointerup')
  expect(wrapper.emitted('keep')).toEqual([[0]])
  const drafts = wrapper.emitted('draft')!.length
  vi.advanceTimersByTime(3000)
  expect(wrapper.emitted('draft')).toHaveLength(drafts)
})

test('plus begins at the usual amount where there was none', async () => {
  const { wrapper } = await open({ value: null })
  const more = button(wrapper, 'left Met pad more')
  await more.trigger('pointerdown')
  await more.trigger('pointerup')
  expect(wrapper.emitted('keep')).toEqual([[4]])
})

test('arrow keys step, and a typed number with a comma is kept', async () => {
  const { wrapper } = await open()
  await field(wrapper, 'left Met pad, mm').trigger('keydown', { key: 'ArrowUp' })
  await type(wrapper, 'left Met pad, mm', '2,5')
  await field(wrapper, 'left Met pad, mm').trigger('change')
  expect(wrapper.emitted('keep')).toContainEqual([3.5])
  expect(wrapper.emitted('keep')).toContainEqual([2.5])
})

test('a number out of reach is not kept, and the field shows what stands', async () => {
  const { wrapper } = await open()
  const input = field(wrapper, 'left Met pad, mm')
  input.element.value = '80'
  await input.trigger('change')
  expect(wrapper.emitted('keep')).toBeUndefined()
  expect(input.element.value).toBe('3 mm')
})

test('who may not change it cannot', async () => {
  const { wrapper } = await open({ disabled: true })
  await button(wrapper, 'left Met pad more').trigger('pointerdown')
  await field(wrapper, 'left Met pad, mm').trigger('keydown', { key: 'ArrowUp' })
  expect(wrapper.emitted()).not.toHaveProperty('keep')
  expect(wrapper.emitted()).not.toHaveProperty('draft')
})
