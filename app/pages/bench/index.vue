<script setup lang="ts">
import { newId } from '~/browser/newId'
import { addDays, format } from 'date-fns'
import { useEventListener, useIntervalFn } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { VBtn, VBtnToggle, VCheckboxBtn, VTable, VTextField } from 'vuetify/components'
import { planConflicts } from '../../../core/bench/planCheck'
import { PEOPLE } from '../../../core/tables/benchResources'
import { clockOf, minuteOf } from '../../../core/bench/schedule/day'
import type { Schedule } from '../../../core/bench/schedule/schedule'
import type { StepChange } from '../../../core/record/stepState'
import AppHeader from '~/components/AppHeader.vue'
import DraftField from '~/components/DraftField.vue'
import StatusMark from '~/components/StatusMark.vue'
import StepActions from '~/components/StepActions.vue'
import JobList from '~/stations/make/JobList.vue'
import LaneBoard from '~/stations/make/LaneBoard.vue'
import WeekPromises from '~/stations/make/WeekPromises.vue'
import { ROLE_WORDS } from '../../../shared/permissions'
import { readHere } from '~/composables/readHere'
import { useBench } from '~/stores/bench'
import { useSession } from '~/stores/session'
import { useTimers } from '~/stores/timers'
import PlainButton from '~/components/PlainButton.vue'
import PaneTabs from '~/components/PaneTabs.vue'

/** The bench day: lanes, what moves before it moves, jobs and the step in hand. */
const bench = useBench()
const session = useSession()
const timers = useTimers()
const view = ref<'half' | 'whole' | 'week' | 'table'>('whole')
const chosen = ref<{ job: string; step: string } | null>(null)
const draft = ref<{ job: string; step: string; at: string } | null>(null)
const pane = ref<'step' | 'moves' | 'people'>('moves')
const trouble = ref('')
const own = ref({ name: '', minutes: '30', at: '' })
const may = computed(() => session.may('jobs.change'))
readHere(() => bench.load(format(new Date(), 'yyyy-MM-dd')))
/** A step that runs late makes what is kept impossible: a new plan is offered at once. */
function everyMinute() {
  const before = bench.minute
  bench.tick()
  const idle = bench.isToday && !bench.planning && !bench.proposal
  if (bench.minute !== before && idle && bench.needsPlan()) void bench.propose(true)
}
useIntervalFn(everyMinute, 5000)
watch(
  () => timers.benchTold,
  () => bench.load(),
)
const go = (days: number) =>
  bench.load(format(addDays(new Date(`${bench.day}T12:00`), days), 'yyyy-MM-dd'))
const steps = computed(() =>
  draft.value
    ? bench.shown.map((s) =>
        s.job === draft.value!.job && s.step === draft.value!.step
          ? {
              ...s,
              start: draft.value!.at,
              end: clockOf(minuteOf(draft.value!.at) + minuteOf(s.end) - minuteOf(s.start)),
            }
          : s,
      )
    : bench.shown,
)
/** What was set by hand last comes first, what only is late last. */
const conflicts = computed(() => {
  const all =
    draft.value && bench.built
      ? planConflicts(bench.built.day, steps.value, bench.naming)
      : bench.conflicts
  const hand = draft.value ?? bench.plan.pinned.at(-1)
  const rank = (c: (typeof all)[number]) =>
    c.job === hand?.job && c.step === hand.step ? 0 : c.kind === 'late' ? 2 : 1
  return [...all].sort((a, b) => rank(a) - rank(b))
})
const pinned = computed(() => new Set(bench.plan.pinned.map((p) => `${p.job}\n${p.step}`)))
const known = computed(
  () =>
    new Map(
      (bench.state?.jobs ?? []).flatMap((j) =>
        j.steps
          .filter((s) => s.state !== 'open' && s.entry?.by && bench.onDuty.includes(s.entry.by))
          .map((s) => [`${j.id}\n${s.key}`, bench.onDuty.indexOf(s.entry!.by!)] as const),
      ),
    ),
)
const job = computed(() => bench.state?.jobs.find((j) => j.id === chosen.value?.job))
const step = computed(() => job.value?.steps.find((s) => s.key === chosen.value?.step))
const placed = computed(() =>
  bench.shown.find((s) => s.job === chosen.value?.job && s.step === chosen.value?.step),
)
const early = computed(
  () =>
    job.value?.steps
      .filter(
        (s) => step.value?.after.includes(s.key) && s.state !== 'done' && s.state !== 'skipped',
      )
      .map((s) => `${s.words}${s.foot ? `, ${s.foot}` : ''}`) ?? [],
)
function choose(j: string, s: string) {
  chosen.value = { job: j, step: s }
  pane.value = 'step'
  trouble.value = ''
}
async function act(change: Omit<StepChange, 'step' | 'foot'>) {
  trouble.value = await bench.act(job.value!, step.value!, change)
}
const shift = (by: number) =>
  bench.set(
    chosen.value!.job,
    chosen.value!.step,
    clockOf(Math.max(0, minuteOf(placed.value!.start) + by)),
  )
