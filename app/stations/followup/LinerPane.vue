<script setup lang="ts">
import { VTable } from 'vuetify/components'
import { plainCopy } from '~/browser/plainCopy'
import { STATION_KINDS } from '../../../core/kinds/stations/all'
import { scaleLinear } from 'd3-scale'
import { line } from 'd3-shape'
import { addDays, format } from 'date-fns'
import { computed, onMounted, ref, watch } from 'vue'
import { givesAfter, linerSeen, type packOutForecast } from '../../../core/followup/packOutForecast'
import { packOutWords } from '../../../core/followup/learnedPackOut'
import { packedOut, tableCurve } from '../../../core/followup/packOut'
import { parseNumber } from '../../../core/measure/parseNumber'
import type { Followup } from '../../../core/record/schema'
import DraftField from '~/components/DraftField.vue'
import SideMark from '~/components/SideMark.vue'
import { useFitting } from '~/stores/fitting'
import { useModels } from '~/stores/models'
import { modelHere } from '~/browser/modelHere'
import { matchWorker } from '~/workers/matchWorker'

/** How the liner packs out, when snug becomes loose, and what to do then. */
const { current, disabled } = defineProps<{ current: Followup; disabled: boolean }>()
const emit = defineEmits<{ put: [next: Followup, words: string]; trouble: [words: string] }>()
const fitting = useFitting()
const models = useModels()
const answer = ref<ReturnType<typeof packOutForecast> | null>(null)
const asked = ref(false)
const used = computed(() =>
  Math.max(0, ...(fitting.record.followups ?? []).map((f) => f.daysUsed ?? 0)),
)
const daysAWeek = computed(() => fitting.record.story?.daysPerWeek ?? 3)
const chosen = computed(() => modelHere(fitting.record.footwear?.chosen?.model))
async function look() {
  await models.load().catch(() => undefined)
  if (!chosen.value) return (asked.value = true)
  const worker = matchWorker()
  await worker.setModels(
    plainCopy(models.models),
    plainCopy(models.learned),
    plainCopy(models.packs),
  )
  answer.value = await worker.packOut(plainCopy(fitting.record), used.value)
  asked.value = true
}
onMounted(look)
watch(() => JSON.stringify([fitting.record.followups, fitting.record.footwear]), look)
const curve = computed(() => answer.value?.curve ?? tableCurve(fitting.norms))
/** What the curve rests on, in words. */
const restsOn = computed(() => {
  const own = seen.value.length
  const shop = chosen.value && models.packs[chosen.value.id]
  const stated = chosen.value
    ? `${Math.round(chosen.value.liner.packOut * 100)} % in the end as the model is stated`
    : 'House curve: 10 % by day 10, 20 % in the end'
  const from = shop && chosen.value ? packOutWords(chosen.value, shop) : stated
  return own > 0
    ? `${from}, drawn towards ${own} ${own === 1 ? 'reading' : 'readings'} of this liner`
    : from
})
const seen = computed(() => linerSeen(fitting.record))
const W = 420
const H = 170
const x = computed(() => scaleLinear([0, Math.max(60, used.value + 20)], [40, W - 12]))
const y = scaleLinear([0, 0.35], [H - 22, 8])
const path = computed(
  () =>
    line<number>()
      .x((d) => x.value(d))
      .y((d) => y(packedOut(curve.value, d)))(
      Array.from({ length: 61 }, (_, i) => (x.value.domain()[1]! * i) / 60),
    ) ?? '',
)
const when = (days: number | null) => {
  if (days === null) return 'not by packing out'
  if (days === 0) return 'as new already'
  if (days <= used.value) return 'now'
  return `day ${Math.round(days)}, about ${format(addDays(new Date(), ((days - used.value) / daysAWeek.value) * 7), 'MMM yyyy')}`
}
const todo = computed(() => (answer.value?.lines ?? []).find((l) => givesAfter(l) !== null))
function set(key: 'newMm' | 'nowMm', text: string) {
  const value = parseNumber(text)
  const other = current.liner ?? { newMm: 0, nowMm: 0 }
  const next = { ...other, [key]: value ?? 0 }
  if (value === null || value < 0 || value > 60 || (next.newMm > 0 && next.nowMm > next.newMm + 1))
    return emit(
      'trouble',
      `“${text}” is no thickness of a liner, 0 to 60 mm, and it does not grow. It was not kept.`,
    )
  emit(
    'put',
    {
      ...current,
      liner: { newMm: Math.max(0.5, next.newMm || value), nowMm: next.nowMm || value },
    },
    'liner',
  )
}
</script>

