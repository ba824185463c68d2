<script setup lang="ts">
import { computed } from 'vue'
import { VBtn, VCard, VDialog } from 'vuetify/components'

/** Somebody signs out while something of theirs has not reached the server. */
const { count } = defineProps<{ count: number }>()
const emit = defineEmits<{ stay: []; leave: [] }>()
const left = computed(() =>
  count === 1
    ? 'One change has not reached the server. It stays here, closed to others, and goes'
    : `${count} changes have not reached the server. They stay here, closed to others, and go`,
)
</script>

<template>
  <VDialog :model-value="true" max-width="460" @update:model-value="emit('stay')">
    <VCard class="dialog-pane" role="alertdialog" aria-label="Something waits on this device">
      <h2>Something waits on this device</h2>
      <p>{{ left }} when you sign in again on this device.</p>
      <div class="acts">
        <VBtn color="primary" variant="flat" @click="emit('stay')">Stay signed in</VBtn>
        <VBtn @click="emit('leave')">Sign out</VBtn>
      </div>
    </VCard>
  </VDialog>
</template>

<style scoped>
.acts {
  display: flex;
  gap: 8px;
}
</style>
