<script setup lang="ts">
import { newId } from '~/browser/newId'
import { differenceInSeconds } from 'date-fns'
import { useNow } from '@vueuse/core'
import { computed, ref } from 'vue'
import { VBtn, VBtnToggle, VCheckboxBtn, VSelect } from 'vuetify/components'
import { insoleWords, tryOnsOf, tryOnWords } from '../../../core/footwear/felt'
import { sizeWords } from '../../../core/footwear/reasons'
import { MARK_VIEWS, SIDES, type Side } from '../../../core/tables/vocabulary'
import { HOLDS, NUMBNESS, TOES, TRY_ON_MINUTES } from '../../../core/record/footwearSchema'
import type { HotSpot, TryOn, TryOnReading } from '../../../core/record/schema'
import AmountStepper from '~/components/AmountStepper.vue'
import SideMark from '~/components/SideMark.vue'
import StatusMark from '~/components/StatusMark.vue'
import SpotMap, { type Spot } from '~/drawing/SpotMap.vue'
import { useSession } from '~/stores/session'
import type { Match } from './useMatch'
import PlainButton from '~/components/PlainButton.vue'
import { choicesOf } from '~/browser/choices'

/**
 * A quarter of an hour in the footwear: one model on each foot or two models, read at 0, 5, 10 and
 * 15 minutes; the ranking follows what is felt.
 */
const { match } = defineProps<{ match: Match }>()
const { fitting, footwear, compared, fitOf, model, result } = match
const session = useSession()
const now = useNow({ interval: 1000 })

const all = computed(() => tryOnsOf(footwear.value))
const at = ref<string | null>(null)
const current = computed(() => all.value.find((t) => t.id === at.value) ?? all.value.at(-1) ?? null)
const candidates = computed(() => [
  ...new Set([...compared.value, ...(result.value?.pair.slice(0, 6).map((p) => p.model) ?? [])]),
])
const worn = ref<Record<Side, string>>({ left: '', right: '' })
const pickOf = (side: Side) =>
  worn.value[side] ||
  compared.value[side === 'left' ? 0 : Math.min(1, compared.value.length - 1)] ||
  candidates.value[0] ||
  ''
const sizeOf = (id: string, side: Side) => fitOf(id)?.[side]?.sizeMm ?? model(id)?.sizesMm[0] ?? 265
const onDevice = ref(true)

const elapsed = computed(() =>
  current.value
    ? Math.max(0, differenceInSeconds(now.value, new Date(current.value.startedAt)))
    : 0,
)
const clock = computed(
  () => `${Math.floor(elapsed.value / 60)}:${String(elapsed.value % 60).padStart(2, '0')}`,
)
const minute = ref<number | null>(null)
/** The reading that is due: the last mark the clock has passed, unless the fitter chose another. */
const due = computed(
  () => minute.value ?? [...TRY_ON_MINUTES].reverse().find((m) => elapsed.value >= m * 60) ?? 0,
)
const read = (m: number) =>
  SIDES.filter((s) => current.value?.readings.some((r) => r.minute === m && r.foot === s)).length
const waiting = computed(() => TRY_ON_MINUTES.find((m) => elapsed.value < m * 60) ?? null)

const save = (next: TryOn[], words: string) =>
  match.put(
    {
      ...footwear.value,
      tryOns: next.slice(-20),
      ...(footwear.value.chosen && { chosen: { ...footwear.value.chosen, tryOn: [] } }),
    },
    words,
  )
function start() {
  const by = session.person?.name
  const made: TryOn = {
    id: newId(),
    startedAt: new Date().toISOString(),
    onDevice: onDevice.value,
    readings: [],
    worn: Object.fromEntries(
      SIDES.filter((s) => fitting.record.feet[s]).map((s) => [
        s,
        { model: pickOf(s), sizeMm: sizeOf(pickOf(s), s) },
      ]),
    ),
    ...(by && { by }),
  }
  save([...all.value, made], 'try-on')
  at.value = made.id
  minute.value = null
}
const readingOf = (side: Side): TryOnReading | undefined =>
  current.value?.readings.find((r) => r.minute === due.value && r.foot === side)
