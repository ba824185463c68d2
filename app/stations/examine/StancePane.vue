<script setup lang="ts">
import { ref } from 'vue'
import { parseNumber } from '../../../core/measure/parseNumber'
import { FINDINGS, type ChoiceKey, type Findings } from '../../../core/kinds/findings/all'
import { POSTURE_ITEMS } from '../../../core/kinds/findings/posture'
import { SIDES, type Side } from '../../../core/tables/vocabulary'
import ChoiceRow from './ChoiceRow.vue'
import TriesRow from './TriesRow.vue'
import { choicesOf } from './findingGroups'
import DraftField from '~/components/DraftField.vue'
import SideMark from '~/components/SideMark.vue'
import { useFitting } from '~/stores/fitting'
import { useChanges } from '~/stores/changes'
import PlainButton from '~/components/PlainButton.vue'

/** Standing: posture items, knee, axis, heel raise, great toe, and the difference of the legs. */
defineProps<{ child: boolean }>()
const emit = defineEmits<{
  set: [Side, Partial<Findings>, string]
  choose: [ChoiceKey, Side, string | undefined]
}>()
const fitting = useFitting()
const changes = useChanges()
const trouble = ref('')
const of = (side: Side): Findings => fitting.record.feet[side]!.findings ?? {}
const AXIS = FINDINGS.of('axisAngleDeg')
const only = (v: number | undefined) => (v === undefined ? [] : [v])
const ITEMS = [-2, -1, 0, 1, 2] as const
function posture(side: Side, index: number, value: number) {
  const old = of(side).posture ?? POSTURE_ITEMS.map(() => null)
  // What was not seen stays unseen; pressed again an item is taken back.
  const items = old.map((v, i) => (i === index ? (v === value ? null : value) : v))
  emit(
    'set',
    side,
    { posture: items.every((v) => v === null) ? undefined : items },
    POSTURE_ITEMS[index]!.toLowerCase(),
  )
}
function raise(side: Side, text: string) {
  const count = text.trim() ? parseNumber(text) : undefined
  if (
    count === null ||
    (count !== undefined && (!Number.isInteger(count) || count < 0 || count > 100))
  ) {
    trouble.value = `Heel raises: a whole number from 0 to 100. “${text}” was not kept.`
    return
  }
  trouble.value = ''
  emit(
    'set',
    side,
    { heelRaise: { ...of(side).heelRaise, count: count ?? undefined } },
    'heel raises',
  )
}
const leg = () => fitting.record.legLengthDifferenceMm
type Leg = NonNullable<ReturnType<typeof leg>>
function setLeg(patch: Partial<Leg>) {
  const next = { value: 0, shorter: 'left' as Side, ...leg(), ...patch }
  trouble.value = changes.put('legLength', next, 'leg length difference') ?? ''
}
function legValue(text: string) {
  const value = text.trim() ? parseNumber(text) : 0
  if (value === null || value < 0 || value > 100)
    trouble.value = `Leg length difference: 0 to 100 mm. “${text}” was not kept.`
  else setLeg({ value })
}
</script>

