<script setup lang="ts">
import { READINGS, READING_KINDS, type ReadingKind } from '../../core/kinds/readings/all'
import { format } from 'date-fns'
import { computed, onMounted, ref } from 'vue'
import { VBtn, VSelect, VTable, VTextField } from 'vuetify/components'
import type { ShopTables } from '../../core/record/tables'
import { smallestChange, technicalError } from '../../core/measure/repeatability'
import { doubleReadingBody, type DoubleReading } from '../../shared/contracts'
import { api } from '~/browser/api'
import { readForm, typedNumber } from '~/browser/readForm'
import { useSession } from '~/stores/session'
import PlainButton from '~/components/PlainButton.vue'
import { choicesOf } from '~/browser/choices'
import { useOutbox } from '~/stores/outbox'

/**
 * How well readings repeat: double readings by each fitter, their error and the smallest change
 * that can be believed.
 */
const { limits } = defineProps<{ limits: ShopTables['repeatLimitMm'] }>()
const session = useSession()
const readings = ref<DoubleReading[]>([])
const trouble = ref('')
const what = ref<ReadingKind>('footLengthMm')
const subject = ref('')
const first = ref('')
const second = ref('')
const load = async () =>
  (readings.value = (await api<{ readings: DoubleReading[] }>('double-readings')).readings)
onMounted(() => load().catch((error: Error) => (trouble.value = error.message)))
const asked = ref(false)
const form = computed(() =>
  readForm(doubleReadingBody, {
    what: what.value,
    subject: subject.value,
    first: typedNumber(first.value),
    second: typedNumber(second.value),
    takenOn: format(new Date(), 'yyyy-MM-dd'),
  }),
)
const troubleAt = (field: 'subject' | 'first' | 'second') =>
  asked.value ? form.value.troubles[field] : undefined
const outbox = useOutbox()
async function add() {
  asked.value = true
  if (!form.value.value) return
  try {
    await outbox.write({
      method: 'POST',
      path: 'double-readings',
      body: form.value.value,
      words: `double reading ${subject.value}`,
    })
    first.value = second.value = trouble.value = ''
    asked.value = false
    await load()
  } catch (error) {
    trouble.value = (error as Error).message
  }
}
const drop = (id: string) =>
  outbox
    .write({
      method: 'DELETE',
      path: `double-readings/${id}`,
      body: {},
      words: 'double reading taken out',
    })
    .then(load)
    .catch((error: Error) => (trouble.value = error.message))
/** Fewer pairs than this are shown but not used. */
const ENOUGH = 5
const rows = computed(() => {
  const groups = new Map<string, { fitter: string; what: ReadingKind; pairs: [number, number][] }>()
  for (const r of readings.value) {
    const key = `${r.fitter} ${r.what}`
    const group = groups.get(key) ?? { fitter: r.fitter, what: r.what, pairs: [] }
    group.pairs.push([r.first, r.second])
    groups.set(key, group)
  }
  return [...groups.values()]
    .map((g) => ({ ...g, tem: technicalError(g.pairs)! }))
    .sort((a, b) => a.what.localeCompare(b.what) || a.fitter.localeCompare(b.fitter))
})
const READING_CHOICES = choicesOf(READING_KINDS, (kind) => READINGS.of(kind).name)
</script>

<template>
  <p v-if="trouble" class="notice stop" role="alert">{{ trouble }}</p>
  <div class="cols rep">
    <section class="card scroll" tabindex="0" role="region" aria-label="Error of each reading">
      <VTable class="table">
        <thead>
          <tr>
            <th>Reading</th>
            <th>Fitter</th>
            <th>Pairs</th>
            <th>Error (TEM), mm</th>
            <th>Counts from (MDC95), mm</th>
            <th>House default, mm</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="r in rows" :key="r.fitter + r.what">
            <td>
              <b>{{ READINGS.of(r.what).name }}</b>
            </td>
            <td>{{ r.fitter }}</td>
            <td>
              {{ r.pairs.length
              }}<span v-if="r.pairs.length < ENOUGH" class="watch-text small">
                ▲ {{ ENOUGH - r.pairs.length }} more before it is used</span
              >
            </td>
            <td>{{ r.tem.toFixed(2) }}</td>
            <td class="bold">{{ smallestChange(r.tem).toFixed(2) }}</td>
            <td class="muted">{{ limits[r.what] }}</td>
          </tr>
        </tbody>
      </VTable>
      <p v-if="rows.length === 0" class="muted none">
        No double readings yet. Until {{ ENOUGH }} pairs are held, the repeat limit stands in for
        the smallest change that counts.
      </p>
      <p class="muted small none">
        TEM = √(Σd²/2n) over pairs; a change of single readings counts from 1.96·√2·TEM. Pairs are
        independent: foot off the device, landmarks found anew, best on another day.
      </p>
    </section>
    <div class="stack">
      <section v-if="session.may('fittings.change')" class="card card-body form">
        <h2>Add a pair</h2>
        <label><span>Reading</span><VSelect v-model="what" :items="READING_CHOICES" /></label>
        <label
          ><span>Whose foot (code and side)</span
          ><VTextField
            v-model="subject"
            :error-messages="troubleAt('subject')"
            maxlength="40"
            placeholder="HR-0412 L"
        /></label>
        <div class="pair">
          <label
            ><span>First, mm</span
            ><VTextField
              v-model="first"
              :error-messages="troubleAt('first')"
              inputmode="decimal" /></label
          ><label
            ><span>Second, mm</span
            ><VTextField
              v-model="second"
              :error-messages="troubleAt('second')"
              inputmode="decimal"
              @keydown.enter="add"
          /></label>
        </div>
        <VBtn color="primary" variant="flat" @click="add">Keep the pair</VBtn>
      </section>
      <section class="card scroll grow">
        <div class="card-head">
          <h2>Pairs</h2>
          <span class="aside">{{ readings.length }}</span>
        </div>
        <div v-for="r in readings" :key="r.id" class="row small">
          <span
            ><b>{{ READINGS.of(r.what).name }}</b> {{ r.first }} · {{ r.second }}<br /><span
              class="muted"
              >{{ r.subject }}, {{ r.fitter }}, {{ r.takenOn }}</span
            ></span
          ><PlainButton
            class="x"
            :aria-label="`Take out ${r.subject}`"
            :disabled="!session.may('fittings.change')"
            @click="drop(r.id)"
          >
            ×
          </PlainButton>
        </div>
      </section>
    </div>
  </div>
</template>

<style scoped>
.rep {
  grid-template-columns: minmax(0, 1fr) 300px;
}
.form {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.form span {
  display: block;
  font-size: 12px;
  color: var(--muted);
}
.form h2 + label {
  margin-top: 2px;
}
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
}
.none {
  padding: 14px;
}
.row {
  display: flex;
  justify-content: space-between;
  padding: 6px 14px;
  border-top: 1px solid var(--hairline);
}
.x {
  width: 36px;
  font-size: 18px;
  text-align: center;
}
</style>
