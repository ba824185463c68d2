<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Side } from '../../core/tables/vocabulary'
import type { Reach } from '../../core/kinds/layers/definition'
import type { Plane } from '../../core/geometry/restingPlane'
import type { Section } from '../../core/device/section'
import { HUES, mirror } from './footDrawing'

/**
 * What can be dragged on a section, with the value it has now; each handle names the number it
 * changes.
 */
export interface SectionHandle {
  id: string
  name: string
  unit: 'mm' | '°'
  value: number
  /**
   * where the handle stands: on the top's end (rim), under the middle (thickness), beside the base
   * (angle)
   */
  at: 'innerRim' | 'outerRim' | 'under' | 'base'
}

/**
 * One cut seen from behind, to scale, with its dimensions: width, rim heights, thickness, tilt;
 * floor, block, shell, and the cast as a dashed line.
 */
const {
  side,
  section,
  coverMm = 0,
  handles = [],
  fixed = false,
  reach = null,
  floor = null,
} = defineProps<{
  side: Side
  section: Section | null
  coverMm?: number
  handles?: SectionHandle[]
  fixed?: boolean
  /** where the chosen layer acts, in the foot's frame */
  reach?: Reach | null
  /** the floor as the device stands on it, in the section's heights; level where it is not known */
  floor?: Plane | null
}>()
const emit = defineEmits<{ change: [string, number, boolean] }>()
const BASE = 46
/** a tall wall makes the drawing taller */
const top = computed(() =>
  Math.min(2, BASE - 8 - Math.max(0, ...(section?.top ?? []).map((z) => (z ?? 0) + coverMm))),
)
const widthMm = computed(() =>
  Math.max(
    104,
    34 +
      2 *
        Math.max(
          0,
          ...(section?.xMm ?? []).map((x, i) =>
            section!.cast[i] === null && section!.top[i] === null ? 0 : Math.abs(x),
          ),
        ),
  ),
)

