<script setup lang="ts">
import { computed } from 'vue'
import type { ReadingSummary } from '../../../core/measure/reading'
import type { Side } from '../../../core/tables/vocabulary'
import type { ReadingKind } from '../../../core/kinds/readings/all'
import { useHand } from '~/stores/hand'
import type { DrawnLine } from './drawnLine'

/**
 * Readings drawn where they are taken; the one in hand or under the pointer stands out, with its
 * trials ten times as far apart.
 */
export type LineRow = { what: ReadingKind; name: string } & Record<
  Side,
  { summary: ReadingSummary | null; trials: number[]; struck: number[] }
>
const {
  side,
  lines,
  rows,
  now,
  big = false,
} = defineProps<{
  side: Side
  lines: DrawnLine[]
  rows: LineRow[]
  now: ReadingKind
  big?: boolean
}>()
const hand = useHand()
const TIMES = 10
const HALF_MM = 26
const shown = computed(() => lines.filter((l) => rows.some((r) => r.what === l.what)))
const of = (what: ReadingKind) => rows.find((r) => r.what === what)![side]
const hot = computed(() => hand.hot ?? now)
const strip = computed(() => {
  const line = shown.value.find((l) => l.what === hot.value)
  const row = line && of(line.what)
  if (!line || !row?.summary) return null
  const at = (v: number) => Math.max(-HALF_MM, Math.min(HALF_MM, (v - row.summary!.mean) * TIMES))
  const kept = row.trials.filter((_, i) => !row.struck.includes(i)).map(at)
  return {
    x: line.strip[0],
    y: line.strip[1],
    dots: row.trials.map((v, i) => ({ x: at(v), out: row.struck.includes(i) })),
    from: Math.min(...kept),
    to: Math.max(...kept),
    mean: row.summary.mean,
    repeat: row.summary.repeat,
  }
})
</script>

<template>
  <g>
    <g
      v-for="line in shown"
      :key="line.what"
      class="line"
      :class="{ now: line.what === hot, ghost: !of(line.what).summary && line.what !== hot }"
      @pointerenter="hand.hot = line.what"
      @pointerleave="hand.hot = null"
      @click="hand.what = line.what"
    >
      <path :d="line.d" fill="none" class="grip" />
      <path :d="line.d" fill="none" class="seen" :stroke-dasharray="line.dash" />
      <circle
        v-for="(dot, i) in line.dots"
        :key="i"
        :cx="dot[0]"
        :cy="dot[1]"
        :r="line.what === hot ? 2.6 : 1.6"
        :class="{ hollow: !of(line.what).summary }"
      />
    </g>
    <g
      v-if="strip"
      :transform="`translate(${strip.x} ${strip.y}) scale(${big ? 1.5 : 1})`"
      class="strip"
    >
      <rect x="-36" y="-13" width="72" height="23" rx="2" />
      <path d="M-32 1H32" class="axis" /><path d="M0 -3V5" class="axis" />
      <path
        v-if="strip.to > strip.from"
        :d="`M${strip.from} 1H${strip.to}`"
        class="bar"
        :class="{ repeat: strip.repeat }"
      />
      <circle
        v-for="(dot, i) in strip.dots"
        :key="i"
        :cx="dot.x"
        cy="1"
        r="1.9"
        :class="{ out: dot.out }"
      />
      <text x="-33" y="-5">{{ strip.mean.toFixed(1) }} mm</text
      ><text x="33" y="-5" text-anchor="end">tries ×{{ TIMES }}</text>
    </g>
  </g>
</template>

<style scoped>
.line .seen {
  stroke: var(--ink);
  stroke-width: 0.8;
  opacity: 0.75;
}
.line {
  cursor: pointer;
}
.line .grip {
  stroke: transparent;
  stroke-width: 9;
  opacity: 1;
}
.line circle {
  fill: var(--ink);
}
.line .hollow {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 0.7;
}
.line.now .seen {
  stroke: var(--spruce);
  stroke-width: 1.8;
  opacity: 1;
}
.line.now circle {
  fill: var(--spruce);
}
.line.now .hollow {
  fill: var(--sheet);
  stroke: var(--spruce);
}
.ghost .seen {
  opacity: 0;
}
.ghost circle {
  opacity: 0.5;
}
.strip rect {
  fill: var(--sheet);
  stroke: var(--hairline);
  stroke-width: 0.6;
}
.strip .axis {
  stroke: var(--line-strong);
  stroke-width: 0.5;
}
.strip .bar {
  stroke: var(--spruce);
  stroke-width: 1.6;
}
.strip .bar.repeat {
  stroke: var(--watch);
}
.strip circle {
  fill: var(--spruce);
}
.strip .out {
  fill: none;
  stroke: var(--muted);
  stroke-width: 0.6;
}
.strip text {
  font-size: 6.4px;
  fill: var(--ink);
  font-weight: 600;
}
.strip text:last-child {
  font-weight: 400;
  fill: var(--muted);
}
</style>
