<script setup lang="ts">
import { computed } from 'vue'
import { STATIONS } from './stations'
import PlainButton from './PlainButton.vue'

/**
 * Nine stops on a shallow arch. Done: check; now: larger with ring; to do: hollow; attention:
 * triangle. Stops may carry initials instead.
 */
const {
  now = 0,
  done = [],
  watch = [],
  initials = {},
  live = true,
} = defineProps<{
  now?: number
  done?: number[]
  watch?: number[]
  initials?: Record<number, string[]>
  live?: boolean
}>()
defineEmits<{ go: [number] }>()

const WIDTH = 640
const stops = computed(() =>
  STATIONS.map((station, i) => {
    const x = 40 + (i * (WIDTH - 80)) / 8
    const y = 17 + 26 * ((x - WIDTH / 2) / (WIDTH / 2 - 40)) ** 2
    return { ...station, n: i + 1, x, y }
  }),
)
const path = (upTo: number) =>
  stops.value
    .slice(0, upTo)
    .map((s, i) => `${i ? 'L' : 'M'}${s.x} ${s.y}`)
    .join('')
const reached = computed(() => Math.max(now, ...done, 0))
const state = (n: number) =>
  [
    n === now ? 'now' : done.includes(n) ? 'done' : 'to come',
    ...(watch.includes(n) ? ['needs attention'] : []),
  ].join(', ')
</script>

<template>
  <nav class="trail" aria-label="Stations">
    <svg :viewBox="`0 0 ${WIDTH} 76`" class="line" aria-hidden="true">
      <path :d="path(9)" class="ahead" />
      <path :d="path(reached)" class="walked" />
    </svg>
    <component
      :is="live ? PlainButton : 'span'"
      v-for="s in stops"
      :key="s.id"
      class="stop"
      :class="{ now: s.n === now, done: done.includes(s.n), people: initials[s.n] }"
      :style="{ left: `${(s.x / WIDTH) * 100}%`, top: `${s.y}px` }"
      :aria-current="s.n === now ? 'step' : undefined"
      :aria-label="live ? `${s.n} ${s.label}, ${state(s.n)}` : undefined"
      :title="live ? `${s.label}, key ${s.n}` : undefined"
      @click="live && $emit('go', s.n)"
    >
      <span class="disc">
        <template v-if="initials[s.n]">{{
          initials[s.n]!.length > 1 ? `${initials[s.n]!.length}×` : initials[s.n]![0]
        }}</template>
        <svg
          v-else-if="done.includes(s.n) && s.n !== now"
          width="12"
          height="10"
          viewBox="0 0 12 10"
        >
          <path
            d="M1.5 5.2l3 3 6-6.6"
            fill="none"
            stroke="#fff"
            stroke-width="1.9"
            stroke-linecap="round"
          />
        </svg>
        <template v-else>{{ s.n }}</template>
        <svg v-if="watch.includes(s.n)" class="flag" width="14" height="13" viewBox="0 0 16 15">
          <path d="M8 .6L15.4 14H.6z" fill="var(--watch)" stroke="var(--sheet)" />
          <path d="M8 5v4.4M8 11.4v.5" stroke="#fff" stroke-width="1.8" stroke-linecap="round" />
        </svg>
      </span>
      <span class="name">{{ s.label }}</span>
    </component>
  </nav>
</template>

<style scoped>
.trail {
  position: relative;
  height: 76px;
  width: 100%;
  max-width: 640px;
}
.line {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 76px;
  overflow: visible;
}
.ahead {
  fill: none;
  stroke: var(--muted);
  stroke-width: 1;
  stroke-dasharray: 1 5;
  stroke-linecap: round;
}
.walked {
  fill: none;
  stroke: var(--spruce);
  stroke-width: 2.4;
}
.stop {
  position: absolute;
  width: 62px;
  margin-left: -31px;
  height: 46px;
  transform: translateY(-12px);
  display: flex;
  flex-direction: column;
  align-items: center;
  gap: 3px;
}
.disc {
  position: relative;
  width: 21px;
  height: 21px;
  border-radius: 50%;
  border: 1px solid var(--line-strong);
  background: var(--sheet);
  display: grid;
  place-items: center;
  font-size: 12px;
  font-weight: 600;
  color: var(--muted);
  flex: none;
}
.name {
  font-size: 12.5px;
  line-height: 15px;
  color: var(--muted);
  white-space: nowrap;
}
.done .disc {
  background: var(--spruce);
  border-color: var(--spruce);
}
.done .name,
.people .name {
  color: var(--ink);
}
.now .disc {
  width: 27px;
  height: 27px;
  margin: -3px 0;
  background: var(--spruce);
  color: #fff;
  border: 2px solid var(--sheet);
  box-shadow: 0 0 0 1.6px var(--spruce);
  font-size: 14px;
}
.now .name {
  color: var(--spruce);
  font-weight: 700;
}
.people .disc {
  width: 27px;
  height: 27px;
  margin: -3px 0;
  background: var(--wash);
  border-color: var(--spruce);
  color: var(--spruce);
  font-size: 11px;
}
.flag {
  position: absolute;
  right: -9px;
  top: -6px;
}
@media (max-width: 1179px) {
  .stop:not(.now):not(.people) .name {
    font-size: 12px;
  }
  .trail {
    max-width: 560px;
  }
  .stop {
    width: 52px;
    margin-left: -26px;
  }
}
@media (max-width: 940px) {
  .stop:not(.now):not(.people) .name {
    visibility: hidden;
  }
}
</style>
