<script setup lang="ts">
import { computed } from 'vue'
import { VBtn, VBtnToggle } from 'vuetify/components'
import { insoleWords, tryOnWords } from '../../../core/footwear/felt'
import { sizeWords } from '../../../core/footwear/reasons'
import { HOLDS, NUMBNESS, TOES } from '../../../core/record/footwearSchema'
import type { TryOnReading } from '../../../core/record/schema'
import type { Side } from '../../../core/tables/vocabulary'
import AmountStepper from '~/components/AmountStepper.vue'
import SideMark from '~/components/SideMark.vue'
import StatusMark from '~/components/StatusMark.vue'
import type { Match } from './useMatch'
import type { TryOnInHand } from './useTryOn'

/** What one foot feels at the reading that is due, and what it comes to. */
const { match, tried, side } = defineProps<{ match: Match; tried: TryOnInHand; side: Side }>()
const { fitting, model, result } = match

const worn = computed(() => tried.current.value?.worn[side])
const reading = computed(() => tried.readingOf(side))
const title = computed(() => {
  if (!worn.value) return ''
  const { model: id, sizeMm } = worn.value
  const rank = (result.value?.pair.findIndex((p) => p.model === id) ?? -1) + 1
  return `${model(id)?.name ?? id}, ${sizeWords(sizeMm)}${rank ? ` · ranks ${rank}` : ''}`
})
/** Rows of choices: what is asked, the words of each answer, and how it is kept. */
const ROWS = [
  { key: 'toesUpright', words: 'toes, upright', of: TOES, say: {} },
  { key: 'toesFlexed', words: 'toes, flexed', of: TOES, say: { clear: 'come off' } },
  { key: 'hold', words: 'hold', of: HOLDS, say: {} },
  { key: 'numb', words: 'feeling', of: NUMBNESS, say: { none: 'full' } },
] as const
const LABEL = {
  toesUpright: 'toes upright',
  toesFlexed: 'toes flexed',
  hold: 'hold',
  numb: 'feeling',
}
const rows = computed(() =>
  ROWS.map(({ key, words, of, say }) => ({
    key,
    words,
    label: `${side} ${LABEL[key]}`,
    answer: reading.value?.[key],
    choices: of.map((value) => ({
      value,
      title: (say as Record<string, string>)[value] ?? value,
    })),
  })),
)
const keep = (key: (typeof ROWS)[number]['key'], value: unknown) =>
  tried.change(side, { [key]: value } as Partial<TryOnReading>)
const insole = computed(() => tried.insoleOf(side))
const insoleSays = computed(() => (insole.value === null ? null : insoleWords(insole.value)))
const says = computed(() =>
  tried.current.value ? tryOnWords(tried.current.value, side, fitting.norms) : null,
)
</script>

<template>
  <section v-if="worn">
    <h3>
      <SideMark :side="side" word /> <span class="small muted">{{ title }}</span>
    </h3>
    <div class="grid">
      <template v-for="row in rows" :key="row.key">
        <span class="small">{{ row.words }}</span><VBtnToggle
          role="group"
          :aria-label="row.label"
          density="compact"
          :model-value="row.answer"
          :disabled="fitting.readOnly"
          @update:model-value="(value: unknown) => keep(row.key, value)"
          ><VBtn v-for="c in row.choices" :key="c.value" :value="c.value">{{
            c.title
          }}</VBtn></VBtnToggle
        >
      </template>
      <span class="small">heel lift</span
      ><AmountStepper
        :value="reading?.heelLiftMm ?? null"
        unit="mm"
        :step="1"
        :min="0"
        :max="40"
        :start="2"
        :label="`${side} heel lift`"
        :disabled="fitting.readOnly"
        @keep="(v: number) => tried.change(side, { heelLiftMm: v })"
      />
      <span class="small">toe over insole</span
      ><AmountStepper
        :value="insole"
        unit="mm"
        :step="1"
        :min="-60"
        :max="60"
        :start="-10"
        :label="`${side} toe over the end of the removed insole; minus is before it`"
        :disabled="fitting.readOnly"
        @keep="(v: number) => tried.setInsole(side, v)"
      />
    </div>
    <p v-if="insoleSays" class="small">
      <StatusMark v-bind="{ kind: insoleSays.kind, word: insoleSays.words }" />
    </p>
    <p v-if="says" class="small"><StatusMark v-bind="{ kind: says.kind, word: says.words }" /></p>
  </section>
</template>

<style scoped>
h3 {
  font-size: 15px;
  padding-bottom: 6px;
}
.grid {
  display: grid;
  grid-template-columns: 74px minmax(0, 1fr);
  gap: 6px 8px;
  align-items: center;
  padding-bottom: 8px;
}
:deep(.status) {
  white-space: normal;
}
.grid :deep(.v-btn) {
  flex: 1;
  padding: 0 6px;
  font-size: 13px;
  min-width: 0;
}
.grid :deep(.v-btn-group) {
  width: 100%;
}
</style>
