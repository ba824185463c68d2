<script setup lang="ts">
import { computed, onMounted, reactive, ref } from 'vue'
import { VBtn, VSelect, VTable, VTextField } from 'vuetify/components'
import { placeBody, type PlacesState } from '../../shared/contracts'
import { api } from '~/browser/api'
import { namedChoices } from '~/browser/choices'
import { readForm } from '~/browser/readForm'
import { KEPT_HERE, useOutbox } from '~/stores/outbox'
import { useAttempt } from '~/composables/useAttempt'
import { useSession } from '~/stores/session'

/** The shop's places: opened, named and closed by the owner, and who usually works where. */
const session = useSession()
const outbox = useOutbox()
const may = computed(() => session.may('places.change'))
const state = ref<PlacesState | null>(null)
const names = reactive<Record<string, string>>({})
const fresh = ref('')
const { trouble, done, run } = useAttempt()
/** the place that is about to be closed, and where its work goes */
const closing = ref<{ id: string; name: string; to: string } | null>(null)
const form = computed(() => readForm(placeBody, { name: fresh.value }))
const ANYWHERE = { value: null, title: 'anywhere' }
const WHERE = computed(() => [ANYWHERE, ...namedChoices(state.value?.places ?? [])])
const otherPlaces = computed(() =>
  namedChoices((state.value?.places ?? []).filter((place) => place.id !== closing.value?.id)),
)
const isOnly = computed(() => (state.value?.places.length ?? 0) < 2)

async function load() {
  state.value = await api<PlacesState>('places')
  for (const { id, name } of state.value.places) names[id] = name
}
onMounted(() => run(load))

/** Changes something of the places, or keeps it for the line, and reads again what came of it. */
const change = (
  write: { path: string; method: 'POST' | 'PUT' | 'PATCH'; body: unknown },
  words: string,
) =>
  run(async () => {
    const kept = await outbox.write({ ...write, words: `places: ${words}` })
    fresh.value = ''
    closing.value = null
    done.value = 'waits' in kept ? KEPT_HERE : words
    if ('waits' in kept) return
    await load()
    await session.refresh()
  })

const open = () =>
  change(
    { path: 'places', method: 'POST', body: form.value.value },
    `${fresh.value.trim()} is open. Its chairs and apparatus stand under Bench.`,
  )
const rename = (id: string) =>
  change(
    { path: `places/${id}`, method: 'PATCH', body: { name: names[id] } },
    `It is called ${names[id]} now.`,
  )
const close = ({ id, name, to }: { id: string; name: string; to: string }) =>
  change(
    { path: `places/${id}/close`, method: 'POST', body: { place: to } },
    `${name} is closed. What was left there is at its new place.`,
  )
const work = (person: string, place: string | null) =>
  change({ path: 'places/people', method: 'PUT', body: { person, place } }, 'Kept.')
const beginToClose = (place: { id: string; name: string }) => {
  trouble.value = done.value = ''
  closing.value = { ...place, to: '' }
}
</script>

<template>
  <div class="cols two">
    <section class="card scroll" tabindex="0" role="region" aria-label="Places">
      <div class="card-head"><h2>Places</h2></div>
      <div class="card-body form">
        <p class="muted small">
          Rooms in different houses, each with its own visits, bench, apparatus, shelf and timers.
          Clients are the whole shop’s.
        </p>
        <div v-for="place in state?.places ?? []" :key="place.id" class="line">
          <VTextField
            v-model="names[place.id]"
            :label="place.id === session.placeId ? 'Name, you work here' : 'Name'"
            maxlength="60"
            :disabled="!may"
          />
          <template v-if="may">
            <VBtn
              :disabled="!names[place.id]?.trim() || names[place.id] === place.name"
              @click="rename(place.id)"
              >Name it so</VBtn
            >
            <VBtn
              :disabled="isOnly"
              :aria-label="`Close ${place.name}`"
              @click="beginToClose(place)"
              >Close</VBtn
            >
          </template>
        </div>
        <form v-if="closing" class="notice watch form" @submit.prevent="close(closing)">
          <p>
            <b>Close {{ closing.name }}?</b> What is unfinished there, visits to come, running
            timers, its people and what lies on its shelf go to another place. What was done there
            stays where it was done.
          </p>
          <VSelect v-model="closing.to" label="All that goes to" :items="otherPlaces" />
          <div class="line">
            <VBtn type="submit" :disabled="!closing.to">Close {{ closing.name }}</VBtn>
            <VBtn @click="closing = null">Leave it open</VBtn>
          </div>
        </form>
        <form v-if="may" class="line" @submit.prevent="open">
          <VTextField v-model="fresh" label="A further place" maxlength="60" />
          <VBtn type="submit" :disabled="!form.value">Open it</VBtn>
        </form>
        <p v-if="trouble" class="notice stop" role="alert">{{ trouble }}</p>
        <p v-else-if="done" class="good-text" role="status">{{ done }}</p>
      </div>
    </section>
    <section class="card scroll" tabindex="0" role="region" aria-label="Who works where">
      <div class="card-head"><h2>Who usually works where</h2></div>
      <VTable class="table">
        <tbody>
          <tr v-for="p in state?.people ?? []" :key="p.id">
            <td>{{ p.name }}</td>
            <td>
              <VSelect
                :items="WHERE"
                :model-value="p.placeId"
                :disabled="!may"
                :aria-label="`Where ${p.name} works`"
                @update:model-value="(place: string | null) => work(p.id, place)"
              />
            </td>
          </tr>
        </tbody>
      </VTable>
      <p class="card-body muted small">
        The bench of a place counts on those who work there or anywhere. A device remembers where it
        stands: whoever signs in on it works there until they say otherwise, in the menu behind
        their initials.
      </p>
    </section>
  </div>
</template>

<style scoped>
.two {
  grid-template-columns: minmax(0, 1fr) minmax(300px, 420px);
}
.form {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.line {
  display: flex;
  gap: 8px;
  align-items: center;
}
</style>
