<script setup lang="ts">
import { watchDebounced } from '@vueuse/core'
import { computed, ref } from 'vue'
import { VAutocomplete } from 'vuetify/components'
import type { FoundClient } from '../../shared/contracts'
import { dayWords } from '../../core/record/typedDay'
import { api } from '~/browser/api'
import type { Asked } from './whoComes'

/** A client is found by name, code, telephone or mail; whoever is not there is a new one by that name. */
const who = defineModel<Asked | null>({ required: true })
const query = ref('')
const found = ref<FoundClient[]>([])
const looking = ref(false)

const choices = computed<Asked[]>(() => {
  const typed = query.value.trim()
  const known = found.value.map(({ id, name, code, bornOn, phone }) => ({
    value: id,
    title: name,
    subtitle: [code, bornOn && `born ${dayWords(bornOn)}`, phone].filter(Boolean).join(' · '),
    isNew: false,
  }))
  const fresh = { value: `new ${typed}`, title: typed, subtitle: 'a new client', isNew: true }
  return typed && !looking.value && typed !== who.value?.title ? [...known, fresh] : known
})
watchDebounced(
  query,
  async (typed) => {
    if (!typed.trim() || typed === who.value?.title) return
    looking.value = true
    const answer = await api<{ clients: FoundClient[] }>(
      `clients?q=${encodeURIComponent(typed)}`,
    ).catch(() => ({ clients: [] }))
    if (query.value !== typed) return
    found.value = answer.clients
    looking.value = false
  },
  { debounce: 150 },
)
</script>

<template>
  <VAutocomplete
    v-model="who"
    v-model:search="query"
    label="Who comes"
    placeholder="Name, code, telephone, mail"
    return-object
    no-filter
    hide-no-data
    autocomplete="off"
    :items="choices"
    :loading="looking"
    item-props
  />
</template>
