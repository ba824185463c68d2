<script setup lang="ts">
import { computed, ref } from 'vue'
import { VListItem, VListSubheader } from 'vuetify/components'
import { useSession } from '~/stores/session'

/** Where one works now, and the shop's other places to go to; nothing where there is one place. */
const session = useSession()
const trouble = ref('')
const others = computed(() => session.places.filter((place) => place.id !== session.placeId))
async function go(id: string) {
  trouble.value = ''
  try {
    await session.goTo(id)
  } catch (error) {
    trouble.value = (error as Error).message
  }
}
</script>

<template>
  <template v-if="others.length">
    <VListSubheader>You work at {{ session.placeName }}</VListSubheader>
    <VListItem
      v-for="place in others"
      :key="place.id"
      :title="`Work at ${place.name}`"
      @click.stop="go(place.id)"
    />
    <p v-if="trouble" class="stop-text small trouble" role="alert">{{ trouble }}</p>
  </template>
</template>

<style scoped>
.trouble {
  max-width: 280px;
  padding: 4px 16px;
}
</style>
