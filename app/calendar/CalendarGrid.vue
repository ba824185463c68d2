<script setup lang="ts">
import { useNow } from '@vueuse/core'
import { computed, ref } from 'vue'
import { clockOf } from '../../core/bench/schedule/day'
import type { VisitRow } from '../../shared/contracts'
import { bookedShare, clockMinutes, columnOf, shownHours, type Column } from './columns'
import { vDragVisit } from './dragVisit'
import { sideBySide, type Span } from './sideBySide'
import { STEP_MIN, type Calendar, type Spot } from './useCalendar'
import { visitWords } from './visitWords'

/** Columns of days, chairs or people, and the visits in them; they are dragged, or moved by arrow keys. */
const { calendar, visits, canMove } = defineProps<{
  calendar: Calendar
  /** those that are shown */
  visits: VisitRow[]
  canMove: boolean
}>()
const emit = defineEmits<{ book: [Spot] }>()

const now = useNow({ interval: 30_000 })
const columns = computed(() => calendar.columns.value)
const spanOf = (visit: VisitRow): Span => {
  const from = clockMinutes(visit.startsAt)
  return { from, to: from + visit.minutes }
}
const hours = computed(() => shownHours(columns.value, visits.map(spanOf)))
const ticks = computed(() =>
  Array.from(
    { length: (hours.value.to - hours.value.from) / 60 },
    (_, i) => hours.value.from + i * 60,
  ),
)
const share = (minutes: number) =>
  (100 * (minutes - hours.value.from)) / (hours.value.to - hours.value.from)
const tall = (minutes: number) => (100 * minutes) / (hours.value.to - hours.value.from)
const band = ({ from, to }: Span) => ({ top: `${share(from)}%`, height: `${tall(to - from)}%` })

/** A visit so short has one line, min. */
const ONE_LINE_MIN = 30

interface Card {
  visit: VisitRow
  style: Record<string, string>
  words: ReturnType<typeof visitWords>
  /** there is room for one line */
  isShort: boolean
}
interface Drawn extends Column {
  cards: Card[]
  closed: Span[]
  load: number | null
  isToday: boolean
  /** stands out among the others */
  isMarked: boolean
  ghost: { style: Record<string, string>; clock: string } | null
}
/** What lies outside of the hours that are open. */
const closedOf = ({ open }: Column): Span[] => {
  if (open === undefined) return []
  const { from, to } = hours.value
  if (open === null) return [{ from, to }]
  return [
    { from, to: open.from },
    { from: open.to, to },
  ].filter((span) => span.to > span.from)
}
const chairsIn = (column: Column) =>
  column.at.chair === undefined && column.at.personId === undefined
    ? (calendar.state.value?.chairs ?? 1)
    : 1
const drawn = computed<Drawn[]>(() =>
  columns.value.map((column) => {
    const here = visits.filter((visit) => columnOf(columns.value, visit)?.key === column.key)
    const lanes = sideBySide(here.map(spanOf))
    const ghost = calendar.pending.value
    const chosen = calendar.chosen.value
    return {
      ...column,
      closed: closedOf(column),
      load: bookedShare(
        here.filter(({ state }) => state !== 'cancelled' && state !== 'absent'),
        column.open,
        chairsIn(column),
      ),
      isToday: column.day === calendar.state.value?.today,
      // Of a single day every column would be.
      isMarked: calendar.view.value === 'week' && column.day === calendar.state.value?.today,
      cards: here.map((visit, i) => ({
        visit,
        isShort: visit.minutes <= ONE_LINE_MIN,
        words: visitWords(visit, { isWeek: calendar.view.value === 'week' }),
        style: {
          ...band(spanOf(visit)),
          left: `calc(${(100 * lanes[i]!.lane) / lanes[i]!.of}% + 3px)`,
          width: `calc(${100 / lanes[i]!.of}% - 6px)`,
        },
      })),
      ghost:
        ghost && chosen && ghost.column.key === column.key
          ? {
              style: band({ from: ghost.minute, to: ghost.minute + chosen.minutes }),
              clock: clockOf(ghost.minute),
            }
          : null,
    }
  }),
)
const nowAt = computed(() => {
  const minute = now.value.getHours() * 60 + now.value.getMinutes()
  return minute >= hours.value.from && minute < hours.value.to ? `${share(minute)}%` : null
})

