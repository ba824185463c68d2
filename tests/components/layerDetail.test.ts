import { expect, test, vi } from 'vitest'
import { reactive } from 'vue'
import LayerDetail from '../../app/stations/prescribe/LayerDetail.vue'
import { layerRows } from '../../app/stations/prescribe/layerRows'
import { useFitting } from '../../app/stores/fitting'
import { plainDevice } from '../../core/device/buildDevice'
import { LAYERS, layerSchema, type LayerKind } from '../../core/kinds/layers/all'
import { deviceSchema, type Device, type FittingRecord } from '../../core/record/schema'
import { button, pick, textOf } from './find'
import { demo, mountWith } from './mountWith'

/** The detail of one layer that both feet have. */
async function detailOf(kind: LayerKind, change: (record: FittingRecord) => void = () => {}) {
  const record = demo('Tove')
  const layer = layerSchema.parse({ kind })
  for (const side of ['left', 'right'] as const)
    record.feet[side]!.device = deviceSchema.parse({ ...plainDevice(), layers: [layer] })
  change(record)
  const device = (side: 'left' | 'right') => record.feet[side]!.device!
  const row = layerRows(device('left'), device('right'))[0]!
  const keep = vi.fn()
  const Host = {
    components: { LayerDetail },
    setup: () => ({
      studio: {
        fitting: useFitting(),
        device,
        keep,
        shapes: reactive({ left: null, right: null }),
      },
      row,
    }),
    template: '<LayerDetail :studio="studio" :row="row" />',
  }
  const { wrapper } = await mountWith(Host, { record })
  return { wrapper, keep }
}

test.each(LAYERS.kinds)('%s says what it does', async (kind) => {
  const { wrapper } = await detailOf(kind)
  expect(textOf(wrapper)).toContain(LAYERS.of(kind).does)
})

test('a grown client who feels is told of neither', async () => {
  const { wrapper } = await detailOf('cuboidSupport')
  expect(textOf(wrapper)).not.toContain('A child:')
  expect(textOf(wrapper)).not.toContain('May not feel')
})

test('a child is told of on the layer', async () => {
  const { wrapper } = await detailOf('cuboidSupport', (r) => (r.client!.bornOn = '2017-05-02'))
  expect(textOf(wrapper)).toContain(`A child: ${LAYERS.of('cuboidSupport').child}`)
})

/** What one of the kept edits makes of a device. */
const edited = (keep: ReturnType<typeof vi.fn>, device: Device): Device =>
  (keep.mock.lastCall![1] as (d: Device) => Device)(device)

test('one foot loses it, and gets it again as the other has it', async () => {
  const { wrapper, keep } = await detailOf('metPad')
  await button(wrapper, 'Take off the left foot').trigger('click')
  expect(keep.mock.lastCall![0]).toBe('left')
  const padded = deviceSchema.parse({ layers: [{ kind: 'metPad' }] })
  expect(edited(keep, padded).layers).toEqual([])
  const lone = await detailOf('metPad', (r) => {
    r.feet.left!.device!.layers = [layerSchema.parse({ kind: 'metPad', heightMm: 5 })]
    r.feet.right!.device!.layers = []
  })
  await button(lone.wrapper, 'put on too').trigger('click')
  expect(lone.keep.mock.lastCall![0]).toBe('right')
  expect(edited(lone.keep, plainDevice()).layers).toMatchObject([{ kind: 'metPad', heightMm: 5 }])
})

test('one foot has it earlier than the other', async () => {
  const { wrapper, keep } = await detailOf('metPad')
  await button(wrapper, 'Later on the right foot').trigger('click')
  const two = deviceSchema.parse({ layers: [{ kind: 'metPad' }, { kind: 'archFill' }] })
  expect(edited(keep, two).layers.map((l) => l.kind)).toEqual(['archFill', 'metPad'])
  await button(wrapper, 'Earlier on the right foot').trigger('click')
  expect(edited(keep, two).layers.map((l) => l.kind)).toEqual(['metPad', 'archFill'])
})

test('what is chosen from words is kept on both feet', async () => {
  const { wrapper, keep } = await detailOf('forefootExtension')
  await pick(wrapper, 'Forefoot extension: reach', 'sulcus')
  expect(keep.mock.calls.map(([side]) => side as string)).toEqual(['left', 'right'])
  const device = deviceSchema.parse({ layers: [{ kind: 'forefootExtension' }] })
  expect(edited(keep, device).layers).toMatchObject([{ reach: 'sulcus' }])
})
