<script setup lang="ts">
import { computed, defineAsyncComponent, onBeforeUnmount, onMounted, ref, shallowRef, watch } from 'vue'
import { VBtn, VBtnToggle } from 'vuetify/components'
import { SIDES, type Side } from '../../../core/record/vocabulary'
import { layerDefinition } from '../../../core/device/layers/registry'
import DeviceTable from './DeviceTable.vue'
import DifferenceSpine from './DifferenceSpine.vue'
import SpaceCard from './SpaceCard.vue'
import SideMark from '~/components/SideMark.vue'
import SectionView from '~/drawing/SectionView.vue'
import TerrainMap from '~/drawing/TerrainMap.vue'
import { useHand } from '~/stores/hand'
import { useModels } from '~/stores/models'
import { deviceWorker } from '~/workers/deviceWorker'
import type { SolidAnswer } from '~/workers/device.worker'
import { useStudio } from './useStudio'

const SolidView = defineAsyncComponent(() => import('~/three/SolidView.vue'))
const studio = useStudio()
const { fitting, terrain, sectionShare, shapes } = studio
const hand = useHand()
const models = useModels()
const view = ref<'terrain' | 'solid'>('terrain')
const side = ref<Side>('left')
const solid = shallowRef<SolidAnswer | null>(null)
const heights = computed(() => Math.max(shapes.left?.lengthMm ?? 262, shapes.right?.lengthMm ?? 262))
const model = computed(() => models.byId(fitting.record.footwear?.chosen?.model))
const FACT = { device: 'contours every 2 mm above the floor', cast: 'the cast alone, contours every 2 mm', difference: 'device less cast, contours every 0.5 mm' }
const measured = computed(() => SIDES.some((s) => shapes[s]))
const jump = (what: 'heelY' | 'archY' | 'headsY') => {
  const shape = shapes.left ?? shapes.right
  if (shape) sectionShare.value = shape.marks[what] / shape.lengthMm
}
let asked = 0
watch(
  [view, side, () => JSON.stringify([fitting.record.feet[side.value]!.device, fitting.record.feet[side.value]!.readings])],
  async () => {
    if (view.value !== 'solid') return
    const mine = ++asked
    const answer = await deviceWorker().solid(JSON.parse(JSON.stringify(fitting.record.feet[side.value]!)), side.value)
    if (mine === asked) solid.value = answer
  },
)
function copyAcross() {
  if (!fitting.readOnly) studio.copyTo('right')
}
onMounted(() => {
  void models.load().catch(() => undefined)
  hand.copyAcross = copyAcross
})
onBeforeUnmount(() => (hand.copyAcross = null))
const missed = computed(() => [...new Set(SIDES.flatMap((s) => studio.device(s).layers.filter((l) => !layerDefinition(l.kind)).map((l) => l.kind)))])
</script>

<template>
  <div class="title-row">
    <h1>Prescribe</h1>
    <span class="fact">{{ measured ? FACT[terrain] : 'measure the foot length to see the device' }}</span>
    <VBtnToggle v-model="view" role="group" aria-label="View"><VBtn value="terrain">Terrain</VBtn><VBtn value="solid">Solid</VBtn></VBtnToggle>
    <VBtn :disabled="fitting.readOnly" @click="copyAcross">Copy left to right</VBtn>
    <VBtn :disabled="fitting.readOnly" @click="studio.copyTo('left')">Right to left</VBtn>
    <VBtn color="primary" variant="flat" @click="navigateTo(`/fittings/${fitting.id}/match`)">Go to Match</VBtn>
  </div>
  <div class="cols studio">
    <div class="stack">
      <section v-if="view === 'terrain'" class="card terrains grow">
        <div class="caps"><SideMark side="left" word /><span class="seg"><button v-for="t in (['device', 'cast', 'difference'] as const)" :key="t" class="pick" :aria-pressed="terrain === t" @click="terrain = t">{{ t }}</button></span><SideMark side="right" word /></div>
        <TerrainMap side="left" :shape="shapes.left" :section-share="sectionShare" :height-mm="heights" @section="(v: number) => (sectionShare = v)" />
        <DifferenceSpine :left="studio.device('left')" :right="studio.device('right')" />
        <TerrainMap side="right" :shape="shapes.right" :section-share="sectionShare" :height-mm="heights" @section="(v: number) => (sectionShare = v)" />
      </section>
      <section v-else class="card grow solidcard">
        <div class="caps two"><VBtnToggle v-model="side" role="group" aria-label="Foot"><VBtn v-for="s in SIDES" :key="s" :value="s"><SideMark :side="s" word /></VBtn></VBtnToggle>
          <span v-if="solid" class="small muted">{{ (solid.report.volumeMm3 / 1000).toFixed(1) }} cm³ · {{ solid.report.triangles.toLocaleString('en') }} triangles · {{ solid.report.closed && solid.report.manifold ? 'closed' : 'NOT CLOSED' }} · heel {{ solid.heelAngleDeg.toFixed(1) }}° · squares 10 mm</span></div>
        <SolidView :solid="solid" :label="`${side} device as a solid`" />
      </section>
      <section class="card sections">
        <div class="card-head"><b class="nowrap">Section {{ shapes.left ? Math.round(sectionShare * shapes.left.lengthMm) : '' }} mm from heel</b><span class="jumps"><button class="pick" @click="jump('heelY')">heel</button><button class="pick" @click="jump('archY')">arch</button><button class="pick" @click="jump('headsY')">edge</button></span><span class="aside small nowrap">dashed: cast</span></div>
        <div class="pair"><SectionView v-for="s in SIDES" :key="s" :side="s" :section="shapes[s]?.section ?? null" :cover-mm="studio.device(s).shell.cover.material === 'none' ? 0 : studio.device(s).shell.cover.thicknessMm" /></div>
      </section>
    </div>
    <div class="stack">
      <DeviceTable :studio="studio" class="grow" />
      <SpaceCard :model="model" :shapes="shapes" :left="studio.device('left')" :right="studio.device('right')" />
    </div>
  </div>
  <p v-if="missed.length" class="watch-text small">Kept in the record but not drawn yet: {{ missed.join(', ') }}.</p>
</template>

<style scoped>
.studio { grid-template-columns: minmax(0, 1fr) minmax(0, 490px); }
.terrains { display: grid; grid-template: 26px 1fr / 1fr 118px 1fr; padding: 8px 6px; }
.caps { grid-column: 1 / -1; display: flex; justify-content: space-between; padding: 0 8px; align-items: center; }
.solidcard { display: flex; flex-direction: column; }
.two { padding: 8px; gap: 10px; }
.pick { min-height: 26px; padding: 0 8px; border: 1px solid var(--hairline); font-size: 12px; background: var(--sheet); }
.pick[aria-pressed='true'] { background: var(--wash); font-weight: 700; }
.sections { flex: 0 0 186px; display: flex; flex-direction: column; }
.sections .card-head { padding: 6px 12px; align-items: center; }
.jumps { display: flex; }
.pair { display: grid; grid-template-columns: 1fr 1fr; flex: 1; min-height: 0; padding: 0 4px 2px; }
@media (max-width: 1179px) { .studio { grid-template-columns: minmax(0, 1fr) minmax(0, 440px); } .terrains { grid-template-columns: 1fr 112px 1fr; } }
</style>
