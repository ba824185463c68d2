<script setup lang="ts">
import { format } from 'date-fns'
import { computed, reactive, ref, watch } from 'vue'
import { VBtn, VCard, VCheckboxBtn, VDialog, VSelect } from 'vuetify/components'
import { checksMade, conditionWords } from '../../../core/footwear/checksMade'
import { sizeWords } from '../../../core/footwear/match'
import { shellInside } from '../../../core/footwear/gradeShell'
import { biasWords, likeCondition, type LearnedBias } from '../../../core/footwear/learnedBias'
import {
  checkedFootMm,
  fingersMm,
  predictedGapMm,
  predictedLooks,
  type Fingers,
} from '../../../core/footwear/shellCheck'
import {
  CHECK_PLACES,
  type Footwear,
  type ShellCheck,
  type TryOn,
} from '../../../core/record/schema'
import { SIDES, type Side } from '../../../core/tables/vocabulary'
import { api } from '~/browser/api'
import { modelHere } from '~/browser/modelHere'
import { plainCopy } from '~/browser/plainCopy'
import PlainButton from '~/components/PlainButton.vue'
import AmountStepper from '~/components/AmountStepper.vue'
import SideMark from '~/components/SideMark.vue'
import StatusMark from '~/components/StatusMark.vue'
import { useFitting } from '~/stores/fitting'
import { useModels } from '~/stores/models'
import { useSession } from '~/stores/session'
import { useChanges } from '~/stores/changes'
import { useQueue } from '~/stores/queue'
import { choicesOf } from '~/browser/choices'
import { useOutbox } from '~/stores/outbox'

/**
 * A shell check of whatever is on the feet, one model or two: liner out, toes just touching, the gap
 * behind the heel in fingers or mm, and a look at four places, against what was predicted.
 */
const { worn } = defineProps<{ worn: TryOn['worn'] }>()
const emit = defineEmits<{ learned: [] }>()
const open = defineModel<boolean>({ required: true })
const fitting = useFitting()
const changes = useChanges()
const queue = useQueue()
const models = useModels()
const session = useSession()
const onDevice = ref(false)
const kneeBent = ref(false)
const gap = reactive<Record<Side, { mm: number | null; fingers: number | null }>>({
  left: { mm: null, fingers: null },
  right: { mm: null, fingers: null },
})
const looks = reactive<Record<Side, ShellCheck['looks']>>({ left: {}, right: {} })
const trouble = ref('')
/** What was typed is of what was on: for another shell, or another time, everything is looked at anew. */
function begin() {
  for (const side of SIDES) {
    gap[side] = { mm: null, fingers: null }
    looks[side] = {}
  }
}
/** Fingers of whoever is signed in; the shop's, then the house's, until they were calibrated. */
const own = ref<Fingers | null>(null)
const fingers = computed<Fingers>(
  () => own.value ?? fitting.record.shop?.fingersMm ?? fitting.norms.fingersMm,
)
const draft = ref<Fingers | null>(null)
watch(
  open,
  async (is) => {
    if (!is) return
    begin()
    trouble.value = ''
    own.value =
      (await api<{ fingers: Fingers | null }>('me/fingers').catch(() => null))?.fingers ?? own.value
  },
  { immediate: true },
)
const outbox = useOutbox()
async function calibrate() {
  try {
    await outbox.write({
      method: 'PUT',
      path: 'me/fingers',
      body: draft.value,
      words: 'width of my fingers',
    })
    own.value = draft.value
    draft.value = null
    trouble.value = ''
  } catch (error) {
    trouble.value = (error as Error).message
  }
}
const footwear = computed<Footwear>(() => fitting.record.footwear ?? { candidates: [] })
const onSide = (side: Side) => {
  const on = worn[side]
  const model = modelHere(on?.model)
  return on && model ? { model, sizeMm: on.sizeMm } : null
}
/** The feet that have something on, and what. */
const feet = computed(() =>
  SIDES.flatMap((side) => {
    const on = onSide(side)
    return on ? [{ side, ...on }] : []
  }),
)
const names = computed(() => [...new Set(feet.value.map((f) => f.model.name))].join(' and '))
function predicted(side: Side): number | null {
  const on = onSide(side)
  return on && predictedGapMm(fitting.record, side, on.model, on.sizeMm, onDevice.value)
}
/** What was learned under the same condition: knees straight and bent are two predictions. */
const biasOf = (side: Side): LearnedBias | undefined =>
  likeCondition(models.learned[worn[side]?.model ?? ''], kneeBent.value)
