<script setup lang="ts">
import { READINGS } from '../../../core/kinds/readings/all'
import { computed, ref } from 'vue'
import { VBtn, VSelect } from 'vuetify/components'
import { normsOf } from '../../../core/record/tables'
import { parseNumber } from '../../../core/measure/parseNumber'
import { doubt, looksLikeOtherFoot, refuseTrial } from '../../../core/measure/questions'
import { bestMean, readingOf, summarise } from '../../../core/measure/reading'
import { MOST_HELD, MOST_TRIALS } from '../../../core/record/commands'
import { INSTRUMENTS, otherSide, SIDES, type Side } from '../../../core/tables/vocabulary'
import DraftField from '~/components/DraftField.vue'
import SideMark from '~/components/SideMark.vue'
import { useFitting } from '~/stores/fitting'
import { useHand } from '~/stores/hand'
import { useChanges } from '~/stores/changes'
import PlainButton from '~/components/PlainButton.vue'

/** The reading in hand: up to five tries for each foot, typed; struck tries stay in the record. */
const fitting = useFitting()
const changes = useChanges()
const hand = useHand()
const norms = computed(() => normsOf(fitting.record))
const name = computed(() => READINGS.of(hand.what).name)
/** Five that count and those that were struck; what was struck makes room for another. */
const shownTries = (side: Side) =>
  Math.min(MOST_HELD, MOST_TRIALS + new Set(tries(side)?.struck ?? []).size)
const tries = (side: Side) => readingOf(fitting.record.feet[side]!, hand.what, hand.posture)
interface Say {
  side: Side
  words: string
  stop: boolean
  acts: { label: string; do: () => void }[]
}
const say = ref<Say | null>(null)
const fields = ref<Record<string, { focus: () => void }>>({})
const words = (side: Side, value: number) => `${name.value.toLowerCase()} ${side} ${value}`

const taken = computed(() => SIDES.map((s) => tries(s)).find((r) => r?.trials.length))
const CHOICES: string[] = [...INSTRUMENTS]
const instrument = computed(() => taken.value?.instrument ?? READINGS.of(hand.what).instrument)
function restore(patch: { instrument?: string; heightMm?: number }, words: string) {
  for (const side of SIDES) {
    const r = tries(side)
    if (r?.trials.length)
      changes.change(
        {
          kind: 'readings.set',
          side,
          what: hand.what,
          posture: hand.posture,
          trials: r.trials,
          struck: r.struck,
          ...patch,
        },
        words,
      )
  }
}
function setHeight(text: string) {
  const value = parseNumber(text)
  if (value === null || value < 50 || value > 700) {
    say.value = {
      side: 'left',
      words: `“${text}” is no height from 50 to 700 mm.`,
      stop: true,
      acts: [],
    }
    return
  }
  height.value = value
  restore({ heightMm: value }, `${name.value.toLowerCase()} taken at ${value} mm`)
}
const height = ref<number | undefined>(
  SIDES.map((s) => tries(s)?.heightMm).find((v) => v !== undefined),
)
const stamp = computed(() =>
  taken.value?.by
    ? `${taken.value.by}${taken.value.at ? `, ${taken.value.at.slice(0, 10)}` : ''}`
    : '',
)

/**
 * Writes a try; refuses what is out of bounds with its likely meaning, asks about what is unlikely.
 */
