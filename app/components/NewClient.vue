<script setup lang="ts">
import DayField from '~/components/DayField.vue'
import { computed, ref } from 'vue'
import { VBtn, VCard, VTextField } from 'vuetify/components'
import { parseNumber } from '../../core/measure/callOut'
import { ageInYears, ADULT_FROM_YEARS } from '../../core/measure/ageAtVisit'
import { api } from '~/browser/api'

const emit = defineEmits<{ close: [] }>()
const name = ref('')
const bornOn = ref<string>()
const bornTrouble = ref('')
const massKg = ref('')
const occupation = ref('')
const guardian = ref('')
const reason = ref('')
const trouble = ref('')
const busy = ref(false)
const today = new Date().toISOString().slice(0, 10)
const child = computed(
  () => bornOn.value !== undefined && ageInYears(bornOn.value, today) < ADULT_FROM_YEARS,
)
const mass = computed(() => (massKg.value.trim() ? parseNumber(massKg.value) : undefined))
const massTrouble = computed(() =>
  mass.value === null
    ? 'A number in kg, like 64.5'
    : mass.value !== undefined && (mass.value < 2 || mass.value > 350)
      ? 'Between 2 and 350 kg'
      : '',
)

async function begin() {
  if (!name.value.trim()) {
    trouble.value = 'A name is needed.'
    return
  }
  if (massTrouble.value || bornTrouble.value || busy.value) return
  busy.value = true
  try {
    const details = {
      name: name.value.trim(),
      ...(bornOn.value && { bornOn: bornOn.value }),
      ...(typeof mass.value === 'number' && { massKg: mass.value }),
      ...(occupation.value.trim() && { occupation: occupation.value.trim() }),
      ...(guardian.value.trim() && { guardian: guardian.value.trim() }),
    }
    const { fittingId } = await api<{ fittingId: string }>('clients', 'POST', {
      details,
      ...(reason.value.trim() && { reason: reason.value.trim() }),
    })
    emit('close')
    await navigateTo(`/fittings/${fittingId}/story`)
  } catch (error) {
    trouble.value = (error as Error).message
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
        label="Name"
        autofocus
        autocomplete="off"
        maxlength="120"
        class="wide"
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
      <p v-if="trouble" class="stop-text wide" role="alert">{{ trouble }}</p>
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
