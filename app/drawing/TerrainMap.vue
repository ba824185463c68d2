<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Side } from '../../core/tables/vocabulary'
import type { Shape } from '~/workers/device.worker'
import { HUES, mirror, pathOf, thin, toDrawing } from './footDrawing'

/** A round spot of a layer that can be dragged on the foot. */
export interface Spot {
  key: string
  name: string
  xMm: number
  yMm: number
  radiusMm: number
  chosen: boolean
}

/**
 * A point of the trim line that can be moved out or in: on which border, at which share of the
 * length, and how far it is now.
 */
export interface TrimPoint {
  edge: 'medial' | 'lateral'
  s: number
  mm: number
}

/**
 * The device as terrain: contours in spruce within the foot's outline, the trim line with its front
 * edge to drag, spots to drag, the reach of the chosen layer, and a section line to drag and turn.
 */
const {
  side,
  shape,
  sectionShare,
  heightMm,
  turnDeg = 0,
  frontMm = 5,
  spots = [],
  outlinePoints = null,
  reachOf = -1,
  stale = false,
  fixed = false,
  waiting = false,
  carries = [],
} = defineProps<{
  side: Side
  shape: Shape | null
  sectionShare: number
  heightMm: number
  turnDeg?: number
  frontMm?: number
  spots?: Spot[]
  outlinePoints?: TrimPoint[] | null
  reachOf?: number
  stale?: boolean
  fixed?: boolean
  waiting?: boolean
  /** places of the underside that stand on the floor, mm in the foot's frame */
  carries?: readonly (readonly [number, number])[]
}>()
/** A small mark at each place that carries. */
const standing = computed(() =>
  shape
    ? carries
        .map(([x, y]) => toDrawing(side, shape.lengthMm, [x, y]))
        .map(([x, y]) => `M${(x - 1.6).toFixed(1)} ${y.toFixed(1)}h3.2m-1.6 -1.6v3.2`)
        .join('')
    : '',
)
const emit = defineEmits<{
  section: [number]
  turn: [number]
  spot: [string, number, number, boolean]
  front: [number, boolean]
  choose: [string]
  outline: [TrimPoint, boolean]
}>()
const svg = ref<SVGSVGElement | null>(null)
const sheet = ref<SVGGElement | null>(null)
const rings = computed(() => shape?.rings ?? [])
const outline = computed(() => (shape ? pathOf(side, shape.lengthMm, thin(shape.outline)) : ''))
const trim = computed(() =>
  shape ? shape.trims.map((line) => pathOf(side, shape.lengthMm, thin(line))).join('') : '',
)
const y = computed(() => (shape ? shape.lengthMm * (1 - sectionShare) : 0))
const shift = computed(() => (shape ? heightMm - shape.lengthMm : 0))
const half = computed(() =>
  shape ? Math.max(58, ...shape.outline.map(([x]) => Math.abs(x) + 9)) : 58,
)
const outward = computed(() => (side === 'left' ? 1 : -1))
const grip = computed(() => (half.value - 7) * outward.value)
const mm = computed(() => (shape ? Math.round(sectionShare * shape.lengthMm) : 0))
/** the section line's own slope on the drawing: y down, the right foot mirrored */
const slope = computed(() => -Math.tan((turnDeg * Math.PI) / 180) * mirror(side))
const lineAt = (x: number) => y.value + slope.value * x
const placed = computed(() =>
  shape ? spots.map((s) => ({ ...s, at: toDrawing(side, shape.lengthMm, [s.xMm, s.yMm]) })) : [],
)
const box = computed(() => {
  const reach = shape?.layers.find((l) => l.index === reachOf)?.reach
  if (!reach || !shape) return null
  const [a, b] = [
    toDrawing(side, shape.lengthMm, [reach.x[0], reach.y[0]]),
    toDrawing(side, shape.lengthMm, [reach.x[1], reach.y[1]]),
  ]
  return {
    x: Math.min(a[0], b[0]),
    y: Math.min(a[1], b[1]),
    width: Math.abs(a[0] - b[0]),
    height: Math.abs(a[1] - b[1]),
  }
})
/** where the front edge can be taken hold of: on the trim line at the axis */
const front = computed(() => {
  if (!shape) return null
  const near = shape.trims[0]?.filter(([x]) => Math.abs(x) < 4).map(([, at]) => at) ?? []
  return near.length ? { yMm: Math.max(...near), behindMm: frontMm } : null
})

