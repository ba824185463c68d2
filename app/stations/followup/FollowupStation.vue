<script setup lang="ts">
import DayField from '~/components/DayField.vue'
import { format } from 'date-fns'
import { computed, ref, watch } from 'vue'
import { VBtn, VDialog } from 'vuetify/components'
import { deviceDiff } from '../../../core/device/deviceDiff'
import { likelyAdjustments, type Adjustment } from '../../../core/followup/causes'
import { normsOf } from '../../../core/record/tables'
import { fitGrowth, lengthOn, outgrown, type LengthAt } from '../../../core/followup/growth'
import { comfortSeries } from '../../../core/followup/outcomes'
import { wornInside } from '../../../core/footwear/toeRoom'
import { isChild } from '../../../core/measure/ageAtVisit'
import { bestMean } from '../../../core/measure/reading'
import { painSeries, type PainSeries } from '../../../core/followup/painSeries'
import { PLACES } from '../../../core/kinds/places'
import { openRound } from '../../../core/bench/rounds'
import type { Followup, Round } from '../../../core/record/schema'
import {
  COMPLAINT_PLACES,
  SIDES,
  type ComplaintPlace,
  type Side,
} from '../../../core/tables/vocabulary'
import GrowthPane from './GrowthPane.vue'
import LinerPane from './LinerPane.vue'
import MomentStrip from './MomentStrip.vue'
import OutcomeAsk from './OutcomeAsk.vue'
import PainChart from './PainChart.vue'
import RoundDialog from '~/components/RoundDialog.vue'
import SideMark from '~/components/SideMark.vue'
import { api } from '~/browser/api'
import { useDeviceVersions } from '~/composables/useDeviceVersions'
import { useFitting } from '~/stores/fitting'
import { useModels } from '~/stores/models'
import { modelHere } from '~/browser/modelHere'
import { useChanges } from '~/stores/changes'
import PlainButton from '~/components/PlainButton.vue'
import { choicesOf } from '~/browser/choices'
import AddFrom from '~/components/AddFrom.vue'
import PaneTabs from '~/components/PaneTabs.vue'

const fitting = useFitting()
const changes = useChanges()
const trouble = ref('')
const dayTrouble = ref('')
const on = ref(format(new Date(), 'yyyy-MM-dd'))
const series = computed(() => painSeries(fitting.record))
const counts = computed(() => fitting.norms.painChange)
const comfort = computed(() => comfortSeries(fitting.record))
type Pane = 'pain' | 'liner' | 'growth'
const pane = ref<Pane>('pain')
const followups = computed(() => fitting.record.followups ?? [])
const current = computed<Followup>(
  () => followups.value.find((f) => f.on === on.value) ?? { on: on.value, pain: [] },
)
const key = (s: { foot: Side; at: ComplaintPlace }) => `${s.foot}/${s.at}`
const places = computed(() => {
  const list = series.value.map(({ foot, at }) => ({ foot, at }))
  return [...list, ...added.value.filter((a) => !list.some((l) => key(l) === key(a)))]
})
const added = ref<{ foot: Side; at: ComplaintPlace }[]>([])
const newFoot = ref<Side>('left')
const score = (p: { foot: Side; at: ComplaintPlace }) =>
  current.value.pain.find((x) => key(x) === key(p))?.score
function put(next: Followup, words: string) {
  // A score must not go to another day than the one that stands there.
  if (dayTrouble.value)
    return void (trouble.value = `Mend the day of the visit first: ${dayTrouble.value}`)
  trouble.value =
    changes.put(
      'followups',
      [...followups.value.filter((f) => f.on !== next.on), next].sort((a, b) =>
        a.on < b.on ? -1 : 1,
      ),
      words,
    ) ?? ''
}
const setPain = (p: { foot: Side; at: ComplaintPlace }, value: number) =>
  put(
    {
      ...current.value,
      pain: [...current.value.pain.filter((x) => key(x) !== key(p)), { ...p, score: value }],
    },
    `pain ${p.foot} ${PLACES[p.at].name} ${value}`,
  )
const addPlace = (at: ComplaintPlace) => added.value.push({ foot: newFoot.value, at })
/**
 * What the pain of the last visit speaks for: the smallest change, as the next version of the
 * device where it is the device's.
 */
