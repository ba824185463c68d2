<script setup lang="ts">
import { format } from 'date-fns'
import { computed, onMounted, ref, watch } from 'vue'
import { VBtn, VDataTable, VSelect } from 'vuetify/components'
import type { DueRow } from '../../shared/contracts'
import AppHeader from '~/components/AppHeader.vue'
import StatusMark from '~/components/StatusMark.vue'
import { useSession } from '~/stores/session'
import { useLine } from '~/stores/line'

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
interface Answer {
  due: DueRow[]
  counts: { all: number; late: number; byKind: Partial<Record<DueRow['kind'], number>> }
}
const counts = ref<Answer['counts']>({ all: 0, late: 0, byKind: {} })
/** The first lines of a kind, or the next after those that are there. */
async function load(from = 0) {
  const asked = kind.value
  const only = asked === 'all' ? '' : `&kind=${asked}`
  try {
    const answer = await useLine().read<Answer>(`due?from=${from}${only}`)
    // Another kind was chosen meanwhile: its own answer is on its way.
    if (kind.value !== asked) return
    rows.value = from === 0 ? answer.due : [...rows.value, ...answer.due]
    counts.value = answer.counts
    trouble.value = ''
  } catch (error) {
    trouble.value = (error as Error).message
  }
  loaded.value = true
}
onMounted(() => load())
watch(kind, () => load())
const inAll = computed(() =>
  kind.value === 'all' ? counts.value.all : (counts.value.byKind[kind.value] ?? 0),
)
const left = computed(() => inAll.value - rows.value.length)
const fact = computed(
  () => `${counts.value.late} late, ${counts.value.all - counts.value.late} to come`,
)
const when = (r: DueRow) =>
  r.lateDays > 0
    ? `${r.lateDays} ${r.lateDays === 1 ? 'day' : 'days'} late`
    : r.lateDays === 0
      ? 'today'
      : `in ${-r.lateDays} ${r.lateDays === -1 ? 'day' : 'days'}`
const HEADERS = [
  { key: 'on', title: 'When', nowrap: true },
  { key: 'name', title: 'Client' },
  { key: 'words', title: 'What' },
  { key: 'kind', title: 'Kind' },
  { key: 'open', title: '', sortable: false },
]
const KIND_CHOICES = [
  { value: 'all', title: 'All kinds' },
  ...Object.entries(KINDS).map(([value, title]) => ({ value, title })),
]
</script>

<template>
  <div class="frame plain">
    <AppHeader title="Due and reminders" :fact="fact" />
    <main class="main">
      <div class="title-row">
        <h1>Due</h1>
        <span class="fact">two weeks, six weeks, season's end; estimates of growth say so</span>
        <VSelect v-model="kind" class="pick" :items="KIND_CHOICES" aria-label="Kind of reminder" />
        <VBtn v-if="session.may('clients.export')" href="/api/due/calendar">Calendar file</VBtn>
      </div>
      <p v-if="trouble" class="notice stop" role="alert">{{ trouble }}</p>
      <section class="card scroll grow" tabindex="0" role="region" aria-label="Due">
        <VDataTable class="table" :headers="HEADERS" :items="rows" :loading="!loaded">
          <template #[`item.on`]="{ item }">
            <StatusMark v-if="item.lateDays > 0" kind="watch" :word="when(item)" /><b v-else>{{
              when(item)
            }}</b>
            <span class="muted label">{{ format(new Date(`${item.on}T12:00`), 'd MMM') }}</span>
          </template>
          <template #[`item.name`]="{ item }">
            <b>{{ item.name }}</b> <span class="muted label">{{ item.code }}</span>
          </template>
          <template #[`item.kind`]="{ item }">
            <span class="muted">{{ KINDS[item.kind] }}</span>
          </template>
          <template #[`item.open`]="{ item }">
            <VBtn
              size="small"
              :to="`/fittings/${item.fittingId}/followup`"
              :aria-label="`Open the follow-up of ${item.name}`"
              >Open</VBtn
            >
          </template>
          <template #loading><p class="muted none">Looking who is due …</p></template>
          <template #no-data
            ><p class="muted none">
              Nothing is due. Reminders come by themselves from handovers.
            </p></template
          >
        </VDataTable>
        <div v-if="left > 0" class="more">
          <VBtn @click="load(rows.length)">{{ rows.length }} of {{ inAll }}: show more</VBtn>
        </div>
      </section>
    </main>
  </div>
</template>

<style scoped>
.none {
  padding: 12px 14px;
}
.more {
  padding: 10px 14px;
}
.pick {
  width: 180px;
}
</style>