function enter(side: Side, index: number, typed: string) {
  const reading = tries(side)
  const old = reading?.trials[index]
  const text = typed.trim()
  say.value = null
  if (text === '') {
    if (old !== undefined)
      store(
        side,
        reading!.trials.filter((_, i) => i !== index),
        reading!.struck.filter((i) => i !== index).map((i) => (i > index ? i - 1 : i)),
        `take out ${words(side, old)}`,
      )
    return
  }
  const named = /\b(r|right|l|left)\b/i.exec(text)?.[1]?.toLowerCase()[0]
  const value = parseNumber(text.replace(/\b(right|left|r|l|mm)\b/gi, ''))
  if (value === null) {
    say.value = {
      side,
      words: `“${text}” is not a number. Type the ${name.value.toLowerCase()} in mm, like 264.5.`,
      stop: true,
      acts: [],
    }
    return
  }
  if (value === old) return
  const refused = refuseTrial(hand.what, value, norms.value)
  if (refused) {
    const meant = refused.meant
    say.value = {
      side,
      words: refused.words,
      stop: true,
      acts: meant === null ? [] : [{ label: `It is ${meant}`, do: () => put(side, index, meant) }],
    }
    return
  }
  const other = otherSide(side)
  const own = (reading?.trials ?? []).filter((_, i) => i !== index)
  if (
    (named && named !== side[0]) ||
    looksLikeOtherFoot(hand.what, value, own, tries(other)?.trials ?? [], norms.value)
  ) {
    say.value = {
      side,
      words: `${value} looks like the ${other} foot’s value.`,
      stop: false,
      acts: [
        { label: `Keep as ${side}`, do: () => put(side, index, value) },
        {
          label: `Put it on the ${other}`,
          do: () => put(other, tries(other)?.trials.length ?? 0, value),
        },
      ],
    }
    return
  }
  put(side, index, value)
}
function put(side: Side, index: number, value: number) {
  say.value = null
  const reading = tries(side)
  const trials = [...(reading?.trials ?? [])]
  let refused: string | null
  if (index >= trials.length)
    refused = changes.change(
      {
        kind: 'readings.add',
        side,
        what: hand.what,
        posture: hand.posture,
        values: [value],
        instrument: instrument.value,
        ...(READINGS.of(hand.what).atHeight &&
          height.value !== undefined && { heightMm: height.value }),
      },
      words(side, value),
    )
  else {
    trials[index] = value
    refused = changes.change(
      {
        kind: 'readings.set',
        side,
        what: hand.what,
        posture: hand.posture,
        trials,
        struck: reading!.struck.filter((i) => i !== index),
      },
      words(side, value),
    )
  }
  if (refused) {
    say.value = { side, words: refused, stop: true, acts: [] }
    return
  }
  const foot = fitting.record.feet[side]!
  const other = bestMean(fitting.record.feet[otherSide(side)]!, hand.what, hand.posture)
  const unlikely =
    doubt(
      hand.what,
      value,
      bestMean(foot, 'footLengthMm', 'standing'),
      norms.value,
      fitting.record.client?.heightMm,
    ) ??
    (other !== undefined && Math.abs(other - value) > norms.value.sideGapMm
      ? `${value} is ${Math.abs(other - value).toFixed(1)} mm away from the other foot. Sure?`
      : null)
  if (unlikely)
    say.value = {
      side,
      words: `${unlikely} It is kept.`,
      stop: false,
      acts: [
        {
          label: 'Take back',
          do: () => {
            changes.said = changes.undo()
            say.value = null
          },
        },
        { label: 'Yes', do: () => (say.value = null) },
      ],
    }
}
function store(side: Side, trials: number[], struck: number[], what: string) {
  changes.change(
    { kind: 'readings.set', side, what: hand.what, posture: hand.posture, trials, struck },
    what,
  )
}
function strike(side: Side, index: number) {
  const reading = tries(side)!
  const struck = reading.struck.includes(index)
    ? reading.struck.filter((i) => i !== index)
    : [...reading.struck, index]
  store(
    side,
    reading.trials,
    struck,
    `${struck.includes(index) ? 'strike' : 'bring back'} ${words(side, reading.trials[index]!)}`,
  )
}
/** Enter goes to the next try of the same foot, after the last to the other foot. */
function next(side: Side, index: number) {
  setTimeout(() =>
    (fields.value[`${side}${index + 1}`] ?? fields.value[`${otherSide(side)}0`])?.focus(),
  )
}
const summary = (side: Side) => {
  const reading = tries(side)
  return reading ? summarise(reading, norms.value) : null
}
function verdict(side: Side): { words: string; watch: boolean } {
  const s = summary(side)
  if (!s) return { words: 'not taken', watch: false }
  const spread = `${s.mean.toFixed(1)} · spread ${s.spread.toFixed(1)}`
  if (s.notRepeatable) return { words: `${spread} · not repeatable`, watch: true }
  if (!s.repeat) return { words: spread, watch: false }
  return {
    words: `${spread} · ${s.agreed ? `strike ${s.proposeStrike.map((i) => tries(side)!.trials[i]).join(', ')}?` : 'measure again'}`,
    watch: true,
  }
}
</script>

