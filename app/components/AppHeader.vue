<script setup lang="ts">
import { format, isSameDay } from 'date-fns'
import { useNow } from '@vueuse/core'
import { computed, defineAsyncComponent, ref } from 'vue'
import { VBtn, VList, VListItem, VMenu } from 'vuetify/components'
import { useLine } from '~/stores/line'
import { useSession } from '~/stores/session'
import { ROLE_WORDS } from '../../shared/permissions'
import BrandMark from './BrandMark.vue'
import PlaceMenu from './PlaceMenu.vue'
import TimerTray from './TimerTray.vue'
import type { Saved } from '~/stores/waiting'

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
const line = useLine()
const now = useNow({ interval: 10_000 })
const SAVED: Record<Saved, string> = {
  saved: 'Saved',
  saving: 'Saving',
  kept: 'Kept on this device',
  'on this page': 'Only on this page: keep it open',
}
const saves = computed(() => saved && `${saved === 'saved' ? '✓ ' : ''}${SAVED[saved]}`)
/** Shops with several places say which one this is. */
const where = computed(() =>
  session.person && session.places.length > 1
    ? session.placeName
    : shop || session.page?.shop?.name || 'Foot, device, footwear',
)
const asOf = computed(() => {
  const from = line.shownFrom
  if (from === null) return ''
  return `No line: as of ${format(from, isSameDay(from, now.value) ? 'HH:mm' : 'd MMM, HH:mm')}`
})
const waits = computed(() => saved === 'kept' || saved === 'on this page')
// What waits rests on the whole record: the first page does not wait for it.
const WaitingTray = defineAsyncComponent(() => import('./WaitingTray.vue'))
const LeaveDialog = defineAsyncComponent(() => import('./LeaveDialog.vue'))
const asks = ref(false)
const count = ref(0)
async function leave() {
  const { useWaiting } = await import('~/stores/waiting')
  count.value = useWaiting().lines.length
  if (count.value === 0) return signOut()
  asks.value = true
}
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
        ><b>Gentle Arch</b><small class="ellipsis" :title="where">{{ where }}</small></span
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
      <small v-if="asOf" class="watch-text" role="status">▲ {{ asOf }}</small>
    </div>
    <WaitingTray v-if="session.person" />
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
        <VListItem title="Calendar" to="/calendar" />
        <VListItem title="Bench day" to="/bench" />
        <VListItem title="Heat" to="/heat" />
        <VListItem v-if="session.may('clients.see')" title="Due and reminders" to="/due" />
        <VListItem v-if="session.may('clients.see')" title="What worked here" to="/worked" />
        <VListItem title="Catalogue" to="/catalogue" />
        <VListItem title="Settings" to="/settings" />
        <VListItem v-if="session.may('audit.see')" title="Audit trail" to="/audit" />
        <PlaceMenu />
        <VListItem title="Lock this page" @click="session.lockNow()" />
        <VListItem title="Sign out" @click="leave" />
      </VList>
    </VMenu>
    <LeaveDialog v-if="asks" :count @stay="asks = false" @leave="signOut" />
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
.me {
  min-width: 44px;
  padding: 0;
  border-radius: 50% !important;
}
@media (max-width: 1320px) {
  .header {
    gap: 10px;
  }
  .who {
    width: 164px;
  }
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
