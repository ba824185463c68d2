<script setup lang="ts">
import { ref } from 'vue'
import { VBtn, VCard, VDialog } from 'vuetify/components'
import { CONTACT_IGNORES, CONTACT_LABEL } from '../../core/mechanics/contact'
import { FIT_RANGE } from '../../core/mechanics/fitRange'
import { SHELL_IGNORES, SHELL_LABEL } from '../../core/mechanics/plate/archStiffness'
import PlainButton from './PlainButton.vue'

/**
 * The word 'estimate' beside a figure: one tap tells what it is, what it leaves out and what it was
 * made with.
 */
const { of, facts = [] } = defineProps<{ of: 'contact' | 'shell'; facts?: string[] }>()
const open = ref(false)
const LABELS = { contact: CONTACT_LABEL, shell: SHELL_LABEL }
const IGNORES: Record<'contact' | 'shell', readonly string[]> = {
  contact: CONTACT_IGNORES,
  shell: SHELL_IGNORES,
}
const MORE = {
  contact:
    'A stiff sole rests on springs of tissue over floor or device; force, centre and roll are in balance. ' +
    'The springs were fitted to mean standing pressures of healthy adults (Cavanagh, Rodgers and Iiboshi ' +
    '1987): a fit, not a proof. Over equally good fits a change of moment comes out ' +
    `${FIT_RANGE[0]} to ${FIT_RANGE[1]} times what is told; that is the range in brackets. ` +
    'The turning moment is about the subtalar axis at its mean inclination (Manter 1941) and the palpated line.',
  shell:
    'Flat triangles that bend and stretch, on springs that push and never pull: 10 N/mm³ for the floor through ' +
    'a shoe, softer under posts. How it is supported decides more than anything else; the range is over a ' +
    'foundation of 0.3 to 10 times that.',
}
</script>

<template>
  <PlainButton
    class="tag"
    :aria-label="`estimate: what it is and what it leaves out (${of === 'contact' ? 'pressure' : 'shell'})`"
    @click="open = true"
  >
    estimate
    <svg width="13" height="13" viewBox="0 0 14 14" aria-hidden="true">
      <circle cx="7" cy="7" r="6" fill="none" stroke="currentColor" />
      <path
        d="M7 6.2V10.4M7 3.6V4.4"
        stroke="currentColor"
        stroke-width="1.5"
        stroke-linecap="round"
      />
    </svg>
  </PlainButton>
  <VDialog v-model="open" max-width="560">
    <VCard class="pane">
      <h2>
        {{ of === 'contact' ? 'Pressure and turning moment' : 'Stiffness of the shell' }}: an
        estimate
      </h2>
      <p>
        <b>{{ LABELS[of] }}</b>
      </p>
      <p>{{ MORE[of] }}</p>
      <div>
        <b>It leaves out</b>
        <ul>
          <li v-for="i in IGNORES[of]" :key="i">{{ i }}</li>
        </ul>
      </div>
      <div v-if="facts.length">
        <b>Made with</b>
        <ul>
          <li v-for="f in facts" :key="f">{{ f }}</li>
        </ul>
      </div>
      <VBtn class="end" @click="open = false">Close</VBtn>
    </VCard>
  </VDialog>
</template>

<style scoped>
.tag {
  border: 1px dashed var(--line-strong);
  border-radius: 4px;
  padding: 0 7px;
  min-height: 26px;
  font-size: 12px;
  font-style: italic;
  color: var(--ink);
  background: var(--paper);
  white-space: nowrap;
  display: inline-flex;
  align-items: center;
  gap: 5px;
}
.pane {
  padding: 18px 20px;
  display: flex;
  flex-direction: column;
  gap: 10px;
}
li {
  list-style: disc;
  margin-left: 18px;
}
.end {
  align-self: end;
}
</style>
