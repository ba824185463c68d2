<script setup lang="ts">
import { computed, ref, shallowRef } from 'vue'
import { VBtn, VCard, VCheckboxBtn, VDialog, VProgressLinear } from 'vuetify/components'
import { changeWords, type CatalogueChanges } from '../../core/formats/catalogueChanges'
import type { CatalogueCheck } from '../../core/formats/catalogueCsv'
import type { FootwearModel } from '../../core/footwear/catalogueSchema'
import { plainCopy } from '~/browser/plainCopy'
import { api } from '~/browser/api'
import { matchWorker } from '~/workers/matchWorker'
import StatusMark from './StatusMark.vue'
import FileField from './FileField.vue'

/**
 * A catalogue file, CSV or JSON: checked row by row first; bad rows are named and left out only
 * when the user says so.
 */
const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ done: [number] }>()
const { known } = defineProps<{ known: readonly FootwearModel[] }>()
const name = ref('')
const check = shallowRef<(CatalogueCheck & { changes: CatalogueChanges }) | null>(null)
const leaveOut = ref(false)
const busy = ref('')
const trouble = ref('')
async function read([file]: File[]) {
  if (!file) return
  name.value = file.name
  check.value = null
  leaveOut.value = false
  trouble.value = ''
  busy.value = 'Reading and checking'
  const found = await matchWorker().check(
    await file.text(),
    file.name.toLowerCase().endsWith('.csv') ? 'csv' : 'json',
    plainCopy([...known]),
  )
  busy.value = ''
  if ('wrong' in found) trouble.value = found.wrong
  else check.value = found
}
const changes = computed(() => check.value?.changes)
/** Models that lose something stand first. */
const changed = computed(() =>
  [...(changes.value?.models ?? [])].sort((a, b) => b.lost.length - a.lost.length),
)
/** Does the file say another stock than is counted? Else the count may go on meanwhile. */
const saysShelf = computed(() =>
  changed.value.some(({ changed: other, lost }) =>
    [...other, ...lost].some(({ column }) => column === 'stock'),
  ),
)
const losing = computed(() => changed.value.filter((m) => m.lost.length > 0).length)
const badRows = computed(() => new Set(check.value?.bad.map((b) => b.row)).size)
async function keep() {
  busy.value = 'Keeping'
  try {
    const { models } = await api<{ models: number }>(
      `models${saysShelf.value ? '' : '?shelf=stays'}`,
      'PUT',
      {
        format: 'gentle-arch/catalogue',
        version: 1,
        models: check.value!.models,
      },
    )
    emit('done', models)
    open.value = false
    check.value = null
  } catch (error) {
    trouble.value = (error as Error).message
  } finally {
    busy.value = ''
  }
}
</script>

<template>
  <VDialog v-model="open" max-width="760">
    <VCard class="pane">
      <h2>Import a catalogue</h2>
      <p class="small muted">
        CSV with one row a model, or a catalogue file as JSON. A CSV with some of the columns
        changes those: empty cells and other columns stay as they are. A model in a JSON file is
        replaced. What the file does not name stays. Export one first to see the columns.
      </p>
      <FileField
        label="Catalogue file"
        accept=".csv,.json,text/csv,application/json"
        @files="read"
      />
      <p v-if="busy" role="status">
        {{ busy }} … <VProgressLinear indeterminate color="primary" />
      </p>
      <p v-if="trouble" class="notice stop" role="alert">{{ trouble }}</p>
      <template v-if="check">
        <p>
          <b>{{ name }}</b>: {{ check.rows }} rows, <b>{{ check.models.length }} good</b>,
          <b :class="{ 'stop-text': badRows }">{{ badRows }} bad</b>,
          {{ check.cautions.length }} worth a second look.
        </p>
        <p v-if="changes">
          Keeping it adds <b>{{ changes.added.length }}</b>, changes
          <b>{{ changes.models.length }}</b><template v-if="losing"
            >, <b class="stop-text">{{ losing }} of them lose something</b></template
          >, leaves {{ changes.same }} as they are; {{ changes.untouched }} are not in the file and
          stay.
        </p>
        <ul class="scroll report" tabindex="0" aria-label="Report">
          <li v-for="(b, i) in check.bad.slice(0, 300)" :key="`b${i}`">
            <StatusMark kind="stop" :word="`row ${b.row}, ${b.column}: ${b.words}`" />
          </li>
          <li v-for="one in changed.slice(0, 200)" :key="one.id">
            <StatusMark v-if="one.lost.length" kind="watch" :word="changeWords(one)" /><span
              v-else
              class="small"
              >{{ changeWords(one) }}</span
            >
          </li>
          <li v-for="(c, i) in check.cautions.slice(0, 200)" :key="`c${i}`">
            <StatusMark kind="watch" :word="`row ${c.row}, ${c.column}: ${c.words}`" />
          </li>
        </ul>
        <label v-if="badRows" class="agree"
          ><VCheckboxBtn v-model="leaveOut" /> Leave the {{ badRows }} bad
          {{ badRows === 1 ? 'row' : 'rows' }} out and keep the rest</label
        >
      </template>
      <div class="line">
        <VBtn
          color="primary"
          variant="flat"
          :disabled="
            !check || check.models.length === 0 || (badRows > 0 && !leaveOut) || busy !== ''
          "
          @click="keep"
          >Keep {{ check?.models.length ?? '' }} models</VBtn
        ><VBtn @click="open = false">Close</VBtn>
      </div>
    </VCard>
  </VDialog>
</template>

<style scoped>
.pane {
  padding: 16px 18px;
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.report {
  max-height: 260px;
  font-size: 13px;
}
.report li {
  padding: 2px 0;
}
.agree {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 40px;
}
.line {
  display: flex;
  gap: 8px;
}
</style>
