<script setup lang="ts">
import { ANGLES, type AngleKey } from '../../../core/kinds/findings/all'
import { computed, ref } from 'vue'
import { degreesText, directed } from '../../../core/examine/angleSummary'
import type { FootExamination } from '../../../core/examine/examination'
import { trialsOf, withTrials } from '../../../core/examine/examineFoot'
import { acrossMm } from '../../../core/geometry/tilt'
import { parseNumber } from '../../../core/measure/parseNumber'
import { normsOf } from '../../../core/record/tables'
import { bestMean } from '../../../core/measure/reading'
import { MOST_TRIALS } from '../../../core/record/commands'
import type { Side } from '../../../core/tables/vocabulary'
import DraftField from '~/components/DraftField.vue'
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
  emit(
    'trouble',
    changes.put(
      `findings.${side}`,
      withTrials(
        findings.value,
        key,
        next.filter((v) => v !== undefined),
      ),
      name,
    ) ?? '',
  )
}
/** Enter goes to the next try. */
const next = (key: AngleKey, index: number) =>
  setTimeout(() => fields.value[`${key}${index}`]?.focus())
/** The heel's tilt as a height across the heel, so that degrees never stand without millimetres. */
const heelMm = (key: AngleKey, deg: number) => {
  const width = bestMean(fitting.record.feet[side]!, 'heelWidthMm', 'standing')
  return ANGLES.of(key).acrossHeel && width !== undefined ? acrossMm(deg, width) : null
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
        <span class="strong"
          >{{ exam.angles[key]!.meanDeg < -0.05 ? '−' : ''
          }}{{ degreesText(exam.angles[key]!.meanDeg) }}°</span
        ><span v-if="key === 'forefootDeg' && exam.forefootMm !== null" class="mm">
          {{ degreesText(exam.forefootMm) }} mm</span
        ><span v-else-if="heelMm(key, exam.angles[key]!.meanDeg) !== null" class="mm"
          >{{ degreesText(heelMm(key, exam.angles[key]!.meanDeg)!) }} mm</span
        >
        <span class="muted small words"
          >{{ words(key, exam.angles[key]!.meanDeg).replace(/^[\d.]+° /, '') }}, spread
          {{ degreesText(exam.angles[key]!.spreadDeg) }}°<template v-if="!ANGLES.of(key).range">
            ±{{ believable }}°</template
          ></span
        >
      </template>
      <span v-else class="muted small">not taken</span>
    </span>
    <StatusMark v-if="exam.angles[key]?.repeat" kind="watch" word="Again" />
  </div>
</template>

<style scoped>
.finding {
  display: grid;
  grid-template-columns: 122px auto 1fr auto;
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
  width: 42px;
  --v-input-control-height: 34px;
  --field-pad: 4px;
  text-align: center;
  font-size: 15px;
}
.sum {
  line-height: 16px;
  min-width: 0;
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