/** What was learned of each model that is on, in words. */
const learnt = computed(() => {
  const said = feet.value.map(({ side, model }) => {
    const bias = biasOf(side)
    const words = bias
      ? biasWords(bias)
      : `no shell checks of this model yet, knee ${kneeBent.value ? 'bent' : 'straight'}`
    return `${worn.left?.model === worn.right?.model ? '' : `${model.name}: `}${words}`
  })
  return [...new Set(said)].join(' · ')
})
/** The prediction with what was learned here under the same condition, mm. */
function likely(side: Side): number | null {
  const p = predicted(side)
  const bias = biasOf(side)
  return p === null ? null : p + (bias?.used ? bias.usedMm : 0)
}
function predictedWords(side: Side): string {
  const p = predicted(side)
  if (p === null) return 'no prediction: the foot’s or the shell’s length is missing'
  const learned = biasOf(side)?.used ? `, ${likely(side)!.toFixed(1)} as learned here` : ''
  return `predicted ${p.toFixed(1)} mm${learned}`
}
const expectedOf = (side: Side) => {
  const on = onSide(side)
  return on ? predictedLooks(fitting.record, side, on.model, on.sizeMm) : {}
}
const expected = computed(() => ({ left: expectedOf('left'), right: expectedOf('right') }))
const PLACE_WORDS = {
  ankle: 'ankle',
  ball: 'ball',
  fifthToe: 'fifth toe',
  navicular: 'navicular',
} as const
/** A gap this far off the prediction is worth a second look, mm. */
const FAR_MM = 4
function against(side: Side): { kind: 'good' | 'watch'; word: string } | null {
  const p = likely(side)
  const seen = gap[side].mm
  if (p === null || seen === null) return null
  const off = seen - p
  return {
    kind: Math.abs(off) > FAR_MM ? 'watch' : 'good',
    word: `${Math.abs(off).toFixed(1)} mm ${off >= 0 ? 'more' : 'less'} than predicted`,
  }
}
function setFingers(side: Side, v: number) {
  gap[side] = { fingers: v, mm: Math.round(fingersMm(v, fingers.value) * 2) / 2 }
}
/** Every check of these models on this client, the last first. */
const logged = computed(() =>
  checksMade(footwear.value)
    .filter((c) => feet.value.some((f) => f.model.id === c.model))
    .reverse()
    .map((check) => ({ check, name: modelHere(check.model)?.name ?? check.model })),
)
function loggedWords(c: ShellCheck): string {
  const fingers =
    c.fingers === undefined ? '' : ` (${c.fingers} ${c.fingers === 1 ? 'finger' : 'fingers'})`
  const looked = CHECK_PLACES.filter((p) => c.looks[p] && c.looks[p] !== 'clear')
    .map((p) => `${PLACE_WORDS[p]} ${c.looks[p]}`)
    .join(', ')
  return `${c.gapMm} mm${fingers}, predicted ${c.predictedMm?.toFixed(1) ?? '–'} · ${conditionWords(c)} · ${looked || 'nothing touches'}`
}
const whenWords = (c: ShellCheck) =>
  [c.at && format(new Date(c.at), 'd MMM, HH:mm'), c.by].filter(Boolean).join(' ')
const put = (next: Footwear, words: string) =>
  (trouble.value = changes.put('footwear', plainCopy(next), words) ?? '')