const likely = computed(() =>
  likelyAdjustments(
    fitting.record,
    series.value
      .filter((x) => x.points.length > 0)
      .map((x) => ({ foot: x.foot, at: x.at, score: x.points.at(-1)!.score, verdict: x.verdict })),
  ).slice(0, 4),
)
const { replaceDevice } = useDeviceVersions()
const deviceOf = (foot: Side) => fitting.record.feet[foot]?.device
const changeOf = (foot: Side, a: Adjustment) =>
  a.next && deviceOf(foot)
    ? deviceDiff(deviceOf(foot)!, a.next(deviceOf(foot)!), fitting.norms)
        .map((d) => `${d.what}: ${d.before} → ${d.after}`)
        .join('; ')
    : ''
/** what goes back to the bench: asked for as it is kept */
const rounding = ref<{ foot?: Side; as?: Round['kind']; reason?: string } | null>(null)
const mayRound = computed(
  () => fitting.record.handover?.on !== undefined && !openRound(fitting.record.rounds),
)
function adjust(foot: Side, a: Adjustment) {
  trouble.value = replaceDevice(foot, a.next!(deviceOf(foot)!), a.words)
  if (!trouble.value && mayRound.value)
    rounding.value = { foot, as: 'new version', reason: `${a.words}: ${a.change}`.slice(0, 300) }
}
/** Growth of a child, by its default and what was measured here. */
const models = useModels()
models.load().catch(() => undefined)
const earlier = ref<Partial<Record<Side, LengthAt[]>>>({})
watch(
  () => fitting.client?.id,
  (id) =>
    id &&
    void api<Record<Side, LengthAt[]>>(`clients/${id}/lengths`)
      .then((l) => (earlier.value = l))
      .catch(() => undefined),
  { immediate: true },
)
const growing = computed(() => {
  const { bornOn, sex } = fitting.record.client ?? {}
  const norms = normsOf(fitting.record)
  const today = format(new Date(), 'yyyy-MM-dd')
  if (!bornOn || !isChild(fitting.record.client, today)) return []
  const chosen = fitting.record.footwear?.chosen
  const model = modelHere(chosen?.model)
  return SIDES.flatMap((side) => {
    const foot = fitting.record.feet[side]
    const lengthMm = foot && bestMean(foot, 'footLengthMm', 'standing')
    const on = fitting.record.visit?.on ?? fitting.openedOn
    // Lengths of earlier fittings tell more than one; this fitting's own stands as the screen has
    // it.
    const lengths = [
      ...(earlier.value[side] ?? []).filter((l) => l.on !== on),
      ...(lengthMm === undefined ? [] : [{ on, lengthMm }]),
    ].sort((a, b) => (a.on < b.on ? -1 : 1))
    const fit = fitGrowth(lengths, bornOn, sex, norms)
    if (!fit || lengthMm === undefined) return []
    const size = side === 'left' ? chosen?.sizeLeftMm : chosen?.sizeRightMm
    const inside = model && size ? wornInside(model, size, norms) : null
    return [
      {
        side,
        fit,
        lengths,
        limitMm: inside ? inside.lengthMm - inside.leastRoomMm : null,
        leastRoomMm: inside?.leastRoomMm ?? null,
        remakeMm: lengthMm + norms.outgrownMm.remakeMm,
        now: lengthOn(fit, today),
        ...outgrown(fit, today, { ...(inside && { inside }), madeAtMm: lengthMm }, norms),
      },
    ]
  })
})
const dayWords = (on: string | null) =>
  on ? format(new Date(`${on}T12:00`), 'MMM yyyy') : 'not within ten years'
const VERDICT: Record<PainSeries['verdict'], string> = {
  better: 'Better',
  worse: 'Worse',
  'no change': 'No change',
  'first value': 'First value',
}
const PLACE_CHOICES = choicesOf(COMPLAINT_PLACES, (place) => PLACES[place].name)
const PANES = computed((): [Pane, string][] => [
  ['pain', 'Pain by place'],
  ['liner', 'Liner'],
  ...(growing.value.length ? [['growth', 'Growth'] as [Pane, string]] : []),
])
</script>

