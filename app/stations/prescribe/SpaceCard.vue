<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref, shallowRef, watch } from 'vue'
import type { SpacePlace } from '../../../core/device/space'
import type { WayOut } from '../../../core/device/waysOut'
import { roomOf, widthsOf } from '../../../core/footwear/room'
import { normsOf } from '../../../core/measure/normsTable'
import { bestMean } from '../../../core/measure/reading'
import { SIDES, type Side } from '../../../core/record/vocabulary'
import SideMark from '~/components/SideMark.vue'
import StatusMark from '~/components/StatusMark.vue'
import { useModels } from '~/stores/models'
import { deviceWorker } from '~/workers/deviceWorker'
import type { useStudio } from './useStudio'

/** Height and width the devices take against what any footwear gives once its own insole is out, and the ways out where it is too much. */
const { studio } = defineProps<{ studio: ReturnType<typeof useStudio> }>()
const { fitting, shapes } = studio
const models = useModels()
const PLACES: { key: SpacePlace; name: string }[] = [
  { key: 'heelMm', name: 'heel' },
  { key: 'archMm', name: 'arch' },
  { key: 'ballMm', name: 'ball' },
  { key: 'toesMm', name: 'toes' },
]
const picked = ref('')
const model = computed(() => models.byId(picked.value || fitting.record.footwear?.chosen?.model))
const sizeOf = (side: Side) => {
  const chosen = fitting.record.footwear?.chosen
  const size =
    chosen?.model === model.value?.id
      ? side === 'left'
        ? chosen?.sizeLeftMm
        : chosen?.sizeRightMm
      : undefined
  return (
    size ??
    model.value!.sizesMm.reduce((best, s) =>
      Math.abs(s - (bestMean(fitting.record.feet[side]!, 'footLengthMm', 'standing') ?? 265)) <
      Math.abs(best - (bestMean(fitting.record.feet[side]!, 'footLengthMm', 'standing') ?? 265))
        ? s
        : best,
    )
  )
}
const rows = computed(() =>
  SIDES.map((side) => {
    const shape = shapes[side]
    const room = model.value ? roomOf(model.value) : null
    const wide = model.value ? widthsOf(model.value, sizeOf(side)) : {}
    const places = PLACES.map((p) => ({
      key: p.key as string,
      name: p.name,
      needed: shape?.stackMm[p.key],
      left: room && shape ? room[p.key] - shape.stackMm[p.key] : null,
    }))
    const widths = (
      [
        ['heelWidthMm', 'heel width'],
        ['waistWidthMm', 'waist width'],
      ] as const
    ).map(([key, name]) => ({
      key: key as string,
      name,
      needed: shape?.widthMm[key],
      left: wide[key] !== undefined && shape ? wide[key]! - shape.widthMm[key] : null,
    }))
    return { side, kind: studio.device(side).kind, places: [...places, ...widths] }
  }),
)
const missing = (side: Side) =>
  Object.fromEntries(
    rows.value
      .find((r) => r.side === side)!
      .places.slice(0, 4)
      .map((p) => [p.key, p.left ?? 1]),
  ) as Record<SpacePlace, number>
const tight = computed(() =>
  SIDES.filter(
    (s) =>
      studio.device(s).kind !== 'none' &&
      model.value &&
      shapes[s] &&
      Object.values(missing(s)).some((v) => v < 0),
  ),
)
const ways = shallowRef<Partial<Record<Side, WayOut[]>>>({})
let asked = 0
const REST_MS = 250
watch(
  () => JSON.stringify([tight.value, tight.value.map((s) => [missing(s), studio.device(s)])]),
  async () => {
    const mine = ++asked
    // While an amount runs the drawing comes first; ways out follow when it rests.
    await new Promise((rest) => setTimeout(rest, REST_MS))
    if (mine !== asked) return
    const table = JSON.parse(JSON.stringify(normsOf(fitting.record).shellMaterials))
    const found = await Promise.all(
      tight.value.map(
        async (s) =>
          [
            s,
            await deviceWorker().ways(
              JSON.parse(JSON.stringify(studio.footOf(s))),
              missing(s),
              table,
            ),
          ] as const,
      ),
    )
    if (mine === asked) ways.value = Object.fromEntries(found)
  },
  { immediate: true },
)
/** Ways of both feet as one list, each with the key that takes it. */
const offers = computed(() =>
  tight.value
    .flatMap((side) => (ways.value[side] ?? []).map((way) => ({ side, way })))
    .slice(0, 9)
    .map((o, i) => ({ ...o, key: i + 1 })),
)
function take({ side, way }: { side: Side; way: WayOut }) {
  if (way.device)
    studio.keep(side, () => JSON.parse(JSON.stringify(way.device)), way.words.toLowerCase())
  else {
    const footwear = { candidates: [], ...fitting.record.footwear }
    fitting.message =
      fitting.put(
        'footwear',
        {
          ...footwear,
          asks: [
            ...(footwear.asks ?? []).filter((a) => a.what !== 'instepRoom' || a.foot !== side),
            { what: 'instepRoom', foot: side, because: 'space-budget' },
          ],
        },
        'footwear with more room',
      ) ?? ''
  }
}
const gain = (way: WayOut) =>
  PLACES.filter((p) => way.gainMm[p.key] >= 0.05)
    .map((p) => `${p.name} +${way.gainMm[p.key].toFixed(1)}`)
    .join(', ')
