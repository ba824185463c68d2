<script setup lang="ts">
import { parseNumber } from '../../../core/measure/parseNumber'
import type { Followup } from '../../../core/record/schema'
import DraftField from '~/components/DraftField.vue'
import PlainButton from '~/components/PlainButton.vue'

/**
 * The rest of what is asked: comfort, days and hours used, numb toes, hot spots, what they would
 * change.
 */
const { current, disabled } = defineProps<{ current: Followup; disabled: boolean }>()
const emit = defineEmits<{ put: [next: Followup, words: string]; trouble: [words: string] }>()
function number(
  key: 'comfort' | 'daysUsed' | 'hoursADay',
  text: string,
  most: number,
  words: string,
) {
  const value = text.trim() ? parseNumber(text) : undefined
  if (
    value === null ||
    (value !== undefined &&
      (value < 0 || value > most || (key === 'daysUsed' && !Number.isInteger(value))))
  )
    return emit('trouble', `${words} goes from 0 to ${most}. “${text}” was not kept.`)
  emit('put', { ...current, [key]: value }, words.toLowerCase())
}
const WHERE = ['no', 'left', 'right', 'both'] as const
const ASKS = [
  ['numbToes', 'Numb toes'],
  ['hotSpots', 'Hot spots'],
] as const
</script>

<template>
  <div class="ask three">
    <label
      ><span class="label">Comfort, 0 – 100</span
      ><DraftField
        inputmode="numeric"
        :value="current.comfort"
        :disabled
        @keep="(t: string) => number('comfort', t, 100, 'Comfort')"
    /></label>
    <label
      ><span class="label">Days used</span
      ><DraftField
        inputmode="numeric"
        :value="current.daysUsed"
        :disabled
        aria-label="Days used"
        @keep="(t: string) => number('daysUsed', t, 2000, 'Days used')"
    /></label>
    <label
      ><span class="label">Hours a day</span
      ><DraftField
        inputmode="decimal"
        :value="current.hoursADay"
        :disabled
        aria-label="Hours a day"
        @keep="(t: string) => number('hoursADay', t, 24, 'Hours a day')"
    /></label>
  </div>
  <div class="ask both">
    <div v-for="[key, words] in ASKS" :key="key">
      <span class="label">{{ words }}</span>
      <div class="seg" role="radiogroup" :aria-label="words">
        <PlainButton
          v-for="w in WHERE"
          :key="w"
          role="radio"
          :aria-checked="current[key] === w"
          :class="{ on: current[key] === w }"
          :disabled
          @click="emit('put', { ...current, [key]: w }, words.toLowerCase())"
        >
          {{ w }}
        </PlainButton>
      </div>
    </div>
  </div>
  <div class="ask both">
    <label
      ><span class="label">In their words</span
      ><DraftField
        maxlength="500"
        :value="current.words"
        :disabled
        @keep="(t: string) => emit('put', { ...current, words: t.trim() || undefined }, 'words')"
    /></label>
    <label
      ><span class="label">What would you change?</span
      ><DraftField
        maxlength="300"
        :value="current.wouldChange"
        :disabled
        aria-label="What would you change"
        @keep="
          (t: string) =>
            emit(
              'put',
              { ...current, wouldChange: t.trim() || undefined },
              'what they would change',
            )
        "
    /></label>
  </div>
</template>

<style scoped>
.ask {
  padding: 8px 14px;
  border-bottom: 1px solid var(--hairline);
  display: grid;
  gap: 8px;
}
.three {
  grid-template-columns: 1fr 1fr 1fr;
}
.both {
  grid-template-columns: 1fr 1fr;
}
.seg {
  display: grid;
  grid-template-columns: repeat(4, 1fr);
  border: 1px solid var(--line-strong);
  border-radius: 6px;
  overflow: hidden;
}
.seg button {
  height: 44px;
  text-align: center;
  border-right: 1px solid var(--hairline);
}
.seg .on {
  background: var(--wash);
  font-weight: 700;
}
</style>
