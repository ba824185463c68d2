<script setup lang="ts">
import { format } from 'date-fns'
import { useTimestamp } from '@vueuse/core'
import { computed, ref } from 'vue'
import { VBtn, VSelect, VTable, VTextField } from 'vuetify/components'
import { heatStory } from '../../core/bench/heat/heatStory'
import { driveFor, HANDLING_C, steadyC } from '../../core/bench/heat/predictHeat'
import { readHeatCsv } from '../../core/bench/heat/heatLog'
import { parseNumber } from '../../core/measure/parseNumber'
import { Refusal } from '../../core/record/refusal'
import AppHeader from '~/components/AppHeader.vue'
import DraftField from '~/components/DraftField.vue'
import StatusMark from '~/components/StatusMark.vue'
import { download } from '~/browser/download'
import HeatCurve from '~/drawing/HeatCurve.vue'
import { APPARATUS, useHeat } from '~/stores/heat'
import { readHere } from '~/composables/readHere'
import { useSession } from '~/stores/session'
import PlainButton from '~/components/PlainButton.vue'
import FileField from '~/components/FileField.vue'

/** The heat logger: readings from a probe or typed, what they say, and what is coming. */
const heat = useHeat()
const session = useSession()
const may = computed(() => session.may('jobs.change'))
const at = ref('')
const trouble = ref('')
const typed = ref('')
const drive = ref('1')
const fresh = ref({
  name: '',
  apparatus: 'oven' as (typeof APPARATUS)[number],
  window: 'polypropylene',
})
const clock = useTimestamp({ interval: 1000 })
readHere(() => heat.load())
const log = computed(() => heat.logs.find((l) => l.id === at.value) ?? heat.logs[0])
const window_ = computed(() => heat.windowOf(log.value?.window ?? null) ?? null)
const prior = computed(() => (log.value ? heat.priorOf(log.value.apparatus) : undefined))
const story = computed(() =>
  log.value ? heatStory(log.value.readings, window_.value, prior.value) : null,
)
const fit = computed(() => story.value?.fit ?? null)
const ahead = computed(() => story.value?.ahead ?? null)
const minutes = (m: number | null | undefined) =>
  m === null || m === undefined
    ? '–'
    : m === 0
      ? 'now'
      : `${Math.floor(m)}:${String(Math.round((m % 1) * 60) % 60).padStart(2, '0')} min`
const inWindow = computed(
  () =>
    window_.value &&
    story.value?.now &&
    story.value.now.celsius >= window_.value.lowC &&
    story.value.now.celsius <= window_.value.highC,
)
const tooHot = computed(
  () => window_.value && story.value?.now && story.value.now.celsius > window_.value.highC,
)
const other = computed(() => parseNumber(drive.value))
const silent = computed(
  () =>
    log.value &&
    heat.listening(log.value.id) &&
    clock.value - (heat.lastAt[log.value.id] ?? clock.value) > 10_000,
)
async function begin() {
  if (!fresh.value.name.trim())
    return void (trouble.value = 'Give the piece a name, as “HR-0412 right sheet”.')
  trouble.value = ''
  const id = await heat.start({
    name: fresh.value.name.trim(),
    apparatus: fresh.value.apparatus,
    window: fresh.value.window,
  })
  if (id) at.value = id
  fresh.value.name = ''
}
/** `141` now, or `141 5:20` at a minute of the log. */
async function keep() {
  const [first, when] = typed.value.trim().split(/\s+/)
  const celsius = parseNumber(first ?? '')
  const now = log.value!.readings.length
    ? (Date.now() - Date.parse(log.value!.startedAt)) / 60_000
    : 0
  const clockTime = /^(\d+):([0-5]\d)$/.exec(when ?? '')
  const minute =
    when === undefined
      ? Math.max(now, (log.value!.readings.at(-1)?.minutes ?? -0.01) + 0.01)
      : clockTime
        ? Number(clockTime[1]) + Number(clockTime[2]) / 60
        : parseNumber(when)
  if (celsius === null || celsius < -50 || celsius > 1000 || minute === null || minute < 0)
    return void (trouble.value = `“${typed.value}” is not a temperature, with or without a time. Write 141, or 141 5:20.`)
  trouble.value = ''
  if (
    await heat.write(log.value!.id, {
      do: 'add',
      readings: [
        {
          minutes: Math.round(minute * 1000) / 1000,
          celsius,
          drive: log.value!.readings.at(-1)?.drive ?? 1,
        },
      ],
    })
  )
    typed.value = ''
}
const file = ref<InstanceType<typeof FileField> | null>(null)
async function read([file]: File[]) {
  if (!file) return
  try {
    await heat.writeAll(log.value!.id, readHeatCsv(await file.text()))
    trouble.value = ''
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    trouble.value = error.message
  }
}
const csv = () =>
  download(
    `${log.value!.name.replace(/\W+/g, '-')}.csv`,
    [
      'minutes,celsius,drive',
      ...log.value!.readings.map((r) => `${r.minutes},${r.celsius},${r.drive}`),
    ].join('\n'),
    'text/csv',
  )
