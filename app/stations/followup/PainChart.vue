<script setup lang="ts">
import { scaleLinear, scaleTime } from 'd3-scale'
import { line } from 'd3-shape'
import { format } from 'date-fns'
import { computed } from 'vue'
import { PAIN_COUNTS, type PainSeries } from '../../../core/followup/painSeries'

/** Pain at one place by date against the value at handover; points outside the band are filled, inside hollow. */
const { series, handoverOn } = defineProps<{ series: PainSeries; handoverOn?: string }>()
const W = 250
const H = 116
const dates = computed(() => series.points.map((p) => new Date(p.on)))
const x = computed(() => {
  const [first, last] = [dates.value[0]!, dates.value.at(-1)!]
  const end = first.getTime() === last.getTime() ? new Date(first.getTime() + 14 * 864e5) : last
  return scaleTime([first, end], [26, W - 14])
})
const y = scaleLinear([0, 10], [H - 20, 6])
const base = computed(() => (handoverOn && series.points.filter((p) => p.on <= handoverOn).at(-1)) || series.points[0]!)
const path = computed(() => line<PainSeries['points'][number]>().x((p) => x.value(new Date(p.on))).y((p) => y(p.score))(series.points) ?? '')
const outside = (score: number) => Math.abs(score - base.value.score) >= PAIN_COUNTS
const sentence = computed(() => series.points.map((p) => `${p.on}: ${p.score}`).join(', '))
</script>

<template>
  <svg :viewBox="`0 0 ${W} ${H}`" role="img" :aria-label="`Pain ${sentence}`" :class="series.foot">
    <rect x="26" :width="W - 40" :y="y(Math.min(10, base.score + PAIN_COUNTS))" :height="y(Math.max(0, base.score - PAIN_COUNTS)) - y(Math.min(10, base.score + PAIN_COUNTS))" fill="var(--wash)" />
    <g v-for="t in [0, 5, 10]" :key="t"><path :d="`M26 ${y(t)}H${W - 14}`" stroke="var(--hairline)" /><text x="20" :y="y(t) + 4" text-anchor="end">{{ t }}</text></g>
    <g v-if="handoverOn && new Date(handoverOn) >= dates[0]! && new Date(handoverOn) <= x.domain()[1]!"><path :d="`M${x(new Date(handoverOn))} 6V${H - 20}`" stroke="var(--ink)" stroke-dasharray="4 3" stroke-width=".8" /></g>
    <path :d="path" fill="none" stroke="currentColor" stroke-width="1.4" />
    <circle v-for="p in series.points" :key="p.on" :cx="x(new Date(p.on))" :cy="y(p.score)" r="4" :fill="outside(p.score) ? 'currentColor' : 'var(--sheet)'" stroke="currentColor" stroke-width="1.4" />
    <text v-for="(p, i) in series.points.filter((_, k, a) => k === 0 || k === a.length - 1)" :key="`t${p.on}`" :x="x(new Date(p.on))" :y="H - 5" :text-anchor="i === 0 ? 'start' : 'end'">{{ format(new Date(p.on), 'd MMM') }}</text>
  </svg>
</template>

<style scoped>
svg { width: 100%; }
text { font-size: 11px; fill: var(--muted); }
.left { color: var(--left); } .right { color: var(--right); }
</style>