<template>
  <div class="title-row">
    <h1>Follow-up</h1>
    <span class="fact"
      >{{ followups.length }} {{ followups.length === 1 ? 'visit' : 'visits' }} on file · a change
      under {{ counts }} points is no change</span
    >
    <VBtn v-if="mayRound" :disabled="fitting.readOnly" @click="rounding = {}"
      >Back to the bench …</VBtn
    >
    <DayField
      v-model:trouble="dayTrouble"
      class="day"
      label="Day of this follow-up"
      :model-value="on"
      @update:model-value="(day) => (on = day ?? on)"
    />
  </div>
  <p v-if="trouble" class="notice stop" role="alert">{{ trouble }}</p>
  <MomentStrip />
  <div class="cols two">
    <section class="card stack0">
      <div class="card-head tabs">
        <PaneTabs v-model="pane" :panes="PANES" label="What is looked at" />
        <span class="aside small">band: value at handover ± what is not believed</span>
      </div>
      <div
        v-if="pane === 'liner'"
        class="scroll grow"
        tabindex="0"
        role="region"
        aria-label="Liner"
      >
        <LinerPane
          :current
          :disabled="fitting.readOnly"
          @put="put"
          @trouble="(t: string) => (trouble = t)"
        />
      </div>
      <div
        v-else-if="pane === 'growth'"
        class="scroll grow"
        tabindex="0"
        role="region"
        aria-label="Growth over time"
      >
        <GrowthPane :feet="growing" />
      </div>
      <div
        v-else
        class="scroll grow charts"
        tabindex="0"
        role="region"
        aria-label="Charts of pain"
        :class="{ few: series.length + (comfort.points.length ? 1 : 0) < 2 }"
      >
        <p v-if="series.length === 0" class="muted">
          No pain told yet. Add a place at the right, or complaints in Story.
        </p>
        <div v-for="s in series" :key="key(s)" class="one">
          <div class="label">
            <SideMark :side="s.foot" /> <b>{{ PLACES[s.at].name }}</b>
            <span
              :class="
                s.verdict === 'better'
                  ? 'good-text bold'
                  : s.verdict === 'worse'
                    ? 'stop-text bold'
                    : 'muted'
              "
              >{{ VERDICT[s.verdict]
              }}{{ s.change !== null ? ` ${s.change > 0 ? '+' : ''}${s.change}` : '' }}</span
            >
          </div>
          <PainChart
            :points="s.points"
            :counts
            :foot="s.foot"
            :handover-on="fitting.record.handover?.on"
          />
        </div>
        <div v-if="comfort.points.length" class="one">
          <div class="label">
            <b>Comfort</b>
            <span
              :class="
                comfort.verdict === 'better'
                  ? 'good-text bold'
                  : comfort.verdict === 'worse'
                    ? 'stop-text bold'
                    : 'muted'
              "
              >{{ VERDICT[comfort.verdict]
              }}{{
                comfort.change !== null ? ` ${comfort.change > 0 ? '+' : ''}${comfort.change}` : ''
              }}</span
            >
            <span class="muted">of 100, ± {{ comfort.counts }}</span>
          </div>
          <PainChart
            what="Comfort"
            :points="comfort.points.map((p) => ({ on: p.on, score: p.comfort }))"
            :most="100"
            :counts="comfort.counts"
            :handover-on="fitting.record.handover?.on"
          />
        </div>
      </div>
      <section v-if="likely.length" class="causes" aria-label="Likely cause and smallest change">
        <h3>Likely cause, smallest change</h3>
        <p
          v-for="{ foot, adjustment: a, score: n } in likely"
          :key="foot + a.complaint"
          class="cause"
        >
          <SideMark :side="foot" word /><span
            ><b>{{ a.words }}</b
            >, {{ n }} of 10: {{ a.cause }}. {{ a.change }}.<span
              v-if="changeOf(foot, a)"
              class="small muted"
            >
              {{ changeOf(foot, a) }}</span
            ></span
          ><VBtn
            v-if="a.next && deviceOf(foot) && deviceOf(foot)!.kind !== 'none'"
            size="small"
            :disabled="fitting.readOnly"
            @click="adjust(foot, a)"
            >Next version</VBtn
          >
        </p>
      </section>
      <section v-if="growing.length" class="causes" aria-label="Growth">
        <h3>Growth <span class="small muted">estimate; 95 % band</span></h3>
        <p v-for="g in growing" :key="g.side" class="cause">
          <SideMark :side="g.side" word /><span
            >{{ g.now.lengthMm.toFixed(1) }} mm now ({{ g.now.lowMm.toFixed(1) }} to
            {{ g.now.highMm.toFixed(1) }}), {{ g.fit.slopeMm.toFixed(2) }} mm a month.
            <template v-if="g.footwear"
              >Footwear outgrown about {{ dayWords(g.footwear.expected) }}, at the earliest
              {{ dayWords(g.footwear.earliest) }}. </template
            >New device at 10 mm more: about {{ dayWords(g.remake!.expected) }}.</span
          >
        </p>
      </section>
    </section>
    <section class="card stack0">
      <div class="card-head">
        <h2>{{ on ? format(new Date(on), 'd MMMM') : 'This visit' }}</h2>
        <span class="aside small">0 none · 10 worst</span>
      </div>
      <div class="scroll grow" tabindex="0" role="region" aria-label="This visit">
        <div v-for="p in places" :key="key(p)" class="ask">
          <div class="label">
            <SideMark :side="p.foot" /> <b>{{ PLACES[p.at].name }}</b>
          </div>
          <div class="scale" role="radiogroup" :aria-label="`Pain ${p.foot} ${PLACES[p.at].name}`">
            <PlainButton
              v-for="n in 11"
              :key="n"
              role="radio"
              :aria-checked="score(p) === n - 1"
              :class="{ at: score(p) === n - 1, [p.foot]: true }"
              :disabled="fitting.readOnly"
              @click="setPain(p, n - 1)"
            >
              {{ n - 1 }}
            </PlainButton>
          </div>
        </div>
        <div class="ask more">
          <span class="pick"
            ><PlainButton
              v-for="s in SIDES"
              :key="s"
              class="sd"
              :aria-pressed="newFoot === s"
              @click="newFoot = s"
            >
              <SideMark :side="s" word /></PlainButton
          ></span>
          <AddFrom
            words="Add a place"
            :items="PLACE_CHOICES"
            :disabled="fitting.readOnly"
            @add="addPlace"
          />
        </div>
        <OutcomeAsk
          :current
          :disabled="fitting.readOnly"
          @put="put"
          @trouble="(t: string) => (trouble = t)"
        />
      </div>
      <p class="small muted pad">
        <VBtn
          v-if="fitting.id"
          variant="text"
          height="32"
          @click="navigateTo(`/fittings/${fitting.id}/prescribe`)"
          >Adjust the device</VBtn
        >
        the smallest change first.
      </p>
    </section>
  </div>
  <VDialog :model-value="rounding !== null" max-width="520" @update:model-value="rounding = null"
    ><RoundDialog
      v-if="rounding"
      v-bind="rounding"
      @close="rounding = null"
      @kept="rounding = null"
  /></VDialog>
