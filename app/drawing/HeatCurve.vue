<script setup lang="ts">
import { scaleLinear } from 'd3-scale'
import { area, curveMonotoneX, line } from 'd3-shape'
import { computed } from 'vue'
import type { HeatPrior } from '../../core/bench/heat/fitHeat'
import { heatStory } from '../../core/bench/heat/heatStory'
import type { HeatWindow } from '../../core/tables/heatWindows'
import type { HeatLogRow } from '../../shared/contracts'

/**
 * Heat of a piece: measured, ahead with its band, the working window, when it is in and when too
 * hot.
 */
const {
  log,
  window: win,
  prior = undefined,
  height = 300,
  w: W = 560,
} = defineProps<{
  log: HeatLogRow
  window: HeatWindow | null
  prior?: HeatPrior
  height?: number
  w?: number
}>()
const story = computed(() =>
  heatStory(
    log.readings,
    win,
    prior,
    Math.max(4, Math.min(20, (log.readings.at(-1)?.minutes ?? 0) + 4)),
  ),
)
const ends = computed(() =>
  Math.max(6, story.value.curve.at(-1)?.minutes ?? 0, log.readings.at(-1)?.minutes ?? 0),
)
const top = computed(() =>
  Math.max(
    60,
    (win?.highC ?? 100) + 20,
    ...log.readings.map((r) => r.celsius),
    ...story.value.curve.map((c) => c.celsius + c.bandC),
  ),
)
const x = computed(() => scaleLinear([0, ends.value], [44, W - 76]))
const y = computed(() => scaleLinear([10, top.value], [height - 24, 8]))
/** Few points are enough for the eye: at most four hundred. */
const thin = computed(() => {
  const every = Math.max(1, Math.ceil(log.readings.length / 400))
  return log.readings.filter((_, i) => i % every === 0 || i === log.readings.length - 1)
})
const measured = computed(
  () =>
    line<{ minutes: number; celsius: number }>()
      .x((r) => x.value(r.minutes))
      .y((r) => y.value(r.celsius))(thin.value) ?? '',
)
const ahead = computed(
  () =>
    line<{ minutes: number; celsius: number }>()
      .x((r) => x.value(r.minutes))
      .y((r) => y.value(r.celsius))
      .curve(curveMonotoneX)(story.value.curve) ?? '',
)
const band = computed(
  () =>
    area<{ minutes: number; celsius: number; bandC: number }>()
      .x((r) => x.value(r.minutes))
      .y0((r) => y.value(r.celsius - r.bandC))
      .y1((r) => y.value(r.celsius + r.bandC))(story.value.curve) ?? '',
)
const now = computed(() => story.value.now)
const at = (min: number | null | undefined) =>
  min === null || min === undefined || !story.value.fit ? null : story.value.fit.lastMin + min
const words = (min: number) =>
  `${Math.floor(min)}:${String(Math.round((min % 1) * 60) % 60).padStart(2, '0')}`
const inAt = computed(() =>
  win && now.value && now.value.celsius < win.lowC ? at(story.value.ahead?.toWindowMin) : null,
)
const hotAt = computed(() => at(story.value.ahead?.leavesMin))
const sentence = computed(
  () =>
    `${log.name}: ${now.value ? `${now.value.celsius} °C at ${words(now.value.minutes)}` : 'no reading yet'}${win ? `, window ${win.lowC} to ${win.highC} °C` : ''}${inAt.value !== null ? `, in at ${words(inAt.value)}` : ''}${hotAt.value !== null ? `, too hot from ${words(hotAt.value)}` : ''}`,
)
</script>

<template>
  <svg :viewBox="`0 0 ${W} ${height}`" role="img" :aria-label="sentence">
    <g v-for="t in y.ticks(4)" :key="t">
      <path :d="`M44 ${y(t)}H${W - 76}`" stroke="var(--hairline)" />
      <text x="38" :y="y(t) + 4" text-anchor="end">{{ t }}°</text>
    </g>
    <g v-for="t in x.ticks(6)" :key="`x${t}`">
      <text :x="x(t)" :y="height - 6" text-anchor="middle">{{ t }}</text>
    </g>
    <text :x="W - 52" :y="height - 6">min</text>
    <g v-if="win">
      <rect
        x="44"
        :width="W - 120"
        :y="y(win.highC)"
        :height="y(win.lowC) - y(win.highC)"
        fill="var(--wash)"
      />
      <text :x="W - 72" :y="y((win.lowC + win.highC) / 2) + 4" class="win">
        {{ win.lowC }}–{{ win.highC }}°
      </text>
      <path :d="`M44 ${y(win.highC)}H${W - 76}`" stroke="var(--stop)" stroke-dasharray="2 3" />
    </g>
    <path v-if="band" :d="band" fill="var(--spruce)" opacity=".13" />
    <path
      v-if="ahead"
      :d="ahead"
      fill="none"
      stroke="var(--spruce)"
      stroke-width="1.8"
      stroke-dasharray="5 4"
    />
    <path :d="measured" fill="none" stroke="var(--ink)" stroke-width="2.2" />
    <g v-if="inAt !== null">
      <path
        :d="`M${x(inAt)} ${y(win!.lowC)}V${height - 24}`"
        stroke="var(--spruce)"
        stroke-dasharray="3 3"
      />
      <text :x="x(inAt) - 4" :y="height - 30" text-anchor="end" class="win">
        in {{ words(inAt) }}
      </text>
    </g>
    <g v-if="hotAt !== null && hotAt > 0">
      <path
        :d="`M${Math.min(x(hotAt), W - 76)} ${y(win!.highC)}V${height - 24}`"
        stroke="var(--stop)"
        stroke-dasharray="3 3"
      />
      <text :x="Math.min(x(hotAt), W - 150) + 4" :y="height - 44" class="hot">
        too hot {{ words(hotAt) }}
      </text>
    </g>
    <g v-if="now">
      <circle :cx="x(now.minutes)" :cy="y(now.celsius)" r="5" fill="var(--ink)" />
      <text :x="x(now.minutes) + 8" :y="y(now.celsius) + 18" class="nowt">
        {{ now.celsius.toFixed(0) }}° now
      </text>
    </g>
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
}
text {
  font-size: 12px;
  fill: var(--muted);
}
.win {
  fill: var(--spruce);
  font-weight: 700;
}
.hot {
  fill: var(--stop);
  font-weight: 700;
}
.nowt {
  fill: var(--ink);
  font-weight: 700;
  font-size: 15px;
}
</style>
