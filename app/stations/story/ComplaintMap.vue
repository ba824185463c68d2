<script setup lang="ts">
import { computed } from 'vue'
import { PLACES } from '../../../core/kinds/places'
import type { Complaint, FittingRecord } from '../../../core/record/schema'
import {
  COMPLAINT_PLACES,
  SIDES,
  type ComplaintPlace,
  type Side,
} from '../../../core/tables/vocabulary'
import { HUES, mirror } from '~/drawing/footDrawing'
import { useSole } from '~/drawing/useSole'

/** Both soles with every place that can hurt as a button; numbered discs where it does. */
const { record, complaints } = defineProps<{
  record: FittingRecord
  complaints: readonly Complaint[]
}>()
const emit = defineEmits<{ place: [ComplaintPlace, Side] }>()
const soles = { left: useSole(() => record, 'left'), right: useSole(() => record, 'right') }
const onSole = COMPLAINT_PLACES.filter((p) => PLACES[p].spot)
const feet = computed(() =>
  SIDES.map((side) => {
    const sole = soles[side].value
    const { lengthMm, forefootWidthMm } = sole.parameters
    const spots = onSole.map((at) => {
      const [x, y] = PLACES[at].spot!
      const number = complaints.findIndex((c) => c.foot === side && c.at === at)
      return {
        at,
        x: mirror(side) * x * (forefootWidthMm / 2),
        y: lengthMm * (1 - y),
        number: number + 1,
        numb: complaints[number]?.numb,
      }
    })
    return { side, sole, spots }
  }),
)
</script>

<template>
  <div class="map">
    <svg
      v-for="foot in feet"
      :key="foot.side"
      :viewBox="`-66 -8 132 ${foot.sole.lengthMm + 16}`"
      :aria-label="`${foot.side} sole`"
      role="group"
    >
      <clipPath :id="`cm-${foot.side}`"><path :d="foot.sole.outline" /></clipPath>
      <g :clip-path="`url(#cm-${foot.side})`" :opacity="foot.sole.measured ? 0.9 : 0.45">
        <path v-for="(ring, i) in foot.sole.rings" :key="i" :d="ring.d" :fill="ring.fill" />
      </g>
      <path :d="foot.sole.outline" fill="none" :stroke="HUES[foot.side]" stroke-width="1.2" />
      <g
        v-for="spot in foot.spots"
        :key="spot.at"
        role="button"
        tabindex="0"
        class="spot"
        :class="{ on: spot.number }"
        :aria-label="`${foot.side} ${PLACES[spot.at].name}${spot.number ? `, complaint ${spot.number}` : ''}`"
        @click="emit('place', spot.at, foot.side)"
        @keydown.enter="emit('place', spot.at, foot.side)"
      >
        <title>{{ PLACES[spot.at].name }}</title>
        <circle :cx="spot.x" :cy="spot.y" r="11" fill="transparent" />
        <circle class="dot" :cx="spot.x" :cy="spot.y" :r="spot.number ? 8 : 3.2" />
        <text v-if="spot.number" :x="spot.x" :y="spot.y + 3.6" text-anchor="middle">
          {{ spot.number }}
        </text>
      </g>
      <text
        :x="foot.side === 'left' ? -64 : 64"
        y="4"
        :text-anchor="foot.side === 'left' ? 'start' : 'end'"
        class="side"
        :fill="HUES[foot.side]"
      >
        {{ foot.side === 'left' ? 'Left' : 'Right' }}
      </text>
    </svg>
  </div>
</template>

<style scoped>
.map {
  display: flex;
  justify-content: center;
  gap: 24px;
  padding: 6px;
  flex: 0 1 330px;
  min-height: 220px;
}
svg {
  height: 100%;
  min-height: 0;
  max-width: 46%;
}
.spot {
  cursor: pointer;
}
.dot {
  fill: var(--sheet);
  stroke: var(--muted);
  stroke-width: 1;
}
.on .dot {
  fill: var(--stop-tint);
  stroke: var(--stop);
  stroke-width: 1.6;
}
.spot:hover .dot {
  stroke: var(--stop);
  stroke-width: 1.8;
}
.spot text {
  font-size: 10px;
  font-weight: 700;
  fill: var(--stop);
}
.side {
  font-size: 11px;
  font-weight: 600;
}
</style>
