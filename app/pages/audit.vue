<script setup lang="ts">
import { format } from 'date-fns'
import { computed, onMounted, ref, watch } from 'vue'
import { VBtn, VDataTable, VSelect, VTextField } from 'vuetify/components'
import { differences } from '../../core/record/differences'
import { AUDIT_KINDS, type AuditKind, type AuditRow } from '../../shared/auditKinds'
import { actionWords, partOfAction } from '../../shared/actionWords'
import { api } from '~/browser/api'
import AppHeader from '~/components/AppHeader.vue'
import DayField from '~/components/DayField.vue'
import { useSession } from '~/stores/session'

/** Who saw or changed what, before and after: the trail as the server keeps it. */
const route = useRoute()
const session = useSession()
const lines = ref<AuditRow[]>([])
const more = ref(false)
const loaded = ref(false)
const trouble = ref('')
const person = ref('')
const kind = ref<AuditKind | ''>('')
const from = ref<string>()
const until = ref<string>()
/** one client's lines, where somebody came from their page */
const client = computed(() => (typeof route.query.client === 'string' ? route.query.client : ''))

const asked = computed(() => {
  const all = {
    client: client.value,
    person: person.value.trim(),
    kind: kind.value,
    from: from.value ?? '',
    until: until.value ?? '',
  }
  const some = Object.entries(all).filter(([, value]) => value !== '')
  return new URLSearchParams(some).toString()
})
async function load(before = '') {
  const query = asked.value
  const next = before && `${query && '&'}before=${before}`
  try {
    const answer = await api<{ lines: AuditRow[]; more: boolean }>(`audit?${query}${next}`)
    // Something else is looked for by now: its own answer is on its way.
    if (query !== asked.value) return
    lines.value = before ? [...lines.value, ...answer.lines] : answer.lines
    more.value = answer.more
    trouble.value = ''
  } catch (error) {
    trouble.value = (error as Error).message
  }
  loaded.value = true
}
onMounted(() => load())
watch(asked, () => load())
const next = () => load(lines.value.at(-1)?.id)

/** What a line says of before and after, where it says something. */
function changed({ action, detail }: AuditRow): string {
  if (typeof detail !== 'object' || detail === null) return ''
  const { before, after } = detail as { before?: unknown; after?: unknown }
  return before === undefined && after === undefined
    ? ''
    : differences(before, after, partOfAction(action)).join('; ')
}
const when = (at: string) => format(new Date(at), 'd MMM yyyy HH:mm:ss')
const KINDS = [
  { value: '', title: 'Everything' },
  ...Object.entries(AUDIT_KINDS).map(([value, { words }]) => ({ value, title: words })),
]
const HEADERS = [
  { key: 'at', title: 'When', nowrap: true },
  { key: 'person', title: 'Who' },
  { key: 'action', title: 'Did' },
  { key: 'code', title: 'Client', nowrap: true },
  { key: 'detail', title: 'Before → after', sortable: false },
]
const file = computed(() => `/api/audit/export?${asked.value}`)
</script>

<template>
  <div class="frame plain">
    <AppHeader title="Audit trail" fact="newest first" />
    <main class="main">
      <div class="title-row">
        <h1>Audit trail</h1>
        <span class="fact">who saw or changed what; lines can be added, never changed</span>
        <VBtn :href="file">CSV</VBtn>
      </div>
      <div class="asks">
        <VTextField v-model.lazy="person" label="Who" class="who" clearable />
        <VSelect v-model="kind" :items="KINDS" label="What" class="what" />
        <DayField v-model="from" label="From" class="day" />
        <DayField v-model="until" label="Until" class="day" />
        <VBtn v-if="client" to="/audit">All clients</VBtn>
      </div>
      <p v-if="trouble" class="notice stop" role="alert">{{ trouble }}</p>
      <section class="card scroll grow" tabindex="0" role="region" aria-label="Lines">
        <VDataTable class="table" :headers="HEADERS" :items="lines" :loading="!loaded">
          <template #[`item.at`]="{ item }">{{ when(item.at) }}</template>
          <template #[`item.person`]="{ item }"
            >{{ item.person ?? '–'
            }}<span v-if="item.place && session.places.length > 1" class="muted"
              >, {{ item.place }}</span
            ></template
          >
          <template #[`item.action`]="{ item }">
            <span :title="item.action">{{ actionWords(item.action) }}</span>
          </template>
          <template #[`item.code`]="{ item }">
            <NuxtLink v-if="item.code" :to="`/clients/${item.clientId}`">{{ item.code }}</NuxtLink>
            <span v-else-if="item.clientId" class="muted">erased</span>
          </template>
          <template #[`item.detail`]="{ item }">
            <span class="small">{{ changed(item) }}</span>
          </template>
          <template #loading><p class="muted none">Looking who did what …</p></template>
          <template #no-data><p class="muted none">No line says that.</p></template>
        </VDataTable>
        <div v-if="more" class="none"><VBtn @click="next">Show older lines</VBtn></div>
      </section>
    </main>
  </div>
</template>

<style scoped>
.asks {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
  align-items: flex-start;
  flex: none;
}
.who,
.what {
  max-width: 220px;
}
.day {
  max-width: 170px;
}
.none {
  padding: 12px 14px;
}
</style>
