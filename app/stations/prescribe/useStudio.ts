import { versionsOf } from '../../../core/device/severalDevices'
import { plainCopy } from '~/browser/plainCopy'
import { deviceRows } from '../../../core/device/deviceRows'
import { LAYERS, layerSchema, type LayerKind } from '../../../core/kinds/layers/all'
import { computed, ref, shallowReactive, watch } from 'vue'
import { plainDevice } from '../../../core/device/buildDevice'
import type { Device, DeviceVersion, Foot, Post } from '../../../core/record/schema'
import { SIDES, otherSide, type Side } from '../../../core/tables/vocabulary'
import { useDeviceVersions } from '~/composables/useDeviceVersions'
import { useFitting } from '~/stores/fitting'
import { deviceWorker, newestWins } from '~/workers/deviceWorker'
import type { Shape, Standing, TerrainKind } from '~/workers/device.worker'
import { layerRows } from './layerRows'
import { useChanges } from '~/stores/changes'

/**
 * The studio's state: devices with drafts while a stepper is held, and the shapes the worker
 * answers with.
 */
export function useStudio() {
  const fitting = useFitting()
  const changes = useChanges()
  // What the core computes on stays raw: a proxy of each point of a surface costs more than drawing it.
  const draft = shallowReactive<Record<Side, Device | null>>({ left: null, right: null })
  const terrain = ref<TerrainKind>('device')
  const sectionShare = ref(0.13)
  const turnDeg = ref(0)
  const shapes = shallowReactive<Record<Side, Shape | null>>({ left: null, right: null })
  /** how each kept device stands on a flat floor */
  const standing = shallowReactive<Record<Side, Standing | null>>({ left: null, right: null })
  /** key of the layer whose numbers are open */
  const chosen = ref<string | null>(null)

  const stored = (side: Side): Device => fitting.record.feet[side]!.device ?? plainDevice()
  const device = (side: Side): Device => draft[side] ?? stored(side)
  const rows = computed(() => layerRows(device('left'), device('right')))
  const row = computed(() => rows.value.find((r) => r.key === chosen.value) ?? null)
  /**
   * the foot as the worker needs it: of the capture only what devices are built on, takes and
   * landmarks change nothing here
   */
  const footOf = (side: Side): Foot => {
    const { capture, deviceVersions: _, moreDevices: __, ...foot } = fitting.record.feet[side]!
    if (!capture?.surface) return { ...foot, device: device(side) }
    const { way, load, use, surface, corrections } = capture
    return { ...foot, device: device(side), capture: { way, load, use, surface, corrections } }
  }

  for (const side of SIDES) {
    const ask = newestWins(
      async (foot: Foot) =>
        deviceWorker().shape(
          foot,
          side,
          deviceRows(fitting.norms),
          sectionShare.value,
          terrain.value,
          turnDeg.value,
        ),
      (shape) => (shapes[side] = shape),
    )
    watch(
      [() => fitting.record.feet[side], () => draft[side], terrain, sectionShare, turnDeg],
      () => ask(plainCopy(footOf(side))),
      { immediate: true },
    )
    const stand = newestWins(
      (foot: Foot) => deviceWorker().standing(foot, deviceRows(fitting.norms)),
      (answer) => (standing[side] = answer),
    )
    // Only what is kept is put on the floor: while a stepper is held, the drawing comes first.
    watch(
      () => fitting.record.feet[side],
      () => stand(plainCopy(footOf(side))),
      { immediate: true },
    )
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
      changes.said = changes.put(`device.${side}`, next, `${words} ${side}`) ?? ''
  }
  const keepBoth = (edit: (device: Device) => Device, words: string) =>
    SIDES.forEach((s) => keep(s, edit, words))
  const copyTo = (to: Side) =>
    keep(to, () => plainCopy(stored(otherSide(to))), `copy ${otherSide(to)} device to`)
  /** Adds a layer to both feet, or to the ones that are named. */
  function addLayer(kind: LayerKind, sides: readonly Side[] = SIDES) {
    const nth = device(sides[0]!).layers.filter((l) => l.kind === kind).length
    for (const side of sides)
      keep(
        side,
        (d) => ({ ...d, layers: [...d.layers, layerSchema.parse({ kind })] }),
        LAYERS.of(kind).name.toLowerCase(),
      )
    chosen.value = `${kind}#${nth}`
  }
  const versions = (side: Side): DeviceVersion[] => versionsOf(fitting.record.feet[side]!)
  const { keepVersion } = useDeviceVersions()
  /** Puts another device in place of this one; what was there is kept as a version. */
  function replace(side: Side, next: Device, words: string) {
    if (fitting.record.feet[side]!.device) keepVersion(side, `before: ${words}`)
    keep(side, () => plainCopy(next), words)
  }
  return {
    fitting,
    terrain,
    sectionShare,
    turnDeg,
    shapes,
    standing,
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

/** Takes the post of a place off. */
export const dropPost =
  (at: Post['at']): ((device: Device) => Device) =>
  (device) => ({ ...device, posts: device.posts.filter((p) => p.at !== at) })

/** Sets the numbers of one post; one that is not there yet is put on. 0° is a flat block. */
export function postEdit(change: {
  at?: 'rearfoot' | 'forefoot'
  angleDeg?: number
  style?: 'extrinsic' | 'intrinsic'
  lengthMm?: number | undefined
  motionDeg?: number | undefined
  half?: Post['half']
  material?: string | undefined
  glued?: boolean | undefined
}): (device: Device) => Device {
  return (device) => {
    const at = change.at ?? 'rearfoot'
    const there = device.posts.find((p) => p.at === at)
    const others = device.posts.filter((p) => p.at !== at)
    const angleDeg = change.angleDeg ?? there?.angleDeg ?? 0
    return {
      ...device,
      posts: [...others, { style: 'extrinsic', ...there, ...change, at, angleDeg }],
    }
  }
}
