<script setup lang="ts">
import { computed } from 'vue'
import type { ReadingSummary } from '../../../core/measure/reading'
import type { Side } from '../../../core/tables/vocabulary'
import type { ReadingKind } from '../../../core/kinds/readings/all'
import { useHand } from '~/stores/hand'
import PlainButton from '~/components/PlainButton.vue'

/** Name, mean, spread, trials as dots; the way to take it in hand. */
const { side, name, what, summary, trials, struck, chosen } = defineProps<{
  side: Side
  name: string
  what: ReadingKind
  summary: ReadingSummary | null
  trials: number[]
  struck: number[]
  chosen: boolean
}>()
defineEmits<{ choose: [] }>()
const hand = useHand()

const dots = computed(() => {
  if (!summary) return []
  const span = Math.max(4, summary.spread * 1.4)
  const seen = new Map<number, number>()
  return trials.map((value, i) => {
    const x = Math.max(-26, Math.min(26, ((value - summary.mean) / span) * 52))
    const key = Math.round(x)
    const stack = seen.get(key) ?? 0
    seen.set(key, stack + 1)
    return { x, y: 12 - stack * 5, out: struck.includes(i) }
  })
})
const words = computed(() =>
  summary
    ? `${side} ${name}: ${summary.mean.toFixed(1)} mm, spread ${summary.spread.toFixed(1)} of ${summary.trials} ${summary.trials === 1 ? 'try' : 'tries'}${summary.repeat ? ', repeat' : ''}`
    : `${side} ${name}: not taken`,
)
</script>

<template>
  <li>
    <PlainButton
      class="row"
      :class="[side, { chosen, repeat: summary?.repeat, hot: hand.hot === what }]"
      :aria-label="words"
      :aria-pressed="chosen"
      @click="$emit('choose')"
      @pointerenter="hand.hot = what"
      @pointerleave="hand.hot = null"
      @focus="hand.hot = what"
      @blur="hand.hot = null"
    >
      <span class="label muted name ellipsis" :class="{ whole: !summary?.repeat }" :title="name">{{
        name
      }}</span>
      <span v-if="summary?.repeat" class="flag watch-text"
        >▲ {{ summary.agreed ? 'Strike one?' : 'Repeat' }}</span
      >
      <span class="value reading"
        >{{ summary ? summary.mean.toFixed(1) : ''
        }}<span v-if="!summary" class="muted none">Not taken</span></span
      >
      <span v-if="summary" class="dots"
        ><svg width="54" height="18" viewBox="-30 -2 60 18" aria-hidden="true">
          <path d="M-28 15H28" stroke="var(--line-strong)" stroke-width=".8" />
          <path d="M0 7v8" stroke="var(--ink)" stroke-width="1.2" />
          <path
            v-if="summary.repeat"
            :d="`M${Math.min(...dots.map((d) => d.x))} 15H${Math.max(...dots.map((d) => d.x))}`"
            stroke="var(--watch)"
            stroke-width="2"
          />
          <circle
            v-for="(dot, i) in dots"
            :key="i"
            :cx="dot.x"
            :cy="dot.y"
            r="2.4"
            :fill="dot.out ? 'none' : 'currentColor'"
            stroke="currentColor"
          /></svg
        ><small class="muted">spread {{ summary.spread.toFixed(1) }}</small></span
      >
    </PlainButton>
  </li>
</template>

<style scoped>
.row {
  display: grid;
  grid-template: 15px 30px / 1fr auto;
  width: 100%;
  padding: 0 8px;
  border: 1px solid transparent;
  border-radius: 4px;
  align-items: center;
  align-content: center;
  color: var(--left);
}
.row.right {
  color: var(--right);
}
.row.hot {
  background: var(--paper);
}
.row.chosen {
  background: var(--wash);
  box-shadow: inset 4px 0 var(--spruce);
}
.row.repeat {
  border-color: var(--watch);
  background: var(--watch-tint);
}
.value {
  color: var(--ink);
}
.none {
  font-size: 13px;
  font-weight: 400;
}
.flag {
  text-align: right;
  font-size: 12px;
  white-space: nowrap;
  font-weight: 600;
}
.flag.muted {
  font-weight: 400;
}
.dots {
  justify-self: end;
  text-align: right;
}
.dots svg {
  display: block;
  margin-left: auto;
}
.dots small {
  font-size: 11.5px;
  line-height: 12px;
  display: block;
}
.whole {
  grid-column: 1 / -1;
}
</style>
