<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { VBtn, VBtnToggle } from 'vuetify/components'
import { ACTIVITIES } from '../../../core/record/activities'
import { PLACES } from '../../../core/record/places'
import { parseNumber } from '../../../core/measure/callOut'
import type { Client, Complaint, Story } from '../../../core/record/schema'
import { ABILITIES, COMPLAINT_PLACES, CONDITIONS, INTENTS, SCHOOLS, type ComplaintPlace, type Condition, type Side } from '../../../core/record/vocabulary'
import ComplaintMap from './ComplaintMap.vue'
import DraftField from '~/components/DraftField.vue'
import SideMark from '~/components/SideMark.vue'
import { useFitting } from '~/stores/fitting'

const fitting = useFitting()
const story = computed<Story>(() => fitting.record.story ?? { complaints: [], conditions: [] })
const client = ref<Client>({})
watch(() => fitting.client?.details, (d) => (client.value = { ...d }), { immediate: true })
const goal = ref('')
const atGoal = ref(false)
watch(() => story.value.goal, (v) => !atGoal.value && (goal.value = v ?? ''), { immediate: true })
const side = ref<Side>('left')
const trouble = ref('')

const INTENT_WORDS = { race: 'Race', performance: 'Performance', 'all-round': 'All-round', comfort: 'Comfort' }
const SCHOOL_WORDS = { neutral: 'Neutral', 'tissue-stress': 'Tissue stress', sagittal: 'Sagittal', platform: 'Platform', comfort: 'Comfort' }
const CONDITION_WORDS: Record<Condition, string> = { diabetes: 'diabetes', neuropathy: 'lost feeling', poorCirculation: 'poor circulation', pastUlcer: 'past ulcer', amputation: 'amputation', kidneyFailure: 'kidney failure', smoking: 'smokes', inflammatoryArthritis: 'inflammatory arthritis', osteoarthritis: 'osteoarthritis', hypermobility: 'loose joints', pregnancy: 'pregnancy', bloodThinners: 'blood thinners', recentOperation: 'operation < 6 months' }

function put(patch: Partial<Story>, words: string) {
  trouble.value = fitting.put('story', { ...story.value, ...patch }, words) ?? ''
}
/** Takes a text field away when it is empty. */
const textOr = (event: Event) => (event.target as HTMLInputElement | HTMLTextAreaElement | HTMLSelectElement).value.trim() || undefined
async function putClient(patch: Partial<Client>) {
  const details = Object.fromEntries(Object.entries({ ...client.value, ...patch }).filter(([, v]) => v !== undefined && v !== '')) as Client
  try {
    await fitting.changeClient(details)
    trouble.value = ''
  } catch (error) {
    trouble.value = (error as Error).message
  }
}
function putNumber(text: string, key: 'massKg' | 'hours', low: number, high: number, name: string) {
  const value = text.trim() ? parseNumber(text) : undefined
  if (value === null || (value !== undefined && (value < low || value > high))) {
    trouble.value = `${name}: a number from ${low} to ${high}. “${text}” was not kept.`
    return
  }
  if (key === 'hours') put({ hours: value }, 'hours')
  else void putClient({ massKg: value })
}
function addComplaint(at: ComplaintPlace, foot: Side = side.value) {
  if (fitting.readOnly || story.value.complaints.some((c) => c.foot === foot && c.at === at)) return
  put({ complaints: [...story.value.complaints, { foot, at }] }, `${foot} ${PLACES[at].name} hurts`)
}
const change = (i: number, patch: Partial<Complaint>) => put({ complaints: story.value.complaints.map((c, k) => (k === i ? { ...c, ...patch } : c)) }, 'complaint')
const drop = (i: number) => put({ complaints: story.value.complaints.filter((_, k) => k !== i) }, 'complaint taken off')
const toggle = (c: Condition) => put({ conditions: story.value.conditions.includes(c) ? story.value.conditions.filter((x) => x !== c) : [...story.value.conditions, c] }, CONDITION_WORDS[c])
const told = computed(() => [client.value.name, story.value.activity, story.value.ability, story.value.intent, story.value.goal, story.value.school].filter(Boolean).length)
const elsewhere = COMPLAINT_PLACES.filter((p) => PLACES[p].spot === null)
const scoreRefs = [0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10]
</script>

