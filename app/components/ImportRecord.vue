<script setup lang="ts">
import { ref } from 'vue'
import { VBtn } from 'vuetify/components'
import { parseRecord } from '../../core/record/parse'
import FileField from './FileField.vue'
import { KEPT_HERE, useOutbox } from '~/stores/outbox'

/** Reads a fitting record file; anything else is refused with its place before it is sent. */
const emit = defineEmits<{ close: [] }>()
const trouble = ref('')
const name = ref('')
let parsed: unknown = null
const ready = ref(false)

async function choose([file]: File[]) {
  trouble.value = ''
  ready.value = false
  if (!file) return
  name.value = file.name
  try {
    if (file.size > 2_000_000)
      throw new Error('This file is larger than 2 MB. A fitting record is far smaller.')
    const text = await file.text()
    let value: unknown
    try {
      value = JSON.parse(text)
    } catch {
      throw new Error(`${file.name} is not JSON.`)
    }
    parseRecord(value)
    parsed = value
    ready.value = true
  } catch (error) {
    trouble.value = (error as Error).message
  }
}
const outbox = useOutbox()
async function send() {
  try {
    const done = await outbox.write<{ fittingId: string }>({
      method: 'POST',
      path: 'records',
      body: parsed,
      words: `import of ${name.value}`,
    })
    if ('waits' in done) {
      ready.value = false
      return void (trouble.value = KEPT_HERE)
    }
    emit('close')
    await navigateTo(`/fittings/${done.answer.fittingId}/story`)
  } catch (error) {
    trouble.value = (error as Error).message
  }
}
</script>

<template>
  <div class="import">
    <h2>Import a record</h2>
    <p class="muted">
      A fitting record (JSON). It becomes a new client with one fitting; nothing stored is changed.
    </p>
    <FileField label="Record file" accept="application/json,.json" @files="choose" />
    <p v-if="trouble" class="notice stop" role="alert">{{ trouble }}</p>
    <p v-if="ready">{{ name }} can be read.</p>
    <div class="acts">
      <VBtn color="primary" variant="flat" :disabled="!ready" @click="send">Import</VBtn
      ><VBtn @click="emit('close')">Cancel</VBtn>
    </div>
  </div>
</template>

<style scoped>
.import {
  display: flex;
  flex-direction: column;
  gap: 12px;
}
.acts {
  display: flex;
  gap: 8px;
}
</style>