const body = ref<HTMLElement | null>(null)
/** The column and minute below a point of the window; null beside the grid. */
function locate(x: number, y: number): Spot | null {
  const boxes = [...(body.value?.querySelectorAll<HTMLElement>('[data-column]') ?? [])]
  const box = boxes.find((el) => {
    const { left, right, top, bottom } = el.getBoundingClientRect()
    return x >= left && x < right && y >= top - 40 && y < bottom
  })
  const column = columns.value.find(({ key }) => key === box?.dataset.column)
  if (!box || !column) return null
  const { top, height } = box.getBoundingClientRect()
  const minute = hours.value.from + ((y - top) / height) * (hours.value.to - hours.value.from)
  return { column, minute: Math.max(0, Math.round(minute / STEP_MIN) * STEP_MIN) }
}
function over(id: string, { x, y, grabbedY }: { x: number; y: number; grabbedY: number }) {
  calendar.choose(id)
  calendar.shadow(locate(x, y - grabbedY))
}
function drop(id: string) {
  const spot = calendar.pending.value
  const visit = calendar.chosen.value
  if (spot && visit?.id === id) void calendar.put(visit, spot)
}
defineExpose({ over, drop })

const KEYS: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
}
function key(event: KeyboardEvent, visit: VisitRow) {
  const step = KEYS[event.key]
  if (step && canMove) {
    event.preventDefault()
    calendar.nudge(visit, ...step)
  } else if (event.key === 'Enter' && calendar.pending.value && calendar.chosen.value) {
    event.preventDefault()
    void calendar.put(calendar.chosen.value, calendar.pending.value)
  } else if (event.key === 'Escape') calendar.shadow(null)
}
function press(event: MouseEvent) {
  const spot = canMove ? locate(event.clientX, event.clientY) : null
  if (!spot) return
  const waits = calendar.chosen.value?.startsAt === null ? calendar.chosen.value : null
  if (waits) void calendar.put(waits, spot)
  else emit('book', spot)
}
const pendingWords = computed(() => {
  const spot = calendar.pending.value
  return spot
    ? `${spot.column.title}, ${clockOf(spot.minute)}. Enter keeps it, Escape leaves it.`
    : ''
})
const loadWords = (load: number) => `${load > 1 ? '▲ ' : ''}booked ${Math.round(100 * load)} %`
</script>

<template>
  <div class="grid" :style="{ '--columns': drawn.length }">
    <div class="heads">
      <span />
      <h2 v-for="c in drawn" :key="c.key" class="ellipsis" :class="{ today: c.isMarked }">
        {{ c.title }}
      </h2>
    </div>
    <div ref="body" class="body">
      <div class="hours" aria-hidden="true">
        <span v-for="t in ticks" :key="t" class="small muted" :style="{ top: `${share(t)}%` }">{{
          clockOf(t)
        }}</span>
      </div>
      <div
        v-for="c in drawn"
        :key="c.key"
        class="column"
        role="group"
        :aria-label="c.title"
        :data-column="c.key"
        :class="{ today: c.isMarked }"
        @click.self="press"
      >
        <i v-for="t in ticks" :key="t" class="hour" :style="{ top: `${share(t)}%` }" />
        <i v-for="s in c.closed" :key="`closed ${s.from}`" class="closed" :style="band(s)"
          ><span class="small">closed</span></i
        >
        <i v-for="s in c.busy" :key="`busy ${s.from}`" class="closed busy" :style="band(s)"
          ><span class="small">not to be had</span></i
        >
        <i v-if="c.isToday && nowAt" class="now" :style="{ top: nowAt }" />
        <button
          v-for="card in c.cards"
          :key="card.visit.id"
          v-drag-visit="{ id: canMove ? card.visit.id : null, over, drop }"
          type="button"
          class="visit"
          :class="[
            card.visit.state,
            { chosen: card.visit.id === calendar.chosenId.value, short: card.isShort },
          ]"
          :style="card.style"
          :aria-pressed="card.visit.id === calendar.chosenId.value"
          :aria-label="card.words.whole"
          @click="calendar.choose(card.visit.id)"
          @keydown="key($event, card.visit)"
        >
          <b class="ellipsis">{{ card.words.first }}</b>
          <span class="ellipsis small">{{ card.words.second }}</span>
        </button>
        <div v-if="c.ghost" class="visit ghost" :style="c.ghost.style">
          <b>{{ c.ghost.clock }}</b>
        </div>
      </div>
    </div>
    <div class="loads">
      <span />
      <span v-for="c in drawn" :key="c.key">
        <template v-if="c.load !== null">
          <i class="load"
            ><i :class="{ over: c.load > 1 }" :style="{ width: `${Math.min(100, 100 * c.load)}%` }"
          /></i>
          <span class="small" :class="c.load > 1 ? 'watch-text' : 'muted'">{{
            loadWords(c.load)
          }}</span>
        </template>
      </span>
    </div>
    <p class="sr" aria-live="polite">{{ pendingWords }}</p>
  </div>
