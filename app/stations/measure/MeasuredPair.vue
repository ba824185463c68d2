<script setup lang="ts">
import { VTable } from 'vuetify/components'
import { computed } from 'vue'
import { normsOf } from '../../../core/record/tables'
import { SIDES } from '../../../core/tables/vocabulary'
import type { ReadingKind } from '../../../core/kinds/readings/all'
import MeasuredFoot from './MeasuredFoot.vue'
import type { LineRow } from './ReadingLines.vue'
import SideReadings from './SideReadings.vue'
import { useSole } from '~/drawing/useSole'
import { useFitting } from '~/stores/fitting'
import { useHand } from '~/stores/hand'

/**
 * The pair with its spine of differences: left readings, left foot, differences, right foot, right
 * readings.
 */
const { rows, now, plan } = defineProps<{ rows: LineRow[]; now: ReadingKind; plan: boolean }>()
defineEmits<{ choose: [ReadingKind] }>()
const fitting = useFitting()
const hand = useHand()
const norms = computed(() => normsOf(fitting.record))
const soles = {
  left: useSole(() => fitting.record, 'left'),
  right: useSole(() => fitting.record, 'right'),
}
const heights = computed(() => Math.max(soles.left.value.lengthMm, soles.right.value.lengthMm))

/**
 * Bars share one scale: 12 mm fills the half width; ticks stand at a difference that counts (the
 * repeat limit).
 */
const FULL_MM = 12
/** Half width of a bar and of its drawing; the side views leave less room. */
const half = computed(() => (plan ? 72 : 36))
const edge = computed(() => (plan ? 98 : 66))
const bars = computed(() =>
  rows.map((row) => {
    const [l, r] = [row.left.summary, row.right.summary]
    if (!l || !r) return { what: row.what, name: row.name, state: 'empty' as const, d: 0, tick: 0 }
    const d = l.mean - r.mean
    return {
      what: row.what,
      name: row.name,
      state:
        l.repeat || r.repeat
          ? ('waits' as const)
          : Math.abs(d) < 0.05
            ? ('same' as const)
            : ('bar' as const),
      d,
      tick: (norms.value.repeatLimitMm[row.what] / FULL_MM) * half.value,
    }
  }),
)
const width = (d: number) => Math.min(half.value, (Math.abs(d) / FULL_MM) * half.value)
const sentence = computed(() => {
  const told = bars.value.filter((b) => b.state === 'bar')
  const bigger = told.filter((b) => b.d < 0).length
  return told.length
    ? `${bigger} of ${told.length} measures are bigger on the right`
    : 'no differences yet'
})
</script>

<template>
  <section class="card pair" :class="{ sidewise: !plan }" aria-label="Readings of both feet">
    <SideReadings side="left" :rows="rows" :now="now" @choose="(what) => $emit('choose', what)" />
    <MeasuredFoot
      side="left"
      :sole="soles.left.value"
      :height-mm="heights"
      :rows="rows"
      :now="now"
      :plan="plan"
    />
    <div class="spine" role="img" :aria-label="`Differences: ${sentence}`">
      <div class="cap bold label">Difference, mm</div>
      <ol class="bars" aria-hidden="true">
        <li
          v-for="bar in bars"
          :key="bar.what"
          :class="{ hot: (hand.hot ?? now) === bar.what }"
          @pointerenter="hand.hot = bar.what"
          @pointerleave="hand.hot = null"
        >
          <span class="name">{{ bar.name }}</span>
          <svg :viewBox="`${-edge} 0 ${2 * edge} 16`" :width="2 * edge" height="16">
            <path d="M0 -1V17" stroke="var(--ink)" />
            <path
              v-if="bar.tick"
              :d="`M${-bar.tick} 0v16M${bar.tick} 0v16`"
              stroke="var(--muted)"
            />
            <rect
              v-if="bar.state === 'bar'"
              :x="bar.d > 0 ? -width(bar.d) : 0"
              y="2"
              :width="width(bar.d)"
              height="12"
              :fill="bar.d > 0 ? 'var(--left)' : 'var(--right)'"
            />
            <text
              v-if="bar.state === 'bar'"
              :x="bar.d > 0 ? 2 - edge : edge - 2"
              y="12.5"
              :text-anchor="bar.d > 0 ? 'start' : 'end'"
              class="num"
              :fill="bar.d > 0 ? 'var(--left)' : 'var(--right)'"
            >
              {{ Math.abs(bar.d).toFixed(1) }}
            </text>
            <rect
              v-if="bar.state === 'waits'"
              :x="bar.d > 0 ? -width(bar.d) : 0"
              y="2"
              :width="width(bar.d)"
              height="12"
              fill="none"
              stroke="var(--watch)"
              stroke-dasharray="3 2"
            />
            <text v-if="bar.state === 'waits'" :x="2 - edge" y="12.5" class="wait">
              waits for repeat
            </text>
            <text v-if="bar.state === 'same'" x="6" y="12.5" class="same">same</text>
          </svg>
        </li>
      </ol>
      <div class="muted small foot">tick = a difference that counts</div>
    </div>
    <MeasuredFoot
      side="right"
      :sole="soles.right.value"
      :height-mm="heights"
      :rows="rows"
      :now="now"
      :plan="plan"
    />
    <SideReadings side="right" :rows="rows" :now="now" @choose="(what) => $emit('choose', what)" />
    <VTable class="sr">
      <caption>
        Readings, mm
      </caption>
      <thead>
        <tr>
          <th>Measure</th>
          <th v-for="s in SIDES" :key="s">{{ s }}</th>
          <th>Left minus right</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(row, i) in rows" :key="row.what">
          <td>{{ row.name }}</td>
          <td v-for="s in SIDES" :key="s">{{ row[s].summary?.mean.toFixed(1) ?? 'not taken' }}</td>
          <td>{{ bars[i]!.d.toFixed(1) }}</td>
        </tr>
      </tbody>
    </VTable>
  </section>
</template>

<style scoped>
.pair {
  display: grid;
  grid-template-columns: 176px minmax(0, 1fr) 200px minmax(0, 1fr) 176px;
  flex: 1;
  min-height: 340px;
  padding: 6px 8px;
  position: relative;
}
.spine {
  display: flex;
  flex-direction: column;
  min-height: 0;
}
.cap {
  height: 22px;
  text-align: center;
}
.bars {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-auto-rows: 1fr;
}
.bars li {
  display: flex;
  flex-direction: column;
  align-items: center;
  justify-content: center;
  min-height: 0;
  overflow: hidden;
}
.bars .hot {
  background: var(--wash);
  border-radius: 4px;
}
.name {
  font-size: 12px;
  line-height: 15px;
}
.bars svg {
  overflow: visible;
  max-width: 100%;
}
.num {
  font-size: 12.5px;
  font-weight: 700;
}
.wait {
  font-size: 11px;
  fill: var(--watch-text);
}
.same {
  font-size: 12px;
  fill: var(--muted);
}
.foot {
  text-align: center;
}
.pair.sidewise {
  grid-template-columns: 164px minmax(0, 1fr) 138px minmax(0, 1fr) 164px;
}
@media (max-width: 1023px) {
  .pair {
    grid-template-columns: 150px minmax(0, 1fr) 150px minmax(0, 1fr) 150px;
  }
}
@media (max-width: 760px) {
  .pair {
    grid-template-columns: 1fr 1fr;
  }
  .spine {
    grid-column: 1 / -1;
    order: 9;
  }
}
</style>
