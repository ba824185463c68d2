<script setup lang="ts">
import DayField from '~/components/DayField.vue'
import { addDays, format } from 'date-fns'
import { computed, onMounted, ref } from 'vue'
import { VBtn, VDialog } from 'vuetify/components'
import { wearInPlan } from '../../../core/followup/wearInPlan'
import { clientCard } from '../../../core/formats/papers/card'
import { HANDOVER_CHECKS } from '../../../core/followup/handoverChecks'
import { monthsLater } from '../../../core/record/isoDay'
import { parseNumber } from '../../../core/measure/parseNumber'
import type { Handover, Round } from '../../../core/record/schema'
import BindingCheck from '~/components/BindingCheck.vue'
import { pairsChosen } from '../../../core/footwear/pairsTaken'
import { openRound, roundWords, withOpenRound } from '../../../core/bench/rounds'
import { handoverGate } from '../../../core/followup/handoverGate'
import RoundDialog from '~/components/RoundDialog.vue'
import BookVisit from '~/components/BookVisit.vue'
import DraftField from '~/components/DraftField.vue'
import StatusMark from '~/components/StatusMark.vue'
import { useJob } from '~/composables/useJob'
import { useFitting } from '~/stores/fitting'
import { useChanges } from '~/stores/changes'
import PlainButton from '~/components/PlainButton.vue'

const fitting = useFitting()
const changes = useChanges()
const trouble = ref('')
const handover = computed<Handover>(() => fitting.record.handover ?? {})
const CHECKS = HANDOVER_CHECKS
const WORDS = { good: 'Good', watch: 'Watch', stop: 'Stop' } as const
const put = (patch: Partial<Handover>, words: string) =>
  (trouble.value = changes.put('handover', { ...handover.value, ...patch }, words) ?? '')
const rounds = computed<Round[]>(() => fitting.record.rounds ?? [])
const round = computed(() => openRound(rounds.value))
type Told = Pick<Handover, 'checks' | 'evenFeel' | 'minutesInFootwear' | 'allTheSame'>
/** What is told of the round that leaves: the open one, else the first. */
const told = computed<Told>(() => round.value ?? handover.value)
const tell = (patch: Told, words: string) =>
  round.value ? putRound(patch, words) : put(patch, words)
const putRound = (patch: Partial<Round>, words: string) =>
  (trouble.value =
    changes.put(
      'rounds',
      withOpenRound(rounds.value, patch),
      `${words}, round ${round.value?.no}`,
    ) ?? '')
const set = (id: string, verdict: 'good' | 'watch' | 'stop') =>
  tell({ checks: { ...told.value.checks, [id]: verdict } }, `check ${id}`)
const good = computed(() => CHECKS.filter((c) => told.value.checks?.[c.id] === 'good').length)
const { steps, models } = useJob()
onMounted(() => models.load().catch((error: Error) => (trouble.value = error.message)))
/** What it waits for, and what may be left out with a reason. */
const gate = computed(() => handoverGate(fitting.record, steps.value))
/** It is with the client: nothing leaves now. */
const isAway = computed(
  () => handover.value.on !== undefined && !round.value && !handover.value.footwearBackOn,
)
/** The next visit as the dates have it, at nine. */
const nextVisit = computed(() => ({
  ...(handover.value.nextVisitOn && {
    startsAt: new Date(`${handover.value.nextVisitOn}T09:00`).toISOString(),
  }),
  reason: 'after two weeks',
}))
const rounding = ref(false)
const booking = ref(false)
const leave = computed(() => {
  if (round.value) return `Hand over round ${round.value.no}`
  return handover.value.on ? 'Hand over again' : 'Hand over'
})
const fact = computed(() =>
  [
    `${good.value} of ${CHECKS.length} checks good`,
    handover.value.on && `handed over ${handover.value.on}`,
    handover.value.footwearBackOn && `footwear back ${handover.value.footwearBackOn}`,
  ]
    .filter(Boolean)
    .join(', '),
)
const reason = (text: string) => tell({ allTheSame: text.trim() || undefined }, 'why it leaves')
const over = (r: Round) => (r.handedOverOn ? `, handed over ${r.handedOverOn}` : ', at the bench')
const start = computed(() => handover.value.wearInStart ?? format(new Date(), 'yyyy-MM-dd'))
const card = computed(() => clientCard(fitting.record, format(new Date(start.value), 'd MMMM')))
const plan = computed(() => wearInPlan(fitting.record, start.value))
const today = () => format(new Date(), 'yyyy-MM-dd')
const months = computed(
  () =>
    fitting.record.quotes?.filter((q) => q.answer === 'accepted').at(-1)?.guaranteeMonths ??
    fitting.tables.prices.guaranteeMonths,
)
/** Pairs of the shop's that went with the client. */
const taken = computed(() => pairsChosen(fitting.record.footwear).length)
const back = () => put({ footwearBackOn: today() }, 'footwear came back')
function handOver() {
  if (round.value) return void putRound({ handedOverOn: today() }, 'handed over')
  // The first day stays: guarantee and questions go by it.
  if (handover.value.on) return void put({ footwearBackOn: undefined }, 'handed over again')
  put(
    {
      on: today(),
      footwearBackOn: undefined,
      guaranteeUntil: monthsLater(today(), months.value),
      wearInStart: start.value,
      nextVisitOn: handover.value.nextVisitOn ?? format(addDays(new Date(), 14), 'yyyy-MM-dd'),
    },
    'handed over',
  )
}
function minutes(text: string) {
  const value = text.trim() ? parseNumber(text) : undefined
  if (value === null || (value !== undefined && (value < 0 || value > 240)))
    trouble.value = `Minutes go from 0 to 240. “${text}” was not kept.`
  else tell({ minutesInFootwear: value }, 'minutes in the footwear')
}
</script>

