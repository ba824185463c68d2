<script setup lang="ts">
import { newId } from '~/browser/newId'
import { format } from 'date-fns'
import { computed, ref, watch } from 'vue'
import { VBtn, VCard, VDialog, VTable, VTextField } from 'vuetify/components'
import {
  money,
  quoteLines,
  quoteOf,
  quoteState,
  quoteSums,
  withQuote,
} from '../../../core/followup/quote'
import { parseNumber } from '../../../core/measure/parseNumber'
import type { Quote, QuoteLine } from '../../../core/record/schema'
import { api } from '~/browser/api'
import DraftField from '~/components/DraftField.vue'
import StatusMark from '~/components/StatusMark.vue'
import { useFitting } from '~/stores/fitting'
import { useModels } from '~/stores/models'
import { useSession } from '~/stores/session'
import { useChanges } from '~/stores/changes'
import AddFrom from '~/components/AddFrom.vue'

/**
 * What it costs, before it is made: lines by the price list, changed by hand, kept with the
 * client's answer.
 */
const fitting = useFitting()
const changes = useChanges()
const models = useModels()
const session = useSession()
const open = ref(false)
const trouble = ref('')
const lines = ref<QuoteLine[]>([])
const said = ref('')
/** who says yes; the client unless somebody else does */
const acceptedBy = ref<string | null>(null)
const accepts = computed(() => acceptedBy.value ?? fitting.record.client?.name ?? '')
/** was this client here before? Then the first visit was charged then */
const isKnown = ref(false)
watch(
  () => fitting.client?.id,
  (id) =>
    id &&
    void api<{ fittings: { id: string }[] }>(`clients/${id}`)
      .then(({ fittings }) => (isKnown.value = fittings.at(-1)?.id !== fitting.id))
      .catch(() => undefined),
  { immediate: true },
)
const table = computed(() => fitting.tables.prices)
const quotes = computed(() => fitting.record.quotes ?? [])
const last = computed(() => quotes.value.at(-1))
const asked = computed(() =>
  quoteLines(fitting.record, models.models, fitting.tables, { isKnown: isKnown.value }),
)
const headWords = computed(() => {
  const { no, on, validUntil, answer, acceptedBy: by, answeredOn } = last.value!
  const yes = answer === 'accepted' && by ? `, accepted by ${by}, ${answeredOn}` : ''
  return `${no ? `no. ${no}, ` : ''}of ${on}, holds until ${validUntil}${yes}`
})
const WORDS: Record<
  Quote['answer'],
  { kind: 'good' | 'watch' | 'stop' | 'suggest'; word: string }
> = {
  open: { kind: 'watch', word: 'No answer yet' },
  accepted: { kind: 'good', word: 'Accepted' },
  changed: { kind: 'suggest', word: 'Changed' },
  declined: { kind: 'stop', word: 'Not taken' },
}
/** Has what is to be made changed since the quote was given? */
const stale = computed(
  () =>
    last.value !== undefined &&
    quoteState(last.value, asked.value.lines, format(new Date(), 'yyyy-MM-dd')).changed.length > 0,
)
function begin() {
  lines.value = structuredClone(asked.value.lines)
  trouble.value = ''
  open.value = true
}
const shown = computed(() => ({ lines: lines.value, withTax: table.value.withTax }))
const sums = computed(() => quoteSums(shown.value))
function set(i: number, key: 'count' | 'amount' | 'taxPercent', text: string) {
  const value = parseNumber(text)
  if (
    value === null ||
    (key === 'count' && (!Number.isInteger(value) || value < 1 || value > 99)) ||
    Math.abs(value) > 100_000
  )
    return void (trouble.value = `“${text}” is not a number that fits here. Nothing was changed.`)
  trouble.value = ''
  lines.value = lines.value.map((l, k) => (k === i ? { ...l, [key]: value } : l))
}
function add(id: string) {
  const price = table.value.prices.find((p) => p.id === id)
  lines.value = [
    ...lines.value,
    price
      ? {
          words: price.name,
          count: 1,
          amount: price.amount,
          taxPercent: price.taxPercent ?? table.value.taxPercent,
        }
      : { words: 'Something else', count: 1, amount: 0, taxPercent: table.value.taxPercent },
  ]
}
function keep() {
  const quote = quoteOf(lines.value, table.value, {
    id: newId().slice(0, 8),
    on: format(new Date(), 'yyyy-MM-dd'),
    by: session.person?.name,
  })
  const refused = changes.put('quotes', withQuote(quotes.value, quote), 'quote')
  if (refused) trouble.value = refused
  else open.value = false
}
function answer(what: Quote['answer']) {
  const on = format(new Date(), 'yyyy-MM-dd')
  trouble.value =
    changes.put(
      'quotes',
      quotes.value.map((q) =>
        q.id === last.value!.id
          ? {
              ...q,
              answer: what,
              answeredOn: on,
              ...(said.value.trim() && { words: said.value.trim() }),
              ...(what === 'accepted' && { acceptedBy: accepts.value.trim() }),
            }
          : q,
      ),
      `quote ${what}`,
    ) ?? ''
  said.value = ''
  acceptedBy.value = null
}
const PRICES = computed(() => [
  ...table.value.prices.map(({ id, name, amount }) => ({
    value: id,
    title: `${name}, ${money(amount, table.value.currency)}`,
  })),
  { value: '-', title: 'something else' },
])
</script>

