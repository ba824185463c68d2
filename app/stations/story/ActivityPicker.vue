<script setup lang="ts">
import { computed } from 'vue'
import { VAutocomplete } from 'vuetify/components'
import { ACTIVITIES } from '../../../core/kinds/activities/all'
import { ACTIVITY_GROUPS } from '../../../core/kinds/activities/definition'
import type { OwnActivity } from '../../../core/kinds/activities/own'
import { ownActivityOf, type ActivityTold } from '../../../core/record/storyActivity'

/**
 * One thing that clients do in their footwear, found by a few letters or in its group; what this
 * shop added stands first.
 */
const { told, own, without } = defineProps<{
  /** what is told now */
  told: ActivityTold | undefined
  label: string
  disabled?: boolean
  /** the shop's own */
  own: readonly OwnActivity[]
  /** what is not offered */
  without?: ActivityTold | undefined
}>()
const emit = defineEmits<{ told: [ActivityTold] }>()

interface Choice {
  type?: 'subheader'
  title: string
  value?: string
}
/** Groups with what belongs to each, in the order of the menu. */
const GROUPS: readonly Choice[] = Object.entries(ACTIVITY_GROUPS).flatMap(([group, title]) => [
  { type: 'subheader', title } as const,
  ...ACTIVITIES.all.filter((a) => a.group === group).map((a) => ({ title: a.name, value: a.kind })),
])
/** Own activities are told apart from kinds by what their value begins with. */
const OWN = 'own '
function valueOf(story: ActivityTold | undefined): string | null {
  const mine = ownActivityOf(story)
  return mine ? `${OWN}${mine.name}` : (story?.activity ?? null)
}
/** The shop's, and the one that is told here though the shop has it no more or another way. */
const known = computed(() => {
  const mine = ownActivityOf(told)
  return mine ? [mine, ...own.filter((o) => o.name !== mine.name)] : own
})
const choices = computed((): Choice[] => {
  const ours = known.value.map((o): Choice => ({ title: o.name, value: `${OWN}${o.name}` }))
  const head: Choice[] = ours.length > 0 ? [{ type: 'subheader', title: 'Ours' }] : []
  return [...head, ...ours, ...GROUPS].filter(
    (c) => c.value === undefined || c.value !== valueOf(without),
  )
})
function choose(value: string | null) {
  const mine = value?.startsWith(OWN)
    ? known.value.find((o) => o.name === value.slice(OWN.length))
    : undefined
  emit(
    'told',
    mine
      ? { activity: mine.like, ownActivity: mine }
      : { activity: value ?? undefined, ownActivity: undefined },
  )
}
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
    :items="choices"
    item-title="title"
    item-value="value"
    :model-value="valueOf(told)"
    :disabled="disabled"
    @update:model-value="choose"
  />
</template>

<style scoped>
.activity {
  max-width: 22rem;
}
</style>
