<script setup lang="ts">
import { plainCopy } from '~/browser/plainCopy'
import { useEventListener } from '@vueuse/core'
import { computed, ref, shallowRef, watch } from 'vue'
import { VAutocomplete } from 'vuetify/components'
import {
  PLACE_NAMES,
  SPACE_PLACES,
  WIDTH_PLACES,
  type SpacePlace,
  type WidthPlace,
} from '../../../core/device/space'
import type { WayOut } from '../../../core/device/waysOut'
import { roomLeft, sizeOfFoot, type RoomLeft } from '../../../core/footwear/room'
import { deviceRows } from '../../../core/device/deviceRows'
import { SIDES, type Side } from '../../../core/tables/vocabulary'
import SideMark from '~/components/SideMark.vue'
import StatusMark from '~/components/StatusMark.vue'
import { modelHere, modelsHere } from '~/browser/modelHere'
import { deviceWorker } from '~/workers/deviceWorker'
import type { useStudio } from './useStudio'
import { useChanges } from '~/stores/changes'
import FoldButton from '~/components/FoldButton.vue'
import { useFold } from '~/composables/useFold'
import PlainButton from '~/components/PlainButton.vue'

/**
 * Height and width the devices take against what any footwear gives once its own insole is out, and
 * the ways out where it is too much.
 */
const { studio } = defineProps<{ studio: ReturnType<typeof useStudio> }>()
const { fitting, shapes } = studio
const changes = useChanges()
/** what was picked here, else what was chosen for the client */
const other = ref<string>()
const picked = computed({
  get: () => other.value ?? fitting.record.footwear?.chosen?.model,
  set: (id) => (other.value = id ?? undefined),
})
const choices = computed(modelsHere)
const model = computed(() => modelHere(picked.value))
interface PlaceRow {
  place: SpacePlace | WidthPlace
  name: string
  needed: string
  mark: { kind: 'good' | 'watch' | 'stop'; word: string } | null
}
/** So little left asks for a look, mm. */
const SCARCE_MM = 1
const markOf = (leftMm: number | null | undefined): PlaceRow['mark'] =>
  leftMm === null || leftMm === undefined
    ? null
    : leftMm < 0
      ? { kind: 'stop', word: `${(-leftMm).toFixed(1)} too much` }
      : { kind: leftMm < SCARCE_MM ? 'watch' : 'good', word: `${leftMm.toFixed(1)} left` }
const neededOf = (side: Side) => {
  const shape = shapes[side]
  return shape && { ...shape.stackMm, ...shape.widthMm }
}
/** Room that the footwear leaves over each device; nothing is known without footwear. */
const left = computed(
  () =>
    Object.fromEntries(
      SIDES.map((side) => {
        const needed = neededOf(side)
        if (!model.value || !needed) return [side, []]
        const sizeMm = sizeOfFoot(fitting.record, side, model.value)
        return [side, roomLeft(model.value, sizeMm, needed, fitting.norms)]
      }),
    ) as Record<Side, RoomLeft[]>,
)
const rows = computed(() =>
  SIDES.map((side) => {
    const needed = neededOf(side)
    const places = [...SPACE_PLACES, ...WIDTH_PLACES].map((place): PlaceRow => ({
      place,
      name: PLACE_NAMES[place],
      needed: needed?.[place].toFixed(place.includes('Width') ? 0 : 1) ?? '–',
      mark: markOf(left.value[side].find((r) => r.place === place)?.leftMm),
    }))
    return { side, kind: studio.device(side).kind, places }
  }),
)
const missing = (side: Side) =>
  Object.fromEntries(
    SPACE_PLACES.map((place) => [
      place,
      left.value[side].find((r) => r.place === place)?.leftMm ?? SCARCE_MM,
    ]),
  ) as Record<SpacePlace, number>
