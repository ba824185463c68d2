<script setup lang="ts">
import { format } from 'date-fns'
import { computed, onMounted, ref } from 'vue'
import { VBtn, VCard, VDialog, VTextField } from 'vuetify/components'
import { fieldChanges, FIELD_WORDS, type ClientField } from '../../../../core/record/clientChanges'
import type { Client } from '../../../../core/record/schema'
import type { FittingRow } from '../../../../shared/contracts'
import { activityName } from '../../../../core/record/storyActivity'
import { api } from '~/browser/api'
import { download } from '~/browser/download'
import { useSession } from '~/stores/session'
import AppHeader from '~/components/AppHeader.vue'
import BookVisit from '~/components/BookVisit.vue'
import ClientReach from '~/components/ClientReach.vue'
import { KEPT_HERE, useOutbox } from '~/stores/outbox'
import { useLine } from '~/stores/line'

interface Page {
  id: string
  code: string
  name: string
  details: Client
  fittings: FittingRow[]
}
const route = useRoute()
const session = useSession()
const client = ref<Page | null>(null)
const trouble = ref('')
const erasing = ref(false)
const booking = ref(false)
const typed = ref('')
const path = `clients/${String(route.params.id)}`
onMounted(async () => {
  try {
    client.value = await useLine().read<Page>(path)
  } catch (error) {
    trouble.value = (error as Error).message
  }
})
async function attempt(work: () => Promise<unknown>) {
  trouble.value = ''
  await work().catch((error: Error) => (trouble.value = error.message))
}
const exportAll = () =>
  attempt(async () =>
    download(
      `${client.value!.code}-all.json`,
      JSON.stringify(await api(`${path}/export`), null, 2),
      'application/json',
    ),
  )
const exportOne = (id: string, on: string) =>
  attempt(async () =>
    download(
      `${client.value!.code}-${on}.json`,
      JSON.stringify(await api(`fittings/${id}/record`), null, 2),
      'application/json',
    ),
  )
const outbox = useOutbox()
/** As it is known here, with what was changed and waits for the line. */
const details = computed<Client>(() =>
  client.value ? outbox.withOwn(client.value.id, client.value.details) : {},
)
/** Changes fields of the client: on the screen at once, others' fields stay as they are. */
async function change(patch: Partial<Client>) {
  const changes = fieldChanges(details.value, patch)
  if (Object.keys(changes).length === 0) return
  const fields = (Object.keys(changes) as ClientField[]).map((field) => FIELD_WORDS[field])
  const words = `${client.value!.name}: ${fields.join(', ')}`
  client.value = { ...client.value!, details: { ...client.value!.details, ...patch } }
  await attempt(async () => {
    try {
      await outbox.write({ method: 'PATCH', path, body: { changes }, words })
    } catch (error) {
      client.value = await useLine().read<Page>(path)
      throw error
    }
  })
}
const begin = () =>
  attempt(async () => {
    const done = await outbox.write<{ fittingId: string }>({
      method: 'POST',
      path: `${path}/fittings`,
      body: {},
      words: `new fitting of ${client.value?.name ?? 'a client'}`,
    })
    if ('waits' in done) throw new Error(KEPT_HERE)
    await navigateTo(`/fittings/${done.answer.fittingId}/story`)
  })
const erase = () =>
  attempt(async () => {
    await api(path, 'DELETE', {})
    await navigateTo('/')
  })
</script>

<template>
  <div class="frame plain">
    <AppHeader :title="client?.name ?? 'Client'" :fact="client?.code ?? ''" />
    <main class="main">
      <div class="title-row">
        <h1>{{ client?.name ?? 'Client' }}</h1>
        <span class="fact">{{ client?.code }} {{ client?.details.occupation }}</span>
        <VBtn v-if="client && client.fittings.length > 1" :to="`/clients/${client.id}/compare`"
          >Compare visits</VBtn
        >
        <VBtn v-if="client && session.may('clients.erase')" @click="erasing = true">Erase …</VBtn>
        <VBtn v-if="client && session.may('clients.export')" @click="exportAll"
          >Export everything</VBtn
        >
        <VBtn v-if="client && session.may('fittings.change')" @click="booking = true"
          >Book a visit</VBtn
        >
        <VBtn
          v-if="client && session.may('clients.change')"
          color="primary"
          variant="flat"
          @click="begin"
          >New fitting</VBtn
        >
      </div>
      <p v-if="trouble" class="notice stop" role="alert">
        {{ trouble }} <NuxtLink to="/">Back to Today</NuxtLink>
      </p>
      <ClientReach
        v-if="client"
        :details="details"
        :disabled="!session.may('clients.change')"
        @change="change"
      />
      <section v-if="client" class="card">
        <div class="card-head"><h2>Fittings</h2></div>
        <p v-if="client.fittings.length === 0" class="card-body muted">No fitting yet.</p>
        <div v-for="f in client.fittings" :key="f.id" class="row">
          <b
            >{{ format(new Date(f.openedOn), 'd MMMM yyyy') }} ·
            {{ activityName(f.activity ?? undefined) ?? 'activity not told' }}</b
          ><VBtn :to="`/fittings/${f.id}/story`">Open</VBtn
          ><VBtn v-if="session.may('clients.export')" @click="exportOne(f.id, f.openedOn)"
            >Export record</VBtn
          >
        </div>
      </section>
    </main>
    <VDialog v-model="booking" max-width="560"
      ><BookVisit
        v-if="booking && client"
        :client="client"
        @close="booking = false"
        @kept="booking = false"
    /></VDialog>
    <VDialog v-model="erasing"
      ><VCard class="dialog-pane"
        ><h2>Erase {{ client?.name }}?</h2>
        <p>
          All fittings, readings and papers of this client go, and cannot be brought back. The audit
          trail keeps that it happened.
        </p>
        <label
          >Type <b>{{ client?.code }}</b> to go on<VTextField v-model="typed" autocomplete="off"
        /></label>
        <div class="acts">
          <VBtn
            color="error"
            variant="flat"
            :disabled="typed.trim() !== client?.code"
            @click="erase"
            >Erase for good</VBtn
          ><VBtn @click="erasing = false">Keep</VBtn>
        </div></VCard
      ></VDialog
    >
  </div>
</template>

<style scoped>
.row {
  display: flex;
  align-items: center;
  gap: 8px;
  padding: 8px 14px;
  border-top: 1px solid var(--hairline);
}
.row b {
  flex: 1;
}
.acts {
  display: flex;
  gap: 8px;
}
</style>
