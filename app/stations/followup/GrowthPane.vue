<script setup lang="ts">
import { VTable } from 'vuetify/components'
import { scaleLinear, scaleTime } from 'd3-scale'
import { area, line } from 'd3-shape'
import { addDays, format } from 'date-fns'
import { computed } from 'vue'
import {
  lengthOn,
  usualGrowthMm,
  type GrowthFit,
  type LengthAt,
} from '../../../core/followup/growth'
import { ageInYears } from '../../../core/measure/ageAtVisit'
import { normsOf } from '../../../core/record/tables'
import type { Side } from '../../../core/tables/vocabulary'
import SideMark from '~/components/SideMark.vue'
import { useFitting } from '~/stores/fitting'

export interface GrowthOf {
  side: Side
  lengths: LengthAt[]
  fit: GrowthFit
  /** length at which the footwear has no room left, and at which the device is made again, mm */
  limitMm: number | null
  leastRoomMm: number | null
  remakeMm: number
}
/**
 * A child's feet over time: what was measured here, the line ahead with its band, what it crosses.
 */
const { feet } = defineProps<{ feet: GrowthOf[] }>()
const fitting = useFitting()
const norms = computed(() => normsOf(fitting.record))
/** Least room of the chosen footwear's family; null where none is chosen. */
const least = computed(() => feet.find((g) => g.leastRoomMm !== null)?.leastRoomMm ?? null)
const W = 420
const H = 240
const usual = computed(() =>
  usualGrowthMm(
    ageInYears(fitting.record.client!.bornOn!, format(new Date(), 'yyyy-MM-dd')),
    fitting.record.client?.sex,
    norms.value,
  ),
)
function picture(g: GrowthOf) {
  const first = new Date(`${g.lengths[0]!.on}T12:00`)
  const end = addDays(new Date(), 420)
  const days = Array.from(
    { length: 40 },
    (_, i) => new Date(first.getTime() + ((end.getTime() - first.getTime()) * i) / 39),
  )
  const band = days.map((d) => ({ d, ...lengthOn(g.fit, format(d, 'yyyy-MM-dd')) }))
  const tops = [
    ...band.map((b) => b.highMm),
    g.remakeMm,
    ...(g.limitMm === null ? [] : [g.limitMm]),
  ]
  const x = scaleTime([first, end], [40, W - 12])
  const y = scaleLinear(
    [
      Math.min(...band.map((b) => b.lowMm), ...g.lengths.map((l) => l.lengthMm)) - 2,
      Math.max(...tops) + 2,
    ],
    [H - 22, 8],
  )
  type B = (typeof band)[number]
  const past = band.filter((b) => b.d <= new Date(`${g.lengths.at(-1)!.on}T12:00`))
  return {
    x,
    y,
    area:
      area<B>()
        .x((b) => x(b.d))
        .y0((b) => y(b.lowMm))
        .y1((b) => y(b.highMm))(band) ?? '',
    ahead:
      line<B>()
        .x((b) => x(b.d))
        .y((b) => y(b.lengthMm))(band.filter((b) => !past.includes(b) || b === past.at(-1))) ?? '',
    behind:
      line<B>()
        .x((b) => x(b.d))
        .y((b) => y(b.lengthMm))(past) ?? '',
    marks: x.ticks(5),
    ticks: y.ticks(5),
  }
}
</script>

<template>
  <div class="two">
    <figure v-for="g in feet" :key="g.side">
      <figcaption class="label">
        <SideMark :side="g.side" word /> {{ g.lengths.length }}
        {{ g.lengths.length === 1 ? 'length' : 'lengths' }}, {{ g.fit.slopeMm.toFixed(2) }} ±
        {{ (1.96 * g.fit.slopeSdMm).toFixed(2) }} mm a month
        <span class="muted">(usual at this age {{ usual }})</span>
      </figcaption>
      <svg
        v-for="p in [picture(g)]"
        :key="p.area"
        :viewBox="`0 0 ${W} ${H}`"
        role="img"
        :aria-label="`${g.side} foot length: ${g.lengths.map((l) => `${l.on} ${l.lengthMm.toFixed(1)} mm`).join(', ')}`"
        :class="g.side"
      >
        <g v-for="t in p.ticks" :key="t">
          <path :d="`M40 ${p.y(t)}H${W - 12}`" stroke="var(--hairline)" />
          <text x="36" :y="p.y(t) + 4" text-anchor="end">{{ t }}</text>
        </g>
        <text v-for="t in p.marks" :key="+t" :x="p.x(t)" :y="H - 6" text-anchor="middle">
          {{ format(t, 'MMM yy') }}
        </text>
        <path :d="p.area" fill="currentColor" opacity=".14" />
        <path :d="p.behind" fill="none" stroke="currentColor" stroke-width="1.8" />
        <path
          :d="p.ahead"
          fill="none"
          stroke="currentColor"
          stroke-width="1.8"
          stroke-dasharray="5 4"
        />
        <g v-if="g.limitMm !== null">
          <path
            :d="`M40 ${p.y(g.limitMm)}H${W - 12}`"
            stroke="var(--stop)"
            stroke-dasharray="4 3"
          />
          <text :x="W - 14" :y="p.y(g.limitMm) - 4" text-anchor="end" class="limit">
            no room left, {{ g.limitMm.toFixed(0) }}
          </text>
        </g>
        <path
          :d="`M40 ${p.y(g.remakeMm)}H${W - 12}`"
          stroke="var(--watch)"
          stroke-dasharray="2 3"
        />
        <text :x="W - 14" :y="p.y(g.remakeMm) - 4" text-anchor="end" class="make">
          make again, {{ g.remakeMm.toFixed(0) }}
        </text>
        <circle
          v-for="l in g.lengths"
          :key="l.on"
          :cx="p.x(new Date(`${l.on}T12:00`))"
          :cy="p.y(l.lengthMm)"
          r="4.5"
          fill="currentColor"
        />
      </svg>
      <VTable class="table label">
        <thead>
          <tr>
            <th>Measured</th>
            <th>mm</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="l in g.lengths" :key="l.on">
            <td>{{ format(new Date(`${l.on}T12:00`), 'd MMM yyyy') }}</td>
            <td>{{ l.lengthMm.toFixed(1) }}</td>
          </tr>
        </tbody>
      </VTable>
    </figure>
    <p class="small muted full">
      Estimate: the default by age and this child's own lengths of the last
      {{ norms.growthFit.months }} months, weighted by their errors; band 95 %. Leaves out growth
      spurts; a length is as good as ± {{ norms.growthFit.lengthSdMm }} mm.
      {{
        least === null
          ? ''
          : `Footwear is outgrown when less than ${least} mm is left inside it before the toes.`
      }}
    </p>
  </div>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 14px;
  padding: 12px 14px;
  align-content: start;
}
figure {
  margin: 0;
  min-width: 0;
}
.full {
  grid-column: 1 / -1;
}
svg {
  width: 100%;
}
text {
  font-size: 11px;
  fill: var(--muted);
}
.limit {
  fill: var(--stop);
  font-weight: 600;
}
.make {
  fill: var(--watch-text);
  font-weight: 600;
}
.left {
  color: var(--left);
}
.right {
  color: var(--right);
}
</style>