const WINDOWS = computed(() =>
  heat.windows.map((w) => ({ value: w.id, title: `${w.name}, ${w.lowC}–${w.highC}°` })),
)
</script>

<template>
  <div class="frame plain">
    <AppHeader title="Heat" :fact="`${heat.logs.filter((l) => !l.stoppedAt).length} in the heat`" />
    <main class="main">
      <div class="title-row">
        <h1>Heat</h1>
        <span class="fact"
          >estimate of one time constant and one gain; the maker's sheet rules</span
        >
      </div>
      <p v-if="trouble || heat.trouble" class="notice stop" role="alert">
        {{ trouble || heat.trouble }}
      </p>
      <div class="cols three">
        <section class="card stack0">
          <div class="card-head"><h2>Pieces</h2></div>
          <form v-if="may" class="new" @submit.prevent="begin">
            <VTextField
              v-model="fresh.name"
              maxlength="80"
              placeholder="HR-0412 right sheet"
              aria-label="Name of the piece"
            /><VSelect
              v-model="fresh.apparatus"
              :items="APPARATUS"
              aria-label="Apparatus"
            /><VSelect v-model="fresh.window" :items="WINDOWS" aria-label="Material" /><VBtn
              type="submit"
              color="primary"
              variant="flat"
              >Into the heat</VBtn
            >
          </form>
          <div class="scroll grow" tabindex="0" role="region" aria-label="Logs">
            <ul>
              <li v-for="l in heat.logs" :key="l.id">
                <PlainButton
                  class="one"
                  :class="{ chosen: l.id === log?.id }"
                  :aria-pressed="l.id === log?.id"
                  @click="at = l.id"
                >
                  <b class="ellipsis">{{ l.name }}</b><span class="label muted"
                    >{{ l.apparatus }} · {{ l.readings.length }} readings ·
                    {{
                      l.stoppedAt ? format(new Date(l.startedAt), 'd MMM HH:mm') : 'in the heat'
                    }}</span
                  >
                </PlainButton>
              </li>
              <li v-if="heat.logs.length === 0" class="muted pad">No log yet.</li>
            </ul>
          </div>
        </section>
        <section v-if="log" class="card stack0">
          <div class="card-head">
            <h2 class="ellipsis">{{ log.name }}</h2>
            <span class="aside label"
              >{{ log.apparatus }}{{ window_ ? ` · ${window_.name}` : '' }}</span
            >
          </div>
          <p v-if="window_?.caution" class="notice warn small">▲ {{ window_.caution }}</p>
          <div class="big" role="status">
            <b class="deg">{{ story?.now ? `${story.now.celsius.toFixed(1)} °C` : '–' }}</b>
            <StatusMark v-if="tooHot" kind="stop" word="Too hot: take it out" /><StatusMark
              v-else-if="inWindow"
              kind="good"
              word="In the window: work now"
            /><span v-else-if="ahead && ahead.toWindowMin !== null" class="strong"
              >in the window in {{ minutes(ahead.toWindowMin) }}</span
            ><span v-else-if="ahead && window_" class="watch-text"
              >▲ steady at {{ ahead.steadyC.toFixed(0) }} °C, never reaches
              {{ window_.lowC }} °C</span
            ><span v-else class="muted">{{ story?.why }}</span>
            <StatusMark
              v-if="ahead?.overshoot && !tooHot"
              kind="watch"
              :word="`will pass ${window_!.highC} °C in ${minutes(ahead.leavesMin)}`"
            /><span v-if="silent" class="watch-text">▲ no reading for 10 s</span>
          </div>
          <HeatCurve :log :window="window_" :prior :height="300" />
          <div v-if="may && !log.stoppedAt" class="line pad">
            <VBtn v-if="!heat.listening(log.id)" @click="heat.listen(log.id)">Probe on</VBtn
            ><VBtn v-else @click="heat.quiet(log.id)">Probe off</VBtn>
            <form class="line" @submit.prevent="keep">
              <VTextField
                v-model="typed"
                class="typed"
                inputmode="decimal"
                placeholder="141 or 141 5:20"
                aria-label="Typed reading, °C and time"
              /><VBtn type="submit">Keep</VBtn>
            </form>
            <VBtn @click="heat.listen(log.id, log.readings.at(-1)?.drive === 0 ? 1 : 0)">{{
              log.readings.at(-1)?.drive === 0 ? 'Heat on' : 'Heat off'
            }}</VBtn><VBtn
              v-if="log.readings.length"
              @click="heat.write(log.id, { do: 'strike', minutes: log.readings.at(-1)!.minutes })"
              >Strike last</VBtn
            ><VBtn color="primary" variant="flat" @click="heat.stop(log.id)">Out of the heat</VBtn>
          </div>
        </section>
        <section v-else class="card card-body">
          <p class="muted">Nothing was heated yet. Name a piece and put it into the heat.</p>
        </section>
        <div class="stack scroll" tabindex="0" role="region" aria-label="What the log says">
          <section v-if="log" class="card">
            <div class="card-head">
              <h2>What it says</h2>
              <span class="aside label estimate pad2">estimate</span>
            </div>
            <VTable class="table">
              <tbody>
                <tr>
                  <td>Steady at this drive</td>
                  <td>
                    <b>{{ ahead ? `${ahead.steadyC.toFixed(0)} °C` : '–' }}</b>
                  </td>
                </tr>
                <tr>
                  <td>Into the window</td>
                  <td>
                    <b>{{ minutes(ahead?.toWindowMin) }}</b>
                  </td>
                </tr>
                <tr>
                  <td>Out through its top</td>
                  <td>
                    <b>{{ minutes(ahead?.leavesMin) }}</b>
                  </td>
                </tr>
                <tr>
                  <td>Cool to {{ HANDLING_C }} °C, heat off</td>
                  <td>
                    <b>{{ minutes(ahead?.toHandlingMin) }}</b>
                  </td>
                </tr>
                <tr>
                  <td>Time constant τ, gain G</td>
                  <td>
                    {{
                      fit ? `${fit.tauMin.toFixed(1)} min, ${fit.gain?.toFixed(0) ?? '–'} K` : '–'
                    }}
                  </td>
                </tr>
                <tr>
                  <td>Room</td>
                  <td>
                    {{
                      fit
                        ? `${fit.ambientC.toFixed(0)} °C${fit.ambientFree ? '' : ', the first reading'}`
                        : '–'
                    }}
                  </td>
                </tr>
                <tr>
                  <td>Band of readings</td>
                  <td>{{ fit ? `± ${fit.bandC.toFixed(1)} °C` : '–' }}</td>
                </tr>
                <tr v-if="fit && fit.deadMin > 0">
                  <td>Dead time</td>
                  <td>{{ fit.deadMin.toFixed(1) }} min</td>
                </tr>
                <tr>
                  <td>Earlier logs of the {{ log.apparatus }}</td>
                  <td>
                    {{
                      prior
                        ? `τ ${prior.tauMin.toFixed(1)} min, G ${prior.gain.toFixed(0)} K, ± ${Math.round(prior.share * 100)} %`
                        : 'none yet'
                    }}
                  </td>
                </tr>
              </tbody>
            </VTable>
            <div class="card-body">
              <label class="line"
                >At another drive
                <DraftField
                  class="num"
                  inputmode="decimal"
                  :value="drive"
                  aria-label="Another drive"
                  @keep="(t: string) => (drive = t)"
                />
                <b>{{
                  fit && other !== null ? `${steadyC(fit, other).toFixed(0)} °C steady` : '–'
                }}</b></label
              >
              <p
                v-if="fit && window_ && driveFor(fit, [window_.lowC, window_.highC]) !== null"
                class="label muted"
              >
                The middle of the window is steady at drive
                {{ driveFor(fit, [window_.lowC, window_.highC])!.toFixed(2) }}.
              </p>
              <p class="label muted">
                Leaves out: thickness of the piece, doors opened, a probe that touches metal. One
                time constant, so the first minute of a thick sheet runs late.
              </p>
              <div class="line">
                <VBtn size="small" height="44" :disabled="!log.readings.length" @click="csv"
                  >CSV</VBtn
                ><template v-if="may && !log.stoppedAt"
                  ><VBtn size="small" @click="file?.open()">Read a CSV</VBtn
                  ><FileField
                    ref="file"
                    label="Read a log as CSV"
                    accept=".csv,text/csv"
                    hidden
                    @files="read"
                /></template>
              </div>
            </div>
          </section>
          <section class="card card-body small">
            <b>Skin.</b> These windows are for the material. The side that touches sock or skin is
            measured just before the foot goes in; the step stays locked until it is cool enough
            (ISO 13732-1: 51 °C for 1 min, 48 °C for 10 min).
          </section>
        </div>
      </div>
    </main>
  </div>
