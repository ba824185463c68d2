<script setup lang="ts">
import { plainCopy } from '~/browser/plainCopy'
import { LAYERS } from '../../core/kinds/layers/all'
import { computed, ref } from 'vue'
import { VBtn, VSelect, VTable, VTextField } from 'vuetify/components'
import { youngFromShoreA } from '../../core/mechanics/shoreHardness'
import { NO_COVER, SHELL_MAKINGS, type ShellMaterial } from '../../core/tables/materials'
import { BLANK_KINDS, USUAL_MOULDS, type Blank } from '../../core/tables/blanks'
import { parseNumber } from '../../core/measure/parseNumber'
import { HOUSE_TABLES, TABLES, type ShopTables } from '../../core/record/tables'
import { idOf } from '../../core/record/idOf'
import { toldNumber } from '~/browser/toldNumber'
import DraftField from '~/components/DraftField.vue'
import PlainButton from '~/components/PlainButton.vue'
import PaneTabs from '~/components/PaneTabs.vue'

/**
 * Shell materials, usual limits of layers and blanks of the shop, as part of the table fittings are
 * judged by.
 */
const { draft, may } = defineProps<{ draft: ShopTables; may: boolean }>()
const emit = defineEmits<{ change: [Partial<ShopTables>]; trouble: [string] }>()
const pane = ref<(typeof PANES)[number][0]>('materials')
function copy<T>(v: T): T {
  return plainCopy(v) as T
}

/** The typed number within limits; anything else is said and not kept. */
const number = toldNumber((trouble) => emit('trouble', trouble))
type Cell = {
  key: string
  name: string
  low: number
  high: number
  get: (m: ShellMaterial) => number | null
  set: (m: ShellMaterial, v: number) => ShellMaterial
}
const CELLS: Cell[] = [
  {
    key: 'e',
    name: 'E, MPa',
    low: 0.1,
    high: 200_000,
    get: (m) => m.youngMPa,
    set: (m, v) => ({ ...m, youngMPa: v }),
  },
  {
    key: 'd',
    name: 'g/cm³',
    low: 0.02,
    high: 12,
    get: (m) => m.densityGPerCm3,
    set: (m, v) => ({ ...m, densityGPerCm3: v }),
  },
  {
    key: 'nu',
    name: 'Poisson',
    low: 0,
    high: 0.49,
    get: (m) => m.poisson,
    set: (m, v) => ({ ...m, poisson: v }),
  },
  {
    key: 'limit',
    name: 'limit, MPa',
    low: 0.1,
    high: 5000,
    get: (m) => m.limitMPa,
    set: (m, v) => ({ ...m, limitMPa: v }),
  },
  {
    key: 'low',
    name: 'usual from, mm',
    low: 0.3,
    high: 30,
    get: (m) => m.usualMm[0],
    set: (m, v) => ({ ...m, usualMm: [v, Math.max(m.usualMm[1], v + 0.1)] }),
  },
  {
    key: 'high',
    name: 'to, mm',
    low: 0.4,
    high: 30,
    get: (m) => m.usualMm[1],
    set: (m, v) => ({ ...m, usualMm: [Math.min(m.usualMm[0], v - 0.1), v] }),
  },
  {
    key: 'least',
    name: 'never under, mm',
    low: 0.2,
    high: 20,
    get: (m) => m.leastMm,
    set: (m, v) => ({ ...m, leastMm: v }),
  },
  {
    key: 'mould',
    name: 'moulded from, °C',
    low: 20,
    high: 400,
    get: (m) => m.mouldC?.[0] ?? null,
    set: (m, v) => ({ ...m, mouldC: [v, Math.max(m.mouldC?.[1] ?? v + 10, v + 1)] }),
  },
  {
    key: 'most',
    name: 'to, °C',
    low: 21,
    high: 420,
    get: (m) => m.mouldC?.[1] ?? null,
    set: (m, v) => ({ ...m, mouldC: [Math.min(m.mouldC?.[0] ?? v - 10, v - 1), v] }),
  },
]
const put = (i: number, next: ShellMaterial) =>
  emit('change', { shellMaterials: draft.shellMaterials.map((m, k) => (k === i ? next : m)) })
