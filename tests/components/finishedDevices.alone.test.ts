import { expect, test, vi } from 'vitest'
import { defineComponent, h } from 'vue'
import { useFinishedDevices } from '../../app/composables/useFinishedDevices'
import { useChanges } from '../../app/stores/changes'
import { useLedger } from '../../app/stores/ledger'
import { finishedDevices } from '../../core/advice/finishedDevices'
import { plainDevice } from '../../core/device/buildDevice'
import { deviceSchema, type FittingRecord } from '../../core/record/schema'
import { demo, mountWith } from './mountWith'

const asked = vi.fn()
vi.mock('../../app/workers/deviceWorker', async (original) => ({
  ...(await original<object>()),
  deviceWorker: () => ({
    finished: async (record: FittingRecord) => {
      asked(record)
      return finishedDevices(record)
    },
  }),
}))

const Host = defineComponent({
  setup() {
    useFinishedDevices()
    return () => h('div')
  },
})
const SKIVED = deviceSchema.parse({ layers: [{ kind: 'medialSkive', depthMm: 4 }] })
const rocking = (ledger: ReturnType<typeof useLedger>) =>
  ledger.open.filter((e) => e.code === 'rocks')

async function open(device: object | null) {
  asked.mockClear()
  const record = demo('Tove')
  for (const side of ['left', 'right'] as const) {
    if (device) record.feet[side]!.device = deviceSchema.parse(device)
    else delete record.feet[side]!.device
  }
  const opened = await mountWith(Host, { record })
  return { ...opened, ledger: useLedger() }
}

test('what a finished body contradicts comes into Why, and goes when it is mended', async () => {
  const { ledger } = await open(SKIVED)
  await vi.waitFor(() => expect(rocking(ledger).map((e) => e.foot)).toEqual(['left', 'right']), {
    timeout: 20_000,
  })
  const mended = { ...SKIVED, posts: [{ at: 'rearfoot', style: 'extrinsic', angleDeg: 0 }] }
  useChanges().put('device.left', deviceSchema.parse(mended), 'block')
  await vi.waitFor(() => expect(rocking(ledger).map((e) => e.foot)).toEqual(['right']), {
    timeout: 20_000,
  })
})

test('without a device nothing is built, and what another fitting’s devices said is gone', async () => {
  const { ledger } = await open(null)
  ledger.tellFinished(finishedDevices({ ...demo('Tove'), feet: demo('Tove').feet }))
  const again = await open(null)
  await new Promise((go) => setTimeout(go, 700))
  expect(asked).not.toHaveBeenCalled()
  expect(rocking(again.ledger)).toEqual([])
})

test('a page that was left tells nothing any more', async () => {
  const { wrapper, ledger } = await open({ ...plainDevice(), ...SKIVED })
  wrapper.unmount()
  await new Promise((go) => setTimeout(go, 1500))
  expect(rocking(ledger)).toEqual([])
})