function change(side: Side, patch: Partial<TryOnReading>) {
  const t = current.value
  if (!t) return
  const old = readingOf(side) ?? {
    minute: due.value,
    foot: side,
    hotSpots: [...(lastSpots(side) ?? [])],
  }
  const next: TryOnReading = { ...old, ...patch }
  save(
    all.value.map((x) =>
      x.id === t.id
        ? {
            ...t,
            readings: [...t.readings.filter((r) => r !== readingOf(side)), next].sort(
              (a, b) => a.minute - b.minute,
            ),
          }
        : x,
    ),
    `try-on, ${due.value} min, ${side}`,
  )
}
/** Spots stay from one reading to the next until they are taken off. */
const lastSpots = (side: Side) =>
  current.value?.readings.filter((r) => r.foot === side && r.minute < due.value).at(-1)?.hotSpots
const view = ref<(typeof MARK_VIEWS)[number]>('medial')
const spot = ref<{ side: Side; index: number } | null>(null)
const spotsOf = (side: Side): HotSpot[] => readingOf(side)?.hotSpots ?? lastSpots(side) ?? []
const spots = computed(() =>
  SIDES.flatMap((side) => spotsOf(side).map((h, index) => ({ h, side, index })))
    .filter(({ h }) => h.view === view.value)
    .map(({ h, side, index }): Spot => ({
      side,
      index,
      xMm: h.xMm,
      yMm: h.yMm,
      sizeMm: 8 + 5 * h.level,
      glyph: String(h.level),
      words: `hot spot ${LEVEL[h.level]} on the ${side} foot; Enter makes it stronger, then takes it off`,
      bad: h.level === 3,
    })),
)
const LEVEL = ['', 'felt', 'bothers', 'hurts']
function place(side: Side, xMm: number, yMm: number) {
  if (!current.value || fitting.readOnly || Math.abs(xMm) > 150 || yMm < -20 || yMm > 420) return
  change(side, { hotSpots: [...spotsOf(side), { view: view.value, xMm, yMm, level: 1 }] })
}
function cycle(side: Side, index: number) {
  if (fitting.readOnly) return
  spot.value = { side, index }
  change(side, {
    hotSpots: spotsOf(side).flatMap((h, i) =>
      i !== index ? [h] : h.level >= 3 ? [] : [{ ...h, level: h.level + 1 }],
    ),
  })
}
const insoleOf = (side: Side) =>
  current.value?.insole?.find((i) => i.foot === side)?.toeOverMm ?? null
function setInsole(side: Side, toeOverMm: number) {
  const t = current.value
  if (t)
    save(
      all.value.map((x) =>
        x.id === t.id
          ? {
              ...t,
              insole: [
                ...(t.insole ?? []).filter((i) => i.foot !== side),
                { foot: side, toeOverMm },
              ],
            }
          : x,
      ),
      `insole test, ${side}`,
    )
}
const TOE_WORDS = { clear: 'clear', touch: 'touch', press: 'press' }
const VIEWS = { plantar: 'Sole', dorsal: 'Top', medial: 'Inner', lateral: 'Outer' }
const nameOf = (t: TryOn) =>
  [
    ...new Set(
      SIDES.flatMap((s) => (t.worn[s] ? [model(t.worn[s].model)?.name ?? t.worn[s].model] : [])),
    ),
  ].join(' and ')
const rank = (id: string) => (result.value?.pair.findIndex((p) => p.model === id) ?? -1) + 1
function look(t: TryOn) {
  at.value = t.id
  minute.value = 15
}
const CANDIDATES = computed(() => {
  const of = (side: Side) =>
    choicesOf(candidates.value, (id) => `${model(id)?.name}, ${sizeWords(sizeOf(id, side))}`)
  return { left: of('left'), right: of('right') }
})
</script>

