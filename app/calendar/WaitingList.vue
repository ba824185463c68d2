<script setup lang="ts">
import { format } from 'date-fns'
import type { DaylessVisit } from '../../shared/contracts'
import { vDragVisit, type Dragged } from './dragVisit'
import type { Calendar } from './useCalendar'

/** Who waits for a day: dragged onto one, or chosen and put where the calendar is pressed. */
const { waiting, calendar, canMove, dragged } = defineProps<{
  waiting: DaylessVisit[]
  calendar: Calendar
  canMove: boolean
  dragged: Omit<Dragged, 'id'>
}>()
const since = ({ standsSince }: DaylessVisit) => format(new Date(standsSince), 'd MMM')
</script>

<template>
  <section class="card stack0 grow">
    <div class="card-head">
      <h2>Waiting for a day</h2>
      <span class="aside">{{ waiting.length }}</span>
    </div>
    <ul class="scroll grow">
      <li v-if="waiting.length === 0" class="none muted">
        Nobody waits. “Book” without a day puts somebody here.
      </li>
      <li v-for="w in waiting" :key="w.id">
        <button
          v-drag-visit="{ id: canMove ? w.id : null, ...dragged }"
          type="button"
          class="waits"
          :class="{ chosen: w.id === calendar.chosenId.value }"
          :aria-pressed="w.id === calendar.chosenId.value"
          @click="calendar.choose(w.id)"
        >
          <b>{{ w.name ?? w.code }}</b> <span class="muted">{{ w.minutes }} min</span>
          <span class="line">{{ w.reason || 'No reason told' }} · since {{ since(w) }}</span>
        </button>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.stack0 {
  display: flex;
  flex-direction: column;
  min-height: 140px;
}
.none {
  padding: 12px 14px;
}
.waits {
  display: block;
  width: 100%;
  padding: 10px 14px;
  border: 0;
  border-bottom: 1px solid var(--hairline);
  background: none;
  color: var(--ink);
  text-align: left;
  touch-action: none;
  cursor: grab;
}
.waits.chosen {
  background: var(--wash);
  box-shadow: inset 4px 0 var(--spruce);
}
.line {
  display: block;
}
</style>
