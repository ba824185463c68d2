<script setup lang="ts">
import { newId } from '~/browser/newId'
import { STATIONS, STATION_KINDS, type Station } from '../../../core/kinds/stations/all'
import { computed, ref } from 'vue'
import { VBtn, VBtnToggle, VSelect } from 'vuetify/components'
import { workAsked } from '../../../core/footwear/workAsked'
import { adviseLean } from '../../../core/footwear/lean'
import { sizeWords } from '../../../core/footwear/reasons'
import { stationPlaces } from '../../../core/footwear/spots'
import { planChanges, withChanges, type PlanChange } from '../../../core/footwear/planChanges'
import { lineOf, processOf, type WorkLine } from '../../../core/footwear/workPlan'
import { activityTold } from '../../../core/record/storyActivity'
import { plasticOf, springBackWords, withSpringBack } from '../../../core/footwear/springBack'
import { workOpenedAgain } from '../../../core/record/workState'
import { benchWords } from '../../../core/bench/workTruth'
import { useJob } from '~/composables/useJob'
import { useModels } from '~/stores/models'
import { isUnderFoot, WORK_KINDS } from '../../../core/tables/shellWork'
import type { ShellWork } from '../../../core/record/schema'
import { SIDES, type Side } from '../../../core/tables/vocabulary'
import BoardCheck from './BoardCheck.vue'
import BindingCheck from '~/components/BindingCheck.vue'
import AmountStepper from '~/components/AmountStepper.vue'
import DraftField from '~/components/DraftField.vue'
import SideMark from '~/components/SideMark.vue'
import StatusMark from '~/components/StatusMark.vue'
import { useSession } from '~/stores/session'
import FitView, { type DrawnMark } from './FitView.vue'
import type { Match } from './useMatch'
import { choicesOf } from '~/browser/choices'

/**
 * The work on the chosen shells: what, where on the shell, how far, how hot and how long; done and
 * found again, it moves the prediction.
 */
const { match } = defineProps<{ match: Match }>()
const { fitting, footwear, chosen, fitOf, model, matched } = match
const session = useSession()
const models = useModels()
const { steps } = useJob()
const view = ref<'plan' | 'side'>('plan')
const m = computed(() => (chosen.value ? model(chosen.value.model) : undefined))
const fit = computed(() => (chosen.value ? fitOf(chosen.value.model) : undefined))
const sizeOf = (side: Side) =>
  side === 'left' ? chosen.value?.sizeLeftMm : chosen.value?.sizeRightMm
const lines = computed(() =>
  m.value
    ? (chosen.value?.work ?? [])
        .map((w, index) => ({ line: lineOf(w, m.value!, fitting.norms), index }))
        .filter(({ line }) => line.model === m.value!.id)
    : [],
)
const open = computed(() => lines.value.filter(({ line }) => line.state !== 'dropped'))
const minutes = computed(() =>
  open.value
    .filter(({ line }) => line.state === 'planned')
    .reduce((sum, { line }) => sum + line.minutes, 0),
)
const marks = computed(() =>
  open.value.map(({ line }, i): DrawnMark => ({
    foot: line.foot,
    at: line.at,
    text: String(i + 1),
  })),
)
const save = (work: ShellWork[], words: string) =>
  chosen.value &&
  match.put({ ...footwear.value, chosen: { ...chosen.value, work: work.slice(0, 80) } }, words)
const change = (index: number, patch: Partial<ShellWork>, words: string) =>
  save(
    chosen.value!.work.map((w, i) => (i === index ? { ...w, ...patch } : w)),
    words,
  )

/** A line as it is pressed with what this shop learned of the plastic. */
const planned = (work: ShellWork) => withSpringBack(work, m.value!, models.springBack)
const learnedOf = computed(() => {
  const plastic = m.value && plasticOf(m.value)
  const own = plastic ? models.springBack[plastic] : undefined
  return own ? springBackWords(plastic!, own) : ''
})
/** What the fit asks of the plan; nothing before the fit of the chosen sizes is reckoned. */
const changes = computed(() =>
  m.value && matched.value && fit.value
    ? planChanges(
        chosen.value!.work,
        workAsked(footwear.value, matched.value.feet, m.value, fit.value).map(planned),
        m.value.id,
      )
    : [],
)
const CHANGE_WORDS = { add: 'New', change: 'Other', again: 'Again', go: 'Goes' } as const
const follow = (list: readonly PlanChange[]) =>
  save(
    withChanges(chosen.value!.work, list, m.value!.id),
    list.length === 1 ? `plan: ${list[0]!.words}` : 'work plan as the fit asks',
  )
