<script setup lang="ts">
import InTurn from '~/components/InTurn.vue'
import { plainCopy } from '~/browser/plainCopy'
import {
  computed,
  defineAsyncComponent,
  onBeforeUnmount,
  onMounted,
  ref,
  shallowRef,
  watch,
} from 'vue'
import { VBtn, VBtnToggle, VSlider } from 'vuetify/components'
import { deviceRows } from '../../../core/device/deviceRows'
import { soleParameters } from '../../../core/device/soleParameters'
import { SIDES, type Side } from '../../../core/tables/vocabulary'
import type { Device } from '../../../core/record/schema'
import BodyPane from './BodyPane.vue'
import DifferenceSpine from './DifferenceSpine.vue'
import EffectStrip from './EffectStrip.vue'
import DevicesMenu from './DevicesMenu.vue'
import EffectsView from './EffectsView.vue'
import LayerList from './LayerList.vue'
import SendPane from './SendPane.vue'
import ShellView from './ShellView.vue'
import StandsStrip from './StandsStrip.vue'
import SpaceCard from './SpaceCard.vue'
import StartDialog from './StartDialog.vue'
import VersionsPane from './VersionsPane.vue'
import SideMark from '~/components/SideMark.vue'
import PressureMap from '~/drawing/PressureMap.vue'
import SectionView, { type SectionHandle } from '~/drawing/SectionView.vue'
import TerrainMap, { type Spot, type TrimPoint } from '~/drawing/TerrainMap.vue'
import { useHand } from '~/stores/hand'
import { useModels } from '~/stores/models'
import { deviceWorker } from '~/workers/deviceWorker'
import type { SolidAnswer } from '~/workers/device.worker'
import { isSpot, layerAt, rowName, setLayer } from './layerRows'
import { useEffects } from './useEffects'
import { postEdit, useStudio } from './useStudio'
import { useChanges } from '~/stores/changes'
import { useUndo } from '~/stores/undo'
import PlainButton from '~/components/PlainButton.vue'
import PaneTabs from '~/components/PaneTabs.vue'

const SolidView = defineAsyncComponent(() => import('~/three/SolidView.vue'))
const studio = useStudio()
const { fitting, terrain, sectionShare, turnDeg, shapes, chosen, rows, row } = studio
const changes = useChanges()
const undoing = useUndo()
const estimates = useEffects(studio)
const hand = useHand()
const models = useModels()
const view = ref<'terrain' | 'solid' | 'effects' | 'shell'>('terrain')
const pressed = ref(false)
const pane = ref<'layers' | 'body' | 'versions' | 'send'>('layers')
const starting = ref(false)
const side = ref<Side>('left')
const solid = shallowRef<SolidAnswer | null>(null)
const heights = computed(() =>
  Math.max(shapes.left?.lengthMm ?? 262, shapes.right?.lengthMm ?? 262),
)
const PRESSED = 'estimate: pressure, rings every 20 kPa'
const FACT = {
  device: 'contours every 2 mm',
  cast: 'the cast, every 2 mm',
  difference: 'device less cast, every 0.5 mm',
}
const reachOf = (s: Side) =>
  row.value ? (shapes[s]?.layers.find((l) => l.index === row.value!.index[s])?.reach ?? null) : null
const measurable = (s: Side) =>
  soleParameters(fitting.record.feet[s]!, fitting.norms) !== null ||
  fitting.record.feet[s]!.capture?.surface !== undefined
