<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { VBtn, VBtnToggle, VSelect, VTable } from 'vuetify/components'
import type { ShopFigures } from '../../core/followup/shopFigures'
import { FEW, REGIONS, workedCsv, type WorkedRow } from '../../core/followup/worked'
import { HOUSE_NORMS } from '../../core/record/tables'
import AppHeader from '~/components/AppHeader.vue'
import StatusMark from '~/components/StatusMark.vue'
import { api } from '~/browser/api'
import { download } from '~/browser/download'
import WorkedChart from '~/drawing/WorkedChart.vue'
import PlainButton from '~/components/PlainButton.vue'

/** The shop's own records: who was given what, and how it went. An association, no proof. */
const rows = ref<WorkedRow[]>([])
const figures = ref<ShopFigures | null>(null)
const fittings = ref(0)
const trouble = ref('')
const what = ref<'pain' | 'comfort'>('pain')
const region = ref('all')
const open = ref('')
const chart = ref<InstanceType<typeof WorkedChart> | null>(null)
onMounted(async () => {
  try {
    const answer = await api<{ rows: WorkedRow[]; figures: ShopFigures; fittings: number }>(
      'worked',
    )
    rows.value = answer.rows
    figures.value = answer.figures
    fittings.value = answer.fittings
  } catch (error) {
    trouble.value = (error as Error).message
  }
})
const shown = computed(() =>
  rows.value.filter((r) => region.value === 'all' || r.region === region.value),
)
const averaged = computed(() => shown.value.filter((r) => r[what.value] !== null))
const key = (r: WorkedRow) => `${r.region} ${r.modification}`
const words = (id: string) => REGIONS.find((g) => g.id === id)!.words
const n = (v: number) => `${v > 0 ? '+' : ''}${v.toFixed(1)}`
const share = (s: { count: number; of: number }) =>
  s.of === 0
    ? 'none yet'
    : `${s.count} of ${s.of}${s.of >= FEW ? `, ${Math.round((100 * s.count) / s.of)} %` : ''}`
const counts = computed(() =>
  what.value === 'pain' ? HOUSE_NORMS.painChange : HOUSE_NORMS.comfortChange,
)
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
          <VTable class="table">
            <thead>
              <tr>
                <th>Complaint, given</th>
                <th>Clients</th>
                <th>Pain</th>
                <th>Comfort</th>
              </tr>
            </thead>
            <tbody>
              <template v-for="r in shown" :key="key(r)"
                ><tr>
                  <td>
                    <PlainButton
                      class="link"
                      :aria-expanded="open === key(r)"
                      @click="open = open === key(r) ? '' : key(r)"
                    >
                      <b>{{ words(r.region) }}</b>: {{ r.modification }}
                    </PlainButton>
                  </td>
                  <td class="nowrap">{{ r.cameBack }} back of {{ r.clients }}</td>
                  <td v-for="k in ['pain', 'comfort'] as const" :key="k">
                    <template v-if="r[k]"
                      ><b>{{ n(r[k]!.mean) }}</b>
                      <span class="label muted nowrap"
                        >{{ n(r[k]!.low) }} to {{ n(r[k]!.high) }}</span
                      ></template
                    ><StatusMark v-else-if="k === 'pain'" kind="watch" word="Few: list" /><span
                      v-else
                      class="muted"
                      >–</span
                    >
                  </td>
                </tr>
                <tr v-if="open === key(r)">
                  <td colspan="4" class="label">
                    <span v-for="c in r.list" :key="c.client" class="chip"
                      >{{ c.client }}: {{ c.before }} → {{ c.after ?? 'never back'
                      }}{{ c.comfort === null ? '' : `, comfort ${n(c.comfort)}` }}</span
                    >
                  </td>
                </tr></template
              >
              <tr v-if="shown.length === 0">
                <td colspan="4" class="muted">
                  Nothing handed over with a complaint and a device yet.
                </td>
              </tr>
            </tbody>
          </VTable>
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
.link {
  text-align: left;
  min-height: 36px;
}
.chip {
  margin: 2px;
}
</style>