const proposed = computed(() => (bench.proposal && bench.plan.steps.length ? bench.proposal : null))
const bound = (p: Schedule) =>
  p.waitingBoundMin === null || p.lateMin > 0
    ? ''
    : p.waitingBoundMin >= p.clientWaitingMin
      ? ' (no plan has less)'
      : ` (at least ${p.waitingBoundMin} in any plan)`
const waitingBetter = computed(() =>
  proposed.value ? bench.figures.waitingMin - proposed.value.clientWaitingMin : 0,
)
async function addOwn() {
  const minutes = Number(own.value.minutes)
  if (!own.value.name.trim() || !Number.isInteger(minutes) || minutes < 1 || minutes > 720)
    return void (trouble.value = 'Give it a name and whole minutes from 1 to 720.')
  if (own.value.at && !/^([01]\d|2[0-3]):[0-5]\d$/.test(own.value.at))
    return void (trouble.value = 'Write the time as HH:MM, or leave it empty.')
  trouble.value = ''
  await bench.change(
    {
      own: [
        ...bench.plan.own,
        {
          id: newId().slice(0, 8),
          name: own.value.name.trim(),
          minutes,
          needs: [PEOPLE],
          ...(own.value.at && { at: own.value.at }),
        },
      ],
    },
    `${own.value.name} added`,
  )
  own.value = { name: '', minutes: '30', at: '' }
}
const duty = (name: string) =>
  bench.change(
    {
      onDuty: bench.onDuty.includes(name)
        ? bench.onDuty.filter((n) => n !== name)
        : [...bench.onDuty, name],
    },
    'Who is there, changed',
  )
function onKey(event: KeyboardEvent) {
  if (
    event.ctrlKey ||
    event.metaKey ||
    event.altKey ||
    /^(INPUT|TEXTAREA|SELECT)$/.test((event.target as HTMLElement).tagName)
  )
    return
  const acts: Record<string, () => unknown> = {
    '0': () => navigateTo('/'),
    r: () => bench.propose(false),
    d: () => (view.value = view.value === 'table' ? 'whole' : 'table'),
    w: () => (view.value = 'week'),
  }
  acts[event.key.toLowerCase()]?.()
}
useEventListener('keydown', onKey)
const PANES = computed(
  () =>
    [
      ['moves', proposed.value ? `What moves (${bench.moves.length})` : 'Plan'],
      ['step', 'Step'],
      ['people', 'Who is there'],
    ] as const,
)
</script>

