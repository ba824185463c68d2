<script setup lang="ts">
import { computed, onMounted, ref, watch } from 'vue'
import { VBtn } from 'vuetify/components'
import { nextStep, type BenchStep } from '../../../core/bench/jobSteps'
import { openBefore } from '../../../core/bench/stepCommand'
import type { StepChange } from '../../../core/record/stepState'
import { leftWords } from '../../../core/bench/timer'
import AppHeader from '~/components/AppHeader.vue'
import FoundAfterCooling from '~/components/FoundAfterCooling.vue'
import HeatCard from '~/components/HeatCard.vue'
import SideMark from '~/components/SideMark.vue'
import StepActions from '~/components/StepActions.vue'
import { useJob } from '~/composables/useJob'
import { useSession } from '~/stores/session'
import { useTimers } from '~/stores/timers'
import { useChanges } from '~/stores/changes'
import { useQueue } from '~/stores/queue'
import { useWaiting } from '~/stores/waiting'
import PlainButton from '~/components/PlainButton.vue'

/**
 * Step by step, for a tablet at the bench: one step in large letters, its timer, what is next, what
 * else runs.
 */
const route = useRoute()
const session = useSession()
const timers = useTimers()
const { fitting, bench, models, steps, canWork, act, early } = useJob()
const changes = useChanges()
const queue = useQueue()
const waits = useWaiting()
const trouble = ref('')
const at = ref('')
const ready = ref(new Set<string>())
async function open() {
  try {
    await changes.open(String(route.params.id))
    await Promise.all([models.load(), bench.load()])
  } catch (error) {
    trouble.value = (error as Error).message
  }
}
onMounted(open)
watch(
  () => timers.benchTold,
  () => void queue.reload().catch(() => undefined),
)
const isOver = (s: BenchStep) => s.state === 'done' || s.state === 'skipped'
const running = computed(() => steps.value.filter((s) => s.state === 'running'))
/** The step in hand: the chosen one, else one with hands that runs, else what comes next. */
const step = computed<BenchStep | undefined>(
  () =>
    steps.value.find((s) => s.key === at.value) ??
    running.value.find((s) => !s.waiting) ??
    nextStep(steps.value),
)
const index = computed(() => (step.value ? steps.value.indexOf(step.value) : -1))
watch(
  () => step.value?.key,
  () => (ready.value = new Set()),
)
const after = computed(() => {
  const rest = steps.value.filter((s) => !isOver(s) && s !== step.value && s.state !== 'running')
  return (
    rest.find((s) =>
      openBefore(steps.value, s).every((b) => b === step.value || b.state === 'running'),
    ) ?? rest[0]
  )
})
const planned = (s: BenchStep | undefined) =>
  s ? bench.shown.find((p) => p.job === fitting.id && p.step === s.key)?.start : undefined
const timer = computed(() =>
  timers.timers.find((t) => t.fittingId === fitting.id && t.step === step.value?.key.slice(0, 80)),
)
const others = computed(() =>
  timers.timers
    .filter((t) => t !== timer.value)
    .sort((a, b) => timers.left(a) - timers.left(b))
    .slice(0, 4),
)
const share = computed(() =>
  timer.value
    ? Math.min(1, Math.max(0, 1 - timers.left(timer.value) / (timer.value.plannedMin * 60_000)))
    : 0,
)
function doIt(change: Omit<StepChange, 'step' | 'foot'>) {
  const s = step.value!
  trouble.value = act(s, change)
  if (trouble.value) return
  // What was begun stays in hand, waiting or not, until it is over or another is chosen; then the
  // next comes by itself.
  if (change.do === 'start') at.value = s.key
  else if (['finish', 'skip', 'split'].includes(change.do)) at.value = ''
}
const unready = computed(() =>
  step.value?.state === 'open' ? (step.value.ready ?? []).filter((r) => !ready.value.has(r)) : [],
)
function toggle(r: string) {
  const next = new Set(ready.value)
  if (!next.delete(r)) next.add(r)
  ready.value = next
}
const who = computed(() => fitting.client?.details.name ?? fitting.client?.code ?? '')
</script>

