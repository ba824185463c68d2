<script setup lang="ts">
import { VTable } from 'vuetify/components'
import { READINGS, READING_KINDS, type ReadingKind } from '../../core/kinds/readings/all'
import { typedTableNumber } from './typedTableNumber'
import type { ShopTables } from '../../core/record/tables'
import DraftField from '~/components/DraftField.vue'

/** One line a reading: what is refused, when it is taken again, what is usual of the length. */
const { draft, may } = defineProps<{ draft: ShopTables; may: boolean }>()
const emit = defineEmits<{ change: [Partial<ShopTables>]; trouble: [string] }>()

const COLUMNS = [
  { words: 'refused below', head: 'Refused below', key: 'hardBoundsMm', at: ['0'] },
  { words: 'refused above', head: 'above, mm', key: 'hardBoundsMm', at: ['1'] },
  { words: 'again above', head: 'Again above a spread of, mm', key: 'repeatLimitMm', at: [] },
  { words: 'usual share', head: 'Usual share of length', key: 'ratioToLength', at: ['mean'] },
  { words: 'SD', head: 'SD', key: 'ratioToLength', at: ['sd'] },
] as const
type Column = (typeof COLUMNS)[number]

/** The number of a reading in a column; undefined where the table has no such row. */
function numberOf(what: ReadingKind, { key, at }: Column): number | undefined {
  const row = draft[key][what] as unknown
  return (at.length ? (row as Record<string, number> | undefined)?.[at[0]] : row) as
    number | undefined
}
const called = (what: ReadingKind, { words }: Column) => `${READINGS.of(what).name} ${words}`

function keep(what: ReadingKind, { key, at }: Column, text: string) {
  const place = { key, path: [what, ...at], name: READINGS.of(what).name }
  const typed = typedTableNumber(draft, place, text)
  if ('change' in typed) emit('change', typed.change)
  emit('trouble', 'trouble' in typed ? typed.trouble : '')
}
</script>

<template>
  <VTable class="table">
    <thead>
      <tr>
        <th>Reading</th>
        <th v-for="column in COLUMNS" :key="column.words">{{ column.head }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="what in READING_KINDS" :key="what">
        <td>
          <b>{{ READINGS.of(what).name }}</b>
        </td>
        <td v-for="column in COLUMNS" :key="column.words">
          <DraftField
            v-if="numberOf(what, column) !== undefined"
            class="num"
            inputmode="decimal"
            :value="numberOf(what, column)"
            :disabled="!may"
            :aria-label="called(what, column)"
            @keep="keep(what, column, $event)"
          />
          <span v-else class="muted">–</span>
        </td>
      </tr>
    </tbody>
  </VTable>
</template>

<style scoped src="./tables.css"></style>

<style scoped>
.num {
  width: 76px;
  --field-pad: 10px;
  font-size: 15px;
}
</style>
