<script setup lang="ts">
import { plainCopy } from '~/browser/plainCopy'
import { computed, onMounted, ref } from 'vue'
import { VBtn, VCheckboxBtn, VSelect, VTable } from 'vuetify/components'
import { resourcesAt, type BenchResource } from '../../core/tables/benchResources'
import { processSchema, type Process, type Step } from '../../core/tables/processes'
import { HOUSE_TABLES, TABLES, type ShopTables } from '../../core/record/tables'
import { useBench } from '~/stores/bench'
import { useSession } from '~/stores/session'
import { toldNumber } from '~/browser/toldNumber'
import DraftField from '~/components/DraftField.vue'
import PlainButton from '~/components/PlainButton.vue'
import { namedChoices } from '~/browser/choices'
import PaneTabs from '~/components/PaneTabs.vue'

/**
 * How things are made here: steps with their minutes beside what they really take; what the bench
 * has; windows of heat and the skin's margin.
 */
const {
  draft,
  may,
  begin = 'steps',
} = defineProps<{
  draft: ShopTables
  may: boolean
  /** what is shown first */
  begin?: 'steps' | 'has' | 'heat'
}>()
const emit = defineEmits<{ change: [Partial<ShopTables>]; trouble: [string] }>()
const bench = useBench()
const session = useSession()
onMounted(() => void bench.load())
const pane = ref(begin)
const at = ref(draft.processes[0]!.id)
const process = computed(
  () => draft.processes.find((p) => p.id === at.value) ?? draft.processes[0]!,
)
const took = computed(() => new Map((bench.state?.times ?? []).map((t) => [t.step, t])))
const NEEDS = computed(() => draft.benchResources.filter((r) => r.id !== 'people'))
function put(next: Process) {
  const read = processSchema.safeParse(plainCopy(next))
  if (!read.success)
    return emit('trouble', `${next.name}: ${read.error.issues[0]!.message}. Nothing was changed.`)
  emit('trouble', '')
  emit('change', { processes: draft.processes.map((p) => (p.id === next.id ? read.data : p)) })
}
const set = (i: number, part: Partial<Step>) =>
  put({
    ...process.value,
    steps: process.value.steps.map((s, k) =>
      k === i
        ? (Object.fromEntries(
            Object.entries({ ...s, ...part }).filter(
              ([, v]) => v !== undefined && v !== '' && v !== false,
            ),
          ) as Step)
        : s,
    ),
  })
const number = toldNumber((trouble) => emit('trouble', trouble))
function move(i: number, by: -1 | 1) {
  const steps = [...process.value.steps]
  ;[steps[i], steps[i + by]] = [steps[i + by]!, steps[i]!]
  put({ ...process.value, steps })
}
function addStep() {
  const used = new Set(process.value.steps.map((s) => s.id))
  const id = Array.from({ length: 60 }, (_, k) => `step-${k + 1}`).find((v) => !used.has(v))!
  put({ ...process.value, steps: [...process.value.steps, { id, words: 'New step', minutes: 5 }] })
}
const drop = (i: number) =>
  put({
    ...process.value,
    steps: process.value.steps
      .filter((_, k) => k !== i)
      .map((s) =>
        s.after ? { ...s, after: s.after.filter((a) => a !== process.value.steps[i]!.id) } : s,
      ),
  })
function addProcess() {
  const used = new Set(draft.processes.map((p) => p.id))
  const id = Array.from({ length: 60 }, (_, k) => `own-${k + 1}`).find((v) => !used.has(v))!
  emit('change', {
    processes: [
      ...draft.processes,
      { id, name: 'New process', steps: [{ id: 'step-1', words: 'First step', minutes: 5 }] },
    ],
  })
  at.value = id
}
const toggle = (list: readonly string[] | undefined, id: string) =>
  list?.includes(id) ? list.filter((n) => n !== id) : [...(list ?? []), id]
const house = (key: string) =>
  HOUSE_TABLES.processes
    .flatMap((p) => p.steps.map((s) => [`${p.id}:${s.id}`, s.minutes] as const))
    .find(([k]) => k === key)?.[1]
