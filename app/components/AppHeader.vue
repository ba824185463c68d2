<script setup lang="ts">
import { format } from 'date-fns'
import { useNow } from '@vueuse/core'
import { computed, ref } from 'vue'
import { VBtn, VCard, VDialog, VList, VListItem, VMenu } from 'vuetify/components'
import { useSession } from '~/stores/session'
import { ROLE_WORDS } from '../../shared/permissions'
import BrandMark from './BrandMark.vue'
import TimerTray from './TimerTray.vue'
import WaitingTray from './WaitingTray.vue'
import { useWaiting, type Saved } from '~/stores/waiting'

/** Brand, who this is about, the trail, the clock with what is saved. */
const {
  title = '',
  fact = '',
  saved = undefined,
  shop = '',
} = defineProps<{
  title?: string
  fact?: string
  saved?: Saved
  shop?: string
}>()
const session = useSession()
const now = useNow({ interval: 10_000 })
const SAVED: Record<Saved, string> = {
  saved: 'Saved',
  saving: 'Saving',
  kept: 'Kept on this device',
  'on this page': 'Only on this page: keep it open',
}
const saves = computed(() => saved && `${saved === 'saved' ? '✓ ' : ''}${SAVED[saved]}`)
const waits = computed(() => saved === 'kept' || saved === 'on this page')
const waiting = useWaiting()
const asks = ref(false)
const leave = () => (waiting.lines.length > 0 ? (asks.value = true) : signOut())
const left = computed(() => {
  const { length } = waiting.lines
  return length === 1
    ? 'One change has not reached the server. It stays here, closed to others, and goes'
    : `${length} changes have not reached the server. They stay here, closed to others, and go`
})
async function signOut() {
  asks.value = false
  await session.signOut()
  await navigateTo('/sign-in')
}
</script>

<template>
  <header class="header">
    <NuxtLink to="/" class="brand" aria-label="Today">
      <BrandMark />
      <span
        ><b>Gentle Arch</b><small>{{ shop || 'Hollin Row Fit Room' }}</small></span
      >
    </NuxtLink>
    <div v-if="title" class="who">
      <b class="ellipsis" :title="title">{{ title }}</b>
      <small class="ellipsis" :title="fact">{{ fact }}</small>
    </div>
    <div class="middle"><slot /></div>
    <div class="clock">
      <b>{{ format(now, 'EEE d MMM, HH:mm') }}</b>
      <small v-if="saved" :class="{ 'watch-text': waits }" role="status" aria-live="polite">{{
        saves
      }}</small>
    </div>
    <WaitingTray />
    <TimerTray />
    <VMenu v-if="session.person">
      <template #activator="{ props }">
        <VBtn
          v-bind="props"
          class="me"
          :aria-label="`${session.person.name}, ${ROLE_WORDS[session.person.role].name}. Menu`"
          >{{
            session.person.name
              .split(' ')
              .map((w) => w[0])
              .join('')
          }}</VBtn
        >
      </template>
      <VList>
        <VListItem :title="session.person.name" :subtitle="ROLE_WORDS[session.person.role].name" />
        <VListItem title="Today" to="/" />
        <VListItem title="Bench day" to="/bench" />
        <VListItem title="Heat" to="/heat" />
        <VListItem v-if="session.may('clients.see')" title="Due and reminders" to="/due" />
        <VListItem v-if="session.may('clients.see')" title="What worked here" to="/worked" />
        <VListItem title="Catalogue" to="/catalogue" />
        <VListItem title="Settings" to="/settings" />
        <VListItem v-if="session.may('audit.see')" title="Audit trail" to="/audit" />
        <VListItem title="Sign out" @click="leave" />
      </VList>
    </VMenu>
    <VDialog v-model="asks" max-width="460">
      <VCard class="asks" role="alertdialog" aria-label="Something waits on this device">
        <h2>Something waits on this device</h2>
        <p>{{ left }} when you sign in again on this device.</p>
        <div class="acts">
          <VBtn color="primary" variant="flat" @click="asks = false">Stay signed in</VBtn>
          <VBtn @click="signOut">Sign out</VBtn>
        </div>
      </VCard>
    </VDialog>
  </header>
</template>

<style scoped>
.header {
  display: flex;
  align-items: center;
  gap: 16px;
  padding: 0 16px;
  background: var(--sheet);
  border-bottom: 1px solid var(--hairline);
  min-width: 0;
}
.brand {
  display: flex;
  align-items: center;
  gap: 12px;
  text-decoration: none;
  color: var(--ink);
  flex: none;
  width: 172px;
}
.brand b {
  display: block;
  font-family: 'Bricolage Grotesque Variable', serif;
  font-size: 17px;
  line-height: 20px;
  white-space: nowrap;
}
small {
  display: block;
  font-size: 12px;
  line-height: 16px;
  color: var(--muted);
}
small.watch-text {
  color: var(--watch-text);
  font-weight: 600;
}
.who {
  border-left: 1px solid var(--hairline);
  padding-left: 16px;
  width: 204px;
  min-width: 0;
  flex: none;
}
.who b {
  display: block;
  font-size: 16px;
  line-height: 20px;
  font-weight: 600;
}
.middle {
  flex: 1;
  min-width: 0;
  display: flex;
  justify-content: center;
}
.clock {
  text-align: right;
  flex: none;
}
.clock b {
  font-size: 15px;
  font-weight: 600;
  white-space: nowrap;
}
.asks {
  padding: 18px;
  display: flex;
  flex-direction: column;
  gap: 12px;
}
.acts {
  display: flex;
  gap: 8px;
}
.me {
  min-width: 44px;
  padding: 0;
  border-radius: 50% !important;
}
@media (max-width: 1179px) {
  .brand {
    width: auto;
  }
  .brand span {
    display: none;
  }
  .who {
    width: 160px;
  }
}
@media (max-width: 760px) {
  .header {
    flex-wrap: wrap;
    padding: 8px 12px;
  }
  .middle {
    order: 9;
    flex-basis: 100%;
  }
}
</style>
