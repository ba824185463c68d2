<script setup lang="ts">
import { parseNumber } from '../../../core/measure/parseNumber'
import { SIDES, type Side } from '../../../core/tables/vocabulary'
import DraftField from '~/components/DraftField.vue'
import SideMark from '~/components/SideMark.vue'

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
  const mean = tries.reduce((a, b) => a + b, 0) / tries.length
  const spread = Math.max(...tries) - Math.min(...tries)
  return `${unit} · mean ${Number(mean.toFixed(1))}, spread ${Number(spread.toFixed(1))}`
}
const shown = (side: Side) => value(side).join(' ') || undefined
</script>

<template>
  <div class="tries">
    <span class="what"
      ><b>{{ name }}</b
      ><span v-if="how" class="muted small">{{ how }}</span></span
    >
    <span v-for="side in SIDES" :key="side" class="opts">
      <SideMark :side="side" />
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
    </span>
  </div>
</template>

<style scoped>
.tries {
  display: grid;
  grid-template-columns: 176px 1fr 1fr;
  gap: 10px;
  align-items: center;
  padding: 4px 12px;
  border-top: 1px solid var(--hairline);
  min-height: 44px;
}
.what b {
  display: block;
  font-size: 13px;
  line-height: 16px;
}
.opts {
  display: flex;
  gap: 6px;
  align-items: center;
}
.field {
  width: 64px;
  flex: none;
  --v-input-control-height: 36px;
}
.field.wide {
  width: 110px;
}
</style>
