<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { VBtn, VTextField } from 'vuetify/components'
import { skinCheck } from '../../core/record/skinCheck'
import type { BenchStep } from '../../core/bench/jobSteps'
import type { StepChange, Wearer } from '../../core/record/stepState'
import { parseNumber } from '../../core/measure/parseNumber'

/**
 * What can be done with a step: begin, end, longer, split, leave out, do again. A step on warm skin
 * is locked until its temperature is typed and cool enough.
 */
const {
  step,
  wearer,
  disabled = false,
  big = false,
  early = [],
} = defineProps<{
  step: BenchStep
  wearer: Wearer
  disabled?: boolean
  big?: boolean
  early?: string[]
}>()
const emit = defineEmits<{ act: [change: Omit<StepChange, 'step' | 'foot'>] }>()
const celsius = ref('')
const reason = ref('')
const asking = ref<'skip' | 'redo' | 'split' | null>(null)
const left = ref('')
watch(
  () => step.key,
  () => {
    celsius.value = ''
    reason.value = ''
    asking.value = null
  },
)
const height = computed(() => (big ? 64 : 44))
const onSkin = computed(() => step.skinMin !== undefined && step.state === 'open')
const measured = computed(() => parseNumber(celsius.value))
const skin = computed(() =>
  onSkin.value && measured.value !== null
    ? skinCheck(measured.value, step.skinMin!, wearer)
    : wearer.noHeat && onSkin.value
      ? skinCheck(0, step.skinMin!, wearer)
      : null,
)
const needsReason = computed(() => skin.value?.answer === 'reason' || early.length > 0)
const cold = computed(
  () =>
    disabled ||
    (onSkin.value && (skin.value === null || skin.value.answer === 'stop')) ||
    (skin.value?.answer === 'reason' && reason.value.trim().length < 3),
)
/** Beginning is held to the order too; ticking off what was done is not. */
const locked = computed(() => cold.value || (needsReason.value && reason.value.trim().length < 3))
const more = computed(() => ({
  ...(onSkin.value && measured.value !== null && { celsius: measured.value }),
  ...(reason.value.trim() && { reason: reason.value.trim() }),
}))
function go(what: StepChange['do'], extra: Partial<StepChange> = {}) {
  emit('act', { do: what, ...extra })
  asking.value = null
  reason.value = ''
}
function answer() {
  if (asking.value === 'split') {
    const minutes = parseNumber(left.value)
    go('split', minutes !== null && minutes > 0 ? { minutes } : {})
  } else go(asking.value!, { reason: reason.value.trim() })
}
</script>

<template>
  <div class="acts" :class="{ big }">
    <template v-if="step.state === 'open'">
      <p v-if="early.length" class="small watch-text full">
        ▲ Comes after: {{ early.join(', ') }}. Say why it does not matter, or do that first.
      </p>
      <div v-if="onSkin" class="skin full" :class="skin?.answer">
        <label
          ><b>Sock side, °C</b
          ><VTextField
            v-model="celsius"
            class="deg"
            inputmode="decimal"
            :disabled="disabled || wearer.noHeat"
            :aria-label="`Temperature of the sock side, ${step.words}`"
            placeholder="measure"
        /></label>
        <p role="status">
          <b>{{ skin ? { go: '✓ ', reason: '▲ ', stop: '■ ' }[skin.answer] : '' }}</b>{{
            skin?.words ??
            `Locked until it is measured: the side that touches the sock, just before the foot goes in for about ${step.skinMin} min.`
          }}
        </p>
      </div>
      <VTextField
        v-if="needsReason && skin?.answer !== 'stop'"
        v-model="reason"
        class="full"
        maxlength="300"
        placeholder="Why go on?"
        aria-label="Reason to go on"
      />
      <VBtn
        color="primary"
        variant="flat"
        :height="height"
        :disabled="locked"
        @click="go('start', more)"
        >{{ step.waiting && !step.overnight ? `Start, timer ${step.minutes} min` : 'Start' }}</VBtn
      >
      <VBtn :height="height" :disabled="cold" @click="go('finish', more)">Done</VBtn>
      <VBtn :height="height" :disabled="disabled" @click="asking = 'skip'">Leave out</VBtn>
    </template>
    <template v-else-if="step.state === 'running'">
      <VBtn
        color="primary"
        variant="flat"
        :height="height"
        :disabled="disabled"
        @click="go('finish')"
        >Done</VBtn
      >
      <VBtn
        :height="height"
        :disabled="disabled"
        @click="go('longer', { minutes: step.waiting ? 1 : 5 })"
        >{{ step.waiting ? '+ 1 min' : '+ 5 min' }}</VBtn
      >
      <VBtn v-if="!step.waiting" :height="height" :disabled="disabled" @click="asking = 'split'"
        >Break off</VBtn
      >
      <VBtn :height="height" variant="text" :disabled="disabled" @click="go('undo')"
        >Not begun</VBtn
      >
    </template>
    <template v-else>
      <VBtn :height="height" :disabled="disabled" @click="asking = 'redo'">Do again</VBtn>
      <VBtn :height="height" variant="text" :disabled="disabled" @click="go('undo')">Not done</VBtn>
    </template>
    <form v-if="asking" class="ask full" @submit.prevent="answer">
      <label v-if="asking === 'split'"
        ><span class="small muted">Minutes that are left (empty: what was planned)</span
        ><VTextField v-model="left" inputmode="numeric" aria-label="Minutes that are left"
      /></label>
      <label v-else
        ><span class="small muted">{{
          asking === 'skip' ? 'Why is it left out?' : 'Why again? What follows is opened too.'
        }}</span
        ><VTextField
          v-model="reason"
          maxlength="300"
          :aria-label="asking === 'skip' ? 'Why it is left out' : 'Why again'"
      /></label>
      <VBtn
        type="submit"
        color="primary"
        variant="flat"
        :height="height"
        :disabled="asking !== 'split' && reason.trim().length < 3"
        >{{ { skip: 'Leave out', redo: 'Do again', split: 'Break off' }[asking] }}</VBtn><VBtn
        :height="height"
        variant="text"
        @click="asking = null"
        >No</VBtn
      >
    </form>
  </div>
</template>

<style scoped>
.acts {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
  align-items: center;
}
.full {
  flex-basis: 100%;
}
.big .v-btn {
  font-size: 20px;
  flex: 1;
}
.skin {
  display: flex;
  gap: 12px;
  align-items: center;
  border: 1px solid var(--watch);
  background: var(--watch-tint);
  border-radius: 6px;
  padding: 8px 12px;
}
.skin.go {
  border-color: var(--good);
  background: var(--sheet);
}
.skin.stop {
  border-color: var(--stop);
  background: var(--stop-tint);
}
.skin label {
  display: flex;
  gap: 10px;
  align-items: center;
  white-space: nowrap;
}
.deg {
  width: 120px;
  font-size: 20px;
}
.skin p {
  flex: 1;
}
.ask {
  display: flex;
  gap: 8px;
  align-items: end;
  flex-wrap: wrap;
}
.ask label {
  flex: 1;
  min-width: 180px;
}
</style>
