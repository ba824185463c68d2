<script setup lang="ts">
import InTurn from '~/components/InTurn.vue'
import { deviceRows } from '../../../core/device/deviceRows'
import { computed, onMounted, ref, toRaw } from 'vue'
import { VBtn } from 'vuetify/components'
import { openRound, roundOfStep, roundWords } from '../../../core/bench/rounds'
import { nextStep, type BenchStep } from '../../../core/bench/jobSteps'
import type { StepChange, StepState } from '../../../core/record/stepState'
import { ticketSteps, type TicketStep } from '../../../core/formats/papers/ticket'
import { deviceKindWords, deviceLines } from '../../../core/device/deviceWords'
import { prescription } from '../../../core/formats/papers/prescription'
import { sizeWords } from '../../../core/footwear/match'
import { SIDES, type Side } from '../../../core/tables/vocabulary'
import PromisePane from './PromisePane.vue'
import CheckMadePane from './CheckMadePane.vue'
import QuotePane from './QuotePane.vue'
import SideMark from '~/components/SideMark.vue'
import StepActions from '~/components/StepActions.vue'
import { download } from '~/browser/download'
import { useJob } from '~/composables/useJob'
import { useFitting } from '~/stores/fitting'
import { useModels } from '~/stores/models'
import { modelHere } from '~/browser/modelHere'
import { useSession } from '~/stores/session'
import { deviceWorker } from '~/workers/deviceWorker'
import PlainButton from '~/components/PlainButton.vue'

const fitting = useFitting()
const session = useSession()
const models = useModels()
const trouble = ref('')
const busy = ref('')
onMounted(() => models.load().catch((error: Error) => (trouble.value = error.message)))
const { steps, canWork, act, early, bench } = useJob()
onMounted(() => void bench.load())
/** One line for both feet. */
const isOver = (s: BenchStep) => s.state === 'done' || s.state === 'skipped'
const round = computed(() => openRound(fitting.record.rounds))
/** Making before somebody said yes is asked, not forbidden. */
const unaccepted = computed(() => {
  const isBegun = steps.value.some((s) => s.state !== 'open')
  const { quotes = [], handover } = fitting.record
  if (handover?.on || isBegun || steps.value.length === 0 || !session.may('clients.see')) return ''
  if (quotes.at(-1)?.answer === 'accepted') return ''
  return quotes.length > 0
    ? 'The quote is not accepted yet. Make it all the same?'
    : 'No quote was given yet. Make it all the same?'
})
const allRounds = ref(false)
/** Of an open round its own steps and what is open beside it; the earlier ones where they are wanted. */
const isShown = (s: BenchStep) =>
  !round.value || allRounds.value || roundOfStep(s.step) === round.value.no || !isOver(s)
const lines = computed(() => ticketSteps(steps.value.filter(isShown)))
const hidden = computed(() => steps.value.length - steps.value.filter(isShown).length)
const stepsOf = (line: TicketStep) => steps.value.filter((s) => s.step === line.step)
const doneCount = computed(() => steps.value.filter(isOver).length)
const all = computed(() => steps.value.length)
const next = computed(() => nextStep(steps.value))
const open = ref('')
const inHand = computed(() => steps.value.find((s) => s.key === open.value))
const STATE: Record<StepState, string> = {
  open: 'open',
  running: '● runs',
  done: '✓ done',
  skipped: '– left out',
}
function tick(step: BenchStep) {
  // A foot on a warm surface is asked for its temperature first.
  if (!isOver(step) && step.skinMin !== undefined && step.state === 'open')
    return void (open.value = step.key)
  trouble.value = act(step, { do: isOver(step) ? 'undo' : 'finish' })
}
const doIt = (change: Omit<StepChange, 'step' | 'foot'>) =>
  (trouble.value = act(inHand.value!, change))
const code = computed(() => fitting.client?.code ?? 'client')
/** the foot as devices are built on it, captured surface and all */
const plain = (side: Side) => structuredClone(toRaw(fitting.record.feet[side]!))
const makes = (side: Side) =>
  Boolean(fitting.record.feet[side]!.device) && fitting.record.feet[side]!.device!.kind !== 'none'
