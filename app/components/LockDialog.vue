<script setup lang="ts">
import { ref } from 'vue'
import { VBtn, VCard, VDialog, VTextField } from 'vuetify/components'
import { useSession } from '~/stores/session'

/** The session ended; the page stays as it is until somebody signs in again. */
const session = useSession()
const login = ref('')
const password = ref('')
const trouble = ref('')
async function again(name: string) {
  trouble.value = ''
  try {
    await session.signIn(name, password.value)
    password.value = ''
  } catch (error) {
    trouble.value = (error as Error).message
  }
}
</script>

<template>
  <VDialog :model-value="session.locked" persistent>
    <VCard class="pane">
      <h2>Signed out after a pause</h2>
      <p>This page is kept. Local law and licence still come first. Sign in to go on.</p>
      <div v-if="session.page?.demo.length" class="demo">
        <VBtn v-for="p in session.page.demo" :key="p.login" @click="again(p.login)">{{
          p.name
        }}</VBtn>
      </div>
      <form v-else @submit.prevent="again(login)">
        <VTextField v-model="login" label="Name" autocomplete="username" />
        <VTextField
          v-model="password"
          label="Password"
          type="password"
          autocomplete="current-password"
        />
        <VBtn type="submit" color="primary" variant="flat">Sign in</VBtn>
      </form>
      <p v-if="trouble" class="stop-text" role="alert">{{ trouble }}</p>
    </VCard>
  </VDialog>
</template>

<style scoped>
.pane {
  padding: 18px;
}
.pane,
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