const line = (values: (number | null)[], reverse = false): string[] => {
  const points = section!.xMm
    .map((x, i) => [x * mirror(side), values[i]] as const)
    .filter((p): p is readonly [number, number] => p[1] !== null && p[1] !== undefined)
  return (reverse ? [...points].reverse() : points).map(
    ([x, z]) => `${x.toFixed(1)} ${(BASE - z).toFixed(2)}`,
  )
}
const drawn = computed(() => {
  if (!section) return null
  const upper = line(section.top)
  const cover = line(section.top.map((z) => (z === null ? null : z + coverMm)))
  const shell = line(section.shellBottom, true)
  const bottom = line(section.bottom, true)
  const cast = line(section.cast)
  const shellLine = line(section.shellBottom)
  return {
    shell: upper.length ? `M${[...upper, ...shell].join('L')}Z` : '',
    cover: upper.length && coverMm > 0 ? `M${[...cover, ...[...upper].reverse()].join('L')}Z` : '',
    block: shellLine.length ? `M${[...shellLine, ...bottom].join('L')}Z` : '',
    cast: cast.length ? `M${cast.join('L')}` : '',
  }
})
/** The floor from one end of the drawing to the other, as the device stands on it. */
const floorLine = computed(() => {
  const end = widthMm.value / 2 - 2
  const turn = ((section?.turnDeg ?? 0) * Math.PI) / 180
  const heightAt = (x: number) => {
    if (!floor || !section) return BASE
    const along = x * mirror(side)
    const [footX, footY] = [along * Math.cos(turn), section.yMm + along * Math.sin(turn)]
    return BASE - floor.a - floor.b * footX - floor.c * footY
  }
  return `M${-end} ${heightAt(-end).toFixed(2)}L${end} ${heightAt(end).toFixed(2)}`
})
/** The part of the top that the chosen layer may change, where the cut meets it. */
const chosenPart = computed(() => {
  if (!section || !reach) return ''
  const [cos, sin] = [
    Math.cos((section.turnDeg * Math.PI) / 180),
    Math.sin((section.turnDeg * Math.PI) / 180),
  ]
  const within = (t: number) =>
    t * cos >= reach.x[0] &&
    t * cos <= reach.x[1] &&
    section.yMm + t * sin >= reach.y[0] &&
    section.yMm + t * sin <= reach.y[1]
  const points = line(section.top.map((z, i) => (within(section.xMm[i]!) ? z : null)))
  return points.length > 1 ? `M${points.join('L')}` : ''
})
/** The shell's ends and middle along the cut. */
const dims = computed(() => {
  const cells =
    section?.top
      .map((z, i) => ({ x: section.xMm[i]!, top: z, under: section.shellBottom[i]! }))
      .filter((c): c is { x: number; top: number; under: number } => c.top !== null) ?? []
  if (cells.length < 3) return null
  const [outer, inner] = [cells[0]!, cells.at(-1)!]
  const middle = cells.reduce((best, c) => (Math.abs(c.x) < Math.abs(best.x) ? c : best), cells[0]!)
  const [a, b] = [
    cells.find((c) => c.x >= outer.x + (inner.x - outer.x) * 0.35)!,
    cells.find((c) => c.x >= outer.x + (inner.x - outer.x) * 0.65)!,
  ]
  return {
    outer,
    inner,
    middle,
    width: inner.x - outer.x,
    tiltDeg: (Math.atan2(b.top - a.top, b.x - a.x) * 180) / Math.PI,
    thick: middle.top - middle.under,
    low: Math.min(...cells.map((c) => c.top)),
    high: Math.max(...cells.map((c) => c.top)),
  }
})
const spoken = computed(() => {
  if (!section || !dims.value) return `${side} section: nothing to cut`
  const { low, high, width } = dims.value
  const rims = `top ${low.toFixed(1)} to ${high.toFixed(1)} mm above the floor`
  return `${side} section ${section.yMm.toFixed(0)} mm from the heel: ${rims}, ${width.toFixed(0)} mm wide`
})
/** What stands under the drawing: where it is cut, and how high it is there. */
const cutWords = computed(() => {
  if (!section || !dims.value) return 'no shell here'
  const turned = section.turnDeg ? `, turned ${section.turnDeg}°` : ''
  const { low, high } = dims.value
  return `${section.yMm.toFixed(0)} mm from heel${turned} · ${low.toFixed(1)} – ${high.toFixed(1)} high`
})
const sizeWords = computed(() => {
  if (!dims.value) return ''
  const { width, thick, tiltDeg } = dims.value
  const tilt = `${Math.abs(tiltDeg).toFixed(1)}° ${tiltDeg >= 0 ? 'varus' : 'valgus'}`
  return `${width.toFixed(0)} wide · ${thick.toFixed(1)} thick · top ${tilt}`
})
const spot = (h: SectionHandle): [number, number] => {
  const d = dims.value!
  const m = mirror(side)
  if (h.at === 'innerRim') return [d.inner.x * m, BASE - d.inner.top - 4]
  if (h.at === 'outerRim') return [d.outer.x * m, BASE - d.outer.top - 4]
  if (h.at === 'under')
    return [d.middle.x * m, BASE - d.middle.under + (d.middle.under < 3 ? 6.5 : 4)]
  return [d.inner.x * m * 0.62, BASE + 5.5]
}
const svg = ref<SVGSVGElement | null>(null)
let from: { y: number; x: number; value: number } | null = null
function point(event: PointerEvent) {
  return new DOMPoint(event.clientX, event.clientY).matrixTransform(
    svg.value!.getScreenCTM()!.inverse(),
  )
}
function down(event: PointerEvent, h: SectionHandle) {
  if (fixed) return
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
  const p = point(event)
  from = { y: p.y, x: p.x, value: h.value }
}
function drag(event: PointerEvent, h: SectionHandle, done: boolean) {
  if (!from || !(event.currentTarget as Element).hasPointerCapture(event.pointerId)) return
  const p = point(event)
  const up = from.y - p.y
  const step = h.unit === '°' ? 1 : 0.5
  // Under the sole further down is thicker; everywhere else up is more. Two millimetres of hand are
  // one degree.
  const change = h.at === 'under' ? -up : h.unit === '°' ? up / 2 : up
  emit('change', h.id, Math.round((from.value + change) / step) * step, done)
  if (done) from = null
}
function key(event: KeyboardEvent, h: SectionHandle) {
  const by = event.key === 'ArrowUp' ? 1 : event.key === 'ArrowDown' ? -1 : 0
  if (!by || fixed) return
  event.preventDefault()
  emit('change', h.id, h.value + by * (h.unit === '°' ? 1 : 0.5), true)
}
const shown = (h: SectionHandle) => `${Number(h.value.toFixed(1))}${h.unit === '°' ? '°' : ''}`
</script>

