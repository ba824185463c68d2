<script setup lang="ts">
import { format } from 'date-fns'
import { computed, ref } from 'vue'
import { VBtn, VCard, VCheckbox, VSelect, VTextField } from 'vuetify/components'
import { likelyTerms, withRound } from '../../core/bench/rounds'
import { ROUND_KINDS, ROUND_TERMS } from '../../core/record/roundSchema'
import type { Round } from '../../core/record/schema'
import { SIDES, type Side } from '../../core/tables/vocabulary'
import { choicesOf } from '~/browser/choices'
import { useChanges } from '~/stores/changes'
import { useFitting } from '~/stores/fitting'

/** Back to the bench after handover: what, for which feet, why and on whose account. */
const {
  reason: because = '',
  as = 'adjustment',
  foot = undefined,
} = defineProps<{
  reason?: string
  /** what it is about, where that is known */
  as?: Round['kind']
  foot?: Side | undefined
}>()
const emit = defineEmits<{ close: []; kept: [] }>()
const fitting = useFitting()
const changes = useChanges()
const today = format(new Date(), 'yyyy-MM-dd')
const rounds = computed(() => fitting.record.rounds ?? [])

const KINDS: Record<Round['kind'], string> = {
  adjustment: 'Adjustment of what is there',
  'new version': 'New version of the device',
  remake: 'Made again as it was',
  'shell work': 'Work on the shells',
}
const TERMS: Record<Round['terms'], string> = {
  guarantee: 'Under guarantee',
  paid: 'Paid by the client',
  goodwill: 'Goodwill of the shop',
}
const kind = ref<Round['kind']>(as)
const feet = ref<Side[]>(foot ? [foot] : [...SIDES])
const reason = ref(because)
const { visitsUnderGuarantee } = fitting.tables.prices
const likely = likelyTerms(rounds.value, fitting.record.handover, visitsUnderGuarantee, today)
const terms = ref<Round['terms']>(likely)
const trouble = ref('')
const hint = computed(() => {
  const { guaranteeUntil } = fitting.record.handover ?? {}
  const used = rounds.value.filter((round) => round.terms === 'guarantee').length
  const until = guaranteeUntil
    ? `Guarantee until ${format(new Date(`${guaranteeUntil}T12:00`), 'd MMM yyyy')}`
    : 'No guarantee is told'
  return `${until}; ${used} of ${visitsUnderGuarantee} visits used.`
})
function keep() {
  const next = withRound(
    rounds.value,
    fitting.record.handover,
    { kind: kind.value, feet: feet.value, reason: reason.value.trim(), terms: terms.value },
    today,
  )
  if (!next) return void (trouble.value = 'A round is open already: hand it over first.')
  trouble.value = changes.put('rounds', next, `round ${next.at(-1)!.no}, ${kind.value}`) ?? ''
  if (!trouble.value) emit('kept')
}
</script>

<template>
  <VCard class="dialog-pane">
    <h2>Back to the bench</h2>
    <p class="muted">A round of its own: its steps are open, the earlier ones stay as they were.</p>
    <form class="form" @submit.prevent="keep">
      <VSelect
        v-model="kind"
        label="What is done"
        :items="choicesOf(ROUND_KINDS, (k) => KINDS[k])"
      />
      <span class="feet" role="group" aria-label="Which feet">
        <VCheckbox v-for="s in SIDES" :key="s" v-model="feet" :value="s" :label="s" />
      </span>
      <VTextField v-model="reason" label="Why" maxlength="300" />
      <VSelect
        v-model="terms"
        label="On whose account"
        :items="choicesOf(ROUND_TERMS, (t) => TERMS[t])"
        :hint
        persistent-hint
      />
      <p v-if="trouble" class="notice stop" role="alert">{{ trouble }}</p>
      <div class="acts">
        <VBtn
          type="submit"
          color="primary"
          variant="flat"
          :disabled="!reason.trim() || feet.length === 0"
          >Open the round</VBtn
        >
        <VBtn @click="emit('close')">Cancel</VBtn>
      </div>
    </form>
  </VCard>
</template>

<style scoped>
.form {
  display: flex;
  flex-direction: column;
  gap: 12px;
}
.feet {
  display: flex;
  gap: 16px;
}
.acts {
  display: flex;
  gap: 8px;
}
</style>
