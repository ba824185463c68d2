<script setup lang="ts">
import { format } from 'date-fns'
import { computed, onMounted, ref } from 'vue'
import { VBtn, VCard, VCombobox, VSelect, VTextField } from 'vuetify/components'
import { HOUSE_TABLES, type ShopTables } from '../../core/record/tables'
import type { PersonRow, VisitRow } from '../../shared/contracts'
import { api, ApiError } from '~/browser/api'
import { namedChoices } from '~/browser/choices'
import { typedClock } from '~/browser/typedClock'
import { KEPT_HERE, useOutbox } from '~/stores/outbox'
import AmountStepper from './AmountStepper.vue'
import DayField from './DayField.vue'

/** A visit is booked for a client, or one that is booked is moved: when, how long, why and with whom. */
const { client, visit = undefined } = defineProps<{
  client: { id: string; name: string }
  /** the one that is moved */
  visit?: VisitRow | undefined
}>()
const emit = defineEmits<{ close: []; kept: [] }>()
const outbox = useOutbox()

const at = visit ? new Date(visit.startsAt) : new Date()
const day = ref<string | undefined>(format(at, 'yyyy-MM-dd'))
const time = ref(visit ? format(at, 'HH:mm') : '')
const minutes = ref(visit?.minutes ?? 45)
const reason = ref(visit?.reason ?? '')
const personId = ref<string | null>(visit?.personId ?? null)
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
})
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
const words = computed(() => `visit of ${client.name}`)
async function keep(anyway: boolean) {
  if (!startsAt.value || busy.value || kept.value) return
  busy.value = true
  trouble.value = ''
  const booking = {
    startsAt: startsAt.value,
    minutes: minutes.value,
    reason: reason.value.trim(),
    personId: personId.value,
    anyway,
  }
  const write = visit
    ? {
        method: 'PATCH' as const,
        path: `visits/${visit.id}`,
        body: { ...booking, version: visit.version },
      }
    : { method: 'POST' as const, path: 'visits', body: { ...booking, clientId: client.id } }
  try {
    const done = await outbox.write({ ...write, words: words.value })
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
</script>

<template>
  <VCard class="book">
    <h2>{{ visit ? 'Move the visit' : 'Book a visit' }} · {{ client.name }}</h2>
    <form @submit.prevent="keep(false)">
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
      <VSelect
        v-model="personId"
        class="wide"
        label="With"
        :items="WITH"
        @update:model-value="clash = ''"
      />
      <p v-if="clash" class="notice watch wide" role="alert">{{ clash }}</p>
      <p v-if="trouble" class="notice stop wide" role="alert">{{ trouble }}</p>
      <p v-if="kept" class="notice wide" role="status">{{ kept }}</p>
      <div class="acts wide">
        <VBtn
          v-if="!clash"
          type="submit"
          color="primary"
          variant="flat"
          :disabled="!startsAt || busy"
          >{{ go }}</VBtn
        >
        <VBtn v-else :disabled="busy" @click="keep(true)">{{ go }} all the same</VBtn>
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
