<script setup lang="ts" generic="T extends string">
import { computed } from 'vue'
import { VTab, VTabs } from 'vuetify/components'

/**
 * Panes that take turns in one place, named in a row; arrow keys walk along it. Three looks: a line
 * below the chosen one, boxes, or a wash behind it.
 */
const {
  panes,
  label,
  look = 'wash',
  grow = false,
  height = 44,
  stop = undefined,
} = defineProps<{
  panes: readonly (readonly [T, string])[]
  /** what the row is about, for whoever cannot see it */
  label: string
  look?: 'line' | 'box' | 'wash'
  /** fills the whole width */
  grow?: boolean
  height?: number
  /** the pane that holds something that stops the work */
  stop?: T | undefined
}>()
const pane = defineModel<T>({ required: true })
// A row that holds one half of the panes leaves the other row's choice alone.
const isHere = computed(() => panes.some(([id]) => id === pane.value))
</script>

<template>
  <VTabs
    v-model="pane"
    :mandatory="isHere ? 'force' : false"
    class="pane-tabs"
    :class="look"
    :grow
    :height
    :hide-slider="look !== 'line'"
    :aria-label="label"
  >
    <VTab v-for="[id, name] in panes" :key="id" :value="id" :class="{ stop: id === stop }">{{
      name
    }}</VTab>
  </VTabs>
</template>

<style scoped>
.pane-tabs {
  flex: none;
  min-width: 0;
}
.pane-tabs :deep(.v-tab) {
  height: 100%;
  min-width: 0;
  padding: 0 11px;
  border: 0;
  background: none;
  color: var(--muted);
  font-weight: 400;
}
.pane-tabs :deep(.v-tab[aria-selected='true']) {
  color: var(--ink);
  font-weight: 700;
}
.pane-tabs :deep(.v-tab .v-btn__overlay) {
  display: none;
}
.line {
  border-bottom: 1px solid var(--hairline);
}
.line :deep(.v-tab) {
  border-radius: 0 !important;
}
.line :deep(.v-tab__slider) {
  height: 3px;
  color: var(--spruce);
}
.box :deep(.v-slide-group__content),
.wash :deep(.v-slide-group__content) {
  gap: 4px;
}
.box :deep(.v-tab) {
  padding: 0 9px;
  font-size: 13px;
  border: 1px solid var(--line-strong);
  background: var(--sheet);
  color: var(--ink);
}
.box :deep(.v-tab[aria-selected='true']),
.wash :deep(.v-tab[aria-selected='true']) {
  background: var(--wash);
}
.pane-tabs :deep(.v-tab.stop) {
  color: var(--stop);
  font-weight: 700;
}
</style>
