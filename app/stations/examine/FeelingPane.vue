<script setup lang="ts">
import { computed, ref } from 'vue'
import { riskOf } from '../../../core/examine/risk'
import { parseNumber } from '../../../core/measure/parseNumber'
import type { ChoiceKey, Findings } from '../../../core/kinds/findings/all'
import type { Side } from '../../../core/tables/vocabulary'
import ChoiceRow from './ChoiceRow.vue'
import FindingRow from './FindingRow.vue'
import { choicesOf } from './findingGroups'
import DraftField from '~/components/DraftField.vue'
import { useFitting } from '~/stores/fitting'
import PlainButton from '~/components/PlainButton.vue'

/**
 * Feeling, pulses, warmth, shape: the screen that grades the risk of a foot; and the pattern of
 * numbness.
 */
const emit = defineEmits<{
  set: [Side, Partial<Findings>, string]
  choose: [ChoiceKey, Side, string | undefined]
}>()
const fitting = useFitting()
const trouble = ref('')
const of = (side: Side): Findings => fitting.record.feet[side]!.findings ?? {}
const risk = computed(() => riskOf(fitting.record))
const numb = (side: Side, patch: Partial<NonNullable<Findings['numbness']>>) =>
  emit('set', side, { numbness: { toes: [], ...of(side).numbness, ...patch } }, 'numbness')
const toe = (side: Side, n: number) => {
  const toes = of(side).numbness?.toes ?? []
  numb(side, { toes: toes.includes(n) ? toes.filter((t) => t !== n) : [...toes, n].sort() })
}
function number(
  side: Side,
  text: string,
  low: number,
  high: number,
  name: string,
  put: (value: number | undefined) => void,
) {
  const value = text.trim() ? parseNumber(text) : undefined
  if (value === null || (value !== undefined && (value < low || value > high))) {
    trouble.value = `${side} ${name}: a number from ${low} to ${high}. “${text}” was not kept.`
    return
  }
  trouble.value = ''
  put(value)
}
const GRADES = [
  '0: feeling and flow kept',
  '1: feeling lost or flow reduced',
  '2: both, or one with a deformity',
  '3: with a past ulcer, amputation or kidney failure',
]
</script>

<template>
  <div class="card grade" :class="{ watch: risk.atRisk }" role="status">
    <b>Risk grade {{ risk.grade === null ? 'not given' : GRADES[risk.grade] }}</b>
    <span class="muted small"
      >{{
        risk.grade === null
          ? 'Ten points of feeling, pulses and shape of both feet give it; what was not looked at is not a no.'
          : 'In the manner of the international diabetic-foot guidance.'
      }}
      {{ risk.atRisk ? 'Treated as a foot at risk.' : '' }}</span
    >
  </div>
  <section class="card scroll feel">
    <p v-if="trouble" class="notice stop" role="alert">{{ trouble }}</p>
    <FindingRow
      v-slot="{ side }"
      name="Points felt, of ten"
      how="filament, eyes closed"
      of="points felt"
    >
      <PlainButton
        v-for="n in 11"
        :key="n"
        class="opt thin"
        :aria-pressed="of(side).sensationFelt === n - 1"
        :disabled="fitting.readOnly"
        @click="
          emit(
            'set',
            side,
            { sensationFelt: of(side).sensationFelt === n - 1 ? undefined : n - 1 },
            'points felt',
          )
        "
      >
        {{ n - 1 }}
      </PlainButton>
    </FindingRow>
    <ChoiceRow
      v-for="choice in choicesOf('skin')"
      :key="choice.kind"
      :name="choice.name"
      :how="choice.how"
      :options="choice.options"
      :disabled="fitting.readOnly"
      :value="(s: Side) => of(s)[choice.kind]"
      @set="(s: Side, v) => emit('choose', choice.kind, s, v)"
    />
    <FindingRow v-slot="{ side }" name="Toes that go numb" how="1 is the great toe" of="numb toes">
      <PlainButton
        v-for="n in 5"
        :key="n"
        class="opt"
        :aria-pressed="of(side).numbness?.toes.includes(n) ?? false"
        :disabled="fitting.readOnly"
        @click="toe(side, n)"
      >
        {{ n }}
      </PlainButton>
    </FindingRow>
    <ChoiceRow
      name="When numb"
      :options="[
        ['footwear-only', 'only in footwear'],
        ['after-hours', 'after hours'],
        ['always', 'always'],
      ]"
      :disabled="fitting.readOnly"
      :value="(s: Side) => of(s).numbness?.when"
      @set="(s: Side, v) => numb(s, { when: v as 'always' })"
    />
    <FindingRow v-slot="{ side }" name="Feeling returns, min" how="out of the footwear">
      <DraftField
        class="count"
        inputmode="numeric"
        :value="of(side).numbness?.returnsWithinMin"
        :disabled="fitting.readOnly"
        :aria-label="`${side} minutes until feeling returns`"
        @keep="
          (t: string) =>
            number(side, t, 0, 2000, 'minutes', (v) => numb(side, { returnsWithinMin: v }))
        "
      />
      <PlainButton
        class="opt"
        :aria-pressed="of(side).numbness?.bothLikeStocking === true"
        :disabled="fitting.readOnly"
        @click="
          numb(side, { bothLikeStocking: of(side).numbness?.bothLikeStocking ? undefined : true })
        "
      >
        both like a stocking
      </PlainButton>
    </FindingRow>
    <FindingRow v-slot="{ side }" name="Calf" how="fullest height, mm; shape">
      <DraftField
        class="count"
        inputmode="numeric"
        :value="of(side).calf?.lowMm"
        :disabled="fitting.readOnly"
        :aria-label="`${side} calf height, mm`"
        @keep="
          (t: string) =>
            number(side, t, 100, 500, 'calf height', (v) =>
              emit('set', side, { calf: { ...of(side).calf, lowMm: v } }, 'calf height'),
            )
        "
      />
      <PlainButton
        v-for="shape in ['slim', 'usual', 'full'] as const"
        :key="shape"
        class="opt"
        :aria-pressed="of(side).calf?.shape === shape"
        :disabled="fitting.readOnly"
        @click="emit('set', side, { calf: { ...of(side).calf, shape } }, 'calf shape')"
      >
        {{ shape }}
      </PlainButton>
    </FindingRow>
  </section>
</template>

<style scoped>
.grade {
  padding: 8px 14px;
  display: flex;
  gap: 12px;
  align-items: baseline;
  flex: none;
  flex-wrap: wrap;
}
.grade.watch {
  background: var(--watch-tint);
  border-color: var(--watch);
}
.grade.watch .muted {
  color: var(--ink);
}
.feel {
  flex: 1;
}
.opt {
  min-height: 34px;
  min-width: 34px;
  padding: 0 8px;
  border: 1px solid var(--line-strong);
  border-radius: 4px;
  background: var(--sheet);
  font-size: 13px;
  text-align: center;
}
.opt.thin {
  min-width: 26px;
  padding: 0 2px;
}
.opt[aria-pressed='true'] {
  background: var(--wash);
  border-color: var(--spruce);
  font-weight: 700;
}
.count {
  width: 62px;
  --v-input-control-height: 36px;
  text-align: center;
}
</style>
