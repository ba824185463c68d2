import { expect, test, vi } from 'vitest'
import { reactive } from 'vue'
import LayerDetail from '../../app/stations/prescribe/LayerDetail.vue'
import { layerRows } from '../../app/stations/prescribe/layerRows'
import { useFitting } from '../../app/stores/fitting'
import { plainDevice } from '../../core/device/buildDevice'
import { LAYERS, layerSchema, type LayerKind } from '../../core/kinds/layers/all'
import { deviceSchema, type FittingRecord } from '../../core/record/schema'
import { textOf } from './find'
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
