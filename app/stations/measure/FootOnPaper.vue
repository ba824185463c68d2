<script setup lang="ts">
import { computed } from 'vue'
import type { Side } from '../../../core/tables/vocabulary'
import type { ReadingKind } from '../../../core/kinds/readings/all'
import { HUES, mirror } from '~/drawing/footDrawing'
import type { useSole } from '~/drawing/useSole'
import type { DrawnLine } from './drawnLine'
import ReadingLines, { type LineRow } from './ReadingLines.vue'

/** One sole to scale with each reading drawn where it is taken; the one in hand stands out. */
const { side, sole, heightMm, now, rows } = defineProps<{
  side: Side
  sole: ReturnType<typeof useSole>['value']
  heightMm: number
  now: ReadingKind
  rows: LineRow[]
}>()
const hue = computed(() => HUES[side])
const m = computed(() => mirror(side))
const shift = computed(() => heightMm - sole.lengthMm)

const lines = computed<DrawnLine[]>(() => {
  const L = sole.lengthMm
  const s = sole.sole
  const y = (v: number) => L - v
  const X = (x: number) => x * m.value
  const archLength = rows.find((r) => r.what === 'archLengthMm')?.[side].summary?.mean ?? 0.73 * L
  const across = (at: number, bulge = 0) =>
    `M${X(s.lateral(at))} ${y(at)}Q0 ${y(at) + bulge} ${X(s.medial(at))} ${y(at)}`
  const ends = (at: number): [number, number][] => [
    [X(s.lateral(at)), y(at)],
    [X(s.medial(at)), y(at)],
  ]
  const heads = s.heads
  const [first, fifth] = [heads[0]!, heads[4]!]
  const widthEnds: [number, number][] = [
    [X(s.lateral(fifth.y)), y(fifth.y)],
    [X(s.medial(first.y)), y(first.y)],
  ]
  const outer = X(s.medial(0.6 * L)) + m.value * 9
  const [secondToe, secondMet] = (['secondToeLeadMm', 'secondMetLeadMm'] as const).map(
    (w) => rows.find((r) => r.what === w)?.[side].summary?.mean ?? 0,
  )
  const second = heads[1]!
  const lead = (what: ReadingKind, x: number, from: number, by: number): DrawnLine => ({
    what,
    d: `M${X(x)} ${y(from)}V${y(from + by)}m-4 0h8M${X(x) - 4} ${y(from)}h8`,
    dots: [[X(x), y(from + by)]],
    strip: [0, y(from) + 22],
  })
  return [
    {
      what: 'footLengthMm',
      d: `M${X(-60)} ${y(0)}V${y(L)}m-3 0h6M${X(-60) - 3} ${y(0)}h6`,
      dots: [[0, y(L)]],
      strip: [X(-34), y(0.92 * L)],
    },
    {
      what: 'archLengthMm',
      d: `M${outer} ${y(0)}V${y(archLength)}m-3 0h6M${outer - 3} ${y(0)}h6`,
      dots: [[X(s.medial(archLength)), y(archLength)]],
      strip: [X(16), y(0.5 * L)],
    },
    {
      what: 'forefootWidthMm',
      d: `M${widthEnds[0]!.join(' ')}L${widthEnds[1]!.join(' ')}`,
      dots: widthEnds,
      strip: [0, y(0.6 * L)],
    },
    { what: 'heelWidthMm', d: across(0.13 * L), dots: ends(0.13 * L), strip: [0, y(0.22 * L)] },
    lead('secondToeLeadMm', s.parameters.forefootWidthMm * 0.18, 0.96 * L, secondToe ?? 0),
    lead('secondMetLeadMm', second.x, second.y, secondMet ?? 0),
  ]
})
const sentence = computed(
  () =>
    `${side} foot to scale, ${rows.filter((r) => r[side].summary).length} of ${rows.length} readings taken`,
)
</script>

<template>
  <svg :viewBox="`-72 -8 144 ${heightMm + 16}`" role="img" :aria-label="sentence" class="foot">
    <g :transform="`translate(0 ${shift})`">
      <clipPath :id="`fp-${side}`"><path :d="sole.outline" /></clipPath>
      <g :clip-path="`url(#fp-${side})`" :opacity="sole.measured ? 1 : 0.4">
        <path
          v-for="(ring, i) in sole.rings"
          :key="i"
          :d="ring.d"
          :fill="ring.fill"
          :stroke="hue"
          :stroke-opacity="ring.index ? 0.75 : 0.38"
          :stroke-width="ring.index ? 0.7 : 0.5"
        />
      </g>
      <path
        :d="sole.outline"
        fill="none"
        :stroke="hue"
        stroke-width="1"
        :stroke-dasharray="sole.measured ? undefined : '3 2'"
      />
      <template v-for="ring in sole.rings" :key="ring.heightMm">
        <text
          v-if="ring.label && sole.measured"
          :x="ring.label[0]"
          :y="ring.label[1]"
          class="ring"
          :fill="hue"
          :stroke="ring.fill"
        >
          {{ ring.heightMm }}
        </text>
      </template>
      <ReadingLines :side="side" :lines="lines" :rows="rows" :now="now" />
      <text v-if="!sole.measured" x="0" :y="sole.lengthMm / 2" text-anchor="middle" class="empty">
        not measured yet
      </text>
    </g>
  </svg>
</template>

<style scoped>
.foot {
  width: 100%;
  height: 100%;
  min-height: 0;
}
.ring {
  font-size: 7px;
  font-weight: 600;
  text-anchor: middle;
  paint-order: stroke;
  stroke-width: 2.4px;
}
.empty {
  font-size: 10px;
  fill: var(--muted);
}
</style>
