import { expect, test } from 'vitest'
import { nextTick } from 'vue'
import OtherFootwearDialog from '../../app/stations/prescribe/OtherFootwearDialog.vue'
import DevicesMenu from '../../app/stations/prescribe/DevicesMenu.vue'
import { useDevices } from '../../app/stations/prescribe/useDevices'
import { useChanges } from '../../app/stores/changes'
import { textOf } from './find'
import { demo, mountWith, settled } from './mountWith'

const menu = () => mountWith(DevicesMenu, { record: demo('Tove') })
const names = (fitting: { record: ReturnType<typeof demo> }, side: 'left' | 'right' = 'left') => [
  fitting.record.feet[side]!.device?.name,
  ...(fitting.record.feet[side]!.moreDevices ?? []).map((d) => d.name),
]

test('says that there is one device, or which of several is worked on', async () => {
  const { wrapper } = await menu()
  expect(textOf(wrapper)).toContain('Device ▾')
  useDevices().begin({ name: 'shoes', called: 'boots', from: 'copy' })
  await nextTick()
  expect(textOf(wrapper)).toContain('shoes')
})

test('another for other footwear is worked on at once, and the first again with all that it had', async () => {
  const { fitting } = await menu()
  const layers = fitting.record.feet.right!.device!.layers
  const devices = useDevices()
  expect(devices.begin({ name: 'shoes', called: 'boots', from: 'plain', bare: ['left'] })).toBe('')
  expect(names(fitting)).toEqual(['shoes', 'boots'])
  expect(fitting.record.feet.left!.device!.kind).toBe('none')
  expect(fitting.record.feet.right!.device!.layers).toEqual([])
  expect(devices.workOn('boots')).toBe('')
  expect(names(fitting, 'right')).toEqual(['boots', 'shoes'])
  expect(fitting.record.feet.right!.device!.layers).toEqual(layers)
})

test('is taken back whole: no device is lost, none is there twice', async () => {
  const { fitting } = await menu()
  const before = JSON.stringify(fitting.record.feet.right!.device)
  const devices = useDevices()
  devices.begin({ name: 'shoes', called: 'boots', from: 'copy' })
  useChanges().undo()
  expect(JSON.stringify(fitting.record.feet.right!.device)).toBe(before)
  expect(names(fitting, 'right')).toEqual([undefined])
  useChanges().redo()
  expect(names(fitting, 'right')).toEqual(['shoes', 'boots'])
  expect(names(fitting, 'left')).toEqual(['shoes', 'boots'])
})

test('a name is asked for, and one that is taken is refused with a sentence', async () => {
  const opened = await mountWith(OtherFootwearDialog, {
    record: demo('Tove'),
    props: { modelValue: false },
  })
  await opened.wrapper.setProps({ modelValue: true })
  await settled()
  document.body.querySelector('form')!.dispatchEvent(new Event('submit'))
  await settled()
  expect(document.body.textContent).toContain('Give it a name')
  const devices = useDevices()
  devices.begin({ name: 'shoes', called: 'boots', from: 'copy' })
  expect(devices.begin({ name: 'shoes', from: 'copy' })).toMatch(/already/)
})
