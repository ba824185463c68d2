<script setup lang="ts">
import { computed, onMounted, ref, watch } from 'vue'
import { VBtn, VBtnToggle } from 'vuetify/components'
import { familiesFor } from '../../../core/record/activities'
import type { Station } from '../../../core/footwear/clearance'
import { sizeWords, type FootFit, type MatchResult, type PairFit } from '../../../core/footwear/match'
import { matchRecord, matchSettings } from '../../../core/footwear/matchRecord'
import { stationWords } from '../../../core/footwear/stationWords'
import { targetBand } from '../../../core/footwear/targets'
import { Refusal } from '../../../core/record/refusal'
import { INTENTS, SIDES, type Family, type Side } from '../../../core/record/vocabulary'
import ClearanceStrip from './ClearanceStrip.vue'
import FitPlan from './FitPlan.vue'
import ShellCheckDialog from './ShellCheckDialog.vue'
import { FOOTWEAR_WORDS } from '../../../core/advice/applyChange'
import SideMark from '~/components/SideMark.vue'
import StatusMark from '~/components/StatusMark.vue'
import { useFitting } from '~/stores/fitting'
import { useModels } from '~/stores/models'

const fitting = useFitting()
const models = useModels()
const trouble = ref('')
const all = ref(false)
const looking = ref('')
const checking = ref(false)
onMounted(() => models.load().catch((error: Error) => (trouble.value = error.message)))

const families = computed(() => familiesFor(fitting.record.story?.activity))
const offered = computed(() => models.models.filter((m) => all.value || families.value === null || families.value.includes(m.family)))
const result = computed<MatchResult | null>(() => {
  if (!models.loaded) return null
  try {
    return matchRecord(fitting.record, offered.value, models.learned)
  } catch (error) {
    if (error instanceof Refusal) return null
    throw error
  }
})
const FAMILY_WORDS: Record<Family, string> = { 'rigid-shell': 'rigid shells', skate: 'skates', 'laced-boot': 'laced boots', 'riding-shoe': 'riding shoes', 'work-boot': 'work boots', shoe: 'shoes', 'dress-shoe': 'dress shoes' }
const settings = computed(() => matchSettings(fitting.record))
const chosen = computed(() => fitting.record.footwear?.chosen)
watch(result, (r) => {
  if (!r?.pair.some((p) => p.model === looking.value)) looking.value = r?.pair.find((p) => p.model === chosen.value?.model)?.model ?? r?.pair[0]?.model ?? ''
}, { immediate: true })
const current = computed(() => result.value?.pair.find((p) => p.model === looking.value))
const COLUMNS: Station[] = ['length', 'ball', 'waist', 'instepHeight', 'heel', 'heelInstep']
const model = (id: string) => models.byId(id)!
const minutes = (p: PairFit) => p.work.reduce((s, w) => s + w.minutes, 0)
const sizes = (p: PairFit) => [...new Set(SIDES.flatMap((s) => (p[s] ? [sizeWords(p[s]!.sizeMm)] : [])))].join(' / ')
function verdict(p: PairFit): { kind: 'good' | 'watch' | 'stop'; word: string } {
  const all = SIDES.flatMap((s) => Object.values(p[s]?.verdicts ?? {}))
  if (all.includes('tight')) return { kind: 'stop', word: minutes(p) ? 'Tight, with work' : 'Too tight' }
  if (minutes(p)) return { kind: 'watch', word: 'With work' }
  if (all.includes('loose')) return { kind: 'watch', word: 'Loose' }
  return { kind: 'good', word: all.includes('snug') ? 'Fits, snug' : 'Fits' }
}
const missing = computed(() => [...new Set(SIDES.flatMap((s) => (current.value?.[s] as FootFit | undefined)?.missing.filter((m) => m.startsWith('readings.')) ?? []))].filter((m) => !/toeWidth|ballHeight/.test(m)).map((m) => m.replace('readings.', '').replace(/Mm$/, '').replace(/([A-Z])/g, ' $1').toLowerCase()))
function choose() {
  const p = current.value
  if (!p) return
  trouble.value = fitting.put('footwear', { sockMm: fitting.record.footwear?.sockMm ?? 1, candidates: result.value!.pair.slice(0, 4).map((c) => c.model), chosen: { shellChecks: [], tryOn: [], work: [], ...chosen.value, model: p.model, sizeLeftMm: p.left?.sizeMm, sizeRightMm: p.right?.sizeMm } }, `choose ${model(p.model).name}`) ?? ''
}
const setIntent = (intent: (typeof INTENTS)[number]) => fitting.put('story', { complaints: [], conditions: [], ...fitting.record.story, intent }, 'fit intent')
const band = (station: Station, id: string) => targetBand(station, model(id).family, settings.value.intent, settings.value.child)
const stock = (p: PairFit, side: Side) => model(p.model).stock[String(p[side]?.sizeMm)] ?? 0
/** What the ledger asked of the footwear. */
const asks = computed(() => (fitting.record.footwear?.asks ?? []).map((a) => `${FOOTWEAR_WORDS[a.what]}${a.foot === 'both' ? '' : ` (${a.foot})`}`).join(', '))
</script>