function cell(i: number, c: Cell, text: string) {
  const value = number(text, `${draft.shellMaterials[i]!.name} ${c.name}`, c.low, c.high)
  if (value !== undefined) put(i, c.set(copy(draft.shellMaterials[i]!), value))
}
const name = ref('')
function addMaterial() {
  const id = idOf(name.value)
  if (!id || draft.shellMaterials.some((m) => m.id === id))
    return emit(
      'trouble',
      `There is a material of this name already, or the name has no letters: “${name.value}”.`,
    )
  emit('change', {
    shellMaterials: [
      ...draft.shellMaterials,
      {
        id,
        name: name.value.trim(),
        densityGPerCm3: 1,
        youngMPa: 1000,
        usualMm: [3, 5],
        rigid: true,
        mouldC: null,
        poisson: 0.38,
        limitMPa: null,
        making: 'pressed',
        leastMm: 1.5,
        state: 'own assumption',
      },
    ],
  })
  name.value = ''
}
function shore(i: number, text: string) {
  const value = parseNumber(text)
  try {
    if (value === null) throw new RangeError(`“${text}” is not a number`)
    put(i, {
      ...copy(draft.shellMaterials[i]!),
      youngMPa: Number(youngFromShoreA(value).toFixed(2)),
      rigid: false,
      state: 'Gent 1958, ÷2…×2',
    })
    emit('trouble', '')
  } catch (error) {
    emit(
      'trouble',
      `${(error as Error).message}. Other Shore scales cannot be turned into a modulus here.`,
    )
  }
}
/** The table that the open tab is about. */
const TABLE_OF = {
  materials: 'shellMaterials',
  covers: 'coverMaterials',
  layers: 'layerUsual',
  blanks: 'blanks',
} as const
const layers = computed(() =>
  LAYERS.all.flatMap((d) =>
    d.amounts.map((rule) => ({
      key: `${d.kind}.${rule.key}`,
      name: d.name,
      label: rule.label,
      unit: rule.unit,
      house: rule.usual,
      own: draft.layerUsual[`${d.kind}.${rule.key}`],
    })),
  ),
)
function limit(row: (typeof layers.value)[number], which: 0 | 1, text: string) {
  const value = number(text, `${row.name} ${row.label}`, -400, 400)
  if (value === undefined) return
  const next = [...(row.own ?? row.house)] as [number, number]
  next[which] = value
  if (!(next[0] < next[1]))
    return emit('trouble', `${row.name} ${row.label}: the lower limit must be below the upper one.`)
  const same = next[0] === row.house[0] && next[1] === row.house[1]
  const { [row.key]: _, ...others } = draft.layerUsual
  emit('change', { layerUsual: same ? others : { ...others, [row.key]: next } })
}
const BLANK_CELLS = [
  ['sizeMm', 'size', 100, 400],
  ['archLengthMm', 'arch length', 60, 300],
  ['archHeightMm', 'arch height', 5, 45],
  ['heelWidthMm', 'heel width', 30, 110],
  ['cupMm', 'cup', 4, 30],
  ['thicknessMm', 'thickness', 0.5, 20],
] as const
/** How far heat moves a blank towards a foot, at its arch and at the wall of its cup. */
const MOULD_CELLS = [
  ['archUpMm', 'heat: arch up', 20],
  ['archDownMm', 'heat: arch down', 20],
  ['wallMm', 'heat: cup wall', 10],
] as const
function blank(
  i: number,
  key: (typeof BLANK_CELLS)[number][0],
  text: string,
  low: number,
  high: number,
) {
  const value = number(text, `${draft.blanks[i]!.name} ${draft.blanks[i]!.sizeMm}`, low, high)
  if (value !== undefined) changeBlank(i, { [key]: value })
}
function moulds(i: number, [key, words, high]: (typeof MOULD_CELLS)[number], text: string) {
  const { name, sizeMm, moulds: now = USUAL_MOULDS } = draft.blanks[i]!
  const value = number(text, `${name} ${sizeMm} ${words}`, 0, high)
  if (value !== undefined) changeBlank(i, { moulds: { ...now, [key]: value } })
}
/** One that heat moves begins with what the usual one gives. */
const changeBlankKind = (i: number, kind: Blank['kind']) =>
  changeBlank(i, { kind, moulds: kind === 'heat-moulded' ? USUAL_MOULDS : undefined })
const addBlank = () =>
  emit('change', {
    blanks: [
      ...draft.blanks,
      {
        ...copy(draft.blanks.at(-1) ?? (HOUSE_TABLES.blanks[0] as Blank)),
        id: 'own',
        name: 'Own line',
        state: 'measured here',
      },
    ],
  })
const changeBlank = (i: number, part: Partial<Blank>) =>
  emit('change', { blanks: draft.blanks.map((b, k) => (k === i ? { ...b, ...part } : b)) })
/** A blank is known by its line: a new name is a new line. */
function nameBlank(i: number, text: string) {
  const name = text.trim().slice(0, 60)
  const id = idOf(name)
  if (name) changeBlank(i, { name, ...(id && { id }) })
}
/** A cover is known by its id; its name may change. */
const nameCover = (id: string, text: string) =>
  text.trim() &&
  emit('change', {
    coverMaterials: draft.coverMaterials.map((m) =>
      m.id === id ? { ...m, name: text.trim() } : m,
    ),
  })
