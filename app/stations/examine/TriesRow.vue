<script setup lang="ts">
import { max, mean, min } from 'd3-array'
import { parseNumber } from '../../../core/measure/parseNumber'
import type { Side } from '../../../core/tables/vocabulary'
import FindingRow from './FindingRow.vue'
import DraftField from '~/components/DraftField.vue'

/** One finding that is a number, or a few tries of one behind each other; both feet in one row. */
const {
  name,
  how = '',
  unit,
  range,
  most = 1,
  value,
  disabled = false,
} = defineProps<{
  name: string
  how?: string
  unit: string
  range: readonly [number, number]
  /** so many tries are kept */
  most?: number
  value: (side: Side) => readonly number[]
  disabled?: boolean
}>()
const emit = defineEmits<{ set: [Side, number[]]; trouble: [string] }>()

function keep(side: Side, text: string) {
  const tries = text
    .split(/[\s·]+/)
    .filter(Boolean)
    .map(parseNumber)
  const [low, high] = range
  const bad = tries.some((v) => v === null || v < low || v > high) || tries.length > most
  if (bad) {
    const many = most > 1 ? `, up to ${most} tries with a space between` : ''
    emit(
      'trouble',
      `${side} ${name.toLowerCase()}: ${low} to ${high} ${unit}${many}. “${text}” was not kept.`,
    )
    return
  }
  emit('trouble', '')
  emit('set', side, tries as number[])
}
/** Mean and spread behind several tries: a number never stands alone. */
function summary(side: Side): string {
  const tries = value(side)
  if (tries.length < 2) return unit
  const spread = max(tries)! - min(tries)!
  return `${unit} · mean ${Number(mean(tries)!.toFixed(1))}, spread ${Number(spread.toFixed(1))}`
}
const shown = (side: Side) => value(side).join(' ') || undefined
</script>

<template>
  <FindingRow v-slot="{ side }" :name="name" :how="how">
    <DraftField
      class="field"
      :class="{ wide: most > 1 }"
      inputmode="decimal"
      :value="shown(side)"
      :disabled="disabled"
      :aria-label="`${side} ${name}, ${unit}`"
      @keep="(text: string) => keep(side, text)"
    />
    <span class="muted small">{{ summary(side) }}</span>
  </FindingRow>
</template>

<style scoped>
.field {
  width: 64px;
  flex: none;
  --v-input-control-height: 36px;
}
.field.wide {
  width: 110px;
}
</style>
