<script setup lang="ts">
import { computed } from 'vue'
import { soleOutline } from '../../../core/device/outline'
import { shellInside } from '../../../core/footwear/gradeShell'
import type { FootwearModel } from '../../../core/footwear/catalogueSchema'
import type { PairFit } from '../../../core/footwear/match'
import type { Station } from '../../../core/footwear/clearance'
import { stationWords } from '../../../core/footwear/stationWords'
import type { FittingRecord } from '../../../core/record/schema'
import { SIDES } from '../../../core/record/vocabulary'
import { HUES, mirror, pathOf } from '~/drawing/footDrawing'
import { useSole } from '~/drawing/useSole'

/** Each foot inside its shell in plan, to scale; the shell's line runs through its own measured widths, the rest follows the foot's shape. */
const { record, fit, model } = defineProps<{ record: FittingRecord; fit: PairFit; model: FootwearModel }>()
const soles = { left: useSole(() => record, 'left'), right: useSole(() => record, 'right') }
const LABELS: Station[] = ['length', 'ball', 'waist', 'heel']
const SPOTS: Record<string, number> = { length: 0.99, ball: 0.69, waist: 0.45, heel: 0.13 }
const feet = computed(() =>
  SIDES.flatMap((side) => {
    const one = fit[side]
    if (!one) return []
    const sole = soles[side].value
    const inside = shellInside(model, one.sizeMm)
    const { lengthMm: L, forefootWidthMm, heelWidthMm } = sole.parameters
    const shellLength = inside.lengthMm ?? L + 10
    const liner = model.liner.thicknessMm
    const worn = 1 - model.liner.packOut
    const gap = { heel: ((inside.heelWidthMm ?? heelWidthMm) - heelWidthMm) / 2, ball: ((inside.ballWidthMm ?? forefootWidthMm) - forefootWidthMm) / 2 }
    // Heels back by the liner; the shell's widths hold at heel and ball, and blend between.
    const back = liner.heel * worn
    const at = (s: number) => (s < 0.13 ? gap.heel : s > 0.69 ? gap.ball : gap.heel + ((gap.ball - gap.heel) * (s - 0.13)) / 0.56)
    const edge = soleOutline(sole.sole).map(([x, y]): [number, number] => {
      const { middleX, halfWidth, s } = sole.sole.place(x, y)
      const side = Math.max(-1, Math.min(1, (x - middleX) / halfWidth))
      return [x + side * at(s), (y * shellLength) / L - back]
    })
    return [{ side, sole, L, shell: pathOf(side, L, edge), labels: LABELS.map((s) => ({ s, y: L * (1 - SPOTS[s]!), value: one.clearances[s], verdict: one.verdicts[s] })) }]
  }),
)
</script>

<template>
  <div class="plan">
    <svg v-for="f in feet" :key="f.side" :viewBox="`-92 -22 184 ${f.L + 36}`" role="img" :aria-label="`${f.side} foot in ${model.name}: ${f.labels.map((l) => `${l.s} ${l.value?.toFixed(1) ?? 'not known'} mm`).join(', ')}`">
      <clipPath :id="`mp-${f.side}`"><path :d="f.sole.outline" /></clipPath>
      <g :clip-path="`url(#mp-${f.side})`"><path v-for="(ring, i) in f.sole.rings" :key="i" :d="ring.d" :fill="ring.fill" /></g>
      <path :d="f.sole.outline" fill="none" :stroke="HUES[f.side]" stroke-width="1.2" />
      <path :d="f.shell" fill="none" stroke="var(--ink)" stroke-width="2" stroke-linejoin="round" />
      <g v-for="l in f.labels" :key="l.s" :transform="`translate(${mirror(f.side) * -90} ${l.y})`" :text-anchor="f.side === 'left' ? 'start' : 'end'">
        <text class="name">{{ stationWords(l.s).short }}</text><text y="13" class="num" :class="l.verdict">{{ l.value?.toFixed(1) ?? '–' }}</text>
      </g>
    </svg>
  </div>
</template>

<style scoped>
.plan { display: flex; flex: 1; min-height: 0; padding: 4px; }
svg { flex: 1; min-width: 0; height: 100%; }
.name { font-size: 11px; fill: var(--muted); } .num { font-size: 13px; font-weight: 700; }
.tight, .snug { fill: var(--stop); } .loose, .roomy { fill: var(--watch-text); }
</style>