/** Takes a check out that was logged by mistake, wherever it stands. */
async function strike(check: ShellCheck) {
  const { shellChecks = [], chosen } = footwear.value
  const without = (list: readonly ShellCheck[]) => list.filter((c) => c !== check)
  put(
    {
      ...footwear.value,
      shellChecks: without(shellChecks),
      ...(chosen && { chosen: { ...chosen, shellChecks: without(chosen.shellChecks) } }),
    },
    'shell check struck',
  )
  await learnAgain()
}
async function learnAgain() {
  await queue.flush()
  await models.load(true).catch(() => undefined)
  emit('learned')
}
async function keep() {
  const by = session.person?.name
  const made = feet.value
    .filter(({ side }) => gap[side].mm !== null)
    .map(({ side, model, sizeMm }): ShellCheck => {
      const p = predicted(side)
      const insideMm = shellInside(model, sizeMm).lengthMm
      const footMm = checkedFootMm(fitting.record, side, onDevice.value)
      return {
        model: model.id,
        sizeMm,
        foot: side,
        gapMm: gap[side].mm!,
        ...(gap[side].fingers !== null && { fingers: gap[side].fingers! }),
        onDevice: onDevice.value,
        kneeBent: kneeBent.value,
        sockMm: footwear.value.sockMm,
        looks: { ...looks[side] },
        ...(p !== null && { predictedMm: Math.round(p * 100) / 100 }),
        ...(insideMm !== undefined && { insideMm }),
        ...(footMm !== undefined && { footMm }),
        ...(by && { by }),
        at: new Date().toISOString(),
      }
    })
  const { shellChecks = [] } = footwear.value
  put({ ...footwear.value, shellChecks: [...shellChecks, ...made].slice(-200) }, 'shell check')
  if (trouble.value) return
  begin()
  await learnAgain()
}
type Place = (typeof CHECK_PLACES)[number]
/** A place that was not looked at is not there: a record keeps no empty looks. */
function setLook(side: Side, place: Place, look: NonNullable<ShellCheck['looks'][Place]> | '') {
  const { [place]: _, ...others } = looks[side]
  looks[side] = look ? { ...others, [place]: look } : others
}
const NOT_LOOKED = ''
const LOOKS = choicesOf(
  [NOT_LOOKED, 'clear', 'touches', 'presses'] as const,
  (look) => look || 'not looked',
)
</script>

