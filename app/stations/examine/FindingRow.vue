<script setup lang="ts">
import { SIDES, type Side } from '../../../core/tables/vocabulary'
import SideMark from '~/components/SideMark.vue'

/** One finding in a row: what it is, then what each foot has. */
const {
  name,
  how = '',
  of = null,
} = defineProps<{
  name: string
  how?: string
  /** names the choices of a side to whoever hears the page; null where each field names itself */
  of?: string | null
}>()
defineSlots<{ default: (slot: { side: Side }) => unknown }>()
</script>

<template>
  <div class="row">
    <span class="what"
      ><b>{{ name }}</b
      ><span v-if="how" class="muted small">{{ how }}</span></span
    >
    <span
      v-for="side in SIDES"
      :key="side"
      class="opts"
      :role="of === null ? undefined : 'group'"
      :aria-label="of === null ? undefined : `${side} ${of}`"
    >
      <SideMark :side="side" />
      <slot :side="side" />
    </span>
  </div>
</template>

<style scoped>
.row {
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
</style>
