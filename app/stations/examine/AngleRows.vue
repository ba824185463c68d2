<script setup lang="ts">
import { ANGLES, type AngleKey, type Findings } from '../../../core/kinds/findings/all'
import { computed, ref } from 'vue'
import { VList, VListItem, VListSubheader, VMenu } from 'vuetify/components'
import { degreesText, directed } from '../../../core/examine/angleSummary'
import type { FootExamination } from '../../../core/examine/examination'
import {
  bringBackTry,
  positionOf,
  strikeTry,
  struckOf,
  trialsOf,
  withPosition,
  withTrials,
} from '../../../core/examine/angleTrials'
import { acrossMm } from '../../../core/geometry/tilt'
import { parseNumber } from '../../../core/measure/parseNumber'
import { normsOf } from '../../../core/record/tables'
import { bestMean } from '../../../core/measure/reading'
import { MOST_TRIALS } from '../../../core/record/commands'
import type { Side } from '../../../core/tables/vocabulary'
import DraftField from '~/components/DraftField.vue'
import PlainButton from '~/components/PlainButton.vue'
import StatusMark from '~/components/StatusMark.vue'
import { useFitting } from '~/stores/fitting'
import { useChanges } from '~/stores/changes'

/**
 * Angles of one foot, up to five tries each, with their direction in words, mm where they are
 * measured across, and how far to trust them.
 */
const { side, exam, keys } = defineProps<{
  side: Side
  exam: FootExamination
  keys: readonly AngleKey[]
}>()
const emit = defineEmits<{ trouble: [string] }>()
const fitting = useFitting()
const changes = useChanges()
const findings = computed(() => fitting.record.feet[side]!.findings)
const trials = (key: AngleKey) => trialsOf(findings.value, key)
const fields = ref<Record<string, { focus: () => void }>>({})
const believable = computed(() => normsOf(fitting.record).alignmentChangeDeg)

function set(key: AngleKey, index: number, typed: string) {
  const text = typed.trim()
  const value = text === '' ? undefined : parseNumber(text.replace('°', ''))
  const [low, high] = ANGLES.of(key).bounds
  const name = `${side} ${ANGLES.of(key).name.toLowerCase()}`
  if (value === null || (value !== undefined && (value < low || value > high))) {
    emit(
      'trouble',
      `${name}: “${text}” is not an angle from ${low < 0 ? `−${-low}` : low} to ${high} degrees. Nothing was changed.`,
    )
    return
  }
  const next = [...trials(key)]
  if (value === undefined) next.splice(index, 1)
  else next[index] = value
  put(
    withTrials(
      findings.value,
      key,
      next.filter((v) => v !== undefined),
    ),
    name,
  )
}
const put = (next: Findings, words: string) =>
  emit('trouble', changes.put(`findings.${side}`, next, words) ?? '')
const signed = (deg: number) => `${deg < 0 ? '−' : ''}${degreesText(deg)}°`
const nameOf = (key: AngleKey) => `${side} ${ANGLES.of(key).name.toLowerCase()}`
const strike = (key: AngleKey, index: number) =>
  put(strikeTry(findings.value, key, index), `strike ${nameOf(key)} ${signed(trials(key)[index]!)}`)
function strikeOdd(key: AngleKey) {
  const index = trials(key).indexOf(exam.angles[key]!.oddDeg[0]!)
  strike(key, index)
}
/** What may be done to the tries of an angle, and how the client may lie for it. */
const menuOf = (key: AngleKey) => [
  ...trials(key).map((deg, i) => ({
    title: `Strike try ${i + 1}, ${signed(deg)}`,
    do: () => strike(key, i),
  })),
  ...(trials(key).length < MOST_TRIALS ? struckOf(findings.value, key) : []).map((deg, i) => ({
    title: `Bring back ${signed(deg)}`,
    do: () => put(bringBackTry(findings.value, key, i), `bring back ${nameOf(key)} ${signed(deg)}`),
  })),
]
const positionsOf = (key: AngleKey) =>
  ANGLES.of(key).positions.map((position) => ({
    title: position,
    isTaken: positionOf(findings.value, key) === position,
    do: () => put(withPosition(findings.value, key, position), `${nameOf(key)}, ${position}`),
  }))
/** What stands beside the mean: its direction, spread, what was struck. */
function besides(key: AngleKey): string {
  const { meanDeg, spreadDeg } = exam.angles[key]!
  const struck = struckOf(findings.value, key).map(signed)
  return [
    words(key, meanDeg).replace(/^[\d.]+° /, ''),
    `spread ${degreesText(spreadDeg)}°`,
    ...(struck.length > 0 ? [`struck ${struck.join(' ')}`] : []),
  ].join(', ')
}
/** No try counts: nobody looked, or all were struck. */
function noneWords(key: AngleKey): string {
  const struck = struckOf(findings.value, key).map(signed)
  return struck.length > 0 ? `none counts, struck ${struck.join(' ')}` : 'not taken'
}
/** By whom and when an angle was taken, where it is known. */
function takenBy(key: AngleKey): string {
  const { by, at } = findings.value?.taken?.[key] ?? {}
  return [by && `by ${by}`, at?.slice(0, 10)].filter(Boolean).join(', ')
}
/** Tries that do not agree ask for another, for one to be struck, or say that they never will. */
function asks(key: AngleKey): string {
  const { agreed, notRepeatable, oddDeg } = exam.angles[key]!
  if (notRepeatable) return 'Not repeatable'
  return agreed ? `Strike ${signed(oddDeg[0]!)}?` : 'Again'
}
/** Enter goes to the next try. */
const next = (key: AngleKey, index: number) =>
  setTimeout(() => fields.value[`${key}${index}`]?.focus())
