<script setup lang="ts">
import { computed } from 'vue'
import { VBtn } from 'vuetify/components'
import { TRY_ON_MINUTES } from '../../../core/record/footwearSchema'
import { SIDES } from '../../../core/tables/vocabulary'
import PlainButton from '~/components/PlainButton.vue'
import type { TryOnInHand } from './useTryOn'

/** The clock of the try-on that is looked at, and which reading of it is taken. */
const { tried, adding } = defineProps<{ tried: TryOnInHand; adding: boolean }>()
const emit = defineEmits<{ check: []; another: [] }>()
const { current, elapsed, minute, due } = tried

const clock = computed(
  () => `${Math.floor(elapsed.value / 60)}:${String(elapsed.value % 60).padStart(2, '0')}`,
)
/** After this long nobody waits by the clock any more, s. */
const LONG_OVER = 3600
const time = computed(() => (elapsed.value < LONG_OVER ? clock.value : 'over'))
const waiting = computed(() => TRY_ON_MINUTES.find((m) => elapsed.value < m * 60) ?? null)
const status = computed(() => {
  const next =
    waiting.value === null
      ? 'the quarter of an hour is over'
      : `next reading at ${waiting.value} min`
  return `${next} · ${current.value?.onDevice ? 'footbed in' : 'without footbed'}`
})
const worn = computed(() => SIDES.filter((s) => current.value?.worn[s]))
function markWords(m: number): string {
  const read = worn.value.filter((s) =>
    current.value?.readings.some((r) => r.minute === m && r.foot === s),
  ).length
  if (read > 0) return `${read} of ${worn.value.length}`
  return elapsed.value >= m * 60 ? 'due' : ''
}
const marks = computed(() => TRY_ON_MINUTES.map((m) => ({ m, words: markWords(m) })))
</script>

<template>
  <div v-if="current" class="clock">
    <b class="time" :aria-label="`${clock} since the start`">{{ time }}</b><span class="who"
      ><b class="ellipsis">{{ tried.nameOf(current) }}</b
      ><span class="small muted">{{ status }}</span></span
    >
    <span class="marks" role="group" aria-label="Reading at"
      ><PlainButton
        v-for="{ m, words } in marks"
        :key="m"
        class="at"
        :class="{ on: due === m }"
        :aria-pressed="due === m"
        @click="minute = m"
      >
        {{ m }}<span class="small">{{ words }}</span>
      </PlainButton></span
    >
    <span class="more"
      ><VBtn @click="emit('check')">Shell check</VBtn
      ><VBtn :aria-expanded="adding" @click="emit('another')">Try another</VBtn></span
    >
  </div>
</template>

<style scoped>
.clock {
  display: flex;
  gap: 8px 14px;
  align-items: center;
  padding: 8px 16px;
  border-bottom: 1px solid var(--hairline);
  flex-wrap: wrap;
}
.time {
  font-family: 'Bricolage Grotesque Variable', serif;
  font-size: 40px;
  line-height: 44px;
  min-width: 92px;
}
.who {
  display: flex;
  flex-direction: column;
  min-width: 120px;
  flex: 1;
}
.marks,
.more {
  display: flex;
  gap: 6px;
}
.at {
  width: 54px;
  min-height: 48px;
  border: 1px solid var(--line-strong);
  border-radius: 6px;
  text-align: center;
  font-size: 17px;
  font-weight: 600;
  line-height: 20px;
  background: var(--sheet);
}
.at span {
  display: block;
  font-weight: 400;
  min-height: 16px;
}
.at.on {
  background: var(--wash);
  border-color: var(--spruce);
  box-shadow: inset 0 0 0 1px var(--spruce);
}
</style>