<template>
  <div class="title-row">
    <h1>Match</h1>
    <span class="fact">{{ result ? `${result.pair.length} of ${offered.length} can be made to fit` : '' }}{{ !all && families ? `, ${families.map((f) => FAMILY_WORDS[f]).join(', ')}` : '' }}<template v-if="asks"> · asked for: {{ asks }}</template> · estimate</span>
    <VBtnToggle role="group" :model-value="settings.intent" aria-label="Fit intent" :disabled="fitting.readOnly" @update:model-value="setIntent"><VBtn v-for="i in INTENTS" :key="i" :value="i">{{ i }}</VBtn></VBtnToggle>
    <VBtn v-if="families" :aria-pressed="all" @click="all = !all">{{ all ? 'Only suited' : 'All families' }}</VBtn>
    <VBtn color="primary" variant="flat" :disabled="!current || fitting.readOnly || chosen?.model === current.model" @click="choose">{{ current ? (chosen?.model === current.model ? `${model(current.model).name} is chosen` : `Choose ${model(current.model).name}`) : 'Choose' }}</VBtn>
  </div>
  <p v-if="trouble" class="notice stop" role="alert">{{ trouble }}</p>
  <p v-if="models.loaded && !result" class="notice">Take a foot length first: without it no shell can be compared. <NuxtLink :to="`/fittings/${fitting.id}/measure`">Go to Measure</NuxtLink></p>
  <div v-if="result" class="cols match">
    <section class="card stack0">
      <div class="row heads"><span class="muted">Candidate</span><span v-for="s in COLUMNS" :key="s" class="center"><b>{{ stationWords(s).name }}</b><br><span class="muted small">{{ current ? band(s, current.model).join(' – ').replace(/-/g, '−') : '' }}</span></span></div>
      <ul class="scroll grow">
        <li v-if="result.pair.length === 0" class="muted none">None of these can be made to fit. See why below, or look at all families.</li>
        <li v-for="(p, i) in result.pair" :key="p.model">
          <button class="row pick" :class="{ now: p.model === looking }" :aria-pressed="p.model === looking" @click="looking = p.model">
            <span class="who"><span class="rank">{{ i + 1 }}</span><span class="name"><b class="strong ellipsis">{{ model(p.model).name }}</b><span class="muted label">{{ model(p.model).maker }} · {{ sizes(p) }}</span><StatusMark v-bind="verdict(p)" /><span class="small muted">{{ minutes(p) ? `${minutes(p)} min of work` : 'no work' }}{{ chosen?.model === p.model ? ' · chosen' : '' }}</span></span></span>
            <ClearanceStrip v-for="s in COLUMNS" :key="s" :band="band(s, p.model)" :left="p.left?.clearances[s] ?? null" :right="p.right?.clearances[s] ?? null" :left-verdict="p.left?.verdicts[s]" :right-verdict="p.right?.verdicts[s]" :name="stationWords(s).name" />
          </button>
        </li>
        <li v-if="result.rejected.length" class="out"><b>Not these</b><p v-for="r in result.rejected" :key="r.model" class="small"><b>{{ model(r.model).name }}</b> <span class="muted">{{ r.because }}</span></p></li>
      </ul>
      <p class="small muted legend"><span class="swatch" /> target band, mm · above = loose, below = tight · half-discs: each foot on its device, liner broken in, one sock</p>
    </section>
    <div v-if="current" class="stack">
      <section class="card grow stack0">
        <div class="card-head"><b class="strong">{{ model(current.model).name }}, {{ sizes(current) }}</b><span class="aside small">room left, mm · estimate</span><VBtn class="check" :disabled="chosen?.model !== current.model" :title="chosen?.model === current.model ? '' : 'choose it first'" @click="checking = true">Shell check</VBtn></div>
        <FitPlan :record="fitting.record" :fit="current" :model="model(current.model)" />
      </section>
      <section class="card">
        <div class="card-head"><h2>Reasons</h2><span class="aside small">flex {{ model(current.model).flex?.index ?? '–' }} by maker · in stock {{ stock(current, 'left') }} / {{ stock(current, 'right') }}</span></div>
        <ul class="card-body reasons scroll"><li v-for="r in current.reasons" :key="r">{{ r }}</li><li v-if="missing.length" class="watch-text">not taken, so not compared: {{ missing.join(', ') }}</li></ul>
      </section>
      <section class="card">
        <div class="card-head"><h2>Work needed</h2><span class="aside bold">{{ minutes(current) }} min</span></div>
        <ul class="card-body scroll work"><li v-if="current.work.length === 0" class="muted">Nothing to stretch, pad or grind.</li><li v-for="w in current.work" :key="w.foot + w.station"><SideMark :side="w.foot" word /> <span>{{ w.words }}</span><b>{{ w.minutes }} min</b></li></ul>
      </section>
    </div>
  </div>
  <ShellCheckDialog v-if="current && chosen?.model === current.model" v-model="checking" :model="model(current.model)" />
  <p v-if="!result && !trouble && !models.loaded" class="muted" role="status">Reading the catalogue …</p>
