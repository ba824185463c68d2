import { footwearSchema } from '../record/footwearSchema'
import { parseWith } from '../record/parse'
import { Refusal } from '../record/refusal'
import { deviceSchema, type Device, type FittingRecord, type Foot } from '../record/schema'
import { SIDES, type Side } from '../tables/vocabulary'

/** A device without a name of its own, where there are several. */
export const FIRST_NAME = 'first device'

/** Every device of a foot, the one that is worked on first. */
export const devicesOf = ({ device, moreDevices = [] }: Foot): Device[] => [
  ...(device ? [device] : []),
  ...moreDevices,
]

/** Names of the devices of a fitting, those that are worked on first. */
export function deviceNames({ feet }: Pick<FittingRecord, 'feet'>): string[] {
  const names = SIDES.flatMap((side) => (feet[side] ? devicesOf(feet[side]) : [])).map(
    (d) => d.name ?? FIRST_NAME,
  )
  return [...new Set(names)]
}

/**
 * A foot that works on another of its devices; what it worked on stays beside it. A foot that has none of
 * that name is left bare for it.
 *
 * For instance `onDevice({ device: boots, moreDevices: [shoes] }, 'shoes')` has device shoes and moreDevices [boots]
 */
export function onDevice(foot: Foot, name: string): Foot {
  const all = devicesOf(foot).map(named)
  const device = all.find((d) => d.name === name) ?? bareFor(name)
  const { moreDevices: _, ...rest } = foot
  const others = all.filter((d) => d.name !== name)
  return { ...rest, device, ...(others.length > 0 && { moreDevices: others }) }
}
const named = (device: Device): Device => ({ ...device, name: device.name ?? FIRST_NAME })
const bareFor = (name: string): Device => parseWith(deviceSchema, { kind: 'none', name }, 'device')

/** The device of this name that a foot has, for whatever footwear. */
const footwearOf = ({ feet }: FittingRecord, name: string): string | undefined =>
  SIDES.flatMap((side) => (feet[side] ? devicesOf(feet[side]) : [])).find(
    (d) => (d.name ?? FIRST_NAME) === name && d.forFootwear,
  )?.forFootwear

/** A fitting whose devices in use say which footwear they are for: the one that is chosen now. */
function withFootwearNoted(record: FittingRecord): FittingRecord {
  const model = record.footwear?.chosen?.model
  if (!model) return record
  const noted = (foot: Foot): Foot =>
    foot.device ? { ...foot, device: { ...foot.device, forFootwear: model } } : foot
  return { ...record, feet: mapFeet(record.feet, noted) }
}

type Feet = FittingRecord['feet']
const mapFeet = (feet: Feet, change: (foot: Foot, side: Side) => Foot): Feet =>
  Object.fromEntries(
    SIDES.flatMap((side) => (feet[side] ? [[side, change(feet[side], side)]] : [])),
  )

/**
 * The same fitting seen with another of its devices, on both feet, and with the footwear that it is for. The
 * footwear that is chosen now is noted with the device that is left.
 *
 * @throws Refusal `no-device` with the names that there are
 */
export function withDeviceNamed(record: FittingRecord, name: string): FittingRecord {
  const names = deviceNames(record)
  if (!names.includes(name))
    throw new Refusal(
      'no-device',
      `There is no device "${name}" in this record${names.length ? `; it has ${names.join(', ')}` : ''}.`,
      'feet',
    )
  const isLeft = names[0] !== name
  const noted = isLeft ? withFootwearNoted(record) : record
  const model = footwearOf(noted, name)
  const footwear = model || isLeft ? forModel(record.footwear, model) : record.footwear
  const feet = mapFeet(noted.feet, (foot) => onDevice(foot, name))
  return { ...record, feet, ...(footwear && { footwear }) }
}

type Footwear = NonNullable<FittingRecord['footwear']>

/** Footwear with another model chosen, or none: what was found and worked in the one before is kept beside it. */
export function forModel(
  footwear: Footwear | undefined,
  model: string | undefined,
): Footwear | undefined {
  const { chosen, moreChosen = [], candidates = [], ...rest } = footwear ?? {}
  if (chosen?.model === model) return footwear
  const others = [...(chosen ? [chosen] : []), ...moreChosen.filter((c) => c.model !== model)]
  return {
    ...rest,
    candidates: [...new Set([...candidates, ...(model ? [model] : [])])],
    ...(model && { chosen: moreChosen.find((c) => c.model === model) ?? freshly(model) }),
    ...(others.length > 0 && { moreChosen: others }),
  }
}
const freshly = (model: string) =>
  parseWith(footwearSchema, { chosen: { model } }, 'footwear').chosen!

/** Versions of the device that a foot is worked on with; each belongs to the device of its name. */
export const versionsOf = ({ device, deviceVersions = [] }: Foot) =>
  deviceVersions.filter((v) => !v.device || !device || v.device.name === device.name)

/** A record as a file tells it: several devices of a foot in one list. */
export function asFile(record: FittingRecord): unknown {
  const feet = Object.fromEntries(
    Object.entries(record.feet).map(([side, foot]) => {
      const { device, moreDevices, ...rest } = foot
      if (!moreDevices?.length) return [side, foot]
      return [side, { ...rest, devices: [...(device ? [named(device)] : []), ...moreDevices] }]
    }),
  )
  return { ...record, feet }
}

/**
 * What is begun for other footwear on the same feet: the device that was worked on stays, and a copy of it, or
 * nothing on it, is worked on under a new name; feet that are left bare get none.
 *
 * @throws Refusal `same-name` where the name is taken
 */
export function withNewDevice(
  record: FittingRecord,
  { called, name, model, from, bare = [] }: NewDevice,
): FittingRecord {
  const nameOf = (d: Device) => d.name ?? called ?? FIRST_NAME
  if (name === called || deviceNames(record).includes(name))
    throw new Refusal(
      'same-name',
      `There is a device "${name}" already. Give it another name.`,
      'name',
    )
  const begun = (foot: Foot, side: Side): Device => {
    if (bare.includes(side)) return { ...bareFor(name), ...(model && { forFootwear: model }) }
    const { forFootwear: _, ...copied } = foot.device ?? {}
    return parseWith(
      deviceSchema,
      { ...(from === 'copy' ? copied : {}), name, ...(model && { forFootwear: model }) },
      'device',
    )
  }
  const noted = withFootwearNoted(record)
  const feet = mapFeet(noted.feet, (foot, side) => {
    const before = devicesOf(foot).map((d) => ({ ...d, name: nameOf(d) }))
    // Its versions stay its own under the name that it has now.
    const versions = foot.deviceVersions?.map((v) => ({
      ...v,
      device: v.device && { ...v.device, name: nameOf(v.device) },
    }))
    return {
      ...foot,
      device: begun(foot, side),
      ...(before.length > 0 && { moreDevices: before }),
      ...(versions && { deviceVersions: versions }),
    }
  })
  const footwear = model ? forModel(record.footwear, model) : record.footwear
  return { ...record, feet, ...(footwear && { footwear }) }
}

/** What is begun: its name, its footwear, a copy of the device that is there or a plain one, feet without any. */
export interface NewDevice {
  name: string
  /** what the device that is there is called from now on, where it has no name yet */
  called?: string
  model?: string
  from: 'copy' | 'plain'
  bare?: readonly Side[]
}
