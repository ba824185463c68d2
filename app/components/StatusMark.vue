<script setup lang="ts">
/** Shape and word together: circle good, triangle watch, octagon stop, diamond suggest. */
const { kind, word } = defineProps<{ kind: 'good' | 'watch' | 'stop' | 'suggest'; word?: string }>()
const WORDS = { good: 'Good', watch: 'Watch', stop: 'Stop', suggest: 'Suggest' }
</script>

<template>
  <span class="status" :class="kind">
    <svg width="16" height="16" viewBox="0 0 16 16" aria-hidden="true">
      <g v-if="kind === 'good'">
        <circle cx="8" cy="8" r="7" fill="currentColor" />
        <path
          d="M4.7 8.2l2.3 2.3 4.3-4.7"
          fill="none"
          stroke="#fff"
          stroke-width="1.8"
          stroke-linecap="round"
        />
      </g>
      <g v-else-if="kind === 'watch'">
        <path d="M8 1.2L15.2 14.4H.8z" fill="currentColor" />
        <path d="M8 5.6v4.2M8 12v.4" stroke="#fff" stroke-width="1.8" stroke-linecap="round" />
      </g>
      <g v-else-if="kind === 'stop'">
        <path d="M5 1h6l4 4v6l-4 4H5l-4-4V5z" fill="currentColor" />
        <path d="M4.8 8h6.4" stroke="#fff" stroke-width="1.9" stroke-linecap="round" />
      </g>
      <g v-else>
        <path d="M8 .8L15.2 8 8 15.2.8 8z" fill="currentColor" />
        <path d="M8 5v6M5 8h6" stroke="#fff" stroke-width="1.7" stroke-linecap="round" />
      </g>
    </svg>
    <span>{{ word ?? WORDS[kind] }}</span>
  </span>
</template>

<style scoped>
.status {
  display: inline-flex;
  align-items: center;
  gap: 5px;
  font-weight: 700;
  font-size: 12.5px;
  line-height: 16px;
  white-space: nowrap;
}
.good {
  color: var(--good-text);
}
.watch {
  color: var(--watch-text);
}
.stop {
  color: var(--stop);
}
.suggest {
  color: var(--spruce);
}
</style>