<template>
  <div class="title-row">
    <h1>Handover</h1>
    <span class="fact">{{ fact }}</span>
    <VBtn :href="`/api/fittings/${fitting.id}/card`" target="_blank">Client’s card (PDF)</VBtn>
    <VBtn :href="`/api/fittings/${fitting.id}/form`" target="_blank">Fitting form (PDF)</VBtn>
    <VBtn :href="`/api/fittings/${fitting.id}/wearin`">Wear-in dates (calendar)</VBtn>
    <VBtn
      v-if="handover.on && !handover.footwearBackOn && taken > 0"
      :disabled="fitting.readOnly"
      title="The shop’s pair lies on its shelf again"
      @click="back"
      >Footwear came back</VBtn
    >
    <VBtn v-if="isAway" :disabled="fitting.readOnly" @click="rounding = true"
      >Back to the bench …</VBtn
    >
    <VBtn
      v-else
      color="primary"
      variant="flat"
      :disabled="fitting.readOnly || !gate.isOpen"
      :aria-describedby="gate.isOpen ? undefined : 'gate'"
      @click="handOver"
      >{{ leave }}</VBtn
    >
  </div>
  <p v-if="trouble" class="notice stop" role="alert">{{ trouble }}</p>
  <BindingCheck />
  <p v-if="round" class="notice">
    <b>{{ roundWords(round) }}</b>
  </p>
  <section v-if="!isAway && (gate.stops.length > 0 || gate.asks.length > 0)" id="gate" class="gate">
    <p v-for="s in gate.stops" :key="s" class="notice stop">{{ s }}.</p>
    <div v-if="gate.asks.length > 0" class="notice asks">
      <span>{{ gate.asks.join('. ') }}.</span>
      <DraftField
        class="why"
        :value="told.allTheSame"
        :disabled="fitting.readOnly"
        maxlength="300"
        placeholder="Why it leaves all the same"
        aria-label="Why it leaves all the same"
        @keep="reason"
      />
    </div>
  </section>
  <div class="cols two">
    <section class="card stack0">
      <div class="card-head"><h2>Checks on the pair</h2></div>
      <ul class="scroll grow">
        <li v-for="(c, i) in CHECKS" :key="c.id" class="check">
          <span class="n">{{ i + 1 }}</span><span class="what"
            ><b>{{ c.name }}</b
            ><span class="muted label">{{ c.how }}</span></span
          >
          <span class="three" role="radiogroup" :aria-label="c.name"
            ><PlainButton
              v-for="v in ['good', 'watch', 'stop'] as const"
              :key="v"
              role="radio"
              :aria-checked="told.checks?.[c.id] === v"
              class="v"
              :class="{ on: told.checks?.[c.id] === v }"
              :disabled="fitting.readOnly"
              @click="set(c.id, v)"
            >
              <StatusMark v-if="told.checks?.[c.id] === v" :kind="v" /><template v-else>{{
                WORDS[v]
              }}</template>
            </PlainButton></span
          >
        </li>
      </ul>
      <div class="felt">
        <span class="grow" role="radiogroup" aria-label="How the two feel"
          ><span class="label muted">Feel: ask, do not lead</span
          ><span class="three"
            ><PlainButton
              v-for="f in ['even', 'left higher', 'right higher'] as const"
              :key="f"
              role="radio"
              class="v"
              :aria-checked="told.evenFeel === f"
              :class="{ on: told.evenFeel === f }"
              :disabled="fitting.readOnly"
              @click="tell({ evenFeel: f }, `feel ${f}`)"
            >
              {{ f }}
            </PlainButton></span
          ></span
        >
        <label
          ><span class="label muted">Minutes in the footwear</span
          ><DraftField
            class="mins"
            inputmode="numeric"
            :value="told.minutesInFootwear"
            :disabled="fitting.readOnly"
            aria-label="Minutes in the footwear"
            @keep="minutes"
        /></label>
        <p v-if="told.evenFeel && told.evenFeel !== 'even'" class="label watch-text">
          ▲ Mend it before they leave: what feels uneven now is why it comes back.
        </p>
        <p
          v-else-if="told.minutesInFootwear !== undefined && told.minutesInFootwear < 10"
          class="label watch-text"
        >
          ▲ Numb toes come after ten minutes; stay a little longer.
        </p>
      </div>
    </section>
    <div class="stack">
      <section class="card">
        <div class="card-head"><h2>Dates</h2></div>
        <div class="card-body dates">
          <DayField
            label="Wearing in starts"
            :model-value="start"
            :disabled="fitting.readOnly"
            @update:model-value="(day) => put({ wearInStart: day }, 'wear-in start')"
          />
          <DayField
            label="Next visit"
            :model-value="handover.nextVisitOn"
            :disabled="fitting.readOnly"
            @update:model-value="(day) => put({ nextVisitOn: day }, 'next visit')"
          />
          <DayField
            label="Guarantee until"
            :model-value="handover.guaranteeUntil"
            :disabled="fitting.readOnly"
            @update:model-value="(day) => put({ guaranteeUntil: day }, 'guarantee until')"
          />
          <VBtn class="book" :disabled="fitting.readOnly" @click="booking = true"
            >Book the next visit</VBtn
          >
          <ul v-if="rounds.length > 0" class="rounds">
            <li v-for="r in rounds" :key="r.no" class="small">{{ roundWords(r) }}{{ over(r) }}</li>
          </ul>
          <p class="small plan">
            <span v-for="d in plan.slice(0, 9)" :key="d.on + d.words"
              ><b>{{ format(new Date(`${d.on}T12:00`), 'EEE d MMM') }}</b> {{ d.words }}</span
            ><span v-if="plan.length > 9" class="muted"
              >and so on to {{ format(new Date(`${plan.at(-1)!.on}T12:00`), 'd MMM') }}</span
            >
          </p>
        </div>
      </section>
      <section class="card grow scroll" tabindex="0" aria-label="The card says">
        <div class="card-head">
          <h2>The card says</h2>
          <span class="aside small">plain words only</span>
        </div>
        <div class="paper">
          <h3 class="h1">{{ card.greeting }}</h3>
          <p v-for="m in card.made" :key="m">{{ m }}</p>
          <p v-if="card.goal" class="goal">“{{ card.goal }}”</p>
          <ol>
            <li v-for="(w, i) in card.wearIn" :key="w">{{ i + 1 }}. {{ w }}</li>
          </ol>
          <p class="muted">{{ card.normal }}</p>
          <p><b>Stop and call us:</b> {{ card.stop.join('; ') }}.</p>
          <p class="muted small">{{ card.notice }}</p>
        </div>
      </section>
    </div>
  </div>
  <VDialog v-model="rounding" max-width="520"
    ><RoundDialog v-if="rounding" @close="rounding = false" @kept="rounding = false"
  /></VDialog>
  <VDialog v-model="booking" max-width="560"
    ><BookVisit
      v-if="booking && fitting.client"
      :client="{ id: fitting.client.id, name: fitting.client.details.name ?? fitting.client.code }"
      :at="nextVisit"
      @close="booking = false"
      @kept="booking = false"
  /></VDialog>
