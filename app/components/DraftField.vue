<script setup lang="ts">
import { nextTick, ref, watch } from 'vue'
import { VTextField } from 'vuetify/components'

/**
 * A field whose typed text is its own until it is left: news from the server never overwrites what
 * is being typed. On leaving or Enter it gives its text away and then shows what was really kept,
 * so that refused input does not stay.
 */
const {
  value,
  disabled = false,
  invalidKeeps = false,
} = defineProps<{
  value: string | number | undefined
  disabled?: boolean
  invalidKeeps?: boolean
}>()
const emit = defineEmits<{ keep: [string]; next: [] }>()
const shown = () => (value === undefined ? '' : String(value))
const text = ref(shown())
const typing = ref(false)
const field = ref<VTextField | null>(null)
let dirty = false
watch(
  () => value,
  () => {
    if (!typing.value || !dirty) text.value = shown()
  },
)
async function keep() {
  if (!dirty) return
  dirty = false
  if (text.value !== shown()) emit('keep', text.value)
  await nextTick()
  if (!invalidKeeps) text.value = shown()
}
function leave() {
  typing.value = false
  void keep()
}
async function enter() {
  await keep()
  emit('next')
}
defineExpose({ focus: () => field.value?.focus() })
</script>

<template>
  <VTextField
    ref="field"
    v-model="text"
    autocomplete="off"
    :disabled
    @input="dirty = true"
    @focus="typing = true"
    @blur="leave"
    @keydown.enter="enter"
  />
</template>
