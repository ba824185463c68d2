<script setup lang="ts">
import { computed } from 'vue'
import { SPREAD_LIMIT_MM } from '../../../core/measure/bounds'
import type { ReadingSummary } from '../../../core/measure/reading'
import { SIDES, type ReadingKind, type Side } from '../../../core/record/vocabulary'
import FootOnPaper from './FootOnPaper.vue'
import ReadingRow from './ReadingRow.vue'
import SideMark from '~/components/SideMark.vue'
import { useSole } from '~/drawing/useSole'
import { useFitting } from '~/stores/fitting'

/** The pair with its spine of differences: left readings, left foot, differences, right foot, right readings. */
type Row = { what: ReadingKind; name: string } & Record<Side, { summary: ReadingSummary | null; trials: number[]; struck: number[] }>
const { rows, now } = defineProps<{ rows: Row[]; now: ReadingKind }>()
defineEmits<{ choose: [ReadingKind] }>()
const fitting = useFitting()
const soles = { left: useSole(() => fitting.record, 'left'), right: useSole(() => fitting.record, 'right') }
const heights = computed(() => Math.max(soles.left.value.lengthMm, soles.right.value.lengthMm))

/** Bars share one scale: 12 mm fills the half width; ticks stand at a difference that counts (the repeat limit). */
const FULL_MM = 12
const HALF = 72
const bars = computed(() =>
  rows.map((row) => {
    const [l, r] = [row.left.summary, row.right.summary]
    if (!l || !r) return { what: row.what, name: row.name, state: 'empty' as const, d: 0, tick: 0 }
    const d = l.mean - r.mean
    return { what: row.what, name: row.name, state: l.repeat || r.repeat ? ('waits' as const) : Math.abs(d) < 0.05 ? ('same' as const) : ('bar' as const), d, tick: (SPREAD_LIMIT_MM[row.what] / FULL_MM) * HALF }
  }),
)
const width = (d: number) => Math.min(HALF, (Math.abs(d) / FULL_MM) * HALF)
const sentence = computed(() => {
  const told = bars.value.filter((b) => b.state === 'bar')
  const bigger = told.filter((b) => b.d < 0).length
  return told.length ? `${bigger} of ${told.length} measures are bigger on the right` : 'no differences yet'
})
</script>

<template>
  <section class="card pair" aria-label="Readings of both feet">
    <ul class="readings left"><li class="cap"><SideMark side="left" word /></li><ReadingRow v-for="row in rows" :key="row.what" side="left" :name="row.name" :what="row.what" v-bind="row.left" :chosen="row.what === now" @choose="$emit('choose', row.what)" /></ul>
    <FootOnPaper side="left" :sole="soles.left.value" :height-mm="heights" :now="now" :rows="rows" />
    <div class="spine" role="img" :aria-label="`Differences: ${sentence}`">
      <div class="cap bold label">Difference, mm</div>
      <svg viewBox="-100 0 200 378" preserveAspectRatio="none" class="bars" aria-hidden="true">
        <path d="M0 4V374" stroke="var(--ink)" />
        <g v-for="(bar, i) in bars" :key="bar.what" :transform="`translate(0 ${i * 42 + 12})`">
          <text y="2" text-anchor="middle" class="name">{{ bar.name }}</text>
          <template v-if="bar.tick"><path :d="`M${-bar.tick} 8v16M${bar.tick} 8v16`" stroke="var(--muted)" /></template>
          <rect v-if="bar.state === 'bar'" :x="bar.d > 0 ? -width(bar.d) : 0" y="10" :width="width(bar.d)" height="12" :fill="bar.d > 0 ? 'var(--left)' : 'var(--right)'" />
          <text v-if="bar.state === 'bar'" :x="bar.d > 0 ? -96 : 96" y="20" :text-anchor="bar.d > 0 ? 'start' : 'end'" class="num" :fill="bar.d > 0 ? 'var(--left)' : 'var(--right)'">{{ Math.abs(bar.d).toFixed(1) }}</text>
          <rect v-if="bar.state === 'waits'" :x="bar.d > 0 ? -width(bar.d) : 0" y="10" :width="width(bar.d)" height="12" fill="none" stroke="var(--watch)" stroke-dasharray="3 2" />
          <text v-if="bar.state === 'waits'" :x="-96" y="20" class="wait">waits</text>
          <text v-if="bar.state === 'same'" x="6" y="20" class="name">same</text>
        </g>
      </svg>
      <div class="muted small foot">tick = a difference that counts</div>
    </div>
    <FootOnPaper side="right" :sole="soles.right.value" :height-mm="heights" :now="now" :rows="rows" />
    <ul class="readings right"><li class="cap"><SideMark side="right" word /></li><ReadingRow v-for="row in rows" :key="row.what" side="right" :name="row.name" :what="row.what" v-bind="row.right" :chosen="row.what === now" @choose="$emit('choose', row.what)" /></ul>
    <table class="sr"><caption>Readings, mm</caption><thead><tr><th>Measure</th><th v-for="s in SIDES" :key="s">{{ s }}</th><th>Left minus right</th></tr></thead><tbody><tr v-for="(row, i) in rows" :key="row.what"><td>{{ row.name }}</td><td v-for="s in SIDES" :key="s">{{ row[s].summary?.mean.toFixed(1) ?? 'not taken' }}</td><td>{{ bars[i]!.d.toFixed(1) }}</td></tr></tbody></table>
  </section>
</template>

<style scoped>
.pair { display: grid; grid-template-columns: 176px minmax(0, 1fr) 200px minmax(0, 1fr) 176px; flex: 1; min-height: 380px; padding: 6px 8px; position: relative; }
.readings, .spine { display: flex; flex-direction: column; min-height: 0; }
.readings { justify-content: space-between; }
.cap { height: 22px; text-align: center; }
.left .cap { text-align: left; padding-left: 8px; } .right .cap { text-align: right; padding-right: 8px; }
.bars { flex: 1; min-height: 0; width: 100%; }
.name { font-size: 11.5px; fill: var(--ink); } .num { font-size: 12.5px; font-weight: 700; } .wait { font-size: 11px; fill: var(--watch-text); }
.foot { text-align: center; }
@media (max-width: 1023px) { .pair { grid-template-columns: 150px minmax(0, 1fr) 150px minmax(0, 1fr) 150px; } }
@media (max-width: 760px) { .pair { grid-template-columns: 1fr 1fr; } .spine { grid-column: 1 / -1; order: 9; } }
</style>
