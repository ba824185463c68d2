<script setup lang="ts">
import { computed, ref } from 'vue'
import { VBtn } from 'vuetify/components'
import { CAPTURE_CHECKS, parametricTake } from '../../../core/capture/parametricChecks'
import { WAYS } from '../../../core/capture/ways'
import ScansPane from './ScansPane.vue'
import WayGuide from './WayGuide.vue'
import type { FittingRecord } from '../../../core/record/schema'
import { SIDES, type Side } from '../../../core/record/vocabulary'
import SideMark from '~/components/SideMark.vue'
import { HUES } from '~/drawing/footDrawing'
import { useSole } from '~/drawing/useSole'
import { useFitting } from '~/stores/fitting'

type Capture = NonNullable<NonNullable<FittingRecord['feet']['left']>['capture']>
const fitting = useFitting()
const soles = { left: useSole(() => fitting.record, 'left'), right: useSole(() => fitting.record, 'right') }
const takes = computed(() => Object.fromEntries(SIDES.map((s) => [s, parametricTake(fitting.record.feet[s]!)])) as Record<Side, ReturnType<typeof parametricTake>>)
const height = computed(() => Math.max(soles.left.value.lengthMm, soles.right.value.lengthMm))
type Pane = 'readings' | 'guide' | 'scans'
const pane = ref<Pane>('readings')
const PANES: [Pane, string][] = [['readings', 'Quality'], ['guide', 'Take a shape'], ['scans', 'Scans']]
const capture = (side: Side): Capture => fitting.record.feet[side]!.capture ?? { way: 'parametric', load: 'none' }
const set = (side: Side, way: Capture['way']) => fitting.put(`capture.${side}`, { ...capture(side), way, load: WAYS[way].load }, `way of capture ${side}`)
function keepPair() {
  for (const side of SIDES) if (!fitting.record.feet[side]!.capture) set(side, 'parametric')
  void navigateTo(`/fittings/${fitting.id}/prescribe`)
}
</script>

<template>
  <div class="title-row">
    <h1>Capture</h1>
    <span class="fact">Parametric take: the sole drawn from the readings</span>
    <VBtn color="primary" variant="flat" @click="keepPair">{{ fitting.readOnly ? 'Go to Prescribe' : 'Keep this pair' }}</VBtn>
  </div>
  <div class="cols capture">
    <section class="card feet">
      <div v-for="side in SIDES" :key="side" class="foot">
        <SideMark :side="side" word />
        <svg :viewBox="`-66 -8 132 ${height + 16}`" role="img" :aria-label="soles[side].value.measured ? `${side} sole drawn from its readings` : `${side} foot not measured yet`">
          <g :transform="`translate(0 ${height - soles[side].value.lengthMm})`" :opacity="soles[side].value.measured ? 1 : 0.4">
            <clipPath :id="`ca-${side}`"><path :d="soles[side].value.outline" /></clipPath>
            <g :clip-path="`url(#ca-${side})`"><path v-for="(ring, i) in soles[side].value.rings" :key="i" :d="ring.d" :fill="ring.fill" :stroke="HUES[side]" :stroke-opacity="ring.index ? 0.75 : 0.38" stroke-width=".5" /></g>
            <path :d="soles[side].value.outline" fill="none" :stroke="HUES[side]" stroke-width="1.1" :stroke-dasharray="soles[side].value.measured ? undefined : '3 2'" />
          </g>
        </svg>
        <p v-if="takes[side].parameters" class="small"><span class="muted">Built on</span> {{ takes[side].parameters!.lengthMm.toFixed(1) }} long, {{ takes[side].parameters!.forefootWidthMm.toFixed(1) }} and {{ takes[side].parameters!.heelWidthMm.toFixed(1) }} wide, navicular {{ takes[side].parameters!.navicularHeightMm.toFixed(1) }}, forefoot {{ takes[side].parameters!.forefootDeg.toFixed(1) }}°</p>
        <p v-else class="small watch-text">No foot length yet. <NuxtLink :to="`/fittings/${fitting.id}/measure`">Measure it first</NuxtLink></p>
        <p v-if="takes[side].assumed.length" class="small watch-text">Assumed: {{ takes[side].assumed.join(', ') }}</p>
      </div>
      <p class="muted small note">contours every 1.5 mm · unloaded sole · estimate from readings</p>
    </section>
    <div class="stack">
      <div class="tabs" role="tablist" aria-label="Quality, taking a shape, scans"><button v-for="[id, name] in PANES" :key="id" role="tab" class="tab" :aria-selected="pane === id" @click="pane = id">{{ name }}</button></div>
      <section v-if="pane === 'readings'" class="card grow scroll" tabindex="0" aria-label="Quality">
        <div class="card-head"><h2>Quality</h2><span class="aside small">value · limit · verdict</span></div>
        <div v-for="side in SIDES" :key="side" class="way"><SideMark :side="side" word /><span><b>{{ WAYS[capture(side).way].name }}</b><small v-if="capture(side).takes?.length" class="muted"> {{ capture(side).takes!.filter((t) => t.kept).length }} kept, {{ capture(side).takes!.filter((t) => !t.kept).length }} rejected</small></span></div>
        <table class="table"><thead><tr><th>Check</th><th>Good when</th><th>Left</th><th>Right</th></tr></thead>
          <tbody><tr v-for="check in CAPTURE_CHECKS" :key="check.code"><td>{{ check.name }}</td><td class="muted">{{ check.limit }}</td><td v-for="s in SIDES" :key="s" class="muted nowrap">○ not seen</td></tr></tbody></table>
        <p class="small muted pad">Not seen: {{ takes.left.checks[0]!.because }}. A check that was not seen is neither good nor bad.</p>
      </section>
      <WayGuide v-else-if="pane === 'guide'" class="grow" />
      <ScansPane v-else class="grow" />
    </div>
  </div>
</template>

<style scoped>
.capture { grid-template-columns: minmax(0, 1fr) minmax(0, 456px); }
.feet { display: grid; grid-template: 1fr auto / 1fr 1fr; gap: 6px 20px; padding: 12px 16px; }
.foot { display: flex; flex-direction: column; gap: 6px; min-height: 0; }
.foot svg { flex: 1; min-height: 0; }
.note { grid-column: 1 / -1; text-align: center; }
.way { display: grid; grid-template-columns: 62px 1fr; gap: 3px 8px; align-items: center; padding: 6px 14px; border-bottom: 1px solid var(--hairline); }
.tabs { display: flex; gap: 4px; flex: none; } .tab { min-height: 44px; padding: 0 14px; border: 1px solid var(--line-strong); border-radius: 6px; background: var(--sheet); } .tab[aria-selected='true'] { background: var(--wash); font-weight: 700; }
.table td { padding: 6px 12px; } .table th { padding: 5px 12px; }
.pad { padding: 8px 14px; }
</style>
