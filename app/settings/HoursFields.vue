<script setup lang="ts">
import { computed } from 'vue'
import { VCheckboxBtn } from 'vuetify/components'
import { typedClock } from '~/browser/typedClock'
import DraftField from '~/components/DraftField.vue'
import { WEEKDAYS, type Hours, type Weekday } from '../../shared/shopDetails'

/** Hours by weekday: a day is ticked and gets its times, or it is none. */
const {
  hours,
  disabled = false,
  of,
} = defineProps<{
  hours: Hours
  disabled?: boolean
  /** whose they are, for who listens to the page */
  of: string
}>()
const emit = defineEmits<{ change: [Hours] }>()

const USUAL = { from: '09:00', to: '17:00' }
const rows = computed(() =>
  WEEKDAYS.map(([day, name]) => ({ day, name, span: hours[day] ?? null })),
)
function tick(day: Weekday, isOn: boolean) {
  const { [day]: _, ...others } = hours
  // A further day is as long as the last that was told.
  const like = Object.values(hours).at(-1) ?? USUAL
  emit('change', isOn ? { ...others, [day]: { ...like } } : others)
}
/** What is no time is handed on as it is: whoever keeps it says so. */
const set = (day: Weekday, end: 'from' | 'to', text: string) =>
  emit('change', { ...hours, [day]: { ...hours[day]!, [end]: typedClock(text) } })
</script>

<template>
  <div class="hours">
    <div v-for="{ day, name, span } in rows" :key="day" class="day">
      <label
        ><VCheckboxBtn
          :model-value="span !== null"
          :disabled="disabled"
          :aria-label="`${of} on ${name}`"
          @update:model-value="(isOn) => tick(day, Boolean(isOn))"
        />
        {{ name }}</label
      >
      <template v-if="span">
        <DraftField
          inputmode="numeric"
          placeholder="09:00"
          :value="span.from"
          :disabled="disabled"
          :aria-label="`${name} from`"
          @keep="(text: string) => set(day, 'from', text)"
        /><span>to</span
        ><DraftField
          inputmode="numeric"
          placeholder="09:00"
          :value="span.to"
          :disabled="disabled"
          :aria-label="`${name} to`"
          @keep="(text: string) => set(day, 'to', text)"
        />
      </template>
      <span v-else class="muted small">not</span>
    </div>
  </div>
</template>

<style scoped>
.hours {
  display: flex;
  flex-direction: column;
  gap: 4px;
}
.day {
  display: grid;
  grid-template-columns: 130px 84px 20px 84px;
  gap: 8px;
  align-items: center;
  min-height: 44px;
}
label {
  display: flex;
  gap: 6px;
  align-items: center;
}
</style>
