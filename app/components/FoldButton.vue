<script setup lang="ts">
import PlainButton from '~/components/PlainButton.vue'

/** Opens a card that is folded to a strip, and folds it again. */
const { open, of } = defineProps<{ open: boolean; of: string }>()
const emit = defineEmits<{ toggle: [] }>()
</script>

<template>
  <PlainButton
    class="fold"
    :aria-expanded="open"
    :aria-label="open ? `Fold ${of}` : `Show all of ${of}`"
    @click="emit('toggle')"
  >
    {{ open ? '▾' : '▸' }}
  </PlainButton>
</template>

<style scoped>
.fold {
  min-width: 36px;
  min-height: 32px;
  text-align: center;
  font-size: 15px;
}
</style>
