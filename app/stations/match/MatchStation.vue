<script setup lang="ts">
import InTurn from '~/components/InTurn.vue'
import { computed, onMounted, ref } from 'vue'
import { VBtn, VBtnToggle, VCheckboxBtn, VMenu, VSelect } from 'vuetify/components'
import { FOOTWEAR_ASKS } from '../../../core/kinds/footwearAsks'
import type { TryOn } from '../../../core/record/schema'
import { INTENTS, SIDES } from '../../../core/tables/vocabulary'
import { FAMILIES } from '../../../core/kinds/families/all'
import AmountStepper from '~/components/AmountStepper.vue'
import BroughtDialog from './BroughtDialog.vue'
import BringOut from './BringOut.vue'
import CandidateList from './CandidateList.vue'
import DetailPane from './DetailPane.vue'
import FitView from './FitView.vue'
import ShellCheckDialog from './ShellCheckDialog.vue'
import SideBySide from './SideBySide.vue'
import TryOnPane from './TryOnPane.vue'
import WorkPane from './WorkPane.vue'
import SizesTaken from './SizesTaken.vue'
import { familyPlural, useMatch } from './useMatch'
import { useChanges } from '~/stores/changes'
import { choicesOf } from '~/browser/choices'

const match = useMatch()
const {
  fitting,
  models,
  trouble,
  result,
  matched,
  busy,
  filter,
  looking,
  current,
  model,
  suited,
  settings,
  chosen,
  footwear,
  advice,
  load,
  choose,
} = match
const changes = useChanges()
onMounted(() => load())
const part = ref<'list' | 'side' | 'try' | 'work'>('list')
const view = ref<'plan' | 'side' | 'back'>('plan')
const checking = ref(false)
/** What is on the feet while a shell is checked. */
const onFeet = ref<TryOn['worn']>({})
function check(worn: TryOn['worn']) {
  onFeet.value = worn
  checking.value = true
}
/** What is looked at, in the sizes that it is looked at in. */
const lookedAt = computed<TryOn['worn']>(() =>
  Object.fromEntries(
    SIDES.flatMap((side) => {
      const fit = current.value?.[side]
      return fit ? [[side, { model: looking.value, sizeMm: fit.sizeMm }] as const] : []
    }),
  ),
)
const bringing = ref(false)
const asNew = ref(false)
const PARTS = [
  ['list', 'Candidates'],
  ['side', 'Side by side'],
  ['try', 'Try-on'],
  ['work', 'Work plan'],
] as const
const setIntent = (intent: (typeof INTENTS)[number]) =>
  changes.put(
    'story',
    { complaints: [], conditions: [], ...fitting.record.story, intent },
    'fit intent',
  )
/** What the ledger asked of the footwear. */
const asks = computed(() =>
  (footwear.value.asks ?? [])
    .map((a) => `${FOOTWEAR_ASKS.of(a.what).name}${a.foot === 'both' ? '' : ` (${a.foot})`}`)
    .join(', '),
)
const kinds = computed(() =>
  filter.family === 'all' || (filter.family === 'suited' && suited.value === null)
    ? 'all families'
    : filter.family === 'suited'
      ? suited.value!.map(familyPlural).join(', ')
      : familyPlural(filter.family),
)
const filters = computed(() =>
  [
    filter.inStock && 'in stock',
    filter.flex && 'flex as advised',
    filter.mostPrice !== null && `up to ${filter.mostPrice}`,
    filter.makers.length > 0 && filter.makers.join(', '),
  ]
    .filter(Boolean)
    .join(', '),
)
const makers = computed(() => [...new Set(models.models.map((m) => m.maker))].sort())
const fact = computed(() =>
  result.value
    ? `${result.value.counts.fit} of ${result.value.counts.compared} can be made to fit, ${kinds.value}${filters.value ? ` · only ${filters.value}` : ''}${asks.value ? ` · asked for: ${asks.value}` : ''} · estimate`
    : '',
)
const isChosen = computed(
  () =>
    chosen.value?.model === looking.value &&
    chosen.value?.sizeLeftMm === current.value?.left?.sizeMm &&
    chosen.value?.sizeRightMm === current.value?.right?.sizeMm,
)
/** Why no work makes it fit in these sizes: it can be chosen all the same, the fitter decides. */
const because = computed(() => current.value?.because ?? null)
function toggleMaker(maker: string) {
  filter.makers = filter.makers.includes(maker)
    ? filter.makers.filter((m) => m !== maker)
    : [...filter.makers, maker]
}
const FAMILY_CHOICES = computed(() => [
  {
    value: 'suited',
    title: suited.value ? `suited: ${suited.value.map(familyPlural).join(', ')}` : 'all families',
  },
  ...(suited.value ? [{ value: 'all', title: 'all families' }] : []),
  ...choicesOf(FAMILIES, familyPlural),
])
</script>

