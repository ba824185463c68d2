<script setup lang="ts">
import { scaleLinear, scaleTime } from 'd3-scale'
import { line } from 'd3-shape'
import { format } from 'date-fns'
import { computed } from 'vue'

/**
 * A value by date against the one at handover; points outside the band of what is believed are
 * filled, inside hollow.
 */
const {
  points,
  most = 10,
  counts,
  foot = undefined,
  handoverOn = undefined,
  what = 'Pain',
} = defineProps<{
  points: { on: string; score: number }[]
  most?: number
  counts: number
  foot?: 'left' | 'right'
  handoverOn?: string
  what?: string
}>()
const W = 250
const H = 116
const dates = computed(() => points.map((p) => new Date(p.on)))
const x = computed(() => {
  const [first, last] = [dates.value[0]!, dates.value.at(-1)!]
  const end = first.getTime() === last.getTime() ? new Date(first.getTime() + 14 * 864e5) : last
  return scaleTime([first, end], [26, W - 14])
})
const y = computed(() => scaleLinear([0, most], [H - 20, 6]))
const base = computed(
  () => (handoverOn && points.filter((p) => p.on <= handoverOn).at(-1)) || points[0]!,
)
const path = computed(
  () =>
    line<{ on: string; score: number }>()
      .x((p) => x.value(new Date(p.on)))
      .y((p) => y.value(p.score))(points) ?? '',
)
const outside = (score: number) => Math.abs(score - base.value.score) >= counts
const sentence = computed(() => points.map((p) => `${p.on}: ${p.score}`).join(', '))
</script>

<template>
  <svg :viewBox="`0 0 ${W} ${H}`" role="img" :aria-label="`${what} ${sentence}`" :class="foot">
    <rect
      x="26"
      :width="W - 40"
      :y="y(Math.min(most, base.score + counts))"
      :height="y(Math.max(0, base.score - counts)) - y(Math.min(most, base.score + counts))"
      fill="var(--wash)"
    />
    <g v-for="t in [0, most / 2, most]" :key="t">
      <path :d="`M26 ${y(t)}H${W - 14}`" stroke="var(--hairline)" />
      <text x="20" :y="y(t) + 4" text-anchor="end">{{ t }}</text>
    </g>
    <g
      v-if="
        handoverOn && new Date(handoverOn) >= dates[0]! && new Date(handoverOn) <= x.domain()[1]!
      "
    >
      <path
        :d="`M${x(new Date(handoverOn))} 6V${H - 20}`"
        stroke="var(--ink)"
        stroke-dasharray="4 3"
        stroke-width=".8"
      />
    </g>
    <path :d="path" fill="none" stroke="currentColor" stroke-width="1.4" />
    <circle
      v-for="p in points"
      :key="p.on"
      :cx="x(new Date(p.on))"
      :cy="y(p.score)"
      r="4"
      :fill="outside(p.score) ? 'currentColor' : 'var(--sheet)'"
      stroke="currentColor"
      stroke-width="1.4"
    />
    <text
      v-for="(p, i) in points.filter((_, k, a) => k === 0 || k === a.length - 1)"
      :key="`t${p.on}`"
      :x="x(new Date(p.on))"
      :y="H - 5"
      :text-anchor="i === 0 ? 'start' : 'end'"
    >
      {{ format(new Date(p.on), 'd MMM') }}
    </text>
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
}
text {
  font-size: 11px;
  fill: var(--muted);
}
.left {
  color: var(--left);
}
.right {
  color: var(--right);
}
</style>
