<script setup lang="ts">
import { VSelect, VTable } from 'vuetify/components'
import { format, parseISO } from 'date-fns'
import { computed, onMounted, ref, watch } from 'vue'
import { activityName } from '../../../../core/record/storyActivity'
import { compareVisits, type Comparison } from '../../../../core/followup/compareVisits'
import { smallestChange, technicalError } from '../../../../core/measure/repeatability'
import { joinRecord, type Parts } from '../../../../core/record/parts'
import { parseRecord } from '../../../../core/record/parse'
import type { FittingRecord } from '../../../../core/record/schema'
import { SIDES, type Side } from '../../../../core/tables/vocabulary'
import type { ReadingKind } from '../../../../core/kinds/readings/all'
import type { DoubleReading, FittingRow, FittingState } from '../../../../shared/contracts'
import { api } from '~/browser/api'
import { HUES } from '~/drawing/footDrawing'
import { useSole } from '~/drawing/useSole'
import AppHeader from '~/components/AppHeader.vue'
import SideMark from '~/components/SideMark.vue'

/**
 * Any two visits of a client, reading by reading and on the drawing; a change smaller than can be
 * believed is drawn as no change.
 */
const route = useRoute()
const id = String(route.params.id)
const trouble = ref('')
const client = ref<{ code: string; name: string; fittings: FittingRow[] } | null>(null)
const doubles = ref<DoubleReading[]>([])
const first = ref('')
const second = ref('')
const records = ref<Record<string, FittingRecord>>({})
onMounted(async () => {
  try {
    client.value = await api(`clients/${id}`)
    doubles.value = (await api<{ readings: DoubleReading[] }>('double-readings')).readings
    const [newest, older] = client.value!.fittings
    second.value = newest?.id ?? ''
    first.value = older?.id ?? newest?.id ?? ''
  } catch (error) {
    trouble.value = (error as Error).message
  }
})
const recordOf = (state: FittingState): FittingRecord => {
  const parts = Object.fromEntries(
    Object.entries(state.parts).map(([name, part]) => [name, part.content]),
  ) as Parts
  return joinRecord(
    { ...parts, visit: { on: state.openedOn, ...parts.visit } },
    state.client.details,
  )
}
watch([first, second], async (ids) => {
  for (const f of ids)
    if (f && !records.value[f])
      await api<FittingState>(`fittings/${f}`)
        .then((state) => (records.value = { ...records.value, [f]: recordOf(state) }))
        .catch((error: Error) => (trouble.value = error.message))
})
/** Smallest believable change of each reading from all double readings of the shop. */
const known = computed(() => {
  const out: Partial<Record<ReadingKind, number>> = {}
  const groups = new Map<ReadingKind, number[][]>()
  for (const d of doubles.value)
    groups.set(d.what, [...(groups.get(d.what) ?? []), [d.first, d.second]])
  for (const [what, pairs] of groups) {
    const tem = pairs.length >= 5 ? technicalError(pairs) : null
    if (tem !== null) out[what] = smallestChange(tem)
  }
  return out
})
const pair = computed(() =>
  records.value[first.value] && records.value[second.value]
    ? ([records.value[first.value]!, records.value[second.value]!] as const)
    : null,
)
const rows = computed(() =>
  pair.value ? compareVisits(pair.value[0], pair.value[1], known.value) : [],
)
const names = computed(() => [
  ...new Map(rows.value.map((r) => [`${r.what}${r.posture}`, r])).values(),
])
const of = (side: Side, like: Comparison) =>
  rows.value.find((r) => r.side === side && r.what === like.what && r.posture === like.posture)
const news = computed(() =>
  rows.value.filter((r) => r.verdict === 'bigger' || r.verdict === 'smaller'),
)
const changed = computed(() => news.value.length)
const EMPTY: FittingRecord = parseRecord({
  format: 'gentle-arch/fitting',
  version: 1,
  feet: { left: {}, right: {} },
})
const soles = Object.fromEntries(
  SIDES.map((side) => [
    side,
    [useSole(() => pair.value?.[0] ?? EMPTY, side), useSole(() => pair.value?.[1] ?? EMPTY, side)],
  ]),
) as Record<Side, [ReturnType<typeof useSole>, ReturnType<typeof useSole>]>
const tall = computed(() =>
  Math.max(...SIDES.flatMap((s) => soles[s].map((x) => x.value.lengthMm))),
)
const label = (f: FittingRow) =>
  `${format(parseISO(f.openedOn), 'd MMM yyyy')}, ${activityName(f.activity ?? undefined) ?? 'not told'}`
const num = (v: number | null, unit: string) =>
  v === null ? '–' : `${v.toFixed(1)}${unit === '°' ? '°' : ''}`
const WORD = {
  bigger: '▲ bigger',
  smaller: '▼ smaller',
  'no change': '= no change',
  'only before': 'only before',
  'only after': 'only after',
}
const VISITS = computed(() =>
  (client.value?.fittings ?? []).map((f) => ({ value: f.id, title: label(f) })),
)
</script>