const HEATS = computed(() => [{ value: '', title: 'no heat' }, ...namedChoices(draft.heatWindows)])
/** What a step comes after: the one above unless it is said; none, one, or several at once. */
const ABOVE = '-'
const AND = '+'
const befores = (step: Step, i: number) => [
  { value: ABOVE, title: i ? 'the one above' : 'nothing' },
  { value: '', title: 'nothing' },
  ...(step.after && step.after.length > 1
    ? [{ value: step.after.join(AND), title: step.after.join(' and ') }]
    : []),
  ...process.value.steps
    .filter((other) => other.id !== step.id)
    .map((other) => ({ value: other.id, title: other.words })),
]
const setAfter = (i: number, ids: string) =>
  set(i, { after: ids === ABOVE ? undefined : ids.split(AND).filter(Boolean) })
/** what is shown and changed of what the bench has: everywhere, or at one place of the shop */
const place = ref('')
const PLACES = computed(() => [{ value: '', title: 'Everywhere' }, ...namedChoices(session.places)])
const has = computed(() =>
  place.value ? resourcesAt(draft.benchResources, place.value) : draft.benchResources,
)
function putHas(index: number, part: Partial<Pick<BenchResource, 'count' | 'from' | 'to'>>) {
  const { count, from, to } = { ...has.value[index]!, ...part }
  const here = place.value
  emit('change', {
    benchResources: draft.benchResources.map((one, k) => {
      if (k !== index) return one
      return here ? { ...one, at: { ...one.at, [here]: { count, from, to } } } : { ...one, ...part }
    }),
  })
}
const PANES = [
  ['steps', 'Processes'],
  ['has', 'What the bench has'],
  ['heat', 'Heat and skin'],
] as const
</script>

