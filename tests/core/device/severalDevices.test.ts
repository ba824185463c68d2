import { describe, expect, it } from 'vitest'
import { advise } from '../../../core/advice/advise'
import { ofOtherDevices } from '../../../core/advice/ofOtherDevices'
import {
  asFile,
  deviceNames,
  forModel,
  onDevice,
  versionsOf,
  withDeviceNamed,
  withNewDevice,
} from '../../../core/device/severalDevices'
import { parseRecord } from '../../../core/record/parse'
import { joinRecord, splitRecord } from '../../../core/record/parts'
import type { FittingRecord } from '../../../core/record/schema'
import { COMMANDS } from '../../../cli/commands'
import { benchRecord } from '../../fixtures/benchRecord'
import { refusalCode } from '../../fixtures/refusalCode'

const BOOTS = { name: 'boots', forFootwear: 'tarn-col-100', shell: { thicknessMm: 4 } }
const SHOES = { name: 'shoes', forFootwear: 'wren-lane', shell: { thicknessMm: 3 } }
/** A file whose left foot has several devices. */
function file(devices: object[], more: object = {}) {
  const { left } = benchRecord(0, {}).feet
  const { device: _, ...bare } = left!
  return { ...benchRecord(0, {}), feet: { left: { ...bare, devices, ...more } } }
}
const several = (): FittingRecord => parseRecord(file([BOOTS, SHOES]))
const codeOf = (value: unknown) => refusalCode(() => parseRecord(value))

describe('a foot with several devices', () => {
  it('is read with the first as the one that is worked on, and written as it was read', () => {
    const record = several()
    expect(record.feet.left!.device).toMatchObject({ name: 'boots' })
    expect(record.feet.left!.moreDevices).toMatchObject([{ name: 'shoes' }])
    expect(deviceNames(record)).toEqual(['boots', 'shoes'])
    const again = parseRecord(JSON.parse(JSON.stringify(asFile(record))))
    expect(again).toEqual(record)
    expect(asFile(record)).toMatchObject({
      feet: { left: { devices: [{ name: 'boots' }, { name: 'shoes' }] } },
    })
  })
  it('of one device in a list is a foot with a device, and is written as one', () => {
    const record = parseRecord(file([{ shell: { thicknessMm: 4 } }]))
    expect(record.feet.left!.moreDevices).toBeUndefined()
    expect(asFile(record)).toEqual(record)
  })
  it('has device or devices, never both; each a name, and no two the same', () => {
    expect(codeOf(file([BOOTS], { device: {} }))).toBe('invalid')
    expect(codeOf(file([BOOTS, {}]))).toBe('invalid')
    expect(codeOf(file([BOOTS, BOOTS]))).toBe('invalid')
    expect(codeOf(file([]))).toBe('invalid')
  })
  it('is cut into parts and put together again as it was', () => {
    const record = several()
    const { moreDevices } = joinRecord(splitRecord(record), undefined).feet.left!
    expect(moreDevices).toEqual(record.feet.left!.moreDevices)
  })
})

describe('another device to work on', () => {
  it('changes places with the one that was, there and back again', () => {
    const record = several()
    const onShoes = withDeviceNamed(record, 'shoes')
    expect(onShoes.feet.left!.device!.shell.thicknessMm).toBe(3)
    expect(onShoes.footwear!.chosen!.model).toBe('wren-lane')
    const back = withDeviceNamed(onShoes, 'boots')
    expect(back.feet.left).toEqual(record.feet.left)
    expect(refusalCode(() => withDeviceNamed(record, 'skates'))).toBe('no-device')
  })
  it('takes its own footwear with what was found and worked there', () => {
    const { footwear } = withDeviceNamed(several(), 'boots')
    const worked = { ...footwear!, chosen: { ...footwear!.chosen!, sizeLeftMm: 270 } }
    const shoes = forModel(worked, 'wren-lane')!
    expect(shoes.chosen).toMatchObject({ model: 'wren-lane' })
    expect(shoes.chosen!.sizeLeftMm).toBeUndefined()
    const boots = forModel(shoes, 'tarn-col-100')!
    expect(boots.chosen!.sizeLeftMm).toBe(270)
    expect(boots.moreChosen!.map((c) => c.model)).toEqual(['wren-lane'])
    expect(forModel(boots, 'tarn-col-100')).toBe(boots)
  })
  it('finds again the footwear that was chosen last for it, or none where none was', () => {
    const start = withDeviceNamed(several(), 'boots')
    const other = { ...start, footwear: forModel(start.footwear, 'tarn-gully-104')! }
    const shoes = withDeviceNamed(other, 'shoes')
    expect(withDeviceNamed(shoes, 'boots').footwear!.chosen!.model).toBe('tarn-gully-104')
    const bare = parseRecord(file([{ name: 'first' }, SHOES]))
    const there = withDeviceNamed(bare, 'shoes')
    expect(there.footwear!.chosen!.model).toBe('wren-lane')
    const back = withDeviceNamed(there, 'first')
    expect(back.footwear!.chosen).toBeUndefined()
    expect(back.footwear!.moreChosen!.map((c) => c.model)).toEqual(['wren-lane'])
  })
  it('leaves a foot bare that has none of that name, and brings its own back', () => {
    const { left } = several().feet
    const bare = onDevice(left!, 'skates')
    expect(bare.device).toMatchObject({ kind: 'none', name: 'skates' })
    expect(bare.moreDevices!.map((d) => d.name)).toEqual(['boots', 'shoes'])
    expect(onDevice(bare, 'boots').device).toMatchObject({ name: 'boots' })
  })
})

