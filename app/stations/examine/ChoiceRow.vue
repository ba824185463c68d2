<script setup lang="ts">
import type { Side } from '../../../core/tables/vocabulary'
import FindingRow from './FindingRow.vue'
import PlainButton from '~/components/PlainButton.vue'

/** One finding that is a word out of a few, both feet in one row. */
const {
  name,
  how = '',
  options,
  value,
  disabled = false,
} = defineProps<{
  name: string
  how?: string
  options: readonly (readonly [string, string])[]
  value: (side: Side) => string | undefined
  disabled?: boolean
}>()
defineEmits<{ set: [Side, string | undefined] }>()
</script>

<template>
  <FindingRow v-slot="{ side }" :name="name" :how="how" :of="name">
    <PlainButton
      v-for="[id, word] in options"
      :key="id"
      class="opt"
      :aria-pressed="value(side) === id"
      :disabled="disabled"
      @click="$emit('set', side, value(side) === id ? undefined : id)"
    >
      {{ word }}
    </PlainButton>
  </FindingRow>
</template>

<style scoped>
.opt {
  min-height: 34px;
  min-width: 34px;
  padding: 0 8px;
  border: 1px solid var(--line-strong);
  border-radius: 4px;
  background: var(--sheet);
  font-size: 13px;
  text-align: center;
}
.opt[aria-pressed='true'] {
  background: var(--wash);
  border-color: var(--spruce);
  font-weight: 700;
}
</style>
