<script setup lang="ts">
import { format } from 'date-fns'
import { computed } from 'vue'
import { momentsOf } from '../../../core/followup/outcomes'
import { daysBetween } from '../../../core/record/isoDay'
import StatusMark from '~/components/StatusMark.vue'
import { useFitting } from '~/stores/fitting'

/** Two weeks, six weeks, season's end: answered, due or to come. */
const fitting = useFitting()
const today = format(new Date(), 'yyyy-MM-dd')
const moments = computed(() =>
  momentsOf(fitting.record).map((m) => ({ ...m, late: daysBetween(m.dueOn, today) })),
)
const day = (on: string) => format(new Date(`${on}T12:00`), 'd MMM')
</script>

<template>
  <ul v-if="moments.length" class="strip">
    <li v-for="m in moments" :key="m.moment.id" class="card one">
      <b>{{ m.moment.words }}</b><StatusMark
        v-if="m.answer"
        kind="good"
        :word="`told ${day(m.answer.on)}`"
      /><StatusMark v-else-if="m.late > 0" kind="watch" :word="`${m.late} days late`" /><span
        v-else
        class="muted label"
        >due {{ day(m.dueOn) }}</span
      >
    </li>
  </ul>
  <p v-else class="notice small">
    Not handed over yet: the dates of the follow-up come from the handover.
  </p>
</template>

<style scoped>
.strip {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 8px;
  flex: none;
}
.one {
  display: flex;
  justify-content: space-between;
  align-items: center;
  padding: 6px 14px;
  min-height: 40px;
}
</style>