async function file(kind: 'stl' | 'svg' | 'json', side: Side = 'left') {
  busy.value = kind + side
  try {
    if (kind === 'json')
      return download(
        `${code.value}-prescription.json`,
        JSON.stringify(prescription(fitting.record, fitting.openedOn), null, 2),
        'application/json',
      )
    const data = await deviceWorker().file(
      plain(side),
      side,
      deviceRows(fitting.norms),
      code.value,
      kind === 'stl' ? '.stl' : '-template.svg',
    )
    download(
      kind === 'stl' ? `${code.value}-${side}.stl` : `${code.value}-${side}-template.svg`,
      data,
      kind === 'stl' ? 'model/stl' : 'image/svg+xml',
    )
  } catch (error) {
    trouble.value = (error as Error).message
  } finally {
    busy.value = ''
  }
}
/** the prescription of each foot, line by line */
const prescribed = computed(() => {
  const rows = deviceRows(fitting.norms)
  const { left, right } = fitting.record.feet
  return { left: deviceLines(left!, rows), right: deviceLines(right!, rows) }
})
const shell = computed(() => modelHere(fitting.record.footwear?.chosen?.model))
</script>

<template>
  <div class="title-row">
    <h1>Make</h1>
    <span class="fact"
      >{{ all ? `${doneCount} of ${all} steps done` : 'no device prescribed yet' }} ·
      {{ code }}</span
    >
    <VBtn
      :href="`/api/fittings/${fitting.id}/ticket`"
      target="_blank"
      :disabled="all === 0 || fitting.blocked"
      >Work ticket (PDF)</VBtn
    >
    <VBtn
      :to="`/bench/${fitting.id}`"
      :disabled="all === 0 || fitting.blocked"
      color="primary"
      variant="flat"
      >Step by step</VBtn
    >
  </div>
  <p v-if="trouble" class="notice stop" role="alert">{{ trouble }}</p>
  <p v-if="fitting.blocked" class="notice stop" role="alert">
    <b>Refer first.</b> Making waits for a clearance.
    <NuxtLink v-if="session.may('clients.see')" :to="`/fittings/${fitting.id}/story`"
      >Record it in Story</NuxtLink
    ><template v-else>The fitter records it.</template>
  </p>
  <p v-if="all === 0" class="notice">
    Nothing to make: prescribe a device first.
    <NuxtLink :to="`/fittings/${fitting.id}/prescribe`">Go to Prescribe</NuxtLink>
  </p>
  <p v-if="unaccepted" class="notice">▲ {{ unaccepted }}</p>
  <p v-if="round" class="notice">
    <b>{{ roundWords(round) }}</b>
  </p>
  <div class="cols make">
    <section class="card stack0">
      <div class="card-head">
        <h2>Steps</h2>
        <span class="aside">{{
          next ? `next: ${next.words}${next.foot ? `, ${next.foot}` : ''}` : all ? 'all done' : ''
        }}</span>
      </div>
      <ul class="scroll grow">
        <li
          v-for="line in lines"
          :key="line.step"
          class="step"
          :class="{ now: line.step === next?.step }"
        >
          <span class="what"
            ><b>{{ line.words }}</b
            ><span class="muted label"
              >{{ line.minutes }} min · {{ line.waiting ? 'waiting' : 'hands-on'
              }}{{ line.client ? ' · client there' : '' }}</span
            ><span v-if="line.caution" class="watch-text label">▲ {{ line.caution }}</span></span
          >
          <PlainButton
            class="more"
            :aria-expanded="inHand?.step === line.step"
            :aria-label="`More of ${line.words}`"
            @click="
              open =
                inHand?.step === line.step
                  ? ''
                  : (stepsOf(line).find((s) => !isOver(s)) ?? stepsOf(line)[0]!).key
            "
          >
            …
          </PlainButton>
          <PlainButton
            v-for="s in stepsOf(line)"
            :key="s.key"
            class="tick"
            role="checkbox"
            :aria-checked="isOver(s)"
            :disabled="!canWork"
            :aria-label="`${line.words}${s.foot ? `, ${s.foot}` : ''}`"
            @click="tick(s)"
          >
            <SideMark v-if="s.foot" :side="s.foot" word /><span v-else>Pair</span
            ><b>{{ STATE[s.state] }}</b>
          </PlainButton>
          <div v-if="inHand?.step === line.step" class="hand">
            <p v-if="stepsOf(line).length > 1" class="label">
              <PlainButton
                v-for="s in stepsOf(line)"
                :key="s.key"
                class="sd"
                :aria-pressed="open === s.key"
                @click="open = s.key"
              >
                <SideMark :side="s.foot!" word />
              </PlainButton>
            </p>
            <p v-if="inHand.entry?.reason" class="label">
              {{ inHand.entry.reason
              }}<template v-if="inHand.redone"> · done again {{ inHand.redone }} times</template>
            </p>
            <StepActions
              :step="inHand"
              :wearer="fitting.wearer"
              :disabled="!canWork"
              :early="early(inHand)"
              @act="doIt"
            />
          </div>
        </li>
        <li v-if="round && (hidden > 0 || allRounds)" class="earlier">
          <PlainButton @click="allRounds = !allRounds">{{
            allRounds ? 'Hide the earlier rounds' : `${hidden} steps of earlier rounds`
          }}</PlainButton>
        </li>
      </ul>
    </section>
    <div class="stack scroll" tabindex="0" role="region" aria-label="Devices and files">
      <InTurn><PromisePane :disabled="!session.may('jobs.change')" /></InTurn>
      <InTurn><CheckMadePane :disabled="!session.may('jobs.change')" /></InTurn>
      <InTurn><QuotePane v-if="session.may('clients.see')" /></InTurn>
      <section v-for="side in SIDES" :key="side" class="card">
        <div class="card-head">
          <SideMark :side="side" word /><b>{{
            deviceKindWords(fitting.record.feet[side]!.device?.kind ?? 'none')
          }}</b>
        </div>
        <div class="card-body">
          <ul>
            <li v-for="line in prescribed[side]" :key="line">{{ line }}</li>
          </ul>
          <div v-if="makes(side)" class="files">
            <VBtn :disabled="busy !== ''" @click="file('stl', side)">Solid, STL</VBtn
            ><VBtn :disabled="busy !== ''" @click="file('svg', side)">Trim template 1:1, SVG</VBtn>
          </div>
        </div>
      </section>
      <section class="card">
        <div class="card-head"><h2>Shell</h2></div>
        <div class="card-body">
          <template v-if="shell"
            >{{ shell.maker }} <b>{{ shell.name }}</b>, left
            {{ sizeWords(fitting.record.footwear!.chosen!.sizeLeftMm ?? 0) }}, right
            {{ sizeWords(fitting.record.footwear!.chosen!.sizeRightMm ?? 0) }}</template
          ><span v-else class="muted">Not chosen yet</span>
          <div class="files">
            <VBtn :disabled="all === 0" @click="file('json')">Prescription, JSON</VBtn>
          </div>
        </div>
      </section>
      <p class="notice small">
        Adhesives ventilated; extraction and mask at the grinder; gloves with heat. Binding and
        blade work only with a re-check by a certified technician.
      </p>
    </div>
  </div>