describe('the same feet in other footwear', () => {
  const one = () => {
    const record = benchRecord(0, { layers: [{ kind: 'medialSkive' }] })
    const { left } = record.feet
    const versions = [{ device: left!.device!, words: 'first' }]
    return {
      ...record,
      footwear: forModel(undefined, 'tarn-col-100'),
      feet: { left: { ...left!, deviceVersions: versions }, right: left! },
    } as FittingRecord
  }
  it('begins with a copy or a plain device beside the one that is there', () => {
    const copied = withNewDevice(one(), {
      called: 'boots',
      name: 'shoes',
      from: 'copy',
      model: 'wren-lane',
    })
    expect(deviceNames(copied)).toEqual(['shoes', 'boots'])
    expect(copied.feet.left!.device).toMatchObject({
      name: 'shoes',
      forFootwear: 'wren-lane',
      layers: [{ kind: 'medialSkive' }],
    })
    expect(copied.feet.left!.moreDevices).toMatchObject([
      { name: 'boots', forFootwear: 'tarn-col-100' },
    ])
    expect(copied.footwear!.chosen!.model).toBe('wren-lane')
    expect(withDeviceNamed(copied, 'boots').footwear!.chosen!.model).toBe('tarn-col-100')
    const plain = withNewDevice(one(), { name: 'shoes', from: 'plain' })
    expect(plain.feet.left!.device!.layers).toEqual([])
  })
  it('leaves the feet bare that are asked to be', () => {
    const bare = withNewDevice(one(), { name: 'shoes', from: 'copy', bare: ['right'] })
    expect(bare.feet.left!.device!.kind).not.toBe('none')
    expect(bare.feet.right!.device!.kind).toBe('none')
    expect(parseRecord(JSON.parse(JSON.stringify(asFile(bare))))).toEqual(bare)
  })
  it('keeps the versions of each by its name', () => {
    const begun = withNewDevice(one(), { called: 'boots', name: 'shoes', from: 'copy' })
    expect(versionsOf(begun.feet.left!)).toEqual([])
    expect(versionsOf(withDeviceNamed(begun, 'boots').feet.left!)).toHaveLength(1)
  })
  it('is refused under a name that is taken', () => {
    const twice = () => withNewDevice(several(), { name: 'boots', from: 'copy' })
    expect(refusalCode(twice)).toBe('same-name')
    const itself = () => withNewDevice(one(), { called: 'boots', name: 'boots', from: 'copy' })
    expect(refusalCode(itself)).toBe('same-name')
  })
})

describe('advice and the command line', () => {
  const LARGE = { ...SHOES, posts: [{ at: 'rearfoot', angleDeg: 12 }] }
  it('tell what contradicts itself in each device, by its name', () => {
    const record = parseRecord(file([BOOTS, LARGE]))
    const entries = advise(record, ofOtherDevices(record))
    expect(entries.find((e) => e.code === 'post-large')!.words).toMatch(/^shoes: /)
    expect(ofOtherDevices(parseRecord(file([LARGE])))).toEqual([])
  })
  it('know --device where there is something of one device', () => {
    for (const name of ['device', 'surface', 'contact', 'shell'])
      expect(COMMANDS[name]!.options).toContain('device')
  })
})
