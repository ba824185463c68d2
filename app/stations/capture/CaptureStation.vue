<script setup lang="ts">
import InTurn from '~/components/InTurn.vue'
import { computed, defineAsyncComponent, onBeforeUnmount, onMounted, reactive, ref } from 'vue'
import { VBtn, VBtnToggle } from 'vuetify/components'
import type { LandmarkName } from '../../../core/capture/foot/landmarks'
import { parametricTake } from '../../../core/capture/parametricTake'
import { SIDES, type Side } from '../../../core/tables/vocabulary'
import AgainstHandPane from './AgainstHandPane.vue'
import CorrectionsPane from './CorrectionsPane.vue'
import DifferencePane from './DifferencePane.vue'
import QualityPane from './QualityPane.vue'
import ScansPane from './ScansPane.vue'
import WayGuide from './WayGuide.vue'
import { useCapture } from './useCapture'
import SideMark from '~/components/SideMark.vue'
import CapturedSole from '~/drawing/CapturedSole.vue'
import { HUES } from '~/drawing/footDrawing'
import { useSole } from '~/drawing/useSole'
import PaneTabs from '~/components/PaneTabs.vue'

/**
 * Both feet as they were captured (else as the readings say), and beside them quality, guide,
 * scans, readings, difference and corrections.
 */
const SolidView = defineAsyncComponent(() => import('~/three/SolidView.vue'))
const state = useCapture()
const { fitting, takes, moved, part, busy } = state
const soles = {
  left: useSole(() => fitting.record, 'left'),
  right: useSole(() => fitting.record, 'right'),
}
const parametric = computed(
  () =>
    Object.fromEntries(
      SIDES.map((s) => [s, parametricTake(fitting.record.feet[s]!, fitting.norms)]),
    ) as Record<Side, ReturnType<typeof parametricTake>>,
)
const length = (side: Side) => takes[side]?.analysis.lengthMm ?? soles[side].value.lengthMm
const height = computed(() => Math.max(length('left'), length('right')))
type Pane = 'quality' | 'guide' | 'scans' | 'hand' | 'difference' | 'corrections'
const pane = ref<Pane>('quality')
const PANES: [Pane, string][] = [
  ['quality', 'Quality'],
  ['guide', 'Guide'],
  ['scans', 'Scans'],
  ['hand', 'By hand'],
  ['difference', 'Difference'],
  ['corrections', 'Corrections'],
]
const solid = reactive<Record<Side, boolean>>({ left: false, right: false })
const view = computed({
  get: () => (solid.left || solid.right ? 'solid' : 'terrain'),
  set: (v) => SIDES.forEach((s) => (solid[s] = v === 'solid')),
})
const anyOpen = computed(() => SIDES.some((s) => takes[s]))
const balls = (side: Side) =>
  Object.entries(takes[side]?.analysis.landmarks ?? {})
    .filter(([name]) =>
      [
        'heel',
        'firstMetHead',
        'fifthMetHead',
        'archApex',
        'navicular',
        'heelBisectionLow',
        'heelBisectionHigh',
        'firstMetCentre',
      ].includes(name),
    )
    .map(([name, at]) => ({ name, at: at! }))
const put = (side: Side, name: LandmarkName, x: number, y: number) =>
  state.moveLandmark(side, name, [x, y, takes[side]!.analysis.landmarks[name]?.[2] ?? 0])
onMounted(() => state.load().catch((error: Error) => (state.trouble.value = error.message)))
onBeforeUnmount(state.end)
const fact = computed(() =>
  anyOpen.value
    ? 'Landmarks: drag a cross, or move it with the arrow keys. Dashed is found, full is moved by hand'
    : SIDES.some((s) => part(s).surface)
      ? 'Captured surfaces are kept. Look at a scan to see its landmarks'
      : 'Drawn from the readings. No shape was taken yet',
)
function keepPair() {
  for (const side of SIDES)
    if (!fitting.record.feet[side]!.capture)
      state.put(side, { way: 'parametric', load: 'none' }, 'way of capture')
  void navigateTo(`/fittings/${fitting.id}/prescribe`)
}
</script>

