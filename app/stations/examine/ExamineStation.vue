<script setup lang="ts">
import { computed, ref } from 'vue'
import { VBtn } from 'vuetify/components'
import { examineFoot, type AngleSummary } from '../../../core/examine/examineFoot'
import { parseNumber } from '../../../core/measure/callOut'
import { SIDES, type Side } from '../../../core/record/vocabulary'
import BackView from './BackView.vue'
import DraftField from '~/components/DraftField.vue'
import SideMark from '~/components/SideMark.vue'
import StatusMark from '~/components/StatusMark.vue'
import { useFitting } from '~/stores/fitting'

type Key = 'forefootDeg' | 'rcspDeg'
const fitting = useFitting()
const trouble = ref('')
const feet = computed(() => Object.fromEntries(SIDES.map((side) => [side, examineFoot(fitting.record.feet[side]!)])) as Record<Side, ReturnType<typeof examineFoot>>)
const ROWS: { key: Key; name: string; how: string; of: (side: Side) => AngleSummary | null; words: (deg: number) => string }[] = [
  { key: 'forefootDeg', name: 'Forefoot to rearfoot', how: 'rearfoot neutral, midtarsal joint locked', of: (s) => feet.value[s].forefoot, words: (d) => (Math.abs(d) < 0.5 ? 'level' : d > 0 ? 'varus, inner side up' : 'valgus, outer side up') },
  { key: 'rcspDeg', name: 'Relaxed stance', how: 'heel bisection to the floor, standing at ease', of: (s) => feet.value[s].relaxed, words: (d) => (Math.abs(d) < 0.5 ? 'upright' : d > 0 ? 'inverted, tilts out' : 'everted, tilts in') },
]
const trials = (side: Side, key: Key) => fitting.record.feet[side]!.findings?.[key] ?? []

function set(side: Side, key: Key, index: number, typed: string) {
  const old = trials(side, key)
  const text = typed.trim()
  const value = text === '' ? undefined : parseNumber(text.replace('°', ''))
  if (value === null || (value !== undefined && (value < -45 || value > 45))) {
    trouble.value = `${side} ${key === 'forefootDeg' ? 'forefoot angle' : 'relaxed stance'}: “${text}” is not an angle from −45 to 45 degrees. Nothing was changed.`
    return
  }
  const next = [...old]
  if (value === undefined) next.splice(index, 1)
  else next[index] = value
  trouble.value = fitting.put(`findings.${side}`, { ...fitting.record.feet[side]!.findings, [key]: next.filter((v) => v !== undefined) }, `${key === 'forefootDeg' ? 'forefoot angle' : 'stance'} ${side}`) ?? ''
}
const fields = ref<Record<string, { focus: () => void }>>({})
/** Enter goes to the next try. */
const next = (side: Side, key: Key, index: number) => setTimeout(() => fields.value[`${side}${key}${index}`]?.focus())
const taken = computed(() => SIDES.flatMap((s) => ROWS.map((r) => r.of(s))).filter(Boolean).length)
const n = (v: number) => Number(v.toFixed(1))
</script>

<template>
  <div class="title-row">
    <h1>Examine</h1>
    <span class="fact">{{ taken }} of 4 findings in · degrees, + is varus and inversion</span>
    <VBtn color="primary" variant="flat" @click="navigateTo(`/fittings/${fitting.id}/capture`)">Go to Capture</VBtn>
  </div>
  <p v-if="trouble" class="notice stop" role="alert">{{ trouble }}</p>
  <div class="cols examine">
    <section v-for="side in SIDES" :key="side" class="card stack0">
      <div class="card-head"><SideMark :side="side" word /><span class="aside small">{{ feet[side].words }}</span></div>
      <BackView :side="side" :relaxed-deg="feet[side].relaxed?.meanDeg ?? null" :forefoot-deg="feet[side].forefoot?.meanDeg ?? null" :forefoot-mm="feet[side].forefootMm" />
      <div v-for="row in ROWS" :key="row.key" class="finding" :class="{ 'watch-row': row.of(side)?.repeat }">
        <div class="head"><b>{{ row.name }}</b><span class="muted small">{{ row.how }}</span></div>
        <div class="line">
          <DraftField v-for="i in 5" :key="i" :ref="(el) => { if (el) fields[`${side}${row.key}${i - 1}`] = el as unknown as { focus: () => void } }" class="trial" inputmode="text" :value="trials(side, row.key)[i - 1]" :disabled="fitting.readOnly || i - 1 > trials(side, row.key).length" :aria-label="`${side} ${row.name}, try ${i}, degrees`" :placeholder="i - 1 === trials(side, row.key).length ? '°' : ''" @keep="(text: string) => set(side, row.key, i - 1, text)" @next="next(side, row.key, i)" />
          <div class="sum" :class="`${side}-hue`">
            <template v-if="row.of(side)">
              <span class="reading">{{ n(row.of(side)!.meanDeg) }}°</span> <span v-if="row.key === 'forefootDeg' && feet[side].forefootMm !== null" class="mm">{{ n(Math.abs(feet[side].forefootMm!)) }} mm</span>
              <span class="muted small words">{{ row.words(row.of(side)!.meanDeg) }} · spread {{ n(row.of(side)!.spreadDeg) }}° of {{ row.of(side)!.trials }}</span>
              <StatusMark v-if="row.of(side)!.repeat" kind="watch" word="Measure again" />
            </template>
            <span v-else class="muted">Not taken</span>
          </div>
        </div>
      </div>
    </section>
  </div>
  <p class="muted small foot">Between fitters expect 3 to 5° of difference. Call out: <span class="kbd">varus L 4 5</span> or <span class="kbd">stance -3 / -5</span></p>
</template>

<style scoped>
.examine { grid-template-columns: 1fr 1fr; }
.stack0 { display: flex; flex-direction: column; }
.card-head { min-height: 52px; align-items: center !important; }
.card-head .aside { text-align: right; }
.finding { padding: 10px 14px; border-top: 1px solid var(--hairline); }
.head { display: flex; gap: 10px; align-items: baseline; flex-wrap: wrap; }
.line { display: flex; gap: 6px; margin-top: 6px; align-items: center; }
.trial { width: 48px; padding: 0 6px; text-align: center; flex: none; }
.sum { margin-left: 8px; line-height: 18px; }
.words { display: block; }
.mm { font-weight: 600; margin-left: 4px; }
.foot { flex: none; }
</style>
