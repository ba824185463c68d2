<script setup lang="ts">
import { computed } from 'vue'
import { degreesText, varusWords } from '../../../core/examine/angleSummary'
import type { FootExamination } from '../../../core/examine/examination'
import type { Side } from '../../../core/tables/vocabulary'
import { HUES, mirror } from '~/drawing/footDrawing'

/**
 * Seen from behind: heel and shin by their angles, neutral dashed and relaxed filled; in front of
 * it the forefoot's plane. True angles, no exaggeration.
 */
const { side, exam } = defineProps<{ side: Side; exam: FootExamination }>()
// From behind the left foot's medial side is at its right; tilts with + (inversion, medial side up)
// lean the top outward.
const m = computed(() => mirror(side))
const hue = computed(() => HUES[side])
const of = (key: 'rcspDeg' | 'ncspDeg' | 'tibialVarumDeg' | 'forefootDeg') =>
  exam.angles[key]?.meanDeg ?? null
const turn = (deg: number | null) => -m.value * (deg ?? 0)
const gauge = [-10, -5, 0, 5, 10]
const told = (g: number) => (g % 10 === 0 ? (g > 0 ? `+${g}` : String(g)) : '')
const said = (deg: number | null) =>
  deg === null
    ? 'not taken'
    : `${degreesText(deg)} degrees ${deg < 0 ? 'valgus or everted' : 'varus or inverted'}`
const sentence = computed(
  () =>
    `${side} heel from behind: relaxed stance ${said(of('rcspDeg'))}; neutral stance ${said(of('ncspDeg'))}; shin ${said(of('tibialVarumDeg'))}; forefoot to rearfoot ${said(of('forefootDeg'))}`,
)
</script>

<template>
  <svg viewBox="-150 2 300 254" role="img" :aria-label="sentence" class="back">
    <path d="M-130 190H130" stroke="var(--ink)" stroke-width="2.2" />
    <path d="M0 190V24" stroke="var(--muted)" stroke-dasharray="2 4" />
    <g v-for="g in gauge" :key="g" :transform="`rotate(${-m * g} 0 190)`">
      <path d="M0 22v7" stroke="var(--muted)" />
      <text x="0" y="17" text-anchor="middle" class="tick" :transform="`rotate(${m * g} 0 17)`">
        {{ told(g) }}
      </text>
    </g>
    <g
      v-if="of('tibialVarumDeg') !== null"
      :transform="`rotate(${turn(of('tibialVarumDeg'))} 0 150)`"
    >
      <path
        d="M-15 150L-17 30M15 150L17 30"
        :stroke="hue"
        stroke-width="1"
        stroke-opacity=".6"
        fill="none"
      />
      <text :x="m * -22" y="60" :text-anchor="m > 0 ? 'end' : 'start'" class="word">shin</text>
    </g>
    <g :transform="`rotate(${turn(of('rcspDeg'))} 0 190)`">
      <path
        d="M-17 96C-20 108 -24 116 -28 126C-36 144 -38 172 -30 183Q-16 191 0 191Q16 191 30 183C38 172 36 144 28 126C24 116 20 108 17 96Z"
        :fill="hue"
        fill-opacity=".15"
        :stroke="hue"
        stroke-width="1.5"
        :stroke-dasharray="of('rcspDeg') === null ? '3 2' : undefined"
      />
      <path d="M0 188V40" :stroke="hue" stroke-width="2" />
    </g>
    <g v-if="of('ncspDeg') !== null" :transform="`rotate(${turn(of('ncspDeg'))} 0 190)`">
      <path d="M0 188V40" :stroke="hue" stroke-width="1.4" stroke-dasharray="6 4" />
    </g>
    <g :transform="`translate(0 208) rotate(${turn(of('forefootDeg'))})`">
      <path
        d="M-78 0H78"
        :stroke="hue"
        stroke-width="4"
        stroke-linecap="round"
        :stroke-opacity="of('forefootDeg') === null ? 0.25 : 1"
        :stroke-dasharray="of('forefootDeg') === null ? '3 5' : undefined"
      />
      <circle
        v-for="i in 5"
        :key="i"
        :cx="-78 + (i - 1) * 39"
        cy="0"
        r="5.5"
        fill="var(--sheet)"
        :stroke="hue"
        stroke-width="1.5"
        :stroke-opacity="of('forefootDeg') === null ? 0.25 : 1"
      />
    </g>
    <text :x="m * -142" y="186" :text-anchor="m > 0 ? 'start' : 'end'" class="word">
      outer side
    </text>
    <text :x="m * 142" y="186" :text-anchor="m > 0 ? 'end' : 'start'" class="word">inner side</text>
    <text x="0" y="236" text-anchor="middle" class="word big">
      {{
        of('forefootDeg') === null
          ? 'forefoot not taken'
          : `forefoot ${varusWords(of('forefootDeg')!)}${exam.forefootMm === null ? '' : `, ${degreesText(exam.forefootMm)} mm across`}`
      }}
    </text>
    <text x="0" y="249" text-anchor="middle" class="word">
      solid: relaxed · dashed: neutral stance
    </text>
  </svg>
</template>

<style scoped>
.back {
  height: 100%;
  width: 100%;
  min-height: 0;
}
.tick {
  font-size: 9px;
  fill: var(--muted);
}
.word {
  font-size: 9.5px;
  fill: var(--muted);
}
.big {
  font-size: 11px;
  fill: var(--ink);
  font-weight: 600;
}
</style>