<template>
  <section class="card hand" aria-label="Reading in hand">
    <div class="head">
      <h2>{{ name }}</h2>
      <div v-if="say" class="say" :class="say.stop ? 'stop-text' : 'watch-text'" role="alert">
        <span>{{ say.words }}</span><VBtn
          v-for="act in say.acts"
          :key="act.label"
          size="small"
          height="32"
          @click="act.do"
          >{{ act.label }}</VBtn
        >
      </div>
      <span v-else class="muted small ellipsis grow" :title="READINGS.of(hand.what).how"
        >{{ hand.posture }} · {{ READINGS.of(hand.what).how }}</span
      >
      <label v-if="!say && READINGS.of(hand.what).atHeight" class="at small"
        ><span>at, mm</span
        ><DraftField
          inputmode="decimal"
          :value="height"
          :disabled="fitting.readOnly"
          aria-label="Height above the floor, mm"
          @keep="setHeight"
      /></label>
      <VSelect
        v-if="!say"
        class="tool"
        :items="CHOICES"
        :model-value="instrument"
        :disabled="fitting.readOnly"
        aria-label="Instrument"
        :title="stamp"
        @update:model-value="(i: string) => restore({ instrument: i }, 'instrument')"
      />
    </div>
    <div v-for="side in SIDES" :key="side" class="line">
      <SideMark :side="side" word class="side" />
      <span
        v-for="i in shownTries(side)"
        :key="i"
        class="try"
        :class="{ struck: tries(side)?.struck.includes(i - 1) }"
      >
        <DraftField
          :ref="
            (el) => {
              if (el) fields[`${side}${i - 1}`] = el as unknown as { focus: () => void }
            }
          "
          inputmode="decimal"
          :value="tries(side)?.trials[i - 1]"
          :disabled="fitting.readOnly || i - 1 > (tries(side)?.trials.length ?? 0)"
          :aria-label="`${side} ${name}, try ${i}, mm`"
          @keep="(text: string) => enter(side, i - 1, text)"
          @next="next(side, i - 1)"
          @focus="hand.side = side"
        />
        <PlainButton
          v-if="tries(side)?.trials[i - 1] !== undefined"
          class="strike"
          :disabled="fitting.readOnly"
          :aria-label="`${tries(side)!.struck.includes(i - 1) ? 'Bring back' : 'Strike'} ${side} try ${i}`"
          @click="strike(side, i - 1)"
        >
          {{ tries(side)!.struck.includes(i - 1) ? 'back' : 'strike' }}
        </PlainButton>
      </span>
      <span class="verdict small" :class="verdict(side).watch ? 'watch-text bold' : 'muted'">{{
        verdict(side).words
      }}</span>
    </div>
    <p class="muted small">
      Take again above a spread of {{ norms.repeatLimitMm[hand.what] }} mm<template v-if="stamp">
        · last by {{ stamp }}</template
      >
    </p>
  </section>
</template>

<style scoped>
.hand {
  padding: 4px 12px 6px;
  display: flex;
  flex-direction: column;
  gap: 4px;
}
.head {
  display: flex;
  gap: 10px;
  align-items: center;
  min-height: 32px;
}
.head h2 {
  white-space: nowrap;
}
.tool {
  width: 128px;
  --v-input-control-height: 30px;
  font-size: 13px;
  --field-pad: 4px;
  flex: none;
}
.at {
  display: flex;
  align-items: center;
  gap: 4px;
}
.at .v-input {
  width: 54px;
  --v-input-control-height: 30px;
  font-size: 13px;
  --field-pad: 4px;
}
.line {
  display: flex;
  align-items: flex-start;
  gap: 5px;
}
.side {
  width: 58px;
  padding-top: 10px;
  flex: none;
}
.try {
  width: 56px;
  display: flex;
  flex-direction: column;
  align-items: stretch;
}
.try :deep(.v-input),
.try .v-input {
  --v-input-control-height: 38px;
  --field-pad: 4px;
  text-align: center;
  font-size: 15px;
}
.struck .v-input {
  text-decoration: line-through;
  color: var(--muted);
}
.strike {
  font-size: 12px;
  line-height: 16px;
  min-height: 24px;
  text-align: center;
  color: var(--muted);
  text-decoration: underline dotted;
  margin-bottom: -4px;
}
.verdict {
  padding: 4px 0 0 4px;
  flex: 1;
  min-width: 0;
}
.say {
  display: flex;
  align-items: center;
  gap: 6px;
  font-weight: 600;
  font-size: 13px;
  line-height: 16px;
  min-width: 0;
}
</style>
