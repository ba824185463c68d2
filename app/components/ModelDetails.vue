<script setup lang="ts">
import { ref, watch } from 'vue'
import { VBtn, VCard, VCheckboxBtn, VDialog, VSelect, VTextField } from 'vuetify/components'
import type { FootwearModel } from '../../core/footwear/catalogueSchema'
import {
  detailsForm,
  MODEL_DETAILS,
  withDetails,
  type DetailsForm,
} from '../../core/footwear/modelDetails'
import { Refusal } from '../../core/record/refusal'

/** What is known of a model beside its inside: names, price, sizes, grade, liner, board, wall, cuff. */
const { model } = defineProps<{ model: FootwearModel }>()
const emit = defineEmits<{ keep: [FootwearModel] }>()
const open = defineModel<boolean>({ required: true })
const form = ref<DetailsForm>({})
const trouble = ref('')
watch(
  open,
  (is) => {
    if (!is) return
    form.value = detailsForm(model)
    trouble.value = ''
  },
  { immediate: true },
)
function keep() {
  try {
    emit('keep', withDetails(model, form.value))
    open.value = false
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    trouble.value = error.message
  }
}
</script>

<template>
  <VDialog v-model="open" max-width="900" scrollable>
    <VCard class="pane">
      <h2>{{ model.name }}: details</h2>
      <p v-if="trouble" class="notice stop" role="alert">{{ trouble }}</p>
      <form id="model-details" class="groups" @submit.prevent="keep">
        <fieldset v-for="group in MODEL_DETAILS" :key="group.name">
          <legend>{{ group.name }}</legend>
          <template v-for="f in group.fields" :key="f.path">
            <label v-if="f.kind === 'yes'" class="yes"
              ><VCheckboxBtn
                :model-value="form[f.path] === 'yes'"
                @update:model-value="(on: boolean) => (form[f.path] = on ? 'yes' : '')"
              />
              {{ f.name }}</label
            >
            <label v-else
              ><span>{{ f.name }}{{ f.unit ? `, ${f.unit}` : '' }}</span
              ><VSelect
                v-if="f.choices"
                v-model="form[f.path]"
                :items="f.choices"
                :aria-label="f.name" /><VTextField
                v-else
                v-model="form[f.path]"
                :inputmode="f.kind === 'number' ? 'decimal' : 'text'"
                maxlength="400"
                :aria-label="f.name"
            /></label>
          </template>
        </fieldset>
      </form>
      <div class="line">
        <VBtn type="submit" form="model-details" color="primary" variant="flat"
          >Keep the details</VBtn
        ><VBtn variant="text" @click="open = false">Close</VBtn>
      </div>
    </VCard>
  </VDialog>
</template>

<style scoped>
.pane {
  padding: 18px 20px;
  gap: 10px;
}
.groups {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 14px 22px;
  overflow-y: auto;
}
fieldset {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px 10px;
  align-content: start;
  border: 0;
}
legend {
  font-weight: 600;
  padding-bottom: 4px;
}
label {
  display: flex;
  flex-direction: column;
  justify-content: end;
  font-size: 13px;
}
.yes {
  flex-direction: row;
  align-items: center;
  justify-content: start;
}
.line {
  display: flex;
  gap: 10px;
}
@media (max-width: 800px) {
  .groups {
    grid-template-columns: 1fr;
  }
}
</style>
