<script setup lang="ts">
import { VTable } from 'vuetify/components'
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
const lines = ref<Line[]>([])
const trouble = ref('')
onMounted(() =>
  api<{ lines: Line[] }>('audit')
    .then((a) => (lines.value = a.lines))
    .catch((error: Error) => (trouble.value = error.message)),
)
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
        <VTable class="table">
          <thead>
            <tr>
              <th>When</th>
              <th>Who</th>
              <th>Did</th>
              <th>Client</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="l in lines" :key="l.id">
              <td class="nowrap">{{ format(new Date(l.at), 'd MMM HH:mm:ss') }}</td>
              <td>{{ l.person ?? '–' }}</td>
              <td>{{ l.action }}</td>
              <td><NuxtLink v-if="l.clientId" :to="`/clients/${l.clientId}`">open</NuxtLink></td>
            </tr>
          </tbody>
        </VTable>
      </section>
    </main>
  </div>
</template>
