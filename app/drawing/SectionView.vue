<script setup lang="ts">
import { computed } from 'vue'
import type { Side } from '../../core/record/vocabulary'
import type { Section } from '../../core/device/section'
import { HUES, mirror } from './footDrawing'

/** One cut seen from behind, to scale: floor, block, shell, and the cast as a dashed line. */
const { side, section, coverMm = 0 } = defineProps<{ side: Side; section: Section | null; coverMm?: number }>()
const BASE = 46
const widthMm = computed(() => Math.max(88, 2 * Math.max(...(section?.xMm ?? [0]).map((x, i) => (section!.cast[i] === null && section!.top[i] === null ? 0 : Math.abs(x)))) + 14))

const line = (values: (number | null)[], reverse = false): string[] => {
  const points = section!.xMm.map((x, i) => [x * mirror(side), values[i]] as const).filter((p): p is readonly [number, number] => p[1] !== null && p[1] !== undefined)
  return (reverse ? [...points].reverse() : points).map(([x, z]) => `${x.toFixed(1)} ${(BASE - z).toFixed(2)}`)
}
const drawn = computed(() => {
  if (!section) return null
  const top = line(section.top)
  const cover = line(section.top.map((z) => (z === null ? null : z + coverMm)))
  const shell = line(section.shellBottom, true)
  const bottom = line(section.bottom, true)
  const cast = line(section.cast)
  const shellLine = line(section.shellBottom)
  return {
    shell: top.length ? `M${[...top, ...shell].join('L')}Z` : '',
    cover: top.length && coverMm > 0 ? `M${[...cover, ...[...top].reverse()].join('L')}Z` : '',
    block: shellLine.length ? `M${[...shellLine, ...bottom].join('L')}Z` : '',
    cast: cast.length ? `M${cast.join('L')}` : '',
  }
})
const heights = computed(() => {
  const tops = section?.top.filter((z): z is number => z !== null) ?? []
  return tops.length ? { low: Math.min(...tops), high: Math.max(...tops) } : null
})
</script>

<template>
  <svg :viewBox="`${-widthMm / 2} 8 ${widthMm} 52`" role="img" :aria-label="section && heights ? `${side} section ${section.yMm.toFixed(0)} mm from the heel: top ${heights.low.toFixed(1)} to ${heights.high.toFixed(1)} mm above the floor` : `${side} section: nothing to cut`" class="section">
    <defs><pattern :id="`hatch-${side}`" width="3" height="3" patternUnits="userSpaceOnUse" patternTransform="rotate(45)"><path d="M0 0v3" stroke="#938C7B" stroke-width=".6" /></pattern></defs>
    <path :d="`M${-widthMm / 2 + 2} ${BASE}H${widthMm / 2 - 2}`" stroke="var(--ink)" stroke-width="1" />
    <template v-if="drawn">
      <path :d="drawn.block" :fill="`url(#hatch-${side})`" stroke="#938C7B" stroke-width=".4" />
      <path :d="drawn.cover" fill="#DCE8E2" stroke="#24564B" stroke-width=".3" />
      <path :d="drawn.shell" fill="#24564B" fill-opacity=".42" stroke="#24564B" stroke-width=".7" />
      <path :d="drawn.cast" fill="none" :stroke="HUES[side]" stroke-width=".7" stroke-dasharray="2.4 1.5" />
    </template>
    <text :x="0" y="56" text-anchor="middle" class="word">{{ section && heights ? `${section.yMm.toFixed(0)} mm from heel · ${heights.low.toFixed(1)} – ${heights.high.toFixed(1)} mm high` : 'no shell here' }}</text>
  </svg>
</template>

<style scoped>
.section { width: 100%; height: 100%; min-height: 0; }
.word { font-size: 4.6px; fill: var(--muted); }
</style>