/** The heel's tilt as a height across the heel, so that degrees never stand without millimetres. */
const heelMm = (key: AngleKey, deg: number) => {
  const width = bestMean(fitting.record.feet[side]!, 'heelWidthMm', 'standing')
  return ANGLES.of(key).acrossHeel && width !== undefined ? acrossMm(deg, width) : null
}
/** Degrees as a height across the forefoot or the heel, where they are measured there. */
const mmOf = (key: AngleKey) =>
  key === 'forefootDeg' ? exam.forefootMm : heelMm(key, exam.angles[key]!.meanDeg)
/** Whole degrees with what is believed of them: the tries stand beside them. */
function wholeDegrees(key: AngleKey): string {
  const { meanDeg } = exam.angles[key]!
  const deg = Math.sign(meanDeg) * Math.round(Math.abs(meanDeg))
  const believed = ANGLES.of(key).range ? '' : ` ±${believable.value}°`
  return `${signed(deg)}${believed}`
}
const words = (key: AngleKey, deg: number) =>
  ANGLES.of(key).range
    ? ANGLES.of(key).plus
    : directed(deg, ANGLES.of(key).plus, ANGLES.of(key).minus, 'straight')
</script>

<template>
  <div
    v-for="key in keys"
    :key="key"
    class="finding"
    :class="{ 'watch-row': exam.angles[key]?.repeat }"
  >
    <b class="name" :title="ANGLES.of(key).how">{{ ANGLES.of(key).name }}</b>
    <span class="line">
      <DraftField
        v-for="i in Math.min(MOST_TRIALS, Math.max(2, trials(key).length + 1))"
        :key="i"
        :ref="
          (el) => {
            if (el) fields[`${key}${i - 1}`] = el as unknown as { focus: () => void }
          }
        "
        class="trial"
        inputmode="text"
        :value="trials(key)[i - 1]"
        :disabled="fitting.readOnly || i - 1 > trials(key).length"
        :aria-label="`${side} ${ANGLES.of(key).name}, try ${i}, degrees`"
        :placeholder="i - 1 === trials(key).length ? '°' : ''"
        @keep="(text: string) => set(key, i - 1, text)"
        @next="next(key, i)"
      />
    </span>
    <span class="sum" :class="`${side}-hue`">
      <template v-if="exam.angles[key]">
        <span class="strong">{{ wholeDegrees(key) }}</span><span
          v-if="mmOf(key) !== null"
          class="mm"
          >{{ Math.round(Math.abs(mmOf(key)!)) }} mm</span
        >
        <span class="muted small words">{{ besides(key) }}</span>
      </template>
      <span v-else class="muted small">{{ noneWords(key) }}</span>
    </span>
    <span class="does">
      <PlainButton
        v-if="exam.angles[key]?.repeat && exam.angles[key]!.agreed"
        class="odd watch-text"
        :disabled="fitting.readOnly"
        @click="strikeOdd(key)"
      >
        ▲ {{ asks(key) }}
      </PlainButton>
      <StatusMark v-else-if="exam.angles[key]?.repeat" kind="watch" :word="asks(key)" />
      <VMenu v-if="!fitting.readOnly">
        <template #activator="{ props: opens }">
          <PlainButton
            v-bind="opens"
            class="how"
            :title="takenBy(key)"
            :aria-label="`${side} ${ANGLES.of(key).name}, taken ${positionOf(findings, key)}: strike a try, other position`"
          >
            {{ positionOf(findings, key) }} ▾
          </PlainButton>
        </template>
        <VList density="compact">
          <VListItem
            v-for="(item, i) in menuOf(key)"
            :key="i"
            :title="item.title"
            @click="item.do"
          />
          <VListSubheader>Taken</VListSubheader>
          <VListItem
            v-for="item in positionsOf(key)"
            :key="item.title"
            :title="item.title"
            :active="item.isTaken"
            @click="item.do"
          />
        </VList>
      </VMenu>
    </span>
  </div>
</template>

<style scoped>
.finding {
  display: grid;
  grid-template-columns: 106px auto 1fr auto;
  gap: 8px;
  align-items: center;
  padding: 1px 12px;
  border-top: 1px solid var(--hairline);
  min-height: 38px;
}
.name {
  font-size: 13px;
  line-height: 16px;
}
.line {
  display: flex;
  gap: 4px;
}
.trial {
  width: 38px;
  --v-input-control-height: 34px;
  --field-pad: 4px;
  text-align: center;
  font-size: 15px;
}
.sum {
  line-height: 16px;
  min-width: 0;
}
.does {
  display: flex;
  flex-direction: column;
  align-items: flex-end;
}
.odd,
.how {
  min-height: 26px;
  font-size: 12px;
  line-height: 16px;
  white-space: nowrap;
}
.odd {
  font-weight: 600;
  text-decoration: underline dotted;
}
.how {
  color: var(--muted);
  padding-left: 6px;
}
.words {
  display: block;
  font-size: 11.5px;
  line-height: 14px;
}
.mm {
  font-weight: 600;
  margin-left: 6px;
}
</style>