<template>
  <div class="title-row head">
    <h1>Match</h1>
    <span class="fact ellipsis" :title="fact">{{ fact }}</span>
    <VBtnToggle
      role="group"
      :model-value="settings.intent"
      aria-label="Fit intent"
      :disabled="fitting.readOnly"
      @update:model-value="setIntent"
      ><VBtn v-for="i in INTENTS" :key="i" :value="i">{{ i }}</VBtn></VBtnToggle
    >
    <VBtn
      color="primary"
      variant="flat"
      :disabled="!current || fitting.readOnly || isChosen"
      @click="current && choose(current)"
      >{{
        current
          ? `${isChosen ? 'Chosen: ' : 'Choose '}${model(looking)?.name ?? looking}`
          : 'Choose'
      }}</VBtn
    >
  </div>
  <div class="tools">
    <VBtnToggle v-model="part" mandatory role="group" aria-label="Part of Match"
      ><VBtn v-for="[id, words] in PARTS" :key="id" :value="id">{{ words }}</VBtn></VBtnToggle
    >
    <VBtn
      v-if="part !== 'try'"
      :disabled="!current"
      :title="current ? `of ${model(looking)?.name}` : 'nothing is looked at'"
      @click="check(lookedAt)"
      >Shell check</VBtn
    >
    <VBtn :disabled="!models.loaded" @click="bringing = true"
      >Brought along{{ footwear.brought ? ` (${footwear.brought.length})` : '' }}</VBtn
    >
    <span class="space" />
    <VMenu :close-on-content-click="false">
      <template #activator="{ props }"
        ><VBtn v-bind="props">Filter{{ filters ? ` (${filters})` : '' }}</VBtn></template
      >
      <div class="card pop">
        <label><VCheckboxBtn v-model="filter.inStock" /> in stock here, in its size</label>
        <label
          >family<VSelect v-model="filter.family" :items="FAMILY_CHOICES" aria-label="Family"
        /></label>
        <label
          ><VCheckboxBtn v-model="filter.flex" /> flex as advised (step {{ advice.step }} ± 1.5);
          none stated stays</label
        >
        <span class="row"
          ><span>price up to</span
          ><AmountStepper
            :value="filter.mostPrice"
            unit=""
            :step="50"
            :min="0"
            :max="5000"
            :start="500"
            label="Highest price"
            @keep="(v: number) => (filter.mostPrice = v || null)"
        /></span>
        <fieldset>
          <legend class="small muted">Makers (all when none is ticked)</legend>
          <label v-for="k in makers" :key="k"
            ><VCheckboxBtn
              :model-value="filter.makers.includes(k)"
              @update:model-value="toggleMaker(k)"
            />
            {{ k }}</label
          >
        </fieldset>
        <span class="row"
          ><span>sock, compressed</span
          ><AmountStepper
            :value="footwear.sockMm ?? null"
            unit="mm"
            :step="0.5"
            :min="0"
            :max="10"
            :start="1"
            label="Sock, one compressed layer"
            :disabled="fitting.readOnly"
            @keep="(v: number) => match.put({ ...footwear, sockMm: v }, 'sock')" /><span>×</span
          ><AmountStepper
            :value="footwear.socks ?? 1"
            unit=""
            :step="1"
            :min="0"
            :max="3"
            :start="1"
            label="Number of socks"
            :disabled="fitting.readOnly"
            @keep="(v: number) => match.put({ ...footwear, socks: v }, 'socks')"
        /></span>
        <NuxtLink to="/catalogue">Catalogue: import, measure, stock</NuxtLink>
      </div>
    </VMenu>
  </div>
  <p v-if="trouble" class="notice stop" role="alert">{{ trouble }}</p>
  <p v-if="models.loaded && !busy && !matched" class="notice">
    Take a foot length first: without it no shell can be compared.
    <NuxtLink :to="`/fittings/${fitting.id}/measure`">Go to Measure</NuxtLink>
  </p>
  <p v-else-if="models.loaded && models.models.length === 0" class="notice">
    The catalogue is empty. <NuxtLink to="/catalogue">Import one or measure a shell</NuxtLink>
  </p>
  <template v-if="result && matched">
    <template v-if="part === 'list'">
      <div class="cols match">
        <div class="stack">
          <InTurn><BringOut :match="match" /></InTurn
          ><InTurn><CandidateList :match="match" /></InTurn>
        </div>
        <div class="stack">
          <section class="card grow draw">
            <div class="card-head">
              <b class="strong ellipsis" :title="model(looking)?.name">{{
                model(looking)?.name
              }}</b><VBtnToggle
                v-model="view"
                mandatory
                role="group"
                aria-label="View"
                class="aside"
                ><VBtn value="plan">Plan</VBtn><VBtn value="side">Side</VBtn
                ><VBtn value="back">Back</VBtn></VBtnToggle
              >
            </div>
            <SizesTaken :match="match" />
            <FitView
              v-if="current && model(looking)"
              :record="fitting.record"
              :fit="current"
              :model="model(looking)!"
              :feet="matched.feet"
              :view="view"
              :as-new="asNew"
            />
            <p v-else class="muted pad">Nothing to draw.</p>
            <p v-if="because" class="stop-text small because">⬣ {{ because }}</p>
            <p class="small muted pad0 foot">
              <span>room left, mm · dots: contact · estimate</span
              ><label><VCheckboxBtn v-model="asNew" /> liner as new</label>
            </p>
          </section>
          <InTurn><DetailPane :match="match" /></InTurn>
        </div>
      </div>
    </template>
    <SideBySide v-else-if="part === 'side'" :match="match" />
    <TryOnPane v-else-if="part === 'try'" :match="match" @check="check" />
    <WorkPane v-else :match="match" />
  </template>
  <ShellCheckDialog v-model="checking" :worn="onFeet" @learned="load(false)" />
  <BroughtDialog v-model="bringing" :match="match" />
  <p v-if="!result && !trouble && busy" class="muted" role="status">Ranking the catalogue …</p>