<template>
  <div class="title-row">
    <h1>Story</h1>
    <span class="fact">{{ told }} of 6 told · {{ story.complaints.length }} {{ story.complaints.length === 1 ? 'complaint' : 'complaints' }}</span>
    <VBtn color="primary" variant="flat" @click="navigateTo(`/fittings/${fitting.id}/measure`)">Go to Measure</VBtn>
  </div>
  <p v-if="trouble" class="notice stop" role="alert">{{ trouble }}</p>
  <div class="cols story">
    <section class="card scroll">
      <div class="row"><h2>Who</h2><div class="fields">
        <label><span>Name</span><DraftField :value="client.name" :disabled="fitting.readOnly" maxlength="120" @keep="(t: string) => putClient({ name: t.trim() || undefined })" /></label>
        <label class="short"><span>Born on</span><input class="field" type="date" :value="client.bornOn" :disabled="fitting.readOnly" @change="putClient({ bornOn: textOr($event) })" /></label>
        <label class="short"><span>Weight, kg</span><DraftField :value="client.massKg" inputmode="decimal" :disabled="fitting.readOnly" @keep="(t: string) => putNumber(t, 'massKg', 2, 350, 'Weight')" /></label>
        <label><span>Does what</span><DraftField :value="client.occupation" :disabled="fitting.readOnly" maxlength="120" @keep="(t: string) => putClient({ occupation: t.trim() || undefined })" /></label>
      </div></div>
      <div class="row"><h2>Activity</h2><div class="fields">
        <label class="third"><span>For</span><select class="field" aria-label="Activity" :value="story.activity ?? ''" :disabled="fitting.readOnly" @change="put({ activity: textOr($event) }, 'activity')"><option value="">not told</option><option v-for="a in ACTIVITIES" :key="a.id" :value="a.id">{{ a.name }}</option></select></label>
        <label class="short"><span>Ability</span><select class="field" aria-label="Ability" :value="story.ability ?? ''" :disabled="fitting.readOnly" @change="put({ ability: textOr($event) as Story['ability'] }, 'ability')"><option value="">not told</option><option v-for="a in ABILITIES" :key="a" :value="a">{{ a }}</option></select></label>
        <label class="short"><span>Hours on feet</span><DraftField inputmode="decimal" :value="story.hours" :disabled="fitting.readOnly" @keep="(t: string) => putNumber(t, 'hours', 0, 24, 'Hours')" /></label>
      </div></div>
      <div class="row"><h2>Fit</h2><VBtnToggle role="group" :model-value="story.intent" :mandatory="false" aria-label="Fit intent" :disabled="fitting.readOnly" @update:model-value="(v: Story['intent']) => put({ intent: v ?? undefined }, 'fit intent')"><VBtn v-for="i in INTENTS" :key="i" :value="i">{{ INTENT_WORDS[i] }}</VBtn></VBtnToggle></div>
      <div class="row"><h2>Goal, own words</h2><label class="goal"><span class="sr">Goal in the client’s words</span><textarea v-model="goal" class="field" rows="2" maxlength="500" :disabled="fitting.readOnly" placeholder="“What should be possible again?”" @focus="atGoal = true" @blur="atGoal = false" @change="put({ goal: textOr($event) }, 'goal')" /></label></div>
      <div class="row"><h2>Health</h2><div class="chips" role="group" aria-label="Conditions told"><button v-for="c in CONDITIONS" :key="c" class="tick" :aria-pressed="story.conditions.includes(c)" :disabled="fitting.readOnly" @click="toggle(c)">{{ story.conditions.includes(c) ? '✓ ' : '' }}{{ CONDITION_WORDS[c] }}</button></div></div>
      <div class="row"><h2>School</h2><div><VBtnToggle role="group" :model-value="story.school" :mandatory="false" aria-label="School of thought" :disabled="fitting.readOnly" @update:model-value="(v: Story['school']) => put({ school: v ?? undefined }, 'school')"><VBtn v-for="s in SCHOOLS" :key="s" :value="s">{{ SCHOOL_WORDS[s] }}</VBtn></VBtnToggle><p class="muted small">Leads the advice; the others still speak in Why.</p></div></div>
    </section>
    <section class="card stack0">
      <div class="card-head"><h2>Where it hurts</h2><span class="aside small">tap a place · sole seen from above</span></div>
      <ComplaintMap :record="fitting.record" :complaints="story.complaints" @place="addComplaint" />
      <div class="else"><span class="muted small">Elsewhere:</span>
        <button v-for="s in (['left', 'right'] as const)" :key="s" class="tick" :aria-pressed="side === s" @click="side = s"><SideMark :side="s" word /></button>
        <button v-for="p in elsewhere" :key="p" class="tick" :disabled="fitting.readOnly" @click="addComplaint(p)">{{ PLACES[p].name }}</button></div>
      <ul class="scroll grow list">
        <li v-if="story.complaints.length === 0" class="muted none">No complaint told.</li>
        <li v-for="(c, i) in story.complaints" :key="`${c.foot}${c.at}`">
          <div class="what"><span class="disc">{{ i + 1 }}</span><SideMark :side="c.foot" /><b>{{ PLACES[c.at].name }}</b>
            <DraftField class="words" :value="c.words" :disabled="fitting.readOnly" maxlength="300" :aria-label="`Words for ${c.foot} ${PLACES[c.at].name}`" placeholder="how it feels" @keep="(t: string) => change(i, { words: t.trim() || undefined })" />
            <button class="tick" :aria-pressed="c.numb === true" :disabled="fitting.readOnly" @click="change(i, { numb: c.numb ? undefined : true })">numb</button>
            <button class="x" :disabled="fitting.readOnly" :aria-label="`Take off ${c.foot} ${PLACES[c.at].name}`" @click="drop(i)">×</button></div>
          <div class="scale" role="radiogroup" :aria-label="`Pain ${c.foot} ${PLACES[c.at].name}, 0 to 10`">
            <button v-for="n in scoreRefs" :key="n" role="radio" :aria-checked="c.score === n" :class="{ at: c.score === n, upto: c.score !== undefined && n < c.score, [c.foot]: true }" :disabled="fitting.readOnly" @click="change(i, { score: n })">{{ n }}</button>
          </div>
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.story { grid-template-columns: minmax(0, 560px) minmax(0, 1fr); }
.stack0 { display: flex; flex-direction: column; }
.row { display: grid; grid-template-columns: 68px 1fr; gap: 10px; padding: 7px 14px; border-bottom: 1px solid var(--hairline); align-items: start; }
.row:last-child { border-bottom: 0; }
.row h2 { font-family: inherit; font-size: 14px; line-height: 18px; padding-top: 10px; }
.fields { display: grid; grid-template-columns: repeat(6, 1fr); gap: 4px 8px; }
.fields label { grid-column: span 4; }
.fields .short { grid-column: span 2; }
.fields .third { grid-column: span 2; }
.fields .field { height: 40px; }
.fields span { display: block; font-size: 12px; color: var(--muted); }
.goal textarea { height: auto; padding: 8px 10px; resize: vertical; min-height: 56px; line-height: 21px; }
.chips, .else { display: flex; flex-wrap: wrap; gap: 5px; align-items: center; }
.tick { min-height: 28px; padding: 0 8px; border: 1px solid var(--line-strong); border-radius: 4px; background: var(--sheet); font-size: 13px; }
.tick[aria-pressed='true'] { background: var(--wash); font-weight: 700; border-color: var(--spruce); }
.else { padding: 6px 14px 10px; border-bottom: 1px solid var(--hairline); }
.list li { padding: 8px 14px; border-bottom: 1px solid var(--hairline); }
.none { padding: 14px; }
.what { display: flex; align-items: center; gap: 8px; }
.disc { width: 22px; height: 22px; border: 1px solid var(--ink); border-radius: 50%; display: grid; place-items: center; font-size: 12px; flex: none; }
.what .words { flex: 1; min-width: 60px; height: 32px; padding: 0 4px; font-size: 14px; border: 0; border-radius: 0; border-bottom: 1px dashed var(--line-strong); background: transparent; font: inherit; }
.x { width: 32px; height: 32px; font-size: 20px; text-align: center; }
.scale { display: grid; grid-template-columns: repeat(11, 1fr); margin-top: 6px; border: 1px solid var(--line-strong); border-radius: 4px; overflow: hidden; }
.scale button { height: 34px; text-align: center; border-right: 1px solid var(--hairline); font-size: 13px; background: var(--sheet); }
.scale .upto.left { background: #e6d8df; } .scale .upto.right { background: #d2e1e6; }
.scale .at.left { background: var(--left); color: #fff; font-weight: 700; } .scale .at.right { background: var(--right); color: #fff; font-weight: 700; }
@media (max-width: 1179px) { .story { grid-template-columns: minmax(0, 500px) minmax(0, 1fr); } }
</style>
