<script setup lang="ts">
import { computed, ref } from 'vue'
import type { CaptureCheck } from '../../core/capture/quality/captureChecks'
import type { LandmarkName } from '../../core/capture/foot/landmarks'
import type { Side } from '../../core/tables/vocabulary'
import type { Analysis } from '~/workers/scan.worker'
import { drawRings, HUES, mirror, pathOf, thin, toDrawing } from './footDrawing'

/**
 * A captured sole as terrain: contours, what the checks looked at where it is, and landmarks to
 * drag; arrow keys move them by 1 mm.
 */
const {
  side,
  analysis,
  heightMm,
  movedNames,
  readOnly = false,
} = defineProps<{
  side: Side
  analysis: Analysis
  heightMm: number
  movedNames: readonly string[]
  readOnly?: boolean
}>()
const emit = defineEmits<{ move: [LandmarkName, number, number] }>()
const svg = ref<SVGSVGElement | null>(null)
const held = ref<{ name: LandmarkName; x: number; y: number } | null>(null)
const SHOWN: Partial<Record<LandmarkName, string>> = {
  heel: 'Heel point',
  firstMetHead: 'First met head',
  fifthMetHead: 'Fifth met head',
  archApex: 'Arch apex',
  toe1: 'Tip of great toe',
  toe2: 'Tip of second toe',
  lateralBorder: 'Outer border',
}
const L = computed(() => analysis.lengthMm)
const main = computed(() => [...analysis.outline].sort((a, b) => b.length - a.length)[0] ?? [])
const outline = computed(() =>
  analysis.outline
    .filter((r) => r.length > 8)
    .map((r) => pathOf(side, L.value, thin(r)))
    .join(''),
)
const rings = computed(() =>
  drawRings(side, L.value, analysis.rings, HUES[side], 0.04, 0.46, 4, 1.5, main.value),
)
const shift = computed(() => heightMm - L.value)
const at = (x: number, y: number) => toDrawing(side, L.value, [x, y])
const marks = computed(() =>
  (Object.keys(SHOWN) as LandmarkName[]).flatMap((name) => {
    const p =
      held.value?.name === name ? ([held.value.x, held.value.y] as const) : analysis.landmarks[name]
    if (!p) return []
    const [cx, cy] = at(p[0], p[1])
    return [
      { name, label: SHOWN[name]!, cx, cy, x: p[0], y: p[1], moved: movedNames.includes(name) },
    ]
  }),
)
function spoken(m: { label: string; x: number; y: number; moved: boolean }): string {
  const across = `${Math.abs(m.x).toFixed(0)} mm ${m.x >= 0 ? 'inward' : 'outward'}`
  const moved = m.moved ? ', moved by hand' : ''
  return `${m.label}, ${side}: ${m.y.toFixed(0)} mm from the heel, ${across}${moved}. Arrow keys move it.`
}
/** The line from the first to the fifth met head. */
const metHeads = computed(() => {
  const { firstMetHead, fifthMetHead } = analysis.landmarks
  return firstMetHead && fifthMetHead
    ? `M${at(firstMetHead[0], firstMetHead[1])}L${at(fifthMetHead[0], fifthMetHead[1])}`
    : ''
})
const bad = computed(() => analysis.checks.filter((c) => c.verdict !== 'good'))
const border = computed(() =>
  analysis.border.map(([x, y]) =>
    at(x, y)
      .map((v) => v.toFixed(1))
      .join(' '),
  ),
)
const chord = computed(() =>
  border.value.length ? `M${border.value[0]}L${border.value.at(-1)}` : '',
)
const NAMES: Record<CaptureCheck['code'], string> = {
  heelUpright: 'heel',
  midfootLocked: 'border',
  forefootAngle: 'forefoot',
  firstRay: 'first ray',
  toes: 'toes',
  fingerDents: 'dent',
  levelHeelBall: 'level',
  archHeight: 'arch',
  coverage: 'gap',
}
function tag(c: CaptureCheck): string {
  if (c.code === 'coverage') return `${NAMES.coverage} ${c.value.toFixed(0)} %`
  const sign = c.value > 0 ? '+' : '−'
  const unit = c.unit === 'deg' ? '°' : ' mm'
  return `${NAMES[c.code]} ${sign}${Math.abs(c.value).toFixed(1)}${unit}`
}
/** Labels of what is wrong keep apart, from top to bottom. */
const tags = computed(() => {
  let last = -99
  return bad.value
    .filter((c) => c.at)
    .map((c) => ({ c, p: at(c.at![0], c.at![1]) }))
    .sort((a, b) => a.p[1] - b.p[1])
    .map(({ c, p }) => {
      const y = Math.max(p[1], last + 11)
      last = y
      return { c, p, y }
    })
})
function place(event: PointerEvent): [number, number] {
  const q = new DOMPoint(event.clientX, event.clientY).matrixTransform(
    svg.value!.getScreenCTM()!.inverse(),
  )
  return [q.x * mirror(side), L.value - (q.y - shift.value)]
}
function down(event: PointerEvent, name: LandmarkName) {
  if (readOnly) return
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
  const [x, y] = place(event)
  held.value = { name, x, y }
}
function drag(event: PointerEvent) {
  if (!held.value) return
  const [x, y] = place(event)
  held.value = { ...held.value, x, y }
}
function up() {
  if (!held.value) return
  emit('move', held.value.name, held.value.x, held.value.y)
  held.value = null
}
function key(event: KeyboardEvent, m: { name: LandmarkName; x: number; y: number }) {
  const step = event.shiftKey ? 10 : 1
  const by = {
    ArrowUp: [0, step],
    ArrowDown: [0, -step],
    ArrowLeft: [-step * mirror(side), 0],
    ArrowRight: [step * mirror(side), 0],
  }[event.key]
  if (!by || readOnly) return
  event.preventDefault()
  emit('move', m.name, m.x + by[0]!, m.y + by[1]!)
}
</script>

