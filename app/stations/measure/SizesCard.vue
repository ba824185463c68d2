<script setup lang="ts">
import { computed } from 'vue'
import { ukWords } from '../../../core/measure/sizes'
import { bestMean } from '../../../core/measure/reading'
import { SIDES, type DeviceKind, type Side } from '../../../core/record/vocabulary'
import SideMark from '~/components/SideMark.vue'
import { useFitting } from '~/stores/fitting'

/** Sizes with the millimetres behind them, supported length, arch index, shape in words. */
const fitting = useFitting()
const feet = computed(() => fitting.measures.feet)
const length = (side: Side) => bestMean(fitting.record.feet[side]!, 'footLengthMm', 'standing')
const width = (side: Side) => bestMean(fitting.record.feet[side]!, 'forefootWidthMm', 'standing')
const allowance = computed(() => feet.value.left?.sizes?.allowanceMm ?? feet.value.right?.sizes?.allowanceMm)
const kind = (side: Side): DeviceKind => fitting.record.feet[side]!.device?.kind ?? 'full-custom'
const uk = (side: Side) => {
  const words = ukWords(length(side)!, allowance.value!)
  return words.startsWith('child') ? words : half(Number(words))
}
const half = (v: number) => `${Math.floor(v)}${v % 1 ? '½' : ''}`
</script>

<template>
  <section class="card sizes" aria-label="Sizes and classes">
    <table class="table">
      <thead><tr><th>Size</th><th>Foot, mm</th><th>Mondo</th><th>EU</th><th>UK</th><th>US men</th><th>US women</th></tr></thead>
      <tbody>
        <tr v-for="side in SIDES" :key="side">
          <td><SideMark :side="side" word /></td>
          <template v-if="feet[side]?.sizes">
            <td class="bold">{{ length(side)!.toFixed(1) }}<template v-if="width(side)"> / {{ width(side)!.toFixed(1) }}</template></td>
            <td class="bold">{{ feet[side]!.sizes!.rounded.mondo.toFixed(1) }}</td>
            <td class="bold">{{ half(feet[side]!.sizes!.rounded.eu) }}</td>
            <td class="bold">{{ uk(side) }}</td>
            <td class="bold">{{ half(feet[side]!.sizes!.rounded.usMen) }}</td><td class="bold">{{ half(feet[side]!.sizes!.rounded.usWomen) }}</td>
          </template>
          <td v-else colspan="6" class="muted">Take the foot length to see sizes</td>
        </tr>
      </tbody>
    </table>
    <div v-for="side in SIDES" :key="side" class="words"><SideMark :side="side" />
      <span><b>{{ feet[side]?.words }}</b><template v-if="feet[side]?.sizes"> · {{ feet[side]!.supportedLengthMm![kind(side)].toFixed(1) }} mm on {{ kind(side) }}</template><template v-if="feet[side]?.arch.ahiStanding"> · arch index {{ feet[side]!.arch.ahiStanding!.toFixed(3) }}<template v-if="feet[side]!.arch.ahiSitting"> (sitting {{ feet[side]!.arch.ahiSitting!.toFixed(3) }})</template></template>
        <span v-if="feet[side]?.sizeBy === 'archLength'" class="watch-text bold"> · size by arch length ({{ feet[side]!.archSizeLengthMm!.toFixed(0) }} mm)</span></span></div>
    <p v-if="allowance !== undefined" class="muted small">Allowance {{ allowance }} mm over the foot. Length on a device is a house assumption.</p>
  </section>
</template>

<style scoped>
.sizes { padding: 2px 8px 8px; }
.table th, .table td { padding: 4px 6px; white-space: nowrap; }
.table th { font-size: 12px; }
.words { padding: 2px 6px 0; display: flex; gap: 6px; font-size: 13px; line-height: 17px; }
p.small { padding: 3px 6px 0; }
</style>