<template>
  <div class="frame plain">
    <AppHeader
      title="Bench"
      :fact="`${bench.jobsOfDay.length} jobs, ${bench.onDuty.length} at the bench`"
    />
    <main class="main">
      <div class="title-row">
        <VBtn aria-label="Day before" @click="go(-1)">‹</VBtn>
        <h1>{{ format(new Date(`${bench.day}T12:00`), 'EEEE, d MMMM') }}</h1>
        <VBtn aria-label="Day after" @click="go(1)">›</VBtn
        ><VBtn v-if="!bench.isToday" @click="bench.load(format(new Date(), 'yyyy-MM-dd'))"
          >Today</VBtn
        >
        <span class="fact"
          ><b class="figure" :class="{ 'watch-text': bench.figures.lateMin > 0 }"
            >Clients wait {{ bench.figures.waitingMin }} min</b
          >
          · {{ bench.figures.lateMin > 0 ? `▲ ${bench.figures.lateMin} min late` : 'nothing late'
          }}<template v-if="bench.figures.end">
            · last step ends {{ bench.figures.end }}</template
          ></span
        >
        <VBtnToggle v-model="view" mandatory aria-label="View"
          ><VBtn value="half">Five hours</VBtn><VBtn value="whole">Whole day</VBtn
          ><VBtn value="week">Week</VBtn><VBtn value="table">Table</VBtn></VBtnToggle
        >
        <VBtn v-if="bench.planning" @click="bench.stopPlanning()">Planning … stop</VBtn
        ><VBtn
          v-else
          color="primary"
          variant="flat"
          @click="bench.propose(false).then(() => (pane = 'moves'))"
          >Re-plan&nbsp; <span class="kbd">R</span></VBtn
        >
      </div>
      <p v-if="bench.trouble || trouble" class="notice stop" role="alert">
        {{ bench.trouble || trouble }}
      </p>
      <WeekPromises
        v-if="view === 'week'"
        @day="(d: string) => bench.load(d).then(() => (view = 'whole'))"
      />
      <template v-else>
        <section class="card lanes">
          <LaneBoard
            v-if="bench.state && view !== 'table'"
            :steps
            :conflicts
            :resources="bench.state.resources"
            :people="bench.onDuty"
            :now="bench.isToday ? bench.minute : null"
            :whole="view === 'whole'"
            :chosen
            :who="bench.whoOf"
            :words="bench.wordsOf"
            :pinned
            :known
            :fitter-rows="bench.fitterRows"
            :can-move="may"
            @choose="choose"
            @draft="(d) => (draft = d)"
            @move="(j: string, s: string, at: string) => bench.set(j, s, at)"
          />
          <div
            v-else
            class="scroll tab"
            tabindex="0"
            role="region"
            aria-label="Steps of the day as a table"
          >
            <VTable class="table">
              <thead>
                <tr>
                  <th>From</th>
                  <th>To</th>
                  <th>Who</th>
                  <th>Step</th>
                  <th>Holds</th>
                  <th>State</th>
                </tr>
              </thead>
              <tbody>
                <tr
                  v-for="s in [...bench.shown].sort((a, b) => (a.start < b.start ? -1 : 1))"
                  :key="s.job + s.step"
                >
                  <td>
                    <b>{{ s.start }}</b>
                  </td>
                  <td>{{ s.end }}</td>
                  <td>{{ bench.whoOf(s.job) }}</td>
                  <td>
                    <PlainButton class="link" @click="choose(s.job, s.step)">
                      {{ bench.wordsOf(s.job, s.step) }}
                    </PlainButton>
                  </td>
                  <td class="muted">
                    {{ s.needs.map(bench.naming.resource).join(', ') || 'nothing' }}
                  </td>
                  <td>
                    {{ s.state === 'planned' ? (s.waiting ? 'waiting' : 'hands-on') : s.state }}
                  </td>
                </tr>
              </tbody>
            </VTable>
          </div>
          <p class="legend label">
            <span class="key hands" /> hands-on <span class="key wait" /> waiting
            <span class="key run" /> running <span class="key done" /> done ✓
            <span>▼ set by hand</span
            ><span v-if="bench.said" role="status" class="muted">{{ bench.said }}</span>
          </p>
        </section>
        <div v-if="conflicts.length" class="clashes" role="alert">
          <p v-for="(c, i) in conflicts.slice(0, 3)" :key="i" class="label">
            <StatusMark
              :kind="c.kind === 'late' ? 'watch' : 'stop'"
              :word="c.kind === 'late' ? 'Late' : 'Clash'"
            />
            {{ c.words }}
          </p>
          <p v-if="conflicts.length > 3" class="label muted">and {{ conflicts.length - 3 }} more</p>
        </div>
        <div class="cols below">
          <section class="card scroll" tabindex="0" role="region" aria-label="Jobs">
            <JobList :may @choose="choose" />
          </section>
          <section class="card stack0">
            <div class="card-head tabs">
              <PaneTabs v-model="pane" :panes="PANES" label="Beside the jobs" />
            </div>
            <div
              v-if="pane === 'moves'"
              class="scroll grow pad"
              tabindex="0"
              role="region"
              aria-label="What moves"
            >
              <template v-if="bench.proposal && !bench.plan.steps.length"
                ><p>
                  <b>A first plan, not kept yet.</b> Clients wait
                  {{ bench.proposal.clientWaitingMin }} min{{ bound(bench.proposal) }},
                  {{
                    bench.proposal.lateMin
                      ? `${bench.proposal.lateMin} min late in all`
                      : 'nothing is late'
                  }};
                  {{
                    bench.proposal.optimal
                      ? 'no plan of this day is better'
                      : `no plan can be shorter than ${bench.proposal.lowerBoundMin} min, this one takes ${bench.proposal.makespanMin}`
                  }}.
                </p>
                <VBtn v-if="may" color="primary" variant="flat" @click="bench.take()"
                  >Keep this plan</VBtn
                ></template
              >
              <template v-else-if="proposed"
                ><p>
                  <b
                    >{{
                      bench.moves.length ? `${bench.moves.length} steps move` : 'Nothing moves'
                    }}.</b
                  >
                  Clients wait {{ proposed.clientWaitingMin }} min{{
                    waitingBetter > 0
                      ? `, ${waitingBetter} less`
                      : waitingBetter < 0
                        ? `, ${-waitingBetter} more`
                        : ''
                  }}{{ bound(proposed) }};
                  {{
                    proposed.lateMin ? `${proposed.lateMin} min late in all` : 'nothing is late'
                  }}.
                </p>
                <ul class="moves">
                  <li v-for="m in bench.moves" :key="m.job + m.step" class="label">
                    <b class="tnum">{{ m.from ?? 'new' }} → {{ m.to ?? 'no room' }}</b>
                    {{ bench.whoOf(m.job) }}, {{ bench.wordsOf(m.job, m.step) }}
                  </li>
                </ul>
                <div v-if="may" class="line">
                  <VBtn color="primary" variant="flat" @click="bench.take()">Take this plan</VBtn
                  ><VBtn @click="bench.proposal = null">Leave it</VBtn>
                </div></template
              >
              <p v-else class="muted">
                {{
                  bench.plan.steps.length
                    ? 'The plan holds. Re-plan shows what would move before it moves.'
                    : 'Nothing to plan on this day.'
                }}
              </p>
              <p v-for="c in bench.proposal?.clashes ?? []" :key="c.words" class="label stop-text">
                ■ {{ bench.whoOf(c.job) }}: {{ c.step ? bench.wordsOf(c.job, c.step) : '' }}
                {{ c.words.replace(c.job, bench.whoOf(c.job)) }}
              </p>
            </div>
            <div
              v-else-if="pane === 'step'"
              class="scroll grow pad"
              tabindex="0"
              role="region"
              aria-label="Step"
            >
              <template v-if="step && job"
                ><p class="label muted">
                  {{ job.name ?? job.code }} · {{ step.processName
                  }}{{ step.foot ? ` · ${step.foot}` : '' }}
                </p>
                <h2>{{ step.words }}</h2>
                <p class="label">
                  {{ step.minutes }} min {{ step.waiting ? 'waiting' : 'hands-on'
                  }}{{ step.client ? ', client there' : ''
                  }}<template v-if="step.learnedFrom">
                    · learned from {{ step.learnedFrom }} here (house {{ step.houseMin }})</template
                  ><template v-if="placed"> · {{ placed.start }} to {{ placed.end }}</template>
                </p>
                <p v-if="step.caution" class="label watch-text">▲ {{ step.caution }}</p>
                <p v-if="step.entry?.reason" class="label">{{ step.entry.reason }}</p>
                <StepActions :step :wearer="job.wearer" :disabled="!may" :early @act="act" />
                <div v-if="placed?.state === 'planned' && may" class="line">
                  <VBtn
                    size="small"
                    height="44"
                    aria-label="Five minutes earlier"
                    @click="shift(-5)"
                    >− 5 min</VBtn
                  ><VBtn size="small" height="44" aria-label="Five minutes later" @click="shift(5)"
                    >+ 5 min</VBtn
                  ><VBtn
                    v-if="pinned.has(`${chosen!.job}\n${chosen!.step}`)"
                    size="small"
                    height="44"
                    @click="bench.set(chosen!.job, chosen!.step, null)"
                    >Leave it to the plan</VBtn
                  >
                </div></template
              >
              <p v-else-if="placed" class="muted">
                {{ bench.whoOf(placed.job) }}: {{ bench.wordsOf(placed.job, placed.step) }},
                {{ placed.start }} to {{ placed.end }}.
              </p>
              <p v-else class="muted">Choose a bar or a job.</p>
            </div>
            <div
              v-else
              class="scroll grow pad"
              tabindex="0"
              role="region"
              aria-label="Who is there"
            >
              <label v-for="{ name: n, role } in bench.state?.people ?? []" :key="n" class="duty"
                ><VCheckboxBtn
                  :model-value="bench.onDuty.includes(n)"
                  :disabled="!may || (bench.onDuty.length === 1 && bench.onDuty.includes(n))"
                  @update:model-value="duty(n)"
                />
                {{ n }} <span class="muted label">{{ ROLE_WORDS[role].name }}</span></label
              >
              <ul>
                <li v-for="o in bench.plan.own" :key="o.id" class="line label">
                  <span class="grow"
                    >{{ o.name }}, {{ o.minutes }} min{{ o.at ? ` at ${o.at}` : ''
                    }}{{ o.done ? ' ✓' : '' }}</span
                  ><VBtn
                    v-if="may"
                    size="small"
                    height="44"
                    @click="
                      bench.change(
                        {
                          own: bench.plan.own.map((p) =>
                            p.id === o.id ? { ...p, done: !p.done } : p,
                          ),
                        },
                        o.name,
                      )
                    "
                    >{{ o.done ? 'Not done' : 'Done' }}</VBtn
                  ><VBtn
                    v-if="may"
                    size="small"
                    height="44"
                    variant="text"
                    :aria-label="`Take ${o.name} out`"
                    @click="
                      bench.change(
                        { own: bench.plan.own.filter((p) => p.id !== o.id) },
                        `${o.name} taken out`,
                      )
                    "
                    >Out</VBtn
                  >
                </li>
              </ul>
              <form v-if="may" class="line" @submit.prevent="addOwn">
                <VTextField
                  v-model="own.name"
                  class="nm"
                  maxlength="80"
                  placeholder="Lunch, delivery …"
                  aria-label="Other work"
                /><DraftField
                  class="mn"
                  inputmode="numeric"
                  :value="own.minutes"
                  aria-label="Minutes of other work"
                  @keep="(t: string) => (own.minutes = t)"
                /><VTextField
                  v-model="own.at"
                  class="mn"
                  placeholder="HH:MM"
                  aria-label="Time of other work"
                /><VBtn type="submit">Add</VBtn>
              </form>
            </div>
          </section>
        </div>
      </template>
    </main>
  </div>
