<script setup lang="ts">
import { computed, ref } from 'vue'
import { VBtn, VDivider, VList, VListItem, VMenu } from 'vuetify/components'
import { devicesOf } from '../../../core/device/severalDevices'
import { SIDES } from '../../../core/tables/vocabulary'
import { useChanges } from '~/stores/changes'
import { useFitting } from '~/stores/fitting'
import { modelHere } from '~/browser/modelHere'
import OtherFootwearDialog from './OtherFootwearDialog.vue'
import { useDevices } from './useDevices'

/** Which of a fitting's devices is worked on, and the way to another for other footwear on the same feet. */
const fitting = useFitting()
const changes = useChanges()
const devices = useDevices()
const isAsking = ref(false)
const now = computed(() => devices.names.value[0] ?? '')
const isSeveral = computed(() => devices.names.value.length > 1)
const words = computed(() => (isSeveral.value ? now.value : 'Device'))
const all = computed(() => SIDES.flatMap((side) => devicesOf(fitting.record.feet[side]!)))
/** The devices with what each is for, as far as it is known. */
const choices = computed(() =>
  devices.names.value.map((name) => {
    const model = all.value.find((d) => d.name === name && d.forFootwear)?.forFootwear
    return { name, subtitle: model ? `for ${modelHere(model)?.name ?? model}` : undefined }
  }),
)
const workOn = (name: string) => (changes.said = devices.workOn(name))
</script>

<template>
  <VMenu>
    <template #activator="{ props }">
      <VBtn v-bind="props" class="which" variant="text" :aria-label="`Device worked on: ${words}`"
        >{{ words }} ▾</VBtn
      >
    </template>
    <VList>
      <template v-if="isSeveral">
        <VListItem
          v-for="choice in choices"
          :key="choice.name"
          :title="choice.name"
          :subtitle="choice.subtitle"
          :active="choice.name === now"
          :disabled="fitting.readOnly"
          @click="workOn(choice.name)"
        />
        <VDivider />
      </template>
      <VListItem
        title="Same feet, other footwear …"
        :disabled="fitting.readOnly"
        @click="isAsking = true"
      />
    </VList>
  </VMenu>
  <OtherFootwearDialog v-model="isAsking" />
</template>

<style scoped>
.which {
  min-width: 0;
  max-width: 100%;
  padding: 0 2px;
  font-size: 13px;
}
.which :deep(.v-btn__content) {
  display: block;
  max-width: 100%;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
</style>
