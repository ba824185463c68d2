<script setup lang="ts">
import { SIDES, type Side } from '../../../core/tables/vocabulary'
import SideMark from '~/components/SideMark.vue'
import PlainButton from '~/components/PlainButton.vue'

/** One finding that is a word out of a few, both feet in one row. */
const {
  name,
  how = '',
  options,
  value,
  disabled = false,
} = defineProps<{
  name: string
  how?: string
  options: readonly (readonly [string, string])[]
  value: (side: Side) => string | undefined
  disabled?: boolean
}>()
defineEmits<{ set: [Side, string | undefined] }>()
</script>

<template>
  <div class="choice">
    <span class="what"
      ><b>{{ name }}</b
      ><span v-if="how" class="muted small">{{ how }}</span></span
    >
    <span
      v-for="side in SIDES"
      :key="side"
      class="opts"
      role="group"
      :aria-label="`${side} ${name}`"
    >
      <SideMark :side="side" />
      <PlainButton
        v-for="[id, word] in options"
        :key="id"
        class="opt"
        :aria-pressed="value(side) === id"
        :disabled="disabled"
        @click="$emit('set', side, value(side) === id ? undefined : id)"
      >
        {{ word }}
      </PlainButton>
    </span>
  </div>
</template>

<style scoped>
.choice {
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
.what span {
  display: block;
  line-height: 14px;
}
.opts {
  display: flex;
  gap: 4px;
  align-items: center;
  flex-wrap: wrap;
}
.opt {
  min-height: 34px;
  min-width: 34px;
  padding: 0 8px;
  border: 1px solid var(--line-strong);
  border-radius: 4px;
  background: var(--sheet);
  font-size: 13px;
  text-align: center;
}
.opt[aria-pressed='true'] {
  background: var(--wash);
  border-color: var(--spruce);
  font-weight: 700;
}
</style>
