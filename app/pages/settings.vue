<script setup lang="ts">
import { plainCopy } from '~/browser/plainCopy'
import { READINGS, READING_KINDS } from '../../core/kinds/readings/all'
import { format } from 'date-fns'
import { computed, onMounted, ref } from 'vue'
import { VBtn, VTable, VTextarea } from 'vuetify/components'
import { CHECK_TABLE } from '../../core/tables/captureChecks'
import { HOUSE_TABLES, TABLES, type ShopTables, type TableKey } from '../../core/record/tables'
import { parseNumber } from '../../core/measure/callOut'
import { api } from '~/browser/api'
import { useSession } from '~/stores/session'
import AppHeader from '~/components/AppHeader.vue'
import BenchTablesPane from '~/components/BenchTablesPane.vue'
import DeviceTablesPane from '~/components/DeviceTablesPane.vue'
import FootwearTablesPane from '~/components/FootwearTablesPane.vue'
import PriceTablePane from '~/components/PriceTablePane.vue'
import DraftField from '~/components/DraftField.vue'
import RepeatabilityPane from '~/components/RepeatabilityPane.vue'
import PaneTabs from '~/components/PaneTabs.vue'

/**
 * House rules: the table fittings are judged by, in versions, with sources; and how well readings
 * repeat here.
 */
const session = useSession()
const pane = ref<'limits' | 'readings' | 'devices' | 'footwear' | 'bench' | 'prices' | 'repeat'>(
  'limits',
)
const versions = ref<{ norms: ShopTables; madeBy: string | null; madeAt: string }[]>([])
const draft = ref<ShopTables>(copy(HOUSE_TABLES))
const changed = ref(false)
const trouble = ref('')
const done = ref('')
function copy<T>(v: T): T {
  return plainCopy(v) as T
}
const current = computed(() => versions.value[0]?.norms ?? HOUSE_TABLES)
const source = ref('')
function take(part: Partial<ShopTables>) {
  draft.value = { ...draft.value, ...copy(part) }
  changed.value = true
}
async function load() {
  versions.value = (await api<{ versions: typeof versions.value }>('norms')).versions
  draft.value = copy(current.value)
  changed.value = false
  source.value = ''
}
onMounted(() => load().catch((error: Error) => (trouble.value = error.message)))
const may = computed(() => session.may('norms.change'))

const CHECK_NAMES: Record<string, string> = Object.fromEntries(
  CHECK_TABLE.map((c) => [c.code, c.name]),
)
/** Every number of the table that is not one per reading, as rows with one to three fields. */
type Key = TableKey
const SIMPLE: Key[] = [
  'sideGapMm',
  'widthPerLength',
  'forefootDeltaMm',
  'waistShare',
  'heelInstepShare',
  'ankleShare',
  'archShare',
  'archSizeMm',
  'supportShare',
  'growthCapMm',
  'allowanceMm',
  'usChildOverUk',
  'archHeightStanding',
  'alignmentRepeatDeg',
  'rangeRepeatDeg',
  'captureLimit',
  'gapFilledMm2',
  'standingRiseShare',
  'alignmentChangeDeg',
  'painChange',
  'comfortChange',
  'pushMostNmm',
  'comfortGiveMm',
  'activityFactor',
]
const cells = (key: Key): { at: string | number | null; label: string; value: number }[] => {
  const value = draft.value[key] as number | number[] | Record<string, number>
  if (typeof value === 'number') return [{ at: null, label: '', value }]
  if (Array.isArray(value)) return value.map((v, i) => ({ at: i, label: '', value: v }))
  return Object.entries(value).map(([at, v]) => ({ at, label: CHECK_NAMES[at] ?? at, value: v }))
}
/** The typed number, or undefined after saying that it is none. */
function numberOf(text: string, name: string): number | undefined {
  const value = parseNumber(text)
  trouble.value = value === null ? `${name}: “${text}” is not a number. Nothing was changed.` : ''
  changed.value ||= value !== null
  return value ?? undefined
}
function set(key: Key, at: string | number | null, text: string) {
  const value = numberOf(text, TABLES[key].name)
  if (value === undefined) return
  if (at === null) draft.value = { ...draft.value, [key]: value }
  else {
    const next = copy(draft.value[key]) as Record<string | number, number>
    next[at] = value
    draft.value = { ...draft.value, [key]: next }
  }
}
function setReading(
  what: (typeof READING_KINDS)[number],
  which: 'low' | 'high' | 'repeat' | 'mean' | 'sd',
  text: string,
) {
  const value = numberOf(text, READINGS.of(what).name)
  if (value === undefined) return
  const next = copy(draft.value)
  if (which === 'repeat') next.repeatLimitMm[what] = value
  else if (which === 'low' || which === 'high')
    next.hardBoundsMm[what][which === 'low' ? 0 : 1] = value
  else
    next.ratioToLength[what] = {
      ...(next.ratioToLength[what] ?? { mean: 0, sd: 0.05 }),
      [which]: value,
    }
  draft.value = next
}
async function save() {
  try {
    const { norms } = await api<{ norms: ShopTables }>('norms', 'POST', {
      basedOn: current.value.version,
      norms: { ...draft.value, source: source.value },
    })
    await load()
    done.value = `Table ${norms.version} holds for fittings opened from now on. Older fittings keep theirs.`
    trouble.value = ''
  } catch (error) {
    trouble.value = (error as Error).message
  }
}
const differs = (key: Key, at: string | number | null, value: number) => {
  const house = HOUSE_TABLES[key] as unknown
  return value !== (at === null ? house : (house as Record<string | number, number>)[at])
}
const PANES = [
  ['limits', 'Limits and classes'],
  ['readings', 'Bounds of readings'],
  ['devices', 'Devices'],
  ['footwear', 'Footwear'],
  ['bench', 'Bench'],
  ['prices', 'Prices'],
  ['repeat', 'Repeatability'],
] as const
</script>