<template>
  <div class="frame plain">
    <AppHeader
      :title="who"
      :fact="step ? `${step.processName}${step.foot ? `, ${step.foot}` : ''}` : 'Bench'"
      :saved="waits.saved"
      :shop="fitting.shop"
      ><VBtn height="56" to="/bench">Leave the bench</VBtn></AppHeader
    >
    <main class="main steps">
      <p v-if="trouble" class="notice stop" role="alert">{{ trouble }}</p>
      <p v-if="fitting.blocked" class="notice stop" role="alert">
        <b>Refer first.</b> Making waits for a clearance.
      </p>
      <p v-if="changes.said" class="notice" role="status">{{ changes.said }}</p>
      <div v-if="step" class="cols two">
        <div class="stack">
          <section class="card card-body now">
            <p class="top">
              <b>Step {{ index + 1 }} of {{ steps.length }}</b>
              <SideMark v-if="step.foot" :side="step.foot" word /><span class="muted"
                >{{ step.minutes }} min {{ step.waiting ? 'waiting' : 'hands-on'
                }}{{ step.client ? ' · client there' : '' }}</span
              >
              <span class="cells"
                ><PlainButton
                  v-for="(s, i) in steps"
                  :key="s.key"
                  class="cell"
                  :class="[s.state, { here: s === step }]"
                  :aria-label="`Step ${i + 1}: ${s.words}${s.foot ? `, ${s.foot}` : ''}, ${s.state}`"
                  :title="s.words"
                  @click="at = s.key"
              /></span>
            </p>
            <h1 class="words">{{ step.words }}</h1>
            <p v-if="step.caution" class="caution">▲ {{ step.caution }}</p>
            <div v-if="step.state === 'open' && step.ready?.length" class="ready">
              <PlainButton
                v-for="r in step.ready"
                :key="r"
                class="pre"
                :aria-pressed="ready.has(r)"
                @click="toggle(r)"
              >
                <b>{{ ready.has(r) ? '✓' : '▲' }}</b> {{ r }}{{ ready.has(r) ? '' : ': not yet' }}
              </PlainButton>
            </div>
          </section>
          <section class="card card-body hand">
            <div v-if="timer" class="clock">
              <svg viewBox="0 0 72 72" width="72" height="72" aria-hidden="true">
                <circle
                  cx="36"
                  cy="36"
                  r="31"
                  fill="none"
                  stroke="var(--hairline)"
                  stroke-width="6"
                />
                <circle
                  cx="36"
                  cy="36"
                  r="31"
                  fill="none"
                  stroke="var(--spruce)"
                  stroke-width="6"
                  :stroke-dasharray="`${share * 194.8} 194.8`"
                  transform="rotate(-90 36 36)"
                />
              </svg>
              <b
                class="digits"
                :class="{ over: timers.left(timer) <= 0 }"
                role="timer"
                :aria-label="`${step.words}, ${timers.left(timer) <= 0 ? 'over by' : 'ready in'}`"
                >{{ leftWords(timers.left(timer)) }}</b><span class="muted">{{
                timer.state === 'paused'
                  ? 'paused'
                  : timers.left(timer) <= 0
                    ? 'over by'
                    : 'ready in'
              }}</span>
              <VBtn
                height="64"
                :disabled="!canWork"
                @click="
                  timers.change(timer.id, { do: timer.state === 'paused' ? 'resume' : 'pause' })
                "
                >{{ timer.state === 'paused' ? 'Go on' : 'Pause' }}</VBtn
              >
            </div>
            <p v-if="unready.length" class="watch-text">▲ Not ready: {{ unready.join(', ') }}.</p>
            <StepActions
              :step
              :wearer="fitting.wearer"
              :disabled="!canWork"
              :early="step.state === 'open' ? early(step) : []"
              big
              @act="doIt"
            />
          </section>
          <PlainButton v-if="after" class="card next" @click="at = after.key">
            <span class="muted">Next</span>
            <b
              >{{ after.words }}{{ after.foot ? `, ${after.foot}` : '' }},
              {{ after.minutes }} min</b
            ><span class="when">{{ planned(after) ?? '' }}</span>
          </PlainButton>
        </div>
        <div class="stack scroll" tabindex="0" role="region" aria-label="Heat and timers">
          <HeatCard
            v-if="step.heat || running.some((s) => s.heat)"
            :window="step.heat ?? running.find((s) => s.heat)!.heat!"
            :fitting-id="fitting.id"
            :name="`${fitting.client?.code ?? 'piece'}: ${step.words}`"
            :may="canWork"
          />
          <FoundAfterCooling :may="canWork" />
          <section class="card">
            <div class="card-head">
              <h2>Also running</h2>
              <span class="aside">{{ others.length }} timers</span>
            </div>
            <ul>
              <li
                v-for="t in others"
                :key="t.id"
                class="other"
                :class="{ late: timers.left(t) <= 0 }"
              >
                <b class="mid" :class="{ over: timers.left(t) <= 0 }">{{
                  leftWords(timers.left(t))
                }}</b><span class="grow small">{{ t.name }}</span
                ><VBtn
                  v-if="session.may('jobs.change')"
                  height="56"
                  :aria-label="`Done: ${t.name}`"
                  @click="timers.change(t.id, { do: 'stop' })"
                  >Done</VBtn
                >
              </li>
              <li v-if="others.length === 0" class="muted pad">Nothing else.</li>
            </ul>
          </section>
        </div>
      </div>
      <section v-else-if="fitting.client" class="card card-body">
        <h1>{{ steps.length ? 'All steps are done' : 'Nothing to make here' }}</h1>
        <p>
          <NuxtLink :to="`/fittings/${fitting.id}/${steps.length ? 'handover' : 'prescribe'}`">{{
            steps.length ? 'Go to Handover' : 'Prescribe a device first'
          }}</NuxtLink>
        </p>
        <FoundAfterCooling :may="canWork" />
      </section>
      <p v-else class="muted" role="status">Opening the job …</p>
    </main>
  </div>