const measured = computed(() => SIDES.some(measurable))
const jump = (what: 'heelY' | 'archY' | 'headsY') => {
  const shape = shapes.left ?? shapes.right
  turnDeg.value = 0
  if (shape)
    sectionShare.value =
      (shape.marks[what] -
        (what === 'headsY' ? studio.device('left').outline.distal.behindHeadsMm + 2 : 0)) /
      shape.lengthMm
}
const cutShare = ref(100)
const shade = ref(false)
const measuring = ref(false)
const found = ref<{ mm: number } | null>(null)
let asked = 0
watch([view, side, () => JSON.stringify(studio.footOf(side.value))], async () => {
  if (view.value !== 'solid') return
  const mine = ++asked
  const answer = await deviceWorker().solid(
    plainCopy(studio.footOf(side.value)),
    side.value,
    deviceRows(fitting.norms),
  )
  if (mine === asked) solid.value = answer
})
const spots = (of: Side): Spot[] =>
  rows.value.flatMap((r) => {
    const layer = layerAt(studio.device(of), r)
    return isSpot(layer) && layer.on
      ? [
          {
            key: r.key,
            name: rowName(r, layer),
            xMm: layer.xMm,
            yMm: layer.yMm,
            radiusMm: layer.radiusMm,
            chosen: chosen.value === r.key,
          },
        ]
      : []
  })
function moveSpot(of: Side, key: string, xMm: number, yMm: number, done: boolean) {
  const there = rows.value.find((r) => r.key === key)
  if (there)
    apply(
      of,
      setLayer(there, { xMm: Math.max(-80, Math.min(80, xMm)), yMm: Math.min(400, yMm) }),
      'spot',
      done,
    )
}
const apply = (of: Side, edit: (d: Device) => Device, words: string, done: boolean) =>
  done ? studio.keep(of, edit, words) : studio.show(of, edit)
const front = (of: Side, behindHeadsMm: number, done: boolean) =>
  apply(
    of,
    (d) => ({ ...d, outline: { ...d.outline, distal: { behindHeadsMm } } }),
    'front edge',
    done,
  )
/**
 * Where the trim line can be taken hold of: both borders at these shares of the length, and
 * wherever it was moved already.
 */
const SHARES = [0.06, 0.16, 0.26, 0.36, 0.46, 0.56]
const shaping = ref(false)
function trimPoints(of: Side): TrimPoint[] {
  const moved = studio.device(of).outline.points ?? []
  const free = (['medial', 'lateral'] as const).flatMap((edge) =>
    SHARES.filter((s) => !moved.some((p) => p.edge === edge && Math.abs(p.s - s) < 0.005)).map(
      (s) => ({ edge, s, mm: 0 }),
    ),
  )
  return [...moved, ...free]
}
const moveTrim = (of: Side, point: TrimPoint, done: boolean) =>
  apply(
    of,
    (d) => {
      const others = (d.outline.points ?? []).filter(
        (p) => p.edge !== point.edge || Math.abs(p.s - point.s) >= 0.005,
      )
      const points = point.mm === 0 ? others : [...others, point]
      return { ...d, outline: { ...d.outline, points: points.length ? points : undefined } }
    },
    'trim line',
    done,
  )
/** Numbers that the section under view can change. */
function handles(of: Side): SectionHandle[] {
  const d = studio.device(of)
  const heel = sectionShare.value < 0.28
  const midfoot = sectionShare.value > 0.3 && sectionShare.value < 0.62
  return [
    { id: 'shell', name: 'shell', unit: 'mm', value: d.shell.thicknessMm, at: 'under' },
    ...(heel
      ? [
          {
            id: 'cup',
            name: 'cup',
            unit: 'mm' as const,
            value: d.outline.heelCupMm,
            at: 'innerRim' as const,
          },
          {
            id: 'post',
            name: 'post',
            unit: '°' as const,
            value: d.posts.find((p) => p.at === 'rearfoot')?.angleDeg ?? 0,
            at: 'base' as const,
          },
        ]
      : []),
    ...(midfoot
      ? [
          {
            id: 'inner',
            name: 'inner top',
            unit: 'mm' as const,
            value: d.outline.medialTopMm ?? 5,
            at: 'innerRim' as const,
          },
          {
            id: 'outer',
            name: 'outer top',
            unit: 'mm' as const,
            value: d.outline.lateralTopMm ?? 5,
            at: 'outerRim' as const,
          },
        ]
      : []),
  ]
}
function dragged(of: Side, id: string, value: number, done: boolean) {
  const within = (low: number, high: number) => Math.min(high, Math.max(low, value))
  const outline =
    (change: Partial<Device['outline']>) =>
    (d: Device): Device => ({ ...d, outline: { ...d.outline, ...change } })
  const edits: Record<string, (d: Device) => Device> = {
    shell: (d) => ({ ...d, shell: { ...d.shell, thicknessMm: within(0.5, 20) } }),
    cup: outline({ heelCupMm: within(0, 40) }),
    inner: outline({ medialTopMm: within(0, 40) }),
    outer: outline({ lateralTopMm: within(0, 40) }),
    post: postEdit({ angleDeg: within(-45, 45) }),
  }
  apply(of, edits[id]!, id, done)
}
function copyAcross() {
  if (!fitting.readOnly) studio.copyTo('right')
}
onMounted(() => {
  void models.load().catch(() => undefined)
  hand.copyAcross = copyAcross
})
onBeforeUnmount(() => {
  hand.copyAcross = null
  estimates.stop()
})
const take = (words: string) => (changes.said = words)
const PANES = [
  ['layers', 'Layers'],
  ['body', 'Body'],
  ['versions', 'Versions'],
  ['send', 'Send'],
] as const
</script>

