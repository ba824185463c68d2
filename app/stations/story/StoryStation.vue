<script setup lang="ts">
import InTurn from '~/components/InTurn.vue'
import DayField from '~/components/DayField.vue'
import { format } from 'date-fns'
import { computed, onMounted, ref, watch } from 'vue'
import { VBtn, VSelect, VTextarea } from 'vuetify/components'
import { activityName, activityWords, type ActivityTold } from '../../../core/record/storyActivity'
import { dayWords } from '../../../core/record/typedDay'
import { isChild } from '../../../core/measure/ageAtVisit'
import type { Client } from '../../../core/record/schema'
import type { FittingRow } from '../../../shared/contracts'
import ComplaintsPane from './ComplaintsPane.vue'
import PhotosPane from './PhotosPane.vue'
import SignsPane from './SignsPane.vue'
import ActivityPicker from './ActivityPicker.vue'
import StoryActivity from './StoryActivity.vue'
import StoryHealth from './StoryHealth.vue'
import { textOr, useStory } from './useStory'
import DraftField from '~/components/DraftField.vue'
import { api } from '~/browser/api'
import { plainCopy } from '~/browser/plainCopy'
import PlainButton from '~/components/PlainButton.vue'
import PaneTabs from '~/components/PaneTabs.vue'
import { KEPT_HERE, useOutbox } from '~/stores/outbox'

/** The talk: who, what for, what hurts, what must be known before anything is made. */
const { fitting, story, client, trouble, put, putClient, number } = useStory()
const today = format(new Date(), 'yyyy-MM-dd')
const goal = ref('')
const atGoal = ref(false)
watch(
  () => story.value.goal,
  (v) => !atGoal.value && (goal.value = v ?? ''),
  { immediate: true },
)
const child = computed(() => isChild(fitting.record.client, fitting.record.visit?.on))
/** Norms of children and some of growth are told by it; nothing else is. */
const SEXES = [
  { title: 'not told', value: null },
  { title: 'female', value: 'female' },
  { title: 'male', value: 'male' },
  { title: 'other', value: 'other' },
]
type Pane = 'hurts' | 'signs' | 'photos'
const pane = ref<Pane>('hurts')
const asked = computed(() => Object.keys(story.value.signs ?? {}).length)
const waiting = computed(() => fitting.risk.refers.filter((r) => !r.cleared).length)
const PANES = computed((): [Pane, string][] => [
  ['hurts', 'Where it hurts'],
  [
    'signs',
    waiting.value
      ? `Refer first ▲ ${waiting.value}`
      : asked.value
        ? 'Before making ✓'
        : 'Before making',
  ],
  ['photos', 'Old footwear'],
])

const others = ref<FittingRow[]>([])
const adding = ref(false)
onMounted(async () => {
  trouble.value = ''
  others.value = (
    await api<{ fittings: FittingRow[] }>(`clients/${fitting.client!.id}`).catch(() => ({
      fittings: [],
    }))
  ).fittings
})
const outbox = useOutbox()
async function another(told: ActivityTold) {
  try {
    const done = await outbox.write<{ fittingId: string }>({
      method: 'POST',
      path: `clients/${fitting.client!.id}/fittings`,
      body: { ...plainCopy(told), copyFrom: fitting.id },
      words: `new fitting for ${activityWords(told)}`,
    })
    if ('waits' in done) return void (trouble.value = KEPT_HERE)
    await navigateTo(`/fittings/${done.answer.fittingId}/story`)
  } catch (error) {
    trouble.value = (error as Error).message
  }
}
const stopped = computed(() => (waiting.value > 0 ? 'signs' : undefined))
</script>

