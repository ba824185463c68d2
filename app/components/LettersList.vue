<script setup lang="ts">
import { format } from 'date-fns'
import { onMounted, ref } from 'vue'
import { VTable } from 'vuetify/components'
import type { LetterRow } from '../../shared/contracts'
import { useLine } from '~/stores/line'
import StatusMark from './StatusMark.vue'

/** The outbox: letters to clients, and what became of each. */
const letters = ref<LetterRow[]>([])
const loaded = ref(false)
const trouble = ref('')
const STATES = {
  waiting: ['watch', 'Waits'],
  sent: ['good', 'Sent'],
  failed: ['stop', 'Not sent'],
} as const
const day = (at: string) => format(new Date(at), 'd MMM, HH:mm')
onMounted(async () => {
  try {
    letters.value = (await useLine().read<{ letters: LetterRow[] }>('due/letters')).letters
  } catch (error) {
    trouble.value = (error as Error).message
  }
  loaded.value = true
})
</script>

<template>
  <section class="card scroll grow" tabindex="0" role="region" aria-label="Letters">
    <p v-if="trouble" class="notice stop" role="alert">{{ trouble }}</p>
    <VTable class="table">
      <thead>
        <tr>
          <th>State</th>
          <th>To</th>
          <th>Letter</th>
          <th>Written</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="l in letters" :key="l.id">
          <td><StatusMark :kind="STATES[l.state][0]" :word="STATES[l.state][1]" /></td>
          <td>
            <b>{{ l.name }}</b> <span class="muted label">{{ l.code }} · {{ l.to }}</span>
          </td>
          <td>
            {{ l.subject }} <span v-if="l.problem" class="small stop-text">{{ l.problem }}</span>
          </td>
          <td class="muted">{{ day(l.madeAt) }}, {{ l.madeBy }}</td>
        </tr>
        <tr v-if="loaded && letters.length === 0">
          <td colspan="4" class="muted">
            No letters yet. “Write a letter” beside somebody who is due puts one here.
          </td>
        </tr>
      </tbody>
    </VTable>
  </section>
</template>