/** How much of it is lost in the end, as typed in per cent. */
function packCover(id: string, text: string) {
  const percent = parseNumber(text)
  if (percent === null || percent < 0 || percent > 90)
    return emit('trouble', `“${text}” is no share of a cover’s thickness, 0 to 90 %.`)
  const packOut = percent / 100
  emit('change', {
    coverMaterials: draft.coverMaterials.map((m) => (m.id === id ? { ...m, packOut } : m)),
  })
}
const removeCover = (id: string) =>
  emit('change', { coverMaterials: draft.coverMaterials.filter((m) => m.id !== id) })
function addCover() {
  const id = idOf(name.value)
  if (!id || draft.coverMaterials.some((m) => m.id === id))
    return emit(
      'trouble',
      `There is a cover of this name already, or the name has no letters: “${name.value}”.`,
    )
  // The cover that is none stays last, as in the menu.
  const others = draft.coverMaterials.filter((m) => m.id !== NO_COVER)
  const none = draft.coverMaterials.filter((m) => m.id === NO_COVER)
  const cover = { id, name: name.value.trim(), packOut: 0 }
  emit('change', { coverMaterials: [...others, cover, ...none] })
  name.value = ''
}
const PANES = [
  ['materials', 'Shell materials'],
  ['covers', 'Covers'],
  ['layers', 'Limits of layers'],
  ['blanks', 'Blanks'],
] as const
</script>

