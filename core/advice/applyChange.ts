import { layerSchema, type Layer } from '../kinds/layers/all'
import { mainAmount } from '../kinds/layers/amount'
import { plainDevice } from '../device/buildDevice'
import { parseWith } from '../record/parse'
import type { Command } from '../record/commands'
import type { Device, FittingRecord, Post } from '../record/schema'
import type { Side } from '../tables/vocabulary'
import { withReason } from './becauseOf'
import type { Change, Entry } from './entry'
import { FULLNESS } from './isMet'
import { liftsOnceAsked, sidesOf } from './lifts'
import { isSamePart } from './samePart'

type ChangeOf<K extends string> = Extract<Change, Record<K, unknown>>

/**
 * Commands that an accepted entry makes; none when it only asks for attention. What it adds carries
 * the entry's code, so the link stays; what another reason asked for is never lowered.
 */
export function applyChange(record: FittingRecord, entry: Entry): Command[] {
  const { change, code, foot } = entry
  if (!change) return []
  const perFoot = (
    edit: (device: Device, side: Side) => Device,
    sides: readonly Side[] = sidesOf(record, foot),
  ) =>
    sides.map((side): Command => ({
      kind: 'part.put',
      part: `device.${side}`,
      content: edit(structuredClone(deviceToChange(record.feet[side]?.device)), side),
    }))
  if ('layer' in change) return perFoot((device) => withLayer(device, change, code))
  if ('post' in change) return perFoot((device) => withPost(device, change, code))
  if ('heelLiftMm' in change) {
    const lifts = liftsOnceAsked(record, sidesOf(record, foot), change)
    return perFoot(
      (device, side) => reasoned({ ...device, heelLiftMm: lifts[side]! }, ['heelLift'], code),
      Object.keys(lifts) as Side[],
    )
  }
  if ('device' in change)
    return perFoot((device, side) =>
      change.device !== 'none' &&
      FULLNESS[record.feet[side]?.device?.kind ?? 'none'] > FULLNESS[change.device]
        ? device
        : reasoned({ ...device, kind: change.device }, ['kind'], code),
    )
  if ('shell' in change) return perFoot((device) => withShell(device, change, code))
  if ('footwear' in change)
    return [
      {
        kind: 'part.put',
        part: 'footwear',
        content: {
          candidates: [],
          ...record.footwear,
          asks: [...(record.footwear?.asks ?? []), { what: change.footwear, foot, because: code }],
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
            { what: change.exercise, because: code },
          ],
        },
      },
    ]
  return []
}

/** The device that something is added to: a foot that was to have none gets one by it. */
function deviceToChange(device: Device | undefined): Device {
  if (!device) return plainDevice()
  return device.kind === 'none' ? { ...device, kind: plainDevice().kind } : device
}

/** A device that says why parts of its body are as they are. */
const reasoned = (
  device: Device,
  parts: readonly (keyof NonNullable<Device['because']>)[],
  code: string,
): Device => ({
  ...device,
  because: {
    ...device.because,
    ...Object.fromEntries(parts.map((part) => [part, withReason(device.because?.[part], code)])),
  },
})

/** A layer as asked; one that is there already and stronger keeps its amount and gets the reason too. */
function withLayer(device: Device, change: ChangeOf<'layer'>, code: string): Device {
  const old = device.layers.find((l) => isSamePart(l, change))
  const asked = parseWith(layerSchema, { kind: change.layer, ...change.amounts })
  const isStronger =
    old?.on === true &&
    Math.sign(mainAmount(old)) === Math.sign(mainAmount(asked)) &&
    Math.abs(mainAmount(old)) > Math.abs(mainAmount(asked))
  const kept: Layer = isStronger ? old : { ...asked, ...(old?.name && { name: old.name }) }
  const layer = { ...kept, because: withReason(old?.because, code) } as Layer
  return {
    ...device,
    layers: old ? device.layers.map((l) => (l === old ? layer : l)) : [...device.layers, layer],
  }
}

/** A post as asked; one to the same side that is steeper already keeps its angle. */
function withPost(device: Device, { post }: ChangeOf<'post'>, code: string): Device {
  const old = device.posts.find((p) => p.at === post.at)
  const isSameWay = old !== undefined && Math.sign(old.angleDeg) === Math.sign(post.angleDeg)
  const asked: Post = { style: 'extrinsic', ...(isSameWay && old), ...post }
  const angleDeg =
    isSameWay && Math.abs(old.angleDeg) > Math.abs(post.angleDeg) ? old.angleDeg : post.angleDeg
  return {
    ...device,
    posts: [
      ...device.posts.filter((p) => p !== old),
      { ...asked, angleDeg, because: withReason(isSameWay ? old.because : undefined, code) },
    ],
  }
}

/** Shell, cup and cover as asked: a deeper cup, a thicker cover and a thinner shell that were there stay. */
function withShell(device: Device, { shell }: ChangeOf<'shell'>, code: string): Device {
  const { material, thicknessMm, heelCupMm, coverMaterial, coverMm } = shell
  const { outline, shell: built } = device
  const next: Device = {
    ...device,
    outline: {
      ...outline,
      ...(heelCupMm !== undefined && { heelCupMm: Math.max(heelCupMm, outline.heelCupMm) }),
    },
    shell: {
      ...built,
      ...(material !== undefined && { material }),
      ...(thicknessMm !== undefined && { thicknessMm: Math.min(thicknessMm, built.thicknessMm) }),
      cover: {
        ...built.cover,
        ...(coverMaterial !== undefined && { material: coverMaterial }),
        ...(coverMm !== undefined && { thicknessMm: Math.max(coverMm, built.cover.thicknessMm) }),
      },
    },
  }
  return reasoned(
    next,
    [
      ...(material !== undefined || thicknessMm !== undefined ? (['shell'] as const) : []),
      ...(heelCupMm !== undefined ? (['heelCup'] as const) : []),
      ...(coverMaterial !== undefined || coverMm !== undefined ? (['cover'] as const) : []),
    ],
    code,
  )
}
