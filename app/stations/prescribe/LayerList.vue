<script setup lang="ts">
import { LAYERS, type LayerKind } from '../../../core/kinds/layers/all'
import Sortable from 'sortablejs'
import { onBeforeUnmount, onMounted, ref } from 'vue'
import { VAutocomplete, VCheckboxBtn, VSelect } from 'vuetify/components'
import { amountOf, mainRule } from '../../../core/kinds/layers/amount'
import { skiveSense } from '../../../core/device/sizeSense'
import { soleParameters } from '../../../core/device/soleParameters'
import { SIDES, type Side } from '../../../core/tables/vocabulary'
import AmountStepper from '~/components/AmountStepper.vue'
import SideMark from '~/components/SideMark.vue'
import LayerDetail from './LayerDetail.vue'
import { layerAt, orderLayers, rowName, setLayer, type LayerRow } from './layerRows'
import type { useStudio } from './useStudio'
import PlainButton from '~/components/PlainButton.vue'

/** Layers from the foot down, left and right side by side; the chosen one shows all its numbers. */
const { studio } = defineProps<{ studio: ReturnType<typeof useStudio> }>()
const { fitting, rows, chosen } = studio
const list = ref<HTMLElement | null>(null)
let sortable: Sortable | null = null
onMounted(() => {
  if (!list.value) return
  sortable = Sortable.create(list.value, {
    handle: '.grip',
    animation: 120,
    disabled: fitting.readOnly,
    onEnd({ oldIndex, newIndex, item, from }) {
      if (oldIndex === undefined || newIndex === undefined || oldIndex === newIndex) return
      // The list is drawn from the devices: put the row back and let the new order move it.
      from.removeChild(item)
      from.insertBefore(item, from.children[oldIndex] ?? null)
      move(oldIndex, newIndex)
    },
  })
})
onBeforeUnmount(() => sortable?.destroy())
function move(from: number, to: number) {
  const keys = rows.value.map((r) => r.key)
  if (to < 0 || to >= keys.length) return
  keys.splice(to, 0, ...keys.splice(from, 1))
  studio.keepBoth(orderLayers(keys), 'order of layers')
}
const layer = (row: LayerRow, side: Side) => layerAt(studio.device(side), row)
const forefootDeg = (side: Side) =>
  soleParameters(fitting.record.feet[side]!, fitting.norms)?.parameters.forefootDeg ?? 0
const value = (row: LayerRow, side: Side) => {
  const there = layer(row, side)
  return there ? amountOf(there, mainRule(there).key, forefootDeg(side)) : null
}
const rule = (row: LayerRow) => LAYERS.of(row.kind).amounts[0]
const reached = (row: LayerRow, side: Side) =>
  studio.shapes[side]?.layers.find((l) => l.index === row.index[side])
function beside(row: LayerRow, side: Side): string {
  const there = layer(row, side)
  if (!there) return ''
  if (!there.on) return 'off'
  const heel = soleParameters(fitting.record.feet[side]!, fitting.norms)?.parameters.heelWidthMm
  if (LAYERS.of(row.kind).phase === 'skive' && heel) {
    return `as ${skiveSense(value(row, side)!, heel).asOnReferenceMm.toFixed(1)} on 65`
  }
  return rule(row).unit === '°' ? `${(reached(row, side)?.peakMm ?? 0).toFixed(1)} mm across` : ''
}
const isOn = (row: LayerRow) => SIDES.some((s) => layer(row, s)?.on)
function toggle(row: LayerRow) {
  const on = !isOn(row)
  for (const side of SIDES)
    if (layer(row, side)) studio.keep(side, setLayer(row, { on }), on ? 'layer on' : 'layer off')
}
/** on which feet the next layer is added */
const addedTo = ref<Side | 'both'>('both')
const ADDED_TO = ['both', ...SIDES]
/** how many were added: the field begins anew with each */
const added = ref(0)
const explained = ({ does }: { does: string }) => ({ subtitle: does })
function add(kind: LayerKind | null) {
  if (!kind) return
  studio.addLayer(kind, addedTo.value === 'both' ? SIDES : [addedTo.value])
  added.value++
}
const because = (row: LayerRow) => SIDES.map((s) => layer(row, s)?.because).find(Boolean)
function key(event: KeyboardEvent, i: number) {
  if (!event.altKey || (event.key !== 'ArrowUp' && event.key !== 'ArrowDown')) return
  event.preventDefault()
  move(i, i + (event.key === 'ArrowUp' ? -1 : 1))
}
const kinds = [...LAYERS.all]
</script>

