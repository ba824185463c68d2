<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import { VBtn, VBtnToggle, VSelect, VTable } from 'vuetify/components'
import { amountOf, mainRule } from '../../../core/kinds/layers/amount'
import { soleParameters } from '../../../core/device/soleParameters'
import {
  cellWords,
  effectCells,
  lateralByDirection,
  momentWords,
  rangeWords,
  signed,
} from '../../../core/mechanics/effectCells'
import { twoDigits } from '../../../core/mechanics/effectSteps'
import { effectOf } from '../../../core/mechanics/contactEffect'
import type { DevicePart, LayerEffect } from '../../../core/mechanics/layerEffects'
import { LOADS, type LoadName } from '../../../core/mechanics/contact'
import type { PressurePicture } from '../../../core/mechanics/deviceEffects'
import type { Side } from '../../../core/tables/vocabulary'
import EstimateTag from '~/components/EstimateTag.vue'
import SideMark from '~/components/SideMark.vue'
import EffectArrow from '~/drawing/EffectArrow.vue'
import PressureMap from '~/drawing/PressureMap.vue'
import { newestWins } from '~/workers/deviceWorker'
import { effectsWorker } from '~/workers/effectsWorker'
import type { LayersAnswer, Question, Said } from '~/workers/effects.worker'
import MomentSolver from './MomentSolver.vue'
import type { useEffects } from './useEffects'
import type { useStudio } from './useStudio'
import PlainButton from '~/components/PlainButton.vue'
import { choicesOf } from '~/browser/choices'

/**
 * What each layer does: every part of a device with its effect within the whole, the pressure with
 * and without one of them, and one amount sought backwards.
 */
const { studio, estimates } = defineProps<{
  studio: ReturnType<typeof useStudio>
  estimates: ReturnType<typeof useEffects>
}>()
const side = ref<Side>('right')
const numbers = ref(false)
const against = ref<'within' | 'alone'>('within')
const answer = shallowRef<LayersAnswer | null>(null)
const without = shallowRef<PressurePicture | null>(null)
const chosen = ref('')
const refused = ref('')
const stale = ref(false)
const keyOf = (part: DevicePart) => JSON.stringify(part)
const effects = computed(() => estimates.effects[side.value])
const chosenPart = computed(
  () =>
    answer.value?.parts.find((p) => keyOf(p.part) === chosen.value) ??
    answer.value?.parts[0] ??
    null,
)
const asked = computed(() => {
  const q = estimates.question(side.value)
  return typeof q === 'string' ? q : JSON.stringify(q)
})
const ask = newestWins(
  async (text: string): Promise<LayersAnswer | Said> =>
    effectsWorker().layers(JSON.parse(text) as Question),
  (got) => {
    stale.value = false
    if ('refused' in got) [answer.value, refused.value] = [null, got.refused]
    else [answer.value, refused.value] = [got, '']
  },
)
watch(
  [asked, () => effects.value?.giveFrom],
  ([text]) => {
    if (!text.startsWith('{')) {
      answer.value = null
      refused.value = text
      return
    }
    stale.value = true
    ask(text)
  },
  { immediate: true },
)
const askWithout = newestWins(
  async ({ text, part }: { text: string; part: DevicePart }): Promise<PressurePicture | Said> =>
    effectsWorker().without(JSON.parse(text) as Question, part),
  (got) => (without.value = 'refused' in got ? null : got),
)
watch(
  [answer, chosen],
  () =>
    chosenPart.value &&
    asked.value.startsWith('{') &&
    askWithout({ text: asked.value, part: chosenPart.value.part }),
)
const rows = computed(() =>
  (answer.value?.parts ?? []).map((p) => ({
    ...p,
    key: keyOf(p.part),
    note: noteOf(p),
    cells: effectCells(p[against.value], {
      lateralByDirection: lateralByDirection(studio.device(side.value), p.part),
    }),
  })),
)
/** Amount of a part, for its row. */
function noteOf({ part }: LayerEffect): string {
  const d = studio.device(side.value)
  if ('layer' in part) {
    const layer = d.layers[part.layer]
    const rule = layer && mainRule(layer)
    return rule
      ? `${amountOf(layer, rule.key, soleParameters(studio.fitting.record.feet[side.value]!, studio.fitting.norms)?.parameters.forefootDeg ?? 0)}${rule.unit === '°' ? '°' : ' mm'}`
      : ''
  }
  if ('post' in part) return `${d.posts[part.post]?.angleDeg ?? ''}°`
  if ('inverted' in part) return `${d.inverted?.castDeg ?? 0}°`
  return 'cast' in part ? `${d.balance.pourDeg}°` : 'against one that does not'
}
/**
 * What stands beside this device: itself without the chosen part, the plain one, or the bare floor.
 */
