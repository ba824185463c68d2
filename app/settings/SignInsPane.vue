<script setup lang="ts">
import { format } from 'date-fns'
import { computed, onMounted, ref } from 'vue'
import { VBtn, VDataTable, VTextField } from 'vuetify/components'
import type { SessionRow } from '../../shared/contracts'
import { lockBody, passwordBody, pinBody } from '../../shared/contracts'
import { api } from '~/browser/api'
import { readForm, typedNumber } from '~/browser/readForm'
import { useAttempt } from '~/composables/useAttempt'
import { useSession } from '~/stores/session'

/**
 * Where one is signed in, the PIN that opens a locked page, and, for the owner, everybody's
 * sessions and the minutes after which a page hides.
 */
const session = useSession()
const ofAll = computed(() => session.may('sessions.end'))
const HEADERS = [
  { title: 'Who', key: 'name' },
  { title: 'Device', key: 'device' },
  { title: 'Since', key: 'begunAt' },
  { title: 'Last used', key: 'touchedAt' },
  { title: '', key: 'id', sortable: false },
]
const rows = ref<SessionRow[]>([])
const loaded = ref(false)
const { trouble, done, run } = useAttempt()
const pin = ref('')
const password = ref('')
const next = ref('')
const passwordForm = computed(() =>
  readForm(passwordBody, { password: password.value, next: next.value }),
)
const minutes = ref(String(session.page?.lock?.minutes ?? 10))
const hasPin = computed(() => session.page?.lock?.hasPin ?? false)
const isDemo = computed(() => session.page?.demo.some((p) => p.login === session.login) ?? false)
const pinForm = computed(() => readForm(pinBody, { pin: pin.value, password: password.value }))
const lockForm = computed(() => readForm(lockBody, { minutes: typedNumber(minutes.value) }))
const time = (at: string) => format(new Date(at), 'd MMM, HH:mm')

async function load() {
  const query = ofAll.value ? '?of=shop' : ''
  rows.value = (await api<{ sessions: SessionRow[] }>(`sessions${query}`)).sessions
  loaded.value = true
}
onMounted(() => run(load))

const end = (body: object, words: string) =>
  run(async () => {
    await api('sessions/end', 'POST', body)
    await load()
  }, words)
const endOne = (row: SessionRow) =>
  end({ of: ofAll.value ? 'shop' : 'mine', session: row.id }, `Ended: ${row.name}, ${row.device}.`)
const keepPin = (value: string | null) =>
  run(
    async () => {
      await api('me/pin', 'PUT', { pin: value, password: password.value })
      pin.value = password.value = ''
      await session.refresh()
    },
    value ? 'Your PIN opens your locked pages from now on.' : 'Your PIN is gone.',
  )
const keepPassword = () =>
  run(async () => {
    await api('me/password', 'PUT', passwordForm.value.value)
    password.value = next.value = ''
    await load()
  }, 'Your new password holds. Your other sessions are ended.')
const keepMinutes = () =>
  run(async () => {
    await api('house/lock', 'PUT', lockForm.value.value)
    await session.refresh()
  }, `Pages of this shop hide after ${minutes.value} minutes without touch.`)
</script>

<template>
  <div class="cols two">
    <section class="card scroll" tabindex="0" role="region" aria-label="Signed in">
      <div class="card-head">
        <h2>{{ ofAll ? 'Who is signed in where' : 'Where you are signed in' }}</h2>
        <VBtn @click="end({ of: 'mine' }, 'Your other sessions are ended.')"
          >End my other sessions</VBtn
        >
        <VBtn v-if="ofAll" @click="end({ of: 'shop' }, 'Every session but this one is ended.')"
          >End all but this</VBtn
        >
      </div>
      <VDataTable class="table" :headers="HEADERS" :items="rows" :loading="!loaded">
        <template #[`item.device`]="{ item }"
          >{{ item.device }}{{ item.isThis ? ', this one' : '' }}</template
        >
        <template #[`item.begunAt`]="{ item }">{{ time(item.begunAt) }}</template>
        <template #[`item.touchedAt`]="{ item }"
          >{{ time(item.touchedAt) }}{{ item.isLocked ? ', locked' : '' }}</template
        >
        <template #[`item.id`]="{ item }">
          <VBtn
            v-if="!item.isThis"
            :aria-label="`End ${item.name}, ${item.device}`"
            @click="endOne(item)"
            >End</VBtn
          >
        </template>
        <template #no-data>Nobody is signed in elsewhere.</template>
      </VDataTable>
      <p v-if="trouble" class="notice stop" role="alert">{{ trouble }}</p>
      <p v-else-if="done" class="notice" role="status">{{ done }}</p>
    </section>
    <div class="stack">
      <form class="card card-body form" @submit.prevent="keepPin(pin)">
        <h2>Your PIN</h2>
        <p class="muted small">
          {{ hasPin ? 'You have one.' : 'You have none.' }} It opens a page that hid itself, with
          clean thumbs and few keys. Signing in still takes your password.
        </p>
        <VTextField
          v-model="pin"
          label="New PIN, 4 to 8 digits"
          type="password"
          inputmode="numeric"
          autocomplete="off"
        />
        <VTextField
          v-if="!isDemo"
          v-model="password"
          label="Your password"
          type="password"
          autocomplete="current-password"
        />
        <VBtn type="submit" color="primary" variant="flat" :disabled="!pinForm.value"
          >Keep this PIN</VBtn
        >
        <VBtn v-if="hasPin" @click="keepPin(null)">No PIN</VBtn>
      </form>
      <form v-if="!isDemo" class="card card-body form" @submit.prevent="keepPassword">
        <h2>Your password</h2>
        <VTextField
          v-model="password"
          label="The one you have"
          type="password"
          autocomplete="current-password"
        />
        <VTextField
          v-model="next"
          label="A new one, at least 10 characters"
          type="password"
          autocomplete="new-password"
        />
        <VBtn type="submit" :disabled="!passwordForm.value">Keep this password</VBtn>
      </form>
      <form v-if="ofAll" class="card card-body form" @submit.prevent="keepMinutes">
        <h2>Hiding</h2>
        <p class="muted small">A page that nobody touches hides itself, on every device.</p>
        <VTextField
          v-model="minutes"
          label="Minutes without touch"
          inputmode="numeric"
          :error-messages="lockForm.troubles.minutes ?? []"
        />
        <VBtn type="submit" :disabled="!lockForm.value">Keep</VBtn>
      </form>
    </div>
  </div>
</template>

<style scoped>
.two {
  grid-template-columns: minmax(0, 1fr) 280px;
}
.form {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
</style>
