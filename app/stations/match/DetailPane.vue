<script setup lang="ts">
import { VTable } from 'vuetify/components'
import { plainCopy } from '~/browser/plainCopy'
import PlainButton from '~/components/PlainButton.vue'
import { useHand } from '~/stores/hand'
import { READINGS, READING_KINDS, type ReadingKind } from '../../../core/kinds/readings/all'
import { FAMILY_KINDS } from '../../../core/kinds/families/all'
import { computed, ref, shallowRef, watch } from 'vue'
import { flexWords, type FlexAdvice } from '../../../core/footwear/flex'
import { adviseLean, leanWords } from '../../../core/footwear/lean'
import { sizeWords } from '../../../core/footwear/reasons'
import { sockMm } from '../../../core/footwear/socks'
import type { PairQuestion } from '../../../core/footwear/pairOptions'
import { SIDES } from '../../../core/tables/vocabulary'
import SideMark from '~/components/SideMark.vue'
import { useModels } from '~/stores/models'
import { matchWorker } from '~/workers/matchWorker'
import { isBrought } from '../../../core/footwear/brought'
import { workMinutesOf } from '../../../core/footwear/pairFit'
import type { Match } from './useMatch'
import PaneTabs from '~/components/PaneTabs.vue'

/** Why this one, why not, what to work, split or custom: of the model that is looked at. */
const { match } = defineProps<{ match: Match }>()
const { fitting, current, looking, model, whyNotThis, notes, advice, flexRows, settings } = match
const models = useModels()
const hand = useHand()
const pane = ref<'why' | 'not' | 'work' | 'split'>('why')
const split = shallowRef<PairQuestion | null>(null)
watch(
  [
    looking,
    () => JSON.stringify([fitting.record.feet, fitting.record.story, fitting.record.footwear]),
  ],
  async () => {
    const id = looking.value
    if (!id) return
    const found = await matchWorker()
      .options(plainCopy(fitting.record), id)
      .catch(() => null)
    if (id === looking.value) split.value = found
  },
  { immediate: true },
)
const m = computed(() => model(looking.value))
/** What lies here of it; what the client brought lies on no shelf. */
const shelf = computed(() => {
  if (!m.value || isBrought(m.value.id)) return 'the client’s own'
  const words = match.shelfWords(m.value, current.value ?? {})
  return words ? `on the shelf ${words}` : 'no size'
})
/** What an advice is made of: each part with what it adds, and what was not known. */
function madeOf({ parts, missing }: Pick<FlexAdvice, 'parts' | 'missing'>) {
  const said = parts.map(({ words, by }) => `${words} ${by > 0 ? '+' : '−'}${Math.abs(by)}`)
  const unknown = missing.length > 0 ? `not known: ${missing.join(', ')}` : ''
  return [said.join(', '), unknown].filter(Boolean).join('; ') || 'as usual'
}
/** How its lean stands to what is advised over its own ramp. */
const lean = computed(() => {
  if (!m.value) return null
  const advised = adviseLean(fitting.record, m.value)
  const words = leanWords(m.value, advised)
  return words === null ? null : { words, because: madeOf(advised) }
})
/** Readings without which a station of this model stays unknown. */
const missing = computed(() =>
  READING_KINDS.filter((kind) =>
    SIDES.some((s) => current.value?.[s]?.missing.includes(`readings.${kind}`)),
  ),
)
/** Takes one of them: Measure opens with it in hand. */
function takeReading(kind: ReadingKind) {
  hand.take(kind, 'standing')
  void navigateTo(`/fittings/${fitting.id}/measure`)
}
const KIND = {
  same: 'One size, worked',
  'pad the smaller': 'Larger size, smaller foot padded',
  split: 'Split pair',
  custom: 'Made to measure',
}
const TABS = computed(
  () =>
    [
      ['why', 'Why'],
      ['not', 'Why not'],
      ['work', `Work${current.value ? ` ${workMinutesOf(current.value)} min` : ''}`],
      ['split', `Split?${split.value?.asked ? ' asked' : ''}`],
    ] as const,
)
/** where else the sizes of this pair lie */
const elsewhere = computed(() => {
  const { left, right } = current.value ?? {}
  const sizes = [...new Set([left, right].flatMap((fit) => (fit ? [fit.sizeMm] : [])))]
  return sizes
    .map((size) => [size, m.value ? models.elsewhereWords(m.value.id, size) : ''] as const)
    .filter(([, words]) => words)
    .map(([size, words]) => ` · ${sizeWords(size)}: ${words}`)
    .join('')
})
const money = (v: number) => v.toFixed(0)
</script>

