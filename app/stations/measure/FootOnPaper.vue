<script setup lang="ts">
import { computed } from 'vue'
import type { ReadingSummary } from '../../../core/measure/reading'
import type { ReadingKind, Side } from '../../../core/record/vocabulary'
import { HUES, mirror } from '~/drawing/footDrawing'
import type { useSole } from '~/drawing/useSole'

/** One sole to scale with each reading drawn where it is taken; the one in hand stands out. */
const { side, sole, heightMm, now, rows } = defineProps<{
  side: Side
  sole: ReturnType<typeof useSole>['value']
  heightMm: number
  now: ReadingKind
  rows: ({ what: ReadingKind; name: string } & Record<Side, { summary: ReadingSummary | null }>)[]
}>()
const hue = computed(() => HUES[side])
const m = computed(() => mirror(side))
const shift = computed(() => heightMm - sole.lengthMm)

interface Line { what: ReadingKind; d: string; dash?: string; dots: [number, number][]; label: string }
const lines = computed<Line[]>(() => {
  const L = sole.lengthMm
  const s = sole.sole
  const y = (v: number) => L - v
  const X = (x: number) => x * m.value
  const archLength = rows.find((r) => r.what === 'archLengthMm')?.[side].summary?.mean ?? 0.73 * L
  const across = (at: number, bulge = 0) => `M${X(s.lateral(at))} ${y(at)}Q0 ${y(at) + bulge} ${X(s.medial(at))} ${y(at)}`
  const ends = (at: number): [number, number][] => [[X(s.lateral(at)), y(at)], [X(s.medial(at)), y(at)]]
  const heads = s.heads
  const [first, fifth] = [heads[0]!, heads[4]!]
  const widthEnds: [number, number][] = [[X(s.lateral(fifth.y)), y(fifth.y)], [X(s.medial(first.y)), y(first.y)]]
  const outer = X(s.medial(0.6 * L)) + m.value * 9
  return [
    { what: 'footLengthMm', d: `M${X(-60)} ${y(0)}V${y(L)}m-3 0h6M${X(-60) - 3} ${y(0)}h6`, dots: [[0, y(L)]], label: 'length' },
    { what: 'archLengthMm', d: `M${outer} ${y(0)}V${y(archLength)}m-3 0h6M${outer - 3} ${y(0)}h6`, dots: [[X(s.medial(archLength)), y(archLength)]], label: 'arch' },
    { what: 'forefootWidthMm', d: `M${widthEnds[0]!.join(' ')}L${widthEnds[1]!.join(' ')}`, dots: widthEnds, label: 'width' },
    { what: 'heelWidthMm', d: across(0.13 * L), dots: ends(0.13 * L), label: 'heel' },
    { what: 'waistGirthMm', d: across(0.44 * L, 10), dash: '4 3', dots: ends(0.44 * L), label: 'waist' },
    { what: 'instepGirthMm', d: across(0.54 * L, 10), dash: '4 3', dots: ends(0.54 * L), label: 'instep' },
    { what: 'heelInstepGirthMm', d: `M${X(s.lateral(0.34 * L))} ${y(0.34 * L)}Q0 ${y(0.06 * L)} ${X(s.medial(0.34 * L))} ${y(0.34 * L)}`, dash: '4 3', dots: ends(0.34 * L), label: 'heel–instep' },
    { what: 'dorsumHeightMm', d: across(0.5 * L), dots: [[0, y(0.5 * L)]], label: 'dorsum, half length' },
    { what: 'navicularHeightMm', d: `M${X(s.medial(0.4 * L))} ${y(0.4 * L)}h${m.value * -14}`, dots: [[X(s.medial(0.4 * L)), y(0.4 * L)]], label: 'navicular' },
  ]
})
const taken = (what: ReadingKind) => rows.find((r) => r.what === what)?.[side].summary != null
const sentence = computed(() => `${side} foot to scale, ${rows.filter((r) => r[side].summary).length} of ${rows.length} readings taken`)
</script>

<template>
  <svg :viewBox="`-72 -8 144 ${heightMm + 16}`" role="img" :aria-label="sentence" class="foot">
    <g :transform="`translate(0 ${shift})`">
      <clipPath :id="`fp-${side}`"><path :d="sole.outline" /></clipPath>
      <g :clip-path="`url(#fp-${side})`" :opacity="sole.measured ? 1 : 0.4">
        <path v-for="(ring, i) in sole.rings" :key="i" :d="ring.d" :fill="ring.fill" :stroke="hue" :stroke-opacity="ring.index ? 0.75 : 0.38" :stroke-width="ring.index ? 0.7 : 0.5" />
      </g>
      <path :d="sole.outline" fill="none" :stroke="hue" stroke-width="1" :stroke-dasharray="sole.measured ? undefined : '3 2'" />
      <template v-for="ring in sole.rings" :key="ring.heightMm"><text v-if="ring.label && sole.measured" :x="ring.label[0]" :y="ring.label[1]" class="ring" :fill="hue" :stroke="ring.fill">{{ ring.heightMm }}</text></template>
      <g v-for="line in lines" :key="line.what" class="line" :class="{ now: line.what === now, ghost: !taken(line.what) && line.what !== now }">
        <path :d="line.d" fill="none" :stroke-dasharray="line.dash" />
        <circle v-for="(dot, i) in line.dots" :key="i" :cx="dot[0]" :cy="dot[1]" :r="line.what === now ? 2.6 : 1.6" :class="{ hollow: !taken(line.what) }" />
      </g>
      <text v-if="!sole.measured" x="0" :y="sole.lengthMm / 2" text-anchor="middle" class="empty">not measured yet</text>
    </g>
  </svg>
</template>

<style scoped>
.foot { width: 100%; height: 100%; min-height: 0; }
.line path { stroke: var(--ink); stroke-width: 0.8; opacity: 0.75; }
.line circle { fill: var(--ink); } .line .hollow { fill: var(--sheet); stroke: var(--ink); stroke-width: 0.7; }
.line.now path { stroke: var(--spruce); stroke-width: 1.8; opacity: 1; } .line.now circle { fill: var(--spruce); }
.ghost path { opacity: 0; } .ghost circle { opacity: 0.5; }
.ring { font-size: 7px; font-weight: 600; text-anchor: middle; paint-order: stroke; stroke-width: 2.4px; }
.empty { font-size: 10px; fill: var(--muted); }
</style>
