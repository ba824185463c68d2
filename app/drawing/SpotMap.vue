<script setup lang="ts">
import { computed, ref } from 'vue'
import { sideHeights, sideOutline } from '../../core/measure/sideOutline'
import { SIDES, type MARK_VIEWS, type Side } from '../../core/tables/vocabulary'
import { HUES, mirror } from './footDrawing'
import { pathOfCubics } from './pathOfCubics'
import { useSole } from './useSole'
import { useFitting } from '~/stores/fitting'

/** A spot on the skin as it is drawn. */
export interface Spot {
  side: Side
  /** its place in the list it comes from */
  index: number
  xMm: number
  yMm: number
  sizeMm: number
  glyph: string
  words: string
  bad?: boolean
}

/**
 * Both feet in one view; a tap places a spot, arrow keys move it, Enter sets it. Coordinates are of
 * the foot's own frame, x medial +.
 */
const {
  view,
  spots,
  at,
  feet = SIDES,
  noun = 'spots',
} = defineProps<{
  view: (typeof MARK_VIEWS)[number]
  spots: readonly Spot[]
  at: { side: Side; index: number } | null
  feet?: readonly Side[]
  noun?: string
}>()
const emit = defineEmits<{ place: [Side, number, number]; choose: [Side, number] }>()
const fitting = useFitting()
const soles = {
  left: useSole(() => fitting.record, 'left'),
  right: useSole(() => fitting.record, 'right'),
}
const fromAbove = computed(() => view === 'plantar' || view === 'dorsal')
const marks = (side: Side) => spots.filter((s) => s.side === side)
const height = (side: Side) =>
  sideHeights(fitting.record.feet[side]!, soles[side].value.lengthMm).dorsumMm
/** From above x runs across; from the side x is the height above the floor. */
const drawn = (side: Side, mark: Pick<Spot, 'xMm' | 'yMm'>) => {
  const L = soles[side].value.lengthMm
  return fromAbove.value
    ? { x: mirror(side) * mark.xMm, y: L - mark.yMm }
    : { x: -mirror(side) * (mark.yMm - L / 2), y: -mark.xMm }
}
/** The side view goes up the leg by so many heights of the dorsum. */
const LEG_HEIGHTS = 1.9
const profile = (side: Side) => {
  const L = soles[side].value.lengthMm
  const heights = sideHeights(fitting.record.feet[side]!, L)
  return pathOfCubics(sideOutline(heights, LEG_HEIGHTS * heights.dorsumMm), ([y, z]) => [
    -mirror(side) * (y - L / 2),
    -z,
  ])
}
const box = (side: Side) => {
  const L = soles[side].value.lengthMm
  return fromAbove.value
    ? `-66 -8 132 ${L + 16}`
    : `${-L / 2 - 16} ${-2 * height(side) - 8} ${L + 32} ${2 * height(side) + 24}`
}
const cursor = ref<Record<Side, { x: number; y: number } | null>>({ left: null, right: null })
function tap(side: Side, event: MouseEvent) {
  const svg = event.currentTarget as SVGSVGElement
  const p = new DOMPoint(event.clientX, event.clientY).matrixTransform(
    svg.getScreenCTM()!.inverse(),
  )
  const L = soles[side].value.lengthMm
  const [xMm, yMm] = fromAbove.value
    ? [mirror(side) * p.x, L - p.y]
    : [-p.y, -mirror(side) * p.x + L / 2]
  emit('place', side, Math.round(xMm), Math.round(yMm))
}
function key(side: Side, event: KeyboardEvent) {
  const L = soles[side].value.lengthMm
  const now = cursor.value[side] ?? { x: fromAbove.value ? 0 : 30, y: Math.round(L / 2) }
  const step = event.shiftKey ? 10 : 2
  const across = fromAbove.value ? mirror(side) : -mirror(side)
  const moves: Record<string, [number, number]> = fromAbove.value
    ? {
        ArrowUp: [0, step],
        ArrowDown: [0, -step],
        ArrowLeft: [-across * step, 0],
        ArrowRight: [across * step, 0],
      }
    : {
        ArrowUp: [step, 0],
        ArrowDown: [-step, 0],
        ArrowLeft: [0, -across * step],
        ArrowRight: [0, across * step],
      }
  const move = moves[event.key]
  if (event.key === 'Enter' || event.key === ' ') {
    event.preventDefault()
    emit('place', side, now.x, now.y)
  } else if (move) {
    event.preventDefault()
    cursor.value[side] = { x: now.x + move[0], y: now.y + move[1] }
  }
}
</script>

