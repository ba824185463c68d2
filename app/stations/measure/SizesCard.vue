<script setup lang="ts">
import { VTable } from 'vuetify/components'
import { computed, ref, watch } from 'vue'
import { measureRecord } from '../../../core/measure/measureRecord'
import { normsOf } from '../../../core/record/tables'
import { sizeFamilyFor, ukWords, usChildWords, type SizeFamily } from '../../../core/measure/sizes'
import { bestMean, meanOfReading } from '../../../core/measure/reading'
import { DEVICE_KINDS, SIDES, type Side } from '../../../core/tables/vocabulary'
import SideMark from '~/components/SideMark.vue'
import { useFitting } from '~/stores/fitting'
import { useOwnNorms } from '~/stores/ownNorms'
import PlainButton from '~/components/PlainButton.vue'
import PaneTabs from '~/components/PaneTabs.vue'

/**
 * What the readings come to: sizes with the millimetres and the allowance behind them, lengths on
 * each support, shape region by region.
 */
const fitting = useFitting()
type Pane = 'sizes' | 'lengths' | 'shape'
const pane = ref<Pane>('sizes')
const PANES: [Pane, string][] = [
  ['sizes', 'Sizes'],
  ['lengths', 'Length'],
  ['shape', 'Shape'],
]
const norms = computed(() => normsOf(fitting.record))
const own = useOwnNorms()
// Beside the table, not in its way: without an answer the shape is told without it.
watch(pane, (shown) => {
  if (shown === 'shape') own.load().catch(() => undefined)
})
const chosen = ref<SizeFamily | null>(null)
const family = computed<SizeFamily>(
  () => chosen.value ?? sizeFamilyFor(fitting.record.story?.activity),
)
const allowance = computed(() => norms.value.allowanceMm[family.value])
const feet = computed(() => measureRecord(fitting.record, allowance.value).feet)
const foot = (side: Side) => fitting.record.feet[side]!
const length = (side: Side) => bestMean(foot(side), 'footLengthMm', 'standing')
const width = (side: Side) => bestMean(foot(side), 'forefootWidthMm', 'standing')
const half = (v: number) => `${Math.floor(v)}${v % 1 ? '½' : ''}`
const words = (text: string) => (text.startsWith('child') ? text : half(Number(text)))
const isChildSize = (side: Side) => ukWords(length(side)!, allowance.value).startsWith('child')
const KINDS = {
  none: 'bare',
  'trim-to-fit': 'trim-to-fit',
  'heat-moulded': 'heat-moulded',
  'full-custom': 'full custom',
} as const
const WIDTHS = {
  narrow: 'narrow',
  medium: 'medium',
  wide: 'wide',
  extraWide: 'extra wide',
} as const
type Girth = 'waistGirthMm' | 'heelInstepGirthMm' | 'ankleGirthMm'
const share = (side: Side, what: Girth | 'forefootWidthMm') => {
  const [g, l] = [bestMean(foot(side), what, 'standing'), length(side)]
  return g !== undefined && l !== undefined ? g / l : null
}
/** A share of the length with its class, and where it lies among the shop's own clients. */
function girth(side: Side, what: Girth, name: string | undefined): string | null {
  const value = share(side, what)
  if (value === null) return null
  return [name, `${value.toFixed(3)} of length`, among100(side, what)].filter(Boolean).join(', ')
}
function among100(side: Side, what: Girth | 'forefootWidthMm'): string | null {
  const value = share(side, what)
  return value === null
    ? null
    : own.words({ what, share: value, lengthMm: length(side)!, child: isGrowing.value })
}
/** A child's foot among children of its age: how many of a hundred are below it, by whose table. */
const among = (side: Side, what: 'footLength' | 'forefootWidth') => {
  const value = feet.value[side]?.child?.[what]
  return value ? `${value.percentile} of 100, usual ${value.usualMm.toFixed(0)} mm` : null
}
const CHILD_ROWS = [
  { name: 'Length for age, own table', of: (s: Side) => among(s, 'footLength') },
  { name: 'Width for it, own table', of: (s: Side) => among(s, 'forefootWidth') },
]
const isGrowing = computed(() => SIDES.some((s) => feet.value[s]?.child))
const regions = computed(() =>
  isGrowing.value ? [...CHILD_ROWS, ...rows.filter((r) => r.name !== 'Forefoot width')] : rows,
)
const rows = [
  {
    name: 'Forefoot width',
    of: (s: Side) => {
      const c = feet.value[s]?.classes?.forefootWidth
      if (!c) return null
      const delta = `${c.deltaMm > 0 ? '+' : '−'}${Math.abs(c.deltaMm).toFixed(1)} mm`
      return [WIDTHS[c.class], delta, among100(s, 'forefootWidthMm')].filter(Boolean).join(', ')
    },
  },
  {
    name: 'Waist',
    of: (s: Side) => girth(s, 'waistGirthMm', feet.value[s]?.classes?.midfootVolume),
  },
  {
    name: 'Heel and instep',
    of: (s: Side) => girth(s, 'heelInstepGirthMm', feet.value[s]?.classes?.heelInstep),
  },
  { name: 'Ankle', of: (s: Side) => girth(s, 'ankleGirthMm', feet.value[s]?.classes?.ankle) },
  {
    name: 'Arch index',
    of: (s: Side) => {
      const a = feet.value[s]?.arch
      return a?.ahiStanding
        ? `${a.class ? `${a.class}, ` : ''}${a.ahiStanding.toFixed(3)}${a.ahiSitting ? ` (sitting ${a.ahiSitting.toFixed(3)})` : ''}`
        : null
    },
  },
  {
    name: 'Arch stiffness',
    of: (s: Side) => {
      const a = feet.value[s]?.arch.stiffnessNPerUnit
      return a === undefined
        ? null
        : a === null
          ? 'stiffer than can be measured'
          : `${Math.round(a)} N per unit`
    },
  },
  {
    name: 'Footprint arch index',
    of: (s: Side) => {
      const print = feet.value[s]?.footprint
      return print
        ? `${print.archClass ? `${print.archClass}, ` : ''}${print.archIndex.toFixed(2)}`
        : null
    },
  },
  {
    name: 'Navicular drop',
    of: (s: Side) => {
      const a = feet.value[s]?.arch
      return a?.navicularDropMm === undefined
        ? null
        : [a.navicularDropClass, `${a.navicularDropMm.toFixed(1)} mm`, `from ${a.navicularDropBy}`]
            .filter(Boolean)
            .join(', ')
    },
  },
]
</script>

