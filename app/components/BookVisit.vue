<script setup lang="ts">
import { format } from 'date-fns'
import { computed, onMounted, ref } from 'vue'
import { VBtn, VCard, VCombobox, VSelect, VTextField } from 'vuetify/components'
import { HOUSE_TABLES, type ShopTables } from '../../core/record/tables'
import type { DaylessVisit, PersonRow, VisitRow } from '../../shared/contracts'
import { api, ApiError } from '~/browser/api'
import { namedChoices } from '~/browser/choices'
import { typedClock } from '~/browser/typedClock'
import { KEPT_HERE, useOutbox } from '~/stores/outbox'
import AmountStepper from './AmountStepper.vue'
import DayField from './DayField.vue'
import FindOrNew from './FindOrNew.vue'
import type { Asked } from './whoComes'

/**
 * A visit is booked for a client, for one who rings for the first time too, or one that is booked is moved: when, how
 * long, why, with whom and in which chair. Without a day it waits for one.
 */
const {
  client = undefined,
  visit = undefined,
  at = {},
  chairs = 1,
} = defineProps<{
  /** whose; asked for where it is not said */
  client?: { id: string; name: string } | undefined
  /** the one that is moved */
  visit?: VisitRow | DaylessVisit | undefined
  /** what is known of a new one */
  at?: { startsAt?: string; chair?: number | null; personId?: string | null; reason?: string }
  /** how many there are */
  chairs?: number
}>()
const emit = defineEmits<{ close: []; kept: [] }>()
const outbox = useOutbox()

const begin = visit?.startsAt ?? at.startsAt
const day = ref<string | undefined>(format(begin ? new Date(begin) : new Date(), 'yyyy-MM-dd'))
const time = ref(begin ? format(new Date(begin), 'HH:mm') : '')
const minutes = ref(visit?.minutes ?? 45)
const reason = ref(visit?.reason ?? at.reason ?? '')
const personId = ref<string | null>(visit?.personId ?? at.personId ?? null)
const chair = ref<number | null>(visit?.chair ?? at.chair ?? null)
const who = ref<Asked | null>(null)
const phone = ref('')
const table = ref<ShopTables['visitMinutes']>(HOUSE_TABLES.visitMinutes)
const people = ref<PersonRow[]>([])
const trouble = ref('')
const kept = ref('')
/** What speaks against the time; it may be booked all the same. */
const clash = ref('')
const busy = ref(false)
onMounted(async () => {
  const [staff, rules] = await Promise.all([
    api<{ people: PersonRow[] }>('people').catch(() => ({ people: [] })),
    api<{ versions: { norms: ShopTables }[] }>('norms').catch(() => ({ versions: [] })),
  ])
  people.value = staff.people.filter((p) => p.state === 'here' && p.role !== 'reader')
  table.value = rules.versions[0]?.norms.visitMinutes ?? table.value
  if (!visit && reason.value) minutes.value = table.value[reason.value] ?? minutes.value
})
const CHAIRS = computed(() => [
  { value: null, title: 'whichever is free' },
  ...Array.from({ length: Math.max(chairs, chair.value ?? 0) }, (_, i) => ({
    value: i + 1,
    title: `Chair ${i + 1}`,
  })),
])
const WITH = computed(() => [
  { value: null, title: 'nobody in particular' },
  ...namedChoices(people.value),
])
/** A reason that the shop knows brings its length. */
function why(text: string | null) {
  reason.value = text ?? ''
  minutes.value = table.value[reason.value] ?? minutes.value
  clash.value = ''
}
const clock = computed(() => typedClock(time.value))
const isTime = computed(() => /^\d\d:\d\d$/.test(clock.value))
const timeTrouble = computed(() =>
  time.value !== '' && !isTime.value ? 'write a time as 9 or 14:30' : undefined,
)
const startsAt = computed(() =>
  day.value && isTime.value ? new Date(`${day.value}T${clock.value}`).toISOString() : null,
)
const name = computed(() => client?.name ?? visit?.name ?? visit?.code ?? who.value?.title ?? '')
/** Whose it is, as the server is told. */
const whose = computed(() => {
  if (client) return { clientId: client.id }
  if (!who.value) return null
  const { isNew, value, title } = who.value
  return isNew
    ? { newClient: { name: title, ...(phone.value.trim() && { phone: phone.value.trim() }) } }
    : { clientId: value }
})
const isReady = computed(() => visit !== undefined || whose.value !== null)
async function keep({ anyway = false, isDayless = false } = {}) {
  if (!isReady.value || busy.value || kept.value || !(startsAt.value || isDayless)) return
  busy.value = true
  trouble.value = ''
  const booking = {
    startsAt: isDayless ? null : startsAt.value,
    minutes: minutes.value,
    reason: reason.value.trim(),
    personId: personId.value,
    chair: chair.value,
    anyway,
  }
  const words = `visit of ${name.value}`
  const write = visit
    ? {
        method: 'PATCH' as const,
        path: `visits/${visit.id}`,
        body: { ...booking, version: visit.version },
        words,
      }
    : { method: 'POST' as const, path: 'visits', body: { ...booking, ...whose.value }, words }
  try {
    const done = await outbox.write(write)
    if ('waits' in done) return void (kept.value = KEPT_HERE)
    emit('kept')
  } catch (error) {
    if (error instanceof ApiError && error.problem?.code === 'clash') clash.value = error.message
    else trouble.value = (error as Error).message
  } finally {
    busy.value = false
  }
}
const go = computed(() => (visit ? 'Move it' : 'Book it'))
const title = computed(
  () => `${visit ? 'Move the visit' : 'Book a visit'}${name.value ? ` · ${name.value}` : ''}`,
)
</script>

