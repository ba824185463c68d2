import { plainDevice } from '../device/buildDevice'
import { parseWith } from '../record/parse'
import { layerSchema } from '../record/layerSchema'
import type { Command } from '../record/commands'
import type { Device, FittingRecord } from '../record/schema'
import { SIDES } from '../record/vocabulary'
import type { Entry } from './entry'

/** Commands that an accepted entry makes; none when it only asks for attention. */
export function applyChange(record: FittingRecord, entry: Entry): Command[] {
  const change = entry.change
  if (!change) return []
  const sides = entry.foot === 'both' ? SIDES : [entry.foot]
  const perFoot = (edit: (device: Device) => Device) =>
    sides.map((side): Command => ({ kind: 'part.put', part: `device.${side}`, content: edit(structuredCloneOf(record.feet[side]?.device ?? plainDevice())) }))
  if ('layer' in change)
    return perFoot((device) => ({ ...device, layers: [...device.layers.filter((l) => l.kind !== change.layer), parseWith(layerSchema, { kind: change.layer, ...change.amounts })] }))
  if ('post' in change)
    return perFoot((device) => ({ ...device, posts: [...device.posts.filter((p) => p.at !== change.post.at), { style: 'extrinsic', ...change.post }] }))
  if ('heelLiftMm' in change) return perFoot((device) => ({ ...device, heelLiftMm: change.heelLiftMm }))
  if ('device' in change) return perFoot((device) => ({ ...device, kind: change.device }))
  return []
}

const structuredCloneOf = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T
