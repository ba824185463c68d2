import { expect, test, vi } from 'vitest'
import FileField from '../../app/components/FileField.vue'
import ImportRecord from '../../app/components/ImportRecord.vue'
import { button, textOf } from './find'
import { demo, mountWith } from './mountWith'

async function open() {
  const opened = await mountWith(ImportRecord, {
    answers: { 'POST records': { fittingId: 'new' }, records: { fittingId: 'new' } },
  })
  const choose = async (name: string, text: string) => {
    opened.wrapper.findComponent(FileField).vm.$emit('files', [new File([text], name)])
    await vi.waitFor(() =>
      expect(textOf(opened.wrapper)).toMatch(/can be read|is not JSON|This |larger|:/),
    )
  }
  const sent = () => opened.calls.filter((c) => c.method === 'POST')
  return {
    ...opened,
    choose,
    sent,
    ready: () => !button(opened.wrapper, 'Import').element.disabled,
  }
}

test('nothing is sent before a record was read', async () => {
  const { ready, sent } = await open()
  expect(ready()).toBe(false)
  expect(sent()).toEqual([])
})

test('a record is read here, sent whole, and opened', async () => {
  const { wrapper, choose, ready, sent } = await open()
  const record = demo('Tove')
  await choose('tove.json', JSON.stringify(record))
  expect(textOf(wrapper)).toContain('tove.json can be read.')
  expect(ready()).toBe(true)
  await button(wrapper, 'Import').trigger('click')
  await vi.waitFor(() => expect(wrapper.emitted('close')).toHaveLength(1))
  expect(sent()).toEqual([{ path: 'records', method: 'POST', body: record }])
  expect(navigateTo).toHaveBeenCalledWith('/fittings/new/story')
})

test.each([
  ['a text', 'notes.json', 'left 264', 'notes.json is not JSON.'],
  ['another kind of file', 'order.json', '{"format":"something"}', 'This is not a fitting record'],
  [
    'a record with an impossible reading',
    'odd.json',
    JSON.stringify({
      format: 'gentle-arch/fitting',
      version: 1,
      feet: {
        left: { readings: [{ what: 'footLengthMm', posture: 'standing', trials: [9000] }] },
      },
    }),
    'feet.left.readings.0.trials.0: 9000 is outside',
  ],
])('%s is refused with its place', async (_, name, text, said) => {
  const { wrapper, choose, ready, sent } = await open()
  await choose(name, text)
  expect(textOf(wrapper)).toContain(said)
  expect(ready()).toBe(false)
  expect(sent()).toEqual([])
})

test('a file far too large is not even read', async () => {
  const { wrapper, choose, ready } = await open()
  await choose('large.json', ' '.repeat(2_000_001))
  expect(textOf(wrapper)).toContain('larger than 2 MB')
  expect(ready()).toBe(false)
})

test('a good file after a bad one is good', async () => {
  const { wrapper, choose, ready } = await open()
  await choose('notes.json', 'left 264')
  await choose('tove.json', JSON.stringify(demo('Tove')))
  await vi.waitFor(() => expect(ready()).toBe(true))
  expect(textOf(wrapper)).not.toContain('is not JSON')
})
