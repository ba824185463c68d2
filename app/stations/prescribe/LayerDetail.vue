<script setup lang="ts">
import { VCheckboxBtn, VSelect } from 'vuetify/components'
import { LAYERS } from '../../../core/kinds/layers/all'
import { computed } from 'vue'
import { isInsensate } from '../../../core/advice/contradictions'
import { unitBehind } from '../../../core/kinds/layers/amountRule'
import { amountOf } from '../../../core/kinds/layers/amount'
import { isChild } from '../../../core/measure/ageAtVisit'
import { REFERENCE_HEEL_MM, skiveSense } from '../../../core/device/sizeSense'
import { normsOf } from '../../../core/record/tables'
import type { Mark } from '../../../core/record/schema'
import { otherSide, SIDES, type Side } from '../../../core/tables/vocabulary'
import AmountStepper from '~/components/AmountStepper.vue'
import SideMark from '~/components/SideMark.vue'
import DraftField from '~/components/DraftField.vue'
import {
  doubleLayer,
  dropLayer,
  isSpot,
  layerAt,
  moveLayer,
  setLayer,
  type LayerRow,
} from './layerRows'
import type { useStudio } from './useStudio'
import { choicesOf, namedChoices } from '~/browser/choices'
import { plainCopy } from '~/browser/plainCopy'
import PlainButton from '~/components/PlainButton.vue'

/**
 * Everything of one layer: what it does and reaches, its presets, its other numbers, marks to put
 * it on, a name, a second one.
 */
const { studio, row } = defineProps<{ studio: ReturnType<typeof useStudio>; row: LayerRow }>()
const emit = defineEmits<{ up: []; down: [] }>()
const { fitting } = studio
const definition = computed(() => LAYERS.of(row.kind))
const layers = computed(
  () =>
    Object.fromEntries(SIDES.map((s) => [s, layerAt(studio.device(s), row)])) as Record<
      Side,
      ReturnType<typeof layerAt>
    >,
)
/** What this layer means for a child, and for a foot that may not feel. */
const heed = computed(() => {
  const { client, visit } = fitting.record
  const numb = SIDES.filter((side) => layers.value[side] && isInsensate(fitting.record, side))
  return [
    ...(isChild(client, visit?.on) ? [`A child: ${definition.value.child}`] : []),
    ...(numb.length ? [`May not feel (${numb.join(', ')}): ${definition.value.insensate}`] : []),
  ]
})
const sides = computed(() => SIDES.filter((s) => layers.value[s]))
const first = computed(() => definition.value.amounts[0])
const usual = (key: string, house: readonly [number, number]) =>
  normsOf(fitting.record).layerUsual[`${row.kind}.${key}`] ?? house
const value = (side: Side, key: string) =>
  layers.value[side] ? amountOf(layers.value[side]!, key) : null
const set = (side: Side, change: Record<string, unknown>, words: string) =>
  studio.keep(side, setLayer(row, change), words)
const both = (change: Record<string, unknown>, words: string) =>
  sides.value.forEach((s) => set(s, change, words))
const reached = (side: Side) => studio.shapes[side]?.layers.find((l) => l.index === row.index[side])
const words = computed(() =>
  sides.value
    .filter((s) => reached(s))
    .map((s) => {
      const { peakMm, askedMm, at } = reached(s)!
      const side = at && at.xMm >= 0 ? 'medial' : 'lateral'
      const where = at
        ? `, ${Math.abs(at.xMm).toFixed(0)} mm ${side}, ${at.yMm.toFixed(0)} from the heel`
        : ''
      return { side: s, text: `reaches ${peakMm.toFixed(1)} of ${askedMm.toFixed(1)} mm${where}` }
    }),
)
/** What the depth means on this heel, and the step that would mean what it says on a 65 mm heel. */
const sense = computed(() =>
  definition.value.phase !== 'skive'
    ? []
    : sides.value.flatMap((s) => {
        const heel = studio.shapes[s]?.heelWidthMm
        const depth = value(s, first.value.key)
        if (!heel || !depth) return []
        const { angleDeg } = skiveSense(depth, heel)
        const same = Math.round(((depth * heel) / REFERENCE_HEEL_MM) * 2) / 2
        const usual =
          same === depth
            ? ''
            : `; ${same} mm here does what ${depth} mm does on ${REFERENCE_HEEL_MM}`
        const text = `${angleDeg.toFixed(1)}° over a heel of ${heel.toFixed(0)} mm${usual}`
        return [{ side: s, text }]
      }),
)
const marks = (side: Side): Mark[] =>
  (fitting.record.feet[side]!.findings?.marks ?? []).filter((m) => m.view === 'plantar')
function flip(key: 'heads', side: Side, k: number) {
  const now = (layers.value[side] as unknown as { heads: number[] }).heads
  set(
    side,
    { [key]: now.includes(k) ? now.filter((x) => x !== k) : [...now, k].sort() },
    `relief heads ${side}`,
  )
}
const has = (key: string) => sides.value.some((s) => key in layers.value[s]!)
const is = (key: string) =>
  sides.value.some((s) => (layers.value[s] as unknown as Record<string, unknown>)[key] === true)