<template>
  <section class="card scroll stance">
    <p v-if="trouble" class="notice stop" role="alert">{{ trouble }}</p>
    <div v-for="(item, i) in POSTURE_ITEMS" :key="item" class="fpi">
      <span
        ><b>{{ item }}</b></span
      >
      <span
        v-for="side in SIDES"
        :key="side"
        class="opts"
        role="group"
        :aria-label="`${side} ${item}`"
        ><SideMark :side="side" /><PlainButton
          v-for="v in ITEMS"
          :key="v"
          class="opt"
          :aria-pressed="of(side).posture?.[i] === v"
          :disabled="fitting.readOnly"
          @click="posture(side, i, v)"
        >
          {{ v > 0 ? `+${v}` : v < 0 ? `−${-v}` : 0 }}
        </PlainButton></span
      >
    </div>
    <ChoiceRow
      v-for="choice in choicesOf('stance')"
      :key="choice.kind"
      :name="choice.name"
      :how="choice.how"
      :options="choice.options"
      :disabled="fitting.readOnly"
      :value="(s: Side) => of(s)[choice.kind]"
      @set="(s: Side, v) => emit('choose', choice.kind, s, v)"
    />
    <TriesRow
      :name="AXIS.name"
      :how="AXIS.how"
      unit="°"
      :range="[0, 60]"
      :disabled="fitting.readOnly"
      :value="(s: Side) => only(of(s).axisAngleDeg)"
      @set="(s: Side, [v]: number[]) => emit('set', s, { axisAngleDeg: v }, 'axis angle')"
      @trouble="(t: string) => (trouble = t)"
    />
    <div class="fpi">
      <span
        ><b>Heel raises, one leg</b
        ><span class="muted small">count; does the heel turn in?</span></span
      >
      <span v-for="side in SIDES" :key="side" class="opts"
        ><SideMark :side="side" /><DraftField
          class="count"
          inputmode="numeric"
          :value="of(side).heelRaise?.count"
          :disabled="fitting.readOnly"
          :aria-label="`${side} heel raises`"
          @keep="(t: string) => raise(side, t)"
        />
        <PlainButton
          v-for="v in [true, false] as const"
          :key="String(v)"
          class="opt"
          :aria-pressed="of(side).heelRaise?.inverts === v"
          :disabled="fitting.readOnly"
          @click="
            emit(
              'set',
              side,
              {
                heelRaise: {
                  ...of(side).heelRaise,
                  inverts: of(side).heelRaise?.inverts === v ? undefined : v,
                },
              },
              'heel turns in',
            )
          "
        >
          {{ v ? 'turns in' : 'stays out' }}
        </PlainButton></span
      >
    </div>
    <div class="fpi">
      <span
        ><b>Leg length difference</b
        ><span class="muted small">under 5 mm is within error</span></span
      >
      <span class="opts wide"
        ><DraftField
          class="count"
          inputmode="decimal"
          :value="leg()?.value"
          :disabled="fitting.readOnly"
          aria-label="Leg length difference, mm"
          @keep="legValue"
        />
        mm
        <span role="group" aria-label="Shorter leg" class="opts"
          ><PlainButton
            v-for="s in SIDES"
            :key="s"
            class="opt"
            :aria-pressed="leg()?.shorter === s && leg()!.value > 0"
            :disabled="fitting.readOnly || !leg()"
            @click="setLeg({ shorter: s })"
          >
            {{ s }} shorter
          </PlainButton></span
        >
        <span role="group" aria-label="Method" class="opts"
          ><PlainButton
            v-for="mth in ['blocks', 'tape']"
            :key="mth"
            class="opt"
            :aria-pressed="leg()?.method === mth"
            :disabled="fitting.readOnly || !leg()"
            @click="setLeg({ method: mth })"
          >
            {{ mth }}
          </PlainButton></span
        >
        <PlainButton
          class="opt"
          :aria-pressed="leg()?.shownTwice === true"
          :disabled="fitting.readOnly || !leg()"
          @click="setLeg({ shownTwice: !leg()!.shownTwice })"
        >
          shown twice
        </PlainButton>
        <PlainButton
          class="opt"
          :aria-pressed="leg()?.known === 'long-standing'"
          :disabled="fitting.readOnly || !leg()"
          @click="setLeg({ known: 'long-standing' })"
        >
          long-standing
        </PlainButton>
        <PlainButton
          class="opt"
          :aria-pressed="leg()?.known === 'new'"
          :disabled="fitting.readOnly || !leg()"
          @click="setLeg({ known: 'new' })"
        >
          new
        </PlainButton>
        <PlainButton
          class="opt"
          :aria-pressed="leg()?.goneWhenLevelled === true"
          :disabled="fitting.readOnly || !leg()"
          @click="setLeg({ goneWhenLevelled: !leg()!.goneWhenLevelled })"
        >
          gone when levelled
        </PlainButton></span
      >
    </div>
  </section>
</template>

<style scoped>
.stance {
  flex: 1;
}
.fpi {
  display: grid;
  grid-template-columns: 176px 1fr 1fr;
  gap: 10px;
  align-items: center;
  padding: 3px 12px;
  border-top: 1px solid var(--hairline);
  min-height: 42px;
}
.fpi b {
  display: block;
  font-size: 13px;
  line-height: 16px;
}
.opts {
  display: flex;
  gap: 4px;
  align-items: center;
  flex-wrap: wrap;
}
.wide {
  grid-column: 2 / -1;
}
.opt {
  min-height: 34px;
  min-width: 36px;
  padding: 0 8px;
  border: 1px solid var(--line-strong);
  border-radius: 4px;
  background: var(--sheet);
  font-size: 13px;
  text-align: center;
}
.opt[aria-pressed='true'] {
  background: var(--wash);
  border-color: var(--spruce);
  font-weight: 700;
}
.count {
  width: 58px;
  --v-input-control-height: 36px;
  text-align: center;
}
</style>
