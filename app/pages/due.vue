<script setup lang="ts">
import { format } from 'date-fns'
import { computed, onMounted, ref } from 'vue'
import { VBtn, VSelect, VTable } from 'vuetify/components'
import type { DueRow } from '../../shared/contracts'
import AppHeader from '~/components/AppHeader.vue'
import StatusMark from '~/components/StatusMark.vue'
import { api } from '~/browser/api'
import { useSession } from '~/stores/session'

/** Whom to ask, who outgrows what, whose guarantee ends. */
const session = useSession()
const rows = ref<DueRow[]>([])
const loaded = ref(false)
const trouble = ref('')
const kind = ref<'all' | DueRow['kind']>('all')
const KINDS: Record<DueRow['kind'], string> = {
  outcome: 'How it goes',
  visit: 'Visits',
  outgrown: 'Outgrown',
  remake: 'Make again',
  guarantee: 'Guarantee',
}
onMounted(async () => {
  try {
    rows.value = (await api<{ due: DueRow[] }>('due')).due
  } catch (error) {
    trouble.value = (error as Error).message
  }
  loaded.value = true
})
const shown = computed(() =>
  rows.value.filter((r) => kind.value === 'all' || r.kind === kind.value),
)
const late = computed(() => rows.value.filter((r) => r.lateDays > 0).length)
const when = (r: DueRow) =>
  r.lateDays > 0
    ? `${r.lateDays} ${r.lateDays === 1 ? 'day' : 'days'} late`
    : r.lateDays === 0
      ? 'today'
      : `in ${-r.lateDays} ${r.lateDays === -1 ? 'day' : 'days'}`
const KIND_CHOICES = [
  { value: 'all', title: 'All kinds' },
  ...Object.entries(KINDS).map(([value, title]) => ({ value, title })),
]
</script>

<template>
  <div class="frame plain">
    <AppHeader title="Due and reminders" :fact="`${late} late, ${rows.length - late} to come`" />
    <main class="main">
      <div class="title-row">
        <h1>Due</h1>
        <span class="fact">two weeks, six weeks, season's end; estimates of growth say so</span>
        <VSelect v-model="kind" class="pick" :items="KIND_CHOICES" aria-label="Kind of reminder" />
        <VBtn v-if="session.may('clients.export')" href="/api/due/calendar">Calendar file</VBtn>
      </div>
      <p v-if="trouble" class="notice stop" role="alert">{{ trouble }}</p>
      <section class="card scroll grow" tabindex="0" role="region" aria-label="Due">
        <VTable class="table">
          <thead>
            <tr>
              <th>When</th>
              <th>Client</th>
              <th>What</th>
              <th>Kind</th>
              <th />
            </tr>
          </thead>
          <tbody>
            <tr v-for="r in shown" :key="r.fittingId + r.kind + r.on + r.words">
              <td class="nowrap">
                <StatusMark v-if="r.lateDays > 0" kind="watch" :word="when(r)" /><b v-else>{{
                  when(r)
                }}</b>
                <span class="muted label">{{ format(new Date(`${r.on}T12:00`), 'd MMM') }}</span>
              </td>
              <td>
                <b>{{ r.name }}</b> <span class="muted label">{{ r.code }}</span>
              </td>
              <td>{{ r.words }}</td>
              <td class="muted">{{ KINDS[r.kind] }}</td>
              <td>
                <VBtn
                  size="small"
                  height="44"
                  :to="`/fittings/${r.fittingId}/followup`"
                  :aria-label="`Open the follow-up of ${r.name}`"
                  >Open</VBtn
                >
              </td>
            </tr>
            <tr v-if="loaded && shown.length === 0">
              <td colspan="5" class="muted">
                Nothing is due. Reminders come by themselves from handovers.
              </td>
            </tr>
          </tbody>
        </VTable>
      </section>
    </main>
  </div>
</template>

<style scoped>
.pick {
  width: 180px;
}
</style>
