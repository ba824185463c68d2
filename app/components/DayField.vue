<script setup lang="ts">
import { mdiCalendarBlankOutline } from '@mdi/js'
import { format } from 'date-fns'
import { computed, defineAsyncComponent, nextTick, ref, watch } from 'vue'
import { VBtn, VMenu, VTextField } from 'vuetify/components'
import { dayWords, FIRST_DAY, lastDay, typedDay } from '../../core/record/typedDay'

/**
 * A day, typed as people write it or picked from a calendar, shown as 28 Nov 2026 whatever the
 * browser's own language. It is kept when the field is left, at Enter, or when it is picked; text
 * that is no day stays there with a sentence, and nothing is kept.
 */
const {
  label = undefined,
  unlabelled = false,
  disabled = false,
  min = undefined,
  max = undefined,
} = defineProps<{
  label?: string | undefined
  /** the label stands beside it, and here only for whoever hears the page */
  unlabelled?: boolean
  disabled?: boolean
  /** first and last day that the calendar offers, YYYY-MM-DD */
  min?: string | undefined
  max?: string | undefined
}>()
/** YYYY-MM-DD; undefined where no day is set. */
const day = defineModel<string | undefined>()

// The calendar is fetched when it is first opened: no page needs it to begin with.
const VDatePicker = defineAsyncComponent(() =>
  import('vuetify/components/VDatePicker').then((kit) => kit.VDatePicker),
)

const today = () => format(new Date(), 'yyyy-MM-dd')
const first = computed(() => min ?? FIRST_DAY)
const last = computed(() => max ?? lastDay(today()))
const words = () => (day.value ? dayWords(day.value) : '')
/** what was last shown of the kept day; other text is being typed */
let shown = words()
const text = ref(shown)
/** Why what stands there is not kept; a form with a day that is none must not go on. */
const trouble = defineModel<string>('trouble', { default: '' })
const open = ref(false)
function show() {
  shown = words()
  text.value = shown
}
// News from the server never overwrites what is being typed.
watch(day, () => text.value === shown && show())

/** Gives a day away, then shows what was really kept. */
async function give(next: string | undefined) {
  trouble.value = ''
  day.value = next
  await nextTick()
  show()
}
function keep() {
  if (text.value === shown) return void (trouble.value = '')
  if (text.value.trim() === '') return give(undefined)
  const typed = typedDay(text.value, { today: today(), min, max })
  if ('day' in typed) return give(typed.day)
  trouble.value = typed.trouble
}

// A day has no hour: noon keeps it the same day in every zone.
const picked = computed(() => (day.value ? new Date(`${day.value}T12:00`) : null))
function pick(date: unknown) {
  if (!(date instanceof Date)) return
  const [y, m, d] = [date.getFullYear(), date.getMonth() + 1, date.getDate()]
  open.value = false
  return give([y, ...[m, d].map((n) => String(n).padStart(2, '0'))].join('-'))
}
</script>

<template>
  <VTextField
    v-model="text"
    class="day-field"
    :label="unlabelled ? undefined : label"
    :aria-label="unlabelled ? label : undefined"
    :disabled
    :error-messages="trouble"
    placeholder="28 Nov 2026"
    autocomplete="off"
    @blur="keep"
    @keydown.enter="keep"
  >
    <template #append-inner>
      <VMenu v-model="open" :close-on-content-click="false" location="bottom end">
        <template #activator="{ props }">
          <VBtn
            v-bind="props"
            :icon="mdiCalendarBlankOutline"
            :disabled
            variant="text"
            size="x-small"
            :aria-label="`Calendar${label ? ` for ${label}` : ''}`"
          />
        </template>
        <VDatePicker
          :model-value="picked"
          :min="first"
          :max="last"
          hide-header
          first-day-of-week="1"
          @update:model-value="pick"
        />
      </VMenu>
    </template>
  </VTextField>
</template>

<style scoped>
.day-field :deep(.v-field) {
  --v-field-padding-start: 10px;
  --v-field-padding-end: 4px;
}
</style>
