<script setup lang="ts">
import { computed } from 'vue'
import { VBtn, VBtnToggle } from 'vuetify/components'
import { READING_LABELS } from '../../../core/measure/labels'
import { summarise, readingOf, type ReadingSummary } from '../../../core/measure/reading'
import { SIDES, type ReadingKind, type Side } from '../../../core/record/vocabulary'
import { useFitting } from '~/stores/fitting'
import { ROUND, useHand } from '~/stores/hand'
import MeasuredPair from './MeasuredPair.vue'
import ReadingInHand from './ReadingInHand.vue'
import SizesCard from './SizesCard.vue'

const fitting = useFitting()
const hand = useHand()
const rows = computed(() =>
  ROUND.map((what) => ({
    what,
    name: READING_LABELS[what].name,
    ...(Object.fromEntries(SIDES.map((side) => [side, one(side, what)])) as Record<Side, { summary: ReadingSummary | null; trials: number[]; struck: number[] }>),
  })),
)
function one(side: Side, what: ReadingKind) {
  const reading = readingOf(fitting.record.feet[side]!, what, hand.posture)
  return { summary: (reading && summarise(reading)) ?? null, trials: reading?.trials ?? [], struck: reading?.struck ?? [] }
}
const settled = computed(() => rows.value.flatMap((r) => SIDES.map((s) => r[s].summary)).filter((s) => s && !s.repeat).length)
</script>

<template>
  <div class="title-row">
    <h1>Measure</h1>
    <span class="fact">{{ settled }} of {{ ROUND.length * 2 }} readings settled {{ hand.posture }} · mm</span>
    <VBtnToggle v-model="hand.posture" role="group" aria-label="Posture"><VBtn value="sitting">Sitting</VBtn><VBtn value="standing">Standing</VBtn></VBtnToggle>
    <VBtn :aria-pressed="hand.pad" @click="hand.pad = !hand.pad">Number pad</VBtn>
    <VBtn @click="hand.step(1)">Next reading</VBtn>
    <VBtn color="primary" variant="flat" @click="navigateTo(`/fittings/${fitting.id}/examine`)">Go to Examine</VBtn>
  </div>
  <MeasuredPair :rows="rows" :now="hand.what" @choose="(what: ReadingKind) => (hand.what = what)" />
  <div class="below">
    <ReadingInHand :key="`${hand.what}${hand.posture}`" />
    <SizesCard />
  </div>
</template>

<style scoped>
.below { display: grid; grid-template-columns: minmax(0, 470px) minmax(0, 1fr); gap: 8px; flex: none; }
@media (max-width: 760px) { .below { grid-template-columns: 1fr; } }
</style>
