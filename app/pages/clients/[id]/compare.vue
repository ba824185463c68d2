<script setup lang="ts">
import { VSelect, VTable } from 'vuetify/components'
import { format, parseISO } from 'date-fns'
import { computed, onMounted, ref, watch } from 'vue'
import { activityName } from '../../../../core/record/storyActivity'
import { compareVisits, type Comparison } from '../../../../core/followup/compareVisits'
import { isChange } from '../../../../core/followup/changeVerdict'
import { shopErrors } from '../../../../core/measure/leastChange'
import { joinRecord, type Parts } from '../../../../core/record/parts'
import { parseRecord } from '../../../../core/record/parse'
import type { FittingRecord } from '../../../../core/record/schema'
import { SIDES, type Side } from '../../../../core/tables/vocabulary'
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
const pair = computed(() =>
  records.value[first.value] && records.value[second.value]
    ? ([records.value[first.value]!, records.value[second.value]!] as const)
    : null,
)
const rows = computed(() =>
  pair.value ? compareVisits(pair.value[0], pair.value[1], shopErrors(doubles.value)) : [],
)
const keyOf = ({ what, posture }: Pick<Comparison, 'what' | 'posture'>) => `${what}${posture ?? ''}`
/** One line a thing, both feet beside each other; what belongs to both stands under the left. */
const lines = computed(() =>
  [...new Map(rows.value.map((r) => [keyOf(r), r])).values()].map((like) => {
    const feet = SIDES.map((side) =>
      rows.value.find(
        (r) =>
          (r.side === side || (r.side === 'both' && side === 'left')) && keyOf(r) === keyOf(like),
      ),
    )
    return { key: keyOf(like), like, feet, counts: countsOf(feet) }
  }),
)
/** From where a change counts, for each foot where they differ, and by whose readings. */
function countsOf(feet: readonly (Comparison | undefined)[]): string {
  const told = feet.flatMap((r) =>
    r?.change != null && r.least !== null ? [{ least: r.least, r }] : [],
  )
  if (told.length === 0) return ''
  const least = [...new Set(told.map((t) => Number(t.least.toFixed(2)).toString()))].join(' · ')
  const { unit, leastFrom } = told[0]!.r
  const bias = told.find((t) => t.r.bias !== 0)?.r
  const off = bias ? `, ${bias.bias.toFixed(1)} between them taken off` : ''
  return `${least} ${unit}, ${leastFrom}${off}`
}
const news = computed(() => rows.value.filter((r) => isChange(r.verdict)))
const changed = computed(() => news.value.length)
const worse = computed(() => news.value.filter((r) => r.verdict === 'worse').length)
const fact = computed(() =>
  rows.value.length
    ? `${changed.value} of ${rows.value.length} changed more than can be by chance, ${worse.value} for the worse`
    : '',
)
/** What a line of the news tells: a number by how much, a word from what to what. */
const newsWords = (r: Comparison) =>
  r.changeWords === null
    ? `${r.beforeWords} → ${r.afterWords}`
    : `${r.changeWords}${r.unit && r.unit !== '°' ? ` ${r.unit}` : ''}`
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
const WORD: Record<Comparison['verdict'], string> = {
  better: '✓ better',
  worse: '▲ worse',
  bigger: '+ bigger',
  smaller: '− smaller',
  other: '≠ other',
  'no change': '= no change',
  'only before': 'only before',
  'only after': 'only after',
}
const tone = ({ verdict }: Comparison) =>
  verdict === 'worse' ? 'watch-text bold' : isChange(verdict) ? 'bold' : 'muted'
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
        <span class="fact">{{ fact }}</span>
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
          <ul class="news" tabindex="0" aria-label="What changed">
            <li v-for="r in news" :key="r.side + r.what + r.posture" class="new">
              <SideMark v-if="r.side !== 'both'" :side="r.side" />
              <span>
                {{ [r.name.toLowerCase(), r.posture].filter(Boolean).join(' ') }}
                <b>{{ newsWords(r) }}</b> <span :class="tone(r)">{{ WORD[r.verdict] }}</span>
              </span>
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
              <tr v-for="line in lines" :key="line.key">
                <td>
                  {{ line.like.name }}
                  <span v-if="line.like.posture" class="muted small">{{ line.like.posture }}</span>
                </td>
                <template v-for="(r, i) in line.feet" :key="i"
                  ><template v-if="r"
                    ><td class="told">{{ r.beforeWords ?? '–' }}</td>
                    <td class="told bold">{{ r.afterWords ?? '–' }}</td>
                    <td>{{ r.changeWords }}</td>
                    <td class="nowrap small" :class="tone(r)">{{ WORD[r.verdict] }}</td></template
                  >
                  <td v-else colspan="4" class="muted">–</td></template
                >
                <td class="muted small counts">{{ line.counts }}</td>
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
  font-size: 13.5px;
  max-height: 190px;
  overflow-y: auto;
}
.new {
  display: flex;
  gap: 6px;
  align-items: baseline;
}
.counts {
  min-width: 110px;
}
.drawn p {
  grid-column: 1 / -1;
  text-align: center;
}
.table td,
.table th {
  padding: 5px 7px;
}
.told {
  max-width: 120px;
}
.none {
  padding: 20px;
}
.word {
  font-size: 10px;
  fill: var(--muted);
}
</style>