</template>

<style scoped>
.head .fact {
  white-space: nowrap;
}
.tools {
  display: flex;
  gap: 8px;
  align-items: center;
  flex: none;
  flex-wrap: wrap;
}
.space {
  flex: 1;
}
.pop {
  display: flex;
  flex-direction: column;
  gap: 6px;
  padding: 12px 14px;
  width: 420px;
  max-height: 76vh;
  overflow: auto;
}
.pop label {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 36px;
}
.pop fieldset {
  border: 1px solid var(--hairline);
  border-radius: 6px;
  padding: 4px 10px;
  display: grid;
  grid-template-columns: 1fr 1fr;
}
.row {
  display: flex;
  gap: 8px;
  align-items: center;
}
.row :deep(.stepper) {
  flex: 1 0 140px;
}
.match {
  grid-template-columns: minmax(0, 1fr) minmax(0, 350px);
}
.draw {
  display: flex;
  flex-direction: column;
  min-height: 240px;
}
.draw .card-head {
  align-items: center;
  padding-block: 5px;
}
.draw :deep(.v-btn-group) {
  height: 36px !important;
}
.draw :deep(.v-btn-group .v-btn) {
  height: 34px !important;
}
.foot {
  display: flex;
  justify-content: space-between;
  align-items: center;
}
.foot label {
  display: flex;
  gap: 6px;
  align-items: center;
  min-height: 28px;
}

.because {
  padding: 0 12px 4px;
}
.pad {
  padding: 16px;
}
.pad0 {
  padding: 0 12px 6px;
}
@media (max-width: 1179px) {
  .match {
    grid-template-columns: minmax(0, 1fr) minmax(0, 290px);
  }
}
@media (max-width: 900px) {
  .match {
    grid-template-columns: 1fr;
  }
}
</style>
