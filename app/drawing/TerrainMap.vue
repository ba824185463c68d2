<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Side } from '../../core/record/vocabulary'
import type { Shape } from '~/workers/device.worker'
import { drawRings, HUES, pathOf, thin } from './footDrawing'

/** The device as terrain: contours in spruce within the foot's outline, the trim line, and a section line to drag. */
const { side, shape, sectionShare, heightMm, stale = false } = defineProps<{ side: Side; shape: Shape | null; sectionShare: number; heightMm: number; stale?: boolean }>()
const emit = defineEmits<{ section: [number] }>()
const svg = ref<SVGSVGElement | null>(null)
const rings = computed(() => (shape ? drawRings(side, shape.lengthMm, shape.rings, HUES.spruce, 0.05, 0.5, 5, shape.intervalMm, shape.outline) : []))
const outline = computed(() => (shape ? pathOf(side, shape.lengthMm, thin(shape.outline)) : ''))
const trim = computed(() => (shape ? pathOf(side, shape.lengthMm, thin(shape.trim)) : ''))
const y = computed(() => (shape ? shape.lengthMm * (1 - sectionShare) : 0))
const shift = computed(() => (shape ? heightMm - shape.lengthMm : 0))
const half = computed(() => (shape ? Math.max(58, ...shape.outline.map(([x]) => Math.abs(x) + 9)) : 58))
const grip = computed(() => (half.value - 7) * (side === 'left' ? 1 : -1))
const mm = computed(() => (shape ? Math.round(sectionShare * shape.lengthMm) : 0))

function drag(event: PointerEvent) {
  if (!shape || !svg.value) return
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
  move(event)
}
function move(event: PointerEvent) {
  if (!shape || !svg.value || !(event.currentTarget as Element).hasPointerCapture(event.pointerId)) return
  const matrix = svg.value.getScreenCTM()!.inverse()
  const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix)
  set((shape.lengthMm - (at.y - shift.value)) / shape.lengthMm)
}
const set = (share: number) => emit('section', Math.min(0.98, Math.max(0.03, share)))
function key(event: KeyboardEvent) {
  if (!shape) return
  const step = (event.shiftKey ? 10 : 1) / shape.lengthMm
  const by = event.key === 'ArrowUp' ? step : event.key === 'ArrowDown' ? -step : 0
  if (!by) return
  event.preventDefault()
  set(sectionShare + by)
}
</script>

<template>
  <svg ref="svg" :viewBox="`${-half} -6 ${2 * half} ${heightMm + 12}`" class="terrain" :class="{ stale }" role="group" :aria-label="shape ? `${side} device from above, contours every ${shape.intervalMm} mm` : `${side}: measure the foot length to see contours`">
    <g v-if="shape" :transform="`translate(0 ${shift})`">
      <clipPath :id="`tm-${side}`"><path :d="outline" /></clipPath>
      <g :clip-path="`url(#tm-${side})`"><path v-for="ring in rings" :key="ring.heightMm" :d="ring.d" :fill="ring.fill" stroke="#24564B" :stroke-opacity="ring.index ? 0.75 : 0.38" :stroke-width="ring.index ? 0.8 : 0.5" /></g>
      <path :d="outline" fill="none" :stroke="HUES[side]" stroke-width="0.9" />
      <path :d="trim" fill="none" stroke="#24564B" stroke-width="1.3" />
      <template v-for="ring in rings" :key="`l${ring.heightMm}`"><text v-if="ring.label" :x="ring.label[0]" :y="ring.label[1]" class="height" :stroke="ring.fill">{{ ring.heightMm }}</text></template>
      <g class="section" role="slider" tabindex="0" :aria-label="`${side} section, mm from the heel`" aria-valuemin="8" :aria-valuemax="Math.round(shape.lengthMm)" :aria-valuenow="mm" @pointerdown="drag" @pointermove="move" @keydown="key">
        <rect :x="-half" :y="y - 9" :width="2 * half" height="18" fill="transparent" />
        <path :d="`M${-half + 2} ${y}H${half - 2}`" stroke="#24564B" stroke-width="1.2" />
        <circle :cx="grip" :cy="y" r="6" fill="#FFFDF8" stroke="#24564B" stroke-width="1" />
        <path :d="`M${grip} ${y}m-2.2 -1.6l2.2 -2.2l2.2 2.2m-4.4 3.2l2.2 2.2l2.2 -2.2`" fill="none" stroke="#24564B" stroke-width=".9" />
      </g>
    </g>
    <text v-else x="0" y="120" text-anchor="middle" class="empty">measure the foot length first</text>
  </svg>
</template>

<style scoped>
.terrain { width: 100%; height: 100%; min-height: 0; touch-action: none; }
.section { cursor: ns-resize; }
.height { font-size: 7px; font-weight: 600; text-anchor: middle; fill: #24564b; paint-order: stroke; stroke-width: 2.6px; }
.empty { font-size: 9px; fill: var(--muted); }
.stale { opacity: 0.6; }
</style>
