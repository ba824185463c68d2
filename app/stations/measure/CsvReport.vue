<script setup lang="ts">
import { computed } from 'vue'
import { VBtn, VCard, VDialog, VTable } from 'vuetify/components'
import { mergeReadings, readingChanges, type ReadingsFile } from '../../../core/formats/readingsCsv'
import { READINGS } from '../../../core/kinds/readings/all'
import { SIDES } from '../../../core/tables/vocabulary'
import SideMark from '~/components/SideMark.vue'
import { useFitting } from '~/stores/fitting'
import { useChanges } from '~/stores/changes'

/**
 * What a file of readings holds and what cannot be taken, cell by cell; nothing is kept before the
 * fitter says so.
 */
const report = defineModel<{ name: string; file: ReadingsFile | null; refused: string } | null>({
  required: true,
})
const fitting = useFitting()
const changes = useChanges()
const DOES = { new: '+ new', other: '≠ replaced', same: '= as it was' } as const
const rows = computed(() =>
  report.value?.file ? readingChanges(fitting.record.feet, report.value.file) : [],
)
/** How many are new, are replaced and stay as they were, in words. */
const counted = computed(() => {
  const of = (does: keyof typeof DOES) => rows.value.filter((r) => r.does === does).length
  return `${of('new')} new, ${of('other')} replaced, ${of('same')} as they were`
})
function take() {
  const { file, name } = report.value!
  const told = `${name}: ${counted.value}.`
  for (const side of SIDES)
    if (file!.readings[side].length) {
      const refused = changes.put(
        `readings.${side}`,
        mergeReadings(fitting.record.feet[side]!.readings, file!.readings[side]),
        `${name}, ${side}`,
      )
      if (refused) {
        changes.said = refused
        report.value = null
        return
      }
    }
  changes.said = told
  report.value = null
}
</script>

<template>
  <VDialog
    :model-value="report !== null"
    max-width="680"
    @update:model-value="(v: boolean) => !v && (report = null)"
  >
    <VCard v-if="report" class="dialog-pane">
      <h2>{{ report.name }}</h2>
      <p v-if="report.refused" class="notice stop" role="alert">
        {{ report.refused }} Nothing was changed.
      </p>
      <template v-else>
        <p>
          <b>{{ report.file!.taken }}</b> tries can be taken: {{ counted }}. What the file does not
          name stays.
        </p>
        <div v-if="rows.length > 0" class="scroll list">
          <VTable class="table">
            <caption class="sr">
              What the file changes
            </caption>
            <thead>
              <tr>
                <th>Reading</th>
                <th>Was</th>
                <th>Will be</th>
                <th />
              </tr>
            </thead>
            <tbody>
              <tr v-for="r in rows" :key="`${r.side}${r.what}${r.posture}`">
                <td>
                  <SideMark :side="r.side" /> {{ READINGS.of(r.what).name }}
                  <span class="muted small">{{ r.posture }}</span>
                </td>
                <td>{{ r.was ?? '–' }}</td>
                <td class="bold">{{ r.is }}</td>
                <td class="nowrap small">{{ DOES[r.does] }}</td>
              </tr>
            </tbody>
          </VTable>
        </div>
        <p v-if="report.file!.problems.length === 0" class="muted">Every row can be taken.</p>
        <div v-else class="scroll list">
          <VTable class="table">
            <caption class="sr">
              Rows that are left out
            </caption>
            <thead>
              <tr>
                <th>Row</th>
                <th>Column</th>
                <th>Left out, because</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="p in report.file!.problems" :key="`${p.row}${p.column}`">
                <td>{{ p.row }}</td>
                <td>{{ p.column }}</td>
                <td>{{ p.words }}</td>
              </tr>
            </tbody>
          </VTable>
        </div>
      </template>
      <div class="acts">
        <VBtn
          v-if="report.file"
          color="primary"
          variant="flat"
          :disabled="report.file.taken === 0"
          @click="take"
          >Take {{ report.file.taken }} tries</VBtn
        ><VBtn @click="report = null">{{ report.file ? 'Leave it' : 'Close' }}</VBtn>
      </div>
    </VCard>
  </VDialog>
</template>

<style scoped>
.list {
  max-height: 240px;
}
.acts {
  display: flex;
  gap: 8px;
}
</style>
