<script setup lang="ts">
import { format } from 'date-fns'
import { computed, reactive, ref } from 'vue'
import { VBtn, VSelect, VTextField } from 'vuetify/components'
import type { LabOrder } from '../../../core/record/schema'
import type { Side } from '../../../core/tables/vocabulary'
import { api } from '~/browser/api'
import { newId } from '~/browser/newId'
import DayField from '~/components/DayField.vue'
import SideMark from '~/components/SideMark.vue'
import StatusMark from '~/components/StatusMark.vue'
import { useFitting } from '~/stores/fitting'
import { useQueue } from '~/stores/queue'
import { useSession } from '~/stores/session'

/** Orders to the lab: a new one, what the lab asks back, and taking one back. */
const { feet } = defineProps<{
  /** feet that get a device */
  feet: readonly Side[]
}>()
const fitting = useFitting()
const queue = useQueue()
const session = useSession()
const trouble = ref('')
const busy = ref(false)
const note = ref('')
const wantedOn = ref<string | undefined>()
const remakeOf = ref<string | null>(null)
const remakeWhy = ref('')
const mayOrder = computed(() => session.may('devices.order') && !fitting.blocked)

const when = (at?: string) => (at ? format(new Date(at), 'd MMM, HH:mm') : '')
const day = (on?: string) => (on ? format(new Date(`${on}T12:00`), 'd MMM yyyy') : '')
const nameOf = ({ lab, feet: sides, at, answer }: LabOrder) =>
  [lab, sides.join(' and '), when(at), answer.reference].filter(Boolean).join(' · ')
const orders = computed(() => [...(fitting.record.orders ?? [])].reverse())
const remakes = computed(() => [
  { value: null, title: 'a first order' },
  ...orders.value.map((o) => ({ value: o.id, title: `made anew: ${nameOf(o)}` })),
])

/** What is said of an order. */
function stateOf({ answer }: LabOrder): { kind: 'good' | 'watch' | 'stop'; word: string } {
  if (answer.status === 'accepted')
    return { kind: 'good', word: `taken, ready ${day(answer.dueOn)}` }
  if (answer.status === 'queries')
    return { kind: 'watch', word: `${answer.queries.length} to answer` }
  if (answer.status === 'cancelled') return { kind: 'good', word: 'taken back' }
  if (answer.status === 'refused') return { kind: 'stop', word: 'the lab said no' }
  return { kind: 'watch', word: 'no answer yet: it may have arrived' }
}
const isUnanswered = ({ answer }: LabOrder) =>
  answer.status === 'sent' || answer.status === 'no answer'
const isOpen = ({ answer }: LabOrder) =>
  answer.status !== 'cancelled' && answer.status !== 'refused'

/** Asks the server, and reads again what it kept, also where no answer came. */
async function ask(path: string, body: object): Promise<boolean> {
  busy.value = true
  trouble.value = ''
  try {
    await api(`fittings/${fitting.id}/${path}`, 'POST', body)
    return true
  } catch (error) {
    trouble.value = (error as Error).message
    return false
  } finally {
    await queue.reload().catch(() => undefined)
    busy.value = false
  }
}

/**
 * An order's id is made with it and stays until it was answered, however often it is pressed; other
 * devices or feet are another order.
 */
let orderId: string = newId()
let ordered = ''
async function order() {
  await queue.flush()
  const what = JSON.stringify(feet.map((side) => fitting.record.feet[side]))
  if (what !== ordered) orderId = newId()
  ordered = what
  const done = await ask('order', {
    id: orderId,
    feet,
    note: note.value.trim(),
    ...(wantedOn.value && { wantedOn: wantedOn.value }),
    ...(remakeOf.value && { remakeOf: remakeOf.value, remakeWhy: remakeWhy.value.trim() }),
  })
  if (!done) return
  orderId = newId()
  note.value = ''
  remakeWhy.value = ''
  remakeOf.value = null
  wantedOn.value = undefined
}
const askAgain = ({ id, feet: sides, note: words = '' }: LabOrder) =>
  ask('order', { id, feet: sides, note: words })

/** What is being written to a question, by order, foot and code. */
const written = reactive<Record<string, string>>({})
type Query = LabOrder['answer']['queries'][number]
const keyOf = (o: LabOrder, q: Query) => `${o.id}/${q.foot}/${q.code}`
const repliesOf = (o: LabOrder) =>
  o.answer.queries.flatMap((q) => {
    const words = written[keyOf(o, q)]?.trim()
    return words ? [{ foot: q.foot, code: q.code, words }] : []
  })