const beside = ref<'without' | 'plain' | 'floor'>('without')
const WITHOUT = computed(() =>
  !chosenPart.value
    ? ''
    : 'give' in chosenPart.value.part
      ? 'Shell that gives nothing'
      : `${chosenPart.value.name} off`,
)
const BESIDE = computed(() => [
  { value: 'without', title: WITHOUT.value },
  { value: 'plain', title: 'Plain device' },
  { value: 'floor', title: 'Bare on the floor' },
])
const besideWords = computed(() => BESIDE.value.find((b) => b.value === beside.value)?.title ?? '')
const other = computed(() =>
  beside.value === 'without' ? without.value : (effects.value?.[beside.value] ?? null),
)
/** What happens when this device is changed for the one beside it. */
const off = computed(() =>
  effects.value && other.value ? effectOf(effects.value.device, other.value) : null,
)
const peak = ({ peakKPa, peakAt }: PressurePicture) =>
  `peak ${twoDigits(Math.max(...Object.values(peakKPa)))} kPa, ${peakAt.yMm.toFixed(0)} mm from the heel`
const LINES = computed(() => {
  const o = off.value
  if (!o) return []
  const heads = o.headPeakPercent
    .map((v, k) => ({ k: k + 1, v }))
    .sort((a, b) => Math.abs(b.v) - Math.abs(a.v))
    .slice(0, 2)
  return [
    { name: 'Inner heel', words: rangeWords('share', o.medialHeelPoints) },
    { name: 'Arch', words: rangeWords('share', o.archPoints) },
    ...heads.map((h) => ({ name: `Head ${h.k}`, words: rangeWords('peak', h.v) })),
    {
      name: 'Turning moment',
      words: `${momentWords(o)}; roll held fast ${signed(twoDigits(o.momentFixedNmm))}`,
    },
  ]
})
const HEADS = ['Inner heel', 'Arch', 'Head 1', '2', '3', '4', '5', 'Turning']
const height = computed(() => effects.value?.lengthMm ?? 262)
const AGAINST = [
  { value: 'within', title: 'in this device' },
  { value: 'alone', title: 'alone, on a plain one' },
]
const LOAD_CHOICES = choicesOf(Object.keys(LOADS) as LoadName[], (load) => LOADS[load].words)
</script>