<template>
  <div class="layers">
    <div class="head">
      <span class="bold">Layers, foot down</span><SideMark side="left" word /><SideMark
        side="right"
        word
      />
    </div>
    <div ref="list" class="scroll body">
      <div
        v-for="(row, i) in rows"
        :key="row.key"
        class="item"
        :class="{ chosen: chosen === row.key, off: !isOn(row) }"
        @keydown="key($event, i)"
      >
        <div class="row">
          <PlainButton
            class="grip"
            :disabled="fitting.readOnly"
            :aria-label="`Move ${rowName(row, layer(row, 'left'), layer(row, 'right'))}: drag, or Alt with arrow up and down`"
          >
            ⋮⋮
          </PlainButton>
          <VCheckboxBtn
            :model-value="isOn(row)"
            :disabled="fitting.readOnly"
            :aria-label="`${rowName(row, layer(row, 'left'), layer(row, 'right'))} on`"
            @update:model-value="toggle(row)"
          />
          <PlainButton
            class="what"
            :aria-expanded="chosen === row.key"
            @click="chosen = chosen === row.key ? null : row.key"
          >
            <b>{{ rowName(row, layer(row, 'left'), layer(row, 'right')) }}</b>
            <span class="note"
              >{{ LAYERS.of(row.kind).where
              }}<template v-if="because(row)">
                · <span class="why" :title="`from Why: ${because(row)}`">why</span></template
              ></span
            >
          </PlainButton>
          <AmountStepper
            v-for="side in SIDES"
            :key="side"
            :value="value(row, side)"
            :unit="rule(row).unit"
            :step="rule(row).step"
            :min="rule(row).range[0]"
            :max="rule(row).range[1]"
            :start="rule(row).fallback || rule(row).step"
            :label="`${side} ${LAYERS.of(row.kind).name}`"
            :disabled="fitting.readOnly"
            :beside="beside(row, side)"
            @draft="(v: number) => studio.show(side, setLayer(row, { [rule(row).key]: v }))"
            @keep="
              (v: number) =>
                studio.keep(
                  side,
                  setLayer(row, { [rule(row).key]: v, on: true }),
                  `${LAYERS.of(row.kind).name.toLowerCase()} ${v}`,
                )
            "
          />
        </div>
        <LayerDetail
          v-if="chosen === row.key"
          :studio="studio"
          :row="row"
          @up="move(i, i - 1)"
          @down="move(i, i + 1)"
        />
      </div>
      <p v-if="rows.length === 0" class="empty muted">
        No layers yet. Start from a school, a preset or the last device, or add one here.
      </p>
    </div>
    <div class="foot">
      <VAutocomplete
        :key="added"
        label="Add a layer"
        :items="kinds"
        item-title="name"
        item-value="kind"
        :item-props="explained"
        :disabled="fitting.readOnly"
        @update:model-value="add"
      />
      <VSelect v-model="addedTo" label="on" :items="ADDED_TO" :disabled="fitting.readOnly" />
    </div>
  </div>
</template>

<style scoped>
.layers {
  display: flex;
  flex-direction: column;
  min-height: 0;
  height: 100%;
}
.head,
.row {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 146px 146px;
  gap: 6px;
  align-items: center;
  padding: 4px 8px;
  border-bottom: 1px solid var(--hairline);
}
.row {
  grid-template-columns: 26px 24px minmax(0, 1fr) 146px 146px;
  border-bottom: 0;
  padding: 1px 8px 1px 2px;
}
.item {
  border-bottom: 1px solid var(--hairline);
  border-left: 4px solid transparent;
  background: var(--sheet);
}
.item.chosen {
  background: var(--wash);
  border-left-color: var(--spruce);
}
.item.off .what {
  opacity: 0.62;
}
.body {
  flex: 1;
  min-height: 0;
}
.grip {
  cursor: grab;
  color: var(--muted);
  font-size: 15px;
  letter-spacing: -2px;
  min-height: 44px;
  touch-action: none;
}
.what {
  text-align: left;
  line-height: 17px;
  min-width: 0;
  min-height: 44px;
}
.note {
  display: block;
  font-size: 12px;
  color: var(--muted);
}
.chosen .note {
  color: var(--ink);
}
.why {
  text-decoration: underline dotted;
}
.foot {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 96px;
  gap: 6px;
  padding: 3px 8px;
  border-top: 1px solid var(--hairline);
}
.empty {
  padding: 14px;
}
/* Eight layers at once beside a mouse; fingers keep their size. */
@media (pointer: fine) and (min-width: 1180px) {
  .head {
    grid-template-columns: minmax(0, 1fr) 132px 132px;
  }
  .row {
    grid-template-columns: 26px 24px minmax(0, 1fr) 132px 132px;
    padding-top: 0;
    padding-bottom: 0;
  }
  .row :deep(.stepper) {
    grid-template-columns: 33px 1fr 33px;
    height: 35px;
  }
  .row :deep(.stepper small) {
    font-size: 11px;
    line-height: 12px;
  }
  .row :deep(.stepper input) {
    line-height: 17px;
  }
  .row .what,
  .row .grip {
    min-height: 36px;
  }
  .row .what b,
  .row .note {
    display: block;
    line-height: 16px;
    white-space: nowrap;
    overflow: hidden;
    text-overflow: ellipsis;
  }
  .foot :deep(.v-field) {
    --v-input-control-height: 38px;
  }
}
@media (max-width: 1179px) {
  .row {
    grid-template-columns: 24px 22px minmax(0, 1fr) 132px 132px;
  }
  .head {
    grid-template-columns: minmax(0, 1fr) 132px 132px;
  }
}
</style>