<template>
  <div class="cols try">
    <section class="card worn" tabindex="0" aria-label="What is worn and felt">
      <div class="setup">
        <label v-for="s in SIDES" :key="s" class="pick"
          ><SideMark :side="s" word /><VSelect
            :items="CANDIDATES[s]"
            :model-value="pickOf(s)"
            :aria-label="`Model on the ${s} foot`"
            :disabled="fitting.readOnly"
            @update:model-value="(id: string) => (worn[s] = id)"
        /></label>
        <label class="dev"><VCheckboxBtn v-model="onDevice" /> footbed in</label>
        <VBtn
          color="primary"
          variant="flat"
          :disabled="fitting.readOnly || candidates.length === 0"
          @click="start"
          >{{ current ? 'New clock' : 'Start the clock' }}</VBtn
        >
      </div>
      <p v-if="!current" class="muted pad">
        Buckle or lace, stand, flex, walk. The clock runs 15 minutes; read both feet at 0, 5, 10 and
        15.
      </p>
      <template v-else>
        <div class="clock">
          <b class="time" :aria-label="`${clock} since the start`">{{ clock }}</b><span class="who"
            ><b class="ellipsis">{{ nameOf(current) }}</b
            ><span class="small muted"
              >{{
                waiting === null
                  ? 'the quarter of an hour is over'
                  : `next reading at ${waiting} min`
              }}
              · {{ current.onDevice ? 'footbed in' : 'without footbed' }}</span
            ></span
          >
          <span class="marks" role="group" aria-label="Reading at"
            ><PlainButton
              v-for="m in TRY_ON_MINUTES"
              :key="m"
              class="at"
              :class="{ on: due === m }"
              :aria-pressed="due === m"
              @click="minute = m"
            >
              {{ m
              }}<span class="small">{{
                read(m) ? `${read(m)} of 2` : elapsed >= m * 60 ? 'due' : ''
              }}</span>
            </PlainButton></span
          >
        </div>
        <div class="feet">
          <section v-for="s in SIDES" :key="s">
            <template v-if="current.worn[s]">
              <h3>
                <SideMark :side="s" word />
                <span class="small muted"
                  >{{ model(current.worn[s]!.model)?.name }}, {{ sizeWords(current.worn[s]!.sizeMm)
                  }}<template v-if="rank(current.worn[s]!.model)">
                    · ranks {{ rank(current.worn[s]!.model) }}</template
                  ></span
                >
              </h3>
              <div class="grid">
                <span class="small">toes, upright</span
                ><VBtnToggle
                  role="group"
                  :aria-label="`${s} toes upright`"
                  density="compact"
                  :model-value="readingOf(s)?.toesUpright"
                  :disabled="fitting.readOnly"
                  @update:model-value="
                    (v: TryOnReading['toesUpright']) => change(s, { toesUpright: v })
                  "
                  ><VBtn v-for="t in TOES" :key="t" :value="t">{{ TOE_WORDS[t] }}</VBtn></VBtnToggle
                >
                <span class="small">toes, flexed</span
                ><VBtnToggle
                  role="group"
                  :aria-label="`${s} toes flexed`"
                  density="compact"
                  :model-value="readingOf(s)?.toesFlexed"
                  :disabled="fitting.readOnly"
                  @update:model-value="
                    (v: TryOnReading['toesFlexed']) => change(s, { toesFlexed: v })
                  "
                  ><VBtn v-for="t in TOES" :key="t" :value="t">{{
                    t === 'clear' ? 'come off' : TOE_WORDS[t]
                  }}</VBtn></VBtnToggle
                >
                <span class="small">hold</span
                ><VBtnToggle
                  role="group"
                  :aria-label="`${s} hold`"
                  density="compact"
                  :model-value="readingOf(s)?.hold"
                  :disabled="fitting.readOnly"
                  @update:model-value="(v: TryOnReading['hold']) => change(s, { hold: v })"
                  ><VBtn v-for="h in HOLDS" :key="h" :value="h">{{ h }}</VBtn></VBtnToggle
                >
                <span class="small">feeling</span
                ><VBtnToggle
                  role="group"
                  :aria-label="`${s} feeling`"
                  density="compact"
                  :model-value="readingOf(s)?.numb"
                  :disabled="fitting.readOnly"
                  @update:model-value="(v: TryOnReading['numb']) => change(s, { numb: v })"
                  ><VBtn v-for="n in NUMBNESS" :key="n" :value="n">{{
                    n === 'none' ? 'full' : n
                  }}</VBtn></VBtnToggle
                >
                <span class="small">heel lift</span
                ><AmountStepper
                  :value="readingOf(s)?.heelLiftMm ?? null"
                  unit="mm"
                  :step="1"
                  :min="0"
                  :max="40"
                  :start="2"
                  :label="`${s} heel lift`"
                  :disabled="fitting.readOnly"
                  @keep="(v: number) => change(s, { heelLiftMm: v })"
                />
                <span class="small">toe over insole</span
                ><AmountStepper
                  :value="insoleOf(s)"
                  unit="mm"
                  :step="1"
                  :min="-60"
                  :max="60"
                  :start="-10"
                  :label="`${s} toe over the end of the removed insole; minus is before it`"
                  :disabled="fitting.readOnly"
                  @keep="(v: number) => setInsole(s, v)"
                />
              </div>
              <p v-if="insoleOf(s) !== null" class="small">
                <StatusMark
                  :kind="insoleWords(insoleOf(s)!).kind"
                  :word="insoleWords(insoleOf(s)!).words"
                />
              </p>
              <p v-if="tryOnWords(current, s, fitting.norms)" class="small">
                <StatusMark
                  :kind="tryOnWords(current, s, fitting.norms)!.kind"
                  :word="tryOnWords(current, s, fitting.norms)!.words"
                />
              </p>
            </template>
          </section>
        </div>
      </template>
    </section>
    <section class="card felt" tabindex="0" aria-label="Hot spots">
      <div class="card-head">
        <h2>Hot spots</h2>
        <span class="aside small">tap: felt, bothers, hurts, off</span>
      </div>
      <VBtnToggle v-model="view" mandatory role="group" aria-label="Side of the foot" class="views"
        ><VBtn v-for="v in MARK_VIEWS" :key="v" :value="v">{{ VIEWS[v] }}</VBtn></VBtnToggle
      >
      <div class="map">
        <SpotMap :view="view" :spots="spots" :at="spot" @place="place" @choose="cycle" />
      </div>
      <ul class="log scroll small" tabindex="0" aria-label="Try-ons so far">
        <li v-for="t in [...all].reverse()" :key="t.id">
          <PlainButton class="old" :class="{ on: t.id === current?.id }" @click="look(t)">
            <b>{{ nameOf(t) }}</b> {{ t.startedAt.slice(0, 10) }} {{ t.by }}<br /><span
              v-for="s in SIDES"
              :key="s"
              ><template v-if="tryOnWords(t, s, fitting.norms)"
                ><SideMark :side="s" /> {{ tryOnWords(t, s, fitting.norms)!.words }}
              </template></span
            >
          </PlainButton>
        </li>
        <li v-if="all.length === 0" class="muted pad">No try-on yet.</li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.try {
  grid-template-columns: minmax(0, 1fr) minmax(0, 330px);
}
.worn,
.felt {
  display: flex;
  flex-direction: column;
  overflow: auto;
}
.setup {
  display: flex;
  gap: 10px;
  align-items: center;
  padding: 10px 14px;
  border-bottom: 1px solid var(--hairline);
  flex-wrap: wrap;
}
.pick {
  display: flex;
  gap: 6px;
  align-items: center;
  flex: 1;
  min-width: 186px;
}
.dev {
  display: flex;
  gap: 6px;
  align-items: center;
  min-height: 44px;
}
.pad {
  padding: 14px 16px;
}
.clock {
  display: flex;
  gap: 16px;
  align-items: center;
  padding: 10px 16px;
  border-bottom: 1px solid var(--hairline);
  flex-wrap: wrap;
}
.time {
  font-family: 'Bricolage Grotesque Variable', serif;
  font-size: 40px;
  line-height: 44px;
  min-width: 104px;
}
.who {
  display: flex;
  flex-direction: column;
  min-width: 0;
  flex: 1;
}
.marks {
  display: flex;
  gap: 6px;
}
.at {
  width: 62px;
  min-height: 48px;
  border: 1px solid var(--line-strong);
  border-radius: 6px;
  text-align: center;
  font-size: 17px;
  font-weight: 600;
  line-height: 20px;
  background: var(--sheet);
}
.at span {
  display: block;
  font-weight: 400;
  min-height: 16px;
}
.at.on {
  background: var(--wash);
  border-color: var(--spruce);
  box-shadow: inset 0 0 0 1px var(--spruce);
}
.feet {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 14px;
  padding: 10px 14px;
}
h3 {
  font-size: 15px;
  padding-bottom: 6px;
}
.grid {
  display: grid;
  grid-template-columns: 74px minmax(0, 1fr);
  gap: 6px 8px;
  align-items: center;
  padding-bottom: 8px;
}
.grid :deep(.v-btn) {
  flex: 1;
  padding: 0 6px;
  font-size: 13px;
  min-width: 0;
}
.grid :deep(.v-btn-group) {
  width: 100%;
}
.views {
  margin: 10px 12px 0;
}
.map {
  height: 250px;
}
.log {
  flex: 1;
  border-top: 1px solid var(--hairline);
}
.old {
  padding: 8px 14px;
  width: 100%;
  min-height: 44px;
}
.old.on {
  background: var(--wash);
}
@media (max-width: 1000px) {
  .try {
    grid-template-columns: 1fr;
  }
}
</style>
