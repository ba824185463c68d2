<script setup lang="ts">
import { format } from 'date-fns'
import { computed, onMounted, ref } from 'vue'
import { VBtn, VSelect, VTable, VTextField } from 'vuetify/components'
import type { ShopTables } from '../../core/record/tables'
import { ENOUGH_PAIRS, fitterBiases, fitterErrors } from '../../core/measure/fitterErrors'
import {
  houseLeast,
  READ_TWICE,
  readTwiceName,
  readTwiceUnit,
  type ReadTwiceKind,
} from '../../core/measure/readTwice'
import { smallestChange } from '../../core/measure/repeatability'
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
const { tables } = defineProps<{
  tables: Pick<ShopTables, 'repeatLimitMm' | 'alignmentChangeDeg'>
}>()
const session = useSession()
const readings = ref<DoubleReading[]>([])
const trouble = ref('')
const what = ref<ReadTwiceKind>('footLengthMm')
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
const rows = computed(() =>
  fitterErrors(readings.value)
    .map((error) => {
      const kind = error.what as ReadTwiceKind
      const unit = readTwiceUnit(kind)
      const told = (value: number, places: number) => `${value.toFixed(places)} ${unit}`
      return {
        ...error,
        name: readTwiceName(kind),
        few: Math.max(0, ENOUGH_PAIRS - error.pairs),
        tem: told(error.tem, 2),
        least: told(smallestChange(error.tem), 2),
        house: `${houseLeast(kind, tables)} ${unit}`,
      }
    })
    .sort((a, b) => a.name.localeCompare(b.name) || a.fitter.localeCompare(b.fitter)),
)
/** What two fitters read apart on feet that both have read. */
const apart = computed(() =>
  fitterBiases(readings.value).map(({ what: kind, fitters, feet, bias }) => {
    const [more, less] = bias >= 0 ? fitters : [fitters[1], fitters[0]]
    const unit = readTwiceUnit(kind as ReadTwiceKind)
    const few = feet < ENOUGH_PAIRS ? `, ▲ ${ENOUGH_PAIRS - feet} more before it is used` : ''
    return {
      key: `${kind} ${fitters.join(' ')}`,
      words:
        `${readTwiceName(kind as ReadTwiceKind)}: ${more} reads ${Math.abs(bias).toFixed(1)} ${unit} ` +
        `more than ${less}, on ${feet} ${feet === 1 ? 'foot' : 'feet'} that both have read${few}.`,
    }
  }),
)
const unit = computed(() => readTwiceUnit(what.value))
const READING_CHOICES = choicesOf(READ_TWICE, readTwiceName)
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
            <th>Error (TEM)</th>
            <th>Counts from (MDC95)</th>
            <th>House default</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="r in rows" :key="r.fitter + r.what">
            <td>
              <b>{{ r.name }}</b>
            </td>
            <td>{{ r.fitter }}</td>
            <td>
              {{ r.pairs
              }}<span v-if="r.few > 0" class="watch-text small">
                ▲ {{ r.few }} more before it is used</span
              >
            </td>
            <td>{{ r.tem }}</td>
            <td class="bold">{{ r.least }}</td>
            <td class="muted">{{ r.house }}</td>
          </tr>
        </tbody>
      </VTable>
      <p v-if="rows.length === 0" class="muted none">
        No double readings yet. Until {{ ENOUGH_PAIRS }} pairs are held, the house default stands in
        for the smallest change that counts.
      </p>
      <ul v-if="apart.length > 0" class="apart">
        <li v-for="a in apart" :key="a.key">{{ a.words }}</li>
      </ul>
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
            ><span>First, {{ unit }}</span
            ><VTextField
              v-model="first"
              :error-messages="troubleAt('first')"
              inputmode="decimal" /></label
          ><label
            ><span>Second, {{ unit }}</span
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
            ><b>{{ readTwiceName(r.what) }}</b> {{ r.first }} · {{ r.second }}
            {{ readTwiceUnit(r.what) }}<br /><span class="muted"
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
.apart {
  padding: 8px 14px;
  display: grid;
  gap: 4px;
  font-size: 14px;
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
