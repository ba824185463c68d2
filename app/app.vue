<script setup lang="ts">
import { defineAsyncComponent, watch } from 'vue'
import { VApp } from 'vuetify/components'
import { useSession } from '~/stores/session'

const session = useSession()
// Nobody's first page waits for it.
const LockDialog = defineAsyncComponent(() => import('~/components/LockDialog.vue'))
// Back again: what others did meanwhile is read first, then what waits is sent.
watch(
  () => session.locked,
  async (locked) => !locked && (await import('~/stores/queue')).useQueue().catchUp(),
)
</script>

<template>
  <VApp>
    <NuxtPage />
    <LockDialog v-if="session.locked" />
  </VApp>
</template>
