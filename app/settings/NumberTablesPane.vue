<script setup lang="ts">
import { computed, ref } from 'vue'
import { VTable, VTextField } from 'vuetify/components'
import type { TableNumber } from '../../core/record/tableNumbers'
import type { ShopTables } from '../../core/record/tables'
import DraftField from '~/components/DraftField.vue'
import { NUMBER_TABLES } from './ownPanes'
import { typedTableNumber } from './typedTableNumber'
import { holds, ruleRows, tableRows, type NumberRow } from './numberRows'

/** Every table of numbers, or the thresholds of every rule, each with its unit and source. */
const { draft, may, what } = defineProps<{
  draft: ShopTables
  may: boolean
  what: 'tables' | 'rules'
}>()
const emit = defineEmits<{ change: [Partial<ShopTables>]; trouble: [string] }>()

const wanted = ref('')
const rows = computed(() => (what === 'rules' ? ruleRows(draft) : tableRows(NUMBER_TABLES, draft)))
const shown = computed(() => rows.value.filter((row) => holds(row, wanted.value.trim())))

/** What one field is called aloud: the table's name and the number's own. */
const called = (row: NumberRow, number: TableNumber) => `${row.name} ${number.label}`.trim()
/** One tooltip for a value of one's own: what the house has. */
const houseOf = ({ value, house }: TableNumber) =>
  house === null || house === value ? undefined : `house: ${house}`
const placeOf = ({ path }: TableNumber) => path.join('.')

function keep({ key, name }: NumberRow, { path }: TableNumber, text: string) {
  const typed = typedTableNumber(draft, { key, path, name }, text)
  if ('change' in typed) emit('change', typed.change)
  emit('trouble', 'trouble' in typed ? typed.trouble : '')
}
</script>

<template>
  <div>
    <VTextField
      v-model="wanted"
      class="find"
      aria-label="Find a number by its words"
      placeholder="find: toes, hour, boots …"
      clearable
    />
    <VTable class="table">
      <thead>
        <tr>
          <th>{{ what === 'rules' ? 'Rule' : 'What' }}</th>
          <th>Value</th>
          <th>Unit</th>
          <th>House value from</th>
          <th>State</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in shown" :key="row.id">
          <td>
            <b>{{ row.name }}</b>
          </td>
          <td>
            <div class="cells">
              <label v-for="number in row.numbers" :key="placeOf(number)" class="cell">
                <span v-if="number.label" class="muted small">{{ number.label }}</span>
                <DraftField
                  class="num"
                  :class="{ own: houseOf(number) }"
                  inputmode="decimal"
                  :value="number.value"
                  :title="houseOf(number)"
                  :disabled="!may"
                  :aria-label="called(row, number)"
                  @keep="keep(row, number, $event)"
                />
              </label>
            </div>
          </td>
          <td>{{ row.unit }}</td>
          <td class="muted">{{ row.source }}</td>
          <td class="muted small">{{ row.state }}</td>
        </tr>
        <tr v-if="!shown.length">
          <td colspan="5" class="muted">No number is called that.</td>
        </tr>
      </tbody>
    </VTable>
  </div>
</template>

<style scoped src="./tables.css"></style>

<style scoped>
.find {
  max-width: 320px;
  margin: 8px 10px;
}
.cells {
  display: flex;
  gap: 6px;
  flex-wrap: wrap;
  align-items: flex-end;
}
.cell {
  display: flex;
  flex-direction: column;
  max-width: 190px;
}
.num {
  width: 76px;
  --field-pad: 10px;
  font-size: 15px;
}
</style>