</template>

<style scoped>
.two {
  grid-template-columns: minmax(0, 1fr) minmax(0, 440px);
}
.stack0 {
  display: flex;
  flex-direction: column;
}
.day {
  flex: none;
  width: 190px;
}
.charts {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px 18px;
  padding: 12px 14px;
  align-content: start;
}
.charts.few {
  grid-template-columns: 1fr;
}
.one {
  min-width: 0;
}
.label {
  display: flex;
  gap: 6px;
  align-items: baseline;
}
.ask {
  padding: 10px 14px;
  border-bottom: 1px solid var(--hairline);
}
.scale {
  display: grid;
  grid-template-columns: repeat(11, 1fr);
  margin-top: 6px;
  border: 1px solid var(--line-strong);
  border-radius: 4px;
  overflow: hidden;
}
.scale button {
  height: 44px;
  text-align: center;
  border-right: 1px solid var(--hairline);
  background: var(--sheet);
}
.at.left {
  background: var(--left) !important;
  color: #fff;
  font-weight: 700;
}
.at.right {
  background: var(--right) !important;
  color: #fff;
  font-weight: 700;
}
.more {
  display: grid;
  grid-template-columns: 150px 1fr;
  gap: 8px;
}
.pick {
  display: flex;
  gap: 4px;
}
.sd {
  flex: 1;
  height: 44px;
  border: 1px solid var(--line-strong);
  border-radius: 6px;
  text-align: center;
}
.sd[aria-pressed='true'] {
  background: var(--wash);
}
.tabs {
  align-items: center !important;
  padding: 4px 8px 4px !important;
}
.line {
  display: flex;
}
.pad {
  padding: 4px 14px;
}
.causes {
  border-top: 1px solid var(--hairline);
  padding: 8px 14px;
}
.causes h3 {
  font-weight: 600;
}
.cause {
  display: flex;
  gap: 10px;
  align-items: center;
  padding: 4px 0;
}
.cause > span:nth-child(2) {
  flex: 1;
}
</style>
