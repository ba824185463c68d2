<script setup lang="ts">
import { format } from 'date-fns'
import { VBtn, VCard, VDialog } from 'vuetify/components'
import { useFitting } from '~/stores/fitting'

/** Somebody else changed the same part: nothing is lost, the person at the bench chooses. */
const fitting = useFitting()
const when = (iso: string) =>
  iso.startsWith('1970') ? '' : ` at ${format(new Date(iso), 'HH:mm')}`
const NAMES: Record<string, string> = {
  readings: 'readings',
  findings: 'findings',
  device: 'device',
  capture: 'capture',
}
function partWords(part: string): string {
  const [name, side] = part.split('.')
  return side ? `${side} ${NAMES[name!] ?? name}` : name!
}
</script>

<template>
  <VDialog :model-value="fitting.conflict !== null" persistent>
    <VCard v-if="fitting.conflict" class="pane" role="alertdialog">
      <h2>Changed in two places</h2>
      <p>
        <b>{{ fitting.conflict.current.changedBy ?? 'Someone' }}</b> changed the
        {{ partWords(fitting.conflict.item.part) }}{{ when(fitting.conflict.current.changedAt) }},
        after this screen had read them.
      </p>
      <p>
        Yours, not kept yet:
        <b>{{
          fitting.queue
            .filter((q) => q.part === fitting.conflict!.item.part)
            .map((q) => q.words)
            .join('; ')
        }}</b>
      </p>
      <div class="acts">
        <VBtn color="primary" variant="flat" @click="fitting.resolve('mine')">{{
          fitting.conflict.item.command.kind === 'readings.add'
            ? 'Add mine to theirs'
            : 'Put mine on top'
        }}</VBtn>
        <VBtn @click="fitting.resolve('theirs')">Keep theirs, drop mine</VBtn>
      </div>
    </VCard>
  </VDialog>
</template>

<style scoped>
.pane {
  padding: 18px;
  display: flex;
  flex-direction: column;
  gap: 12px;
}
.acts {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
}
</style>
