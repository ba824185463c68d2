<script setup lang="ts">
import { drag } from 'd3-drag'
import { scaleLinear } from 'd3-scale'
import { select } from 'd3-selection'
import { computed, nextTick, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { lanesOf } from '../../../core/bench/lanes'
import { PEOPLE, type BenchResource } from '../../../core/tables/benchResources'
import type { PlanConflict } from '../../../core/bench/planCheck'
import type { ShownStep } from '../../../core/bench/shownPlan'
import { clockOf, minuteOf } from '../../../core/bench/schedule/day'

/**
 * The day in lanes: one for each thing and each pair of hands; bars are dragged, or moved by arrow
 * keys a minute at a time.
 */
const {
  steps,
  conflicts,
  resources,
  people,
  now,
  whole,
  chosen,
  who,
  words,
  pinned,
  known,
  fitterRows,
  canMove,
} = defineProps<{
  steps: ShownStep[]
  conflicts: PlanConflict[]
  resources: BenchResource[]
  people: string[]
  now: string | null
  whole: boolean
  chosen: { job: string; step: string } | null
  who: (job: string) => string
  words: (job: string, step: string) => string
  pinned: ReadonlySet<string>
  /** lane of hands of steps that somebody has begun, by `job\nstep` */
  known: ReadonlyMap<string, number>
  /** rows of hands that see clients */
  fitterRows: number[]
  canMove: boolean
}>()
const emit = defineEmits<{
  choose: [job: string, step: string]
  draft: [{ job: string; step: string; at: string } | null]
  move: [job: string, step: string, at: string]
}>()

const ROW = 34
const LEFT = 104
const TOP = 26
const width = ref(1150)
const box = ref<HTMLElement | null>(null)
const svg = ref<SVGSVGElement | null>(null)
let watcher: ResizeObserver | undefined
onMounted(() => {
  watcher = new ResizeObserver(
    ([entry]) => (width.value = Math.max(560, Math.floor(entry!.contentRect.width))),
  )
  watcher.observe(box.value!)
})
onBeforeUnmount(() => watcher?.disconnect())

const HALF = 300
const range = computed<[number, number]>(() => {
  const opening = Math.min(
    ...resources.map((r) => minuteOf(r.from)),
    ...steps.map((s) => minuteOf(s.start)),
  )
  const closing = Math.max(
    ...resources.map((r) => minuteOf(r.to)),
    ...steps.map((s) => minuteOf(s.end)),
  )
  if (whole) return [opening, closing]
  const from = Math.max(opening, Math.min((now ? minuteOf(now) : opening) - 45, closing - HALF))
  return [from, from + HALF]
})
const x = computed(() => scaleLinear(range.value, [LEFT, width.value - 10]))
const hours = computed(() => {
  const [from, to] = range.value
  return Array.from(
    { length: Math.floor(to / 60) - Math.ceil(from / 60) + 1 },
    (_, i) => (Math.ceil(from / 60) + i) * 60,
  )
})
/** Rows of the picture: things first, hands last. */
const rows = computed(() => {
  const things = resources
    .filter((r) => r.id !== PEOPLE && r.count > 0)
    .flatMap((r) =>
      Array.from({ length: r.count }, (_, i) => ({
        id: r.id,
        row: i,
        name: r.count > 1 ? `${r.name} ${i + 1}` : r.name,
      })),
    )
  return [
    ...things,
    ...people.map((name, i) => ({ id: PEOPLE, row: i, name: name.split(' ')[0]! })),
  ]
})
interface Bar extends ShownStep {
  key: string
  line: number
  x0: number
  x1: number
  label: string
  clash: boolean
}
const clashing = computed(
  () =>
    new Set(
      conflicts
        .filter((c) => c.kind !== 'late')
        .flatMap((c) => [
          `${c.job}\n${c.step}`,
          ...(c.with ? [`${c.with.job}\n${c.with.step}`] : []),
        ]),
    ),
)
const bars = computed<Bar[]>(() => {
  const byKey = new Map(steps.map((s) => [`${s.job}\n${s.step}`, s]))
  const out: Bar[] = []
  for (const r of resources) {
    const count = r.id === PEOPLE ? people.length : r.count
    if (count === 0) continue
    for (const bar of lanesOf(
      steps,
      r.id,
      count,
      r.id === PEOPLE
        ? {
            known,
            first: (p) =>
              byKey.get(`${p.job}\n${p.step}`)?.client
                ? fitterRows
                : people.map((_, i) => i).filter((i) => !fitterRows.includes(i)),
          }
        : {},
    )) {
      const line = rows.value.findIndex((l) => l.id === r.id && l.row === bar.row)
      const step = byKey.get(`${bar.job}\n${bar.step}`)!
      if (line < 0 || minuteOf(bar.end) < range.value[0] || minuteOf(bar.start) > range.value[1])
        continue
      const [x0, x1] = [Math.max(LEFT, x.value(minuteOf(bar.start))), x.value(minuteOf(bar.end))]
      out.push({
        ...step,
        key: `${r.id} ${bar.job}\n${bar.step}`,
        line,
        x0,
        x1: Math.max(x0 + 3, x1),
        label: who(bar.job),
        clash: clashing.value.has(`${bar.job}\n${bar.step}`),
      })
    }
  }
  // Always in the same order, so that a bar that is moved stays the same thing on the page and
  // keeps the focus.
  return out.sort((a, b) => (a.key < b.key ? -1 : 1))
})
/**
 * A run of one job's bars on a row is named once: inside it where there is room, else to its right
 * as far as the next bar.
 */
const labels = computed(() =>
  rows.value.flatMap((_, line) => {
    const own = bars.value.filter((b) => b.line === line).sort((a, b) => a.x0 - b.x0)
    const runs: {
      job: string
      label: string
      x0: number
      x1: number
      state: ShownStep['state']
    }[] = []
    for (const b of own) {
      const last = runs.at(-1)
      if (last && last.job === b.job && b.x0 - last.x1 < 4 && last.state === b.state)
        last.x1 = Math.max(last.x1, b.x1)
      else runs.push({ job: b.job, label: b.label, x0: b.x0, x1: b.x1, state: b.state })
    }
    return runs.flatMap((r, i) => {
      const wide = r.label.length * 6.7 + 8
      const free = (runs[i + 1]?.x0 ?? width.value) - r.x1
      if (r.x1 - r.x0 >= wide)
        return [{ ...r, line, x: r.x0 + 5, on: r.state === 'running', clear: true }]
      return free >= wide ? [{ ...r, line, x: r.x1 + 4, on: false, clear: false }] : []
    })
  }),
)
const isChosen = (b: Bar) => chosen?.job === b.job && chosen.step === b.step
const movable = (b: Bar) => canMove && b.state === 'planned'
const sentence = (b: Bar) =>
  `${b.start} to ${b.end}, ${who(b.job)}, ${words(b.job, b.step)}, ${rows.value[b.line]!.name}, ${b.state === 'planned' ? (b.waiting ? 'waiting' : 'hands-on') : b.state}${pinned.has(`${b.job}\n${b.step}`) ? ', set by hand' : ''}${b.clash ? ', clashes' : ''}`
function onKey(event: KeyboardEvent, b: Bar) {
  if (event.key === 'Enter' || event.key === ' ') {
    event.preventDefault()
    return emit('choose', b.job, b.step)
  }
  const by = { ArrowLeft: -1, ArrowRight: 1 }[event.key]
  if (!by || !movable(b)) return
  event.preventDefault()
  emit(
    'move',
    b.job,
    b.step,
    clockOf(Math.max(0, minuteOf(b.start) + by * (event.shiftKey ? 5 : 1))),
  )
}
/** Dragging goes through the library, so that finger, pen and mouse are one. */
function bindDrags() {
  if (!svg.value) return
  let from = 0
  let at = ''
  let was = ''
  select(svg.value)
    .selectAll<SVGGElement, unknown>('g.bar.can')
    .call(
      drag<SVGGElement, unknown>()
        .clickDistance(4)
        .on('start', function (event) {
          const b = bars.value.find((v) => v.key === this.dataset.key)
          from = event.x - (b ? x.value(minuteOf(b.start)) : 0)
          was = b?.start ?? ''
          at = ''
        })
        .on('drag', function (event) {
          const b = bars.value.find((v) => v.key === this.dataset.key)
          if (!b) return
          at = clockOf(Math.max(0, Math.round(x.value.invert(event.x - from))))
          emit('draft', { job: b.job, step: b.step, at })
        })
        .on('end', function () {
          const b = bars.value.find((v) => v.key === this.dataset.key)
          emit('draft', null)
          // The picture has followed the finger: what counts is where the bar was when it was
          // taken.
          if (b && at && at !== was) emit('move', b.job, b.step, at)
        }),
    )
}
watch([bars, () => canMove], () => nextTick(bindDrags), { immediate: true, flush: 'post' })
onMounted(bindDrags)
const height = computed(() => TOP + rows.value.length * ROW + 6)
</script>

<template>
  <div ref="box" class="board" role="region" aria-label="Lanes of the day" tabindex="0">
    <svg
      ref="svg"
      :viewBox="`0 0 ${width} ${height}`"
      :width="width"
      :height="height"
      role="group"
      aria-label="The day in lanes; arrow keys move a bar by a minute"
    >
      <defs>
        <pattern
          id="waiting"
          width="6"
          height="6"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <rect width="6" height="6" fill="var(--sheet)" />
          <path d="M0 0V6" stroke="var(--spruce)" stroke-width="1.6" opacity=".55" />
        </pattern>
      </defs>
      <g v-for="h in hours" :key="h">
        <path :d="`M${x(h)} ${TOP - 6}V${height}`" stroke="var(--hairline)" />
        <text :x="x(h) + 4" y="15" class="hour">{{ clockOf(h) }}</text>
      </g>
      <g v-for="(r, i) in rows" :key="r.id + r.row">
        <path
          :d="`M0 ${TOP + i * ROW}H${width}`"
          :stroke="
            i > 0 && rows[i - 1]!.id !== PEOPLE && r.id === PEOPLE
              ? 'var(--line-strong)'
              : 'var(--hairline)'
          "
        />
        <text x="10" :y="TOP + i * ROW + 22" class="row">{{ r.name }}</text>
      </g>
      <g
        v-for="b in bars"
        :key="b.key"
        :data-key="b.key"
        class="bar"
        :class="[
          b.state,
          {
            can: movable(b),
            chosen: isChosen(b),
            job: chosen?.job === b.job,
            waiting: b.waiting,
            clash: b.clash,
          },
        ]"
        role="button"
        tabindex="0"
        :aria-label="sentence(b)"
        :aria-pressed="isChosen(b)"
        @click="emit('choose', b.job, b.step)"
        @keydown="onKey($event, b)"
      >
        <title>{{ sentence(b) }}</title>
        <rect
          :x="b.x0"
          :y="TOP + b.line * ROW + 5"
          :width="b.x1 - b.x0"
          :height="ROW - 10"
          rx="3"
          class="body"
        />
        <path
          v-if="pinned.has(`${b.job}\n${b.step}`)"
          :d="`M${b.x0 + 1} ${TOP + b.line * ROW + 2}h8l-4 5z`"
          fill="var(--ink)"
        />
        <path
          v-if="b.clash"
          :d="`M${(b.x0 + b.x1) / 2 - 6} ${TOP + b.line * ROW + 5}h12l-6 -10z`"
          fill="var(--watch)"
        />
        <path
          v-if="b.state === 'done' && b.x1 - b.x0 > 16"
          :d="`M${b.x1 - 13} ${TOP + b.line * ROW + 17}l3 3 6 -7`"
          fill="none"
          stroke="var(--good)"
          stroke-width="1.8"
        />
      </g>
      <text
        v-for="l in labels"
        :key="`${l.line} ${l.x0}`"
        :x="l.x"
        :y="TOP + l.line * ROW + 21"
        class="lbl"
        :class="{ on: l.on, past: l.state === 'done' }"
      >
        {{ l.label }}
      </text>
      <g v-if="now && minuteOf(now) >= range[0] && minuteOf(now) <= range[1]" pointer-events="none">
        <path :d="`M${x(minuteOf(now))} 20V${height}`" stroke="var(--ink)" stroke-width="1.6" />
        <rect :x="x(minuteOf(now)) - 22" y="2" width="44" height="19" rx="4" fill="var(--ink)" />
        <text :x="x(minuteOf(now))" y="16" text-anchor="middle" class="nowt">{{ now }}</text>
      </g>
    </svg>
  </div>