<template>
  <div class="tables">
    <div class="line">
      <PaneTabs
        v-model="pane"
        :panes="PANES"
        label="Tables of devices"
        look="box"
        :height="36"
      /><span class="small muted">{{ TABLES[TABLE_OF[pane]].source }}</span>
    </div>
    <VTable v-if="pane === 'materials'" class="table">
      <thead>
        <tr>
          <th>Material</th>
          <th v-for="c in CELLS" :key="c.key">{{ c.name }}</th>
          <th>from Shore A</th>
          <th>made</th>
          <th>State</th>
          <th />
        </tr>
      </thead>
      <tbody>
        <tr v-for="(m, i) in draft.shellMaterials" :key="m.id">
          <td>
            <b>{{ m.name }}</b>
          </td>
          <td v-for="c in CELLS" :key="c.key">
            <DraftField
              class="num"
              inputmode="decimal"
              :value="c.get(m) ?? ''"
              :disabled="!may"
              :aria-label="`${m.name} ${c.name}`"
              @keep="(t: string) => cell(i, c, t)"
            />
          </td>
          <td>
            <DraftField
              v-if="!m.rigid"
              class="num"
              inputmode="decimal"
              value=""
              placeholder="20–80"
              :disabled="!may"
              :aria-label="`${m.name} from Shore A`"
              @keep="(t: string) => shore(i, t)"
            />
          </td>
          <td>
            <VSelect
              :model-value="m.making"
              :items="SHELL_MAKINGS"
              :disabled="!may"
              :aria-label="`${m.name} is usually`"
              @update:model-value="(making) => put(i, { ...copy(m), making })"
            />
          </td>
          <td class="small muted">{{ m.state }}</td>
          <td>
            <PlainButton
              class="pick"
              :disabled="!may || draft.shellMaterials.length === 1"
              :aria-label="`Remove ${m.name}`"
              @click="
                emit('change', { shellMaterials: draft.shellMaterials.filter((_, k) => k !== i) })
              "
            >
              remove
            </PlainButton>
          </td>
        </tr>
      </tbody>
    </VTable>
    <form v-if="pane === 'materials'" class="line" @submit.prevent="addMaterial">
      <VTextField
        v-model="name"
        class="short"
        maxlength="60"
        aria-label="Name of a new material"
        placeholder="a new material"
        :disabled="!may"
      /><VBtn type="submit" :disabled="!may || !name.trim()">Add material</VBtn>
    </form>
    <VTable v-if="pane === 'covers'" class="table">
      <thead>
        <tr>
          <th>Cover</th>
          <th>packs out in the end, %</th>
          <th />
        </tr>
      </thead>
      <tbody>
        <tr v-for="m in draft.coverMaterials" :key="m.id">
          <td>
            <DraftField
              class="short"
              maxlength="60"
              :value="m.name"
              :disabled="!may"
              :aria-label="`Name of cover ${m.name}`"
              @keep="nameCover(m.id, $event)"
            />
          </td>
          <td>
            <DraftField
              class="num"
              inputmode="decimal"
              :value="Math.round(m.packOut * 100)"
              :disabled="!may || m.id === NO_COVER"
              :aria-label="`${m.name} packs out, per cent`"
              @keep="packCover(m.id, $event)"
            />
          </td>
          <td>
            <PlainButton
              v-if="m.id !== NO_COVER"
              class="pick"
              :disabled="!may"
              :aria-label="`Remove ${m.name}`"
              @click="removeCover(m.id)"
            >
              remove
            </PlainButton>
          </td>
        </tr>
      </tbody>
    </VTable>
    <form v-if="pane === 'covers'" class="line" @submit.prevent="addCover">
      <VTextField
        v-model="name"
        class="short"
        maxlength="60"
        aria-label="Name of a new cover"
        placeholder="a new cover"
        :disabled="!may"
      /><VBtn type="submit" :disabled="!may || !name.trim()">Add cover</VBtn>
    </form>
    <VTable v-if="pane === 'layers'" class="table">
      <thead>
        <tr>
          <th>Layer</th>
          <th>Amount</th>
          <th>Usual from</th>
          <th>to</th>
          <th>House</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in layers" :key="row.key">
          <td>
            <b>{{ row.name }}</b>
          </td>
          <td>{{ row.label }}, {{ row.unit }}</td>
          <td v-for="w in [0, 1] as const" :key="w">
            <DraftField
              class="num"
              :class="{ own: row.own }"
              inputmode="decimal"
              :value="(row.own ?? row.house)[w]"
              :disabled="!may"
              :aria-label="`${row.name} ${row.label} usual ${w === 0 ? 'from' : 'to'}`"
              @keep="(t: string) => limit(row, w, t)"
            />
          </td>
          <td class="muted small">{{ row.house.join(' – ') }} · workshop practice</td>
        </tr>
      </tbody>
    </VTable>
    <VTable v-if="pane === 'blanks'" class="table">
      <thead>
        <tr>
          <th>Line</th>
          <th>Kind</th>
          <th>Material</th>
          <th v-for="[key, words] in BLANK_CELLS" :key="key">{{ words }}, mm</th>
          <th v-for="[key, words] in MOULD_CELLS" :key="key">{{ words }}, mm</th>
          <th>State</th>
          <th />
        </tr>
      </thead>
      <tbody>
        <tr v-for="(b, i) in draft.blanks" :key="i">
          <td>
            <DraftField
              class="wide"
              :value="b.name"
              :disabled="!may"
              :aria-label="`Name of blank ${i + 1}`"
              @keep="(t: string) => nameBlank(i, t)"
            />
          </td>
          <td>
            <VSelect
              class="kind"
              density="compact"
              :items="BLANK_KINDS"
              :model-value="b.kind"
              :disabled="!may"
              :aria-label="`Kind of blank ${i + 1}`"
              @update:model-value="(kind: Blank['kind']) => changeBlankKind(i, kind)"
            />
          </td>
          <td>
            <VSelect
              class="kind"
              density="compact"
              :items="draft.shellMaterials"
              item-title="name"
              item-value="id"
              :model-value="b.material"
              :disabled="!may"
              :aria-label="`Material of blank ${i + 1}`"
              @update:model-value="(material: string) => changeBlank(i, { material })"
            />
          </td>
          <td v-for="[key, words, low, high] in BLANK_CELLS" :key="key">
            <DraftField
              class="num"
              inputmode="decimal"
              :value="b[key]"
              :disabled="!may"
              :aria-label="`${b.name} ${b.sizeMm} ${words}`"
              @keep="(t: string) => blank(i, key, t, low, high)"
            />
          </td>
          <td v-for="part in MOULD_CELLS" :key="part[0]">
            <DraftField
              v-if="b.moulds"
              class="num"
              inputmode="decimal"
              :value="b.moulds[part[0]]"
              :disabled="!may"
              :aria-label="`${b.name} ${b.sizeMm} ${part[1]}`"
              @keep="(t: string) => moulds(i, part, t)"
            />
          </td>
          <td class="small muted">{{ b.state }}</td>
          <td>
            <PlainButton
              class="pick"
              :disabled="!may"
              :aria-label="`Remove ${b.name} ${b.sizeMm}`"
              @click="emit('change', { blanks: draft.blanks.filter((_, k) => k !== i) })"
            >
              remove
            </PlainButton>
          </td>
        </tr>
      </tbody>
    </VTable>
    <div v-if="pane === 'blanks'" class="line">
      <VBtn :disabled="!may" @click="addBlank">Add a blank</VBtn>
    </div>
  </div>
</template>

<style scoped src="./tables.css"></style>

<style scoped>
.num {
  width: 66px;
}
.wide {
  width: 130px;
}
.kind {
  width: 130px;
  --v-input-control-height: 36px;
  --field-pad: 4px;
  font-size: 14px;
}
.short {
  width: 220px;
}
th {
  font-size: 12px;
}
</style>