<template>
  <div class="title-row">
    <h1>Capture</h1>
    <span class="fact small">{{ fact }}</span>
    <VBtnToggle
      v-if="anyOpen"
      v-model="view"
      mandatory
      density="comfortable"
      aria-label="How the shape is shown"
      ><VBtn value="terrain">Terrain</VBtn><VBtn value="solid">3D</VBtn></VBtnToggle
    >
    <VBtn color="primary" variant="flat" @click="keepPair">{{
      fitting.readOnly ? 'Go to Prescribe' : 'Keep this pair'
    }}</VBtn>
  </div>
  <div class="cols capture">
    <section class="card feet" aria-label="Feet">
      <div v-for="side in SIDES" :key="side" class="foot" :class="{ busy: busy[side] }">
        <p class="who">
          <SideMark :side="side" word /><span v-if="takes[side]" class="small muted ellipsis">{{
            takes[side]!.scan.name
          }}</span
          ><span v-if="busy[side]" class="small" role="status">reading again …</span>
        </p>
        <template v-if="takes[side]">
          <SolidView
            v-if="solid[side]"
            :solid="takes[side]!.analysis.picture"
            :label="`Scan ${takes[side]!.scan.name}`"
            :marks="balls(side)"
            :mirrored="side === 'right'"
            :fixed="fitting.readOnly"
            class="solid"
            @moved="(name, at) => state.moveLandmark(side, name as LandmarkName, at)"
          />
          <CapturedSole
            v-else
            :side="side"
            :analysis="takes[side]!.analysis"
            :height-mm="height"
            :moved-names="moved[side].map((m) => m.name)"
            :read-only="fitting.readOnly"
            @move="(name, x, y) => put(side, name, x, y)"
          />
          <p class="small">
            <b>{{ takes[side]!.analysis.readings.footLengthMm?.toFixed(1) }}</b> long,
            <b>{{ takes[side]!.analysis.readings.forefootWidthMm?.toFixed(1) }}</b> and
            <b>{{ takes[side]!.analysis.readings.heelWidthMm?.toFixed(1) }}</b> wide, arch apex
            <b>{{ takes[side]!.analysis.readings.archApexMm?.toFixed(1) }}</b>, forefoot
            <b>{{ takes[side]!.analysis.readings.forefootDeg?.toFixed(1) }}°</b>
            <span class="muted">1 scan, mm</span>
          </p>
          <p
            v-for="g in takes[side]!.analysis.gaps.filter((x) => !x.filled)"
            :key="g.words"
            class="small stop-text"
          >
            ✕ Gap of {{ (g.areaMm2 / 100).toFixed(0) }} cm², {{ g.words }}: too large to fill.
          </p>
          <p v-if="takes[side]!.analysis.gaps.some((x) => x.filled)" class="small watch-text">
            ▲ Small gaps filled: {{ takes[side]!.analysis.gaps.filter((x) => x.filled).length }},
            drawn dashed
          </p>
        </template>
        <InTurn v-else>
          <svg
            :viewBox="`-66 -8 132 ${height + 16}`"
            role="img"
            :aria-label="
              soles[side].value.measured
                ? `${side} sole drawn from its readings`
                : `${side} foot not measured yet`
            "
          >
            <g
              :transform="`translate(0 ${height - soles[side].value.lengthMm})`"
              :opacity="soles[side].value.measured ? 1 : 0.4"
            >
              <clipPath :id="`ca-${side}`"><path :d="soles[side].value.outline" /></clipPath>
              <g :clip-path="`url(#ca-${side})`">
                <path
                  v-for="(ring, i) in soles[side].value.rings"
                  :key="i"
                  :d="ring.d"
                  :fill="ring.fill"
                  :stroke="HUES[side]"
                  :stroke-opacity="ring.index ? 0.75 : 0.38"
                  stroke-width=".5"
                />
              </g>
              <path
                :d="soles[side].value.outline"
                fill="none"
                :stroke="HUES[side]"
                stroke-width="1.1"
                :stroke-dasharray="soles[side].value.measured ? undefined : '3 2'"
              />
            </g>
          </svg>
          <p v-if="part(side).surface" class="small">
            <b>{{ part(side).surface!.name }}</b> is kept; devices stand on
            {{ part(side).use === 'captured' ? 'it' : 'the readings' }}.
            <span class="muted">Drawn here: the sole of the readings.</span>
          </p>
          <p v-else-if="parametric[side].parameters" class="small">
            <span class="muted">Built on</span>
            {{ parametric[side].parameters!.lengthMm.toFixed(1) }} long,
            {{ parametric[side].parameters!.forefootWidthMm.toFixed(1) }} and
            {{ parametric[side].parameters!.heelWidthMm.toFixed(1) }} wide, navicular
            {{ parametric[side].parameters!.navicularHeightMm.toFixed(1) }}, forefoot
            {{ parametric[side].parameters!.forefootDeg.toFixed(1) }}°
          </p>
          <p v-else class="small watch-text">
            No foot length yet.
            <NuxtLink :to="`/fittings/${fitting.id}/measure`">Measure it first</NuxtLink>
          </p>
          <p v-if="parametric[side].assumed.length && !part(side).surface" class="small watch-text">
            Assumed: {{ parametric[side].assumed.join(', ') }}
          </p>
        </InTurn>
      </div>
    </section>
    <div class="stack">
      <PaneTabs v-model="pane" :panes="PANES" label="Parts of Capture" look="box" />
      <InTurn>
        <QualityPane v-if="pane === 'quality'" :state="state" class="grow" />
        <WayGuide v-else-if="pane === 'guide'" class="grow" />
        <ScansPane v-else-if="pane === 'scans'" :state="state" class="grow" />
        <AgainstHandPane v-else-if="pane === 'hand'" :state="state" class="grow" />
        <DifferencePane v-else-if="pane === 'difference'" :state="state" class="grow" />
        <CorrectionsPane v-else :state="state" class="grow" />
      </InTurn>
    </div>
  </div>
</template>

<style scoped>
.capture {
  grid-template-columns: minmax(0, 1fr) minmax(0, 476px);
}
.feet {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 6px 20px;
  padding: 10px 16px;
}
.foot {
  display: flex;
  flex-direction: column;
  gap: 5px;
  min-height: 0;
  min-width: 0;
}
.foot > svg,
.foot > .solid {
  flex: 1;
  min-height: 0;
}
.busy {
  opacity: 0.6;
}
.who {
  display: flex;
  gap: 8px;
  align-items: center;
  min-width: 0;
}
</style>
