<script setup lang="ts" generic="T extends string">
import { ref } from 'vue'
import { VSelect } from 'vuetify/components'
import type { Choice } from '~/browser/choices'

/** A list that adds what is taken from it and then asks again. */
const { words, items } = defineProps<{
  /** what it adds, for whoever cannot see it: 'Add a line' */
  words: string
  items: readonly Choice<T>[]
}>()
const emit = defineEmits<{ add: [T] }>()
// The field keeps what it was given: a fresh one has nothing chosen.
const added = ref(0)
function add(taken: T | null) {
  if (taken === null) return
  added.value++
  emit('add', taken)
}
</script>

<template>
  <VSelect
    :key="added"
    :items
    :aria-label="words"
    :placeholder="`${words} …`"
    @update:model-value="add"
  />
</template>