<template>
  <VDialog v-model="open" max-width="760">
    <VCard class="pane">
      <h2>Shell check, {{ names }}</h2>
      <p class="small muted">
        Liner out, toes just touching the front, then look behind the heel. Heel back again: look at
        ankle, ball, fifth toe and navicular.
      </p>
      <div class="line">
        <label><VCheckboxBtn v-model="onDevice" /> on the device</label
        ><label><VCheckboxBtn v-model="kneeBent" /> knee bent</label
        ><span class="small">{{ learnt }}</span>
      </div>
      <p v-if="trouble" class="notice stop" role="alert">{{ trouble }}</p>
      <div class="line small">
        <span
          >Your fingers: one {{ fingers.one }} mm, two {{ fingers.two }} mm{{
            own ? '' : ' (not calibrated yet)'
          }}</span
        ><VBtn v-if="!draft" size="small" @click="draft = { ...fingers }">Calibrate</VBtn>
        <template v-else
          ><span>one</span
          ><AmountStepper
            :value="draft.one"
            unit="mm"
            :step="0.5"
            :min="8"
            :max="30"
            :start="16"
            label="one finger"
            @keep="(v: number) => (draft = { ...draft!, one: v })"
          /><span>two</span
          ><AmountStepper
            :value="draft.two"
            unit="mm"
            :step="0.5"
            :min="16"
            :max="60"
            :start="33"
            label="two fingers"
            @keep="(v: number) => (draft = { ...draft!, two: v })"
          /><VBtn size="small" color="primary" variant="flat" @click="calibrate"
            >Keep in my profile</VBtn
          ></template
        >
      </div>
      <div class="feet">
        <section v-for="{ side: s, model, sizeMm } in feet" :key="s">
          <h3>
            <SideMark :side="s" word />
            <span class="small muted"
              >{{ model.name }}, {{ sizeWords(sizeMm) }} · {{ predictedWords(s) }}</span
            >
          </h3>
          <div class="two">
            <span class="small">fingers</span
            ><AmountStepper
              :value="gap[s].fingers"
              unit=""
              :step="0.25"
              :min="0"
              :max="4"
              :start="1"
              :label="`${s} fingers behind the heel`"
              :disabled="fitting.readOnly"
              @draft="(v: number) => setFingers(s, v)"
              @keep="(v: number) => setFingers(s, v)"
            />
            <span class="small">or gap</span
            ><AmountStepper
              :value="gap[s].mm"
              unit="mm"
              :step="0.5"
              :min="0"
              :max="80"
              :start="12"
              :label="`${s} gap behind the heel`"
              :disabled="fitting.readOnly"
              @draft="(v: number) => (gap[s] = { mm: v, fingers: null })"
              @keep="(v: number) => (gap[s] = { mm: v, fingers: null })"
            />
            <template v-for="p in CHECK_PLACES" :key="p"
              ><span class="small">{{ PLACE_WORDS[p] }}</span
              ><VSelect
                density="compact"
                :items="LOOKS"
                :model-value="looks[s][p] ?? NOT_LOOKED"
                :aria-label="`${s} ${PLACE_WORDS[p]}`"
                :disabled="fitting.readOnly"
                @update:model-value="(look) => setLook(s, p, look)"
              /><span /><span v-if="expected[s][p]" class="small expect"
                ><StatusMark
                  v-if="looks[s][p] && looks[s][p] !== expected[s][p]!.look"
                  kind="watch"
                  :word="`predicted ${expected[s][p]!.look}, ${expected[s][p]!.roomMm.toFixed(1)} mm`"
                /><template v-else
                  >predicted {{ expected[s][p]!.look }},
                  {{ expected[s][p]!.roomMm.toFixed(1) }} mm</template
                ></span
              ><span v-else class="small muted expect">not measured, not predicted</span></template
            >
          </div>
          <StatusMark v-if="against(s)" v-bind="against(s)!" />
        </section>
      </div>
      <ul v-if="logged.length" class="small log">
        <li v-for="{ check: c, name } in logged" :key="`${c.at} ${c.foot} ${c.model}`">
          <span
            ><SideMark :side="c.foot" /> {{ name }}, {{ sizeWords(c.sizeMm) }}:
            {{ loggedWords(c) }}
            <span class="muted">{{ whenWords(c) }}</span></span
          ><PlainButton
            v-if="!fitting.readOnly"
            class="strike"
            :aria-label="`Strike the check of ${name} ${c.foot}, ${c.gapMm} mm`"
            @click="strike(c)"
          >
            strike
          </PlainButton>
        </li>
      </ul>
      <div class="line">
        <VBtn
          color="primary"
          variant="flat"
          :disabled="fitting.readOnly || feet.every(({ side }) => gap[side].mm === null)"
          @click="keep"
          >Keep this check</VBtn
        ><VBtn @click="open = false">Close</VBtn>
      </div>
    </VCard>
  </VDialog>
</template>

<style scoped>
.pane {
  padding: 16px 18px;
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.line {
  display: flex;
  gap: 14px;
  align-items: center;
  flex-wrap: wrap;
}
.line label {
  display: flex;
  gap: 6px;
  align-items: center;
  min-height: 40px;
}
.feet {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 18px;
}
h3 {
  font-size: 15px;
  padding-bottom: 6px;
}
.two {
  display: grid;
  grid-template-columns: 80px 1fr;
  gap: 6px;
  align-items: center;
  padding-bottom: 6px;
}
.expect {
  margin-top: -4px;
}
:where(.v-select) {
  --v-input-control-height: 40px;
  font-size: 14px;
}
.log {
  max-height: 110px;
  overflow: auto;
}
.log li {
  padding: 2px 0;
  display: flex;
  justify-content: space-between;
  gap: 10px;
}
.strike {
  text-decoration: underline;
  min-height: 28px;
  padding: 0 6px;
}
</style>
