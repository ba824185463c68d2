<script setup lang="ts">
import { format } from 'date-fns'
import { computed, onMounted, ref } from 'vue'
import { VDataTable } from 'vuetify/components'
import type { BackupRow } from '../../shared/contracts'
import { api } from '~/browser/api'
import StatusMark from '~/components/StatusMark.vue'

/** How what was typed is kept: the last good backup, the nights before, the room that is left. */
interface Keeping {
  lastGood: BackupRow | null
  backups: BackupRow[]
  freeBytes: number | null
}
/** After so long without a good one something is wrong, hours. */
const LATE_HOURS = 36
/** With less room than this it is time to make some. */
const LITTLE_BYTES = 2_000_000_000
const HEADERS = [
  { title: 'When', key: 'at' },
  { title: 'File', key: 'file' },
  { title: 'Size', key: 'bytes' },
  { title: 'What came of it', key: 'problem' },
]

const keeping = ref<Keeping | null>(null)
const trouble = ref('')
onMounted(async () => {
  try {
    keeping.value = await api<Keeping>('backups')
  } catch (error) {
    trouble.value = (error as Error).message
  }
})
const last = computed(() => keeping.value?.lastGood ?? null)
const hours = computed(() =>
  last.value ? (Date.now() - Date.parse(last.value.at)) / 3_600_000 : 0,
)
const isLate = computed(() => !last.value || hours.value > LATE_HOURS)
const hasLittle = computed(() => (keeping.value?.freeBytes ?? Infinity) < LITTLE_BYTES)
const room = computed(() => {
  const { freeBytes } = keeping.value ?? {}
  return typeof freeBytes === 'number' ? `${(freeBytes / 1e9).toFixed(0)} GB` : 'unknown'
})
const time = (at: string) => format(new Date(at), 'd MMM yyyy, HH:mm')
const size = (bytes: number | null) => (bytes === null ? '' : `${(bytes / 1e6).toFixed(1)} MB`)
</script>

<template>
  <div class="cols two">
    <section class="card scroll" tabindex="0" role="region" aria-label="Backups">
      <div class="card-head"><h2>Backups</h2></div>
      <VDataTable
        class="table"
        :headers="HEADERS"
        :items="keeping?.backups ?? []"
        :loading="!keeping && !trouble"
      >
        <template #[`item.at`]="{ item }">{{ time(item.at) }}</template>
        <template #[`item.bytes`]="{ item }">{{ size(item.bytes) }}</template>
        <template #[`item.problem`]="{ item }">
          <StatusMark v-if="item.problem" kind="stop" :word="item.problem" />
          <StatusMark v-else kind="good" word="read back whole" />
        </template>
        <template #no-data>No backup was made yet.</template>
      </VDataTable>
      <p v-if="trouble" class="notice stop" role="alert">{{ trouble }}</p>
    </section>
    <section v-if="keeping" class="card card-body side">
      <h2>Last good one</h2>
      <StatusMark
        v-if="isLate"
        kind="watch"
        :word="last ? 'older than it should be' : 'none yet'"
      />
      <StatusMark v-else kind="good" word="in time" />
      <p v-if="last">{{ time(last.at) }}<br />{{ last.file }}, {{ size(last.bytes) }}</p>
      <p class="muted small">
        One is made every night and read back; fourteen nights are kept. Carry one out of the house
        now and then: a fire takes the machine and its backups.
      </p>
      <h2>Room on the disk</h2>
      <StatusMark :kind="hasLittle ? 'watch' : 'good'" :word="`${room} left`" />
    </section>
  </div>
</template>

<style scoped>
.two {
  grid-template-columns: minmax(0, 1fr) 280px;
}
.side {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
</style>
