import { computed, reactive, ref, watch } from 'vue'
import { plainDevice } from '../../../core/device/buildDevice'
import { layerDefinition } from '../../../core/device/layers/registry'
import { layerSchema, type LayerKind } from '../../../core/record/layerSchema'
import type { Device, DeviceVersion } from '../../../core/record/schema'
import { SIDES, otherSide, type Side } from '../../../core/record/vocabulary'
import { useDeviceVersions } from '~/composables/deviceVersions'
import { useFitting } from '~/stores/fitting'
import { deviceWorker, newestWins } from '~/workers/deviceWorker'
import type { Shape, TerrainKind } from '~/workers/device.worker'
import { layerRows } from './layerRows'

const copy = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T

/** The studio's state: devices with drafts while a stepper is held, and the shapes the worker answers with. */
export function useStudio() {
  const fitting = useFitting()
  const draft = reactive<Record<Side, Device | null>>({ left: null, right: null })
  const terrain = ref<TerrainKind>('device')
  const sectionShare = ref(0.13)
  const turnDeg = ref(0)
  const shapes = reactive<Record<Side, Shape | null>>({ left: null, right: null })
  /** key of the layer whose numbers are open */
  const chosen = ref<string | null>(null)

  const stored = (side: Side): Device => fitting.record.feet[side]!.device ?? plainDevice()
  const device = (side: Side): Device => draft[side] ?? stored(side)
  const rows = computed(() => layerRows(device('left'), device('right')))
  const row = computed(() => rows.value.find((r) => r.key === chosen.value) ?? null)
  /** the foot as the worker needs it: of the capture only what devices are built on, takes and landmarks change nothing here */
  const footOf = (side: Side) => {
    const { surface, corrections, use } = fitting.record.feet[side]!.capture ?? {}
    return {
      ...fitting.record.feet[side]!,
      deviceVersions: undefined,
      device: device(side),
      capture: surface && { surface, corrections, use },
    }
  }
  const input = (side: Side) =>
    JSON.stringify({
      foot: footOf(side),
      terrain: terrain.value,
      share: sectionShare.value,
      turn: turnDeg.value,
    })

  for (const side of SIDES) {
    const ask = newestWins(
      async (text: string) => {
        const { foot, terrain: kind, share, turn } = JSON.parse(text)
        return deviceWorker().shape(foot, side, share, kind, turn)
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
    if (JSON.stringify(next) !== JSON.stringify(fitting.record.feet[side]!.device))
      fitting.message = fitting.put(`device.${side}`, next, `${words} ${side}`) ?? ''
  }
  const keepBoth = (edit: (device: Device) => Device, words: string) =>
    SIDES.forEach((s) => keep(s, edit, words))
  const copyTo = (to: Side) =>
    keep(to, () => copy(stored(otherSide(to))), `copy ${otherSide(to)} device to`)
  function addLayer(kind: LayerKind) {
    const nth = device('left').layers.filter((l) => l.kind === kind).length
    keepBoth(
      (d) => ({ ...d, layers: [...d.layers, layerSchema.parse({ kind })] }),
      layerDefinition(kind).name.toLowerCase(),
    )
    chosen.value = `${kind}#${nth}`
  }
  const versions = (side: Side): DeviceVersion[] => fitting.record.feet[side]!.deviceVersions ?? []
  const { keepVersion } = useDeviceVersions()
  /** Puts another device in place of this one; what was there is kept as a version. */
  function replace(side: Side, next: Device, words: string) {
    if (fitting.record.feet[side]!.device) keepVersion(side, `before: ${words}`)
    keep(side, () => copy(next), words)
  }
  return {
    fitting,
    terrain,
    sectionShare,
    turnDeg,
    shapes,
    chosen,
    rows,
    row,
    device,
    stored,
    footOf,
    show,
    keep,
    keepBoth,
    copyTo,
    addLayer,
    versions,
    keepVersion,
    replace,
  }
}

/** Sets the numbers of one post; 0° takes it off. */
export function postEdit(change: {
  at?: 'rearfoot' | 'forefoot'
  angleDeg?: number
  style?: 'extrinsic' | 'intrinsic'
  lengthMm?: number | undefined
  motionDeg?: number | undefined
}): (device: Device) => Device {
  return (device) => {
    const at = change.at ?? 'rearfoot'
    const there = device.posts.find((p) => p.at === at)
    const others = device.posts.filter((p) => p.at !== at)
    const angleDeg = change.angleDeg ?? there?.angleDeg ?? 0
    if (angleDeg === 0) return { ...device, posts: others }
    return {
      ...device,
      posts: [...others, { style: 'extrinsic', ...there, ...change, at, angleDeg }],
    }
  }
}
