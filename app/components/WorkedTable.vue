<script setup lang="ts">
import { computed, ref } from 'vue'
import { VDataTable } from 'vuetify/components'
import { REGIONS, type WorkedRow } from '../../core/followup/worked'
import PlainButton from './PlainButton.vue'
import StatusMark from './StatusMark.vue'

/** By complaint and modification: who came back, what changed; the clients of a row on demand. */
const { rows, loading } = defineProps<{ rows: WorkedRow[]; loading: boolean }>()

const words = (id: string) => REGIONS.find((g) => g.id === id)!.words
const n = (v: number) => `${v > 0 ? '+' : ''}${v.toFixed(1)}`
const lines = computed(() =>
  rows.map((row) => ({
    ...row,
    id: `${row.region} ${row.modification}`,
    complaint: words(row.region),
    painMean: row.pain?.mean ?? null,
    comfortMean: row.comfort?.mean ?? null,
  })),
)
type Line = (typeof lines.value)[number]
const HEADERS = [
  { key: 'complaint', title: 'Complaint, given' },
  { key: 'clients', title: 'Clients', nowrap: true },
  { key: 'painMean', title: 'Pain' },
  { key: 'comfortMean', title: 'Comfort' },
]

const open = ref<string[]>([])
const isOpen = ({ id }: Line) => open.value.includes(id)
const turn = (line: Line) => (open.value = isOpen(line) ? [] : [line.id])

const interval = ({ low, high }: { low: number; high: number }) => `${n(low)} to ${n(high)}`
const client = ({ client: code, before, after, comfort }: WorkedRow['list'][number]) => {
  const change = comfort === null ? '' : `, comfort ${n(comfort)}`
  return `${code}: ${before} → ${after ?? 'never back'}${change}`
}
</script>

<template>
  <VDataTable
    v-model:expanded="open"
    class="table"
    :headers="HEADERS"
    :items="lines"
    :loading="loading"
    item-value="id"
  >
    <template #[`item.complaint`]="{ item }">
      <PlainButton class="link" :aria-expanded="isOpen(item)" @click="turn(item)">
        <b>{{ item.complaint }}</b>: {{ item.modification }}
      </PlainButton>
    </template>
    <template #[`item.clients`]="{ item }">{{ item.cameBack }} back of {{ item.clients }}</template>
    <template #[`item.painMean`]="{ item }">
      <template v-if="item.pain">
        <b>{{ n(item.pain.mean) }}</b>
        {{ ' ' }}<span class="label muted nowrap">{{ interval(item.pain) }}</span>
      </template>
      <StatusMark v-else kind="watch" word="Few: list" />
    </template>
    <template #[`item.comfortMean`]="{ item }">
      <template v-if="item.comfort">
        <b>{{ n(item.comfort.mean) }}</b>
        {{ ' ' }}<span class="label muted nowrap">{{ interval(item.comfort) }}</span>
      </template>
      <span v-else class="muted">–</span>
    </template>
    <template #expanded-row="{ item, columns }">
      <tr>
        <td :colspan="columns.length" class="label">
          <span v-for="c in item.list" :key="c.client" class="chip">{{ client(c) }}</span>
          <span v-if="item.clients > item.list.length"
            >and {{ item.clients - item.list.length }} more</span
          >
        </td>
      </tr>
    </template>
    <template #loading><p class="muted none">Looking what worked …</p></template>
    <template #no-data>
      <p class="muted none">Nothing handed over with a complaint and a device yet.</p>
    </template>
  </VDataTable>
</template>

<style scoped>
.link {
  text-align: left;
  min-height: 36px;
}
.chip {
  margin: 2px;
}
.none {
  padding: 12px 14px;
}
</style>
