<script setup lang="ts">
import { scaleLinear } from 'd3-scale'
import { area, line } from 'd3-shape'
import { computed } from 'vue'
import type { AmountForMoment } from '../../core/mechanics/amountForMoment'
import { FIT_RANGE } from '../../core/mechanics/fitRange'

/**
 * Change of moment over one amount with its spread; what is wanted, the answer, and where the usual
 * ends.
 */
const { found, wanted, usualMost, unit, name } = defineProps<{
  found: AmountForMoment
  wanted: number
  usualMost: number
  unit: string
  name: string
}>()
const W = 230
const H = 160
const ends = computed(() => [found.curve[0]![0], found.curve.at(-1)![0]] as [number, number])
const x = computed(() => scaleLinear(ends.value, [40, W - 12]))
const all = computed(() => [
  0,
  wanted,
  ...found.curve.flatMap(([, m]) => FIT_RANGE.map((f) => f * m)),
])
const y = computed(() =>
  scaleLinear([Math.min(...all.value), Math.max(...all.value)], [H - 26, 10]).nice(),
)
const path = computed(
  () =>
    line<[number, number]>(
      (p) => x.value(p[0]),
      (p) => y.value(p[1]),
    )(found.curve) ?? '',
)
const band = computed(
  () =>
    area<[number, number]>()
      .x((p) => x.value(p[0]))
      .y0((p) => y.value(FIT_RANGE[0] * p[1]))
      .y1((p) => y.value(FIT_RANGE[1] * p[1]))(found.curve) ?? '',
)
const over = computed(() =>
  usualMost > ends.value[0] && usualMost < ends.value[1] ? x.value(usualMost) : null,
)
const sentence = computed(
  () =>
    `${name} against change of turning moment: ${found.curve.map(([a, m]) => `${Number(a.toFixed(1))}${unit} ${Number(m.toPrecision(2))} N·mm`).join(', ')} (estimate)`,
)
</script>

<template>
  <svg :viewBox="`0 0 ${W} ${H}`" role="img" :aria-label="sentence">
    <defs>
      <pattern
        id="over-usual"
        width="6"
        height="6"
        patternUnits="userSpaceOnUse"
        patternTransform="rotate(45)"
      >
        <path d="M0 0V6" stroke="var(--watch)" stroke-width="1" opacity=".45" />
      </pattern>
    </defs>
    <g v-for="t in y.ticks(4)" :key="t">
      <path :d="`M40 ${y(t)}H${W - 12}`" stroke="var(--hairline)" />
      <text x="36" :y="y(t) + 4" text-anchor="end">{{ t }}</text>
    </g>
    <text v-for="t in x.ticks(5)" :key="`x${t}`" :x="x(t)" :y="H - 12" text-anchor="middle">
      {{ t }}
    </text>
    <text :x="W - 12" :y="H - 1" text-anchor="end">{{ name }}, {{ unit }}</text>
    <g v-if="over !== null">
      <rect :x="over" y="10" :width="W - 12 - over" :height="H - 36" fill="url(#over-usual)" />
      <text :x="over + 3" y="20" class="watch">over usual</text>
    </g>
    <path :d="band" fill="var(--spruce)" opacity=".14" />
    <path :d="path" fill="none" stroke="var(--spruce)" stroke-width="2" stroke-dasharray="5 3" />
    <path
      :d="`M40 ${y(wanted)}H${found.amount === null ? W - 12 : x(found.amount)}`"
      stroke="var(--ink)"
      stroke-width="1.4"
    />
    <g v-if="found.amount !== null">
      <path
        :d="`M${x(found.amount)} ${y(found.momentNmm)}V${H - 26}`"
        stroke="var(--ink)"
        stroke-width="1.4"
      />
      <circle :cx="x(found.amount)" :cy="y(found.momentNmm)" r="5" fill="var(--ink)" />
    </g>
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  min-width: 0;
}
text {
  font-size: 11.5px;
  fill: var(--muted);
}
.watch {
  fill: var(--watch-text);
  font-weight: 700;
}
</style>