const tight = computed(() =>
  SIDES.filter(
    (side) =>
      studio.device(side).kind !== 'none' && Object.values(missing(side)).some((mm) => mm < 0),
  ),
)
const { open, toggle } = useFold('space', () => tight.value.length > 0)
/** Each foot in a word: where it is tightest. */
const tightest = computed(() =>
  rows.value.flatMap(({ side, kind, places }) => {
    if (kind === 'none') return []
    const known = places.filter((p) => p.mark)
    const order = { stop: 0, watch: 1, good: 2 }
    const [worst] = known.sort((a, b) => order[a.mark!.kind] - order[b.mark!.kind])
    if (!worst) return [{ side, mark: null, words: `heel ${places[0]!.needed} mm` }]
    return worst.mark!.kind === 'good'
      ? [{ side, mark: { kind: 'good' as const, word: 'room' }, words: '' }]
      : [{ side, mark: worst.mark, words: worst.name }]
  }),
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
    const table = deviceRows(fitting.norms)
    const found = await Promise.all(
      tight.value.map(
        async (s) =>
          [s, await deviceWorker().ways(plainCopy(studio.footOf(s)), missing(s), table)] as const,
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
  const { device } = way
  if (device) studio.keep(side, () => plainCopy(device), way.words.toLowerCase())
  else {
    const footwear = { candidates: [], ...fitting.record.footwear }
    changes.said =
      changes.put(
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
  SPACE_PLACES.filter((place) => way.gainMm[place] >= 0.05)
    .map((place) => `${PLACE_NAMES[place]} +${way.gainMm[place].toFixed(1)}`)
    .join(', ')
function onKey(event: KeyboardEvent) {
  const offer = event.altKey ? offers.value[Number(event.code.replace('Digit', '')) - 1] : undefined
  if (!offer || fitting.readOnly) return
  event.preventDefault()
  take(offer)
}
useEventListener('keydown', onKey)
</script>

<template>
  <section class="card space" aria-label="Space in the footwear">
    <div class="card-head">
      <FoldButton :open of="space" @toggle="toggle" /><b class="nowrap">Space in</b>
      <VAutocomplete
        v-model="picked"
        label="Footwear to hold the devices against"
        :items="choices"
        item-title="name"
        item-value="id"
        single-line
        placeholder="choose footwear …"
      />
      <span v-if="open" class="aside small nowrap">insole out · estimate</span>
      <span v-else class="aside small nowrap folded"
        ><span v-for="t in tightest" :key="t.side"
          ><SideMark :side="t.side" /> {{ t.words }}
          <StatusMark v-if="t.mark" v-bind="t.mark" /></span
      ></span>
    </div>
    <div v-for="row in open ? rows : []" :key="row.side" class="row">
      <SideMark :side="row.side" />
      <span v-if="row.kind === 'none'" class="muted">no device</span>
      <template v-else
        ><span v-for="p in row.places" :key="p.place" class="cell"
          ><span class="muted small">{{ p.name }}</span> <b>{{ p.needed }}</b>
          <StatusMark v-if="p.mark" v-bind="p.mark" /></span
      ></template>
    </div>
    <div v-if="open && offers.length" class="ways">
      <span class="small bold">Ways out</span>
      <PlainButton
        v-for="o in offers"
        :key="o.side + o.way.id"
        class="way"
        :disabled="fitting.readOnly"
        @click="take(o)"
      >
        <kbd>Alt {{ o.key }}</kbd> <SideMark :side="o.side" /> {{ o.way.words }}
        <span class="muted">{{ gain(o.way) }}</span>
      </PlainButton>
    </div>
  </section>
</template>

<style scoped>
.space {
  flex: none;
  padding-bottom: 2px;
}
.space .card-head {
  padding: 2px 8px;
  align-items: center;
  border-bottom: 0;
  --v-input-control-height: 36px;
}
.card-head .field {
  height: 36px;
  font-size: 14px;
  flex: 1;
  min-width: 0;
}
.folded {
  display: flex;
  gap: 8px;
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
