<script setup lang="ts">
import { computed, ref } from 'vue'
import { computableKinds, layerDefinition } from '../../../core/device/layers/registry'
import { COVER_MATERIALS, SHELL_MATERIALS } from '../../../core/device/materials'
import { postHeightMm, skiveSense } from '../../../core/device/sizeSense'
import { bestMean } from '../../../core/measure/reading'
import type { LayerKind } from '../../../core/record/layerSchema'
import type { Device } from '../../../core/record/schema'
import { DEVICE_KINDS, SIDES, type DeviceKind, type Side } from '../../../core/record/vocabulary'
import AmountStepper from '~/components/AmountStepper.vue'
import SideMark from '~/components/SideMark.vue'
import { layerAmount, layerEdit, postEdit, type useStudio } from './useStudio'

/** Layers from the foot down, left and right amounts side by side. */
const { studio } = defineProps<{ studio: ReturnType<typeof useStudio> }>()
const { fitting } = studio
const extra = ref<LayerKind[]>([])

interface Row {
  name: string
  note: (side: Side) => string
  unit: string
  step: number
  min: number
  max: number
  start: number
  value: (d: Device) => number | null
  edit: (v: number) => (d: Device) => Device
  beside?: (side: Side, v: number) => string
}
const BASE: readonly LayerKind[] = ['archFill', 'metPad', 'medialSkive']
const shellEdit = (v: number) => (d: Device): Device => ({ ...d, shell: { ...d.shell, thicknessMm: v } })
const heel = (side: Side) => bestMean(fitting.record.feet[side]!, 'heelWidthMm', 'standing')

function layerRows(kind: LayerKind): Row[] {
  const definition = layerDefinition(kind)
  if (!definition) return []
  return definition.amounts.filter((rule, i) => i === 0 || SIDES.some((s) => layerAmount(studio.device(s), kind, rule.key) !== null)).map((rule, i) => ({
    name: i === 0 ? definition.name : `   ${rule.label}`,
    note: () => (i === 0 ? definition.where : `${definition.name.toLowerCase()}`),
    unit: rule.unit,
    step: rule.step,
    min: 0,
    max: 40,
    start: rule.fallback,
    value: (d) => layerAmount(d, kind, rule.key),
    edit: (v) => layerEdit(kind, rule.key, v),
    ...(definition.phase === 'skive' && i === 0 && { beside: (side: Side, v: number) => (heel(side) ? `as ${skiveSense(v, heel(side)!).asOnReferenceMm.toFixed(1)} on 65` : '') }),
  }))
}
const rows = computed<Row[]>(() => [
  { name: 'Cover', note: () => 'top · foam', unit: 'mm', step: 0.5, min: 0, max: 20, start: 2, value: (d) => d.shell.cover.thicknessMm, edit: (v) => (d) => ({ ...d, shell: { ...d.shell, cover: { ...d.shell.cover, thicknessMm: v } } }) },
  ...[...new Set([...BASE, ...studio.kinds.value, ...extra.value])].flatMap(layerRows),
  { name: 'Rearfoot post', note: () => 'below · + varus, tilts out', unit: '°', step: 1, min: -45, max: 45, start: 2, value: (d) => d.posts.find((p) => p.at === 'rearfoot')?.angleDeg ?? null, edit: (v) => postEdit({ angleDeg: v }), beside: (side, v) => (heel(side) ? `${postHeightMm(v, heel(side)!).toFixed(1)} mm` : '') },
  { name: 'Shell', note: () => 'body · thickness', unit: 'mm', step: 0.5, min: 0.5, max: 20, start: 4, value: (d) => d.shell.thicknessMm, edit: shellEdit },
  { name: 'Heel cup', note: () => 'outline · depth', unit: 'mm', step: 1, min: 0, max: 40, start: 14, value: (d) => d.outline.heelCupMm, edit: (v) => (d) => ({ ...d, outline: { ...d.outline, heelCupMm: v } }) },
])
const KIND_WORDS: Record<DeviceKind, string> = { none: 'none', 'trim-to-fit': 'trim-to-fit', 'heat-moulded': 'heat-moulded', 'full-custom': 'full custom' }
const style = computed(() => SIDES.map((s) => studio.device(s).posts.find((p) => p.at === 'rearfoot')?.style).find(Boolean) ?? 'extrinsic')
const otherStyle = computed(() => (style.value === 'extrinsic' ? 'intrinsic' : 'extrinsic'))
function flipStyle() {
  const to = otherStyle.value
  for (const side of SIDES) if (studio.device(side).posts.some((p) => p.at === 'rearfoot')) studio.keep(side, postEdit({ style: to }), `${to} post`)
}
const addable = computed(() => computableKinds().filter((d) => !BASE.includes(d.kind) && !studio.kinds.value.includes(d.kind) && !extra.value.includes(d.kind)))
function add(event: Event) {
  const select = event.target as HTMLSelectElement
  if (select.value) {
    extra.value.push(select.value as LayerKind)
    studio.addLayer(select.value as LayerKind)
  }
  select.value = ''
}
const both = (edit: (d: Device) => Device, words: string) => SIDES.forEach((s) => studio.keep(s, edit, words))
</script>

