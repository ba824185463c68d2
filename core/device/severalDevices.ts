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

/**
 * The same fitting seen with another of its devices, on both feet.
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
  const on = (side: Side) => record.feet[side] && { [side]: onDevice(record.feet[side], name) }
  const model = footwearOf(record, name)
  return {
    ...record,
    feet: { ...on('left'), ...on('right') },
    ...(model && { footwear: forModel(record.footwear, model) }),
  }
}

type Footwear = NonNullable<FittingRecord['footwear']>

/** Footwear with another model chosen: what was found and worked in the one before is kept beside it. */
export function forModel(footwear: Footwear | undefined, model: string): Footwear {
  const { chosen, moreChosen = [], candidates = [], ...rest } = footwear ?? {}
  if (chosen?.model === model) return footwear!
  const others = [...(chosen ? [chosen] : []), ...moreChosen.filter((c) => c.model !== model)]
  return {
    ...rest,
    candidates: [...new Set([...candidates, model])],
    chosen: moreChosen.find((c) => c.model === model) ?? freshly(model),
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
  const was = record.footwear?.chosen?.model
  const feet = Object.fromEntries(
    SIDES.flatMap((side) => {
      const foot = record.feet[side]
      if (!foot) return []
      // What was worked on is for the footwear that was chosen, and is found again by it.
      const before = devicesOf(foot).map((d, i) => ({
        ...d,
        name: nameOf(d),
        ...(i === 0 && was && { forFootwear: d.forFootwear ?? was }),
      }))
      // Its versions stay its own under the name that it has now.
      const versions = foot.deviceVersions?.map((v) => ({
        ...v,
        device: v.device && { ...v.device, name: nameOf(v.device) },
      }))
      return [
        [
          side,
          {
            ...foot,
            device: begun(foot, side),
            ...(before.length > 0 && { moreDevices: before }),
            ...(versions && { deviceVersions: versions }),
          },
        ],
      ]
    }),
  )
  return { ...record, feet, ...(model && { footwear: forModel(record.footwear, model) }) }
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