</template>

<style scoped>
.two {
  grid-template-columns: minmax(0, 5fr) minmax(0, 3fr);
}
.now {
  flex: 1;
  display: flex;
  flex-direction: column;
  gap: 14px;
  min-height: 220px;
}
.top {
  display: flex;
  gap: 12px;
  align-items: center;
  font-size: 16px;
  flex-wrap: wrap;
}
.words {
  font-size: 43px;
  line-height: 50px;
  margin: auto 0;
}
.caution {
  color: var(--watch-text);
  font-size: 16px;
  line-height: 22px;
}
.cells {
  margin-left: auto;
  display: flex;
  gap: 3px;
  flex-wrap: wrap;
}
.cell {
  width: 24px;
  height: 24px;
  border: 1px solid var(--line-strong);
  background: var(--sheet);
}
.cell.done,
.cell.skipped {
  background: var(--wash);
  border-color: var(--spruce);
}
.cell.running {
  background: var(--spruce);
}
.cell.here {
  outline: 3px solid var(--ink);
}
.ready {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
}
.pre {
  min-height: 64px;
  flex: 1;
  min-width: 150px;
  border: 1px solid var(--watch);
  background: var(--watch-tint);
  border-radius: 6px;
  padding: 0 16px;
  font-size: 17px;
  font-weight: 600;
}
.pre[aria-pressed='true'] {
  border-color: var(--line-strong);
  background: var(--sheet);
}
.hand {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.clock {
  display: flex;
  align-items: center;
  gap: 16px;
}
.digits {
  font-size: 72px;
  line-height: 76px;
  font-variant-numeric: tabular-nums;
}
.over {
  color: var(--stop);
}
.clock .v-btn {
  margin-left: auto;
}
.next {
  display: flex;
  gap: 12px;
  align-items: baseline;
  padding: 16px 14px;
  min-height: 64px;
  font-size: 18px;
}
.when {
  margin-left: auto;
  font-weight: 700;
}
.other {
  display: flex;
  gap: 12px;
  align-items: center;
  padding: 10px 14px;
  border-bottom: 1px solid var(--hairline);
  min-height: 76px;
}
.other.late {
  background: var(--watch-tint);
  box-shadow: inset 4px 0 var(--watch);
}
.mid {
  font-size: 26px;
  min-width: 84px;
}
.pad {
  padding: 14px;
}
</style>
