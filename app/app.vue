<script setup lang="ts">
import { defineAsyncComponent, ref, watch } from 'vue'
import { VApp } from 'vuetify/components'
import { useSession } from '~/stores/session'

const session = useSession()
// A page that is loaded while it is locked asks for nothing before it may.
const opened = ref(!session.locked)
// Nobody's first page waits for it.
const LockDialog = defineAsyncComponent(() => import('~/components/LockDialog.vue'))
// Back again: what others did meanwhile is read first, then what waits is sent.
watch(
  () => session.locked,
  async (locked) => {
    document.documentElement.classList.toggle('locked', locked)
    if (locked) return
    opened.value = true
    await (await import('~/stores/queue')).useQueue().catchUp()
  },
)
document.documentElement.classList.toggle('locked', session.locked)
</script>

<template>
  <VApp>
    <div class="behind" :inert="session.locked"><NuxtPage v-if="opened" /></div>
    <LockDialog v-if="session.locked" />
  </VApp>
</template>

<style>
.behind {
  display: contents;
}
/* Nothing of a locked page is seen, whatever of it lies on top. */
.locked .behind,
.locked .v-overlay:not(.lock) {
  visibility: hidden !important;
}
.locked .behind * {
  visibility: hidden !important;
}
</style>
