<script setup lang="ts">
import { format } from 'date-fns'
import { VBtn, VCard, VDialog } from 'vuetify/components'
import { useQueue } from '~/stores/queue'
import { useConflict } from '~/stores/conflict'

/** Somebody else changed the same part: nothing is lost, the person at the bench chooses. */
const queue = useQueue()
const conflict = useConflict()
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
  <VDialog :model-value="conflict.open !== null" persistent>
    <VCard v-if="conflict.open" class="pane" role="alertdialog">
      <h2>Changed in two places</h2>
      <p>
        <b>{{ conflict.open.current.changedBy ?? 'Someone' }}</b> changed the
        {{ partWords(conflict.open.item.part) }}{{ when(conflict.open.current.changedAt) }}, after
        this screen had read them.
      </p>
      <p>
        Yours, not kept yet:
        <b>{{
          queue.waiting
            .filter((q) => q.part === conflict.open!.item.part)
            .map((q) => q.words)
            .join('; ')
        }}</b>
      </p>
      <div class="acts">
        <VBtn color="primary" variant="flat" @click="conflict.resolve('mine')">{{
          conflict.open.item.command.kind === 'readings.add'
            ? 'Add mine to theirs'
            : 'Put mine on top'
        }}</VBtn>
        <VBtn @click="conflict.resolve('theirs')">Keep theirs, drop mine</VBtn>
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
