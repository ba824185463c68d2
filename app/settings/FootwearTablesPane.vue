<script setup lang="ts">
import { plainCopy } from '~/browser/plainCopy'
import { STATIONS, STATION_KINDS, type Station } from '../../core/kinds/stations/all'
import { FAMILIES, FAMILY_KINDS, type Family } from '../../core/kinds/families/all'
import { computed, ref } from 'vue'
import { VBtn, VSelect, VTable } from 'vuetify/components'
import { houseRow, targetSource } from '../../core/footwear/targets'
import { HOUSE_TABLES, TABLES, type ShopTables } from '../../core/record/tables'
import { ACTIVITIES } from '../../core/kinds/activities/all'
import { INTENTS, type Intent } from '../../core/tables/vocabulary'
import { useModels } from '~/stores/models'
import { toldNumber } from '~/browser/toldNumber'
import OwnActivities from './OwnActivities.vue'
import DraftField from '~/components/DraftField.vue'
import PlainButton from '~/components/PlainButton.vue'
import { choicesOf } from '~/browser/choices'
import PaneTabs from '~/components/PaneTabs.vue'

/**
 * Target clearances by family, station and intent; what an activity moves; spring-back; makers'
 * flex numbers on the own scale.
 */
const { draft, may } = defineProps<{ draft: ShopTables; may: boolean }>()
const emit = defineEmits<{ change: [Partial<ShopTables>]; trouble: [string] }>()
const models = useModels()
models.load().catch(() => undefined)
const pane = ref<'targets' | 'activity' | 'own' | 'flex'>('targets')
const family = ref<Family>('rigid-shell')
const rowOf = (station: Station) =>
  draft.matchTargets[`${family.value}.${station}`] ?? houseRow(family.value, station)
const number = toldNumber((trouble) => emit('trouble', trouble))
function setBand(station: Station, intent: Intent, which: 0 | 1, text: string) {
  const value = number(text, `${STATION_KINDS.of(station).name} ${intent}`, -30, 60)
  if (value === undefined) return
  const row = plainCopy(rowOf(station)) as Record<Intent, [number, number]>
  row[intent][which] = value
  if (row[intent][0] > row[intent][1])
    return emit(
      'trouble',
      `${STATION_KINDS.of(station).name} ${intent}: the lower end must not lie above the upper one.`,
    )
  const key = `${family.value}.${station}`
  const { [key]: _, ...others } = draft.matchTargets
  emit('change', {
    matchTargets:
      JSON.stringify(row) === JSON.stringify(houseRow(family.value, station))
        ? others
        : { ...others, [key]: row },
  })
}
const shifts = computed(() =>
  Object.entries(draft.activityShiftMm).map(([key, mm]) => ({
    key,
    mm,
    activity: ACTIVITIES.find(key.split('.')[0]!)?.name ?? key.split('.')[0],
    station: STATION_KINDS.of(key.split('.')[1] as Station)?.name ?? key,
  })),
)
function setShift(key: string, text: string) {
  const value = number(text, key, -10, 10)
  if (value !== undefined)
    emit('change', { activityShiftMm: { ...draft.activityShiftMm, [key]: value } })
}
const TRAITS = {
  loose: 'loose foot',
  stiff: 'stiff foot',
  bony: 'bony point',
  numb: 'numb toes',
} as const
function setTrait(key: keyof typeof TRAITS, text: string) {
  const value = number(text, TRAITS[key], 0, 6)
  if (value !== undefined)
    emit('change', { characterShiftMm: { ...draft.characterShiftMm, [key]: value } })
}
const adding = ref({ activity: 'ski-touring', station: 'length' as Station })
const makers = computed(() =>
  [
    ...new Set([
      ...models.models.filter((m) => m.flex).map((m) => m.maker),
      ...Object.keys(draft.flexPoints),
    ]),
  ].sort(),
)
function setPoint(maker: string, i: number, which: 0 | 1, text: string) {
  const value = number(
    text,
    `${maker} point ${i + 1}`,
    which === 0 ? 0 : 1,
    which === 0 ? 1000 : 10,
  )
  if (value === undefined) return
  const points = [...(draft.flexPoints[maker] ?? [])].map((p) => [...p] as [number, number])
  points[i] ??= [100, 5]
  points[i]![which] = value
  emit('change', { flexPoints: { ...draft.flexPoints, [maker]: points } })
}
const addPoint = (maker: string) =>
  emit('change', {
    flexPoints: {
      ...draft.flexPoints,
      [maker]: [
        ...(draft.flexPoints[maker] ?? []).map((p) => [...p] as [number, number]),
        [100, 5],
      ],
    },
  })