<template>
  <div class="frame plain">
    <AppHeader title="Settings" fact="house rules" />
    <main class="main">
      <div class="title-row">
        <h1>Settings</h1>
        <span class="fact">table {{ current.version }}: {{ current.source }}</span>
        <PaneTabs v-model="pane" :panes="PANES" label="Settings" look="box" />
      </div>
      <p v-if="trouble" class="notice stop" role="alert">{{ trouble }}</p>
      <p v-else-if="done" class="notice" role="status">{{ done }}</p>
      <RepeatabilityPane v-if="pane === 'repeat'" />
      <div v-else class="cols sets">
        <section class="card scroll" tabindex="0" role="region" aria-label="Table">
          <VTable v-if="pane === 'limits'" class="table">
            <thead>
              <tr>
                <th>What</th>
                <th>Value</th>
                <th>Unit</th>
                <th>House value from</th>
                <th>State</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="key in SIMPLE" :key="key">
                <td>
                  <b>{{ TABLES[key].name }}</b>
                </td>
                <td>
                  <div class="cells">
                    <label v-for="c in cells(key)" :key="String(c.at)" class="cell"
                      ><span v-if="c.label" class="muted small">{{ c.label }}</span
                      ><DraftField
                        class="num"
                        :class="{ own: differs(key, c.at, c.value) }"
                        inputmode="decimal"
                        :value="c.value"
                        :disabled="!may"
                        :aria-label="`${TABLES[key].name} ${c.label || (c.at ?? '')}`"
                        @keep="(t: string) => set(key, c.at, t)"
                    /></label>
                  </div>
                </td>
                <td>{{ TABLES[key].unit }}</td>
                <td class="muted">{{ TABLES[key].source }}</td>
                <td class="muted small">{{ TABLES[key].state }}</td>
              </tr>
            </tbody>
          </VTable>
          <DeviceTablesPane
            v-else-if="pane === 'devices'"
            :draft="draft"
            :may="may"
            @change="take"
            @trouble="(t: string) => (trouble = t)"
          />
          <FootwearTablesPane
            v-else-if="pane === 'footwear'"
            :draft="draft"
            :may="may"
            @change="take"
            @trouble="(t: string) => (trouble = t)"
          />
          <BenchTablesPane
            v-else-if="pane === 'bench'"
            :draft="draft"
            :may="may"
            @change="take"
            @trouble="(t: string) => (trouble = t)"
          />
          <PriceTablePane
            v-else-if="pane === 'prices'"
            :draft="draft"
            :may="may"
            @change="take"
            @trouble="(t: string) => (trouble = t)"
          />
          <VTable v-else class="table">
            <thead>
              <tr>
                <th>Reading</th>
                <th>Refused below</th>
                <th>above, mm</th>
                <th>Again above a spread of, mm</th>
                <th>Usual share of length</th>
                <th>SD</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="what in READING_KINDS" :key="what">
                <td>
                  <b>{{ READINGS.of(what).name }}</b>
                </td>
                <td>
                  <DraftField
                    class="num"
                    inputmode="decimal"
                    :value="draft.hardBoundsMm[what][0]"
                    :disabled="!may"
                    :aria-label="`${READINGS.of(what).name} refused below`"
                    @keep="(t: string) => setReading(what, 'low', t)"
                  />
                </td>
                <td>
                  <DraftField
                    class="num"
                    inputmode="decimal"
                    :value="draft.hardBoundsMm[what][1]"
                    :disabled="!may"
                    :aria-label="`${READINGS.of(what).name} refused above`"
                    @keep="(t: string) => setReading(what, 'high', t)"
                  />
                </td>
                <td>
                  <DraftField
                    class="num"
                    inputmode="decimal"
                    :value="draft.repeatLimitMm[what]"
                    :disabled="!may"
                    :aria-label="`${READINGS.of(what).name} again above`"
                    @keep="(t: string) => setReading(what, 'repeat', t)"
                  />
                </td>
                <td>
                  <DraftField
                    v-if="draft.ratioToLength[what]"
                    class="num"
                    inputmode="decimal"
                    :value="draft.ratioToLength[what]!.mean"
                    :disabled="!may"
                    :aria-label="`${READINGS.of(what).name} usual share`"
                    @keep="(t: string) => setReading(what, 'mean', t)"
                  /><span v-else class="muted">–</span>
                </td>
                <td>
                  <DraftField
                    v-if="draft.ratioToLength[what]"
                    class="num"
                    inputmode="decimal"
                    :value="draft.ratioToLength[what]!.sd"
                    :disabled="!may"
                    :aria-label="`${READINGS.of(what).name} SD`"
                    @keep="(t: string) => setReading(what, 'sd', t)"
                  />
                </td>
              </tr>
            </tbody>
          </VTable>
        </section>
        <div class="stack">
          <section v-if="may" class="card card-body form">
            <h2>New table</h2>
            <label
              ><span class="muted small">Why, and where do the values come from?</span
              ><VTextarea v-model="source" class="why" maxlength="300" rows="3" />
            </label>
            <VBtn
              color="primary"
              variant="flat"
              :disabled="!changed || source.trim().length < 3"
              @click="save"
              >Make table {{ current.version + 1 }}</VBtn
            ><VBtn v-if="changed" @click="load">Leave it as it was</VBtn>
            <p class="muted small">
              It holds for fittings opened from then on; older ones keep the table they were judged
              by.
            </p>
          </section>
          <p v-else class="notice">The owner changes house rules; you can read them.</p>
          <section class="card">
            <div class="card-head"><h2>Versions</h2></div>
            <div v-for="v in versions" :key="v.norms.version" class="ver small">
              <b>Table {{ v.norms.version }}</b> {{ format(new Date(v.madeAt), 'd MMM yyyy') }},
              {{ v.madeBy }}<br /><span class="muted">{{ v.norms.source }}</span>
            </div>
            <div class="ver small"><b>Table 1</b> <span class="muted">house defaults</span></div>
          </section>
        </div>
      </div>
    </main>
  </div>
</template>

<style scoped>
.sets {
  grid-template-columns: minmax(0, 1fr) 280px;
}
.cells {
  display: flex;
  gap: 6px;
  flex-wrap: wrap;
}
.cell {
  display: flex;
  flex-direction: column;
}
.num {
  width: 76px;
  --v-input-control-height: 36px;
  font-size: 15px;
  text-align: right;
}
.num.own {
  --field-edge: var(--spruce);
  font-weight: 700;
}
.form {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.why {
  height: auto;
  padding: 8px;
  font-size: 14px;
}
.ver {
  padding: 8px 14px;
  border-top: 1px solid var(--hairline);
}
</style>
