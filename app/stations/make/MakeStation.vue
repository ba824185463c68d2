<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { VBtn } from 'vuetify/components'
import { jobSteps, type TicketStep } from '../../../core/bench/ticket'
import { deviceKindWords, deviceLines } from '../../../core/device/deviceWords'
import { prescription } from '../../../core/formats/prescription'
import { sizeWords } from '../../../core/footwear/match'
import { SIDES, type Side } from '../../../core/record/vocabulary'
import SideMark from '~/components/SideMark.vue'
import { download } from '~/composables/download'
import { useFitting } from '~/stores/fitting'
import { useModels } from '~/stores/models'
import { useSession } from '~/stores/session'
import { useTimers } from '~/stores/timers'
import { deviceWorker } from '~/workers/deviceWorker'

const fitting = useFitting()
const session = useSession()
const timers = useTimers()
const models = useModels()
const trouble = ref('')
const busy = ref('')
onMounted(() => models.load().catch((error: Error) => (trouble.value = error.message)))
const steps = computed(() => jobSteps(fitting.record))
const jobs = computed(() => fitting.record.jobs ?? [])
const canWork = computed(() => session.may('jobs.change') && !fitting.blocked)
const feetOf = (step: TicketStep): (Side | undefined)[] => (step.perFoot ? step.feet : [undefined])
const isDone = (step: TicketStep, foot?: Side) => jobs.value.some((j) => j.step === step.id && j.foot === foot && j.done)
const doneCount = computed(() => steps.value.flatMap((s) => feetOf(s).filter((f) => isDone(s, f))).length)
const all = computed(() => steps.value.reduce((n, s) => n + feetOf(s).length, 0))
const next = computed(() => steps.value.find((s) => feetOf(s).some((f) => !isDone(s, f))))
function tick(step: TicketStep, foot?: Side) {
  const done = !isDone(step, foot)
  const others = jobs.value.filter((j) => !(j.step === step.id && j.foot === foot))
  trouble.value = fitting.put('jobs', [...others, { step: step.id, ...(foot && { foot }), done, by: session.person?.name, at: new Date().toISOString() }], `${done ? 'done' : 'not done'}: ${step.words.toLowerCase()}`) ?? ''
}
const code = computed(() => fitting.client?.code ?? 'client')
/** the foot as devices are built on it, captured surface and all */
const plain = (side: Side) => JSON.parse(JSON.stringify(fitting.record.feet[side]!))
const makes = (side: Side) => Boolean(fitting.record.feet[side]!.device) && fitting.record.feet[side]!.device!.kind !== 'none'
async function file(kind: 'stl' | 'svg' | 'json', side: Side = 'left') {
  busy.value = kind + side
  try {
    if (kind === 'json') return download(`${code.value}-prescription.json`, JSON.stringify(prescription(fitting.record, fitting.openedOn), null, 2), 'application/json')
    const data = await deviceWorker().file(plain(side), side, code.value, kind === 'stl' ? '.stl' : '-template.svg')
    download(kind === 'stl' ? `${code.value}-${side}.stl` : `${code.value}-${side}-template.svg`, data, kind === 'stl' ? 'model/stl' : 'image/svg+xml')
  } catch (error) {
    trouble.value = (error as Error).message
  } finally {
    busy.value = ''
  }
}
const shell = computed(() => models.byId(fitting.record.footwear?.chosen?.model))
</script>

