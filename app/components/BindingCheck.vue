<script setup lang="ts">
import { computed, ref } from 'vue'
import { VBtn, VTextField } from 'vuetify/components'
import { bindingBasis, bindingState } from '../../core/footwear/bindingCheck'
import { dayWords } from '../../core/record/typedDay'
import { plainCopy } from '~/browser/plainCopy'
import StatusMark from './StatusMark.vue'
import { useChanges } from '~/stores/changes'
import { useFitting } from '~/stores/fitting'

/** A tick with name and day: the binding was set and tested again by a certified technician, for what is worn now. */
const fitting = useFitting()
const changes = useChanges()
const by = ref('')
const trouble = ref('')
const state = computed(() => bindingState(fitting.record))
const tested = computed(() =>
  state.value.kind === 'tested'
    ? `Binding set and tested by ${state.value.by}${state.value.at ? `, ${dayWords(state.value.at.slice(0, 10))}` : ''}`
    : '',
)
const due = computed(() =>
  state.value.kind === 'due' ? `Binding to be set and tested: ${state.value.why.join('; ')}` : '',
)
function keep() {
  const name = by.value.trim()
  const { footwear } = fitting.record
  if (!footwear?.chosen) return
  if (!name) return void (trouble.value = 'Name the certified technician who tested it.')
  const binding = {
    by: name,
    testedAt: new Date().toISOString(),
    basis: bindingBasis(fitting.record),
  }
  const next = { ...footwear, chosen: { ...footwear.chosen, binding } }
  trouble.value = changes.put('footwear', plainCopy(next), 'binding tested') ?? ''
  if (!trouble.value) by.value = ''
}
</script>

<template>
  <div v-if="state.kind !== 'none'" class="binding" role="group" aria-label="Binding">
    <StatusMark v-if="tested" kind="good" :word="tested" />
    <form v-else class="line" @submit.prevent="keep">
      <StatusMark kind="watch" :word="due" />
      <VTextField
        v-model="by"
        class="who"
        density="compact"
        label="Certified technician"
        maxlength="80"
        :error-messages="trouble || undefined"
        :disabled="fitting.readOnly"
      />
      <VBtn type="submit" :disabled="fitting.readOnly">Tested</VBtn>
    </form>
  </div>
</template>

<style scoped>
.binding {
  padding: 8px 12px;
}
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
.binding :deep(.status) {
  white-space: normal;
  flex: 1 1 100%;
}
.who {
  flex: 1;
  min-width: 9rem;
  max-width: 18rem;
}
</style>
