<script setup lang="ts">
import { STATIONS, STATION_KINDS, type Station } from '../../../core/kinds/stations/all'
import { computed } from 'vue'
import { VBtn, VTable } from 'vuetify/components'
import { flexWords } from '../../../core/footwear/flex'
import { oneDecimal } from '../../../core/footwear/reasons'
import { SIDES } from '../../../core/tables/vocabulary'
import SideMark from '~/components/SideMark.vue'
import StatusMark from '~/components/StatusMark.vue'
import FitView from './FitView.vue'
import type { PairFit } from '../../../core/footwear/match'
import { verdictWord, type Verdict } from '../../../core/footwear/targets'
import { pairSizeWords, pairVerdict, workMinutesOf } from '../../../core/footwear/pairFit'
import type { Match } from './useMatch'

/**
 * Two to four candidates beside each other: sizes, drawing, every station of both feet, work, flex,
 * price.
 */
const { match } = defineProps<{ match: Match }>()
const { fitting, result, compared, model, matched, advice, flexRows, chosen, looking } = match
const columns = computed(() =>
  compared.value.flatMap((id) => {
    const p = result.value?.pair.find((x) => x.model === id)
    const m = model(id)
    return p && m ? [{ p, m }] : []
  }),
)
const rejected = computed(() =>
  compared.value.flatMap((id) => result.value?.rejected.filter((r) => r.model === id) ?? []),
)
const rows = computed(() =>
  STATIONS.filter((s) =>
    columns.value.some(({ p }) =>
      SIDES.some((side) => p[side]?.clearances[s] !== null && p[side]?.clearances[s] !== undefined),
    ),
  ),
)
const band = (s: Station) =>
  columns.value[0]?.p.left?.targets[s] ?? columns.value[0]?.p.right?.targets[s] ?? [0, 0]
const n1 = (v: number | null | undefined) => (v === null || v === undefined ? '–' : oneDecimal(v))
const MARK: Record<string, string> = { tight: '▼▼', snug: '▼', right: '●', roomy: '▲', loose: '▲▲' }
function choose(p: PairFit) {
  looking.value = p.model
  match.choose(p)
}
const wordOf = (station: Station, verdict: Verdict | undefined) =>
  verdict ? verdictWord(station, verdict) : 'not known'
</script>

<template>
  <section class="card scroll side" tabindex="0" aria-label="Side by side">
    <p v-if="columns.length < 2" class="muted none">
      Tick two to four candidates in the list to see them side by side.
    </p>
    <VTable v-else class="table">
      <thead>
        <tr>
          <th class="first">▼ below the band, ● in it, ▲ above; worn in, and with the liner new</th>
          <th v-for="{ p, m } in columns" :key="p.model" scope="col">
            <span class="strong ink">{{ m.name }}</span><br /><span
              >{{ m.maker }} · {{ pairSizeWords(p) }}</span
            ><br /><StatusMark v-bind="pairVerdict(p)" />
            <div class="tools">
              <VBtn
                size="small"
                :variant="chosen?.model === p.model ? 'tonal' : 'outlined'"
                :disabled="fitting.readOnly || chosen?.model === p.model"
                @click="choose(p)"
                >{{ chosen?.model === p.model ? 'Chosen' : 'Choose' }}</VBtn><VBtn
                size="small"
                variant="text"
                :aria-label="`Take ${m.name} out of the comparison`"
                @click="match.compare(p.model)"
                >Take out</VBtn
              >
            </div>
          </th>
        </tr>
      </thead>
      <tbody>
        <tr>
          <th scope="row">From above</th>
          <td v-for="{ p, m } in columns" :key="p.model">
            <div class="draw">
              <FitView
                :record="fitting.record"
                :fit="p"
                :model="m"
                :feet="matched!.feet"
                view="plan"
              />
            </div>
          </td>
        </tr>
        <tr v-for="s in rows" :key="s">
          <th scope="row">
            {{ STATION_KINDS.of(s).name }}
            <span class="small">{{
              band(s)
                .map((v) => String(v).replace('-', '−'))
                .join(' – ')
            }}</span>
          </th>
          <td v-for="{ p } in columns" :key="p.model">
            <span class="two"
              ><span v-for="side in SIDES" :key="side" class="val" :class="p[side]?.verdicts[s]"
                ><SideMark :side="side" /><b>{{ n1(p[side]?.clearances[s]) }}</b>
                <span class="small"
                  ><span aria-hidden="true">{{ MARK[p[side]?.verdicts[s] ?? ''] }}</span>
                  {{ wordOf(s, p[side]?.verdicts[s])
                  }}<template v-if="p[side]?.clearances[s] !== p[side]?.asNew[s]"
                    >, new {{ n1(p[side]?.asNew[s]) }}</template
                  ></span
                ></span
              ></span
            >
          </td>
        </tr>
        <tr>
          <th scope="row">Work</th>
          <td v-for="{ p } in columns" :key="p.model">
            <b>{{ workMinutesOf(p) }} min</b
            ><span class="small">
              {{
                p.work.map((w) => `${w.foot === 'left' ? 'L' : 'R'} ${w.words}`).join('; ') ||
                'nothing to do'
              }}</span
            >
          </td>
        </tr>
        <tr>
          <th scope="row">Flex</th>
          <td v-for="{ p, m } in columns" :key="p.model" class="small">
            {{ m.flex ? flexWords(m, advice, flexRows) : 'none stated' }}
          </td>
        </tr>
        <tr>
          <th scope="row">Price, stock</th>
          <td v-for="{ p, m } in columns" :key="p.model">
            {{ m.price.toFixed(0) }} · {{ match.shelfWords(m, p) }}
          </td>
        </tr>
        <tr>
          <th scope="row">Score <span class="small">less is better</span></th>
          <td v-for="{ p } in columns" :key="p.model">
            <b>{{ p.score.toFixed(1) }}</b>
          </td>
        </tr>
      </tbody>
    </VTable>
    <p v-for="r in rejected" :key="r.model" class="none">
      <b>{{ model(r.model)?.name }}</b>: {{ r.because }}
    </p>
  </section>
</template>

<style scoped>
.side {
  flex: 1;
}
.none {
  padding: 14px 16px;
}
.table {
  table-layout: fixed;
}
.table th.first {
  width: 150px;
  vertical-align: bottom;
}
.ink {
  color: var(--ink);
}
thead th {
  position: sticky;
  top: 0;
  background: var(--sheet);
  z-index: 1;
  vertical-align: top;
}
tbody th {
  font-weight: 600;
  color: var(--ink);
  border-top: 1px solid var(--hairline);
  vertical-align: top;
}
.tools {
  display: flex;
  gap: 6px;
  padding-top: 6px;
}
.draw {
  height: 220px;
  display: flex;
}
.two {
  display: flex;
  gap: 14px;
  flex-wrap: wrap;
}
.val {
  display: inline-flex;
  gap: 4px;
  align-items: center;
  min-width: 128px;
}
.tight,
.snug {
  color: var(--stop);
}
.loose,
.roomy {
  color: var(--watch-text);
}
</style>