/** Words chosen beside its numbers, from a list or from the shop's materials. */
const choices = computed(() =>
  (definition.value.choices ?? []).map(({ key, label, of }) => ({
    key,
    label,
    items:
      of === 'materials'
        ? namedChoices([...fitting.norms.shellMaterials, ...fitting.norms.coverMaterials])
        : choicesOf(of, (word) => word),
    value: (layers.value[sides.value[0]!] as unknown as Record<string, string> | undefined)?.[key],
  })),
)
/** What one foot has and the other may not: on, off, taken off, put on, earlier or later. */
const feet = computed(() =>
  SIDES.map((side) => ({ side, layer: layers.value[side], on: layers.value[side]?.on ?? false })),
)
const switchOn = (side: Side, on: boolean) =>
  set(side, { on }, `${definition.value.name.toLowerCase()} ${on ? 'on' : 'off'} ${side}`)
const putOn = (side: Side) => {
  const like = layers.value[otherSide(side)]
  set(
    side,
    { ...plainCopy(like ?? {}), on: true },
    `${definition.value.name.toLowerCase()} ${side}`,
  )
}
const takeOff = (side: Side) =>
  studio.keep(side, dropLayer(row), `no ${definition.value.name.toLowerCase()} ${side}`)
const shift = (side: Side, by: 1 | -1) =>
  studio.keep(side, moveLayer(row, by), `order of layers ${side}`)
const between = computed(() =>
  (layers.value[sides.value[0]!] as unknown as { between?: number[] })?.between?.join('–'),
)
const BETWEEN = ['1–2', '2–3', '3–4', '4–5']
</script>

