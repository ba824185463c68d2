import { layerSchema, type Layer } from '../kinds/layers/all'
import { mainAmount, mainRule } from '../kinds/layers/amount'
import { plainDevice } from '../device/buildDevice'
import { parseWith } from '../record/parse'
import type { Command } from '../record/commands'
import type { Device, FittingRecord, Post } from '../record/schema'
import type { Side } from '../tables/vocabulary'
import { withReason } from './becauseOf'
import type { Change, Entry } from './entry'
import { FULLNESS } from './isMet'
import { feetOfChange, liftsOnceAsked, sidesOf } from './lifts'
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
    const lifts = liftsOnceAsked(record, feetOfChange(record, foot, change), change)
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

/**
 * A layer as asked. One that is there already keeps what was set by hand, where it lies and how it is made; its
 * amount is raised to what was asked, never lowered, and it gets the reason too.
 */
function withLayer(device: Device, change: ChangeOf<'layer'>, code: string): Device {
  const asked = parseWith(layerSchema, { kind: change.layer, ...change.amounts })
  const old = device.layers.find((l) => isSamePart(l, change))
  if (!old)
    return {
      ...device,
      layers: [...device.layers, { ...asked, because: withReason(undefined, code) }],
    }
  const { key } = mainRule(asked)
  const [is, wanted] = [mainAmount(old), mainAmount(asked)]
  const isSameWay = Math.sign(is) === Math.sign(wanted)
  // Who asks for the layer without saying how much takes the amount that is there.
  const isAnyAmount = !(key in change.amounts)
  const isEnough = old.on && (isAnyAmount || (isSameWay && Math.abs(is) >= Math.abs(wanted)))
  const layer = {
    ...old,
    on: true,
    ...(!isEnough && { [key]: wanted }),
    ...Object.fromEntries(Object.entries(change.amounts).filter(([, asks]) => asks === true)),
    because: withReason(old.on && (isAnyAmount || isSameWay) ? old.because : undefined, code),
  } as Layer
  return { ...device, layers: device.layers.map((l) => (l === old ? layer : l)) }
}

/**
 * A post as asked; one to the same side that is steeper already keeps its angle. Posts to the other side at that
 * place go: they would push against it.
 */
function withPost(device: Device, { post }: ChangeOf<'post'>, code: string): Device {
  const there = device.posts.filter((p) => p.at === post.at)
  const old = there.find((p) => Math.sign(p.angleDeg) === Math.sign(post.angleDeg))
  const isSteeper = old !== undefined && Math.abs(old.angleDeg) > Math.abs(post.angleDeg)
  const next: Post = {
    style: 'extrinsic',
    ...old,
    ...post,
    ...(isSteeper && { angleDeg: old.angleDeg }),
    because: withReason(old?.because, code),
  }
  const goes = (p: Post) =>
    p === old || (p.at === post.at && Math.sign(p.angleDeg) !== Math.sign(post.angleDeg))
  return { ...device, posts: [...device.posts.filter((p) => !goes(p)), next] }
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