const dropped = computed(() => lines.value.filter(({ line }) => line.state === 'dropped'))
const adding = ref<{ foot: Side; station: Station; does: ShellWork['does'] }>({
  foot: 'right',
  station: 'ball',
  does: 'stretch',
})
function add() {
  const foot = matched.value?.feet[adding.value.foot]
  const size = sizeOf(adding.value.foot)
  if (!m.value || !foot || !size) return
  const places = stationPlaces(foot, m.value, adding.value.station)
  const { fromHeelMm, heightMm, side } = places[0]!
  const under = isUnderFoot(adding.value.does) || adding.value.does === 'sole'
  save(
    [
      ...chosen.value!.work,
      planned({
        id: newId(),
        foot: adding.value.foot,
        model: m.value.id,
        sizeMm: size,
        station: adding.value.station,
        does: adding.value.does,
        at: {
          fromHeelMm,
          heightMm: under ? 0 : heightMm,
          side: under ? 'under' : places.length > 1 ? 'both' : side,
        },
        amountMm: 2,
        because: 'added by hand',
        state: 'planned',
      }),
    ],
    `${adding.value.does}, ${adding.value.foot}`,
  )
}
const done = (index: number, w: WorkLine) => {
  const { work } = chosen.value!
  const next: ShellWork =
    w.state === 'done'
      ? workOpenedAgain(work[index]!)
      : {
          ...work[index]!,
          state: 'done',
          ...(session.person && { by: session.person.name }),
          ...(w.does === 'stretch' && { pressedMm: w.setMm }),
          doneAt: new Date().toISOString(),
        }
  save(work.with(index, next), `${w.does} ${w.state === 'done' ? 'open again' : 'done'}`)
}
/** Where the bench stands with a piece that is planned. */
const atBench = (w: WorkLine) =>
  w.state === 'planned' ? benchWords(w.id, fitting.record.jobs ?? [], steps.value) : ''
const SIDE_WORDS = ['medial', 'lateral', 'both', 'top', 'back', 'front', 'under'] as const
/** Sole cants go in half degrees, three in all at most. */
const CANT = { step: 0.5, most: 3 }
const per = (key: 'cuffAlignDeg' | 'soleCantDeg', side: Side) => chosen.value?.[key]?.[side] ?? 0
const setPer = (key: 'cuffAlignDeg' | 'soleCantDeg', side: Side, v: number) =>
  chosen.value &&
  match.put(
    {
      ...footwear.value,
      chosen: { ...chosen.value, [key]: { left: 0, right: 0, ...chosen.value[key], [side]: v } },
    },
    key === 'cuffAlignDeg' ? `cuff, ${side}` : `sole cant, ${side}`,
  )
const setOne = (key: 'forwardLeanDeg' | 'rampDeg' | 'deltaMm', v: number) =>
  chosen.value &&
  match.put({ ...footwear.value, chosen: { ...chosen.value, [key]: v } }, 'lean, ramp and delta')
const SETTINGS = computed(
  () =>
    [
      ['forwardLeanDeg', 'forward lean', '°', m.value?.cuffLeanDeg ?? 12],
      ['rampDeg', 'ramp', '°', m.value?.bootBoard.rampDeg ?? 4],
      ['deltaMm', 'binding delta', 'mm', 3],
    ] as const,
)
/** What is advised of lean over the ramp as it is set here. */
const lean = computed(() => {
  if (!m.value || m.value.cuffLeanDeg === undefined) return null
  const rampDeg = chosen.value?.rampDeg ?? m.value.bootBoard.rampDeg
  return adviseLean(fitting.record, { bootBoard: { ...m.value.bootBoard, rampDeg } })
})
const onBoard = computed(() => activityTold(fitting.record.story)?.onBoard ?? false)
const canted = computed(() => SIDES.some((s) => per('soleCantDeg', s) !== 0))
const STATION_CHOICES = choicesOf(STATIONS, (kind) => STATION_KINDS.of(kind).name)
</script>

