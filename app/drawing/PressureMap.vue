<script setup lang="ts">
import { computed } from 'vue'
import type { PressurePicture } from '../../core/mechanics/deviceEffects'
import { twoDigits } from '../../core/mechanics/effectSteps'
import type { Side } from '../../core/tables/vocabulary'
import { drawRings, HUES, pathOf, thin, toDrawing } from './footDrawing'

/**
 * Pressure under a foot as terrain in one hue: rings every 20 kPa, darker where it presses more;
 * heel and the two most loaded heads in figures.
 */
const { side, picture, lengthMm, outline, heads, heightMm, label } = defineProps<{
  side: Side
  picture: PressurePicture
  lengthMm: number
  outline: [number, number][]
  heads: { x: number; y: number }[]
  heightMm: number
  label: string
}>()
const DARKEST_KPA = 200
/** The same pressure has the same tint in every picture. */
const rings = computed(() => {
  const top = Math.max(20, picture.rings.at(-1)?.heightMm ?? 20)
  return drawRings(
    side,
    lengthMm,
    picture.rings,
    HUES[side],
    0,
    Math.min(1, top / DARKEST_KPA),
    99,
    20,
    outline,
  )
})
const line = computed(() => pathOf(side, lengthMm, thin(outline)))
const half = computed(() => Math.max(58, ...outline.map(([x]) => Math.abs(x) + 9)))
const shift = computed(() => heightMm - lengthMm)
const figures = computed(() => {
  const most = [1, 2, 3, 4, 5]
    .map((k) => ({ k, kPa: picture.peakKPa[`head${k}` as 'head1'] }))
    .sort((a, b) => b.kPa - a.kPa)
    .slice(0, 2)
  const y = 0.13 * lengthMm
  const list = [
    { key: 'heelMedial', x: 14, y, kPa: picture.peakKPa.heelMedial },
    { key: 'heelLateral', x: -14, y, kPa: picture.peakKPa.heelLateral },
    ...most.map(({ k, kPa }) => ({ key: `head${k}`, ...heads[k - 1]!, kPa })),
  ]
  return list
    .filter((f) => f.kPa >= 1)
    .map((f) => {
      const [x, at] = toDrawing(side, lengthMm, [f.x, f.y])
      const out = x >= 0 ? 1 : -1
      return {
        ...f,
        cx: x,
        cy: at,
        tx: out * (half.value - 3),
        anchor: out > 0 ? 'end' : 'start',
        lx: out * (half.value - 22),
      }
    })
})
/** Two heads side by side would write over each other. */
const apart = computed(() => {
  let last = { left: -99, right: -99 }
  return [...figures.value]
    .sort((a, b) => a.cy - b.cy)
    .map((f) => {
      const key = f.tx > 0 ? 'right' : 'left'
      const ty = Math.max(f.cy, last[key] + 13)
      last = { ...last, [key]: ty }
      return { ...f, ty }
    })
})
const centre = computed(() => toDrawing(side, lengthMm, [picture.copMm.x, picture.copMm.y]))
const sentence = computed(
  () =>
    `${label}: ${figures.value.map((f) => `${f.key.replace('heelMedial', 'inner heel').replace('heelLateral', 'outer heel').replace('head', 'head ')} about ${twoDigits(f.kPa)} kPa`).join(', ')}; centre of pressure ${picture.copMm.y.toFixed(0)} mm from the heel (estimate)`,
)
</script>

<template>
  <svg
    :viewBox="`${-half} -6 ${2 * half} ${heightMm + 12}`"
    role="img"
    :aria-label="sentence"
    class="sole"
  >
    <g :transform="`translate(0 ${shift})`">
      <clipPath :id="`pm-${side}-${label.replace(/\W/g, '')}`"><path :d="line" /></clipPath>
      <g :clip-path="`url(#pm-${side}-${label.replace(/\W/g, '')})`">
        <path
          v-for="ring in rings"
          :key="ring.heightMm"
          :d="ring.d"
          fill-rule="evenodd"
          :fill="ring.fill"
          :stroke="HUES[side]"
          stroke-opacity=".45"
          stroke-width=".5"
        />
      </g>
      <path :d="line" fill="none" :stroke="HUES[side]" stroke-width="1.1" />
      <g>
        <title>centre of pressure</title>
        <circle
          :cx="centre[0]"
          :cy="centre[1]"
          r="4"
          fill="var(--sheet)"
          stroke="var(--ink)"
          stroke-width="1"
        />
        <path
          :d="`M${centre[0] - 6} ${centre[1]}h12M${centre[0]} ${centre[1] - 6}v12`"
          stroke="var(--ink)"
          stroke-width=".8"
        />
      </g>
      <g v-for="f in apart" :key="f.key">
        <path :d="`M${f.cx} ${f.cy}L${f.lx} ${f.ty}`" stroke="var(--ink)" stroke-width=".6" />
        <circle :cx="f.cx" :cy="f.cy" r="1.5" fill="var(--ink)" />
        <text :x="f.tx" :y="f.ty + 3" :text-anchor="f.anchor">{{ twoDigits(f.kPa) }}</text>
      </g>
    </g>
  </svg>
</template>

<style scoped>
.sole {
  width: 100%;
  height: 100%;
  min-height: 0;
}
text {
  font-size: 10px;
  font-weight: 700;
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 3px;
}
</style>
