<script setup lang="ts">
import { computed, ref } from 'vue'
import { VBtn, VBtnToggle } from 'vuetify/components'
import { MARK_KINDS, MARK_VIEWS, SIDES, type Side } from '../../../core/tables/vocabulary'
import type { Mark } from '../../../core/kinds/findings/markSchema'
import { parseNumber } from '../../../core/measure/parseNumber'
import DraftField from '~/components/DraftField.vue'
import SideMark from '~/components/SideMark.vue'
import { useFitting } from '~/stores/fitting'
import SpotMap, { type Spot } from '~/drawing/SpotMap.vue'
import { useChanges } from '~/stores/changes'
import PlainButton from '~/components/PlainButton.vue'

/** Bony points, lumps, callus and the like on four maps, with size and tenderness. */
const emit = defineEmits<{ trouble: [string] }>()
const fitting = useFitting()
const changes = useChanges()
const view = ref<(typeof MARK_VIEWS)[number]>('plantar')
const kind = ref<Mark['kind']>('callus')
const at = ref<{ side: Side; index: number } | null>(null)
const WORDS: Record<Mark['kind'], string> = {
  callus: 'Callus',
  bonyPoint: 'Bony point',
  lump: 'Lump',
  corn: 'Corn',
  wound: 'Wound',
  nail: 'Nail',
  tender: 'Tender',
  numb: 'Numb',
}
const VIEWS = { plantar: 'Sole', dorsal: 'Top', medial: 'Inner', lateral: 'Outer' }
const list = (side: Side) => fitting.record.feet[side]!.findings?.marks ?? []
const all = computed(() =>
  SIDES.flatMap((side) => list(side).map((mark, index) => ({ side, mark, index }))),
)
const GLYPHS: Record<Mark['kind'], string> = {
  callus: 'C',
  bonyPoint: 'B',
  lump: 'L',
  corn: 'K',
  wound: 'W',
  nail: 'N',
  tender: 'T',
  numb: '0',
}
const spots = computed(() =>
  all.value
    .filter(({ mark }) => mark.view === view.value)
    .map(({ side, mark, index }): Spot => ({
      side,
      index,
      xMm: mark.xMm,
      yMm: mark.yMm,
      sizeMm: mark.sizeMm ?? 10,
      glyph: GLYPHS[mark.kind],
      words: `${mark.kind} on the ${side} foot, tenderness ${mark.tenderness ?? 'not asked'}`,
      bad: mark.kind === 'wound',
    })),
)
const store = (side: Side, marks: Mark[], words: string) =>
  emit(
    'trouble',
    changes.put(`findings.${side}`, { ...fitting.record.feet[side]!.findings, marks }, words) ?? '',
  )
function place(side: Side, xMm: number, yMm: number) {
  if (fitting.readOnly) return
  if (Math.abs(xMm) > 150 || yMm < -20 || yMm > 420) return
  store(
    side,
    [...list(side), { kind: kind.value, view: view.value, xMm, yMm, sizeMm: 12 }],
    `${WORDS[kind.value].toLowerCase()}, ${side}`,
  )
  at.value = { side, index: list(side).length - 1 }
}
const change = (side: Side, index: number, patch: Partial<Mark>) =>
  store(
    side,
    list(side).map((m, i) => (i === index ? { ...m, ...patch } : m)),
    `mark, ${side}`,
  )
interface MarkAmount {
  key: 'sizeMm' | 'proudMm' | 'tenderness'
  words: string
  label: string
  unit: string
  most: number
}
const amountsOf = ({ kind }: Mark): MarkAmount[] => {
  const name = WORDS[kind]
  const proud = kind === 'bonyPoint' || kind === 'lump'
  return [
    { key: 'sizeMm', words: 'size', label: `Size of ${name}, mm`, unit: 'mm', most: 120 },
    ...(proud
      ? [
          {
            key: 'proudMm' as const,
            words: 'stands out',
            label: `How far ${name} stands out, mm`,
            unit: 'mm',
            most: 30,
          },
        ]
      : []),
    {
      key: 'tenderness',
      words: 'hurts',
      label: `Tenderness of ${name}, 0 to 10`,
      unit: '/10',
      most: 10,
    },
  ]
}
/** An amount out of its range is said, not bent into it; an empty one is taken off. */
function setAmount(side: Side, index: number, { key, label, most }: MarkAmount, text: string) {
  if (text.trim() === '') return change(side, index, { [key]: undefined })
  const value = parseNumber(text)
  if (value === null || value < 0 || value > most)
    return emit(
      'trouble',
      `${label}: “${text}” is not a number from 0 to ${most}. Nothing was kept.`,
    )
  change(side, index, { [key]: value })
}
function drop(side: Side, index: number) {
  store(
    side,
    list(side).filter((_, i) => i !== index),
    `mark taken off, ${side}`,
  )
  at.value = null
}
function choose(side: Side, index: number) {
  at.value = { side, index }
  view.value = list(side)[index]!.view
}
</script>