</template>

<style scoped>
.gate {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.gate > * {
  flex: 0 1 auto;
}
.gate > .asks {
  flex: 1 1 420px;
}
.asks {
  display: flex;
  align-items: center;
  gap: 12px;
  padding-block: 4px;
}
.why {
  flex: 1;
}
.book,
.rounds {
  grid-column: 1 / -1;
}
.two {
  grid-template-columns: minmax(0, 1fr) minmax(0, 440px);
}
.stack0 {
  display: flex;
  flex-direction: column;
}
.check {
  display: flex;
  align-items: center;
  gap: 12px;
  padding: 5px 14px;
  border-bottom: 1px solid var(--hairline);
  min-height: 56px;
}
.n {
  color: var(--muted);
  width: 14px;
}
.what {
  flex: 1;
}
.what b,
.what span {
  display: block;
}
.three {
  display: flex;
  gap: 8px;
}
.v {
  min-width: 84px;
  height: 44px;
  border: 1px solid var(--line-strong);
  border-radius: 6px;
  text-align: center;
  color: var(--muted);
  display: grid;
  place-items: center;
}
.v.on {
  background: var(--wash);
}
.felt {
  display: flex;
  gap: 14px;
  align-items: end;
  flex-wrap: wrap;
  padding: 8px 14px;
  border-top: 1px solid var(--hairline);
}
.felt .grow {
  display: flex;
  flex-direction: column;
  gap: 4px;
}
.felt label {
  display: flex;
  flex-direction: column;
}
.felt .v {
  padding: 0 12px;
  white-space: nowrap;
}
.mins {
  width: 150px;
}
.dates {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 8px;
}
.dates label span {
  font-size: 12px;
  color: var(--muted);
}
.plan {
  grid-column: 1 / -1;
  display: flex;
  flex-wrap: wrap;
  gap: 2px 12px;
}
.paper {
  margin: 12px;
  padding: 16px;
  border: 1px solid var(--ink);
  background: #fff;
  display: flex;
  flex-direction: column;
  gap: 8px;
  font-size: 16px;
  line-height: 22px;
}
.goal {
  border-left: 4px solid var(--spruce);
  padding-left: 12px;
}
</style>
