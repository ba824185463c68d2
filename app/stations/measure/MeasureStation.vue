<script setup lang="ts">
import InTurn from '~/components/InTurn.vue'
import { READINGS, type ReadingKind } from '../../../core/kinds/readings/all'
import { computed, onBeforeUnmount, ref } from 'vue'
import { VBtn, VBtnToggle, VList, VListItem, VMenu } from 'vuetify/components'
import {
  readReadingsCsv,
  writeReadingsCsv,
  type ReadingsFile,
} from '../../../core/formats/readingsCsv'
import { normsOf } from '../../../core/record/tables'
import { summarise, readingOf } from '../../../core/measure/reading'
import { READING_VIEWS, ROUND, roundIndex, type ReadingView } from '../../../core/measure/round'
import { Refusal } from '../../../core/record/refusal'
import { SIDES, type Side } from '../../../core/tables/vocabulary'
import { download } from '~/browser/download'
import { useFitting } from '~/stores/fitting'
import { useHand } from '~/stores/hand'
import CsvReport from './CsvReport.vue'
import FootprintDialog from './FootprintDialog.vue'
import MeasuredPair from './MeasuredPair.vue'
import ReadingInHand from './ReadingInHand.vue'
import type { LineRow } from './ReadingLines.vue'
import SizesCard from './SizesCard.vue'
import FileField from '~/components/FileField.vue'

const fitting = useFitting()
const hand = useHand()
const norms = computed(() => normsOf(fitting.record))
const view = computed({
  get: () => hand.view,
  set: (v: ReadingView) => hand.take(READING_VIEWS[v][0]!),
})
const rows = computed(() =>
  READING_VIEWS[hand.view].map((what): LineRow => ({
    what,
    name: READINGS.of(what).name,
    ...(Object.fromEntries(SIDES.map((side) => [side, one(side, what)])) as Pick<LineRow, Side>),
  })),
)
function one(side: Side, what: ReadingKind) {
  const reading = readingOf(fitting.record.feet[side]!, what, hand.posture)
  return {
    summary: (reading && summarise(reading, norms.value)) ?? null,
    trials: reading?.trials ?? [],
    struck: reading?.struck ?? [],
  }
}
const settled = computed(
  () =>
    ROUND.filter((step) =>
      SIDES.every((side) => {
        const reading = readingOf(fitting.record.feet[side]!, step.what, step.posture)
        const s = reading && summarise(reading, norms.value)
        return s && (!s.repeat || s.notRepeatable)
      }),
    ).length,
)
const place = computed(() => roundIndex({ what: hand.what, posture: hand.posture }) + 1)
const split = computed(() => {
  const gap = fitting.measures.differences.footLengthMm
  return gap !== undefined && Math.abs(gap) >= 3
    ? ` · split feet: ${gap > 0 ? 'left' : 'right'} ${Math.abs(gap).toFixed(1)} mm longer`
    : ''
})

const print = ref(false)
const file = ref<InstanceType<typeof FileField> | null>(null)
const report = ref<{ name: string; file: ReadingsFile | null; refused: string } | null>(null)
async function readFile([chosen]: File[]) {
  if (!chosen) return
  try {
    report.value = {
      name: chosen.name,
      file: readReadingsCsv(await chosen.text(), norms.value),
      refused: '',
    }
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    report.value = { name: chosen.name, file: null, refused: error.message }
  }
}
const writeFile = () =>
  download(
    `${fitting.client!.code}-${fitting.openedOn}-readings.csv`,
    writeReadingsCsv(fitting.record),
    'text/csv',
  )
onBeforeUnmount(() => (hand.hot = null))
</script>

<template>
  <div class="title-row">
    <h1>Measure</h1>
    <span class="fact">{{
      hand.round
        ? `Reading ${place} of ${ROUND.length}: ${READINGS.of(hand.what).name.toLowerCase()}, ${hand.posture}`
        : `${settled} of ${ROUND.length} settled on both feet${split}`
    }}</span>
    <VBtnToggle v-model="view" mandatory role="group" aria-label="View"
      ><VBtn value="plan">Plan</VBtn><VBtn value="girths">Girths</VBtn
      ><VBtn value="heights">Heights</VBtn></VBtnToggle
    >
    <VBtnToggle v-model="hand.posture" mandatory role="group" aria-label="Posture"
      ><VBtn value="sitting">Sitting</VBtn><VBtn value="standing">Standing</VBtn></VBtnToggle
    >
    <VBtn
      :aria-pressed="hand.round"
      :color="hand.round ? 'primary' : undefined"
      @click="hand.setRound(!hand.round)"
      >{{ hand.round ? 'Leave round' : 'Round' }}</VBtn
    >
    <VMenu>
      <template #activator="{ props }"
        ><VBtn v-bind="props" aria-label="More for Measure">More</VBtn></template
      >
      <VList>
        <VListItem
          :title="hand.pad ? 'Put the number pad away' : 'Number pad'"
          @click="hand.pad = !hand.pad"
        />
        <VListItem title="Footprint and pressure" @click="print = true" />
        <VListItem title="Show the client" subtitle="key V" @click="hand.show = true" />
        <VListItem title="Compare visits" :to="`/clients/${fitting.client!.id}/compare`" />
        <VListItem title="Readings to CSV" @click="writeFile" />
        <VListItem title="Readings from CSV" :disabled="fitting.readOnly" @click="file?.open()" />
      </VList>
    </VMenu>
    <VBtn
      color="primary"
      variant="flat"
      aria-label="Go to Examine"
      @click="navigateTo(`/fittings/${fitting.id}/examine`)"
      >Examine</VBtn
    >
    <FileField
      ref="file"
      label="Readings from CSV"
      accept=".csv,text/csv"
      hidden
      @files="readFile"
    />
  </div>
  <MeasuredPair
    :rows="rows"
    :now="hand.what"
    :plan="hand.view === 'plan'"
    @choose="(what: ReadingKind) => (hand.what = what)"
  />
  <div class="below">
    <ReadingInHand :key="`${hand.what}${hand.posture}`" />
    <InTurn><SizesCard /></InTurn>
  </div>
  <FootprintDialog v-model="print" />
  <CsvReport v-model="report" />
</template>

<style scoped>
.below {
  display: grid;
  grid-template-columns: minmax(0, 470px) minmax(0, 1fr);
  gap: 8px;
  flex: none;
}
@media (max-width: 760px) {
  .below {
    grid-template-columns: 1fr;
  }
}
</style>