<template>
  <div class="liner">
    <div class="line">
      <label
        ><span class="label">Liner as new, mm</span
        ><DraftField
          class="num"
          inputmode="decimal"
          :value="current.liner?.newMm"
          :disabled
          aria-label="Liner as new"
          @keep="(t: string) => set('newMm', t)" /></label
      ><label
        ><span class="label">now, mm, same marked place</span
        ><DraftField
          class="num"
          inputmode="decimal"
          :value="current.liner?.nowMm"
          :disabled
          aria-label="Liner now"
          @keep="(t: string) => set('nowMm', t)"
      /></label>
      <p class="label muted grow">
        {{ used }} days used so far, {{ daysAWeek }} days a week. Days used are asked at the right.
      </p>
    </div>
    <svg
      :viewBox="`0 0 ${W} ${H}`"
      role="img"
      :aria-label="`Liner thickness lost: ${Math.round(100 * packedOut(curve, used))} % by day ${used}, ${Math.round(100 * curve.endShare)} % in the end`"
    >
      <g v-for="t in [0, 0.1, 0.2, 0.3]" :key="t">
        <path :d="`M40 ${y(t)}H${W - 12}`" stroke="var(--hairline)" />
        <text x="36" :y="y(t) + 4" text-anchor="end">{{ Math.round(100 * t) }} %</text>
      </g>
      <text v-for="t in x.ticks(6)" :key="t" :x="x(t)" :y="H - 6" text-anchor="middle">
        {{ t }}
      </text>
      <text :x="W - 12" :y="H - 24" text-anchor="end">days used</text>
      <path
        :d="path"
        fill="none"
        stroke="var(--spruce)"
        stroke-width="1.8"
        :stroke-dasharray="curve.count ? '' : '5 4'"
      />
      <circle
        v-for="(s, i) in seen"
        :key="i"
        :cx="x(s.days)"
        :cy="y(s.share)"
        r="4.5"
        fill="var(--ink)"
      />
      <circle
        :cx="x(used)"
        :cy="y(packedOut(curve, used))"
        r="5"
        fill="var(--sheet)"
        stroke="var(--spruce)"
        stroke-width="2"
      />
    </svg>
    <p class="label muted">
      {{ restsOn }}; estimate, leaves out heat and wet. Lost now
      {{ (100 * packedOut(curve, used)).toFixed(0) }} %, in the end
      {{ (100 * curve.endShare).toFixed(0) }} %.
    </p>
    <VTable v-if="answer?.lines.length" class="table">
      <thead>
        <tr>
          <th>Where</th>
          <th>as new</th>
          <th>now</th>
          <th>roomy from</th>
          <th>loose from</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="l in answer.lines.slice(0, 8)" :key="l.side + l.station">
          <td class="nowrap">
            <SideMark :side="l.side" word /> {{ STATION_KINDS.of(l.station).name }}
          </td>
          <td>{{ l.newMm.toFixed(1) }} mm</td>
          <td>{{ l.nowMm.toFixed(1) }} mm</td>
          <td>{{ when(l.roomyDays) }}</td>
          <td>{{ when(l.looseDays) }}</td>
        </tr>
      </tbody>
    </VTable>
    <p v-if="todo" class="notice small">
      ▲ {{ STATION_KINDS.of(todo.station).name }} {{ todo.side }} gives first. Then: pads on the
      liner's outside or a thicker insole shim before a smaller buckle; a mouldable liner can be
      moulded again once.
    </p>
    <p v-else-if="asked && !chosen" class="muted">
      Choose a shell in Match: then each station is told.
    </p>
    <p v-else-if="asked && !answer?.lines.length" class="muted">
      This shell has no liner that packs out, or no foot length is known.
    </p>
  </div>
</template>

<style scoped>
.liner {
  padding: 12px 14px;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.line label {
  display: flex;
  flex-direction: column;
}
.line {
  display: flex;
  gap: 10px;
  align-items: end;
  flex-wrap: wrap;
}
.num {
  width: 120px;
}
svg {
  width: 100%;
  max-width: 560px;
}
text {
  font-size: 11px;
  fill: var(--muted);
}
</style>