</template>

<style scoped>
.board {
  overflow: auto;
}
svg {
  display: block;
}
.hour {
  font-size: 12px;
  fill: var(--muted);
}
.row {
  font-size: 13px;
  font-weight: 600;
  fill: var(--ink);
}
.nowt {
  font-size: 12.5px;
  font-weight: 700;
  fill: #fff;
}
.bar {
  cursor: pointer;
}
.bar.can {
  cursor: grab;
  touch-action: none;
}
.bar .body {
  fill: var(--wash);
  stroke: var(--spruce);
  stroke-width: 1;
}
.bar.waiting .body {
  fill: url('#waiting');
  stroke: var(--spruce);
}
.bar.done .body {
  fill: var(--paper);
  stroke: var(--hairline);
}
.bar.running .body {
  fill: var(--spruce);
}
.bar.job .body {
  stroke-width: 2.4;
}
.bar.chosen .body {
  stroke: var(--ink);
  stroke-width: 3;
}
.bar.clash .body {
  stroke: var(--watch);
  stroke-width: 2.4;
}
.lbl {
  font-size: 12px;
  font-weight: 600;
  fill: var(--ink);
  pointer-events: none;
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 2.5px;
  stroke-opacity: 0.75;
}
.lbl.on {
  fill: #fffdf8;
  stroke: none;
}
.lbl.past {
  fill: var(--muted);
  font-weight: 500;
}
</style>