function onKey(event: KeyboardEvent) {
  const offer = event.altKey ? offers.value[Number(event.code.replace('Digit', '')) - 1] : undefined
  if (!offer || fitting.readOnly) return
  event.preventDefault()
  take(offer)
}
onMounted(() => window.addEventListener('keydown', onKey))
onBeforeUnmount(() => window.removeEventListener('keydown', onKey))
</script>

<template>
  <section class="card space" aria-label="Space in the footwear">
    <div class="card-head">
      <b class="nowrap">Space in</b
      ><select v-model="picked" class="field" aria-label="Footwear to hold the devices against">
        <option value="">
          {{ models.byId(fitting.record.footwear?.chosen?.model)?.name ?? 'choose footwear …' }}
        </option>
        <option v-for="m in models.models" :key="m.id" :value="m.id">{{ m.name }}</option></select
      ><span class="aside small nowrap">insole out · estimate</span>
    </div>
    <div v-for="row in rows" :key="row.side" class="row">
      <SideMark :side="row.side" />
      <span v-if="row.kind === 'none'" class="muted">no device</span>
      <template v-else
        ><span v-for="p in row.places" :key="p.key" class="cell"
          ><span class="muted small">{{ p.name }}</span>
          <b>{{ p.needed?.toFixed(p.key.includes('Width') ? 0 : 1) ?? '–' }}</b>
          <StatusMark
            v-if="p.left !== null"
            :kind="p.left < 0 ? 'stop' : p.left < 1 ? 'watch' : 'good'"
            :word="
              p.left < 0 ? `${(-p.left).toFixed(1)} too much` : `${p.left.toFixed(1)} left`
            " /></span
      ></template>
    </div>
    <div v-if="offers.length" class="ways">
      <span class="small bold">Ways out</span>
      <button
        v-for="o in offers"
        :key="o.side + o.way.id"
        class="way"
        :disabled="fitting.readOnly"
        @click="take(o)"
      >
        <kbd>Alt {{ o.key }}</kbd> <SideMark :side="o.side" /> {{ o.way.words }}
        <span class="muted">{{ gain(o.way) }}</span>
      </button>
    </div>
  </section>
</template>

<style scoped>
.space {
  flex: none;
  padding-bottom: 6px;
}
.space .card-head {
  padding: 4px 10px;
  align-items: center;
}
.card-head .field {
  height: 36px;
  font-size: 14px;
  flex: 1;
  min-width: 0;
}
.row {
  display: grid;
  grid-template-columns: 18px repeat(6, 1fr);
  gap: 4px;
  padding: 4px 8px 0;
  align-items: start;
}
.cell {
  line-height: 16px;
  min-width: 0;
}
.cell > .small {
  display: block;
  white-space: nowrap;
}
.cell :deep(.status) {
  font-size: 12px;
  line-height: 14px;
  align-items: flex-start;
  white-space: normal;
}
.ways {
  display: flex;
  flex-direction: column;
  gap: 3px;
  padding: 5px 10px 0;
  max-height: 128px;
  overflow: auto;
}
.way {
  text-align: left;
  min-height: 32px;
  font-size: 13px;
  border: 1px solid var(--line-strong);
  border-radius: 4px;
  padding: 0 8px;
  background: var(--sheet);
}
.way:hover {
  background: var(--wash);
}
kbd {
  font: inherit;
  font-size: 12px;
  border: 1px solid var(--hairline);
  border-radius: 3px;
  padding: 0 4px;
}
</style>
