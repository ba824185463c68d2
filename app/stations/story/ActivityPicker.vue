<script setup lang="ts">
import { VAutocomplete } from 'vuetify/components'
import { ACTIVITIES } from '../../../core/kinds/activities/all'
import { ACTIVITY_GROUPS } from '../../../core/kinds/activities/definition'

/** One thing that clients do in their footwear, found by a few letters or in its group. */
defineProps<{
  modelValue: string | undefined
  label: string
  disabled?: boolean
  /** kinds that are not offered */
  without?: string | undefined
}>()
const emit = defineEmits<{ 'update:modelValue': [kind: string | undefined] }>()

interface Choice {
  type?: 'subheader'
  title: string
  value?: string
}
/** Groups with what belongs to each, in the order of the menu. */
const CHOICES: readonly Choice[] = Object.entries(ACTIVITY_GROUPS).flatMap(([group, title]) => [
  { type: 'subheader', title } as const,
  ...ACTIVITIES.all.filter((a) => a.group === group).map((a) => ({ title: a.name, value: a.kind })),
])
const choicesBut = (without: string | undefined) =>
  without === undefined ? CHOICES : CHOICES.filter((c) => c.value !== without)
</script>

<template>
  <VAutocomplete
    class="activity"
    density="compact"
    hide-details
    auto-select-first
    clearable
    placeholder="type or choose"
    :label="label"
    :items="choicesBut(without)"
    item-title="title"
    item-value="value"
    :model-value="modelValue ?? null"
    :disabled="disabled"
    @update:model-value="(kind: string | null) => emit('update:modelValue', kind ?? undefined)"
  />
</template>

<style scoped>
.activity {
  max-width: 22rem;
}
</style>