async function reply(o: LabOrder) {
  const done = await ask('order/reply', { order: o.id, replies: repliesOf(o) })
  if (done) for (const q of o.answer.queries) written[keyOf(o, q)] = ''
}
/** the order that is about to be taken back: asked once more */
const cancelling = ref('')
async function cancel(o: LabOrder) {
  if (cancelling.value !== o.id) return void (cancelling.value = o.id)
  cancelling.value = ''
  await ask('order/cancel', { order: o.id })
}
const remadeWords = (o: LabOrder) => {
  const before = fitting.record.orders?.find((other) => other.id === o.remakeOf)
  return before ? `Made anew of ${nameOf(before)}: ${o.remakeWhy ?? ''}` : ''
}
</script>

<template>
  <section>
    <h3>Order from the lab</h3>
    <p v-if="trouble" class="notice stop" role="alert">{{ trouble }}</p>
    <div class="line">
      <VTextField
        v-model="note"
        maxlength="500"
        aria-label="Note for the lab"
        placeholder="a note for the lab"
        :disabled="!mayOrder"
      />
      <DayField v-model="wantedOn" class="day" label="Wanted for" :disabled="!mayOrder" />
      <VBtn
        color="primary"
        variant="flat"
        :disabled="feet.length === 0 || busy || !mayOrder"
        @click="order"
        >{{ busy ? 'Sending …' : 'Send order' }}</VBtn
      >
    </div>
    <div v-if="orders.length" class="line">
      <VSelect
        v-model="remakeOf"
        :items="remakes"
        aria-label="Made anew of which order"
        :disabled="!mayOrder"
      />
      <VTextField
        v-if="remakeOf"
        v-model="remakeWhy"
        maxlength="300"
        aria-label="Why it is made anew"
        placeholder="why it is made anew"
        :disabled="!mayOrder"
      />
    </div>
    <p class="small muted">
      A code goes out, no name. With it: prescription, readings, captured surface, footwear and its
      size, solids, positive, templates.
    </p>
    <article v-for="o in orders" :key="o.id" class="order">
      <StatusMark :kind="stateOf(o).kind" :word="stateOf(o).word" />
      <span class="small">{{ nameOf(o) }}</span>
      <p v-if="o.wantedOn" class="small muted">wanted for {{ day(o.wantedOn) }}</p>
      <p v-if="remadeWords(o)" class="small muted">{{ remadeWords(o) }}</p>
      <ul v-if="o.replies?.length" aria-label="Answers given">
        <li v-for="(r, i) in o.replies" :key="i" class="small muted">
          {{ r.code }}: “{{ r.words }}” {{ r.by }}, {{ when(r.at) }}
        </li>
      </ul>
      <form v-if="o.answer.queries.length" class="questions" @submit.prevent="reply(o)">
        <label v-for="q in o.answer.queries" :key="keyOf(o, q)" class="small">
          <SideMark v-if="q.foot !== 'both'" :side="q.foot" word /> {{ q.words }}
          <VTextField
            v-model="written[keyOf(o, q)]"
            maxlength="300"
            placeholder="your answer"
            :aria-label="`Answer: ${q.words}`"
            :disabled="!mayOrder || busy"
          />
        </label>
        <VBtn type="submit" size="small" :disabled="!mayOrder || busy || !repliesOf(o).length"
          >Answer the lab</VBtn
        >
      </form>
      <div class="line">
        <VBtn v-if="isUnanswered(o)" size="small" :disabled="busy || !mayOrder" @click="askAgain(o)"
          >Ask the lab again</VBtn
        >
        <VBtn v-if="isOpen(o)" size="small" :disabled="busy || !mayOrder" @click="cancel(o)">{{
          cancelling === o.id ? 'Really take it back' : 'Take it back'
        }}</VBtn>
      </div>
    </article>
  </section>
</template>

<style scoped>
section {
  border-bottom: 1px solid var(--hairline);
  padding-bottom: 8px;
}
h3 {
  font-size: 14px;
  padding-bottom: 5px;
}
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
}
.line .v-input {
  flex: 1;
  min-width: 120px;
}
.line .day {
  flex: 0 0 170px;
}
.order {
  padding: 6px 0;
  border-top: 1px solid var(--hairline);
}
.questions {
  display: flex;
  flex-direction: column;
  gap: 6px;
  padding: 4px 0 6px 12px;
  border-left: 3px solid var(--watch);
}
ul {
  padding-left: 18px;
}
</style>
