<script setup lang="ts">
import { computed } from 'vue'
import { oneDecimal } from '../../../core/footwear/reasons'
import type { Verdict } from '../../../core/footwear/targets'

/**
 * One region: the band is the target, half-discs stand at the clearance; above is loose, below
 * tight.
 */
const { band, left, right, leftVerdict, rightVerdict, name } = defineProps<{
  band: readonly [number, number]
  left: number | null
  right: number | null
  leftVerdict?: Verdict
  rightVerdict?: Verdict
  name: string
}>()
const H = 46
const span = computed(() => Math.max(8, (band[1] - band[0]) * 2.2))
const mid = computed(() => (band[0] + band[1]) / 2)
const y = (v: number) => Math.max(4, Math.min(H - 4, H / 2 - ((v - mid.value) / span.value) * H))
const cls = (v?: Verdict) =>
  v === 'tight' || v === 'snug' ? 'tight' : v === 'loose' || v === 'roomy' ? 'loose' : ''
const sentence = computed(
  () =>
    `${name}: left ${left === null ? 'not known' : `${left.toFixed(1)} mm, ${leftVerdict}`}; right ${right === null ? 'not known' : `${right.toFixed(1)} mm, ${rightVerdict}`}; target ${band[0]} to ${band[1]}`,
)
</script>

<template>
  <span class="strip">
    <svg viewBox="0 0 60 46" role="img" :aria-label="sentence" preserveAspectRatio="none">
      <rect x=".5" y=".5" width="59" height="45" fill="var(--field)" stroke="var(--hairline)" />
      <rect
        x="1"
        :y="y(band[1])"
        width="58"
        :height="Math.max(2, y(band[0]) - y(band[1]))"
        fill="var(--wash)"
      />
      <template v-if="left !== null">
        <path :d="`M3 ${y(left)}H25`" stroke="var(--left)" />
        <path :d="`M26 ${y(left) - 5}a5 5 0 0 0 0 10z`" fill="var(--left)" />
      </template>
      <template v-if="right !== null">
        <path :d="`M35 ${y(right)}H57`" stroke="var(--right)" />
        <path :d="`M34 ${y(right) - 5}a5 5 0 0 1 0 10z`" fill="var(--right)" />
      </template>
    </svg>
    <span class="nums"
      ><span :class="cls(leftVerdict)">{{ left === null ? '–' : oneDecimal(left) }}</span
      ><span :class="cls(rightVerdict)">{{ right === null ? '–' : oneDecimal(right) }}</span></span
    >
  </span>
</template>

<style scoped>
.strip {
  display: flex;
  flex-direction: column;
  gap: 2px;
  min-width: 0;
}
svg {
  width: 100%;
  height: 46px;
}
.nums {
  display: flex;
  justify-content: space-around;
  font-size: 13px;
}
.tight {
  font-weight: 700;
  color: var(--stop);
  text-decoration: underline;
}
.loose {
  font-weight: 700;
  color: var(--watch-text);
  text-decoration: underline dotted;
}
</style>