<template>
  <svg
    ref="svg"
    :viewBox="`-66 -8 132 ${heightMm + 16}`"
    role="group"
    :aria-label="`${side} captured sole, contours every 1.5 mm`"
    class="sole"
  >
    <g :transform="`translate(0 ${shift})`">
      <clipPath :id="`cs-${side}`"><path :d="outline" clip-rule="evenodd" /></clipPath>
      <g :clip-path="`url(#cs-${side})`">
        <path
          v-for="ring in rings"
          :key="ring.heightMm"
          :d="ring.d"
          fill-rule="evenodd"
          :fill="ring.fill"
          :stroke="HUES[side]"
          :stroke-opacity="ring.index ? 0.75 : 0.36"
          :stroke-width="ring.index ? 0.8 : 0.45"
        />
      </g>
      <path :d="outline" fill="none" :stroke="HUES[side]" stroke-width="1.1" />
      <path
        v-if="border.length"
        :d="`M${border.join('L')}`"
        fill="none"
        stroke="var(--ink)"
        stroke-width="1"
      />
      <path
        v-if="chord"
        :d="chord"
        fill="none"
        stroke="var(--ink)"
        stroke-width=".6"
        stroke-dasharray="3 2"
      />
      <path
        v-if="metHeads"
        :d="metHeads"
        stroke="var(--ink)"
        stroke-width=".6"
        stroke-dasharray="3 2"
      />
      <g v-for="g in analysis.gaps" :key="`${g.xMm} ${g.yMm}`">
        <circle
          :cx="at(g.xMm, g.yMm)[0]"
          :cy="at(g.xMm, g.yMm)[1]"
          :r="Math.max(3, Math.sqrt(g.areaMm2 / Math.PI))"
          fill="var(--sheet)"
          fill-opacity=".7"
          :stroke="g.filled ? 'var(--watch)' : 'var(--stop)'"
          stroke-width="1"
          stroke-dasharray="2 1.4"
        />
      </g>
      <g v-for="t in tags" :key="t.c.code">
        <circle
          :cx="t.p[0]"
          :cy="t.p[1]"
          r="9"
          fill="none"
          :stroke="t.c.verdict === 'redo' ? 'var(--stop)' : 'var(--watch)'"
          stroke-width="1.6"
        />
        <text
          :x="t.p[0] > 0 ? 63 : -63"
          :y="t.y + 2.4"
          :text-anchor="t.p[0] > 0 ? 'end' : 'start'"
          class="tag"
          :class="t.c.verdict"
        >
          {{ t.c.verdict === 'redo' ? '✕' : '▲' }} {{ tag(t.c) }}
        </text>
      </g>
      <g
        v-for="m in marks"
        :key="m.name"
        class="mark"
        role="button"
        :tabindex="readOnly ? -1 : 0"
        :aria-label="spoken(m)"
        @pointerdown="down($event, m.name)"
        @pointermove="drag"
        @pointerup="up"
        @pointercancel="held = null"
        @keydown="key($event, m)"
      >
        <title>{{ m.label }}</title>
        <circle :cx="m.cx" :cy="m.cy" r="11" fill="transparent" />
        <circle
          :cx="m.cx"
          :cy="m.cy"
          r="4.2"
          fill="var(--sheet)"
          fill-opacity=".85"
          stroke="var(--ink)"
          :stroke-width="held?.name === m.name ? 1.8 : 1"
          :stroke-dasharray="m.moved ? undefined : '2 1.2'"
        />
        <path
          :d="`M${m.cx - 6} ${m.cy}h12M${m.cx} ${m.cy - 6}v12`"
          stroke="var(--ink)"
          stroke-width=".6"
        />
      </g>
    </g>
  </svg>
</template>

<style scoped>
.sole {
  width: 100%;
  height: 100%;
  min-height: 0;
  touch-action: none;
}
.mark {
  cursor: grab;
}
.mark:focus-visible {
  outline: none;
}
.mark:focus-visible circle:nth-of-type(2) {
  stroke-width: 2.4;
  stroke: var(--spruce);
}
.tag {
  font-size: 6.6px;
  font-weight: 700;
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 2.6px;
}
.tag.redo {
  fill: var(--stop);
}
.tag.doubtful {
  fill: var(--watch-text);
}
</style>
