<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import {
  VAutocomplete,
  VBtn,
  VCard,
  VCheckbox,
  VDialog,
  VRadio,
  VRadioGroup,
  VTextField,
} from 'vuetify/components'
import { SIDES, type Side } from '../../../core/tables/vocabulary'
import { useFitting } from '~/stores/fitting'
import { modelHere, modelsHere } from '~/browser/modelHere'
import { useDevices } from './useDevices'

/**
 * Another device for other footwear on the same feet: what is there keeps its name, its footwear and its
 * versions, and a copy or a plain one is begun beside it.
 */
const open = defineModel<boolean>({ required: true })
const fitting = useFitting()
const devices = useDevices()
const called = ref('')
const name = ref('')
const model = ref<string | null>(null)
const from = ref<'copy' | 'plain'>('copy')
const bare = ref<Record<Side, boolean>>({ left: false, right: false })
const trouble = ref('')
const isFirst = computed(() => devices.names.value.length < 2)
const choices = computed(() =>
  modelsHere().map((m) => ({ value: m.id, title: `${m.maker} ${m.name}` })),
)
const chosenName = computed(() => {
  const id = fitting.record.footwear?.chosen?.model
  return modelHere(id)?.name ?? 'first footwear'
})
watch(open, (isOpen) => {
  if (!isOpen) return
  called.value = chosenName.value
  name.value = ''
  model.value = null
  from.value = 'copy'
  bare.value = { left: false, right: false }
  trouble.value = ''
})
/** A model that is chosen gives its name, unless one was typed. */
watch(model, (id) => {
  if (id && !name.value) name.value = modelHere(id)?.name ?? id
})
function begin() {
  const said = name.value.trim()
  if (!said) return void (trouble.value = 'Give it a name: what it is for.')
  const was = called.value.trim()
  trouble.value = devices.begin({
    name: said,
    from: from.value,
    ...(isFirst.value && was && { called: was }),
    ...(model.value && { model: model.value }),
    bare: SIDES.filter((side) => bare.value[side]),
  })
  if (!trouble.value) open.value = false
}
</script>

<template>
  <VDialog v-model="open" max-width="520">
    <VCard class="sheet">
      <h2>Same feet, other footwear</h2>
      <form class="stack" @submit.prevent="begin">
        <VTextField
          v-if="isFirst"
          v-model="called"
          label="What is there is for"
          maxlength="60"
          hide-details
        />
        <VAutocomplete
          v-model="model"
          :items="choices"
          label="Other footwear"
          clearable
          hide-details
        />
        <VTextField v-model="name" label="Name of the new device" maxlength="60" hide-details />
        <VRadioGroup v-model="from" label="Begin with" inline hide-details>
          <VRadio value="copy" label="a copy of this device" />
          <VRadio value="plain" label="a plain one" />
        </VRadioGroup>
        <div class="bare" role="group" aria-label="Left bare in it">
          <VCheckbox
            v-for="side in SIDES"
            :key="side"
            v-model="bare[side]"
            :label="`${side} foot bare`"
            hide-details
          />
        </div>
        <p class="small muted">
          Readings, findings and the captured feet are the same. What is chosen, worked and tried in
          the other footwear stays with its own device.
        </p>
        <p v-if="trouble" class="stop-text small" role="alert">{{ trouble }}</p>
        <div class="foot">
          <VBtn variant="text" @click="open = false">Cancel</VBtn>
          <VBtn type="submit" color="primary" variant="flat">Begin it</VBtn>
        </div>
      </form>
    </VCard>
  </VDialog>
</template>

<style scoped>
.sheet {
  padding: 20px;
}
.stack {
  display: grid;
  gap: 12px;
  margin-top: 12px;
}
.bare,
.foot {
  display: flex;
  gap: 12px;
}
.foot {
  justify-content: flex-end;
}
</style>
