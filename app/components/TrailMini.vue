<script setup lang="ts">
/** Nine dots of a visit's trail. */
const { done } = defineProps<{ done: number[] }>()
const y = (n: number) => 16 - 9 * (1 - ((n - 5) / 4) ** 2)
</script>

<template>
  <svg
    width="200"
    height="26"
    viewBox="0 0 200 26"
    role="img"
    :aria-label="`${done.length} of 9 stations hold something`"
  >
    <path
      :d="
        [1, 2, 3, 4, 5, 6, 7, 8, 9]
          .map((n) => `${n === 1 ? 'M' : 'L'}${10 + (n - 1) * 22} ${y(n)}`)
          .join('')
      "
      fill="none"
      stroke="var(--muted)"
      stroke-dasharray="1 4"
      stroke-linecap="round"
    />
    <circle
      v-for="n in 9"
      :key="n"
      :cx="10 + (n - 1) * 22"
      :cy="y(n)"
      :r="done.includes(n) ? 4.2 : 3.4"
      :fill="done.includes(n) ? 'var(--spruce)' : 'var(--sheet)'"
      :stroke="done.includes(n) ? 'var(--spruce)' : 'var(--muted)'"
    />
  </svg>
</template>
