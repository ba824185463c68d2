<script setup lang="ts">
import InTurn from '~/components/InTurn.vue'
import { computed, ref } from 'vue'
import { VBtn, VBtnToggle, VList, VListItem, VMenu } from 'vuetify/components'
import { degreesText, varusWords } from '../../../core/examine/angleSummary'
import { JOINT_WORDS, POSTURE_WORDS } from '../../../core/examine/alignmentWords'
import type { FootExamination } from '../../../core/examine/examination'
import {
  ANGLE_KEYS,
  CHOICES,
  type ChoiceKey,
  type Findings,
} from '../../../core/kinds/findings/all'
import type { FindingGroup } from '../../../core/kinds/findings/definition'
import { trialsOf } from '../../../core/examine/angleTrials'
import { examineSide } from '../../../core/examine/examineSide'
import { isChild } from '../../../core/measure/ageAtVisit'
import { JOINTS, SIDES, type Side } from '../../../core/tables/vocabulary'
import AngleRows from './AngleRows.vue'
import BackView from './BackView.vue'
import ChoiceRow from './ChoiceRow.vue'
import FeelingPane from './FeelingPane.vue'
import FlexView from './FlexView.vue'
import MarksPane from './MarksPane.vue'
import PlanView from './PlanView.vue'
import StancePane from './StancePane.vue'
import TriesRow from './TriesRow.vue'
import { GROUPS, anglesOf, choicesOf } from './findingGroups'
import SideMark from '~/components/SideMark.vue'
import { useFitting } from '~/stores/fitting'
import { useHand } from '~/stores/hand'
import { useChanges } from '~/stores/changes'

const fitting = useFitting()
const changes = useChanges()
const hand = useHand()
const trouble = ref('')
const group = ref<FindingGroup>('alignment')
const child = computed(() => isChild(fitting.record.client, fitting.record.visit?.on))
const feet = computed(
  () =>
    Object.fromEntries(SIDES.map((side) => [side, examineSide(fitting.record, side)])) as Record<
      Side,
      FootExamination
    >,
)
const TRAVEL = [
  ['upMm', 'First ray gives up'],
  ['downMm', 'First ray gives down'],
] as const
const findings = (side: Side): Findings => fitting.record.feet[side]!.findings ?? {}
function set(side: Side, patch: Partial<Findings>, words: string) {
  const next = Object.fromEntries(
    Object.entries({ ...findings(side), ...patch }).filter(([, v]) => v !== undefined),
  ) as Findings
  trouble.value = changes.put(`findings.${side}`, next, `${words}, ${side}`) ?? ''
}
/** A pair that cannot be has no verdict: it is taken again. */
const isImpossible = (side: Side, code: string) =>
  feet.value[side].impossible.some((pair) => pair.code === code)
function ankleWords(side: Side): string {
  const { ankle } = feet.value[side]
  if (ankle) return ANKLE[ankle]
  return isImpossible(side, 'bent-below-straight') ? '▲ take both again' : 'not taken'
}
function toeWords(side: Side): string {
  const { firstToe } = feet.value[side]
  if (firstToe) return TOE[firstToe]
  return isImpossible(side, 'loaded-over-unloaded') ? '▲ take both again' : 'not taken'
}
/** Sum and class from all six items; fewer are counted, never added up. */
function postureWords(side: Side): string {
  const { postureSum, postureClass } = feet.value[side]
  const seen = findings(side).posture?.filter((item) => item !== null).length ?? 0
  if (postureSum === null) return seen === 0 ? 'not taken' : `${seen} of 6 seen, no sum yet`
  return postureClass ? `${postureSum}, ${POSTURE_WORDS[postureClass]}` : String(postureSum)
}
const choose = (key: ChoiceKey, side: Side, value: string | undefined) =>
  set(side, { [key]: value }, CHOICES.of(key).name.toLowerCase())
const mobility = (side: Side, joint: string, value: string | undefined) => {
  const next = { ...findings(side).mobility, [joint]: value }
  set(
    side,
    {
      mobility: Object.fromEntries(
        Object.entries(next).filter(([, v]) => v !== undefined),
      ) as Findings['mobility'],
    },
    `${JOINT_WORDS[joint]} mobility`,
  )
}
const ray = (side: Side, patch: Partial<NonNullable<Findings['firstRay']>>) =>
  set(
    side,
    {
      firstRay: Object.fromEntries(
        Object.entries({ ...findings(side).firstRay, ...patch }).filter(([, v]) => v !== undefined),
      ),
    },
    'first ray',
  )
