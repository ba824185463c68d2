<script setup lang="ts">
import { LAYERS, type LayerKind } from '../../../core/kinds/layers/all'
import { computed } from 'vue'
import { mainAmount } from '../../../core/kinds/layers/amount'
import type { Device } from '../../../core/record/schema'

/**
 * What differs between the two devices: bars to the bigger side, mixed units with the tick at one
 * fixed distance.
 */
const { left, right } = defineProps<{ left: Device; right: Device }>()
const HALF = 40
const amount = (d: Device, kind: LayerKind) =>
  d.layers.filter((l) => l.kind === kind && l.on).reduce((sum, l) => sum + mainAmount(l), 0)
const post = (d: Device) =>
  d.posts.filter((p) => p.at === 'rearfoot').reduce((s, p) => s + p.angleDeg, 0)
const rows = computed(() => {
  const kinds = [...new Set([...left.layers, ...right.layers].map((l) => l.kind))]
  const list = [
    ...kinds.map((k) => ({
      name: `${LAYERS.of(k).name.replace(' heel', '').replace('First-ray', 'Ray 1')}, ${LAYERS.of(k).amounts[0].unit}`,
      l: amount(left, k),
      r: amount(right, k),
      counts: 1,
    })),
    { name: 'Heel post, °', l: post(left), r: post(right), counts: 1 },
    { name: 'Heel cup, mm', l: left.outline.heelCupMm, r: right.outline.heelCupMm, counts: 2 },
    { name: 'Shell, mm', l: left.shell.thicknessMm, r: right.shell.thicknessMm, counts: 0.5 },
  ]
  return list.slice(0, 9).map((row) => ({
    ...row,
    d: row.l - row.r,
    w: Math.min(HALF, (Math.abs(row.l - row.r) / row.counts) * 16),
  }))
})
const words = computed(
  () =>
    rows.value
      .filter((r) => r.d !== 0)
      .map((r) => `${r.name} ${Math.abs(r.d).toFixed(1)} more ${r.d > 0 ? 'left' : 'right'}`)
      .join('; ') || 'both devices alike',
)
</script>

<template>
  <svg
    :viewBox="`-59 0 118 ${Math.max(300, rows.length * 40 + 24)}`"
    class="spine"
    role="img"
    :aria-label="words"
  >
    <text y="14" text-anchor="middle" class="head">Difference</text>
    <path :d="`M0 22V${rows.length * 40 + 22}`" stroke="var(--ink)" />
    <g v-for="(row, i) in rows" :key="row.name" :transform="`translate(0 ${i * 40 + 34})`">
      <text text-anchor="middle" class="name">{{ row.name }}</text>
      <path d="M-16 7v14M16 7v14" stroke="var(--muted)" stroke-width=".8" />
      <template v-if="row.d !== 0">
        <rect
          :x="row.d > 0 ? -row.w : 0"
          y="9"
          :width="row.w"
          height="10"
          :fill="row.d > 0 ? 'var(--left)' : 'var(--right)'"
        />
        <text
          :x="row.d > 0 ? -row.w - 3 : row.w + 3"
          y="18"
          :text-anchor="row.d > 0 ? 'end' : 'start'"
          class="num"
          :fill="row.d > 0 ? 'var(--left)' : 'var(--right)'"
        >
          {{ Math.abs(row.d).toFixed(1) }}
        </text>
      </template>
      <text v-else x="4" y="18" class="same">same</text>
    </g>
  </svg>
</template>

<style scoped>
.spine {
  width: 100%;
  height: 100%;
  min-height: 0;
}
.head {
  font-size: 12px;
  font-weight: 600;
}
.name {
  font-size: 10.5px;
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 3px;
}
.num {
  font-size: 11px;
  font-weight: 700;
}
.same {
  font-size: 10px;
  fill: var(--muted);
}
</style>