<template>
  <div class="title-row">
    <h1>Story</h1>
    <nav class="fact strip" aria-label="Fittings of this client">
      <NuxtLink
        v-for="f in others"
        :key="f.id"
        :to="`/fittings/${f.id}/story`"
        class="fit"
        :class="{ on: f.id === fitting.id }"
        :aria-current="f.id === fitting.id ? 'page' : undefined"
        >{{
          (f.id === fitting.id ? activityWords(story) : activityName(f.activity ?? undefined)) ??
          'not told'
        }}
        <small>{{ dayWords(f.openedOn) }}</small></NuxtLink
      >
      <PlainButton
        v-if="!fitting.readOnly"
        class="fit add"
        :aria-expanded="adding"
        @click="adding = !adding"
      >
        + another activity
      </PlainButton>
    </nav>
    <VBtn color="primary" variant="flat" @click="navigateTo(`/fittings/${fitting.id}/measure`)"
      >Go to Measure</VBtn
    >
  </div>
  <div v-if="adding" class="card another">
    <span>A fitting of its own, with these readings and findings:</span>
    <ActivityPicker
      label="Another activity"
      :told="undefined"
      :own="fitting.tables?.ownActivities ?? []"
      :without="story"
      @told="(told) => told.activity && another(told)"
    />
  </div>
  <p v-if="trouble" class="notice stop" role="alert">{{ trouble }}</p>
  <div class="cols story">
    <section class="card scroll talk">
      <div class="ask">
        <h2>Who are you?</h2>
        <div class="fields">
          <label
            ><span>Name</span
            ><DraftField
              :value="client.name"
              :disabled="fitting.readOnly"
              maxlength="120"
              @keep="(t: string) => putClient({ name: textOr(t) })"
          /></label>
          <div class="half">
            <span aria-hidden="true">Born on</span
            ><DayField
              label="Born on"
              unlabelled
              :model-value="client.bornOn"
              :max="today"
              :disabled="fitting.readOnly"
              @update:model-value="(day) => putClient({ bornOn: day })"
            />
          </div>
          <label
            ><span>Does what</span
            ><DraftField
              :value="client.occupation"
              :disabled="fitting.readOnly"
              maxlength="120"
              @keep="(t: string) => putClient({ occupation: textOr(t) })"
          /></label>
          <label class="short"
            ><span>Weight, kg</span
            ><DraftField
              :value="client.massKg"
              inputmode="decimal"
              :disabled="fitting.readOnly"
              @keep="(t: string) => number(t, 2, 350, 'Weight', (v) => putClient({ massKg: v }))"
          /></label>
          <label class="short"
            ><span>Height, mm</span
            ><DraftField
              :value="client.heightMm"
              inputmode="numeric"
              :disabled="fitting.readOnly"
              @keep="
                (t: string) => number(t, 400, 2500, 'Height', (v) => putClient({ heightMm: v }))
              "
          /></label>
          <div class="sex">
            <span aria-hidden="true">Sex</span
            ><VSelect
              :model-value="client.sex ?? null"
              :items="SEXES"
              aria-label="Sex"
              :disabled="fitting.readOnly"
              @update:model-value="
                (sex: Client['sex'] | null) => putClient({ sex: sex ?? undefined })
              "
            />
          </div>
          <label v-if="child" class="all"
            ><span>Guardian who agrees</span
            ><DraftField
              :value="client.guardian"
              :disabled="fitting.readOnly"
              maxlength="120"
              @keep="(t: string) => putClient({ guardian: textOr(t) })"
          /></label>
        </div>
      </div>
      <InTurn><StoryActivity /></InTurn>
      <div class="ask">
        <h2>What should be possible again?</h2>
        <label class="goal"
          ><span class="sr">Goal in the client’s words</span
          ><VTextarea
            v-model="goal"
            rows="2"
            maxlength="500"
            :disabled="fitting.readOnly"
            placeholder="in the client’s own words"
            @focus="atGoal = true"
            @blur="atGoal = false"
            @change="put({ goal: textOr(goal) }, 'goal')"
          />
        </label>
      </div>
      <InTurn><StoryHealth /></InTurn>
    </section>
    <section class="card stack0">
      <PaneTabs
        v-model="pane"
        :panes="PANES"
        label="Complaints, signs, old footwear"
        look="line"
        :stop="stopped"
      />
      <InTurn>
        <ComplaintsPane v-if="pane === 'hurts'" />
        <SignsPane v-else-if="pane === 'signs'" />
        <PhotosPane v-else />
      </InTurn>
    </section>
  </div>
