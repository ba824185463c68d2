<script setup lang="ts">
import { contours } from 'd3-contour'
import { computed } from 'vue'
import { CONTACT_KPA, type FootprintReading } from '../../../core/measure/footprint'
import type { Footprint } from '../../../core/record/footprintSchema'
import type { Side } from '../../../core/tables/vocabulary'
import { HUES, mirror, tint } from '~/drawing/footDrawing'

/**
 * A pressure grid as terrain: contours in the side's hue, the thirds of the arch index, the toe
 * line, the centre of pressure.
 */
const { side, print, reading } = defineProps<{
  side: Side
  print: Footprint
  reading: FootprintReading
}>()
const columns = computed(() => print.kPa[0]!.length)
const rows = computed(() => print.kPa.length)
/** Levels from contact to the peak: 10, 25, 50, 100 … each about twice the last. */
const LEVELS = [CONTACT_KPA, 25, 50, 75, 100, 150, 200, 300, 450, 700]
const rings = computed(() => {
  const levels = LEVELS.filter((l) => l < reading.peakKPa)
  return contours()
    .size([columns.value, rows.value])
    .thresholds(levels)(print.kPa.flat())
    .map((c, i) => ({
      d: c.coordinates
        .map((poly) =>
          poly
            .map(
              (ring) => `M${ring.map(([x, y]) => `${x!.toFixed(2)} ${y!.toFixed(2)}`).join('L')}Z`,
            )
            .join(''),
        )
        .join(''),
      fill: tint(HUES[side], i + 1, levels.length + 1, 0.08, 0.85),
      level: levels[i]!,
    }))
})
/** Rear edge and middle of the contact, in cells. */
const frame = computed(() => {
  let [rear, sum, count] = [0, 0, 0]
  print.kPa.forEach((row, r) =>
    row.forEach((v, c) => {
      if (v < CONTACT_KPA) return
      rear = Math.max(rear, r + 1)
      sum += c + 0.5
      count++
    }),
  )
  return { rear, middle: sum / count }
})
const Y = (mm: number) => frame.value.rear - mm / print.cellMm
const X = (mm: number) => frame.value.middle + (mirror(side) * mm) / print.cellMm
const thirds = computed(() => [1, 2].map((i) => Y((reading.toeLineMm * i) / 3)))
</script>

<template>
  <svg
    :viewBox="`-1 -1 ${columns + 2} ${rows + 2}`"
    role="img"
    :aria-label="`${side} footprint: arch index ${reading.archIndex.toFixed(3)}, contours at ${rings.map((r) => r.level).join(', ')} kPa`"
  >
    <path
      v-for="ring in rings"
      :key="ring.level"
      :d="ring.d"
      :fill="ring.fill"
      :stroke="HUES[side]"
      stroke-width=".12"
      stroke-opacity=".6"
    />
    <path
      v-for="y in thirds"
      :key="y"
      :d="`M0 ${y}H${columns}`"
      stroke="var(--ink)"
      stroke-width=".14"
      stroke-dasharray=".8 .5"
    />
    <path :d="`M0 ${Y(reading.toeLineMm)}H${columns}`" stroke="var(--spruce)" stroke-width=".3" />
    <g
      :transform="`translate(${X(reading.centreOfPressureMm[0])} ${Y(reading.centreOfPressureMm[1])})`"
      stroke="var(--ink)"
      stroke-width=".25"
    >
      <circle r="1" fill="var(--sheet)" fill-opacity=".8" />
      <path d="M-1.6 0H1.6M0 -1.6V1.6" />
    </g>
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  max-height: 330px;
  background: var(--paper);
  border-radius: 6px;
}
</style>
