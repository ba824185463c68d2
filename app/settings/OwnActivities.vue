<script setup lang="ts">
import { computed, ref } from 'vue'
import { VAutocomplete, VBtn, VSelect, VTextarea, VTextField } from 'vuetify/components'
import { ACTIVITIES, type Activity } from '../../core/kinds/activities/all'
import { FORCE_WORDS } from '../../core/kinds/activities/forces'
import { beginOwn, ownActivitySchema, type OwnActivity } from '../../core/kinds/activities/own'
import { FAMILIES, FAMILY_KINDS } from '../../core/kinds/families/all'
import type { ShopTables } from '../../core/record/tables'
import { FORCES } from '../../core/tables/vocabulary'
import { choicesOf } from '~/browser/choices'
import { readForm } from '~/browser/readForm'
import PlainButton from '~/components/PlainButton.vue'

/**
 * What this shop's clients do beside what everybody's do: a name, what it is most like, and what
 * differs. A fitting keeps what it was told with.
 */
const { draft, may } = defineProps<{ draft: ShopTables; may: boolean }>()
const emit = defineEmits<{ change: [Partial<ShopTables>] }>()

const own = computed(() => draft.ownActivities)
/** Its lists as they are typed: one a line. */
interface Form extends Omit<OwnActivity, 'cautions' | 'terrains'> {
  cautions: string
  terrains: string
}
const form = ref<Form | null>(null)
/** The name it had when the form was opened; null for a new one. */
const before = ref<string | null>(null)
const asked = ref(false)
const formOf = (row: OwnActivity): Form => ({
  ...row,
  families: [...row.families],
  cautions: row.cautions.join('\n'),
  terrains: row.terrains.join('\n'),
})
function look(row: OwnActivity | null) {
  form.value = formOf(row ?? beginOwn('', 'walking'))
  before.value = row?.name ?? null
  asked.value = false
}
/** Another likeness brings its own footwear, force, question and grounds; name and cautions stay. */
function like(kind: Activity) {
  const { name, cautions } = form.value!
  form.value = { ...formOf(beginOwn(name, kind)), cautions }
}
const linesOf = (text: string) =>
  text
    .split('\n')
    .map((line) => line.trim())
    .filter((line) => line !== '')
const read = computed(() => {
  if (!form.value) return null
  const { cautions, terrains, ...rest } = form.value
  return readForm(ownActivitySchema, {
    ...rest,
    cautions: linesOf(cautions),
    terrains: linesOf(terrains),
  })
})
const others = computed(() => own.value.filter((o) => o.name !== before.value))
const isTaken = computed(() => {
  const name = form.value?.name.trim().toLowerCase()
  return others.value.some((o) => o.name.toLowerCase() === name)
})
function wrong(path: string): string | undefined {
  if (!asked.value) return undefined
  if (path === 'name' && isTaken.value) return 'another of ours has this name'
  return read.value?.troubles[path]
}
/** What is wrong with a list of lines, whichever of them it is. */
const wrongLine = (path: 'cautions' | 'terrains') =>
  asked.value
    ? Object.entries(read.value?.troubles ?? {}).find(([at]) => at.startsWith(path))?.[1]
    : undefined
function keep() {
  asked.value = true
  const row = read.value?.value
  if (!row || isTaken.value) return
  const at = own.value.findIndex((o) => o.name === before.value)
  const next = at < 0 ? [...own.value, row] : own.value.with(at, row)
  emit('change', { ownActivities: next })
  form.value = null
}
function remove() {
  emit('change', { ownActivities: others.value })
  form.value = null
}
const FAMILY_CHOICES = choicesOf(FAMILIES, (kind) => FAMILY_KINDS.of(kind).plural)
const FORCE_CHOICES = choicesOf(FORCES, (force) => FORCE_WORDS[force])
const likeWords = (row: OwnActivity) =>
  `like ${ACTIVITIES.of(row.like).name.toLowerCase()}, in ${row.families.map((f) => FAMILY_KINDS.of(f).plural).join(', ')}`
</script>

<template>
  <section class="own" aria-label="Our own activities">
    <p class="small muted">
      What your clients do and no list has. Each is sized and judged as what it is most like, with
      your footwear, question, grounds and cautions. Fittings keep what they were told with.
    </p>
    <ul v-if="own.length" class="rows">
      <li v-for="row in own" :key="row.name">
        <PlainButton class="row" :aria-pressed="row.name === before" @click="look(row)">
          <b>{{ row.name }}</b> <span class="muted">{{ likeWords(row) }}</span>
        </PlainButton>
      </li>
    </ul>
    <p v-else class="muted">None yet.</p>
    <VBtn v-if="!form" :disabled="!may" @click="look(null)">Add an activity</VBtn>
    <form v-else class="form card" @submit.prevent="keep">
      <div class="grid">
        <VTextField
          v-model="form.name"
          label="What it is called"
          maxlength="60"
          :disabled="!may"
          :error-messages="wrong('name')"
        />
        <VAutocomplete
          :model-value="form.like"
          label="Most like"
          :items="ACTIVITIES.all"
          item-title="name"
          item-value="kind"
          auto-select-first
          :disabled="!may"
          @update:model-value="(kind: Activity | null) => kind && like(kind)"
        />
        <VSelect
          v-model="form.families"
          label="Footwear"
          multiple
          :items="FAMILY_CHOICES"
          :disabled="!may"
          :error-messages="wrong('families')"
        />
        <VSelect v-model="form.force" label="Usual force" :items="FORCE_CHOICES" :disabled="!may" />
        <VTextField
          v-model="form.ask"
          class="wide"
          label="What to ask next"
          maxlength="200"
          :disabled="!may"
          :error-messages="wrong('ask')"
        />
        <VTextarea
          v-model="form.terrains"
          label="Grounds, one a line"
          rows="3"
          :disabled="!may"
          :error-messages="wrongLine('terrains')"
        />
        <VTextarea
          v-model="form.cautions"
          label="Cautions, one a line"
          rows="3"
          :disabled="!may"
          :error-messages="wrongLine('cautions')"
        />
      </div>
      <div class="line">
        <VBtn v-if="before !== null" :disabled="!may" @click="remove">Remove</VBtn>
        <span class="space" />
        <VBtn @click="form = null">Cancel</VBtn>
        <VBtn color="primary" variant="flat" type="submit" :disabled="!may">Take over</VBtn>
      </div>
    </form>
  </section>
</template>

<style scoped>
.own {
  display: flex;
  flex-direction: column;
  gap: 10px;
  align-items: flex-start;
}
.rows {
  width: 100%;
}
.row {
  min-height: 44px;
  width: 100%;
  border-bottom: 1px solid var(--hairline);
  padding: 8px 6px;
}
.row[aria-pressed='true'] {
  background: var(--wash);
}
.form {
  width: 100%;
  padding: 14px;
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.grid {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 10px 14px;
  align-items: start;
}
.wide {
  grid-column: span 2;
}
.line {
  display: flex;
  gap: 8px;
  align-items: center;
}
.space {
  flex: 1;
}
@media (max-width: 700px) {
  .grid {
    grid-template-columns: minmax(0, 1fr);
  }
  .wide {
    grid-column: auto;
  }
}
</style>
