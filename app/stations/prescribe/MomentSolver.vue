<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import { VBtn, VSelect } from 'vuetify/components'
import { amountCandidates } from '../../../core/mechanics/amountCandidates'
import type { AmountForMoment } from '../../../core/mechanics/amountForMoment'
import { signed } from '../../../core/mechanics/effectCells'
import { EFFECT_STEPS, twoDigits } from '../../../core/mechanics/effectSteps'
import { withPartAmount } from '../../../core/mechanics/layerEffects'
import { normsOf } from '../../../core/record/tables'
import { parseNumber } from '../../../core/measure/parseNumber'
import type { Device } from '../../../core/record/schema'
import type { Side } from '../../../core/tables/vocabulary'
import DraftField from '~/components/DraftField.vue'
import StatusMark from '~/components/StatusMark.vue'
import EffectArrow from '~/drawing/EffectArrow.vue'
import MomentCurve from '~/drawing/MomentCurve.vue'
import { newestWins } from '~/workers/deviceWorker'
import { effectsWorker } from '~/workers/effectsWorker'
import type { Question, Said } from '~/workers/effects.worker'
import type { useEffects } from './useEffects'
import type { useStudio } from './useStudio'
import PlainButton from '~/components/PlainButton.vue'

/**
 * How much of one amount brings a wanted moment? The wanted moment is kept with the device; the
 * answer has its range and says when it is over the usual or out of reach.
 */
const { studio, estimates, side } = defineProps<{
  studio: ReturnType<typeof useStudio>
  estimates: ReturnType<typeof useEffects>
  side: Side
}>()
const { fitting } = studio
const picked = ref('')
const found = shallowRef<AmountForMoment | null>(null)
const trouble = ref('')
const candidates = computed(() => amountCandidates(studio.stored(side), normsOf(fitting.record)))
const candidate = computed(
  () => candidates.value.find((c) => c.id === picked.value) ?? candidates.value[0] ?? null,
)
const wanted = computed(() => studio.stored(side).aimNmm)
/** Middles of the steps of an arrow. */
const STEPS = [1, 2, 3].map((step) => ({
  step: step as 1 | 2 | 3,
  word: ['slight', 'moderate', 'marked'][step - 1]!,
  nmm:
    step === 3
      ? EFFECT_STEPS.moment[2] + 50
      : (EFFECT_STEPS.moment[step - 1]! + EFFECT_STEPS.moment[step]!) / 2,
}))
const way = ref<1 | -1>(1)
watch(
  () => [side, wanted.value] as const,
  ([, nmm]) => nmm && (way.value = nmm > 0 ? 1 : -1),
  { immediate: true },
)
const aim = (nmm: number | undefined) =>
  studio.keep(
    side,
    (d: Device) => ({ ...d, aimNmm: nmm }),
    nmm === undefined ? 'no wanted moment' : `wanted moment ${nmm}`,
  )
function typed(text: string) {
  trouble.value = ''
  if (text.trim() === '') return aim(undefined)
  const value = parseNumber(text)
  if (value === null || Math.abs(value) > 3000)
    trouble.value = `“${text}” is not a moment from −3000 to 3000 N·mm. Nothing was changed.`
  else {
    if (value < 0) way.value = -1
    aim(value > 0 ? way.value * value : value || undefined)
  }
}
const ask = newestWins(
  async ({ text }: { text: string }): Promise<AmountForMoment | Said> => {
    const { question, wantedNmm, part, key, range, usualMost, step } = JSON.parse(text)
    return effectsWorker().amount(
      question as Question,
      part,
      key,
      range,
      usualMost,
      step,
      wantedNmm,
    )
  },
  (got) => {
    found.value = 'refused' in got ? null : got
    if ('refused' in got) trouble.value = got.refused
  },
)
const asked = computed(() => {
  const question = estimates.question(side)
  const c = candidate.value
  if (typeof question === 'string' || !c || !wanted.value) return ''
  const range = c.bothWays ? (wanted.value > 0 ? [0, c.most] : [-c.most, 0]) : [0, c.most]
  return JSON.stringify({
    question: { ...question, load: 'standing', device: c.device },
    wantedNmm: wanted.value,
    part: c.part,
    key: c.key,
    range,
    usualMost: c.usualMost,
    step: c.step,
  })
})
watch(asked, (text) => (text ? ask({ text }) : (found.value = null)), { immediate: true })
const n = (v: number) => Number(v.toFixed(1))
const unit = computed(() => (candidate.value?.unit === '°' ? '°' : ' mm'))
/** Too much without any of it, or too little with all of it. */
const outOfReach = computed(() => {
  const brings = found.value?.momentNmm ?? 0
  const beyond = brings * Math.sign(wanted.value ?? 1) > Math.abs(wanted.value ?? 0)
  return beyond
    ? `Even with none of it the rest of the device brings about ${signed(twoDigits(brings))} N·mm, ` +
        `for ${signed(wanted.value!)} wanted. Take another part down first.`
    : `With as much of it as there can be the device brings about ${signed(twoDigits(brings))} N·mm, ` +
        `for ${signed(wanted.value!)} wanted. Add another part.`
})
function apply(amount: number) {
  const c = candidate.value
  if (c)
    studio.keep(
      side,
      (d) => ({ ...withPartAmount(c.device, c.part, c.key, amount), aimNmm: d.aimNmm }),
      `${c.name.toLowerCase()} ${n(amount)}`,
    )
}
/** The first is what is taken as long as nobody chose. */
const CANDIDATES = computed(() =>
  candidates.value.map((c, i) => ({ value: i === 0 ? '' : c.id, title: c.name })),
)
const WAYS = [
  { value: 1, title: 'outward' },
  { value: -1, title: 'inward' },
]
</script>