<template>
  <div class="title-row">
    <h1>Prescribe</h1>
    <span class="fact"
      ><template v-if="!measured">measure the foot length first</template><DevicesMenu v-else
    /></span>
    <VBtnToggle v-model="view" mandatory role="group" aria-label="View"
      ><VBtn value="terrain">Terrain</VBtn><VBtn value="solid">Solid</VBtn
      ><VBtn value="effects">Effects</VBtn><VBtn value="shell">Shell</VBtn></VBtnToggle
    >
    <VBtn :disabled="fitting.readOnly" @click="starting = true">Start from …</VBtn>
    <VBtn
      :disabled="fitting.readOnly"
      aria-label="Copy left to right"
      title="copy left to right (=)"
      @click="copyAcross"
      >L → R</VBtn
    >
    <VBtn
      :disabled="fitting.readOnly"
      aria-label="Copy right to left"
      @click="studio.copyTo('left')"
      >R → L</VBtn
    >
    <span class="pairbtn"
      ><VBtn
        :disabled="fitting.readOnly || undoing.next === null"
        aria-label="Take back"
        title="take back (U)"
        @click="take(changes.undo())"
        >↶</VBtn
      ><VBtn
        :disabled="fitting.readOnly || !undoing.redoable"
        aria-label="Do again"
        title="do again (Shift U)"
        @click="take(changes.redo())"
        >↷</VBtn
      ></span
    >
    <VBtn color="primary" variant="flat" @click="navigateTo(`/fittings/${fitting.id}/match`)"
      >Go to Match</VBtn
    >
  </div>
  <EffectsView v-if="view === 'effects'" :studio="studio" :estimates="estimates" />
  <ShellView v-else-if="view === 'shell'" :studio="studio" :estimates="estimates" />
  <div v-else class="cols studio">
    <div class="stack">
      <section v-if="view === 'terrain'" class="card terrains grow">
        <div class="caps">
          <SideMark side="left" word /><span class="seg"
            ><PlainButton
              v-for="t in ['device', 'cast', 'difference'] as const"
              :key="t"
              class="pick"
              :aria-pressed="terrain === t && !pressed"
              @click="((terrain = t), (pressed = false))"
            >
              {{ t }}</PlainButton
            ><PlainButton
              class="pick"
              :aria-pressed="pressed"
              title="estimated pressure under the foot"
              @click="pressed = true"
            >
              pressure</PlainButton
            ><PlainButton
              class="pick"
              :aria-pressed="shaping"
              title="points of the trim line to drag"
              @click="shaping = !shaping"
            >
              outline
            </PlainButton></span
          ><SideMark side="right" word />
        </div>
        <InTurn v-for="s in SIDES" :key="s">
          <DifferenceSpine
            v-if="s === 'right'"
            :left="studio.device('left')"
            :right="studio.device('right')"
          />
          <div v-if="pressed" class="pressed">
            <PressureMap
              v-if="estimates.effects[s]"
              :side="s"
              :picture="estimates.effects[s]!.device"
              :length-mm="estimates.effects[s]!.lengthMm"
              :outline="estimates.effects[s]!.outline"
              :heads="estimates.effects[s]!.heads"
              :height-mm="heights"
              :label="`${s} foot on its device`"
            />
            <p v-else class="small muted said">{{ estimates.refused[s] || 'reckoning …' }}</p>
          </div>
          <TerrainMap
            v-else
            :side="s"
            :shape="shapes[s]"
            :section-share="sectionShare"
            :turn-deg="turnDeg"
            :height-mm="heights"
            :waiting="measurable(s)"
            :front-mm="studio.device(s).outline.distal.behindHeadsMm"
            :spots="spots(s)"
            :outline-points="shaping ? trimPoints(s) : null"
            :reach-of="row ? row.index[s] : -1"
            :carries="studio.standing[s]?.stands?.onMm"
            :fixed="fitting.readOnly"
            @section="(v: number) => (sectionShare = v)"
            @turn="(v: number) => (turnDeg = v)"
            @spot="(k: string, x: number, y: number, done: boolean) => moveSpot(s, k, x, y, done)"
            @choose="(k: string) => ((chosen = k), (pane = 'layers'))"
            @front="(v: number, done: boolean) => front(s, v, done)"
            @outline="(p: TrimPoint, done: boolean) => moveTrim(s, p, done)"
          />
        </InTurn>
        <p class="small muted fact2">{{ pressed ? PRESSED : FACT[terrain] }}</p>
      </section>
      <section v-else class="card grow solidcard">
        <div class="caps two">
          <VBtnToggle v-model="side" role="group" aria-label="Foot"
            ><VBtn v-for="s in SIDES" :key="s" :value="s"><SideMark :side="s" word /></VBtn
          ></VBtnToggle>
          <PlainButton class="pick" :aria-pressed="shade" @click="shade = !shade"
            >by thickness</PlainButton
          ><PlainButton class="pick" :aria-pressed="measuring" @click="measuring = !measuring">
            measure
          </PlainButton>
          <label class="cut small"
            >cut
            <VSlider
              v-model="cutShare"
              :min="5"
              :max="100"
              :step="1"
              aria-label="Cut away in front of, per cent of the length"
          /></label>
        </div>
        <p class="small muted facts">
          {{
            measuring
              ? found
                ? `${found.mm.toFixed(1)} mm between the two points`
                : 'tap two points of the solid'
              : solid
                ? `${(solid.report.volumeMm3 / 1000).toFixed(1)} cm³ · ${solid.report.triangles.toLocaleString('en')} triangles · ${solid.report.closed && solid.report.manifold && solid.report.selfOverlaps === 0 ? 'closed, no overlap' : 'NOT SOUND'} · ${solid.heelAngleDeg === null ? 'no heel left' : `heel ${solid.heelAngleDeg.toFixed(1)}°`} · squares 10 mm${shade ? ' · pale thin, deep 8 mm and more' : ''}`
                : 'building …'
          }}
        </p>
        <SolidView
          :solid="solid"
          :label="`${side} device as a solid`"
          :shade="shade"
          :measuring="measuring"
          :cut-mm="
            cutShare < 100 && shapes[side] ? (cutShare / 100) * shapes[side]!.lengthMm : null
          "
          fixed
          @measured="(m) => (found = m)"
        />
      </section>
      <InTurn><StandsStrip :studio="studio" /></InTurn>
      <section class="card sections">
        <div class="card-head">
          <b class="nowrap"
            >Section {{ shapes.left ? Math.round(sectionShare * shapes.left.lengthMm) : '' }} mm
            from heel</b
          ><span class="jumps"
            ><PlainButton class="pick" @click="jump('heelY')">heel</PlainButton
            ><PlainButton class="pick" @click="jump('archY')">arch</PlainButton
            ><PlainButton class="pick" @click="jump('headsY')">edge</PlainButton
            ><PlainButton v-if="turnDeg" class="pick" @click="turnDeg = 0"
              >straight</PlainButton
            ></span
          ><span class="aside small nowrap">dashed: foot · ↕ drags</span>
        </div>
        <div class="pair">
          <InTurn>
            <SectionView
              v-for="s in SIDES"
              :key="s"
              :side="s"
              :section="shapes[s]?.section ?? null"
              :handles="handles(s)"
              :reach="reachOf(s)"
              :floor="studio.standing[s]?.stands?.floor ?? null"
              :fixed="fitting.readOnly"
              :cover-mm="
                studio.device(s).shell.cover.material === 'none'
                  ? 0
                  : studio.device(s).shell.cover.thicknessMm
              "
              @change="(id: string, v: number, done: boolean) => dragged(s, id, v, done)"
            />
          </InTurn>
        </div>
      </section>
    </div>
    <div class="stack">
      <section class="card grow devicecard" aria-label="Device">
        <PaneTabs v-model="pane" :panes="PANES" label="Part of the device" look="line" grow />
        <div class="panel" role="tabpanel">
          <InTurn>
            <LayerList v-if="pane === 'layers'" :studio="studio" />
            <BodyPane v-else-if="pane === 'body'" :studio="studio" :estimates="estimates" />
            <VersionsPane v-else-if="pane === 'versions'" :studio="studio" />
            <SendPane v-else :studio="studio" />
          </InTurn>
        </div>
      </section>
      <InTurn>
        <EffectStrip
          v-if="pane === 'layers' || pane === 'body'"
          :studio="studio"
          :estimates="estimates"
          @table="view = 'effects'"
        />
      </InTurn>
      <InTurn><SpaceCard :studio="studio" /></InTurn>
    </div>
  </div>
  <StartDialog v-model="starting" :studio="studio" />