<template>
  <div class="maps" :class="{ side: !fromAbove }">
    <svg
      v-for="s in feet"
      :key="s"
      :viewBox="box(s)"
      tabindex="0"
      role="application"
      :aria-label="`${s} foot, ${view}: ${marks(s).length} ${noun}. Arrow keys move the pointer, Enter places one.`"
      @click="tap(s, $event)"
      @keydown="key(s, $event)"
      @blur="cursor[s] = null"
    >
      <template v-if="fromAbove">
        <clipPath :id="`spots-${s}`"><path :d="soles[s].value.outline" /></clipPath>
        <g :clip-path="`url(#spots-${s})`" :opacity="view === 'plantar' ? 0.85 : 0.25">
          <path v-for="(ring, i) in soles[s].value.rings" :key="i" :d="ring.d" :fill="ring.fill" />
        </g>
        <path :d="soles[s].value.outline" fill="none" :stroke="HUES[s]" stroke-width="1.3" />
      </template>
      <template v-else>
        <path
          :d="profile(s)"
          :fill="HUES[s]"
          fill-opacity=".1"
          :stroke="HUES[s]"
          stroke-width="1.3"
        />
        <path
          :d="`M${-soles[s].value.lengthMm / 2 - 10} 0H${soles[s].value.lengthMm / 2 + 10}`"
          stroke="var(--ink)"
        />
      </template>
      <g
        v-for="mark in marks(s)"
        :key="mark.index"
        role="button"
        tabindex="0"
        class="mark"
        :class="{ on: at?.side === s && at.index === mark.index, bad: mark.bad }"
        :aria-label="mark.words"
        @click.stop="emit('choose', s, mark.index)"
        @keydown.enter.stop="emit('choose', s, mark.index)"
      >
        <circle
          :cx="drawn(s, mark).x"
          :cy="drawn(s, mark).y"
          :r="Math.max(3, mark.sizeMm / 2)"
          class="size"
        />
        <circle :cx="drawn(s, mark).x" :cy="drawn(s, mark).y" r="7" class="disc" />
        <text :x="drawn(s, mark).x" :y="drawn(s, mark).y + 3" text-anchor="middle">
          {{ mark.glyph }}
        </text>
      </g>
      <path
        v-if="cursor[s]"
        :transform="`translate(${drawn(s, { xMm: cursor[s]!.x, yMm: cursor[s]!.y }).x} ${drawn(s, { xMm: cursor[s]!.x, yMm: cursor[s]!.y }).y})`"
        d="M-9 0H9M0 -9V9"
        stroke="var(--spruce)"
        stroke-width="1.6"
      />
      <text
        :x="fromAbove ? (s === 'left' ? -62 : 62) : -soles[s].value.lengthMm / 2"
        :y="fromAbove ? 4 : -2 * height(s) + 4"
        :text-anchor="fromAbove && s === 'right' ? 'end' : 'start'"
        class="name"
        :fill="HUES[s]"
      >
        {{ s === 'left' ? 'Left' : 'Right' }}
      </text>
    </svg>
  </div>
</template>

<style scoped>
.maps {
  display: flex;
  justify-content: center;
  gap: 18px;
  min-height: 0;
  height: 100%;
  padding: 6px;
}
.maps.side {
  flex-direction: column;
}
svg {
  flex: 1;
  min-height: 0;
  min-width: 0;
  max-height: 100%;
  cursor: crosshair;
  border-radius: 6px;
}
.size {
  fill: var(--watch);
  fill-opacity: 0.18;
  stroke: var(--watch);
  stroke-width: 0.6;
  stroke-dasharray: 2 1.4;
}
.disc {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 0.9;
}
.on .disc {
  fill: var(--wash);
  stroke: var(--spruce);
  stroke-width: 2;
}
.bad .disc {
  stroke: var(--stop);
  fill: var(--stop-tint);
}
.mark text {
  font-size: 8.5px;
  font-weight: 700;
  fill: var(--ink);
}
.mark {
  cursor: pointer;
}
.name {
  font-size: 11px;
  font-weight: 600;
}
</style>