const dropPoint = (maker: string, i: number) =>
  emit('change', {
    flexPoints: {
      ...draft.flexPoints,
      [maker]: (draft.flexPoints[maker] ?? [])
        .filter((_, k) => k !== i)
        .map((p) => [...p] as [number, number]),
    },
  })
const FAMILY_CHOICES = choicesOf(FAMILIES, (kind) => FAMILY_KINDS.of(kind).plural)
const STATION_CHOICES = choicesOf(STATIONS, (kind) => STATION_KINDS.of(kind).name)
const PANES = [
  ['targets', 'Target clearances'],
  ['activity', 'Activities, spring-back'],
  ['own', 'Our activities'],
  ['flex', 'Flex scale'],
] as const
</script>

<template>
  <div class="tables">
    <div class="line">
      <PaneTabs v-model="pane" :panes="PANES" label="Tables of footwear" look="box" :height="36" />
      <VSelect
        v-if="pane === 'targets'"
        v-model="family"
        class="fam"
        density="compact"
        :items="FAMILY_CHOICES"
        aria-label="Family"
      />
    </div>
    <template v-if="pane === 'targets'">
      <p class="small muted">
        mm of room: length bare behind the heel, widths and girths a side, heights whole.
        {{ FAMILY_KINDS.of(family).rules.join(' ') }}
      </p>
      <VTable class="table">
        <thead>
          <tr>
            <th>Station</th>
            <th v-for="i in INTENTS" :key="i">{{ i }}, from – to</th>
            <th>Source</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="s in STATIONS" :key="s">
            <td>
              <b>{{ STATION_KINDS.of(s).name }}</b>
              <span class="small muted">{{ STATION_KINDS.of(s).measure }}</span>
            </td>
            <td v-for="i in INTENTS" :key="i" class="nowrap">
              <DraftField
                v-for="w in [0, 1] as const"
                :key="w"
                class="num"
                :class="{
                  own:
                    draft.matchTargets[`${family}.${s}`] &&
                    rowOf(s)[i][w] !== houseRow(family, s)[i][w],
                }"
                inputmode="decimal"
                :value="rowOf(s)[i][w]"
                :disabled="!may"
                :aria-label="`${STATION_KINDS.of(s).name} ${i} ${w === 0 ? 'from' : 'to'}`"
                @keep="(t: string) => setBand(s, i, w, t)"
              />
            </td>
            <td class="small muted">
              {{ draft.matchTargets[`${family}.${s}`] ? 'this shop' : targetSource(family, s) }}
            </td>
          </tr>
        </tbody>
      </VTable>
    </template>
    <template v-else-if="pane === 'activity'">
      <p class="small muted">
        {{ TABLES.activityShiftMm.name }}: feet swell and slide forward ({{
          TABLES.activityShiftMm.source
        }}).
      </p>
      <VTable class="table">
        <thead>
          <tr>
            <th>Activity</th>
            <th>Station</th>
            <th>moves both ends by, mm</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="s in shifts" :key="s.key">
            <td>{{ s.activity }}</td>
            <td>{{ s.station }}</td>
            <td>
              <DraftField
                class="num"
                :class="{ own: HOUSE_TABLES.activityShiftMm[s.key] !== s.mm }"
                inputmode="decimal"
                :value="s.mm"
                :disabled="!may"
                :aria-label="`${s.activity} ${s.station}`"
                @keep="(t: string) => setShift(s.key, t)"
              />
            </td>
          </tr>
        </tbody>
      </VTable>
      <form class="line" @submit.prevent="setShift(`${adding.activity}.${adding.station}`, '0.5')">
        <VSelect
          v-model="adding.activity"
          class="fam"
          density="compact"
          :items="ACTIVITIES.all"
          item-title="name"
          item-value="kind"
          aria-label="Activity of a new shift"
          :disabled="!may"
        /><VSelect
          v-model="adding.station"
          class="fam"
          density="compact"
          :items="STATION_CHOICES"
          aria-label="Station of a new shift"
          :disabled="!may"
        /><VBtn type="submit" :disabled="!may">Add</VBtn>
      </form>
      <p class="small muted">
        {{ TABLES.characterShiftMm.name }} ({{ TABLES.characterShiftMm.source }}): a loose foot
        lowers the snug end, the others raise both ends.
      </p>
      <div class="line">
        <label v-for="(words, k) in TRAITS" :key="k" class="line"
          >{{ words }}
          <DraftField
            class="num"
            :class="{ own: HOUSE_TABLES.characterShiftMm[k] !== draft.characterShiftMm[k] }"
            inputmode="decimal"
            :value="draft.characterShiftMm[k]"
            :disabled="!may"
            :aria-label="`${words}, mm`"
            @keep="(t: string) => setTrait(k, t)"
        /></label>
      </div>
      <label class="line"
        >{{ TABLES.springBackShare.name }}
        <DraftField
          class="num"
          inputmode="decimal"
          :value="draft.springBackShare"
          :disabled="!may"
          aria-label="Spring-back share"
          @keep="
            (t: string) => {
              const v = number(t, 'Spring-back share', 0, 1)
              if (v !== undefined) emit('change', { springBackShare: v })
            }
          "
        />
        <span class="small muted">{{ TABLES.springBackShare.source }}</span></label
      >
    </template>
    <OwnActivities
      v-else-if="pane === 'own'"
      :draft="draft"
      :may="may"
      @change="(part) => emit('change', part)"
    />
    <template v-else>
      <p class="small muted">
        Makers' flex numbers cannot be compared with each other. Try two shells of a maker, give
        each a step of your own scale (1 soft, 10 stiff), and the rest of that maker follows.
      </p>
      <VTable class="table">
        <thead>
          <tr>
            <th>Maker</th>
            <th>Its number → own step</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="k in makers" :key="k">
            <td>
              <b>{{ k }}</b>
            </td>
            <td>
              <span v-for="(p, i) in draft.flexPoints[k] ?? []" :key="i" class="point"
                ><DraftField
                  class="num"
                  inputmode="decimal"
                  :value="p[0]"
                  :disabled="!may"
                  :aria-label="`${k} number ${i + 1}`"
                  @keep="(t: string) => setPoint(k, i, 0, t)"
                />
                →
                <DraftField
                  class="num"
                  inputmode="decimal"
                  :value="p[1]"
                  :disabled="!may"
                  :aria-label="`${k} step ${i + 1}`"
                  @keep="(t: string) => setPoint(k, i, 1, t)"
                /><PlainButton
                  class="pick"
                  :disabled="!may"
                  :aria-label="`Remove point ${i + 1} of ${k}`"
                  @click="dropPoint(k, i)"
                >
                  ×
                </PlainButton></span
              ><VBtn size="small" :disabled="!may" @click="addPoint(k)">Add a point</VBtn
              ><span v-if="(draft.flexPoints[k] ?? []).length < 2" class="small muted">
                house line until two points</span
              >
            </td>
          </tr>
        </tbody>
      </VTable>
    </template>
  </div>
</template>

<style scoped src="./tables.css"></style>

<style scoped>
.pick {
  min-width: 36px;
}
.num {
  width: 56px;
}
.fam {
  width: auto;
  --field-pad: 6px;
}
.point {
  display: inline-flex;
  gap: 6px;
  align-items: center;
  margin-right: 14px;
}
th {
  font-size: 12px;
}
</style>