const taken = computed(() =>
  SIDES.map(
    (s) =>
      ANGLE_KEYS.filter((k) => trialsOf(findings(s), k).length > 0).length +
      Object.keys(findings(s)).filter(
        (k) => !k.endsWith('Deg') && k !== 'subtalar' && k !== 'taken',
      ).length,
  ).reduce((a, b) => a + b, 0),
)
/** Whoever examined last; the part of each foot keeps it. */
const last = computed(
  () =>
    SIDES.map((s) => fitting.parts[`findings.${s}`])
      .filter((p) => p?.changedBy)
      .sort((a, b) => b!.changedAt.localeCompare(a!.changedAt))[0],
)
const chosen = computed(() => fitting.record.footwear?.chosen)
const TOE = {
  usual: 'free',
  limited: 'limited',
  functionalLimit: 'functional limit',
  rigid0: 'range as in grade 0',
  rigid1: 'range as in grade 1',
  rigid2: 'range as in grade 2',
  rigid3: 'range as in grade 3',
  rigid4: 'range as in grade 4',
}
const ANKLE = { usual: 'usual', calfLimited: 'calf limits', jointLimited: 'joint limits' }
const derived = (e: FootExamination): [string, string][] => [
  [
    'Neutral',
    e.neutralDeg === null
      ? e.angles.neutralPalpatedDeg
        ? `${varusWords(e.angles.neutralPalpatedDeg.meanDeg)} palpated`
        : '–'
      : `${varusWords(e.neutralDeg)} computed${e.angles.neutralPalpatedDeg ? `, ${varusWords(e.angles.neutralPalpatedDeg.meanDeg)} palpated` : ''}`,
  ],
  [
    'Rolls',
    e.rollDeg === null ? '–' : `${degreesText(e.rollDeg)}° ${e.rollDeg >= 0 ? 'in' : 'out'}`,
  ],
  ['Not got down', e.uncompensatedDeg === null ? '–' : `${degreesText(e.uncompensatedDeg)}°`],
  [
    'Eversion left',
    e.eversionLeftDeg === null ? '–' : `${degreesText(Math.max(0, e.eversionLeftDeg))}°`,
  ],
  [
    'Neutral stance',
    e.expectedNcspDeg === null
      ? '–'
      : `should read ${e.expectedNcspDeg < 0 ? '−' : ''}${degreesText(e.expectedNcspDeg)}°${e.ncspDisagrees ? ', measure again' : ''}`,
  ],
]
const LEVELS = [
  ['stiff', 'stiff'],
  ['usual', 'usual'],
  ['loose', 'loose'],
] as const
const YES = [
  ['yes', 'yes'],
  ['no', 'no'],
] as const
const flag = (v: boolean | undefined) => (v === undefined ? undefined : v ? 'yes' : 'no')
const asFlag = (v: string | undefined) => (v === undefined ? undefined : v === 'yes')
</script>