</template>

<style scoped>
h1 {
  white-space: nowrap;
}
.title-row > .v-btn:not(.v-btn--variant-flat) {
  min-width: 44px;
  padding: 0 10px;
}
.figure {
  font-size: 16px;
  color: var(--ink);
}
.figure.watch-text {
  color: var(--watch-text);
}
.lanes {
  flex: 0 1 auto;
  min-height: 190px;
  display: flex;
  flex-direction: column;
}
.lanes > :first-child {
  flex: 0 1 auto;
  min-height: 0;
}
.tab {
  max-height: 330px;
}
.legend {
  display: flex;
  gap: 10px;
  align-items: center;
  padding: 6px 14px;
  border-top: 1px solid var(--hairline);
}
.legend .muted {
  margin-left: auto;
}
.key {
  width: 22px;
  height: 12px;
  border: 1px solid var(--spruce);
  background: var(--wash);
  border-radius: 2px;
}
.key.wait {
  background: repeating-linear-gradient(45deg, var(--sheet) 0 3px, var(--spruce) 3px 4px);
}
.key.run {
  background: var(--spruce);
}
.key.done {
  border-color: var(--line-strong);
  background: var(--paper);
}
.clashes {
  border: 1px solid var(--watch);
  background: var(--watch-tint);
  border-radius: 6px;
  padding: 6px 14px;
  display: flex;
  flex-direction: column;
  gap: 2px;
  flex: none;
  max-height: 104px;
  overflow: auto;
}
.below {
  grid-template-columns: minmax(0, 1fr) minmax(0, 460px);
  flex: 1 0 220px;
  min-height: 150px;
}
.stack0 {
  display: flex;
  flex-direction: column;
}
.tabs {
  padding: 4px 8px !important;
}
.pad {
  padding: 10px 14px;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.moves {
  display: flex;
  flex-direction: column;
  gap: 2px;
}
.tnum {
  display: inline-block;
  min-width: 104px;
}
.line {
  display: flex;
  gap: 8px;
  align-items: center;
  flex-wrap: wrap;
}
.duty {
  display: flex;
  gap: 10px;
  align-items: center;
  min-height: 44px;
  font-size: 16px;
}
.nm {
  flex: 1;
  min-width: 120px;
  width: auto;
}
.mn {
  width: 84px;
}
.link {
  text-decoration: underline;
  min-height: 28px;
}
</style>