<template>
  <VCard class="book">
    <h2>{{ title }}</h2>
    <form @submit.prevent="keep()">
      <FindOrNew v-if="!client && !visit" v-model="who" class="wide" />
      <VTextField
        v-if="who?.isNew"
        v-model="phone"
        class="wide"
        label="Telephone"
        type="tel"
        maxlength="40"
      />
      <DayField v-model="day" label="Day" @update:model-value="clash = ''" />
      <VTextField
        v-model="time"
        label="Time"
        inputmode="numeric"
        placeholder="14:30"
        :error-messages="timeTrouble"
        @update:model-value="clash = ''"
      />
      <VCombobox
        :model-value="reason"
        label="Because of"
        :items="Object.keys(table)"
        maxlength="200"
        hide-no-data
        @update:model-value="why"
      />
      <AmountStepper
        :value="minutes"
        unit="min"
        :step="5"
        :min="5"
        :max="480"
        :start="45"
        label="Length of the visit"
        @keep="(v: number) => (minutes = v)"
      />
      <VSelect v-model="personId" label="With" :items="WITH" @update:model-value="clash = ''" />
      <VSelect v-model="chair" label="Chair" :items="CHAIRS" @update:model-value="clash = ''" />
      <p v-if="clash" class="notice watch wide" role="alert">{{ clash }}</p>
      <p v-if="trouble" class="notice stop wide" role="alert">{{ trouble }}</p>
      <p v-if="kept" class="notice wide" role="status">{{ kept }}</p>
      <div class="acts wide">
        <VBtn
          v-if="!clash"
          type="submit"
          color="primary"
          variant="flat"
          :disabled="!startsAt || !isReady || busy"
          >{{ go }}</VBtn
        >
        <VBtn v-else :disabled="busy" @click="keep({ anyway: true })">{{ go }} all the same</VBtn>
        <VBtn
          v-if="!visit && !startsAt"
          :disabled="!isReady || busy"
          @click="keep({ isDayless: true })"
          >Waits for a day</VBtn
        >
        <VBtn @click="emit('close')">{{ kept ? 'Close' : 'Cancel' }}</VBtn>
      </div>
    </form>
  </VCard>
</template>

<style scoped>
.book {
  padding: 18px;
}
form {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
  margin-top: 12px;
  align-items: start;
}
.wide {
  grid-column: 1 / -1;
}
.acts {
  display: flex;
  gap: 8px;
}
</style>