<template>
  <section class="card sizes" aria-label="Sizes and classes">
    <div class="tabs">
      <PaneTabs v-model="pane" :panes="PANES" label="What the readings come to" :height="30" />
      <span v-if="pane === 'sizes'" class="end small"
        ><span class="muted">allowance {{ allowance }} mm for</span>
        <PlainButton
          v-for="f in ['boots', 'shoes'] as const"
          :key="f"
          class="tab fam"
          :aria-pressed="family === f"
          @click="chosen = f"
        >
          {{ f }}
        </PlainButton></span
      >
      <span v-else-if="pane === 'lengths'" class="end small muted"
        >on a device: house assumption</span
      >
      <span v-else class="end small muted">limits: table {{ norms.version }}</span>
    </div>
    <VTable v-if="pane === 'sizes'" class="table">
      <thead>
        <tr>
          <th>Size</th>
          <th>Foot, mm</th>
          <th>Mondo</th>
          <th>EU</th>
          <th>UK</th>
          <th>US men</th>
          <th>US women</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="side in SIDES" :key="side">
          <td><SideMark :side="side" word /></td>
          <template v-if="feet[side]?.sizes">
            <td class="bold">
              {{ length(side)!.toFixed(1)
              }}<template v-if="width(side)"> / {{ width(side)!.toFixed(1) }}</template>
            </td>
            <td class="bold">{{ feet[side]!.sizes!.rounded.mondo.toFixed(1) }}</td>
            <td class="bold">{{ half(feet[side]!.sizes!.rounded.eu) }}</td>
            <td class="bold">{{ words(ukWords(length(side)!, allowance)) }}</td>
            <td v-if="isChildSize(side)" class="bold" colspan="2">
              {{ words(usChildWords(length(side)!, allowance, norms.usChildOverUk)) }}
            </td>
            <template v-else
              ><td class="bold">{{ half(feet[side]!.sizes!.rounded.usMen) }}</td>
              <td class="bold">{{ half(feet[side]!.sizes!.rounded.usWomen) }}</td></template
            >
          </template>
          <td v-else colspan="6" class="muted">Take the foot length to see sizes</td>
        </tr>
      </tbody>
    </VTable>
    <VTable v-else-if="pane === 'lengths'" class="table">
      <thead>
        <tr>
          <th>Length, mm</th>
          <th>Sitting</th>
          <th>Standing</th>
          <th>Grows</th>
          <th v-for="k in DEVICE_KINDS.slice(1)" :key="k">On {{ KINDS[k] }}</th>
          <th>By arch</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="side in SIDES" :key="side">
          <td><SideMark :side="side" word /></td>
          <td>{{ meanOfReading(foot(side), 'footLengthMm', 'sitting')?.toFixed(1) ?? '–' }}</td>
          <td class="bold">
            {{ meanOfReading(foot(side), 'footLengthMm', 'standing')?.toFixed(1) ?? '–' }}
          </td>
          <td>{{ feet[side]?.growthMm === undefined ? '–' : feet[side]!.growthMm!.toFixed(1) }}</td>
          <td v-for="k in DEVICE_KINDS.slice(1)" :key="k" class="bold">
            {{ feet[side]?.supportedLengthMm?.[k].toFixed(1) ?? '–' }}
          </td>
          <td :class="{ 'watch-text bold': feet[side]?.sizeBy === 'archLength' }">
            {{ feet[side]?.archSizeLengthMm?.toFixed(1) ?? '–' }}
          </td>
        </tr>
      </tbody>
    </VTable>
    <div v-else class="scroll regions">
      <VTable class="table">
        <thead>
          <tr>
            <th>Region</th>
            <th v-for="side in SIDES" :key="side"><SideMark :side="side" word /></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="r in regions" :key="r.name">
            <td class="muted">{{ r.name }}</td>
            <td v-for="side in SIDES" :key="side">{{ r.of(side) ?? 'not taken' }}</td>
          </tr>
        </tbody>
      </VTable>
    </div>
    <template v-if="pane !== 'shape'">
      <div v-for="side in SIDES" :key="side" class="words">
        <SideMark :side="side" />
        <span
          ><b>{{ feet[side]?.words }}</b>
          <span v-if="feet[side]?.sizeBy === 'archLength'" class="watch-text bold">
            · size by arch length ({{ feet[side]!.archSizeLengthMm!.toFixed(0) }} mm)</span
          >
          <template v-if="(feet[side]?.leads?.secondToeMm ?? 0) >= 3">
            · second toe leads by {{ feet[side]!.leads!.secondToeMm!.toFixed(0) }} mm</template
          >
          <template v-if="(feet[side]?.leads?.secondMetMm ?? 0) >= 3">
            · second met leads by {{ feet[side]!.leads!.secondMetMm!.toFixed(0) }} mm</template
          ></span
        >
      </div>
    </template>
  </section>
</template>

<style scoped>
.sizes {
  padding: 2px 8px 6px;
  display: flex;
  flex-direction: column;
}
.tabs {
  display: flex;
  align-items: center;
  gap: 4px;
  border-bottom: 1px solid var(--hairline);
  min-height: 34px;
}
.tab {
  min-height: 30px;
  padding: 0 10px;
  border-radius: 4px;
  font-size: 13px;
  color: var(--muted);
}
.tab[aria-selected='true'],
.tab[aria-pressed='true'] {
  background: var(--wash);
  color: var(--ink);
  font-weight: 700;
}
.end {
  margin-left: auto;
  display: flex;
  align-items: center;
  gap: 2px;
}
.fam {
  padding: 0 6px;
  font-size: 12.5px;
}
.table th,
.table td {
  padding: 3px 6px;
  white-space: nowrap;
}
.table th {
  font-size: 12px;
}
.regions {
  max-height: 132px;
}
.regions td {
  font-size: 13px;
  padding: 1px 6px;
}
.words {
  padding: 2px 6px 0;
  display: flex;
  gap: 6px;
  font-size: 13px;
  line-height: 17px;
}
</style>