<template>
  <section class="card solver" aria-label="How much for a wanted moment, estimate">
    <div class="ask">
      <b>How much for this moment?</b>
      <VSelect v-model="picked" class="sel" :items="CANDIDATES" aria-label="Amount to look for" />
      <div class="line">
        <VSelect
          v-model="way"
          class="sel way"
          :items="WAYS"
          aria-label="Direction of the wanted moment"
          @update:model-value="(to: number) => wanted && aim(to * Math.abs(wanted))"
        /><DraftField
          class="num"
          inputmode="decimal"
          :value="wanted === undefined ? '' : Math.abs(wanted)"
          placeholder="–"
          :disabled="fitting.readOnly"
          aria-label="Wanted change of turning moment, N·mm"
          @keep="typed"
        /><span class="small">N·mm</span>
      </div>
      <div class="line" role="group" aria-label="Wanted moment by step">
        <PlainButton
          v-for="s in STEPS"
          :key="s.step"
          class="step"
          :disabled="fitting.readOnly"
          :aria-pressed="wanted === way * s.nmm"
          :aria-label="`${s.word}, ${s.nmm} N·mm`"
          :title="`${s.word}, ${s.nmm} N·mm`"
          @click="aim(way * s.nmm)"
        >
          <EffectArrow
            :step="{ step: s.step, word: 'slight', way: way > 0 ? 'up' : 'down' }"
            kind="moment"
            :side="side" /></PlainButton
        ><PlainButton
          v-if="wanted !== undefined"
          class="step none"
          :disabled="fitting.readOnly"
          @click="aim(undefined)"
        >
          none
        </PlainButton>
      </div>
    </div>
    <template v-if="found && candidate && wanted !== undefined">
      <MomentCurve
        class="curve"
        :found="found"
        :wanted="wanted"
        :usual-most="candidate.usualMost"
        :unit="candidate.unit"
        :name="candidate.name"
      />
      <div class="estimate answer" role="status">
        <p class="small it">estimate</p>
        <template v-if="found.amount !== null">
          <p class="reading">{{ n(found.amount) }}{{ unit }}</p>
          <p class="small">
            {{ found.between[0] === null ? 'none' : n(found.between[0]) }} to
            {{
              found.between[1] === null
                ? 'more than there can be'
                : `${n(found.between[1])}${unit}`
            }}, by the range
          </p>
          <p v-if="found.verdict === 'over'" class="small">
            <StatusMark kind="watch" word="Watch" />
            {{ n(Math.abs(found.amount) - candidate.usualMost) }}{{ unit }} over the usual
            {{ n(candidate.usualMost) }}{{ unit }}; split it with another layer.
          </p>
          <VBtn
            class="set"
            :disabled="fitting.readOnly || n(found.amount) === n(candidate.now)"
            @click="apply(found!.amount!)"
            >{{
              n(found.amount) === n(candidate.now) ? 'So it is' : `Set ${n(found.amount)}${unit}`
            }}</VBtn
          >
        </template>
        <template v-else
          ><p><b>Out of reach</b></p>
          <p class="small">{{ outOfReach }}</p></template
        >
      </div>
    </template>
    <p v-else-if="trouble" class="notice hint" role="alert">{{ trouble }}</p>
    <p v-else class="muted hint">
      Say what change of turning moment is wanted against the plain device, standing: a number or a
      step. It is kept with the device; a device that pushes harder than that is named in Why.
    </p>
  </section>
</template>

<style scoped>
.solver {
  flex: none;
  display: grid;
  grid-template-columns: 196px minmax(0, 1fr) 156px;
  gap: 10px;
  padding: 8px 10px;
  min-height: 184px;
}
.ask {
  display: flex;
  flex-direction: column;
  gap: 6px;
}
.line {
  display: flex;
  gap: 6px;
  align-items: center;
}
.sel {
  --v-input-control-height: 40px;
  font-size: 14px;
  --field-pad: 6px;
}
.way {
  width: 96px;
  flex: none;
  --field-pad: 4px;
}
.num {
  width: 52px;
  flex: none;
  --field-pad: 6px;
  --v-input-control-height: 40px;
}
.step {
  min-height: 40px;
  min-width: 44px;
  display: flex;
  justify-content: center;
  align-items: center;
  border: 1px solid var(--line-strong);
  border-radius: 4px;
  background: var(--sheet);
}
.step[aria-pressed='true'] {
  background: var(--wash);
  border: 2px solid var(--spruce);
}
.none {
  padding: 0 8px;
  font-size: 13px;
}
.answer {
  padding: 6px 10px;
  display: flex;
  flex-direction: column;
  gap: 3px;
}
.it {
  font-style: italic;
  text-align: right;
}
.set {
  margin-top: auto;
}
.curve {
  align-self: center;
}
.hint {
  grid-column: 2 / -1;
  align-self: center;
}
@media (max-width: 1179px) {
  .solver {
    grid-template-columns: 190px minmax(0, 1fr) 150px;
  }
}
</style>