<template>
  <p v-if="!chosen || !m" class="notice">
    Choose a model first: work is planned for one shell on each foot.
  </p>
  <div v-else class="cols work">
    <section class="card list">
      <div class="card-head">
        <h2>Work on {{ m.name }}</h2>
        <span class="aside small"
          >L {{ sizeWords(sizeOf('left') ?? 0) }} · R {{ sizeWords(sizeOf('right') ?? 0) }} ·
          {{ minutes }} min open</span
        ><VBtn
          size="small"
          color="primary"
          variant="flat"
          :disabled="fitting.readOnly || changes.length === 0"
          @click="follow(changes)"
          >{{ changes.length > 0 ? `Follow the fit (${changes.length})` : 'Follows the fit' }}</VBtn
        ><VBtn size="small" :href="`/api/fittings/${fitting.id}/workplan`" target="_blank"
          >Print (PDF)</VBtn
        >
      </div>
      <ul class="scroll grow" tabindex="0" aria-label="Pieces of work">
        <li v-for="c in changes" :key="`${c.kind} ${c.id}`" class="asks">
          <b class="small">{{ CHANGE_WORDS[c.kind] }}</b>
          <span class="what"
            ><b><SideMark :side="c.foot" /> {{ c.words }}</b
            ><span class="small muted">{{ c.why }}</span></span
          ><VBtn
            size="small"
            :disabled="fitting.readOnly"
            :aria-label="`${CHANGE_WORDS[c.kind]}: ${c.words}`"
            @click="follow([c])"
            >Take</VBtn
          >
        </li>
        <li v-if="open.length === 0" class="muted pad">
          Nothing planned. What is tight or loose in the chosen sizes, and what hurt in the last
          try-on of this model, is asked for above; or add a piece by hand.
        </li>
        <li
          v-for="({ line, index }, i) in open"
          :key="line.id"
          class="line"
          :class="{ done: line.state === 'done' }"
        >
          <span class="n">{{ i + 1 }}</span>
          <div class="what">
            <b><SideMark :side="line.foot" /> {{ line.words }}</b
            ><span class="small">{{ line.process }}</span
            ><span class="small muted"
              >{{ line.because }} · about {{ line.minutes }} min<template v-if="atBench(line)">
                · {{ atBench(line) }}</template
              ><template v-if="line.state === 'done'">
                · done {{ line.by ? `by ${line.by}` : '' }}</template
              ></span
            >
            <p v-for="s in line.stops" :key="s" class="small">
              <StatusMark kind="stop" :word="s" />
            </p>
            <p v-for="c in line.cautions" :key="c" class="small">
              <StatusMark kind="watch" :word="c" />
            </p>
            <label v-if="line.does === 'sole'" class="small re"
              >re-checked by
              <DraftField
                maxlength="80"
                :value="line.recheckedBy"
                :disabled="fitting.readOnly"
                aria-label="Certified technician who re-checked the sole"
                @keep="
                  (recheckedBy: string) => change(index, { recheckedBy }, 're-check of the sole')
                "
            /></label>
          </div>
          <div class="amount">
            <AmountStepper
              :value="line.amountMm"
              :unit="line.does === 'sole' || line.does === 'cuff' ? '°' : 'mm'"
              :step="0.5"
              :min="0"
              :max="40"
              :start="1"
              :label="`${i + 1}: ${line.does} amount`"
              :disabled="fitting.readOnly"
              @keep="
                (v: number) => change(index, { amountMm: v, amountByHand: true }, 'amount of work')
              "
            />
            <template v-if="line.state === 'done' && STATION_KINDS.find(line.station)"
              ><template v-if="line.does === 'stretch'"
                ><span class="small">pressed to</span
                ><AmountStepper
                  :value="line.pressedMm ?? null"
                  unit="mm"
                  :step="0.5"
                  :min="0"
                  :max="60"
                  :start="line.setMm"
                  :label="`${i + 1}: pressed to`"
                  :disabled="fitting.readOnly"
                  @keep="(v: number) => change(index, { pressedMm: v }, 'pressed to')" /></template
              ><span class="small">found after cooling</span
              ><AmountStepper
                :value="line.gainedMm ?? null"
                unit="mm"
                :step="0.5"
                :min="-10"
                :max="40"
                :start="line.amountMm"
                :label="`${i + 1}: found after cooling`"
                :disabled="fitting.readOnly"
                @keep="(v: number) => change(index, { gainedMm: v }, 'found after cooling')"
            /></template>
            <span class="btns"
              ><VBtn
                size="small"
                :color="line.state === 'done' ? undefined : 'primary'"
                :disabled="
                  fitting.readOnly ||
                  (line.stops.length > 0 && line.state !== 'done') ||
                  (line.does === 'sole' && !line.recheckedBy)
                "
                @click="done(index, line)"
                >{{ line.state === 'done' ? 'Open again' : 'Done' }}</VBtn
              ><VBtn
                size="small"
                variant="text"
                :disabled="fitting.readOnly"
                :aria-label="`Drop ${line.words}`"
                @click="change(index, { state: 'dropped' }, 'work dropped')"
                >Drop</VBtn
              ></span
            >
          </div>
          <div class="place small">
            <span>back</span
            ><AmountStepper
              :value="line.at.fromHeelMm"
              unit="mm"
              :step="1"
              :min="-20"
              :max="450"
              :start="0"
              :label="`${i + 1}: from the inside of the back`"
              :disabled="fitting.readOnly"
              @keep="
                (v: number) => change(index, { at: { ...line.at, fromHeelMm: v } }, 'place of work')
              "
            /><span>height</span
            ><AmountStepper
              :value="line.at.heightMm"
              unit="mm"
              :step="1"
              :min="-20"
              :max="450"
              :start="0"
              :label="`${i + 1}: over the boot board`"
              :disabled="fitting.readOnly"
              @keep="
                (v: number) => change(index, { at: { ...line.at, heightMm: v } }, 'place of work')
              "
            /><VSelect
              density="compact"
              :items="SIDE_WORDS"
              :model-value="line.at.side"
              :aria-label="`${i + 1}: side of the shell`"
              :disabled="fitting.readOnly"
              @update:model-value="
                (side: ShellWork['at']['side']) =>
                  change(index, { at: { ...line.at, side } }, 'place of work')
              "
            />
          </div>
        </li>
        <li v-for="{ line, index } in dropped" :key="`dropped ${line.id}`" class="asks">
          <b class="small">Dropped</b>
          <span class="what"
            ><span><SideMark :side="line.foot" /> {{ line.words }}</span
            ><span class="small muted">{{ line.because }}</span></span
          ><VBtn
            size="small"
            :disabled="fitting.readOnly"
            :aria-label="`Back into the plan: ${line.words}`"
            @click="change(index, { state: 'planned' }, 'work back in the plan')"
            >Bring back</VBtn
          >
        </li>
      </ul>
      <section class="set">
        <div class="sethead">
          <b>Cuff, sole, lean</b
          ><span class="small muted">one change at a time, then the single-leg flex again</span
          ><StatusMark v-if="canted" kind="watch" word="certified re-check of soles and bindings" />
        </div>
        <div class="grid">
          <template v-for="s in SIDES" :key="s"
            ><label
              ><span class="small"><SideMark :side="s" /> cuff, + outwards</span
              ><AmountStepper
                :value="per('cuffAlignDeg', s)"
                unit="°"
                :step="0.5"
                :min="-10"
                :max="10"
                :start="0"
                :label="`${s} cuff alignment, plus is outwards`"
                :disabled="fitting.readOnly"
                @keep="(v: number) => setPer('cuffAlignDeg', s, v)" /></label
            ><label
              ><span class="small"><SideMark :side="s" /> sole cant</span
              ><AmountStepper
                :value="per('soleCantDeg', s)"
                unit="°"
                :step="CANT.step"
                :min="-CANT.most"
                :max="CANT.most"
                :start="0"
                :label="`${s} sole cant`"
                :disabled="fitting.readOnly"
                @keep="(v: number) => setPer('soleCantDeg', s, v)" /></label
          ></template>
          <label v-for="[key, name, unit, start] in SETTINGS" :key="key"
            ><span class="small" :title="key === 'forwardLeanDeg' && lean?.held ? lean.held : ''"
              >{{ name
              }}{{ key === 'forwardLeanDeg' && lean ? `, ${lean.leanDeg}° advised` : '' }}</span
            ><AmountStepper
              :value="chosen[key] ?? null"
              :unit="unit"
              :step="key === 'rampDeg' ? 0.5 : 1"
              :min="-20"
              :max="40"
              :start="start"
              :label="name"
              :disabled="fitting.readOnly"
              @keep="(v: number) => setOne(key, v)"
          /></label>
        </div>
      </section>
      <form class="add" @submit.prevent="add">
        <span class="small">Add</span
        ><VSelect v-model="adding.foot" :items="SIDES" aria-label="Foot of new work" /><VSelect
          v-model="adding.does"
          :items="WORK_KINDS"
          aria-label="Kind of new work"
        /><VSelect
          v-model="adding.station"
          :items="STATION_CHOICES"
          aria-label="Place of new work"
        /><VBtn type="submit" :disabled="fitting.readOnly">Add</VBtn>
      </form>
    </section>
    <div class="stack side">
      <section class="card grow draw">
        <div class="card-head">
          <b class="strong">Where</b
          ><VBtnToggle v-model="view" mandatory role="group" aria-label="View" class="aside"
            ><VBtn value="plan">Plan</VBtn><VBtn value="side">Side</VBtn></VBtnToggle
          >
        </div>
        <FitView
          v-if="fit && matched"
          :record="fitting.record"
          :fit="fit"
          :model="m"
          :feet="matched.feet"
          :view="view"
          :marks="marks"
          dims
        />
        <p v-else class="muted pad">
          This model cannot be made to fit as it stands; work is listed, not drawn.
        </p>
        <p class="small muted pad0">
          {{ processOf(m).words }}. <template v-if="learnedOf">{{ learnedOf }}.</template> Distances
          from the inside of the back, heights over the boot board.
        </p>
      </section>
      <BoardCheck v-if="onBoard" class="card" :match="match" :model="m" />
      <BindingCheck class="card" />
    </div>
  </div>
