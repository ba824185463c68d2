<script setup lang="ts">
import { vFocusOnOpen } from '~/browser/focusOnOpen'
import DayField from '~/components/DayField.vue'
import { watchDebounced } from '@vueuse/core'
import { computed, ref } from 'vue'
import { VBtn, VCard, VTextField } from 'vuetify/components'
import { ageInYears, ADULT_FROM_YEARS } from '../../core/measure/ageAtVisit'
import { dayWords } from '../../core/record/typedDay'
import { likelyAsked, likelySame } from '../../core/record/likelySame'
import { newClientBody, type FoundClient } from '../../shared/contracts'
import { api } from '~/browser/api'
import { readForm, typedNumber, typedText } from '~/browser/readForm'
import { KEPT_HERE, useOutbox } from '~/stores/outbox'

/** Who came, and why: the client and a first fitting. */

const emit = defineEmits<{ close: [] }>()
const name = ref('')
const bornOn = ref<string>()
const bornTrouble = ref('')
const massKg = ref('')
const occupation = ref('')
const guardian = ref('')
const phone = ref('')
const reason = ref('')
const refused = ref('')
const asked = ref(false)
const busy = ref(false)
const today = new Date().toISOString().slice(0, 10)
const child = computed(
  () => bornOn.value !== undefined && ageInYears(bornOn.value, today) < ADULT_FROM_YEARS,
)
const form = computed(() =>
  readForm(newClientBody, {
    details: {
      name: name.value,
      bornOn: bornOn.value,
      massKg: typedNumber(massKg.value),
      occupation: typedText(occupation.value),
      guardian: typedText(guardian.value),
      phone: typedText(phone.value),
    },
    reason: typedText(reason.value),
  }),
)
/** A field is not told off before it was asked for or typed into. */
const nameTrouble = computed(() => (asked.value ? form.value.troubles['details.name'] : undefined))
const massTrouble = computed(() => form.value.troubles['details.massKg'])

/** Clients who may be the same person: so called, or born then, or with this telephone. */
const alike = ref<FoundClient[]>([])
watchDebounced(
  [name, bornOn, phone],
  async () => {
    const typed = { name: name.value, bornOn: bornOn.value, phone: phone.value }
    const found = await Promise.all(
      likelyAsked(typed).map((q) =>
        api<{ clients: FoundClient[] }>(`clients?q=${encodeURIComponent(q)}`)
          .then(({ clients }) => clients)
          // Away from the line nobody can be looked for; the client is added all the same.
          .catch(() => []),
      ),
    )
    // Somebody typed on meanwhile: the next look says who it is.
    const isStill = typed.name === name.value && typed.phone === phone.value
    if (isStill) alike.value = likelySame(typed, found.flat())
  },
  { debounce: 300 },
)
const alikeWords = (c: FoundClient) =>
  [c.bornOn && `born ${dayWords(c.bornOn)}`, c.phone, c.occupation].filter(Boolean).join(', ')

const outbox = useOutbox()
/** said once it waits for the line: asking again would add the client twice */
const kept = ref('')
async function begin() {
  asked.value = true
  if (!form.value.value || bornTrouble.value || busy.value || kept.value) return
  busy.value = true
  try {
    const done = await outbox.write<{ fittingId: string }>({
      method: 'POST',
      path: 'clients',
      body: form.value.value,
      words: `new client ${name.value}`,
    })
    if ('waits' in done) return void (kept.value = KEPT_HERE)
    emit('close')
    await navigateTo(`/fittings/${done.answer.fittingId}/story`)
  } catch (error) {
    refused.value = (error as Error).message
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <VCard class="new">
    <h2>New client</h2>
    <form @submit.prevent="begin">
      <VTextField
        v-model="name"
        v-focus-on-open
        label="Name"
        autocomplete="off"
        maxlength="120"
        class="wide"
        :error-messages="nameTrouble"
      />
      <DayField v-model="bornOn" v-model:trouble="bornTrouble" label="Born on" :max="today" />
      <VTextField
        v-model="massKg"
        label="Body weight, kg"
        inputmode="decimal"
        :error-messages="massTrouble"
      />
      <VTextField
        v-model="occupation"
        label="Does what"
        maxlength="120"
        placeholder="night nurse, skater …"
      />
      <VTextField v-model="phone" label="Telephone" inputmode="tel" maxlength="40" />
      <VTextField v-model="reason" label="Comes because of" maxlength="200" />
      <VTextField
        v-if="child"
        v-model="guardian"
        label="Guardian"
        maxlength="120"
        class="wide"
        hint="Under 16: a guardian is named"
        persistent-hint
      />
      <div v-if="alike.length" class="notice watch wide" role="status">
        <p><b>Perhaps here already:</b></p>
        <p v-for="c in alike" :key="c.id">
          <NuxtLink :to="`/clients/${c.id}`">{{ c.name }}, {{ c.code }}</NuxtLink>
          <span class="muted"> {{ alikeWords(c) }}</span>
        </p>
      </div>
      <p v-if="refused" class="stop-text wide" role="alert">{{ refused }}</p>
      <p v-if="kept" class="notice wide" role="status">{{ kept }}</p>
      <div class="acts wide">
        <VBtn type="submit" color="primary" variant="flat" :disabled="busy">Begin the fitting</VBtn
        ><VBtn @click="emit('close')">Cancel</VBtn>
      </div>
    </form>
  </VCard>
</template>

<style scoped>
.new {
  padding: 18px;
}
form {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
  margin-top: 12px;
}
.wide {
  grid-column: 1 / -1;
}
.acts {
  display: flex;
  gap: 8px;
}
</style>