</template>

<style scoped>
.studio {
  grid-template-columns: minmax(0, 1fr) minmax(0, 490px);
}
.terrains {
  display: grid;
  grid-template: 26px 1fr 16px / 1fr 118px 1fr;
  padding: 8px 6px;
}
.caps {
  grid-column: 1 / -1;
  display: flex;
  justify-content: space-between;
  padding: 0 8px;
  align-items: center;
}
.fact2 {
  grid-column: 1 / -1;
  text-align: center;
}
.pressed {
  min-height: 0;
  min-width: 0;
}
.said {
  padding: 30px 8px;
}
.solidcard {
  display: flex;
  flex-direction: column;
}
.two {
  padding: 8px;
  gap: 8px;
  justify-content: flex-start;
}
.facts {
  padding: 0 12px 4px;
}
.cut {
  display: flex;
  gap: 4px;
  align-items: center;
  min-width: 0;
  flex: 1;
}
.cut .v-slider {
  width: 100%;
  min-width: 0;
  accent-color: var(--spruce);
}
.pick {
  min-height: 26px;
  padding: 0 8px;
  border: 1px solid var(--hairline);
  font-size: 12px;
  background: var(--sheet);
}
.two .pick {
  min-height: 44px;
  border-radius: 6px;
  font-size: 13px;
}
.pick[aria-pressed='true'] {
  background: var(--wash);
  font-weight: 700;
}
.sections {
  flex: 0 0 196px;
  display: flex;
  flex-direction: column;
}
.sections .card-head {
  padding: 5px 12px;
  align-items: center;
}
.jumps {
  display: flex;
}
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  flex: 1;
  min-height: 0;
  padding: 0 4px 2px;
}
.pairbtn {
  display: flex;
}
.pairbtn :deep(.v-btn) {
  min-width: 44px;
  padding: 0;
}
.devicecard {
  display: flex;
  flex-direction: column;
}
.panel {
  flex: 1;
  min-height: 0;
}
@media (max-width: 1179px) {
  .studio {
    grid-template-columns: minmax(0, 1fr) minmax(0, 440px);
  }
  .terrains {
    grid-template-columns: 1fr 112px 1fr;
  }
}
</style>