</template>

<style scoped>
.asks {
  display: grid;
  grid-template-columns: 60px minmax(0, 1fr) auto;
  gap: 8px;
  align-items: center;
  padding: 8px 12px;
  border-bottom: 1px solid var(--hairline);
  background: var(--wash);
}
.asks .what {
  display: flex;
  flex-direction: column;
}
.work {
  grid-template-columns: minmax(0, 1fr) minmax(0, 350px);
}
.list {
  display: flex;
  flex-direction: column;
}
.list .card-head {
  align-items: center;
}
.pad {
  padding: 14px 16px;
}
.pad0 {
  padding: 0 14px 10px;
}
.line {
  display: grid;
  grid-template-columns: 30px minmax(0, 1fr) 168px;
  gap: 8px;
  padding: 10px 12px;
  border-bottom: 1px solid var(--hairline);
}
.line.done .what b {
  color: var(--muted);
}
.n {
  width: 26px;
  height: 26px;
  border: 1.5px solid var(--spruce);
  border-radius: 50%;
  display: grid;
  place-items: center;
  font-weight: 700;
  color: var(--spruce);
}
.what {
  display: flex;
  flex-direction: column;
  gap: 2px;
  min-width: 0;
}
.what b {
  font-weight: 600;
}
.place {
  display: grid;
  grid-column: 2 / -1;
  grid-template-columns: 32px 158px 42px 148px 100px;
  gap: 6px;
  align-items: center;
}
.place .v-input {
  width: 92px;
  --v-input-control-height: 40px;
  font-size: 13px;
  --field-pad: 4px;
}
.re {
  display: flex;
  gap: 6px;
  align-items: center;
}
.re .v-input {
  --v-input-control-height: 36px;
  width: 180px;
  font-size: 13px;
}
.amount {
  display: flex;
  flex-direction: column;
  gap: 4px;
}
.btns {
  display: flex;
  gap: 4px;
}
.add {
  display: flex;
  gap: 8px;
  align-items: center;
  padding: 8px 12px;
  border-top: 1px solid var(--hairline);
}
.add .v-input {
  --v-input-control-height: 40px;
  font-size: 14px;
  --field-pad: 6px;
  width: auto;
  flex: 1;
  min-width: 0;
}
.side {
  overflow: auto;
}
.side > * {
  flex-shrink: 0;
}
.draw {
  display: flex;
  flex-direction: column;
  min-height: 250px;
}
.draw .card-head {
  align-items: center;
}
.draw :deep(.v-btn-group) {
  height: 36px !important;
}
.draw :deep(.v-btn-group .v-btn) {
  height: 34px !important;
}
.set {
  border-top: 1px solid var(--hairline);
  padding: 8px 12px;
}
.sethead {
  display: flex;
  gap: 10px;
  align-items: center;
  padding-bottom: 4px;
  flex-wrap: wrap;
}
.grid {
  display: grid;
  grid-template-columns: repeat(4, minmax(0, 1fr));
  gap: 6px 8px;
}
@media (max-width: 1000px) {
  .work {
    grid-template-columns: 1fr;
  }
}
</style>