<template>
  <div class="title-row">
    <h1>Examine</h1>
    <span class="fact"
      >{{ taken }} findings in · + is varus, inversion<template v-if="last">
        · last by {{ last.changedBy }}, {{ last.changedAt.slice(0, 10) }}</template
      ></span
    >
    <VBtnToggle v-model="group" mandatory role="group" aria-label="Findings"
      ><VBtn v-for="g in GROUPS" :key="g.id" :value="g.id">{{ g.name }}</VBtn></VBtnToggle
    >
    <VMenu
      ><template #activator="{ props }"
        ><VBtn v-bind="props" aria-label="More for Examine">More</VBtn></template
      >
      <VList
        ><VListItem title="Show the client" subtitle="key V" @click="hand.show = true" /><VListItem
          title="Compare visits"
          :to="`/clients/${fitting.client!.id}/compare`" /></VList
    ></VMenu>
    <VBtn
      color="primary"
      variant="flat"
      aria-label="Go to Capture"
      @click="navigateTo(`/fittings/${fitting.id}/capture`)"
      >Capture</VBtn
    >
  </div>
  <p v-if="trouble" class="notice stop" role="alert">{{ trouble }}</p>
  <div class="card said">
    <p v-for="side in SIDES" :key="side">
      <SideMark :side="side" /><span>{{ feet[side].words }}</span>
    </p>
  </div>
  <div
    v-if="group === 'alignment' || group === 'range'"
    class="cols two"
    :class="{ ranges: group === 'range' }"
  >
    <section v-for="side in SIDES" :key="side" class="card stack0 scroll">
      <div v-if="group === 'range'" class="card-head">
        <SideMark :side="side" word /><span class="aside small"
          >ankle {{ ankleWords(side) }} · big toe {{ toeWords(side) }}</span
        >
      </div>
      <div v-if="group === 'alignment'" class="drawn">
        <BackView :side="side" :exam="feet[side]" />
        <div class="derived small">
          <SideMark :side="side" word class="mark" />
          <dl>
            <template v-for="[name, value] in derived(feet[side])" :key="name"
              ><dt>{{ name }}</dt>
              <dd :class="{ 'watch-text': value.includes('again') }">{{ value }}</dd></template
            >
          </dl>
        </div>
      </div>
      <FlexView
        v-else
        :side="side"
        :exam="feet[side]"
        :lean-deg="chosen?.forwardLeanDeg"
        :ramp-deg="chosen?.rampDeg"
        :limits="fitting.norms.ankleDeg"
      />
      <InTurn>
        <AngleRows
          :side="side"
          :exam="feet[side]"
          :keys="anglesOf(group)"
          @trouble="(t: string) => (trouble = t)"
        />
      </InTurn>
    </section>
  </div>
  <section v-if="group === 'range'" class="card scroll more">
    <ChoiceRow
      name="Big toe stiff"
      :options="YES"
      :disabled="fitting.readOnly"
      :value="(s: Side) => flag(findings(s).firstToeStiff)"
      @set="(s: Side, v) => set(s, { firstToeStiff: asFlag(v) }, 'big toe stiff')"
    />
    <ChoiceRow
      name="Hurts in mid-range"
      :options="YES"
      :disabled="fitting.readOnly"
      :value="(s: Side) => flag(findings(s).firstToeMidRangePain)"
      @set="(s: Side, v) => set(s, { firstToeMidRangePain: asFlag(v) }, 'mid-range pain')"
    />
    <ChoiceRow
      v-for="joint in JOINTS"
      :key="joint"
      :name="`${JOINT_WORDS[joint]![0]!.toUpperCase()}${JOINT_WORDS[joint]!.slice(1)} moves`"
      :options="LEVELS"
      :disabled="fitting.readOnly"
      :value="
        (s: Side) =>
          joint === 'firstRay' ? findings(s).firstRay?.stiffness : findings(s).mobility?.[joint]
      "
      @set="
        (s: Side, v) =>
          joint === 'firstRay' ? ray(s, { stiffness: v as 'stiff' }) : mobility(s, joint, v)
      "
    />
    <ChoiceRow
      name="First ray at rest"
      :options="[
        ['level', 'level'],
        ['plantarflexed', 'plantarflexed'],
        ['elevated', 'elevated'],
      ]"
      :disabled="fitting.readOnly"
      :value="(s: Side) => findings(s).firstRay?.rest"
      @set="(s: Side, v) => ray(s, { rest: v as 'level' })"
    />
    <TriesRow
      v-for="[key, words] in TRAVEL"
      :key="key"
      :name="words"
      how="against the other heads"
      unit="mm"
      :range="[0, 40]"
      :most="5"
      :disabled="fitting.readOnly"
      :value="(s: Side) => findings(s).firstRay?.[key] ?? []"
      @set="(s: Side, tries: number[]) => ray(s, { [key]: tries.length ? tries : undefined })"
      @trouble="(t: string) => (trouble = t)"
    />
    <ChoiceRow
      v-for="choice in choicesOf('range')"
      :key="choice.kind"
      :name="choice.name"
      :how="choice.how"
      :options="choice.options"
      :disabled="fitting.readOnly"
      :value="(s: Side) => findings(s)[choice.kind]"
      @set="(s: Side, v) => choose(choice.kind, s, v)"
    />
  </section>
  <template v-else-if="group === 'stance'">
    <div class="cols two views">
      <section v-for="side in SIDES" :key="side" class="card stack0">
        <PlanView :side="side" :findings="findings(side)" :record="fitting.record" />
        <p class="small centre"><SideMark :side="side" word /> posture {{ postureWords(side) }}</p>
      </section>
    </div>
    <StancePane :child="child" @set="set" @choose="choose" />
  </template>
  <FeelingPane v-else-if="group === 'skin'" @set="set" @choose="choose" />
  <MarksPane v-else-if="group === 'marks'" @trouble="(t: string) => (trouble = t)" />
</template>

<style scoped>
.two {
  grid-template-columns: 1fr 1fr;
}
.stack0 {
  display: flex;
  flex-direction: column;
}
.said {
  padding: 7px 12px;
  display: grid;
  gap: 3px;
  flex: none;
}
.said p {
  display: flex;
  gap: 8px;
  font-weight: 600;
  font-size: 13.5px;
  line-height: 18px;
}
.drawn {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 150px;
  height: 212px;
  flex: none;
}
.mark {
  display: block;
  margin-bottom: 4px;
}
.derived {
  padding: 8px 12px 4px 0;
}
.derived dl {
  margin: 0;
}
.derived dt {
  color: var(--muted);
}
.derived dd {
  margin: 0 0 3px;
  font-weight: 600;
  line-height: 14px;
}
.more {
  flex: 1 1 150px;
  min-height: 120px;
}
.ranges {
  flex: 0 0 auto;
}
.views {
  flex: 0 1 230px;
  min-height: 150px;
}
.centre {
  text-align: center;
  padding: 4px;
}
@media (max-width: 760px) {
  .drawn {
    grid-template-columns: 1fr;
  }
}
</style>