<template>
  <section class="card table" aria-label="Device">
    <div class="row head"><span class="bold">Layers, foot down</span>
      <label v-for="side in SIDES" :key="side" class="kind"><SideMark :side="side" /><select class="field" :value="studio.device(side).kind" :disabled="fitting.readOnly" :aria-label="`${side} kind of device`" @change="studio.keep(side, (d) => ({ ...d, kind: ($event.target as HTMLSelectElement).value as DeviceKind }), 'kind')"><option v-for="k in DEVICE_KINDS" :key="k" :value="k">{{ KIND_WORDS[k] }}</option></select></label>
    </div>
    <div class="scroll body">
      <div v-for="row in rows" :key="row.name" class="row">
        <span class="what"><b>{{ row.name }}</b><button v-if="row.name === 'Rearfoot post'" class="note swap" :disabled="fitting.readOnly" :title="`change to ${otherStyle}`" @click="flipStyle">{{ style }} ⇄</button><span v-else class="note">{{ row.note('left') }}</span></span>
        <AmountStepper
          v-for="side in SIDES" :key="side" :value="row.value(studio.device(side))" :unit="row.unit" :step="row.step" :min="row.min" :max="row.max" :start="row.start" :label="`${side} ${row.name.trim()}`" :disabled="fitting.readOnly"
          :beside="row.beside && row.value(studio.device(side)) !== null ? row.beside(side, row.value(studio.device(side))!) : ''" @draft="(v: number) => studio.show(side, row.edit(v))" @keep="(v: number) => studio.keep(side, row.edit(v), `${row.name.trim().toLowerCase()} ${v}`)"
        />
      </div>
    </div>
    <div class="row last">
        <select class="field" aria-label="Add a layer" :disabled="fitting.readOnly || addable.length === 0" @change="add"><option value="">Add a layer …</option><option v-for="d in addable" :key="d.kind" :value="d.kind">{{ d.name }}: {{ d.does }}</option></select>
        <select class="field" aria-label="Shell material, both feet" :disabled="fitting.readOnly" :value="studio.device('left').shell.material" @change="both((d) => ({ ...d, shell: { ...d.shell, material: ($event.target as HTMLSelectElement).value } }), 'material')"><option v-for="m in SHELL_MATERIALS" :key="m.id" :value="m.id">{{ m.name }}</option></select>
        <select class="field" aria-label="Cover, both feet" :disabled="fitting.readOnly" :value="`${studio.device('left').outline.cover}/${studio.device('left').shell.cover.material}`" @change="both((d) => { const [cover, material] = ($event.target as HTMLSelectElement).value.split('/') as ['full', string]; return { ...d, outline: { ...d.outline, cover }, shell: { ...d.shell, cover: { ...d.shell.cover, material } } } }, 'cover')">
          <template v-for="m in COVER_MATERIALS" :key="m.id"><option v-for="c in (['full', 'sulcus', 'shell'] as const)" :key="c" :value="`${c}/${m.id}`">{{ m.name }}, {{ c === 'full' ? 'full length' : c === 'sulcus' ? 'to the sulcus' : 'shell only' }}</option></template>
        </select>
      </div>
  </section>
</template>

<style scoped>
.table { display: flex; flex-direction: column; }
.row { display: grid; grid-template-columns: minmax(0, 1fr) 162px 162px; gap: 8px; align-items: center; padding: 2px 10px; border-bottom: 1px solid var(--hairline); }
.kind { display: flex; align-items: center; gap: 6px; min-width: 0; }
.row.last { border-bottom: 0; border-top: 1px solid var(--hairline); padding-top: 4px; padding-bottom: 4px; }
.body { flex: 1; padding-bottom: 4px; }
.what { line-height: 17px; min-width: 0; white-space: pre-wrap; }
.note { display: block; font-size: 12px; color: var(--muted); }
.swap { text-decoration: underline dotted; min-height: 24px; color: var(--spruce); font-weight: 600; }
select.field { font-size: 14px; padding: 0 6px; height: 40px; }
@media (max-width: 1179px) { .row { grid-template-columns: minmax(0, 1fr) 146px 146px; } }
</style>