<template>
  <svg
    ref="svg"
    :viewBox="`${-widthMm / 2} ${top} ${widthMm} ${68 - top}`"
    role="group"
    :aria-label="spoken"
    class="section"
  >
    <defs>
      <pattern
        :id="`hatch-${side}`"
        width="3"
        height="3"
        patternUnits="userSpaceOnUse"
        patternTransform="rotate(45)"
      >
        <path d="M0 0v3" stroke="#938C7B" stroke-width=".6" />
      </pattern>
    </defs>
    <path :d="floorLine" stroke="var(--ink)" stroke-width="1" />
    <template v-if="drawn">
      <path :d="drawn.block" :fill="`url(#hatch-${side})`" stroke="#938C7B" stroke-width=".4" />
      <path :d="drawn.cover" fill="#DCE8E2" stroke="#24564B" stroke-width=".3" />
      <path :d="drawn.shell" fill="#24564B" fill-opacity=".42" stroke="#24564B" stroke-width=".7" />
      <path v-if="chosenPart" :d="chosenPart" fill="none" stroke="#24564B" stroke-width="2" />
      <path
        :d="drawn.cast"
        fill="none"
        :stroke="HUES[side]"
        stroke-width=".7"
        stroke-dasharray="2.4 1.5"
      />
    </template>
    <template v-if="dims">
      <g
        v-for="h in handles"
        :key="h.id"
        class="handle"
        role="slider"
        :tabindex="fixed ? -1 : 0"
        :aria-label="`${side} dimension: ${h.name}, ${h.unit === '°' ? 'degrees' : 'mm'}`"
        :aria-valuenow="h.value"
        @pointerdown="down($event, h)"
        @pointermove="drag($event, h, false)"
        @pointerup="drag($event, h, true)"
        @keydown="key($event, h)"
      >
        <circle :cx="spot(h)[0]" :cy="spot(h)[1]" r="6.5" fill="transparent" />
        <path
          :d="`M${spot(h)[0]} ${spot(h)[1]}m-1.6 -.7l1.6 -1.7l1.6 1.7m-3.2 1.4l1.6 1.7l1.6 -1.7`"
          fill="none"
          stroke="#24564B"
          stroke-width=".8"
        />
        <text
          :x="spot(h)[0] + (spot(h)[0] < 0 ? -3 : 3)"
          :y="spot(h)[1] + 1.6"
          :text-anchor="spot(h)[0] < 0 ? 'end' : 'start'"
          class="num"
        >
          {{ shown(h) }}
          <tspan class="word" dx="1.4">{{ h.name }}</tspan>
        </text>
      </g>
    </template>
    <text :x="0" y="60" text-anchor="middle" class="word">
      {{ cutWords }}
    </text>
    <text v-if="dims" :x="0" y="65.5" text-anchor="middle" class="word">
      {{ sizeWords }}
    </text>
  </svg>
</template>

<style scoped>
.section {
  width: 100%;
  height: 100%;
  min-height: 0;
  touch-action: none;
}
.word {
  font-size: 4px;
  fill: var(--muted);
  font-weight: 400;
}
.num {
  font-size: 4.6px;
  font-weight: 700;
  fill: #24564b;
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 1.4px;
}
.handle {
  cursor: ns-resize;
}
</style>