<template>
  <div class="title-row">
    <h1>Make</h1>
    <span class="fact">{{ all ? `${doneCount} of ${all} steps done` : 'no device prescribed yet' }} · {{ code }}</span>
    <VBtn :href="`/api/fittings/${fitting.id}/ticket`" target="_blank" :disabled="all === 0 || fitting.blocked" color="primary" variant="flat">Work ticket (PDF)</VBtn>
  </div>
  <p v-if="trouble" class="notice stop" role="alert">{{ trouble }}</p>
  <p v-if="fitting.blocked" class="notice stop" role="alert"><b>Refer first.</b> Making waits for a clearance. <NuxtLink v-if="session.may('clients.see')" :to="`/fittings/${fitting.id}/story`">Record it in Story</NuxtLink><template v-else>The fitter records it.</template></p>
  <p v-if="all === 0" class="notice">Nothing to make: prescribe a device first. <NuxtLink :to="`/fittings/${fitting.id}/prescribe`">Go to Prescribe</NuxtLink></p>
  <div class="cols make">
    <section class="card stack0">
      <div class="card-head"><h2>Steps</h2><span class="aside">{{ next ? `next: ${next.words}` : all ? 'all done' : '' }}</span></div>
      <ul class="scroll grow">
        <li v-for="step in steps" :key="step.id" class="step" :class="{ now: step === next }">
          <span class="what"><b>{{ step.words }}</b><span class="muted label">{{ step.minutes }} min · {{ step.waiting ? 'waiting' : 'hands-on' }}{{ step.client ? ' · client there' : '' }}</span><span v-if="step.caution" class="watch-text label">▲ {{ step.caution }}</span></span>
          <VBtn v-if="step.waiting" size="small" :disabled="!canWork" :aria-label="`Timer for ${step.words}, ${step.minutes} min`" @click="timers.start(`${code}: ${step.words}`.slice(0, 80), step.minutes, { fittingId: fitting.id, step: step.id })">Timer {{ step.minutes }} min</VBtn>
          <button v-for="foot in feetOf(step)" :key="foot ?? 'pair'" class="tick" role="checkbox" :aria-checked="isDone(step, foot)" :disabled="!canWork" :aria-label="`${step.words}${foot ? `, ${foot}` : ''}`" @click="tick(step, foot)"><SideMark v-if="foot" :side="foot" word /><span v-else>Pair</span><b>{{ isDone(step, foot) ? '✓ done' : 'open' }}</b></button>
        </li>
      </ul>
    </section>
    <div class="stack scroll" tabindex="0" role="region" aria-label="Devices and files">
      <section v-for="side in SIDES" :key="side" class="card">
        <div class="card-head"><SideMark :side="side" word /><b>{{ deviceKindWords(fitting.record.feet[side]!.device?.kind ?? 'none') }}</b></div>
        <div class="card-body">
          <ul><li v-for="line in deviceLines(fitting.record.feet[side]!)" :key="line">{{ line }}</li></ul>
          <div v-if="makes(side)" class="files"><VBtn :disabled="busy !== ''" @click="file('stl', side)">Solid, STL</VBtn><VBtn :disabled="busy !== ''" @click="file('svg', side)">Trim template 1:1, SVG</VBtn></div>
        </div>
      </section>
      <section class="card">
        <div class="card-head"><h2>Shell</h2></div>
        <div class="card-body"><template v-if="shell">{{ shell.maker }} <b>{{ shell.name }}</b>, left {{ sizeWords(fitting.record.footwear!.chosen!.sizeLeftMm ?? 0) }}, right {{ sizeWords(fitting.record.footwear!.chosen!.sizeRightMm ?? 0) }}</template><span v-else class="muted">Not chosen yet</span>
          <div class="files"><VBtn :disabled="all === 0" @click="file('json')">Prescription, JSON</VBtn></div></div>
      </section>
      <p class="notice small">Adhesives ventilated; extraction and mask at the grinder; gloves with heat. Binding and blade work only with a re-check by a certified technician.</p>
    </div>
  </div>
</template>

<style scoped>
.make { grid-template-columns: minmax(0, 1fr) minmax(0, 420px); }
.stack0 { display: flex; flex-direction: column; }
.step { display: flex; align-items: center; gap: 8px; padding: 8px 14px; border-bottom: 1px solid var(--hairline); min-height: 68px; }
.step.now { background: var(--wash); box-shadow: inset 4px 0 var(--spruce); }
.what { flex: 1; min-width: 0; } .what b, .what span { display: block; }
.tick { min-width: 86px; height: 52px; border: 1px solid var(--line-strong); border-radius: 6px; background: var(--sheet); display: flex; flex-direction: column; align-items: center; justify-content: center; font-size: 13px; line-height: 17px; }
.tick[aria-checked='true'] { border-color: var(--good); color: var(--good-text); }
.stack > * { flex: none; }
.files { display: flex; gap: 8px; margin-top: 8px; flex-wrap: wrap; }
</style>