<template>
  <div class="cols effects" :class="{ numbers: numbers || refused }">
    <div class="stack">
      <section class="card grow tablecard" aria-label="What each layer does, estimate">
        <div class="card-head controls">
          <VBtnToggle v-model="side" role="group" aria-label="Foot"
            ><VBtn value="left"><SideMark side="left" word /></VBtn
            ><VBtn value="right"><SideMark side="right" word /></VBtn
          ></VBtnToggle>
          <VBtnToggle v-model="numbers" role="group" aria-label="Show"
            ><VBtn :value="false">Arrows</VBtn><VBtn :value="true">Ranges</VBtn></VBtnToggle
          >
          <VSelect
            v-model="against"
            class="pick"
            density="compact"
            :items="AGAINST"
            aria-label="Effect of a layer"
          />
        </div>
        <p v-if="refused" class="notice said">{{ refused }}</p>
        <p v-else-if="!answer" class="muted said" role="status">
          Switching each layer off in turn …
        </p>
        <div
          v-else
          class="scroll body"
          tabindex="0"
          role="region"
          aria-label="Effect of each layer"
          :aria-busy="stale"
        >
          <VTable class="table">
            <thead>
              <tr>
                <th>{{ stale ? 'Being reckoned anew …' : 'What it does in the device' }}</th>
                <th v-for="h in HEADS" :key="h" class="c">{{ h }}</th>
              </tr>
            </thead>
            <tbody>
              <tr
                v-for="row in rows"
                :key="row.key"
                :class="{ chosen: chosenPart && row.key === keyOf(chosenPart.part) }"
              >
                <td>
                  <PlainButton
                    class="name"
                    :aria-pressed="chosenPart !== null && row.key === keyOf(chosenPart.part)"
                    :aria-label="`${row.name}: show without it`"
                    @click="chosen = row.key"
                  >
                    <b>{{ row.name }}</b><span class="small muted">{{ row.note }}</span>
                  </PlainButton>
                </td>
                <td
                  v-for="cell in row.cells"
                  :key="cell.key"
                  class="c"
                  :title="`${cellWords(cell)}: ${cell.told ?? 'direction only'}`"
                >
                  <span v-if="numbers && cell.told" class="range"
                    >{{ cell.told.split(/ (?=[(p%N])/)[0]
                    }}<small>{{ /\((.*)\)/.exec(cell.told)?.[1] }}</small></span
                  ><span v-else class="arrow"
                    ><EffectArrow :step="cell.step" :kind="cell.kind" :side="side" /><span
                      class="sr"
                      >{{ cellWords(cell) }}</span
                    ></span
                  >
                </td>
              </tr>
            </tbody>
          </VTable>
          <p class="small muted foot">
            Inner heel and arch: points of the load. Heads: per cent of their peak. Turning: N·mm
            about the subtalar axis, outward +.
            {{
              Math.abs(answer.together) >= 50
                ? `Together the parts do ${twoDigits(answer.together)} N·mm other than the sum of each alone. `
                : ''
            }}Not told: heel lift, toes.
          </p>
        </div>
      </section>
      <MomentSolver v-if="!refused" :studio="studio" :estimates="estimates" :side="side" />
    </div>
    <div v-if="!numbers && !refused" class="stack">
      <section class="card grow paircard" aria-label="Pressure, estimate">
        <div class="card-head">
          <SideMark :side="side" /><b class="nowrap">Pressure, {{ side }}</b
          ><VSelect
            class="pick"
            density="compact"
            :items="LOAD_CHOICES"
            :model-value="estimates.load.value"
            aria-label="Load"
            @update:model-value="estimates.setLoad"
          /><span class="aside"><EstimateTag of="contact" :facts="estimates.facts(side)" /></span>
        </div>
        <div v-if="effects" class="pair">
          <figure>
            <figcaption>
              This device<span class="small at">{{ peak(effects.device) }}</span>
            </figcaption>
            <PressureMap
              :side="side"
              :picture="effects.device"
              :length-mm="effects.lengthMm"
              :outline="effects.outline"
              :heads="effects.heads"
              :height-mm="height"
              label="this device"
            />
          </figure>
          <figure v-if="other">
            <figcaption>
              <VSelect
                v-model="beside"
                class="beside"
                density="compact"
                :items="BESIDE"
                aria-label="Beside this device"
              /><span class="small at">{{ peak(other) }}</span>
            </figcaption>
            <PressureMap
              :side="side"
              :picture="other"
              :length-mm="effects.lengthMm"
              :outline="effects.outline"
              :heads="effects.heads"
              :height-mm="height"
              :label="besideWords"
            />
          </figure>
        </div>
        <p class="small muted foot">
          rings every 20 kPa, one hue, darker = more · figures in kPa, two digits · ring with cross:
          centre of pressure
        </p>
      </section>
      <section v-if="off" class="card estimate lines" :aria-label="`${besideWords}, estimate`">
        <p class="lead">
          <b>{{ besideWords }}, against this device</b> <span class="small it">estimate</span>
        </p>
        <dl>
          <template v-for="l in LINES" :key="l.name"
            ><dt>{{ l.name }}</dt>
            <dd>{{ l.words }}</dd></template
          >
        </dl>
      </section>
    </div>
  </div>
</template>

<style scoped>
.effects {
  grid-template-columns: minmax(0, 1.35fr) minmax(0, 1fr);
}
.controls {
  display: flex;
  gap: 8px;
  align-items: center;
  padding: 6px 8px;
  flex-wrap: wrap;
}
.pick {
  width: auto;
  flex: 1;
  min-width: 110px;
  font-size: 14px;
}
.tablecard,
.paircard {
  display: flex;
  flex-direction: column;
}
.paircard .card-head {
  padding: 6px 10px;
  align-items: center;
}
.said {
  margin: 12px;
  padding: 10px 14px;
}
.body {
  flex: 1;
}
.table th,
.table td {
  padding: 3px 3px;
}
.table th:first-child {
  padding-left: 10px;
  width: 34%;
}
.c {
  text-align: center;
}
.name {
  display: flex;
  flex-direction: column;
  text-align: left;
  min-height: 44px;
  justify-content: center;
  width: 100%;
  padding-left: 7px;
  line-height: 17px;
  border-left: 4px solid transparent;
}
.chosen {
  background: var(--wash);
}
.chosen .name {
  border-left-color: var(--spruce);
}
.chosen .muted {
  color: var(--ink);
}
.arrow {
  display: inline-flex;
}
.range {
  font-size: 13px;
  font-weight: 600;
  white-space: nowrap;
}
.range small {
  display: block;
  font-size: 11px;
  font-weight: 400;
  line-height: 13px;
}
.foot {
  padding: 4px 10px 8px;
}
.pair {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: 1fr 1fr;
  padding: 4px;
}
figure {
  margin: 0;
  display: flex;
  flex-direction: column;
  min-height: 0;
  align-items: center;
}
figure svg {
  flex: 1;
}
figcaption {
  font-weight: 600;
  font-size: 13px;
  text-align: center;
}
.at {
  display: block;
  font-weight: 400;
}
.beside {
  flex: none;
  width: 190px;
  font-size: 13px;
  --v-input-control-height: 28px;
}
.lines {
  flex: none;
  padding: 8px 12px;
}
.lead {
  display: flex;
  gap: 8px;
}
.it {
  font-style: italic;
  margin-left: auto;
}
dl {
  display: grid;
  grid-template-columns: 110px 1fr;
  margin: 4px 0 0;
  gap: 2px 8px;
  font-size: 13px;
}
dt {
  color: var(--ink);
}
dd {
  margin: 0;
}
.effects.numbers {
  grid-template-columns: minmax(0, 1fr);
}
.numbers .table th:first-child {
  width: 22%;
}
@media (max-width: 1179px) {
  .effects:not(.numbers) {
    grid-template-columns: minmax(0, 1.6fr) minmax(0, 1fr);
  }
}
</style>
