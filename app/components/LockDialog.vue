<script setup lang="ts">
import { computed, ref } from 'vue'
import { VBtn, VCard, VDialog, VTextField } from 'vuetify/components'
import { vFocusOnOpen } from '~/browser/focusOnOpen'
import { useSession } from '~/stores/session'
import { useTimers } from '~/stores/timers'

/**
 * Hides the page until its person shows that it is them, by PIN or as they signed in; after the
 * session has ended, until somebody signs in.
 */
const session = useSession()
const timers = useTimers()
const login = ref(session.login)
const pin = ref('')
const password = ref('')
const trouble = ref('')
const busy = ref(false)
const byPassword = ref(false)

const isEnded = computed(() => session.asks === 'signed-out')
const first = computed(() => session.person?.name.split(' ')[0] ?? '')
const isDemo = computed(() => session.page?.demo.some((p) => p.login === session.login) ?? false)
const asksPin = computed(
  () => !isEnded.value && !byPassword.value && (session.page?.lock?.hasPin ?? false),
)
const title = computed(() => (isEnded.value ? 'Signed out' : `Locked for ${first.value}`))

async function run(work: () => Promise<unknown>) {
  trouble.value = ''
  busy.value = true
  try {
    await work()
  } catch (error) {
    trouble.value = (error as Error).message
  } finally {
    // Emptied and ready at once: whoever types again while the lock is asked for keeps what they typed.
    pin.value = password.value = ''
    busy.value = false
  }
  if (trouble.value && asksPin.value) await session.refresh()
}
const again = (name: string) => run(() => session.signIn(name, password.value))
const open = () =>
  run(() => session.open(asksPin.value ? { pin: pin.value } : { password: password.value }))
const enter = () => (isEnded.value ? again(login.value) : open())
async function other() {
  await session.signOut()
  session.locked = false
  await navigateTo('/sign-in')
}
</script>

<template>
  <VDialog :model-value="session.locked" persistent no-click-animation :scrim="false" class="lock">
    <VCard class="dialog-pane">
      <h2>{{ title }}</h2>
      <p>
        This page is kept as it is, out of sight. What you typed is kept too. Local law and licence
        still come first.
      </p>
      <div v-if="isEnded && session.page?.demo.length" class="demo">
        <VBtn v-for="p in session.page.demo" :key="p.login" @click="again(p.login)">{{
          p.name
        }}</VBtn>
      </div>
      <form v-else @submit.prevent="enter">
        <VTextField v-if="isEnded" v-model="login" label="Name" autocomplete="username" />
        <VTextField
          v-if="asksPin"
          v-model="pin"
          v-focus-on-open
          label="PIN"
          type="password"
          inputmode="numeric"
          autocomplete="off"
        />
        <VTextField
          v-else-if="!isDemo"
          v-model="password"
          v-focus-on-open
          label="Password"
          type="password"
          autocomplete="current-password"
        />
        <VBtn type="submit" color="primary" variant="flat" :disabled="busy" height="52">{{
          isEnded ? 'Sign in' : `Open as ${first}`
        }}</VBtn>
        <VBtn v-if="asksPin && !isDemo" variant="text" @click="byPassword = true"
          >Use the password instead</VBtn
        >
      </form>
      <p v-for="t in timers.ringing" :key="t.id" class="watch-text" role="status">
        ▲ Rings: {{ t.name }}
      </p>
      <p v-if="trouble" class="stop-text" role="alert">{{ trouble }}</p>
      <VBtn variant="text" @click="other">Somebody else signs in</VBtn>
      <p class="muted small">What {{ first }} typed and is not sent yet waits for {{ first }}.</p>
    </VCard>
  </VDialog>
</template>

<style scoped>
form {
  display: flex;
  flex-direction: column;
  gap: 12px;
}
.demo {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
}
</style>