<template>
  <div class="tables">
    <div class="line">
      <PaneTabs v-model="pane" :panes="PANES" label="Tables of the bench" look="box" :height="36" />
      <template v-if="pane === 'steps'"
        ><VSelect
          v-model="at"
          class="fam"
          density="compact"
          :items="namedChoices(draft.processes)"
          aria-label="Process"
        /><VBtn v-if="may" size="small" height="36" @click="addProcess">New process</VBtn></template
      ><VSelect
        v-else-if="pane === 'has' && session.places.length > 1"
        v-model="place"
        class="fam"
        density="compact"
        :items="PLACES"
        aria-label="Which place has it"
      />
    </div>
    <template v-if="pane === 'steps'">
      <div class="line">
        <label class="line"
          >Name
          <DraftField
            class="wide"
            maxlength="80"
            :value="process.name"
            :disabled="!may"
            aria-label="Name of the process"
            @keep="(t: string) => put({ ...process, name: t.trim() })" /></label
        ><label class="line grow"
          >Lay ready
          <DraftField
            class="wide grow"
            maxlength="300"
            :value="process.materials ?? ''"
            :disabled="!may"
            aria-label="Materials of the process"
            @keep="(t: string) => put({ ...process, materials: t.trim() || undefined })"
        /></label>
      </div>
      <p class="small muted">
        {{ TABLES.processes.source }}; what the bench logs moves them by itself: median drawn
        towards this value by 5/(n+5). A step waits for the one above unless “after” says otherwise.
      </p>
      <VTable class="table">
        <thead>
          <tr>
            <th>Step</th>
            <th>min</th>
            <th>took here</th>
            <th>waiting</th>
            <th>client</th>
            <th>each foot</th>
            <th>holds</th>
            <th>after</th>
            <th>caution</th>
            <th />
          </tr>
        </thead>
        <tbody>
          <tr v-for="(s, i) in process.steps" :key="s.id">
            <td>
              <DraftField
                class="wide"
                maxlength="120"
                :value="s.words"
                :disabled="!may"
                :aria-label="`Words of step ${i + 1}`"
                @keep="(t: string) => set(i, { words: t.trim() })"
              /><span class="line small"
                ><VSelect
                  class="aft"
                  density="compact"
                  :items="HEATS"
                  :model-value="s.heat ?? ''"
                  :disabled="!may"
                  :aria-label="`Heat of ${s.words}`"
                  @update:model-value="(id: string) => set(i, { heat: id || undefined })"
                /><label class="line"
                  >foot on it
                  <DraftField
                    class="sm"
                    inputmode="decimal"
                    :value="s.skinMin ?? ''"
                    :disabled="!may"
                    :aria-label="`Minutes a foot stays on it: ${s.words}`"
                    @keep="
                      (t: string) => {
                        if (!t.trim()) return set(i, { skinMin: undefined })
                        const v = number(t, s.words, 0.5, 480)
                        if (v !== undefined) set(i, { skinMin: v })
                      }
                    "
                  />
                  min</label
                ><label class="line"
                  ><VCheckboxBtn
                    :model-value="s.fresh === true"
                    :disabled="!may"
                    @update:model-value="set(i, { fresh: !s.fresh })"
                  />
                  next at once</label
                ><label class="line"
                  ><VCheckboxBtn
                    :model-value="s.overnight === true"
                    :disabled="!may"
                    @update:model-value="set(i, { overnight: !s.overnight })"
                  />
                  over night</label
                ></span
              >
            </td>
            <td>
              <DraftField
                class="num"
                :class="{ own: house(`${process.id}:${s.id}`) !== s.minutes }"
                inputmode="numeric"
                :value="s.minutes"
                :disabled="!may"
                :aria-label="`Minutes of ${s.words}`"
                @keep="
                  (t: string) => {
                    const v = number(t, s.words, 0, 2880, true)
                    if (v !== undefined) set(i, { minutes: v })
                  }
                "
              />
            </td>
            <td class="small nowrap">
              <template v-if="took.get(`${process.id}:${s.id}`)?.count"
                >{{ took.get(`${process.id}:${s.id}`)!.medianMin!.toFixed(1) }} ({{
                  took.get(`${process.id}:${s.id}`)!.count
                }}) → plans {{ took.get(`${process.id}:${s.id}`)!.minutes }}</template
              ><span v-else class="muted">–</span>
            </td>
            <td v-for="key in ['waiting', 'client', 'perFoot'] as const" :key="key">
              <VCheckboxBtn
                :model-value="s[key] === true"
                :disabled="!may"
                :aria-label="`${{ waiting: 'Waiting', client: 'Client there', perFoot: 'Each foot' }[key]}: ${s.words}`"
                @update:model-value="set(i, { [key]: !s[key] })"
              />
            </td>
            <td>
              <span class="line"
                ><PlainButton
                  v-for="r in NEEDS"
                  :key="r.id"
                  class="chipb"
                  :aria-pressed="s.needs?.includes(r.id) ?? false"
                  :disabled="!may"
                  :aria-label="`${s.words} holds ${r.name}`"
                  @click="set(i, { needs: toggle(s.needs, r.id) })"
                >
                  {{ r.name }}
                </PlainButton></span
              >
            </td>
            <td>
              <VSelect
                class="aft"
                density="compact"
                :items="befores(s, i)"
                :disabled="!may"
                :aria-label="`${s.words} comes after`"
                :model-value="s.after ? s.after.join(AND) : ABOVE"
                @update:model-value="(ids: string) => setAfter(i, ids)"
              />
            </td>
            <td>
              <DraftField
                class="wide"
                maxlength="300"
                :value="s.caution ?? ''"
                :disabled="!may"
                :aria-label="`Caution of ${s.words}`"
                @keep="(t: string) => set(i, { caution: t.trim() || undefined })"
              />
            </td>
            <td class="nowrap">
              <template v-if="may"
                ><PlainButton
                  class="ic"
                  :disabled="i === 0"
                  :aria-label="`${s.words} up`"
                  @click="move(i, -1)"
                >
                  ↑</PlainButton
                ><PlainButton
                  class="ic"
                  :disabled="i === process.steps.length - 1"
                  :aria-label="`${s.words} down`"
                  @click="move(i, 1)"
                >
                  ↓</PlainButton
                ><PlainButton
                  class="ic"
                  :disabled="process.steps.length === 1"
                  :aria-label="`Take ${s.words} out`"
                  @click="drop(i)"
                >
                  ✕
                </PlainButton></template
              >
            </td>
          </tr>
        </tbody>
      </VTable>
      <VBtn v-if="may" size="small" height="44" @click="addStep">Add a step</VBtn>
    </template>
    <VTable v-else-if="pane === 'has'" class="table">
      <thead>
        <tr>
          <th>What</th>
          <th>How many</th>
          <th>from</th>
          <th>to</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(r, i) in has" :key="r.id">
          <td>
            <b>{{ r.name }}</b><span v-if="r.id === 'people'" class="small muted">
              those on duty, chosen on the bench day</span
            >
          </td>
          <td>
            <DraftField
              v-if="r.id !== 'people'"
              class="num"
              inputmode="numeric"
              :value="r.count"
              :disabled="!may"
              :aria-label="`How many: ${r.name}`"
              @keep="
                (t: string) => {
                  const v = number(t, r.name, 0, 20, true)
                  if (v !== undefined) putHas(i, { count: v })
                }
              "
            />
          </td>
          <td v-for="key in ['from', 'to'] as const" :key="key">
            <DraftField
              class="num"
              :value="r[key]"
              :disabled="!may"
              :aria-label="`${r.name} ${key}`"
              @keep="
                (t: string) =>
                  /^([01]\d|2[0-3]):[0-5]\d$/.test(t.trim())
                    ? (emit('trouble', ''), putHas(i, { [key]: t.trim() }))
                    : emit('trouble', `${r.name}: “${t}” is not a time. Write it as HH:MM.`)
              "
            />
          </td>
        </tr>
      </tbody>
    </VTable>
    <template v-else>
      <VTable class="table">
        <thead>
          <tr>
            <th>Material</th>
            <th>from, °C</th>
            <th>to, °C</th>
            <th>Caution</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(w, i) in draft.heatWindows" :key="w.id">
            <td>
              <b>{{ w.name }}</b>
            </td>
            <td v-for="key in ['lowC', 'highC'] as const" :key="key">
              <DraftField
                class="num"
                inputmode="decimal"
                :value="w[key]"
                :disabled="!may"
                :aria-label="`${w.name} ${key === 'lowC' ? 'from' : 'to'}`"
                @keep="
                  (t: string) => {
                    const v = number(t, w.name, 20, 400)
                    if (v === undefined) return
                    const next = { ...w, [key]: v }
                    if (next.lowC >= next.highC)
                      return emit('trouble', `${w.name}: a window must open below where it closes.`)
                    emit('change', {
                      heatWindows: draft.heatWindows.map((x, k) => (k === i ? next : x)),
                    })
                  }
                "
              />
            </td>
            <td class="small">{{ w.caution }}</td>
          </tr>
        </tbody>
      </VTable>
      <p class="small muted">
        {{ TABLES.heatWindows.source }}. {{ TABLES.skinMarginK.name }} ({{
          TABLES.skinMarginK.source
        }}):
      </p>
      <div class="line">
        <label v-for="key in ['adult', 'child'] as const" :key="key" class="line"
          >{{ key === 'adult' ? 'adults' : 'children' }}
          <DraftField
            class="num"
            inputmode="decimal"
            :value="draft.skinMarginK[key]"
            :disabled="!may"
            :aria-label="`Margin of skin, ${key}`"
            @keep="
              (t: string) => {
                const v = number(t, 'Margin', 0, 15)
                if (v !== undefined)
                  emit('change', { skinMarginK: { ...draft.skinMarginK, [key]: v } })
              }
            "
          />
          K</label
        >
      </div>
    </template>
  </div>
</template>

<style scoped src="./tables.css"></style>

<style scoped>
.line {
  gap: 6px;
}
.wide {
  min-width: 130px;
}
.fam {
  width: auto;
}
.aft {
  width: 110px;
  --v-input-control-height: 36px;
  font-size: 13px;
  --field-pad: 4px;
}
.chipb {
  min-height: 28px;
  padding: 0 6px;
  border: 1px solid var(--hairline);
  border-radius: 4px;
  font-size: 12px;
}
.chipb[aria-pressed='true'] {
  background: var(--wash);
  border-color: var(--spruce);
  font-weight: 600;
}
.sm {
  width: 48px;
  --v-input-control-height: 30px;
  font-size: 13px;
  --field-pad: 4px;
}
.ic {
  width: 30px;
  height: 36px;
  text-align: center;
}
th {
  font-size: 12px;
}
</style>
