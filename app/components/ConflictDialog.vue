<script setup lang="ts">
import { format } from 'date-fns'
import { computed } from 'vue'
import { VBtn, VBtnToggle, VCard, VDialog } from 'vuetify/components'
import { partWords } from '../../core/record/clashWords'
import { useConflict } from '~/stores/conflict'

/**
 * Two people changed the same thing. Everything else of both is kept already; here each such place
 * is chosen, with both values.
 */
const conflict = useConflict()
const when = computed(() => {
  const at = conflict.open?.at ?? ''
  return at && !at.startsWith('1970') ? ` at ${format(new Date(at), 'HH:mm')}` : ''
})
const choose = (id: string, choice: 'mine' | 'theirs' | null) =>
  choice && conflict.choose(id, choice)
const isOpen = computed(() => conflict.open !== null)
const part = computed(() => partWords(conflict.open?.part ?? ''))
</script>

<template>
  <VDialog :model-value="isOpen" persistent max-width="720">
    <VCard
      v-if="conflict.open"
      class="dialog-pane"
      role="alertdialog"
      aria-label="Changed in two places"
    >
      <h2>Changed in two places</h2>
      <p>
        <b>{{ conflict.open.who }}</b> changed the {{ part }}{{ when }}, after this screen had read
        it. What only one of you changed is kept. What both changed:
      </p>
      <ul class="places">
        <li v-for="place in conflict.open.places" :key="place.id">
          <b>{{ place.words }}</b>
          <VBtnToggle
            :model-value="place.choice"
            :aria-label="place.words"
            class="choice"
            @update:model-value="choose(place.id, $event)"
          >
            <VBtn value="mine">Mine: {{ place.mine }}</VBtn>
            <VBtn value="theirs">{{ conflict.open.who }}: {{ place.theirs }}</VBtn>
          </VBtnToggle>
        </li>
      </ul>
      <div class="acts">
        <VBtn color="primary" variant="flat" :disabled="!conflict.decided" @click="conflict.keep"
          >Keep what is chosen</VBtn
        >
        <VBtn @click="conflict.chooseAll('mine')">All mine</VBtn>
        <VBtn @click="conflict.chooseAll('theirs')">All theirs</VBtn>
      </div>
    </VCard>
  </VDialog>
</template>

<style scoped>
.places {
  display: flex;
  flex-direction: column;
  gap: 10px;
  list-style: none;
  padding: 0;
}
.choice {
  display: flex;
  flex-wrap: wrap;
  height: auto !important;
  margin-top: 4px;
}
.choice :deep(.v-btn) {
  white-space: normal;
  height: auto !important;
  min-height: 44px;
  text-align: left;
}
.acts {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
}
</style>
