<script setup lang="ts">
import { mdiFileOutline } from '@mdi/js'
import { nextTick, ref } from 'vue'
import { VFileInput } from 'vuetify/components'

/**
 * Files from this device: given away as they are chosen, so that the same file can be chosen again
 * once it is mended. With `hidden` it is opened by a button of its place, through `open()`.
 */
const {
  label,
  accept,
  multiple = false,
  hidden = false,
} = defineProps<{
  label: string
  /** kinds and endings, as the browser's own dialog takes them */
  accept: string
  multiple?: boolean
  hidden?: boolean
}>()
const emit = defineEmits<{ files: [File[]] }>()
const field = ref<VFileInput | null>(null)
const chosen = ref<File[]>([])
/** A dialog that was left without a choice gives nothing, or one nothing. */
async function give(files: File | File[] | undefined) {
  const all = [files].flat().filter((file) => file !== undefined)
  if (all.length === 0) return
  emit('files', all)
  await nextTick()
  chosen.value = []
}
defineExpose({
  open: () => (field.value?.$el as HTMLElement).querySelector('input')?.click(),
})
</script>

<template>
  <VFileInput
    ref="field"
    :model-value="chosen"
    :class="{ sr: hidden }"
    :aria-label="label"
    :placeholder="label"
    :accept
    :multiple
    :tabindex="hidden ? -1 : undefined"
    prepend-icon=""
    :prepend-inner-icon="mdiFileOutline"
    @update:model-value="give"
  />
</template>