</template>

<style scoped>
.story {
  grid-template-columns: minmax(0, 540px) minmax(0, 1fr);
}
.stack0 {
  display: flex;
  flex-direction: column;
}
.strip {
  display: flex;
  gap: 6px;
  overflow-x: auto;
}
.fit {
  border: 1px solid var(--hairline);
  border-radius: 4px;
  padding: 6px 10px;
  font-size: 13px;
  white-space: nowrap;
  text-decoration: none;
  color: var(--ink);
  background: var(--sheet);
}
.fit small {
  color: var(--muted);
  font-size: 12px;
}
.fit.on {
  background: var(--wash);
  font-weight: 700;
}
.fit.on small {
  color: var(--ink);
  font-weight: 400;
}
.fit.add {
  border-style: dashed;
  color: var(--spruce);
}
.another {
  padding: 8px 12px;
  display: flex;
  gap: 6px;
  flex-wrap: wrap;
  align-items: center;
  flex: none;
}
.talk :deep(.ask) {
  display: grid;
  grid-template-columns: 112px 1fr;
  gap: 12px;
  padding: 7px 14px;
  border-bottom: 1px solid var(--hairline);
  align-items: start;
}
.talk :deep(.ask:last-child) {
  border-bottom: 0;
}
.talk :deep(.ask h2) {
  font-family: inherit;
  font-size: 14px;
  line-height: 18px;
  padding-top: 7px;
}
.talk :deep(.chips),
.stack0 :deep(.chips) {
  display: flex;
  flex-wrap: wrap;
  gap: 5px;
  align-items: center;
}
.talk :deep(.gap) {
  margin-top: 6px;
  gap: 12px;
}
.talk :deep(.line) {
  font-size: 13px;
  color: var(--muted);
  padding: 5px 0 6px;
}
.talk :deep(.mini) {
  display: flex;
  align-items: center;
  gap: 4px;
  font-size: 13px;
}
.talk :deep(.mini .v-input) {
  width: 46px;
  --v-input-control-height: 34px;
  --field-pad: 4px;
  text-align: center;
  font-size: 15px;
}
.talk :deep(.wear) {
  display: grid;
  grid-template-columns: 1fr 110px;
  gap: 6px;
}
.talk :deep(.wear .v-input) {
  --v-input-control-height: 36px;
  font-size: 15px;
}
.talk :deep(.past li) {
  display: flex;
  gap: 6px;
  align-items: center;
  font-size: 13.5px;
}
.talk :deep(.past .x) {
  width: 32px;
  height: 28px;
  font-size: 18px;
  text-align: center;
  margin-left: auto;
}
.talk :deep(.past-new) {
  display: grid;
  grid-template-columns: 96px 70px 1fr auto;
  gap: 5px;
}
.talk :deep(.past-new .v-input) {
  --v-input-control-height: 36px;
  font-size: 14px;
  --field-pad: 6px;
}
.story :deep(.tick),
.another .tick {
  min-height: 32px;
  padding: 0 9px;
  border: 1px solid var(--line-strong);
  border-radius: 4px;
  background: var(--sheet);
  font-size: 13px;
}
.story :deep(.tick[aria-pressed='true']) {
  background: var(--wash);
  font-weight: 700;
  border-color: var(--spruce);
}
.fields {
  display: grid;
  grid-template-columns: repeat(6, 1fr);
  gap: 4px 8px;
}
.fields label {
  grid-column: span 4;
}
.fields .short {
  grid-column: span 2;
}
.fields label:first-child,
.fields .half {
  grid-column: span 3;
}
.fields .sex {
  grid-column: span 4;
}
.fields .sex :deep(.v-select__selection-text) {
  font-size: inherit;
  color: inherit;
}
.fields .all {
  grid-column: 1 / -1;
}
.fields .v-input {
  --v-input-control-height: 38px;
}
.fields span {
  display: block;
  font-size: 12px;
  color: var(--muted);
}
.goal .v-textarea {
  height: auto;
  padding: 6px 10px;
  resize: vertical;
  min-height: 52px;
  line-height: 20px;
}
</style>
