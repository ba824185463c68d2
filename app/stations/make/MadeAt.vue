<script setup lang="ts">
import { computed, ref } from 'vue'
import { VSelect } from 'vuetify/components'
import { namedChoices } from '~/browser/choices'
import { useFitting } from '~/stores/fitting'
import { KEPT_HERE, useOutbox } from '~/stores/outbox'
import { useSession } from '~/stores/session'

/** At which of the shop's places a fitting is made; nothing where there is one place. */
const { disabled } = defineProps<{ disabled: boolean }>()
const fitting = useFitting()
const session = useSession()
const outbox = useOutbox()
const said = ref('')
const items = computed(() => namedChoices(session.places))
async function take(place: string) {
  const name = session.places.find((one) => one.id === place)?.name
  said.value = ''
  try {
    const done = await outbox.write({
      method: 'PUT',
      path: `fittings/${fitting.id}/place`,
      body: { place },
      words: `${fitting.client?.code ?? 'job'}: made at ${name}`,
    })
    fitting.placeId = place
    if ('waits' in done) said.value = KEPT_HERE
  } catch (error) {
    said.value = (error as Error).message
  }
}
</script>

<template>
  <template v-if="session.places.length > 1">
    <VSelect
      label="Made at"
      :items
      :model-value="fitting.placeId"
      :disabled
      @update:model-value="take"
    />
    <p v-if="said" class="small" role="status">{{ said }}</p>
  </template>
</template>