<template>
  <section class="card">
    <div class="card-head">
      <h2>Quote</h2>
      <StatusMark
        v-if="last"
        class="aside"
        :kind="WORDS[last.answer].kind"
        :word="WORDS[last.answer].word"
      />
    </div>
    <div class="card-body form">
      <p v-if="trouble && !open" class="small stop-text" role="alert">{{ trouble }}</p>
      <p v-if="!last" class="muted">
        None given yet:
        {{
          asked.lines.length
            ? `${money(quoteSums({ lines: asked.lines, withTax: table.withTax }).total, table.currency)} by the price list`
            : 'nothing to price'
        }}.
      </p>
      <template v-else
        ><p>
          <b>{{ money(quoteSums(last).total, last.currency) }}</b>
          <span class="muted label">{{ headWords }}</span>
        </p>
        <p v-if="last.deposit" class="label">
          Deposit when it is accepted: {{ money(last.deposit, last.currency) }}
        </p>
        <p v-if="last.words" class="label">“{{ last.words }}”</p>
        <p v-if="stale" class="label watch-text">
          ▲ What is to be made has changed since. Give a new quote before making.
        </p>
        <template v-if="last.answer === 'open' && !fitting.readOnly"
          ><VTextField
            v-model="said"
            maxlength="300"
            placeholder="What they said (may stay empty)"
            aria-label="What the client said"
          />
          <VTextField
            :model-value="accepts"
            label="Accepted by"
            maxlength="80"
            @update:model-value="(t: string) => (acceptedBy = t)"
          />
          <div class="line">
            <VBtn
              color="primary"
              variant="flat"
              :disabled="!accepts.trim()"
              @click="answer('accepted')"
              >Accepted</VBtn
            ><VBtn @click="answer('declined')">Not taken</VBtn>
          </div></template
        ></template
      >
      <div class="line">
        <VBtn :disabled="fitting.readOnly || asked.lines.length === 0" @click="begin">{{
          last ? 'Give another' : 'Make a quote'
        }}</VBtn><VBtn
          v-if="last"
          :href="`/api/fittings/${fitting.id}/quote?id=${last.id}`"
          target="_blank"
          >Quote (PDF)</VBtn
        >
      </div>
    </div>
    <VDialog v-model="open" max-width="860"
      ><VCard v-if="open" class="dlg"
        ><h2>Quote</h2>
        <p v-if="trouble" class="notice stop" role="alert">{{ trouble }}</p>
        <p v-if="asked.missing.length" class="notice">
          ▲ No price for {{ asked.missing.join(', ') }}. Add a line, or a price in Settings.
        </p>
        <VTable class="table">
          <thead>
            <tr>
              <th>What</th>
              <th>Count</th>
              <th>Each, {{ table.currency }}</th>
              <th>Tax, %</th>
              <th />
            </tr>
          </thead>
          <tbody>
            <tr v-for="(l, i) in lines" :key="i">
              <td>
                <DraftField
                  maxlength="160"
                  :value="l.words"
                  :aria-label="`Words of line ${i + 1}`"
                  @keep="
                    (t: string) =>
                      t.trim() &&
                      (lines = lines.map((x, k) => (k === i ? { ...x, words: t.trim() } : x)))
                  "
                />
              </td>
              <td>
                <DraftField
                  class="num"
                  inputmode="numeric"
                  :value="l.count"
                  :aria-label="`Count of line ${i + 1}`"
                  @keep="(t: string) => set(i, 'count', t)"
                />
              </td>
              <td>
                <DraftField
                  class="num"
                  inputmode="decimal"
                  :value="l.amount"
                  :aria-label="`Price of line ${i + 1}`"
                  @keep="(t: string) => set(i, 'amount', t)"
                />
              </td>
              <td>
                <DraftField
                  class="num"
                  inputmode="decimal"
                  :value="l.taxPercent"
                  :aria-label="`Tax of line ${i + 1}`"
                  @keep="(t: string) => set(i, 'taxPercent', t)"
                />
              </td>
              <td>
                <VBtn
                  variant="text"
                  :aria-label="`Take line ${i + 1} out`"
                  @click="lines = lines.filter((_, k) => k !== i)"
                  >Out</VBtn
                >
              </td>
            </tr>
          </tbody>
        </VTable>
        <div class="line">
          <AddFrom class="pick" words="Add a line" :items="PRICES" @add="add" />
          <p class="sum">
            {{ money(sums.net, table.currency) }} +
            {{
              sums.tax
                .map((t) => `${money(t.amount, table.currency)} tax ${t.percent} %`)
                .join(' + ') || 'no tax'
            }}
            = <b>{{ money(sums.total, table.currency) }}</b>
          </p>
        </div>
        <div class="line end">
          <VBtn variant="text" @click="open = false">Leave it</VBtn
          ><VBtn color="primary" variant="flat" :disabled="lines.length === 0" @click="keep"
            >Keep the quote</VBtn
          >
        </div></VCard
      ></VDialog
    >
  </section>
</template>

<style scoped>
.form {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.line {
  display: flex;
  gap: 8px;
  align-items: center;
  flex-wrap: wrap;
}
.end {
  justify-content: flex-end;
}
.dlg {
  padding: 18px;
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.num {
  width: 92px;
  text-align: right;
}
.pick {
  width: 320px;
}
.sum {
  margin-left: auto;
}
</style>