</template>

<style scoped>
.make {
  grid-template-columns: minmax(0, 1fr) minmax(0, 420px);
}
.stack0 {
  display: flex;
  flex-direction: column;
}
.step {
  display: flex;
  align-items: center;
  gap: 8px;
  padding: 8px 14px;
  border-bottom: 1px solid var(--hairline);
  min-height: 68px;
  flex-wrap: wrap;
}
.earlier {
  padding: 6px 14px;
}
.earlier .v-btn {
  min-height: 44px;
  text-decoration: underline;
}
.hand {
  flex-basis: 100%;
  padding: 4px 0 8px;
}
.more {
  width: 44px;
  height: 52px;
  text-align: center;
  font-weight: 700;
  border-radius: 6px;
}
.sd {
  height: 44px;
  padding: 0 12px;
  border: 1px solid var(--line-strong);
  border-radius: 6px;
  margin-right: 6px;
}
.sd[aria-pressed='true'] {
  background: var(--wash);
}
.step.now {
  background: var(--wash);
  box-shadow: inset 4px 0 var(--spruce);
}
.what {
  flex: 1;
  min-width: 200px;
}
.what b,
.what span {
  display: block;
}
.tick {
  min-width: 86px;
  height: 52px;
  border: 1px solid var(--line-strong);
  border-radius: 6px;
  background: var(--sheet);
  display: flex;
  flex-direction: column;
  align-items: center;
  justify-content: center;
  font-size: 13px;
  line-height: 17px;
}
.tick[aria-checked='true'] {
  border-color: var(--good);
  color: var(--good-text);
}
.stack > * {
  flex: none;
}
.files {
  display: flex;
  gap: 8px;
  margin-top: 8px;
  flex-wrap: wrap;
}
</style>
