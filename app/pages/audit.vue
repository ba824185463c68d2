<script setup lang="ts">
import { VDataTable } from 'vuetify/components'
import { format } from 'date-fns'
import { onMounted, ref } from 'vue'
import { api } from '~/browser/api'
import AppHeader from '~/components/AppHeader.vue'

interface Line {
  id: string
  at: string
  person: string | null
  action: string
  clientId: string | null
  detail: unknown
}
/** Who saw or changed what: the trail as the server keeps it. */
const lines = ref<Line[]>([])
const loaded = ref(false)
const trouble = ref('')
onMounted(() =>
  api<{ lines: Line[] }>('audit')
    .then((a) => (lines.value = a.lines))
    .catch((error: Error) => (trouble.value = error.message))
    .finally(() => (loaded.value = true)),
)
const HEADERS = [
  { key: 'at', title: 'When', nowrap: true },
  { key: 'person', title: 'Who' },
  { key: 'action', title: 'Did' },
  { key: 'clientId', title: 'Client', sortable: false },
]
</script>

<template>
  <div class="frame plain">
    <AppHeader title="Audit trail" fact="newest first" />
    <main class="main">
      <div class="title-row">
        <h1>Audit trail</h1>
        <span class="fact">who saw or changed what; lines can be added, never changed</span>
      </div>
      <p v-if="trouble" class="notice stop" role="alert">{{ trouble }}</p>
      <section class="card scroll grow" tabindex="0" aria-label="Lines">
        <VDataTable class="table" :headers="HEADERS" :items="lines" :loading="!loaded">
          <template #[`item.at`]="{ item }">{{
            format(new Date(item.at), 'd MMM HH:mm:ss')
          }}</template>
          <template #[`item.person`]="{ item }">{{ item.person ?? '–' }}</template>
          <template #[`item.clientId`]="{ item }"
            ><NuxtLink v-if="item.clientId" :to="`/clients/${item.clientId}`"
              >open</NuxtLink
            ></template
          >
          <template #loading><p class="muted none">Looking who did what …</p></template>
          <template #no-data><p class="muted none">No line yet.</p></template>
        </VDataTable>
      </section>
    </main>
  </div>
</template>

<style scoped>
.none {
  padding: 12px 14px;
}
</style>
