<script setup lang="ts">
import { computed } from 'vue'
import { VTextarea, VTextField } from 'vuetify/components'
import { plainCopy } from '~/browser/plainCopy'
import { TABLES, type ShopTables } from '../../core/record/tables'
import { REMIND_KINDS, type RemindKind, type ReminderText } from '../../core/tables/reminderTexts'

/** The shop's own letters of reminder, one for each kind of what is due. */
const { draft, may } = defineProps<{ draft: ShopTables; may: boolean }>()
const emit = defineEmits<{ change: [Partial<ShopTables>]; trouble: [string] }>()
const NAMES: Record<RemindKind, string> = {
  outcome: 'How it goes',
  visit: 'A visit that was agreed',
  outgrown: 'Footwear outgrown',
  remake: 'Device outgrown',
  guarantee: 'Guarantee ends',
  quote: 'Quote unanswered',
  uncollected: 'Ready, not collected',
}
const { schema, source } = TABLES.reminderTexts
const lines = computed(() =>
  REMIND_KINDS.map((kind) => ({ kind, name: NAMES[kind], ...draft.reminderTexts[kind] })),
)
function put(kind: RemindKind, part: Partial<ReminderText>) {
  const next = plainCopy({
    ...draft.reminderTexts,
    [kind]: { ...draft.reminderTexts[kind], ...part },
  })
  const read = schema.safeParse(next)
  if (!read.success)
    return emit('trouble', `${NAMES[kind]}: a subject and a text are needed. Nothing was changed.`)
  emit('trouble', '')
  emit('change', { reminderTexts: read.data })
}
</script>

<template>
  <div class="tables">
    <p class="small muted">
      {{ source }}. {name}, {day}, {shop} and {contact} are filled in. Write nothing of feet or
      health: others may read a letter.
    </p>
    <section v-for="l in lines" :key="l.kind" class="letter">
      <h2>{{ l.name }}</h2>
      <VTextField
        :model-value="l.subject"
        label="Subject"
        maxlength="120"
        :aria-label="`Subject: ${l.name}`"
        :disabled="!may"
        @change="(e: Event) => put(l.kind, { subject: (e.target as HTMLInputElement).value })"
      />
      <VTextarea
        :model-value="l.text"
        label="Text"
        maxlength="2000"
        rows="5"
        :aria-label="`Text: ${l.name}`"
        :disabled="!may"
        @change="(e: Event) => put(l.kind, { text: (e.target as HTMLTextAreaElement).value })"
      />
    </section>
  </div>
</template>

<style scoped src="./tables.css"></style>

<style scoped>
.letter {
  display: flex;
  flex-direction: column;
  gap: 10px;
  padding: 10px 0;
}
</style>
