<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { format, isValid, parseISO } from 'date-fns'
import { computed, ref, watch } from 'vue'
import { VBtn, VDialog, VSelect } from 'vuetify/components'
import type { VisitRow } from '../../shared/contracts'
import CalendarGrid from '~/calendar/CalendarGrid.vue'
import ChosenVisit from '~/calendar/ChosenVisit.vue'
import OwnCalendar from '~/calendar/OwnCalendar.vue'
import WaitingList from '~/calendar/WaitingList.vue'
import { momentOf } from '~/calendar/columns'
import { useCalendar, type AnyVisit, type Spot } from '~/calendar/useCalendar'
import AppHeader from '~/components/AppHeader.vue'
import BookVisit from '~/components/BookVisit.vue'
import PaneTabs from '~/components/PaneTabs.vue'
import PlainButton from '~/components/PlainButton.vue'
import { useSession } from '~/stores/session'

/** A week or a day of visits by chair and by person; who waits for a day stands beside it. */
const session = useSession()
const { query } = useRoute()
const asked = String(query.day ?? '')
const calendar = useCalendar({
  day:
    /^\d{4}-\d\d-\d\d$/.test(asked) && isValid(parseISO(asked))
      ? asked
      : format(new Date(), 'yyyy-MM-dd'),
  view: query.view === 'day' ? 'day' : 'week',
})
const { view, by, only, day, reach, state, trouble, done, clash, chosen, from } = calendar
watch([view, day], () =>
  navigateTo({ query: { view: view.value, day: day.value } }, { replace: true }),
)
const canMove = computed(() => session.may('fittings.change'))

const VIEWS = [
  ['day', 'Day'],
  ['week', 'Week'],
] as const
const BY = [
  ['chairs', 'Chairs'],
  ['people', 'People'],
] as const
const REACHES = computed(
  () =>
    [
      ['here', session.placeName],
      ['all', 'All places'],
    ] as const,
)
const title = computed(() =>
  view.value === 'week'
    ? `Week of ${format(parseISO(from.value), 'd MMMM')}`
    : format(parseISO(day.value), 'EEEE, d MMMM'),
)
const fact = computed(() => {
  if (!state.value) return ''
  const booked = state.value.visits.filter((v) => v.state !== 'cancelled').length
  return `${booked} booked, ${state.value.waiting.length} waiting`
})

const ONLY = computed(() => [
  { value: 'all', title: 'Everybody' },
  ...(state.value?.people ?? []).map(({ id, name }) => ({ value: id, title: name })),
  ...Array.from({ length: state.value?.chairs ?? 0 }, (_, i) => ({
    value: `chair ${i + 1}`,
    title: `Chair ${i + 1}`,
  })),
])
const visits = computed<VisitRow[]>(() =>
  (state.value?.visits ?? []).filter(
    (visit) =>
      view.value === 'day' ||
      only.value === 'all' ||
      visit.personId === only.value ||
      `chair ${visit.chair}` === only.value,
  ),
)

const grid = ref<InstanceType<typeof CalendarGrid> | null>(null)
const dragged = {
  over: (...told: Parameters<InstanceType<typeof CalendarGrid>['over']>) =>
    grid.value?.over(...told),
  drop: (id: string) => grid.value?.drop(id),
}

interface Booking {
  visit?: AnyVisit
  client?: { id: string; name: string }
  at?: { startsAt?: string; chair?: number | null; personId?: string | null }
}
const booking = ref<Booking | null>(null)
/** Those of a week of one person, or one chair, are booked with them. */
const chosenOnly = computed(() => {
  if (only.value === 'all' || view.value === 'day') return {}
  return only.value.startsWith('chair ')
    ? { chair: Number(only.value.slice(6)) }
    : { personId: only.value }
})
const bookAt = ({ column, minute }: Spot) =>
  (booking.value = {
    at: { startsAt: momentOf(column.day, minute), ...chosenOnly.value, ...column.at },
  })
const moveChosen = () => chosen.value && (booking.value = { visit: chosen.value })
function bookNext() {
  const visit = chosen.value
  if (!visit) return
  const at = { ...chosenOnly.value, personId: visit.personId }
  booking.value = { client: { id: visit.clientId, name: visit.name ?? visit.code }, at }
}
async function booked() {
  booking.value = null
  await calendar.load()
}
const files = ref(false)
const moveTo = (visit: VisitRow, startsAt: string) =>
  calendar.change(visit, { startsAt }, `${visit.name ?? visit.code}: as the file says`, {
    startsAt: visit.startsAt,
  })
