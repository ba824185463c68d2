import { LAYERS, layerSchema } from '../kinds/layers/all'
import { plainDevice } from '../device/buildDevice'
import { deviceKindWords } from '../device/deviceWords'
import { materialName, type MaterialRows } from '../device/materialNames'
import { FOOTWEAR_ASKS } from '../kinds/footwearAsks'
import { parseWith } from '../record/parse'
import type { Command } from '../record/commands'
import type { Device, FittingRecord } from '../record/schema'
import { SIDES, type Side } from '../tables/vocabulary'
import type { Change, Entry } from './entry'

const sidesOf = (foot: Side | 'both') => (foot === 'both' ? SIDES : [foot])

/** How much of a device each kind is: a fuller one holds what a lesser one was suggested for. */
const FULLNESS = { none: 0, 'trim-to-fit': 1, 'heat-moulded': 2, 'full-custom': 3 } as const

/** Does the record hold a change already? A referral is decided, never met. */
export function isMet(record: FittingRecord, foot: Side | 'both', change: Change): boolean {
  if ('footwear' in change)
    return (record.footwear?.asks ?? []).some(
      (a) => a.what === change.footwear && (a.foot === foot || a.foot === 'both'),
    )
  if ('exercise' in change)
    return (record.handover?.exercises ?? []).some((e) => e.what === change.exercise)
  return sidesOf(foot).every((side) => {
    const device = record.feet[side]?.device
    if (!device) return false
    if ('layer' in change) return device.layers.some((l) => l.on && l.kind === change.layer)
    if ('post' in change)
      return device.posts.some(
        (p) =>
          p.at === change.post.at &&
          p.angleDeg !== 0 &&
          Math.sign(p.angleDeg) === Math.sign(change.post.angleDeg),
      )
    if ('heelLiftMm' in change) return device.heelLiftMm > 0
    if ('device' in change) return FULLNESS[device.kind] >= FULLNESS[change.device]
    if ('shell' in change) {
      const { shell } = change
      return (
        (shell.material === undefined || device.shell.material === shell.material) &&
        (shell.thicknessMm === undefined || device.shell.thicknessMm <= shell.thicknessMm) &&
        (shell.heelCupMm === undefined || device.outline.heelCupMm >= shell.heelCupMm) &&
        (shell.coverMaterial === undefined ||
          device.shell.cover.material === shell.coverMaterial) &&
        (shell.coverMm === undefined || device.shell.cover.thicknessMm >= shell.coverMm)
      )
    }
    return false
  })
}

const MM = /Mm$/
const SHELL_WORDS: Record<string, string> = {
  material: 'shell of',
  thicknessMm: 'shell',
  heelCupMm: 'heel cup',
  coverMaterial: 'cover of',
  coverMm: 'cover',
}
/** What an accepted entry does, in one line for the record; null when it changes nothing. */
export function changeWords(change: Change | null, rows: MaterialRows): string | null {
  if (!change) return null
  if ('layer' in change) {
    const { name, amounts } = LAYERS.of(change.layer)
    const amount = change.amounts[amounts[0].key]
    return `${name.toLowerCase()}${amount === undefined ? '' : ` ${String(amount)} mm`}`
  }
  if ('post' in change)
    return `${change.post.at} post ${Math.abs(change.post.angleDeg)}° ${change.post.angleDeg > 0 ? 'varus' : 'valgus'}`
  if ('heelLiftMm' in change) return `heel lift ${change.heelLiftMm} mm`
  if ('device' in change) return deviceKindWords(change.device).toLowerCase()
  if ('shell' in change)
    return Object.entries(change.shell)
      .map(
        ([key, value]) =>
          `${SHELL_WORDS[key]} ${MM.test(key) ? `${value} mm` : materialName(String(value), rows).toLowerCase()}`,
      )
      .join(', ')
  if ('footwear' in change) return FOOTWEAR_ASKS.of(change.footwear).name
  if ('exercise' in change) return change.exercise
  if ('capture' in change) return 'capture again'
  return 'refer' in change ? 'referred' : null
}

/**
 * Commands that an accepted entry makes; none when it only asks for attention. What it adds carries
 * the entry's code, so the link stays.
 */
export function applyChange(record: FittingRecord, entry: Entry): Command[] {
  const change = entry.change
  if (!change) return []
  const perFoot = (edit: (device: Device) => Device) =>
    sidesOf(entry.foot).map((side): Command => ({
      kind: 'part.put',
      part: `device.${side}`,
      content: edit(structuredClone(record.feet[side]?.device ?? plainDevice())),
    }))
  const because = entry.code
  if ('layer' in change)
    return perFoot((device) => ({
      ...device,
      layers: [
        ...device.layers.filter((l) => l.kind !== change.layer),
        parseWith(layerSchema, { kind: change.layer, because, ...change.amounts }),
      ],
    }))
  if ('post' in change)
    return perFoot((device) => ({
      ...device,
      posts: [
        ...device.posts.filter((p) => p.at !== change.post.at),
        { style: 'extrinsic', because, ...change.post },
      ],
    }))
  if ('heelLiftMm' in change)
    return perFoot((device) => ({ ...device, heelLiftMm: change.heelLiftMm }))
  if ('device' in change) return perFoot((device) => ({ ...device, kind: change.device }))
  if ('footwear' in change)
    return [
      {
        kind: 'part.put',
        part: 'footwear',
        content: {
          candidates: [],
          ...record.footwear,
          asks: [
            ...(record.footwear?.asks ?? []),
            { what: change.footwear, foot: entry.foot, because },
          ],
        },
      },
    ]
  if ('exercise' in change)
    return [
      {
        kind: 'part.put',
        part: 'handover',
        content: {
          ...record.handover,
          exercises: [
            ...(record.handover?.exercises ?? []).filter((e) => e.what !== change.exercise),
            { what: change.exercise, because },
          ],
        },
      },
    ]
  if ('shell' in change) {
    const { material, thicknessMm, heelCupMm, coverMaterial, coverMm } = change.shell
    return perFoot((device) => ({
      ...device,
      outline: { ...device.outline, ...(heelCupMm !== undefined && { heelCupMm }) },
      shell: {
        ...device.shell,
        ...(material !== undefined && { material }),
        ...(thicknessMm !== undefined && { thicknessMm }),
        cover: {
          ...device.shell.cover,
          ...(coverMaterial !== undefined && { material: coverMaterial }),
          ...(coverMm !== undefined && { thicknessMm: coverMm }),
        },
      },
    }))
  }
  return []
}