/**
 * Points of the trim line where it is now: the outermost of the line at that distance from the
 * heel.
 */
const trimPoints = computed(() => {
  if (!shape || !outlinePoints) return []
  return outlinePoints.flatMap((p) => {
    const near = (shape.trims[0] ?? [])
      .filter(([, y]) => Math.abs(y - p.s * shape.lengthMm) < 1.5)
      .map(([x]) => x)
    if (near.length === 0) return []
    const x = p.edge === 'medial' ? Math.max(...near) : Math.min(...near)
    return [{ ...p, x, at: toDrawing(side, shape.lengthMm, [x, p.s * shape.lengthMm]) }]
  })
})
let heldAt: { x: number; mm: number } | null = null
function pointDown(event: PointerEvent, p: TrimPoint) {
  if (fixed) return
  take(event)
  const at = footPoint(event)
  heldAt = at && { x: at[0], mm: p.mm }
}
function pointMove(event: PointerEvent, p: TrimPoint, done: boolean) {
  const at = heldAt && holds(event) && footPoint(event)
  if (!at || !heldAt) return
  const out = (at[0] - heldAt.x) * (p.edge === 'medial' ? 1 : -1)
  emit('outline', { edge: p.edge, s: p.s, mm: within(heldAt.mm + out) }, done)
  if (done) heldAt = null
}
function pointKey(event: KeyboardEvent, p: TrimPoint) {
  const right = event.key === 'ArrowRight' ? 0.5 : event.key === 'ArrowLeft' ? -0.5 : 0
  if (!right || fixed) return
  event.preventDefault()
  // To the right on the screen is medial on a left foot and lateral on a right one.
  emit(
    'outline',
    {
      edge: p.edge,
      s: p.s,
      mm: within(p.mm + right * mirror(side) * (p.edge === 'medial' ? 1 : -1)),
    },
    true,
  )
}
const within = (mm: number) => Math.round(Math.max(-8, Math.min(12, mm)) * 2) / 2

/** The pointer in the foot's frame, mm. */
function footPoint(event: PointerEvent): [number, number] | null {
  if (!shape || !sheet.value) return null
  const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(
    sheet.value.getScreenCTM()!.inverse(),
  )
  return [at.x * mirror(side), shape.lengthMm - at.y]
}
const take = (event: PointerEvent) =>
  (event.currentTarget as Element).setPointerCapture(event.pointerId)
const holds = (event: PointerEvent) =>
  (event.currentTarget as Element).hasPointerCapture(event.pointerId)
function drag(event: PointerEvent) {
  take(event)
  move(event)
}
function move(event: PointerEvent) {
  const at = holds(event) && footPoint(event)
  if (at && shape) set((at[1] - Math.tan((turnDeg * Math.PI) / 180) * at[0]) / shape.lengthMm)
}
function turn(event: PointerEvent) {
  const at = holds(event) && footPoint(event)
  if (!at || !shape) return
  const degrees =
    (Math.atan2(at[1] - sectionShare * shape.lengthMm, Math.abs(at[0])) * 180) / Math.PI
  emit('turn', Math.round(Math.max(-60, Math.min(60, degrees * Math.sign(at[0] || 1)))))
}
const set = (share: number) => emit('section', Math.min(0.98, Math.max(0.03, share)))
function key(event: KeyboardEvent) {
  if (!shape) return
  const step = (event.shiftKey ? 10 : 1) / shape.lengthMm
  const by = event.key === 'ArrowUp' ? step : event.key === 'ArrowDown' ? -step : 0
  const turned = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0
  if (!by && !turned) return
  event.preventDefault()
  if (by) set(sectionShare + by)
  else emit('turn', Math.max(-60, Math.min(60, turnDeg + turned * (event.shiftKey ? 10 : 1))))
}
const clean = (v: number) => Math.round(v * 2) / 2
function spotMove(event: PointerEvent, key: string, done: boolean) {
  const at = holds(event) && footPoint(event)
  if (at) emit('spot', key, clean(at[0]), clean(Math.max(0, at[1])), done)
}
function spotKey(event: KeyboardEvent, spot: Spot) {
  const step = event.shiftKey ? 5 : 1
  const by = {
    ArrowUp: [0, step],
    ArrowDown: [0, -step],
    ArrowLeft: [-step * mirror(side), 0],
    ArrowRight: [step * mirror(side), 0],
  }[event.key]
  if (!by || fixed) return
  event.preventDefault()
  emit('spot', spot.key, spot.xMm + by[0]!, Math.max(0, spot.yMm + by[1]!), true)
}
function frontMove(event: PointerEvent, done: boolean) {
  const at = holds(event) && footPoint(event)
  if (at && shape)
    emit('front', Math.round(Math.max(-20, Math.min(60, shape.marks.headsY - at[1]))), done)
}
function frontKey(event: KeyboardEvent) {
  const by = event.key === 'ArrowUp' ? -1 : event.key === 'ArrowDown' ? 1 : 0
  if (!by || !front.value || fixed) return
  event.preventDefault()
  emit('front', Math.round(Math.max(-20, Math.min(60, front.value.behindMm + by))), true)
}
</script>

