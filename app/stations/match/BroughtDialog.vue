<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { VBtn, VCard, VDialog, VSelect, VTextField } from 'vuetify/components'
import { FAMILIES, FAMILY_KINDS, type Family } from '../../../core/kinds/families/all'
import { SHELL_ROUND } from '../../../core/footwear/measuredShell'
import { broughtSchema } from '../../../core/record/footwearSchema'
import type { BroughtFootwear } from '../../../core/record/schema'
import { choicesOf } from '~/browser/choices'
import { readForm, typedNumber } from '~/browser/readForm'
import type { Match } from './useMatch'

/**
 * What the client brought: family, size and what was measured inside it, a form of a minute. It is then judged,
 * tried, chosen and worked like any model.
 */
const { match } = defineProps<{ match: Match }>()
const open = defineModel<boolean>({ required: true })
const { looking } = match
const FAMILY_CHOICES = choicesOf(FAMILIES, (kind) => FAMILY_KINDS.of(kind).name)
/** What most fitters reach with a stick and a tape; the rest is asked for on demand. */
const FIRST = new Set(['lengthMm', 'ballWidthMm', 'heelWidthMm', 'instepHeightMm', 'waistGirthMm'])
const BUILD = [
  ['linerMm', 'Liner as it is, mm'],
  ['insoleMm', 'Insole in it, mm'],
  ['stretchMm', 'Wall gives, mm'],
] as const

interface Draft {
  id: string
  name: string
  family: Family
  sizeMm: string
  at: Record<string, string>
  linerMm: string
  insoleMm: string
  stretchMm: string
}
const mm = (value: number | undefined) => (value === undefined ? '' : String(value))
const brought = computed(() => match.footwear.value.brought ?? [])
/** The first number nobody has: an id that was used is not given to another shoe. */
const freshId = () => {
  const used = new Set(brought.value.map((b) => b.id))
  let n = 1
  while (used.has(`own:${n}`)) n++
  return `own:${n}`
}
const draftOf = (own: BroughtFootwear | undefined): Draft => ({
  id: own?.id ?? freshId(),
  name: own?.name ?? '',
  family: own?.family ?? match.suited.value?.[0] ?? 'shoe',
  sizeMm: mm(own?.sizeMm),
  at: Object.fromEntries(Object.entries(own?.at ?? {}).map(([key, v]) => [key, mm(v)])),
  linerMm: mm(own?.linerMm),
  insoleMm: mm(own?.insoleMm),
  stretchMm: mm(own?.stretchMm),
})
const draft = ref(draftOf(undefined))
const more = ref(false)
const asked = ref(false)
const shown = computed(() => SHELL_ROUND.filter((m) => more.value || FIRST.has(m.key)))
function look(own: BroughtFootwear | undefined) {
  draft.value = draftOf(own)
  asked.value = false
  more.value = Object.keys(own?.at ?? {}).some((key) => !FIRST.has(key))
}
watch(open, (isOpen) => isOpen && look(brought.value[0]))

const form = computed(() => {
  const { at, linerMm, insoleMm, stretchMm, sizeMm, name, ...rest } = draft.value
  const numbers = Object.entries(at).flatMap(([key, text]) => {
    const value = typedNumber(text)
    return value === undefined ? [] : [[key, value] as const]
  })
  return readForm(broughtSchema, {
    ...rest,
    name: name.trim(),
    sizeMm: typedNumber(sizeMm),
    at: Object.fromEntries(numbers),
    linerMm: typedNumber(linerMm),
    insoleMm: typedNumber(insoleMm),
    stretchMm: typedNumber(stretchMm),
  })
})
/** What is wrong with a field, once somebody wanted to keep it. */
const wrong = (path: string): string | undefined =>
  asked.value ? form.value.troubles[path] : undefined
const isNew = computed(() => !brought.value.some((b) => b.id === draft.value.id))

function keep() {
  asked.value = true
  const own = form.value.value
  if (!own) return
  const others = brought.value.filter((b) => b.id !== own.id)
  match.put({ ...match.footwear.value, brought: [...others, own] }, `brought along: ${own.name}`)
  looking.value = own.id
  open.value = false
}
/** What was chosen or worked on stays: it is part of the fitting. */
const isUsed = computed(() => {
  const { chosen, moreChosen = [] } = match.footwear.value
  return [chosen, ...moreChosen].some((c) => c?.model === draft.value.id)
})
function remove() {
  const left = brought.value.filter((b) => b.id !== draft.value.id)
  match.put(
    { ...match.footwear.value, brought: left.length > 0 ? left : undefined },
    `not brought along: ${draft.value.name}`,
  )
  open.value = false
}
</script>

<template>
  <VDialog v-model="open" max-width="720">
    <VCard class="pane">
      <h2>Brought along</h2>
      <div v-if="brought.length > 0" class="line" role="group" aria-label="What was brought">
        <VBtn
          v-for="b in brought"
          :key="b.id"
          :color="b.id === draft.id ? 'primary' : undefined"
          :aria-pressed="b.id === draft.id"
          @click="look(b)"
          >{{ b.name }}</VBtn
        >
        <VBtn :aria-pressed="isNew" @click="look(undefined)">+ another</VBtn>
      </div>
      <form class="stack" @submit.prevent="keep">
        <div class="grid">
          <VTextField
            v-model="draft.name"
            class="wide"
            label="What it is"
            maxlength="80"
            placeholder="grey touring boots, three winters"
            :error-messages="wrong('name')"
          />
          <VSelect v-model="draft.family" label="Family" :items="FAMILY_CHOICES" />
          <VTextField
            v-model="draft.sizeMm"
            label="Size on it, mm"
            inputmode="decimal"
            placeholder="270"
            :error-messages="wrong('sizeMm')"
          />
        </div>
        <p class="small muted">
          Inside, liner out, mm. What cannot be reached stays empty and is not compared; without a
          length nothing is.
        </p>
        <div class="grid">
          <VTextField
            v-for="m in shown"
            :key="m.key"
            v-model="draft.at[m.key]"
            :label="`${m.name}, mm`"
            :title="m.how"
            inputmode="decimal"
            :error-messages="wrong(`at.${m.key}`)"
          />
          <VTextField
            v-for="[key, name] in BUILD"
            :key="key"
            v-model="draft[key]"
            :label="name"
            inputmode="decimal"
            :error-messages="wrong(key)"
          />
        </div>
        <div class="line">
          <VBtn v-if="!more" @click="more = true">More measures</VBtn>
          <VBtn
            v-if="!isNew"
            :disabled="isUsed || match.fitting.readOnly"
            :title="isUsed ? 'it is chosen: choose another first' : ''"
            @click="remove"
            >Take it out</VBtn
          >
          <span class="space" />
          <VBtn @click="open = false">Cancel</VBtn>
          <VBtn color="primary" variant="flat" type="submit" :disabled="match.fitting.readOnly"
            >Keep</VBtn
          >
        </div>
      </form>
    </VCard>
  </VDialog>
</template>

<style scoped>
.pane {
  padding: 18px 20px;
  gap: 10px;
}
.stack {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.grid {
  display: grid;
  grid-template-columns: repeat(4, minmax(0, 1fr));
  gap: 10px;
  align-items: start;
}
.wide {
  grid-column: span 2;
}
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
.space {
  flex: 1;
}
@media (max-width: 700px) {
  .grid {
    grid-template-columns: repeat(2, minmax(0, 1fr));
  }
}
</style>
