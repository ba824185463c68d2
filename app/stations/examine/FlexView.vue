<script setup lang="ts">
import { computed } from 'vue'
import { bootDemand } from '../../../core/examine/verdicts'
import type { FootExamination } from '../../../core/examine/examination'
import type { Norms } from '../../../core/record/tables'
import type { Side } from '../../../core/tables/vocabulary'
import { HUES } from '~/drawing/footDrawing'

/**
 * Seen from the side: how far ankle and big toe go, and what the chosen boot asks for. Angles are
 * true.
 */
const {
  side,
  exam,
  leanDeg = undefined,
  rampDeg = 0,
  limits,
} = defineProps<{
  side: Side
  exam: FootExamination
  limits: Norms['ankleDeg']
  leanDeg?: number
  rampDeg?: number
}>()
const hue = computed(() => HUES[side])
const of = (
  key: 'ankleKneeStraightDeg' | 'ankleKneeBentDeg' | 'firstToeUnloadedDeg' | 'firstToeLoadedDeg',
) => exam.angles[key]?.meanDeg ?? null
const demand = computed(() =>
  leanDeg === undefined || of('ankleKneeBentDeg') === null
    ? null
    : bootDemand(leanDeg, rampDeg, of('ankleKneeBentDeg')!, limits),
)
const ray = (deg: number, length: number) => {
  const a = (deg * Math.PI) / 180
  return `${(Math.sin(a) * length).toFixed(1)} ${(-Math.cos(a) * length).toFixed(1)}`
}
const toe = (deg: number, length: number) => {
  const a = (deg * Math.PI) / 180
  return `${(Math.cos(a) * length).toFixed(1)} ${(-Math.sin(a) * length).toFixed(1)}`
}
const sentence = computed(
  () =>
    `${side} ankle ${of('ankleKneeStraightDeg') ?? 'not taken'} knee straight, ${of('ankleKneeBentDeg') ?? 'not taken'} bent; big toe ${of('firstToeUnloadedDeg') ?? 'not taken'} unloaded, ${of('firstToeLoadedDeg') ?? 'not taken'} loaded, degrees`,
)
</script>

<template>
  <svg viewBox="-90 -124 320 184" role="img" :aria-label="sentence" class="flex">
    <path d="M-70 40H220" stroke="var(--ink)" stroke-width="1.6" />
    <path
      d="M-34 40C-44 24 -34 2 -18 -4L14 -4C40 2 78 22 112 30L112 40Z"
      :fill="hue"
      fill-opacity=".12"
      :stroke="hue"
      stroke-width="1.3"
    />
    <path d="M0 0V-112" stroke="var(--muted)" stroke-dasharray="2 4" />
    <g v-if="of('ankleKneeStraightDeg') !== null">
      <path
        :d="`M0 0L${ray(of('ankleKneeStraightDeg')!, 100)}`"
        :stroke="hue"
        stroke-width="2"
        stroke-dasharray="6 4"
      />
    </g>
    <g v-if="of('ankleKneeBentDeg') !== null">
      <path :d="`M0 0L${ray(of('ankleKneeBentDeg')!, 106)}`" :stroke="hue" stroke-width="2.4" />
    </g>
    <g v-if="demand">
      <path
        :d="`M0 0L${ray(demand.demandDeg + limits.reserve, 116)}`"
        :stroke="demand.leftDeg < 0 ? 'var(--stop)' : 'var(--good)'"
        stroke-width="1.6"
        stroke-dasharray="2 2"
      />
      <text
        x="60"
        y="-104"
        class="word big"
        :fill="demand.leftDeg < 0 ? 'var(--stop)' : 'var(--good-text)'"
      >
        boot asks {{ demand.demandDeg.toFixed(0) }}° + 3°:
        {{
          demand.leftDeg < 0
            ? `${(-demand.leftDeg).toFixed(0)}° missing`
            : `${demand.leftDeg.toFixed(0)}° left`
        }}
      </text>
    </g>
    <g transform="translate(112 36)">
      <path d="M0 0H52" stroke="var(--muted)" stroke-dasharray="2 4" />
      <path
        v-if="of('firstToeUnloadedDeg') !== null"
        :d="`M0 0L${toe(of('firstToeUnloadedDeg')!, 50)}`"
        :stroke="hue"
        stroke-width="2"
        stroke-dasharray="6 4"
      />
      <path
        v-if="of('firstToeLoadedDeg') !== null"
        :d="`M0 0L${toe(of('firstToeLoadedDeg')!, 50)}`"
        :stroke="hue"
        stroke-width="2.4"
      />
    </g>
    <text x="-84" y="-114" class="word">ankle: dashed knee straight, solid knee bent</text>
    <text x="216" y="55" text-anchor="end" class="word">
      toe: dashed in the air, solid under load
    </text>
  </svg>
</template>

<style scoped>
.flex {
  height: 124px;
  flex: none;
  width: 100%;
}
.word {
  font-size: 9.5px;
  fill: var(--muted);
}
.big {
  font-weight: 600;
  fill: currentcolor;
  font-size: 11px;
}
</style>