</template>

<style scoped>
.match { grid-template-columns: minmax(0, 1fr) minmax(0, 340px); }
.check { min-height: 36px; height: 36px; }
.stack0 { display: flex; flex-direction: column; }
.row { display: grid; grid-template-columns: minmax(0, 172px) repeat(6, minmax(0, 1fr)); gap: 6px; align-items: center; width: 100%; padding: 8px 12px 8px 8px; border-bottom: 1px solid var(--hairline); }
.heads { font-size: 13px; } .center { text-align: center; line-height: 16px; }
.pick { min-height: 96px; } .pick.now { background: var(--wash); box-shadow: inset 4px 0 var(--spruce); }
.who { display: flex; align-items: center; gap: 10px; min-width: 0; padding-left: 6px; } .rank { font-size: 17px; font-weight: 600; color: var(--spruce); width: 12px; }
.name { display: flex; flex-direction: column; min-width: 0; gap: 1px; }
.none, .out { padding: 12px 16px; } .out p { padding-top: 4px; }
.legend { padding: 8px 14px; border-top: 1px solid var(--hairline); } .swatch { display: inline-block; width: 28px; height: 10px; background: var(--wash); }
.reasons, .work { max-height: 108px; padding: 8px 14px; }
.reasons li::before { content: '· '; }
.work li { display: flex; gap: 8px; padding: 2px 0; } .work b { margin-left: auto; white-space: nowrap; }
@media (max-width: 1179px) { .match { grid-template-columns: minmax(0, 1fr) minmax(0, 270px); } .row { grid-template-columns: minmax(0, 140px) repeat(6, minmax(0, 1fr)); } }
</style>