<template>
  <section class="card marks">
    <div class="tools">
      <VBtnToggle v-model="view" mandatory role="group" aria-label="Side of the foot"
        ><VBtn v-for="v in MARK_VIEWS" :key="v" :value="v">{{ VIEWS[v] }}</VBtn></VBtnToggle
      >
      <span class="kinds" role="group" aria-label="Kind of mark"
        ><PlainButton
          v-for="k in MARK_KINDS"
          :key="k"
          class="kind"
          :class="{ stop: k === 'wound' }"
          :aria-pressed="kind === k"
          @click="kind = k"
        >
          {{ WORDS[k] }}
        </PlainButton></span
      >
    </div>
    <div class="two">
      <SpotMap noun="marks" :view="view" :spots="spots" :at="at" @place="place" @choose="choose" />
      <ul class="scroll list">
        <li v-if="all.length === 0" class="muted none">Choose a kind, then tap the place.</li>
        <li
          v-for="{ side, mark, index } in all"
          :key="`${side}${index}`"
          :class="{ on: at?.side === side && at.index === index }"
        >
          <PlainButton class="what" @click="choose(side, index)">
            <SideMark :side="side" /><b>{{ WORDS[mark.kind] }}</b
            ><span class="muted small"
              >{{ VIEWS[mark.view].toLowerCase() }}, {{ mark.yMm.toFixed(0) }} mm from the
              heel</span
            >
          </PlainButton>
          <label v-for="amount in amountsOf(mark)" :key="amount.key" class="small"
            >{{ amount.words
            }}<DraftField
              class="mini"
              density="compact"
              inputmode="decimal"
              :value="mark[amount.key]"
              :disabled="fitting.readOnly"
              :aria-label="amount.label"
              @keep="(text: string) => setAmount(side, index, amount, text)"
            />{{ amount.unit }}</label
          >
          <PlainButton
            class="x"
            :disabled="fitting.readOnly"
            :aria-label="`Take off ${WORDS[mark.kind]} ${side}`"
            @click="drop(side, index)"
          >
            ×
          </PlainButton>
        </li>
      </ul>
    </div>
  </section>
</template>

<style scoped>
.marks {
  display: flex;
  flex-direction: column;
  min-height: 0;
  flex: 1;
}
.tools {
  display: flex;
  gap: 10px;
  padding: 8px 12px;
  border-bottom: 1px solid var(--hairline);
  flex-wrap: wrap;
  align-items: center;
}
.kinds {
  display: flex;
  gap: 4px;
  flex-wrap: wrap;
}
.kind {
  min-height: 40px;
  padding: 0 9px;
  border: 1px solid var(--line-strong);
  border-radius: 4px;
  font-size: 13px;
  background: var(--sheet);
}
.kind[aria-pressed='true'] {
  background: var(--wash);
  border-color: var(--spruce);
  font-weight: 700;
}
.kind.stop[aria-pressed='true'] {
  background: var(--stop-tint);
  border-color: var(--stop);
}
.two {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 400px);
  flex: 1;
  min-height: 0;
}
.list {
  border-left: 1px solid var(--hairline);
}
.list li {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 8px;
  padding: 6px 12px;
  border-bottom: 1px solid var(--hairline);
}
.list .on {
  background: var(--wash);
}
.what {
  flex: 1 1 104px;
  min-width: 0;
  display: flex;
  align-items: center;
  gap: 6px;
  flex-wrap: wrap;
}
.small {
  display: flex;
  align-items: center;
  gap: 3px;
}
.mini {
  width: 50px;
  font-size: 14px;
  text-align: center;
}
.x {
  width: 28px;
  height: 36px;
  font-size: 20px;
  text-align: center;
}
.none {
  color: var(--muted);
}
</style>
