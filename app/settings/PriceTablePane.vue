<script setup lang="ts">
import { endOfMonth, format, startOfMonth, subMonths } from 'date-fns'
import { useSession } from '~/stores/session'
import { plainCopy } from '~/browser/plainCopy'
import { VBtn, VCheckboxBtn, VSelect, VTable } from 'vuetify/components'
import {
  PRICE_KINDS,
  priceTableSchema,
  type Price,
  type PriceTable,
} from '../../core/tables/prices'
import { pricedBy } from '../../core/followup/priced'
import { parseNumber } from '../../core/measure/parseNumber'
import { TABLES, type ShopTables } from '../../core/record/tables'
import DraftField from '~/components/DraftField.vue'
import PlainButton from '~/components/PlainButton.vue'

/** The shop's own prices; footwear brings its own from the catalogue. */
const { draft, may } = defineProps<{ draft: ShopTables; may: boolean }>()
const emit = defineEmits<{ change: [Partial<ShopTables>]; trouble: [string] }>()
function put(part: Partial<PriceTable>) {
  const read = priceTableSchema.safeParse(plainCopy({ ...draft.prices, ...part }))
  if (!read.success)
    return emit(
      'trouble',
      `${read.error.issues[0]!.path.join(' ')}: ${read.error.issues[0]!.message}. Nothing was changed.`,
    )
  emit('trouble', '')
  emit('change', { prices: read.data })
}
const row = (i: number, part: Partial<Price>) =>
  put({ prices: draft.prices.prices.map((p, k) => (k === i ? { ...p, ...part } : p)) })
function amount(text: string, keep: (v: number) => void) {
  const value = parseNumber(text)
  if (value === null) return emit('trouble', `“${text}” is not a number. Nothing was changed.`)
  keep(value)
}
const HEAD = [
  ['taxPercent', 'Tax, %'],
  ['guaranteeMonths', 'Guarantee, months'],
  ['visitsUnderGuarantee', 'Visits under guarantee'],
  ['validDays', 'A quote holds, days'],
  ['depositPercent', 'Deposit, %'],
] as const
const session = useSession()
/** This month and the two before it. */
const MONTHS = [0, 1, 2].map((back) => {
  const day = subMonths(new Date(), back)
  const iso = (at: Date) => format(at, 'yyyy-MM-dd')
  return {
    name: format(day, 'MMMM yyyy'),
    href: `/api/sold?from=${iso(startOfMonth(day))}&to=${iso(endOfMonth(day))}`,
  }
})
const standsFor = (kind: Price['kind']) => [
  { value: '', title: 'chosen by hand' },
  ...pricedBy(kind, draft.processes).map(({ of, name }) => ({ value: of, title: name })),
]
function add() {
  const used = new Set(draft.prices.prices.map((p) => p.id))
  put({
    prices: [
      ...draft.prices.prices,
      {
        id: Array.from({ length: 300 }, (_, k) => `own-${k + 1}`).find((v) => !used.has(v))!,
        name: 'New price',
        kind: 'other',
        amount: 0,
      },
    ],
  })
}
</script>

<template>
  <div class="tables">
    <p class="small muted">
      {{ TABLES.prices.source }}. Lines that stand for a device, work or visit come into a quote by
      themselves.
    </p>
    <div class="line">
      <label class="line"
        >Currency
        <DraftField
          class="num"
          maxlength="8"
          :value="draft.prices.currency"
          :disabled="!may"
          aria-label="Currency"
          @keep="(t: string) => put({ currency: t })" /></label
      ><label v-for="[key, words] in HEAD" :key="key" class="line"
        >{{ words }}
        <DraftField
          class="num"
          inputmode="decimal"
          :value="draft.prices[key]"
          :disabled="!may"
          :aria-label="words"
          @keep="(t: string) => amount(t, (v) => put({ [key]: v }))" /></label
      ><label class="line"
        ><VCheckboxBtn
          :model-value="draft.prices.withTax"
          :disabled="!may"
          @update:model-value="put({ withTax: !draft.prices.withTax })"
        />
        prices are with tax</label
      >
    </div>
    <VTable class="table">
      <thead>
        <tr>
          <th>Name</th>
          <th>Kind</th>
          <th>Stands for</th>
          <th>Price</th>
          <th>Own tax, %</th>
          <th />
        </tr>
      </thead>
      <tbody>
        <tr v-for="(p, i) in draft.prices.prices" :key="p.id">
          <td>
            <DraftField
              class="wide"
              maxlength="80"
              :value="p.name"
              :disabled="!may"
              :aria-label="`Name of ${p.name}`"
              @keep="(t: string) => row(i, { name: t })"
            />
          </td>
          <td>
            <VSelect
              class="num2"
              density="compact"
              :items="PRICE_KINDS"
              :model-value="p.kind"
              :disabled="!may"
              :aria-label="`Kind of ${p.name}`"
              @update:model-value="(kind: Price['kind']) => row(i, { kind, of: undefined })"
            />
          </td>
          <td>
            <VSelect
              class="of"
              density="compact"
              :items="standsFor(p.kind)"
              :model-value="p.of ?? ''"
              :disabled="!may"
              :aria-label="`What ${p.name} stands for`"
              @update:model-value="(of: string) => row(i, { of: of || undefined })"
            />
          </td>
          <td>
            <DraftField
              class="num"
              inputmode="decimal"
              :value="p.amount"
              :disabled="!may"
              :aria-label="`Price of ${p.name}`"
              @keep="(t: string) => amount(t, (v) => row(i, { amount: v }))"
            />
          </td>
          <td>
            <DraftField
              class="num"
              inputmode="decimal"
              :value="p.taxPercent ?? ''"
              :disabled="!may"
              :aria-label="`Tax of ${p.name}`"
              @keep="
                (t: string) =>
                  t.trim()
                    ? amount(t, (v) => row(i, { taxPercent: v }))
                    : row(i, { taxPercent: undefined })
              "
            />
          </td>
          <td>
            <PlainButton
              v-if="may"
              class="ic"
              :aria-label="`Take ${p.name} out`"
              @click="put({ prices: draft.prices.prices.filter((_, k) => k !== i) })"
            >
              ✕
            </PlainButton>
          </td>
        </tr>
      </tbody>
    </VTable>
    <VBtn v-if="may" size="small" height="44" @click="add">Add a price</VBtn>
    <p v-if="session.may('clients.export')" class="small">
      What was sold, for a bookkeeper’s program:
      <a v-for="m in MONTHS" :key="m.href" class="month" :href="m.href">{{ m.name }} (CSV)</a>
    </p>
  </div>
</template>

<style scoped src="./tables.css"></style>

<style scoped>
.tables {
  gap: 8px;
}
.num {
  width: 84px;
}
.num2 {
  width: 100px;
  --v-input-control-height: 36px;
  font-size: 14px;
}
.month {
  margin-left: 12px;
}
.of {
  width: 190px;
  --v-input-control-height: 36px;
  font-size: 14px;
}
.wide {
  min-width: 260px;
}
.ic {
  width: 36px;
  height: 36px;
  text-align: center;
}
</style>
