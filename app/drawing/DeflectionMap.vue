<script setup lang="ts">
import { computed } from 'vue'
import type { ContourRing } from '../../core/device/contours'
import { twoDigits } from '../../core/mechanics/effectSteps'
import type { Side } from '../../core/tables/vocabulary'
import { drawRings, HUES, pathOf, thin, toDrawing } from './footDrawing'

/**
 * How far a shell bends under the pressure on its arch: rings in spruce within the trim line, the
 * pressed ellipse dashed, the most as a figure.
 */
const { side, lengthMm, outline, trims, rings, intervalMm, ellipse, peak, heightMm } = defineProps<{
  side: Side
  lengthMm: number
  outline: [number, number][]
  trims: [number, number][][]
  rings: ContourRing[]
  intervalMm: number
  ellipse: { x: number; y: number; rx: number; ry: number }
  peak: { xMm: number; yMm: number; mm: number }
  heightMm: number
}>()
const drawn = computed(() =>
  drawRings(side, lengthMm, rings, HUES.spruce, 0.06, 0.6, 99, intervalMm, outline),
)
const line = computed(() => pathOf(side, lengthMm, thin(outline)))
const trim = computed(() => trims.map((t) => pathOf(side, lengthMm, thin(t))).join(''))
const half = computed(() => Math.max(58, ...outline.map(([x]) => Math.abs(x) + 9)))
const middle = computed(() => toDrawing(side, lengthMm, [ellipse.x, ellipse.y]))
const top = computed(() => toDrawing(side, lengthMm, [peak.xMm, peak.yMm]))
const sentence = computed(
  () =>
    `${side} shell: bends most, ${twoDigits(peak.mm)} mm, ${peak.yMm.toFixed(0)} mm from the heel and ${Math.abs(peak.xMm).toFixed(0)} mm ${peak.xMm >= 0 ? 'inward' : 'outward'} (estimate)`,
)
</script>

<template>
  <svg
    :viewBox="`${-half} -6 ${2 * half} ${heightMm + 12}`"
    role="img"
    :aria-label="sentence"
    class="shell"
  >
    <g :transform="`translate(0 ${heightMm - lengthMm})`">
      <clipPath :id="`dm-${side}`"><path :d="trim" clip-rule="evenodd" /></clipPath>
      <path :d="line" fill="none" stroke="var(--line-strong)" stroke-width=".7" />
      <g :clip-path="`url(#dm-${side})`">
        <path
          v-for="r in drawn"
          :key="r.heightMm"
          :d="r.d"
          fill-rule="evenodd"
          :fill="r.fill"
          :stroke="HUES.spruce"
          stroke-opacity=".5"
          stroke-width=".5"
        />
      </g>
      <path :d="trim" fill="none" :stroke="HUES[side]" stroke-width="1.3" fill-rule="evenodd" />
      <ellipse
        :cx="middle[0]"
        :cy="middle[1]"
        :rx="ellipse.rx"
        :ry="ellipse.ry"
        fill="none"
        stroke="var(--ink)"
        stroke-width=".8"
        stroke-dasharray="3 2.4"
      />
      <circle :cx="top[0]" :cy="top[1]" r="1.8" fill="var(--ink)" />
      <text
        :x="top[0] + (top[0] > 0 ? -5 : 5)"
        :y="top[1] - 4"
        :text-anchor="top[0] > 0 ? 'end' : 'start'"
      >
        {{ twoDigits(peak.mm) }} mm
      </text>
    </g>
  </svg>
</template>

<style scoped>
.shell {
  width: 100%;
  height: 100%;
  min-height: 0;
}
text {
  font-size: 10px;
  font-weight: 700;
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 3px;
}
</style>
