<script setup lang="ts">
import { computed } from 'vue'
import type { EffectKind, EffectStep } from '../../core/mechanics/effectSteps'
import type { Side } from '../../core/tables/vocabulary'

/**
 * One effect: an arrow by its step in length and weight, the turning moment as an arc as seen from
 * behind, with two tips where it may go either way; a dash for none, dots where nothing may be told.
 */
const { step, kind, side } = defineProps<{
  step: EffectStep | null
  kind: EffectKind
  side: Side
}>()
const HALF = [0, 5, 8, 10.5]
const WEIGHT = [1.4, 1.6, 2.4, 3.4]
const SWEEP = [0, 70, 120, 170]
const weight = computed(() => WEIGHT[step?.step ?? 0]!)
const straight = computed(() => {
  const h = HALF[step?.step ?? 0]!
  const head = 3 + (step?.step ?? 0)
  const tip = step?.way === 'up' ? 12 - h : 12 + h
  const back = step?.way === 'up' ? head : -head
  return `M14 ${12 + (step?.way === 'up' ? h : -h)}V${tip}M${14 - head} ${tip + back}L14 ${tip}L${14 + head} ${tip + back}`
})
/**
 * Outward turning runs clockwise from behind on a right foot, the other way round on a left one.
 */
const arc = computed(() => {
  const clockwise = (side === 'right') === (step?.way === 'up') ? 1 : -1
  const half = ((SWEEP[step?.step ?? 0]! / 2) * Math.PI) / 180
  const r = 9
  const at = (a: number) => [14 + r * Math.sin(a), 16 - r * Math.cos(a)] as const
  const [x0, y0] = at(-half * clockwise)
  const [x1, y1] = at(half * clockwise)
  const head = 2.6 + 0.8 * (step?.step ?? 0)
  // The tip's direction is the tangent of the circle there.
  const t = half * clockwise
  const [dx, dy] = [clockwise * Math.cos(t), clockwise * Math.sin(t)]
  const [nx, ny] = [-dy, dx]
  const [ax, ay] = [head * (dx + 0.9 * nx), head * (dy + 0.9 * ny)]
  const [bx, by] = [head * (dx - 0.9 * nx), head * (dy - 0.9 * ny)]
  // Either way: the other end has a tip too, its mirror image about the middle.
  const other =
    step?.way === 'either' ? `M${x0 + ax} ${y0 - ay}L${x0} ${y0}L${x0 + bx} ${y0 - by}` : ''
  return `M${x0} ${y0}A${r} ${r} 0 0 ${clockwise > 0 ? 1 : 0} ${x1} ${y1}M${x1 - ax} ${y1 - ay}L${x1} ${y1}L${x1 - bx} ${y1 - by}${other}`
})
</script>

<template>
  <svg viewBox="0 0 28 24" width="28" height="24" aria-hidden="true">
    <path
      v-if="step === null"
      d="M7 12h2.5M12.8 12h2.4M18.5 12h2.5"
      class="line"
      stroke-width="1.8"
    />
    <path v-else-if="step.step === 0" d="M9 12h10" class="line none" stroke-width="1.6" />
    <template v-else-if="kind === 'moment'">
      <path :d="arc" class="line" :stroke-width="weight" />
      <circle cx="14" cy="17" r="1.4" fill="currentColor" />
    </template>
    <path v-else :d="straight" class="line" :stroke-width="weight" />
  </svg>
</template>

<style scoped>
svg {
  display: block;
  flex: none;
}
.line {
  fill: none;
  stroke: currentColor;
  stroke-linecap: round;
  stroke-linejoin: round;
}
.none {
  stroke: var(--muted);
}
</style>