<template>
  <div class="detail">
    <p class="small">
      {{ definition.does }}.
      <template v-for="w in words" :key="w.side"
        ><SideMark :side="w.side" /> {{ w.text }}
      </template>
    </p>
    <p v-for="note in heed" :key="note" class="small watch-text">▲ {{ note }}</p>
    <p v-if="sense.length" class="small">
      <template v-for="w in sense" :key="w.side"
        ><SideMark :side="w.side" /> {{ w.text }}
      </template>
    </p>
    <div class="line">
      <span class="small muted2"
        >usual {{ usual(first.key, first.usual).join(' – ') }}{{ unitBehind(first.unit) }}</span
      >
      <PlainButton
        v-for="p in first.presets"
        :key="p"
        class="chip"
        :disabled="fitting.readOnly"
        @click="both({ [first.key]: p }, `${definition.name.toLowerCase()} ${p}`)"
      >
        {{ p }}{{ unitBehind(first.unit) }}
      </PlainButton>
      <template v-if="row.kind === 'archFill'"
        ><PlainButton
          v-for="l in ['minimum', 'standard', 'full'] as const"
          :key="l"
          class="chip"
          :disabled="fitting.readOnly"
          @click="both({ level: l, amountMm: undefined }, `arch fill ${l}`)"
        >
          {{ l }}
        </PlainButton></template
      >
      <label v-if="has('through')" class="chip"
        ><VCheckboxBtn
          :model-value="is('through')"
          :disabled="fitting.readOnly"
          @update:model-value="both({ through: !is('through') }, 'through')"
        />
        cut through</label
      >
      <label v-if="has('rigid')" class="chip"
        ><VCheckboxBtn
          :model-value="is('rigid')"
          :disabled="fitting.readOnly"
          @update:model-value="both({ rigid: !is('rigid') }, 'rigid')"
        />
        rigid</label
      >
      <label v-if="has('between')" class="chip"
        >between
        <VSelect
          class="between"
          density="compact"
          :items="BETWEEN"
          :model-value="between"
          :disabled="fitting.readOnly"
          aria-label="Between which heads"
          @update:model-value="
            (heads: string) => both({ between: heads.split('–').map(Number) }, 'between')
          "
      /></label>
      <label v-for="choice in choices" :key="choice.key" class="chip"
        >{{ choice.label }}
        <VSelect
          class="choice"
          density="compact"
          :items="choice.items"
          :model-value="choice.value"
          :disabled="fitting.readOnly"
          :aria-label="`${definition.name}: ${choice.key}`"
          @update:model-value="(word: string) => both({ [choice.key]: word }, choice.key)"
      /></label>
    </div>
    <div class="feet">
      <div v-for="foot in feet" :key="foot.side" class="line">
        <SideMark :side="foot.side" word />
        <template v-if="foot.layer">
          <label class="chip"
            ><VCheckboxBtn
              :model-value="foot.on"
              :disabled="fitting.readOnly"
              @update:model-value="switchOn(foot.side, !foot.on)"
            />
            on</label
          >
          <PlainButton
            class="chip"
            :disabled="fitting.readOnly"
            :aria-label="`Earlier on the ${foot.side} foot`"
            @click="shift(foot.side, -1)"
          >
            ▲
          </PlainButton>
          <PlainButton
            class="chip"
            :disabled="fitting.readOnly"
            :aria-label="`Later on the ${foot.side} foot`"
            @click="shift(foot.side, 1)"
          >
            ▼
          </PlainButton>
          <PlainButton
            class="chip"
            :disabled="fitting.readOnly"
            :aria-label="`Take off the ${foot.side} foot`"
            @click="takeOff(foot.side)"
          >
            take off
          </PlainButton>
        </template>
        <PlainButton v-else class="chip" :disabled="fitting.readOnly" @click="putOn(foot.side)">
          put on too
        </PlainButton>
      </div>
    </div>
    <div v-for="rule in definition.amounts.slice(1)" :key="rule.key" class="grid">
      <span class="small"
        >{{ rule.label }}
        <span class="muted2">{{ usual(rule.key, rule.usual).join(' – ') }}</span></span
      >
      <AmountStepper
        v-for="side in SIDES"
        :key="side"
        :value="value(side, rule.key)"
        :unit="rule.unit"
        :step="rule.step"
        :min="rule.range[0]"
        :max="rule.range[1]"
        :start="rule.fallback"
        :label="`${side} ${definition.name} ${rule.label}`"
        :disabled="fitting.readOnly || !layers[side]"
        @draft="(v: number) => studio.show(side, setLayer(row, { [rule.key]: v }))"
        @keep="(v: number) => set(side, { [rule.key]: v }, `${rule.label} ${v}`)"
      />
    </div>
    <div v-if="has('heads')" class="grid">
      <span class="small">under which heads</span
      ><span v-for="side in SIDES" :key="side" class="heads"
        ><PlainButton
          v-for="k in 5"
          :key="k"
          class="chip"
          :disabled="fitting.readOnly || !layers[side]"
          :aria-pressed="
            (layers[side] as { heads?: number[] } | undefined)?.heads?.includes(k) ?? false
          "
          :aria-label="`${side} head ${k}`"
          @click="flip('heads', side, k)"
        >
          {{ k }}
        </PlainButton></span
      >
    </div>
    <template v-if="sides.some((s) => isSpot(layers[s]))">
      <div v-for="side in sides" :key="side" class="line">
        <SideMark :side="side" word /><span v-if="marks(side).length === 0" class="small muted2"
          >no plantar marks in Examine; drag the ring on the foot</span
        >
        <PlainButton
          v-for="(m, i) in marks(side)"
          :key="i"
          class="chip"
          :disabled="fitting.readOnly"
          @click="
            set(
              side,
              {
                xMm: m.xMm,
                yMm: m.yMm,
                ...(m.sizeMm && {
                  radiusMm: Math.min(40, Math.max(8, Math.round(m.sizeMm / 2 + 4))),
                }),
              },
              `${m.kind} ${side}`,
            )
          "
        >
          {{ m.kind }}, {{ m.yMm.toFixed(0) }} mm
        </PlainButton>
      </div>
    </template>
    <div class="line acts">
      <DraftField
        :value="layers[sides[0]!]?.name ?? ''"
        aria-label="Name of this layer"
        placeholder="a name of its own"
        :disabled="fitting.readOnly"
        @keep="(v: string) => both({ name: v.trim() || undefined }, 'name')"
      />
      <PlainButton class="chip" :disabled="fitting.readOnly" @click="emit('up')">▲ up</PlainButton
      ><PlainButton class="chip" :disabled="fitting.readOnly" @click="emit('down')"
        >▼ down</PlainButton
      >
      <PlainButton
        class="chip"
        :disabled="fitting.readOnly"
        @click="
          sides.forEach((s) =>
            studio.keep(s, doubleLayer(row), `second ${definition.name.toLowerCase()}`),
          )
        "
      >
        duplicate
      </PlainButton>
      <PlainButton
        class="chip"
        :disabled="fitting.readOnly"
        @click="
          sides.forEach((s) =>
            studio.keep(s, dropLayer(row), `no ${definition.name.toLowerCase()}`),
          )
        "
      >
        remove
      </PlainButton>
    </div>
  </div>
</template>

<style scoped>
.detail {
  padding: 0 8px 8px 30px;
  display: flex;
  flex-direction: column;
  gap: 5px;
}
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
}
.grid {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 146px 146px;
  gap: 6px;
  align-items: center;
}
.feet {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 6px;
}
.choice {
  min-width: 130px;
}
.heads {
  display: flex;
  gap: 2px;
}
.heads .chip {
  padding: 0;
  flex: 1;
  min-width: 0;
}
.chip {
  min-height: 36px;
  padding: 0 9px;
  border: 1px solid var(--line-strong);
  border-radius: 4px;
  background: var(--sheet);
  font-size: 13px;
  display: inline-flex;
  gap: 6px;
  align-items: center;
  justify-content: center;
}
.chip[aria-pressed='true'] {
  background: var(--spruce);
  color: #fff;
}
.chip:disabled {
  color: var(--muted);
}
.muted2 {
  color: #4f5d5a;
}
.plain {
  border: 0;
  background: transparent;
  font: inherit;
}
.acts :deep(input) {
  height: 36px;
  width: 150px;
}
@media (max-width: 1179px) {
  .grid {
    grid-template-columns: minmax(0, 1fr) 132px 132px;
  }
}
</style>
