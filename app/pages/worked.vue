<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { VBtn, VBtnToggle, VSelect } from 'vuetify/components'
import type { ShopFigures } from '../../core/followup/shopFigures'
import { FEW, REGIONS, workedCsv, type WorkedRow } from '../../core/followup/worked'
import AppHeader from '~/components/AppHeader.vue'
import WorkedTable from '~/components/WorkedTable.vue'
import { api } from '~/browser/api'
import { download } from '~/browser/download'
import WorkedChart from '~/drawing/WorkedChart.vue'

interface WorkedAnswer {
  rows: WorkedRow[]
  figures: ShopFigures
  fittings: number
  counts: { pain: number; comfort: number }
}
/** The shop's own records: who was given what, and how it went. An association, no proof. */
const rows = ref<WorkedRow[]>([])
const figures = ref<ShopFigures | null>(null)
const fittings = ref(0)
const trouble = ref('')
const what = ref<'pain' | 'comfort'>('pain')
const region = ref('all')
const loaded = ref(false)
/** Smallest change that is believed, by the shop's own table. */
const counted = ref({ pain: 0, comfort: 0 })
const chart = ref<InstanceType<typeof WorkedChart> | null>(null)
onMounted(async () => {
  try {
    const answer = await api<WorkedAnswer>('worked')
    rows.value = answer.rows
    figures.value = answer.figures
    fittings.value = answer.fittings
    counted.value = answer.counts
  } catch (error) {
    trouble.value = (error as Error).message
  }
  loaded.value = true
})
const shown = computed(() =>
  rows.value.filter((r) => region.value === 'all' || r.region === region.value),
)
const averaged = computed(() => shown.value.filter((r) => r[what.value] !== null))
const share = (s: { count: number; of: number }) =>
  s.of === 0
    ? 'none yet'
    : `${s.count} of ${s.of}${s.of >= FEW ? `, ${Math.round((100 * s.count) / s.of)} %` : ''}`
const counts = computed(() => counted.value[what.value])
const REGION_CHOICES = [
  { value: 'all', title: 'All complaints' },
  ...REGIONS.map((g) => ({ value: g.id, title: g.words })),
]
</script>

<template>
  <div class="frame plain">
    <AppHeader title="What worked here" :fact="`${fittings} pairs handed over in two years`" />
    <main class="main">
      <div class="title-row">
        <h1>What worked here</h1>
        <span class="fact">those given it changed by so much; no proof that it did it</span>
        <VBtnToggle v-model="what" mandatory aria-label="What is looked at"
          ><VBtn value="pain">Pain</VBtn><VBtn value="comfort">Comfort</VBtn></VBtnToggle
        >
        <VSelect v-model="region" class="pick" :items="REGION_CHOICES" aria-label="Complaint" />
        <VBtn
          :disabled="!rows.length"
          @click="download('what-worked.csv', workedCsv(shown), 'text/csv')"
          >CSV</VBtn
        ><VBtn
          :disabled="!averaged.length"
          @click="download(`what-worked-${what}.svg`, chart!.file(), 'image/svg+xml')"
          >SVG</VBtn
        >
      </div>
      <p v-if="trouble" class="notice stop" role="alert">{{ trouble }}</p>
      <div class="figs">
        <section v-if="figures" class="card fig">
          <span class="label muted">Clients waited at the bench</span
          ><b>{{
            figures.waitingMin
              ? `${figures.waitingMin.mean.toFixed(0)} min, ${figures.waitingMin.most.toFixed(0)} at most`
              : 'not timed yet'
          }}</b
          ><span class="label muted">{{
            figures.waitingMin
              ? `${figures.waitingMin.count} timed`
              : 'start and end their steps at the bench'
          }}</span>
        </section>
        <section v-if="figures" class="card fig">
          <span class="label muted">Steps done again</span><b>{{ share(figures.redone) }}</b>
        </section>
        <section v-if="figures" class="card fig">
          <span class="label muted">Right the first time</span
          ><b>{{ share(figures.firstTimeFit) }}</b
          ><span class="label muted">of those who came back</span>
        </section>
        <section v-if="figures" class="card fig">
          <span class="label muted">Never came back</span><b>{{ share(figures.neverBack) }}</b
          ><span class="label muted">counted beside, not guessed</span>
        </section>
      </div>
      <div class="cols two">
        <section class="card stack0">
          <div class="card-head">
            <h2>Change with its 95 % interval</h2>
            <span class="aside label">band: ± {{ counts }}, smaller is not believed</span>
          </div>
          <div class="scroll grow pad" tabindex="0" role="region" aria-label="Chart">
            <WorkedChart v-if="averaged.length" ref="chart" :rows="averaged" :what :counts />
            <p v-else class="muted">
              No row has {{ FEW }} clients who came back: there are lists beside, and no averages of
              a few.
            </p>
          </div>
        </section>
        <section
          class="card scroll"
          tabindex="0"
          role="region"
          aria-label="By complaint and modification"
        >
          <WorkedTable :rows="shown" :loading="!loaded" />
        </section>
      </div>
      <p class="small muted">
        One client counts once a row. Nothing leaves the shop. Those with worse pain change more by
        chance alone; those who never came back may be the well and the lost.
      </p>
    </main>
  </div>
</template>

<style scoped>
.figs {
  display: grid;
  grid-template-columns: repeat(4, minmax(0, 1fr));
  gap: 8px;
  flex: none;
}
.fig {
  padding: 10px 14px;
  display: flex;
  flex-direction: column;
}
.fig b {
  font-size: 18px;
  line-height: 24px;
}
.two {
  grid-template-columns: minmax(0, 7fr) minmax(0, 5fr);
}
.stack0 {
  display: flex;
  flex-direction: column;
}
.pad {
  padding: 10px 14px;
}
.pick {
  width: 180px;
}
</style>
