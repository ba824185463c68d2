<script setup lang="ts">
import { computed } from 'vue'
import type { Side } from '../../core/tables/vocabulary'
import type { Analysis } from '~/workers/scan.worker'
import { HUES, mirror } from './footDrawing'

/**
 * A captured foot from behind: the heel's bisection against the leg and neutral, or the sole under
 * the heads against the examined angle.
 */
const { side, analysis, part } = defineProps<{
  side: Side
  analysis: Analysis
  part: 'heel' | 'forefoot'
}>()
const FLOOR = 128
const at = (x: number, z: number) => `${(x * mirror(side)).toFixed(1)} ${(FLOOR - z).toFixed(1)}`
const body = computed(() =>
  analysis.behind.silhouette.length
    ? `M${analysis.behind.silhouette.map(([x, z]) => at(x, Math.min(z, 120))).join('L')}Z`
    : '',
)
/** A line through a point of the heel that leans by an angle (+ inverted: its top outward). */
const leaning = (deg: number, x: number, z: number, length: number) =>
  `M${at(x, z)}L${at(x - length * Math.sin((deg * Math.PI) / 180), z + length * Math.cos((deg * Math.PI) / 180))}`
const heel = computed(() => {
  const [low, high] = [analysis.landmarks.heelBisectionLow, analysis.landmarks.heelBisectionHigh]
  const { heelBisectionDeg } = analysis.readings
  return low && high && heelBisectionDeg !== undefined
    ? {
        found: leaning(heelBisectionDeg, low[0], low[2] - 8, 62),
        neutral: leaning(analysis.behind.neutralDeg, low[0], low[2] - 8, 62),
        deg: heelBisectionDeg,
        x: low[0],
      }
    : null
})
/** Heights are drawn five times as large, which is said beside them. */
const TALLER = 5
const heads = computed(() => {
  const points = analysis.behind.heads
  const base = points.reduce((s, p) => s + p[1], 0) / points.length
  const shown = points.map(([x, z]): [number, number] => [x, 46 + TALLER * (z - base)])
  const examined = analysis.behind.forefootDeg
  const line = (deg: number) =>
    [-46, 46].map((x) => at(x, 46 + TALLER * Math.tan((deg * Math.PI) / 180) * x)).join('L')
  return {
    shown,
    found: `M${line(analysis.readings.forefootDeg ?? 0)}`,
    examined: examined === null ? null : `M${line(examined)}`,
  }
})
const words = computed(() =>
  part === 'heel'
    ? heel.value
      ? `heel ${heel.value.deg.toFixed(1)}° to the leg, neutral ${analysis.behind.neutralDeg.toFixed(1)}°`
      : 'heel line not seen'
    : `forefoot ${analysis.readings.forefootDeg?.toFixed(1) ?? '–'}°, examined ${analysis.behind.forefootDeg?.toFixed(1) ?? 'not'}${analysis.behind.forefootDeg === null ? '' : '°'}; heights drawn ×${TALLER}`,
)
</script>

<template>
  <figure class="behind">
    <svg
      :viewBox="part === 'heel' ? `-58 4 116 128` : `-58 46 116 76`"
      role="img"
      :aria-label="`${side} from behind: ${words}`"
    >
      <path :d="`M-56 ${FLOOR}H56`" stroke="var(--ink)" stroke-width="1" />
      <template v-if="part === 'heel'">
        <path :d="body" fill="var(--sheet)" :stroke="HUES[side]" stroke-width="1.2" />
        <template v-if="heel">
          <path :d="`M${at(heel.x, 60)}V10`" stroke="var(--ink)" stroke-width=".8" />
          <path :d="heel.neutral" stroke="var(--ink)" stroke-width="1" stroke-dasharray="4 2.5" />
          <path :d="heel.found" :stroke="HUES[side]" stroke-width="2.2" />
        </template>
      </template>
      <template v-else>
        <path
          v-if="heads.examined"
          :d="heads.examined"
          stroke="var(--ink)"
          stroke-width="1"
          stroke-dasharray="4 2.5"
        />
        <path :d="heads.found" :stroke="HUES[side]" stroke-width="1.6" />
        <circle
          v-for="([x, z], i) in heads.shown"
          :key="i"
          :cx="x * mirror(side)"
          :cy="FLOOR - z"
          r="3.4"
          :fill="HUES[side]"
        />
        <text
          v-for="([x, z], i) in heads.shown"
          :key="`t${i}`"
          :x="x * mirror(side)"
          :y="FLOOR - z - 6"
          text-anchor="middle"
          class="n"
        >
          {{ i + 1 }}
        </text>
      </template>
    </svg>
    <figcaption class="small muted">
      {{ words }}<br />full line: captured · dashed:
      {{ part === 'heel' ? 'neutral · thin: leg' : 'examined' }}
    </figcaption>
  </figure>
</template>

<style scoped>
.behind {
  display: grid;
  grid-template-columns: 150px 1fr;
  gap: 10px;
  align-items: center;
  margin: 6px 0 2px;
}
.behind svg {
  width: 150px;
  max-height: 130px;
}
.n {
  font-size: 7px;
}
</style>
