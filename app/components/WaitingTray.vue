<script setup lang="ts">
import { computed, ref } from 'vue'
import { VBtn, VCard, VMenu } from 'vuetify/components'
import StatusMark from '~/components/StatusMark.vue'
import { useOutbox } from '~/stores/outbox'
import { useSession } from '~/stores/session'
import { useWaiting } from '~/stores/waiting'

/** How much of what was typed has not reached the server, on every page, and what it is. */
const waiting = useWaiting()
const outbox = useOutbox()
const session = useSession()
const open = ref(false)

const others = computed(() => outbox.closed.others)
const former = computed(() => outbox.closed.own)
const count = computed(() => waiting.lines.length + others.value + former.value)
const label = computed(() =>
  waiting.refused.length ? `${count.value} wait: look` : `${count.value} wait`,
)
const othersWords = computed(() =>
  others.value === 1
    ? 'One change of somebody else waits here until they sign in on this device.'
    : `${others.value} changes of others wait here until they sign in on this device.`,
)
</script>

<template>
  <VMenu v-if="session.person && count > 0" v-model="open" :close-on-content-click="false">
    <template #activator="{ props }">
      <VBtn v-bind="props" class="tray" :aria-label="`${label}. What waits on this device`">{{
        label
      }}</VBtn>
    </template>
    <VCard class="pane" role="region" aria-label="What waits on this device">
      <h2>Waits on this device</h2>
      <p class="small muted">
        Kept here, closed to others, and sent by itself when the line is back.
      </p>
      <ul class="lines">
        <li v-for="line in waiting.lines" :key="line.id">
          <span>{{ line.words }}</span>
          <template v-if="line.refused">
            <StatusMark kind="stop" word="Not kept" />
            <span class="small">{{ line.refused }}</span>
            <span class="acts">
              <VBtn size="small" @click="waiting.decide(line.id, 'again')">Try again</VBtn>
              <VBtn size="small" @click="waiting.decide(line.id, 'let go')">Let it go</VBtn>
            </span>
          </template>
          <template v-else-if="line.choiceIn">
            <StatusMark kind="watch" word="Somebody changed the same" />
            <NuxtLink :to="`/fittings/${line.choiceIn}/measure`" @click="open = false"
              >Open the fitting and choose</NuxtLink
            >
          </template>
        </li>
      </ul>
      <p v-if="others" class="small">{{ othersWords }}</p>
      <p v-if="former" class="small">
        {{ former }} of yours lie here under a former password and stay closed.
      </p>
    </VCard>
  </VMenu>
</template>

<style scoped>
.tray {
  font-weight: 600;
}
.pane {
  padding: 14px 16px;
  width: 380px;
  max-width: 92vw;
  max-height: 70vh;
  overflow: auto;
}
.lines {
  list-style: none;
  padding: 0;
  margin: 8px 0 0;
}
.lines li {
  display: flex;
  flex-direction: column;
  gap: 4px;
  padding: 8px 0;
  border-top: 1px solid var(--hairline);
}
.acts {
  display: flex;
  gap: 8px;
}
</style>
