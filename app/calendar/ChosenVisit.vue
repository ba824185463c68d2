<script setup lang="ts">
import { format } from 'date-fns'
import { computed, ref, watch } from 'vue'
import { VBtn, VTextField } from 'vuetify/components'
import type { VisitState } from '../../shared/contracts'
import { STATE_WORDS } from './visitWords'
import type { AnyVisit, Calendar } from './useCalendar'

/** The visit that is chosen: when, why, with whom, and what is done with it. */
const { visit, calendar, canMove } = defineProps<{
  visit: AnyVisit
  calendar: Calendar
  canMove: boolean
}>()
const emit = defineEmits<{ move: []; next: [] }>()

/** asked for before it is called off */
const offReason = ref<string | null>(null)
watch(
  () => visit.id,
  () => (offReason.value = null),
)
const title = computed(
  () =>
    `${visit.name ?? visit.code}${visit.startsAt === null ? '' : `, ${format(new Date(visit.startsAt), 'HH:mm')}`}`,
)
const facts = computed(() =>
  [
    visit.startsAt === null ? 'waits for a day' : format(new Date(visit.startsAt), 'EEEE d MMMM'),
    visit.chair === null ? '' : `chair ${visit.chair}`,
    visit.personName ? `with ${visit.personName}` : '',
    visit.name === null ? '' : visit.code,
  ]
    .filter(Boolean)
    .join(' · '),
)
const since = computed(() => `since ${format(new Date(visit.standsSince), 'd MMM, HH:mm')}`)
const isOpen = computed(() => visit.state === 'to-come')
const isOff = computed(() => visit.state === 'cancelled' || visit.state === 'absent')
/** How a visit goes on from where it stands. */
const ON: Partial<Record<VisitState, [VisitState, string]>> = {
  'to-come': ['waiting', 'Is here'],
  waiting: ['now', 'Take in'],
  now: ['seen', 'Seen'],
  seen: ['now', 'Not yet seen'],
  cancelled: ['to-come', 'On again'],
  absent: ['to-come', 'On again'],
}
const next = computed(() => (visit.startsAt === null && isOpen.value ? undefined : ON[visit.state]))
const stands = ([state, words]: [VisitState, string], note = '') =>
  calendar.stands(visit, state, words, note)
async function off() {
  const note = offReason.value ?? ''
  offReason.value = null
  await stands(['cancelled', 'called off'], note.trim())
}
</script>

<template>
  <section class="card">
    <div class="card-head">
      <h2 class="ellipsis" :title="title">{{ title }}</h2>
    </div>
    <div class="card-body pane">
      <p>
        <b>{{ visit.reason || 'No reason told' }}, {{ visit.minutes }} min</b>
      </p>
      <p class="muted">{{ facts }}</p>
      <p class="small">
        <b>{{ STATE_WORDS[visit.state] }}</b> <span class="muted">{{ since }}</span><template
          v-if="visit.note"
        >
          · {{ visit.note }}</template
        >
      </p>
      <template v-if="canMove">
        <VBtn v-if="next" color="primary" variant="flat" @click="stands(next)">{{ next[1] }}</VBtn>
        <VBtn v-if="isOpen" @click="emit('move')"
          >{{ visit.startsAt === null ? 'Give it a day' : 'Move'
          }}<span v-if="visit.startsAt !== null" class="muted keys">drag, or ← → ↑ ↓</span></VBtn
        >
        <VBtn v-if="isOpen && visit.startsAt !== null" @click="calendar.toWaiting(visit)"
          >Waits for a day</VBtn
        >
        <VBtn v-if="isOpen && offReason === null" @click="offReason = ''">Call off …</VBtn>
        <form v-if="offReason !== null" class="off" @submit.prevent="off">
          <VTextField v-model="offReason" label="Why it is called off" maxlength="200" autofocus />
          <VBtn type="submit">Call off</VBtn>
          <VBtn variant="text" @click="offReason = null">Leave it</VBtn>
        </form>
        <VBtn v-if="isOpen && visit.startsAt !== null" @click="stands(['absent', 'did not come'])"
          >Did not come</VBtn
        >
        <VBtn v-if="!isOff" @click="emit('next')">Book the next visit</VBtn>
      </template>
      <VBtn variant="text" :to="`/fittings/${visit.fittingId}/story`">Open the fitting</VBtn>
    </div>
  </section>
</template>

<style scoped>
.pane {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.pane .v-btn {
  justify-content: flex-start;
}
.keys {
  margin-left: 10px;
  font-weight: 400;
}
.off {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.off .v-text-field {
  flex-basis: 100%;
}
</style>