<template>
  <svg
    ref="svg"
    :viewBox="`${-half} -6 ${2 * half} ${heightMm + 12}`"
    class="terrain"
    :class="{ stale }"
    role="group"
    :aria-label="
      shape
        ? `${side} device from above, contours every ${shape.intervalMm} mm`
        : `${side}: measure the foot length to see contours`
    "
  >
    <g v-if="shape" ref="sheet" :transform="`translate(0 ${shift})`">
      <clipPath :id="`tm-${side}`"><path :d="outline" /></clipPath>
      <g :clip-path="`url(#tm-${side})`">
        <path
          v-for="ring in rings"
          :key="ring.heightMm"
          :d="ring.d"
          :fill="ring.fill"
          stroke="#24564B"
          :stroke-opacity="ring.index ? 0.75 : 0.38"
          :stroke-width="ring.index ? 0.8 : 0.5"
        />
        <rect
          v-if="box"
          v-bind="box"
          fill="none"
          stroke="#24564B"
          stroke-width="1"
          stroke-dasharray="3 2"
        />
      </g>
      <path :d="outline" fill="none" :stroke="HUES[side]" stroke-width="0.9" />
      <path :d="trim" fill="none" stroke="#24564B" stroke-width="1.3" />
      <template v-for="ring in rings" :key="`l${ring.heightMm}`">
        <text
          v-if="ring.label"
          :x="ring.label[0]"
          :y="ring.label[1]"
          class="height"
          :stroke="ring.fill"
        >
          {{ ring.heightMm }}
        </text>
      </template>
      <path v-if="standing" :d="standing" class="standing" />
      <g
        v-if="front"
        class="front"
        role="slider"
        :tabindex="fixed ? -1 : 0"
        :aria-label="`${side} front edge, mm behind the heads`"
        aria-valuemin="-20"
        aria-valuemax="60"
        :aria-valuenow="Math.round(front.behindMm)"
        @pointerdown="!fixed && take($event)"
        @pointermove="frontMove($event, false)"
        @pointerup="frontMove($event, true)"
        @keydown="frontKey"
      >
        <circle :cx="0" :cy="shape.lengthMm - front.yMm" r="11" fill="transparent" />
        <path
          :d="`M-5 ${shape.lengthMm - front.yMm}h10m-7.4 -2.6l2.4 -2.4l2.4 2.4m-4.8 5.2l2.4 2.4l2.4 -2.4`"
          fill="none"
          stroke="#24564B"
          stroke-width="1.1"
        />
      </g>
      <g
        class="section"
        role="slider"
        tabindex="0"
        :aria-label="`${side} section, mm from the heel`"
        aria-valuemin="8"
        :aria-valuemax="Math.round(shape.lengthMm)"
        :aria-valuenow="mm"
        @pointerdown="drag"
        @pointermove="move"
        @keydown="key"
      >
        <path
          :d="`M${-half} ${lineAt(-half)}L${half} ${lineAt(half)}`"
          stroke="transparent"
          stroke-width="18"
        />
        <path
          :d="`M${-half + 2} ${lineAt(-half + 2)}L${half - 2} ${lineAt(half - 2)}`"
          stroke="#24564B"
          stroke-width="1.2"
        />
        <circle
          :cx="grip"
          :cy="lineAt(grip)"
          r="6"
          fill="#FFFDF8"
          stroke="#24564B"
          stroke-width="1"
        />
        <path
          :d="`M${grip} ${lineAt(grip)}m-2.2 -1.6l2.2 -2.2l2.2 2.2m-4.4 3.2l2.2 2.2l2.2 -2.2`"
          fill="none"
          stroke="#24564B"
          stroke-width=".9"
        />
      </g>
      <g class="turn" aria-hidden="true" @pointerdown="take" @pointermove="turn">
        <circle :cx="-grip" :cy="lineAt(-grip)" r="9" fill="transparent" />
        <circle
          :cx="-grip"
          :cy="lineAt(-grip)"
          r="4"
          fill="#FFFDF8"
          stroke="#24564B"
          stroke-width="1"
        />
        <path
          :d="`M${-grip - 2} ${lineAt(-grip) + 1}a2.2 2.2 0 1 1 3.4 .8`"
          fill="none"
          stroke="#24564B"
          stroke-width=".8"
        />
      </g>
      <g
        v-for="p in trimPoints"
        :key="p.edge + p.s"
        class="front2"
        role="slider"
        :tabindex="fixed ? -1 : 0"
        :aria-label="`${side} trim line, ${p.edge} at ${Math.round(p.s * 100)} per cent, mm moved out`"
        aria-valuemin="-8"
        aria-valuemax="12"
        :aria-valuenow="p.mm"
        @pointerdown="pointDown($event, p)"
        @pointermove="pointMove($event, p, false)"
        @pointerup="pointMove($event, p, true)"
        @keydown="pointKey($event, p)"
      >
        <circle :cx="p.at[0]" :cy="p.at[1]" r="9" fill="transparent" />
        <circle
          :cx="p.at[0]"
          :cy="p.at[1]"
          r="2.6"
          :fill="p.mm ? '#24564B' : '#FFFDF8'"
          stroke="#24564B"
          stroke-width="1.1"
        />
        <text
          v-if="p.mm"
          :x="p.at[0] + (p.at[0] < 0 ? -5 : 5)"
          :y="p.at[1] + 2.4"
          :text-anchor="p.at[0] < 0 ? 'end' : 'start'"
          class="moved"
        >
          {{ p.mm > 0 ? '+' : '−' }}{{ Math.abs(p.mm) }}
        </text>
      </g>
      <g
        v-for="spot in placed"
        :key="spot.key"
        class="spot"
        role="button"
        :tabindex="fixed ? -1 : 0"
        :aria-label="`${side} ${spot.name} at ${spot.xMm} mm, ${spot.yMm} mm from the heel. Arrow keys move it.`"
        @pointerdown="!fixed && (take($event), emit('choose', spot.key))"
        @pointermove="spotMove($event, spot.key, false)"
        @pointerup="spotMove($event, spot.key, true)"
        @keydown="spotKey($event, spot)"
      >
        <circle
          :cx="spot.at[0]"
          :cy="spot.at[1]"
          :r="Math.max(10, spot.radiusMm)"
          fill="#fffdf8"
          fill-opacity=".25"
          :stroke="'#24564B'"
          :stroke-width="spot.chosen ? 2 : 1"
        />
        <path
          :d="`M${spot.at[0] - 4} ${spot.at[1]}h8M${spot.at[0]} ${spot.at[1] - 4}v8`"
          stroke="#24564B"
          stroke-width="1"
        />
      </g>
    </g>
    <text v-else x="0" y="120" text-anchor="middle" class="empty">
      {{ waiting ? 'drawing …' : 'measure the foot length first' }}
    </text>
  </svg>
</template>

<style scoped>
.standing {
  fill: none;
  stroke: var(--ink);
  stroke-width: 0.9;
}
.terrain {
  width: 100%;
  height: 100%;
  min-height: 0;
  touch-action: none;
}
.section,
.front {
  cursor: ns-resize;
}
.spot {
  cursor: grab;
}
.front2 {
  cursor: ew-resize;
}
.moved {
  font-size: 7px;
  font-weight: 700;
  fill: #24564b;
  paint-order: stroke;
  stroke: #fffdf8;
  stroke-width: 2px;
}
.turn {
  cursor: crosshair;
}
.height {
  font-size: 7px;
  font-weight: 600;
  text-anchor: middle;
  fill: #24564b;
  paint-order: stroke;
  stroke-width: 2.6px;
}
.empty {
  font-size: 9px;
  fill: var(--muted);
}
.stale {
  opacity: 0.6;
}
</style>
