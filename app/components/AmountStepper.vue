<script setup lang="ts">
import { onBeforeUnmount, ref } from 'vue'
import { parseNumber } from '../../core/measure/parseNumber'

/**
 * Minus, value, plus. Holding repeats and shows drafts; letting go keeps the value. Null reads
 * 'none'; plus begins at `start`.
 *
 * Its buttons and its field are bare: it is one control, drawn as one, that captures the pointer
 * while it is held; Prescribe shows dozens and redraws them with every step.
 */
const {
  value,
  unit,
  step,
  min,
  max,
  start,
  label,
  disabled = false,
  beside = '',
} = defineProps<{
  value: number | null
  unit: string
  step: number
  min: number
  max: number
  start: number
  label: string
  disabled?: boolean
  beside?: string
}>()
const emit = defineEmits<{ draft: [number]; keep: [number] }>()
const text = ref<string | null>(null)
let held: ReturnType<typeof setTimeout> | undefined
let current = 0

const clean = (v: number) => Number(Math.min(max, Math.max(min, v)).toFixed(2))
function begin(direction: 1 | -1, event: PointerEvent) {
  if (disabled) return
  ;(event.target as HTMLElement).setPointerCapture?.(event.pointerId)
  current = value === null ? (direction > 0 ? start - step : Math.max(min, 0)) : value
  tick(direction)
  let pause = 380
  const again = () => {
    tick(direction)
    pause = Math.max(45, pause * 0.72)
    held = setTimeout(again, pause)
  }
  held = setTimeout(again, pause)
}
function tick(direction: 1 | -1) {
  current = clean(current + direction * step)
  emit('draft', current)
}
function release() {
  if (held === undefined) return
  clearTimeout(held)
  held = undefined
  emit('keep', current)
}
function key(event: KeyboardEvent) {
  if (disabled) return
  const direction = event.key === 'ArrowUp' ? 1 : event.key === 'ArrowDown' ? -1 : 0
  if (!direction) return
  event.preventDefault()
  text.value = null
  emit('keep', clean((value ?? (direction > 0 ? start - step : 0)) + direction * step))
}
function typed(event: Event) {
  const input = event.target as HTMLInputElement
  const number = parseNumber(input.value.replace('°', ''))
  text.value = null
  if (number !== null && number >= min && number <= max) emit('keep', clean(number))
  else input.value = shown()
}
const shown = () =>
  value === null ? 'none' : `${Number(value.toFixed(2))}${unit === '°' ? '°' : ` ${unit}`}`
/** Clicks that do not come from a pointer (keyboard, voice) step once. */
function click(direction: 1 | -1, event: MouseEvent) {
  if (event.detail === 0 && !disabled)
    emit('keep', clean((value ?? (direction > 0 ? start - step : 0)) + direction * step))
}
onBeforeUnmount(() => clearTimeout(held))
</script>

<template>
  <span class="stepper" :class="{ none: value === null, disabled }">
    <button
      type="button"
      :disabled="disabled"
      :aria-label="`${label} less`"
      @pointerdown="begin(-1, $event)"
      @pointerup="release"
      @pointercancel="release"
      @lostpointercapture="release"
      @click="click(-1, $event)"
    >
      –
    </button>
    <span class="value">
      <input
        :value="text ?? shown()"
        :disabled="disabled"
        :aria-label="`${label}, ${unit}`"
        inputmode="decimal"
        @change="typed"
        @keydown="key"
        @focus="($event.target as HTMLInputElement).select()"
      />
      <small v-if="value !== null && beside">{{ beside }}</small>
    </span>
    <button
      type="button"
      :disabled="disabled"
      :aria-label="`${label} more`"
      @pointerdown="begin(1, $event)"
      @pointerup="release"
      @pointercancel="release"
      @lostpointercapture="release"
      @click="click(1, $event)"
    >
      +
    </button>
  </span>
</template>

<style scoped>
.stepper {
  display: grid;
  grid-template-columns: 40px 1fr 40px;
  border: 1px solid var(--line-strong);
  border-radius: 6px;
  background: var(--sheet);
  height: 44px;
  overflow: hidden;
  touch-action: none;
  user-select: none;
}
.stepper.none {
  border-style: dashed;
}
button {
  padding: 0;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  cursor: pointer;
  text-align: center;
  font-size: 20px;
  font-weight: 500;
}
button:hover:not([disabled]) {
  background: var(--wash);
}
.value {
  display: flex;
  flex-direction: column;
  align-items: center;
  justify-content: center;
  min-width: 0;
  border: solid var(--hairline);
  border-width: 0 1px;
}
input {
  width: 100%;
  text-align: center;
  font: inherit;
  font-size: 16px;
  line-height: 19px;
  font-weight: 600;
  border: 0;
  background: transparent;
  color: var(--ink);
  padding: 0;
}
.none input {
  font-weight: 400;
  color: var(--muted);
  font-size: 14px;
}
small {
  font-size: 12px;
  line-height: 14px;
  color: var(--muted);
  white-space: nowrap;
}
.disabled button {
  color: var(--muted);
}
@media (max-width: 1179px) {
  .stepper {
    grid-template-columns: 36px 1fr 36px;
  }
  input {
    font-size: 15px;
  }
}
</style>