useEventListener('keydown', (event: KeyboardEvent) => {
  const isTyping = (event.target as HTMLElement).closest('input, textarea, .v-overlay')
  if (isTyping || event.ctrlKey || event.metaKey || event.altKey) return
  if (event.key === 'b' && canMove.value) {
    event.preventDefault()
    booking.value = { at: chosenOnly.value }
  }
})
</script>

<template>
  <div class="frame plain">
    <AppHeader title="Visits" :fact="fact" />
    <main class="main">
      <div class="title-row">
        <VBtn aria-label="Back" class="turn" @click="calendar.go(-1)">‹</VBtn>
        <h1>{{ title }}</h1>
        <VBtn aria-label="On" class="turn" @click="calendar.go(1)">›</VBtn>
        <span class="fact" />
        <PaneTabs
          v-if="session.places.length > 1"
          v-model="reach"
          :panes="REACHES"
          label="Which places"
          look="box"
        />
        <VSelect
          v-if="view === 'week'"
          v-model="only"
          class="only"
          :items="ONLY"
          aria-label="Whose visits"
        />
        <PaneTabs v-else v-model="by" :panes="BY" label="Columns" look="box" />
        <PaneTabs v-model="view" :panes="VIEWS" label="How much" look="box" />
        <VBtn v-if="session.may('clients.export')" @click="files = true">Calendar files</VBtn>
        <VBtn
          v-if="canMove"
          color="primary"
          variant="flat"
          aria-keyshortcuts="b"
          @click="booking = { at: chosenOnly }"
          >Book <span class="kbd key">B</span></VBtn
        >
      </div>
      <p v-if="trouble" class="notice stop" role="alert">
        {{ trouble }} <PlainButton class="again" @click="calendar.load">Try again</PlainButton>
      </p>
      <p v-if="clash" class="notice row" role="alert">
        <span>▲ {{ clash.words }}</span>
        <VBtn size="small" height="44" @click="clash.anyway">All the same</VBtn>
        <VBtn size="small" height="44" variant="text" @click="clash = null">Leave it</VBtn>
      </p>
      <p v-else-if="done" class="notice row" role="status">
        <span>{{ done.words }}</span>
        <VBtn v-if="done.back" size="small" height="44" @click="done.back">Take back</VBtn>
        <VBtn size="small" height="44" variant="text" @click="done = null">Good</VBtn>
      </p>
      <div class="cols two">
        <section class="card scroll" tabindex="0" role="region" :aria-label="title">
          <CalendarGrid
            v-if="state"
            ref="grid"
            :calendar
            :visits
            :can-move="canMove"
            @book="bookAt"
          />
          <p v-else-if="!trouble" class="card-body muted">Reading the calendar …</p>
        </section>
        <div class="stack">
          <ChosenVisit
            v-if="chosen"
            :visit="chosen"
            :calendar
            :can-move="canMove"
            @move="moveChosen"
            @next="bookNext"
          />
          <section v-else class="card card-body muted">
            Press a visit to see it. Press a free time to book there.
          </section>
          <WaitingList
            v-if="state"
            :waiting="state.waiting"
            :calendar
            :can-move="canMove"
            :dragged
          />
        </div>
      </div>
    </main>
    <VDialog :model-value="booking !== null" max-width="560" @update:model-value="booking = null"
      ><BookVisit
        v-if="booking"
        :client="booking.client"
        :visit="booking.visit"
        :at="booking.at"
        :chairs="state?.chairs"
        @close="booking = null"
        @kept="booked"
    /></VDialog>
    <VDialog v-model="files" max-width="560"
      ><OwnCalendar
        v-if="files && state"
        :people="state.people"
        :visits="state.visits"
        @close="files = false"
        @kept="calendar.load"
        @move="moveTo"
    /></VDialog>
  </div>
</template>

<style scoped>
.turn {
  min-width: 44px;
}
.two {
  grid-template-columns: minmax(0, 1fr) 284px;
}
.only {
  flex: none;
  width: 190px;
}
.row {
  display: flex;
  align-items: center;
  gap: 8px;
  padding-block: 4px;
}
.row span:first-child {
  flex: 1;
}
.key {
  margin-left: 8px;
}
.again {
  text-decoration: underline;
  min-height: 24px;
}
@media (max-width: 1000px) {
  .two {
    grid-template: minmax(520px, 1fr) auto / 1fr;
    flex: none;
    min-height: 100%;
  }
  .stack {
    display: grid;
    grid-template-columns: 1fr 1fr;
  }
}
</style>
