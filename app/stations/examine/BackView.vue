<script setup lang="ts">
import { computed } from 'vue'
import type { Side } from '../../../core/record/vocabulary'
import { HUES, mirror } from '~/drawing/footDrawing'

/** Seen from behind: heel and leg tilted by the relaxed stance, and the forefoot's plane in front of it; true angles, no exaggeration. */
const { side, relaxedDeg, forefootDeg, forefootMm } = defineProps<{ side: Side; relaxedDeg: number | null; forefootDeg: number | null; forefootMm: number | null }>()
// From behind the left foot's medial side is at its right; tilts with + (inversion, medial side up) lean the top outward.
const m = computed(() => mirror(side))
const tilt = computed(() => -m.value * (relaxedDeg ?? 0))
const plane = computed(() => -m.value * (forefootDeg ?? 0))
const hue = computed(() => HUES[side])
const gauge = [-10, -5, 0, 5, 10]
const sentence = computed(() => `${side} heel from behind: relaxed stance ${relaxedDeg === null ? 'not taken' : `${relaxedDeg.toFixed(1)} degrees`}; forefoot to rearfoot ${forefootDeg === null ? 'not taken' : `${forefootDeg.toFixed(1)} degrees`}`)
</script>

<template>
  <svg viewBox="-150 4 300 258" role="img" :aria-label="sentence" class="back">
    <path d="M-130 210H130" stroke="var(--ink)" stroke-width="2.2" />
    <path d="M0 210V24" stroke="var(--muted)" stroke-dasharray="4 3" />
    <g v-for="g in gauge" :key="g" :transform="`rotate(${-m * g} 0 210)`"><path d="M0 26v7" stroke="var(--muted)" /><text x="0" y="20" text-anchor="middle" class="tick" :transform="`rotate(${m * g} 0 20)`">{{ g > 0 ? `+${g}` : g }}</text></g>
    <g :transform="`rotate(${tilt} 0 210)`">
      <path d="M-20 40C-18 90 -20 118 -27 140C-36 160 -38 190 -30 202Q-16 211 0 211Q16 211 30 202C38 190 36 160 27 140C20 118 18 90 20 40Z" :fill="hue" fill-opacity=".13" :stroke="hue" stroke-width="1.5" :stroke-dasharray="relaxedDeg === null ? '3 2' : undefined" />
      <path d="M-14 60C-13 96 -14 122 -19 146C-26 166 -27 188 -21 198Q-11 203 0 203Q11 203 21 198C27 188 26 166 19 146C14 122 13 96 14 60" fill="none" :stroke="hue" stroke-opacity=".4" stroke-width=".8" />
      <path d="M0 208V34" :stroke="hue" stroke-width="2" />
    </g>
    <g :transform="`translate(0 226) rotate(${plane})`"><path d="M-78 0H78" :stroke="hue" stroke-width="4" stroke-linecap="round" :stroke-opacity="forefootDeg === null ? 0.25 : 1" :stroke-dasharray="forefootDeg === null ? '3 5' : undefined" /><circle v-for="i in 5" :key="i" :cx="-78 + (i - 1) * 39" cy="0" r="5.5" fill="var(--sheet)" :stroke="hue" stroke-width="1.5" :stroke-opacity="forefootDeg === null ? 0.25 : 1" /></g>
    <text :x="m * -142" y="206" :text-anchor="m > 0 ? 'start' : 'end'" class="word">lateral</text>
    <text :x="m * 142" y="206" :text-anchor="m > 0 ? 'end' : 'start'" class="word">medial</text>
    <text x="0" y="257" text-anchor="middle" class="word">{{ forefootDeg === null ? 'forefoot not taken' : `forefoot plane ${forefootMm === null ? '' : `${Math.abs(forefootMm).toFixed(1)} mm across`}` }}</text>
  </svg>
</template>

<style scoped>
.back { flex: 1; min-height: 180px; width: 100%; }
.tick { font-size: 9px; fill: var(--muted); }
.word { font-size: 10px; fill: var(--muted); }
</style>