</template>

<style scoped>
[aria-label='What the log says'] > * {
  flex: none;
}
.three {
  grid-template-columns: 250px minmax(0, 1fr) 300px;
}
.stack0 {
  display: flex;
  flex-direction: column;
}
.new {
  display: flex;
  flex-direction: column;
  gap: 6px;
  padding: 10px;
  border-bottom: 1px solid var(--hairline);
}
.one {
  width: 100%;
  min-height: 56px;
  padding: 6px 12px;
  border-bottom: 1px solid var(--hairline);
  display: flex;
  flex-direction: column;
}
.one.chosen {
  background: var(--wash);
  box-shadow: inset 4px 0 var(--spruce);
}
.big {
  display: flex;
  gap: 16px;
  align-items: center;
  padding: 10px 14px;
  flex-wrap: wrap;
}
.deg {
  font-size: 40px;
  line-height: 44px;
  font-variant-numeric: tabular-nums;
}
.line {
  display: flex;
  gap: 8px;
  align-items: center;
  flex-wrap: wrap;
}
.pad {
  padding: 10px 14px;
}
.typed {
  width: 170px;
}
.num {
  width: 70px;
}
.pad2 {
  padding: 0 6px;
}
.warn {
  margin: 8px 14px 0;
}
@media (max-width: 1100px) {
  .three {
    grid-template-columns: 200px minmax(0, 1fr);
  }
  .three > :last-child {
    grid-column: 1 / -1;
  }
}
</style>
