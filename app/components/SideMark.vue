<script setup lang="ts">
import type { Side } from '../../core/tables/vocabulary'

/** Half disc with its flat edge to the spine; a word goes with it. */
const { side, word = false } = defineProps<{ side: Side; word?: boolean }>()
</script>

<template>
  <span class="mark" :class="side">
    <svg width="10" height="14" viewBox="0 0 10 14" aria-hidden="true">
      <path
        :d="side === 'left' ? 'M9 1a6 6 0 0 0 0 12z' : 'M1 1a6 6 0 0 1 0 12z'"
        fill="currentColor"
      />
    </svg>
    <span :class="{ sr: !word }">{{ side === 'left' ? 'Left' : 'Right' }}</span>
  </span>
</template>

<style scoped>
.mark {
  display: inline-flex;
  align-items: center;
  gap: 4px;
  font-weight: 600;
  white-space: nowrap;
  flex: none;
}
.left {
  color: var(--left);
}
.right {
  color: var(--right);
}
</style>
