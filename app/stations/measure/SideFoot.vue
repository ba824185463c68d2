<script setup lang="ts">
import { computed } from 'vue'
import { bestMean } from '../../../core/measure/reading'
import { sideHeights, sideOutline } from '../../../core/measure/sideOutline'
import type { Foot } from '../../../core/record/schema'
import type { Side } from '../../../core/tables/vocabulary'
import type { ReadingKind } from '../../../core/kinds/readings/all'
import { HUES, mirror } from '~/drawing/footDrawing'
import { pathOfCubics } from '~/drawing/pathOfCubics'
import type { DrawnLine } from './drawnLine'
import ReadingLines, { type LineRow } from './ReadingLines.vue'

/**
 * One foot from its inner side, to scale: heights stand where they are taken, girths as the lines
 * the tape lies on. Toes point outward.
 */
const { side, foot, rows, now, lengthMm } = defineProps<{
  side: Side
  foot: Foot
  rows: LineRow[]
  now: ReadingKind
  lengthMm: number
}>()
const hue = computed(() => HUES[side])
const measured = computed(() => bestMean(foot, 'footLengthMm', 'standing') !== undefined)
/** heights taken, usual ones where none were */
const h = computed(() => sideHeights(foot, lengthMm))
const m = computed(() => -mirror(side))
const X = (y: number) => m.value * (y - lengthMm / 2)
const Z = (z: number) => -z
/** so far over the inner ankle the leg is drawn, mm */
const LEG_MM = 62
const outline = computed(() =>
  pathOfCubics(sideOutline(h.value, h.value.medialMalleolusMm + LEG_MM), ([y, z]) => [X(y), Z(z)]),
)
const lines = computed<DrawnLine[]>(() => {
  const L = lengthMm
  const {
    dorsumMm: dorsum,
    navicularMm: navicular,
    medialMalleolusMm: medial,
    lateralMalleolusMm: lateral,
    toeMm: toe,
  } = h.value
  const up = (what: ReadingKind, y: number, z: number): DrawnLine => ({
    what,
    d: `M${X(y)} 0V${Z(z)}m-4 0h8`,
    dots: [[X(y), Z(z)]],
    strip: [
      Math.max(-88, Math.min(88, X(y) + m.value * (y > 0.34 * L ? 20 : 60))),
      Z(z) - (y > 0.34 * L ? 22 : -12),
    ],
  })
  const tape = (what: ReadingKind, from: [number, number], to: [number, number]): DrawnLine => ({
    what,
    dash: '4 3',
    d: `M${X(from[0])} ${Z(from[1])}Q${X((from[0] + to[0]) / 2) + m.value * 7} ${Z((from[1] + to[1]) / 2)} ${X(to[0])} ${Z(to[1])}`,
    dots: [
      [X(from[0]), Z(from[1])],
      [X(to[0]), Z(to[1])],
    ],
    strip: [Math.max(-88, Math.min(88, X(to[0]) + m.value * 34)), Z(to[1]) - 22],
  })
  return [
    up('dorsumHeightMm', 0.5 * L, dorsum),
    up('navicularHeightMm', 0.4 * L, navicular),
    up('medialMalleolusHeightMm', 0.24 * L, medial),
    { ...up('lateralMalleolusHeightMm', 0.17 * L, lateral), dash: '2 2' },
    {
      what: 'malleolusWidthMm',
      d: `M${X(0.16 * L)} ${Z(medial + 10)}H${X(0.3 * L)}m0 -4v8M${X(0.16 * L)} ${Z(medial + 10) - 4}v8`,
      dots: [[X(0.23 * L), Z(medial + 10)]],
      strip: [X(0.62 * L), Z(medial + 10)],
    },
    up('toeBoxHeightMm', 0.92 * L, toe),
    tape('ballGirthMm', [0.7 * L, 0], [0.72 * L, 0.5 * dorsum + 0.45 * toe]),
    tape('waistGirthMm', [0.5 * L, 0.055 * L], [0.56 * L, 0.9 * dorsum]),
    tape('instepGirthMm', [0.44 * L, 0.06 * L], [0.47 * L, 1.06 * dorsum]),
    tape('heelInstepGirthMm', [0.02 * L, 0.03 * L], [0.375 * L, medial]),
    tape('ankleGirthMm', [0.05 * L, medial + 26], [0.36 * L, medial + 26]),
    {
      what: 'calfGirthMm',
      dash: '4 3',
      d: `M${X(0.05 * L)} ${Z(medial + 56)}H${X(0.36 * L)}`,
      dots: [
        [X(0.05 * L), Z(medial + 56)],
        [X(0.36 * L), Z(medial + 56)],
      ],
      strip: [X(0.64 * L), Z(medial + 50)],
    },
  ]
})
const sentence = computed(
  () =>
    `${side} foot from its inner side, to scale, ${rows.filter((r) => r[side].summary).length} of ${rows.length} readings taken`,
)
</script>

<template>
  <svg
    :viewBox="`-146 ${-(h.medialMalleolusMm + 92)} 292 ${h.medialMalleolusMm + 112}`"
    role="img"
    :aria-label="sentence"
    class="foot"
  >
    <path d="M-148 0H148" stroke="var(--ink)" stroke-width="1" />
    <path
      :d="outline"
      :fill="hue"
      fill-opacity=".1"
      :stroke="hue"
      stroke-width="1.2"
      :stroke-dasharray="measured ? undefined : '4 3'"
    />
    <ReadingLines :side="side" :lines="lines" :rows="rows" :now="now" big />
    <text v-if="!measured" x="0" y="14" text-anchor="middle" class="empty">not measured yet</text>
    <text v-else x="0" y="14" text-anchor="middle" class="empty">
      inner side · dashed: round the foot or on the far side
    </text>
  </svg>
</template>

<style scoped>
.foot {
  width: 100%;
  height: 100%;
  min-height: 0;
}
.empty {
  font-size: 11px;
  fill: var(--muted);
}
</style>