</template>

<style scoped>
.grid {
  display: flex;
  flex-direction: column;
  min-height: 0;
  height: 100%;
}
.heads,
.body,
.loads {
  display: grid;
  grid-template-columns: 52px repeat(var(--columns), minmax(0, 1fr));
}
.heads h2 {
  padding: 8px 10px;
  font-size: 15px;
  border-left: 1px solid var(--hairline);
}
.heads {
  border-bottom: 1px solid var(--hairline);
}
.today {
  background: var(--paper);
}
.body {
  flex: 1;
  min-height: 420px;
}
.hours {
  position: relative;
}
.hours span {
  position: absolute;
  right: 8px;
  transform: translateY(-50%);
}
.hours span:first-child {
  transform: none;
}
.column {
  position: relative;
  border-left: 1px solid var(--hairline);
  cursor: copy;
}
.column > i {
  pointer-events: none;
  position: absolute;
  left: 0;
  right: 0;
}
.hour {
  border-top: 1px solid var(--hairline);
}
.closed {
  background: #ece7db;
  font-style: normal;
  overflow: hidden;
}
.closed span {
  position: absolute;
  top: 4px;
  left: 8px;
  color: #56635f;
}
.busy {
  background: repeating-linear-gradient(45deg, #ece7db, #ece7db 6px, #f5f1e8 6px, #f5f1e8 12px);
}
.column > .now {
  border-top: 2px solid var(--ink);
  z-index: 0;
}
.visit {
  position: absolute;
  min-height: 24px;
  padding: 2px 8px;
  border: 1px solid var(--spruce);
  border-radius: 4px;
  background: var(--wash);
  background-clip: padding-box;
  color: var(--ink);
  text-align: left;
  overflow: hidden;
  touch-action: none;
  cursor: pointer;
  display: flex;
  flex-direction: column;
  z-index: 1;
}
.visit b {
  font-weight: 600;
  font-size: 13px;
  line-height: 16px;
}
.visit.short {
  flex-direction: row;
  align-items: baseline;
  gap: 6px;
  padding-block: 1px;
}
.visit.short b {
  flex: none;
  max-width: 100%;
}
.visit.now {
  background: var(--spruce);
  color: #fff;
}
.visit.seen {
  background: var(--sheet);
}
.visit.cancelled,
.visit.absent {
  background: var(--sheet);
  border-style: dashed;
  color: var(--muted);
}
.visit.waiting {
  background: var(--watch-tint);
  border-color: var(--watch);
}
.visit.chosen {
  border-width: 3px;
  padding: 0 6px;
  z-index: 2;
}
.visit.ghost {
  left: 3px;
  right: 3px;
  z-index: 3;
  pointer-events: none;
  border: 2px dashed var(--spruce);
  background: rgb(255 253 248 / 85%);
}
.loads {
  border-top: 1px solid var(--hairline);
  min-height: 40px;
}
.loads > span {
  padding: 6px 10px;
}
.load {
  display: block;
  height: 8px;
  border: 1px solid var(--hairline);
  background: var(--paper);
}
.load i {
  display: block;
  height: 100%;
  background: var(--spruce);
}
.load .over {
  background: var(--watch);
}
</style>