<template>
  <div class="frame plain">
    <AppHeader :title="client?.name ?? 'Client'" :fact="client?.code ?? ''" />
    <main class="main">
      <div class="title-row">
        <h1>Compare visits</h1>
        <span class="fact">{{
          rows.length
            ? `${changed} of ${rows.length} readings changed more than can be by chance`
            : ''
        }}</span>
        <label class="pick"><span>Before</span><VSelect v-model="first" :items="VISITS" /></label>
        <label class="pick"><span>After</span><VSelect v-model="second" :items="VISITS" /></label>
      </div>
      <p v-if="trouble" class="notice stop" role="alert">
        {{ trouble }} <NuxtLink to="/">Back to Today</NuxtLink>
      </p>
      <p v-else-if="client && client.fittings.length < 2" class="notice">
        There is one visit only. The next one can be set against it.
      </p>
      <div class="cols compare">
        <section class="card drawn">
          <svg
            v-for="side in SIDES"
            :key="side"
            :viewBox="`-70 -8 140 ${tall + 16}`"
            role="img"
            :aria-label="`${side} foot: before dashed, after solid`"
          >
            <g
              v-for="(sole, i) in soles[side]"
              :key="i"
              :transform="`translate(0 ${tall - sole.value.lengthMm})`"
            >
              <path
                v-if="sole.value.measured"
                :d="sole.value.outline"
                :fill="i ? HUES[side] : 'none'"
                fill-opacity=".1"
                :stroke="i ? HUES[side] : 'var(--ink)'"
                :stroke-width="i ? 1.6 : 1"
                :stroke-dasharray="i ? undefined : '4 3'"
              />
            </g>
            <text x="0" :y="tall / 2" text-anchor="middle" class="word">
              {{ soles[side][1].value.measured ? '' : 'not measured' }}
            </text>
          </svg>
          <ul class="news">
            <li v-for="r in news" :key="r.side + r.what + r.posture">
              <SideMark :side="r.side" /> {{ r.name.toLowerCase()
              }}<template v-if="r.posture"> {{ r.posture }}</template>
              <b
                >{{ r.change! > 0 ? '+' : '−' }}{{ Math.abs(r.change!).toFixed(1) }} {{ r.unit }}</b
              >
            </li>
            <li v-if="pair && news.length === 0" class="muted">
              Nothing changed more than can be by chance.
            </li>
          </ul>
          <p class="muted small">dashed: before · solid: after, to scale</p>
        </section>
        <section
          class="card scroll"
          tabindex="0"
          role="region"
          aria-label="Readings of both visits"
        >
          <VTable class="table">
            <thead>
              <tr>
                <th rowspan="2">Reading</th>
                <th v-for="s in SIDES" :key="s" colspan="4"><SideMark :side="s" word /></th>
                <th rowspan="2">Counts from</th>
              </tr>
              <tr>
                <template v-for="s in SIDES" :key="s"
                  ><th>before</th>
                  <th>after</th>
                  <th>change</th>
                  <th
                /></template>
              </tr>
            </thead>
            <tbody>
              <tr v-for="r in names" :key="`${r.what}${r.posture}`">
                <td>
                  {{ r.name }} <span v-if="r.posture" class="muted small">{{ r.posture }}</span>
                </td>
                <template v-for="s in SIDES" :key="s"
                  ><template v-if="of(s, r)"
                    ><td>{{ num(of(s, r)!.before, r.unit) }}</td>
                    <td class="bold">{{ num(of(s, r)!.after, r.unit) }}</td>
                    <td>
                      {{
                        of(s, r)!.change === null
                          ? ''
                          : `${of(s, r)!.change! > 0 ? '+' : ''}${of(s, r)!.change!.toFixed(1)}`
                      }}
                    </td>
                    <td
                      class="nowrap small"
                      :class="
                        of(s, r)!.verdict === 'bigger' || of(s, r)!.verdict === 'smaller'
                          ? 'bold'
                          : 'muted'
                      "
                    >
                      {{ WORD[of(s, r)!.verdict] }}
                    </td></template
                  >
                  <td v-else colspan="4" class="muted">–</td></template
                >
                <td class="muted small nowrap">
                  {{ r.least.toFixed(1) }} {{ r.unit }}, {{ r.leastFrom }}
                </td>
              </tr>
            </tbody>
          </VTable>
          <p v-if="pair && rows.length === 0" class="muted none">Neither visit holds a reading.</p>
        </section>
      </div>
    </main>
  </div>
</template>

<style scoped>
.pick {
  display: flex;
  align-items: center;
  gap: 6px;
  font-size: 13px;
}
.pick .v-input {
  width: 230px;
  --v-input-control-height: 44px;
  font-size: 14px;
}
.compare {
  grid-template-columns: 320px minmax(0, 1fr);
}
.drawn {
  display: grid;
  grid-template: minmax(0, 1fr) auto 24px / 1fr 1fr;
  padding: 8px;
}
.drawn svg {
  width: 100%;
  height: 100%;
  min-height: 0;
}
.news {
  grid-column: 1 / -1;
  padding: 6px 10px;
  display: grid;
  gap: 3px;
  font-size: 14px;
}
.drawn p {
  grid-column: 1 / -1;
  text-align: center;
}
.table td,
.table th {
  padding: 5px 7px;
}
.none {
  padding: 20px;
}
.word {
  font-size: 10px;
  fill: var(--muted);
}
</style>
