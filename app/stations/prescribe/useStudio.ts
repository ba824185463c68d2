import { computed, reactive, ref, watch } from 'vue'
import { plainDevice } from '../../../core/device/buildDevice'
import { layerDefinition } from '../../../core/device/layers/registry'
import { layerSchema, type LayerKind } from '../../../core/record/layerSchema'
import type { Device } from '../../../core/record/schema'
import { SIDES, otherSide, type Side } from '../../../core/record/vocabulary'
import { useFitting } from '~/stores/fitting'
import { deviceWorker, newestWins } from '~/workers/deviceWorker'
import type { Shape, TerrainKind } from '~/workers/device.worker'

/** The studio's state: devices with drafts while a stepper is held, and the shapes the worker answers with. */
export function useStudio() {
  const fitting = useFitting()
  const draft = reactive<Record<Side, Device | null>>({ left: null, right: null })
  const terrain = ref<TerrainKind>('device')
  const sectionShare = ref(0.13)
  const shapes = reactive<Record<Side, Shape | null>>({ left: null, right: null })
  const lastMs = ref(0)

  const stored = (side: Side): Device => fitting.record.feet[side]!.device ?? plainDevice()
  const device = (side: Side): Device => draft[side] ?? stored(side)
  /** of the capture only what devices are built on: takes and landmarks change nothing here */
  const built = (side: Side) => {
    const { surface, corrections, use } = fitting.record.feet[side]!.capture ?? {}
    return surface && { surface, corrections, use }
  }
  const input = (side: Side) => JSON.stringify({ foot: { ...fitting.record.feet[side]!, device: device(side), capture: built(side) }, terrain: terrain.value, share: sectionShare.value })

  for (const side of SIDES) {
    const ask = newestWins(
      async (text: string) => {
        const began = performance.now()
        const { foot, terrain: kind, share } = JSON.parse(text)
        const length = shapes[side]?.lengthMm ?? 265
        let shape = await deviceWorker().shape(foot, share * length, kind)
        if (shape && Math.abs(shape.lengthMm - length) > 0.01) shape = await deviceWorker().shape(foot, share * shape.lengthMm, kind)
        lastMs.value = performance.now() - began
        return shape
      },
      (shape) => (shapes[side] = shape),
    )
    watch(() => input(side), ask, { immediate: true })
  }

  /** Shows a device without keeping it. */
  function show(side: Side, edit: (device: Device) => Device) {
    draft[side] = edit(stored(side))
  }
  /** Keeps a device. */
  function keep(side: Side, edit: (device: Device) => Device, words: string) {
    const next = edit(stored(side))
    draft[side] = null
    if (JSON.stringify(next) !== JSON.stringify(fitting.record.feet[side]!.device)) fitting.message = fitting.put(`device.${side}`, next, `${words} ${side}`) ?? ''
  }
  const copyTo = (to: Side) => keep(to, () => JSON.parse(JSON.stringify(stored(otherSide(to)))) as Device, `copy ${otherSide(to)} device to`)
  const addLayer = (kind: LayerKind) => {
    for (const side of SIDES) keep(side, (d) => (d.layers.some((l) => l.kind === kind) ? d : { ...d, layers: [...d.layers, layerSchema.parse({ kind })] }), layerDefinition(kind)?.name ?? kind)
  }
  const kinds = computed(() => [...new Set(SIDES.flatMap((s) => device(s).layers.map((l) => l.kind)))])
  return { fitting, terrain, sectionShare, shapes, lastMs, device, show, keep, copyTo, addLayer, kinds }
}

/** Sets one number of one layer; the layer appears with its first amount and goes at 0. */
export function layerEdit(kind: LayerKind, key: string, value: number): (device: Device) => Device {
  return (device) => {
    const there = device.layers.find((l) => l.kind === kind)
    if (value === 0 && key === layerDefinition(kind)?.amounts[0].key) return { ...device, layers: device.layers.filter((l) => l !== there) }
    const next = layerSchema.parse({ ...there, kind, on: true, [key]: value })
    return { ...device, layers: there ? device.layers.map((l) => (l === there ? next : l)) : [...device.layers, next] }
  }
}

export const layerAmount = (device: Device, kind: LayerKind, key: string): number | null => {
  const layer = device.layers.find((l) => l.kind === kind) as Record<string, number> | undefined
  if (!layer) return null
  return layer[key] ?? layerDefinition(kind)?.asked(layer as never) ?? null
}

/** Sets the angle (or style) of the rearfoot post; 0° takes it off. */
export function postEdit(change: { angleDeg?: number; style?: 'extrinsic' | 'intrinsic' }): (device: Device) => Device {
  return (device) => {
    const there = device.posts.find((p) => p.at === 'rearfoot')
    const others = device.posts.filter((p) => p.at !== 'rearfoot')
    const angleDeg = change.angleDeg ?? there?.angleDeg ?? 0
    if (angleDeg === 0) return { ...device, posts: others }
    return { ...device, posts: [...others, { at: 'rearfoot', style: change.style ?? there?.style ?? 'extrinsic', angleDeg }] }
  }
}