<template>
  <section class="card detail">
    <PaneTabs v-model="pane" :panes="TABS" label="About this model" look="line" grow :height="40" />
    <ul v-if="pane === 'why'" class="body scroll" tabindex="0">
      <li v-for="r in current?.reasons ?? []" :key="r">{{ r }}</li>
      <li v-if="missing.length" class="watch-text">
        not taken, so not compared:
        <PlainButton
          v-for="kind in missing"
          :key="kind"
          class="take"
          :aria-label="`Take ${READINGS.of(kind).name}`"
          @click="takeReading(kind)"
        >
          {{ READINGS.of(kind).name.toLowerCase() }}
        </PlainButton>
      </li>
      <template v-if="m"
        ><li v-if="m.flex">
          {{ flexWords(m, advice, flexRows) }}<span class="muted"> ({{ madeOf(advice) }})</span>
        </li>
        <li v-if="lean">
          {{ lean.words }}<span class="muted"> ({{ lean.because }})</span>
        </li>
        <li v-for="r in FAMILY_KINDS.of(m.family).rules" :key="r" class="muted">{{ r }}</li>
        <li class="muted">
          {{ shelf }}{{ elsewhere }}{{ m.price ? ` · ${money(m.price)}` : ''
          }}{{
            m.measured ? ` · measured by ${m.measured.by ?? 'the shop'}` : ' · as the maker states'
          }}
        </li></template
      >
      <li v-for="n in notes" :key="n" class="watch-text">{{ n }}</li>
    </ul>
    <ul v-else-if="pane === 'not'" class="body scroll" tabindex="0">
      <li v-if="!whyNotThis" class="muted">It ranks first.</li>
      <li v-for="w in whyNotThis ?? []" :key="w">{{ w }}</li>
    </ul>
    <ul v-else-if="pane === 'work'" class="body scroll" tabindex="0">
      <li v-if="!current?.work.length" class="muted">Nothing to stretch, pad or grind.</li>
      <li v-for="w in current?.work ?? []" :key="w.foot + w.station + w.does" class="w">
        <SideMark :side="w.foot" word /> <span>{{ w.words }}</span><b>{{ w.minutes }} min</b>
      </li>
    </ul>
    <div v-else class="body scroll" tabindex="0">
      <p v-if="!split" class="muted">Both feet are needed to compare a split pair.</p>
      <template v-else
        ><p :class="split.asked ? 'bold' : 'muted'">{{ split.words }}</p>
        <VTable class="table">
          <thead>
            <tr>
              <th>Way</th>
              <th>Score</th>
              <th>Work</th>
              <th>Price</th>
              <th />
            </tr>
          </thead>
          <tbody>
            <tr v-for="o in split.options" :key="o.kind">
              <td>
                <b>{{ KIND[o.kind] }}</b><br /><span class="small muted">{{
                  o.because ?? o.words
                }}</span>
              </td>
              <td>
                {{
                  o.score === null
                    ? o.kind === 'custom'
                      ? ''
                      : 'does not fit'
                    : o.score.toFixed(1)
                }}
              </td>
              <td>{{ o.kind === 'custom' ? '' : `${o.minutes} min` }}</td>
              <td>{{ o.kind === 'custom' ? '' : money(o.price) }}</td>
              <td>
                <PlainButton
                  v-if="o.left && o.right"
                  class="take"
                  :aria-label="`Take ${KIND[o.kind]}`"
                  @click="match.takeSizes(looking, { left: o.left.sizeMm, right: o.right.sizeMm })"
                >
                  take
                </PlainButton>
              </td>
            </tr>
          </tbody>
        </VTable>
        <p>
          <a :href="`/api/fittings/${fitting.id}/ordersheet`" target="_blank"
            >Order sheet of a shell made to measure (PDF)</a
          >
        </p></template
      >
    </div>
    <p class="small muted sock">
      sock {{ m ? sockMm(settings.socks, m.family) : '' }} mm{{
        settings.socks.oneMm === undefined ? ', usual' : ''
      }}, compressed · every clearance is an estimate
    </p>
  </section>
</template>

<style scoped>
.take {
  min-height: 26px;
  margin-right: 8px;
  text-decoration: underline dotted;
  font-weight: 600;
}
.detail {
  display: flex;
  flex-direction: column;
  height: 232px;
  flex: none;
}
.body {
  flex: 1;
  padding: 8px 14px;
  font-size: 13px;
}
.body li {
  padding: 1px 0;
}
.body li::before {
  content: '· ';
}
.w {
  display: flex;
  gap: 8px;
}
.w b {
  margin-left: auto;
  white-space: nowrap;
}
.table th,
.table td {
  padding: 3px 6px;
  font-size: 12.5px;
}
.sock {
  padding: 4px 14px 7px;
  border-top: 1px solid var(--hairline);
}
</style>
