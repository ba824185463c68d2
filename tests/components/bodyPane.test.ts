import { describe, expect, test, vi } from 'vitest'
import { reactive } from 'vue'
import BodyPane from '../../app/stations/prescribe/BodyPane.vue'
import { useFitting } from '../../app/stores/fitting'
import { plainDevice } from '../../core/device/buildDevice'
import { deviceSchema, type Device } from '../../core/record/schema'
import { HOUSE_TABLES } from '../../core/record/tables'
import { field, offered, pick, textOf } from './find'
import { demo, mountWith } from './mountWith'

type Side = 'left' | 'right'

/** The body of a pair: what is kept goes into the devices here, as the studio's own would. */
async function open(change: (device: Device) => Device = (d) => d, role?: 'reader') {
  const record = demo('Tove')
  const devices = reactive({
    left: change(deviceSchema.parse(plainDevice())),
    right: change(deviceSchema.parse(plainDevice())),
  }) as Record<Side, Device>
  for (const side of ['left', 'right'] as const) record.feet[side]!.device = devices[side]
  const keep = vi.fn((side: Side, edit: (d: Device) => Device) => {
    devices[side] = edit(devices[side])
  })
  const Host = {
    components: { BodyPane },
    setup: () => ({
      studio: {
        fitting: useFitting(),
        device: (side: Side) => devices[side],
        keep,
        show: vi.fn(),
      },
      estimates: { arch: { left: null, right: null } },
    }),
    template: '<BodyPane :studio="studio" :estimates="estimates" />',
  }
  const opened = await mountWith(Host, { record, ...(role && { role }) })
  return { ...opened, devices, keep }
}

describe('what a device is', () => {
  test('its kind is chosen for one foot', async () => {
    const { wrapper, devices } = await open()
    await pick(wrapper, 'left kind of device', 'trim-to-fit')
    expect(devices.left.kind).toBe('trim-to-fit')
    expect(devices.right.kind).toBe('full-custom')
  })

  test('a blank is offered only where the device is made from one', async () => {
    const custom = await open()
    expect(() => offered(custom.wrapper, 'left blank')).toThrow('no list')
    const { wrapper, devices } = await open((d) => ({ ...d, kind: 'trim-to-fit' }))
    const [, best] = offered(wrapper, 'left blank')
    await pick(wrapper, 'left blank', best!)
    const { id, sizeMm } = devices.left.blank!
    const { name } = HOUSE_TABLES.blanks.find((blank) => blank.id === id)!
    expect(best).toContain(`${name} ${sizeMm}: `)
    expect(devices.right.blank).toBeUndefined()
    await pick(wrapper, 'left blank', 'choose …')
    expect(devices.left.blank).toBeUndefined()
  })

  test('its shell is one of the shop’s materials', async () => {
    const { wrapper, devices } = await open()
    const carbon = HOUSE_TABLES.shellMaterials.find((m) => m.name === 'Carbon laminate')!
    await pick(wrapper, 'right shell material', carbon.name)
    expect(devices.right.shell.material).toBe(carbon.id)
    expect(devices.left.shell.material).not.toBe(carbon.id)
  })
})

describe('lists that say two things at once', () => {
  test('a cover is its material and how far it reaches', async () => {
    const { wrapper, devices } = await open()
    const before = devices.left
    const cover = HOUSE_TABLES.coverMaterials[1]!
    await pick(wrapper, 'left cover', `${cover.name}, to the sulcus`)
    expect(devices.left.outline.cover).toBe('sulcus')
    expect(devices.left.shell.cover.material).toBe(cover.id)
    expect({ ...devices.left, outline: before.outline, shell: before.shell }).toEqual(before)
  })

  test('a base waits until there is one, then is its material and reach', async () => {
    const none = await open((d) => ({ ...d, shell: { ...d.shell, base: undefined } }))
    expect(field(none.wrapper, 'left base').element.disabled).toBe(true)
    const { wrapper, devices } = await open((d) => ({
      ...d,
      shell: { ...d.shell, base: { material: 'eva-60', thicknessMm: 4, reach: 'shell' } },
    }))
    const { name } = HOUSE_TABLES.shellMaterials.find((m) => !m.rigid)!
    await pick(wrapper, 'left base', `${name}, full length`)
    expect(devices.left.shell.base).toMatchObject({ thicknessMm: 4, reach: 'full' })
    expect(devices.right.shell.base).toMatchObject({ material: 'eva-60', reach: 'shell' })
  })

  test('no rigid plate lies below a shell', async () => {
    const { wrapper } = await open((d) => ({
      ...d,
      shell: { ...d.shell, base: { material: 'eva-60', thicknessMm: 4, reach: 'shell' } },
    }))
    const lines = offered(wrapper, 'left base')
    for (const { name, rigid } of HOUSE_TABLES.shellMaterials)
      expect(lines.some((line) => line.startsWith(`${name}, `))).toBe(!rigid)
  })
})

test('a style puts a post on, none takes it off', async () => {
  const none = await open()
  await pick(none.wrapper, 'left rearfoot post style', 'extrinsic')
  expect(none.devices.left.posts).toMatchObject([{ at: 'rearfoot', angleDeg: 0 }])
  await pick(none.wrapper, 'left rearfoot post style', 'none')
  expect(none.devices.left.posts).toEqual([])
  const { wrapper, devices } = await open((d) =>
    deviceSchema.parse({ ...d, posts: [{ at: 'rearfoot', style: 'extrinsic', angleDeg: 4 }] }),
  )
  await pick(wrapper, 'left rearfoot post style', 'intrinsic')
  expect(devices.left.posts).toMatchObject([{ at: 'rearfoot', style: 'intrinsic', angleDeg: 4 }])
  expect(devices.right.posts).toMatchObject([{ style: 'extrinsic' }])
})

test('a block is whole or half, of the shell or glued on, and of a material', async () => {
  const { wrapper, devices } = await open((d) =>
    deviceSchema.parse({ ...d, posts: [{ at: 'rearfoot', style: 'extrinsic', angleDeg: 4 }] }),
  )
  await pick(wrapper, 'right rearfoot block', 'medial half, glued on')
  await pick(wrapper, 'right rearfoot post material', 'High-density EVA')
  expect(devices.right.posts).toMatchObject([
    { angleDeg: 4, half: 'medial', glued: true, material: 'eva-60' },
  ])
  expect(devices.left.posts[0]).not.toHaveProperty('half')
})

test('both feet stand beside each other with their numbers', async () => {
  const { wrapper } = await open()
  for (const side of ['left', 'right'])
    expect(field(wrapper, new RegExp(`^${side} .*[Hh]eel cup`)).element.value).toMatch(/mm$/)
  expect(textOf(wrapper)).toContain('Heel cup')
})

test('a reader sees it and changes nothing', async () => {
  const { wrapper } = await open((d) => d, 'reader')
  const fields = wrapper.findAll<HTMLInputElement>('input:not([type=hidden])')
  expect(fields.length).toBeGreaterThan(10)
  expect(fields.every((f) => f.element.disabled)).toBe(true)
})
