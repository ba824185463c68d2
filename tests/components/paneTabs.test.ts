import { expect, test } from 'vitest'
import PaneTabs from '../../app/components/PaneTabs.vue'
import { mountWith } from './mountWith'

const PANES = [
  ['layers', 'Layers'],
  ['body', 'Body'],
  ['send', 'Send'],
] as const
const open = (props: object = {}) =>
  mountWith(PaneTabs as never, {
    props: { panes: PANES, label: 'Part of the device', modelValue: 'layers', ...props },
  })
type Opened = Awaited<ReturnType<typeof open>>['wrapper']
const tabs = (wrapper: Opened) => wrapper.findAll<HTMLElement>('[role="tab"]')
const chosen = (wrapper: Opened) =>
  tabs(wrapper)
    .filter((tab) => tab.attributes('aria-selected') === 'true')
    .map((tab) => tab.text())

test('every pane is named, in order, in a row that says what it is about', async () => {
  const { wrapper } = await open()
  expect(wrapper.find('[role="tablist"]').attributes('aria-label')).toBe('Part of the device')
  expect(tabs(wrapper).map((tab) => tab.text())).toEqual(['Layers', 'Body', 'Send'])
})

test('one pane is chosen, and another by a press', async () => {
  const { wrapper } = await open()
  expect(chosen(wrapper)).toEqual(['Layers'])
  await tabs(wrapper)[2]!.trigger('click')
  expect(wrapper.emitted('update:modelValue')).toEqual([['send']])
  await wrapper.setProps({ modelValue: 'send' })
  expect(chosen(wrapper)).toEqual(['Send'])
})

test('a pane that stops the work is marked, the others are not', async () => {
  const { wrapper } = await open({ stop: 'body' })
  expect(tabs(wrapper).map((tab) => tab.classes().includes('stop'))).toEqual([false, true, false])
})

test('a pane that comes later takes its place', async () => {
  const { wrapper } = await open()
  await wrapper.setProps({ panes: [...PANES, ['versions', 'Versions']] })
  expect(tabs(wrapper)).toHaveLength(4)
  expect(chosen(wrapper)).toEqual(['Layers'])
})

test('two rows share one choice: a row without it chooses nothing by itself, and gives way', async () => {
  const { wrapper } = await open({ modelValue: 'limits' })
  expect(chosen(wrapper)).toEqual([])
  expect(wrapper.emitted('update:modelValue')).toBeUndefined()
  await tabs(wrapper)[1]!.trigger('click')
  expect(wrapper.emitted('update:modelValue')).toEqual([['body']])
  await wrapper.setProps({ modelValue: 'body' })
  await wrapper.setProps({ modelValue: 'limits' })
  expect(chosen(wrapper)).toEqual([])
  expect(wrapper.emitted('update:modelValue')).toHaveLength(1)
})
