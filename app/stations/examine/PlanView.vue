<script setup lang="ts">
import { computed } from 'vue'
import type { Findings, FittingRecord } from '../../../core/record/schema'
import type { Side } from '../../../core/tables/vocabulary'
import { HUES, mirror } from '~/drawing/footDrawing'
import { useSole } from '~/drawing/useSole'

/** From above: the subtalar axis and where the knee goes over the toes, on the foot as measured. */
const { side, findings, record } = defineProps<{
  side: Side
  findings: Findings
  record: FittingRecord
}>()
const sole = useSole(() => record, side)
const AXIS_DEG = { medial: 28, central: 16, lateral: 6 }
const axis = computed(() => {
  const deg = findings.axisAngleDeg ?? (findings.axis ? AXIS_DEG[findings.axis] : null)
  if (deg === null) return null
  const L = sole.value.lengthMm
  const lean = Math.tan((deg * Math.PI) / 180)
  const x = (y: number) => mirror(side) * ((y - 0.12 * L) * lean - 4)
  return {
    d: `M${x(0.02 * L)} ${L * 0.98}L${x(0.9 * L)} ${L * 0.1}`,
    said: findings.axisAngleDeg !== undefined ? `${findings.axisAngleDeg}°` : findings.axis!,
  }
})
const KNEE = { inside: 0.95, first: 0.55, second: 0.15, third: -0.15, outside: -0.75 }
const knee = computed(() =>
  findings.kneeOver
    ? mirror(side) * KNEE[findings.kneeOver] * (sole.value.parameters.forefootWidthMm / 2)
    : null,
)
const sentence = computed(
  () =>
    `${side} foot from above: subtalar axis ${findings.axis ?? 'not taken'}, knee over ${findings.kneeOver ?? 'not taken'}`,
)
</script>

<template>
  <svg
    :viewBox="`-80 -12 160 ${sole.lengthMm + 20}`"
    role="img"
    :aria-label="sentence"
    class="plan"
  >
    <path
      :d="sole.outline"
      :fill="HUES[side]"
      fill-opacity=".1"
      :stroke="HUES[side]"
      stroke-width="1.3"
    />
    <g v-if="axis">
      <path :d="axis.d" stroke="var(--ink)" stroke-width="2" stroke-dasharray="8 3 2 3" />
      <text :x="0" :y="sole.lengthMm - 40" class="word" text-anchor="middle">
        axis {{ axis.said }}
      </text>
    </g>
    <g v-if="knee !== null">
      <path
        :d="`M0 ${sole.lengthMm * 0.82}L${knee} ${sole.lengthMm * 0.12}`"
        stroke="var(--spruce)"
        stroke-width="2.4"
      />
      <circle
        :cx="knee"
        :cy="sole.lengthMm * 0.12"
        r="7"
        fill="var(--sheet)"
        stroke="var(--spruce)"
        stroke-width="2"
      />
      <text :x="knee" :y="sole.lengthMm * 0.12 - 11" text-anchor="middle" class="word">knee</text>
    </g>
    <text
      v-if="!axis && knee === null"
      x="0"
      :y="sole.lengthMm / 2"
      text-anchor="middle"
      class="word"
    >
      axis and knee not taken
    </text>
  </svg>
</template>

<style scoped>
.plan {
  flex: 1;
  min-height: 0;
  width: 100%;
}
.word {
  font-size: 10px;
  fill: var(--ink);
  font-weight: 600;
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 2.6px;
}
</style>
