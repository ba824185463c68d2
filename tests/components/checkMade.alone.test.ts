import { expect, test, vi } from 'vitest'
import CheckMadePane from '../../app/stations/make/CheckMadePane.vue'
import { plainDevice } from '../../core/device/buildDevice'
import { field, textOf, type } from './find'
import { demo, mountWith, settled } from './mountWith'

vi.mock('../../app/workers/deviceWorker', async (original) => ({
  ...(await original<object>()),
  deviceWorker: () => ({ calipers: async () => ({ heelMm: 6, archMm: 20, postMm: null }) }),
}))

async function open(disabled = false) {
  const record = demo('Tove')
  record.feet.left!.device = plainDevice()
  record.feet.right!.device = { ...plainDevice(), kind: 'none' }
  const opened = await mountWith(CheckMadePane, { record, props: { disabled } })
  await settled()
  return opened
}

test('says what each number should be, for feet that get a device', async () => {
  const { wrapper } = await open()
  expect(textOf(wrapper)).toContain('heel thickness should be 6.0 mm')
  expect(textOf(wrapper)).not.toContain('post at its high corner')
  expect(wrapper.findAll('input')).toHaveLength(2)
})

test('a number that is off is told with its cause, one that is right as right', async () => {
  const { wrapper, fitting } = await open()
  await type(wrapper, 'left heel thickness, mm', '5.2')
  expect(textOf(wrapper)).toContain('−0.8 mm: ground too far')
  await type(wrapper, 'left arch over the bench, mm', '20,3')
  expect(textOf(wrapper)).toContain('+0.3 mm, as it should be')
  expect(fitting.record.making!.checked).toMatchObject([
    { foot: 'left', heelMm: 5.2, archMm: 20.3, by: 'Rhona Kestle' },
  ])
  await type(wrapper, 'left heel thickness, mm', '')
  expect(fitting.record.making!.checked![0]).not.toHaveProperty('heelMm')
})

test('what is no thickness is said and not kept; a reader writes nothing', async () => {
  const { wrapper, fitting } = await open()
  await type(wrapper, 'left heel thickness, mm', 'thick')
  expect(textOf(wrapper)).toContain('“thick” is no thickness')
  expect(fitting.record.making?.checked).toBeUndefined()
  const reader = await open(true)
  expect(field(reader.wrapper, 'left heel thickness, mm').element.disabled).toBe(true)
})
