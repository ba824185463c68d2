<script setup lang="ts">
import { addDays, format } from 'date-fns'
import { computed, onMounted, ref, watch } from 'vue'
import { VBtn, VDataTable, VDialog, VList, VListItem, VMenu, VSelect } from 'vuetify/components'
import type { DueMarkState, DueRow } from '../../shared/contracts'
import AppHeader from '~/components/AppHeader.vue'
import BookVisit from '~/components/BookVisit.vue'
import LettersList from '~/components/LettersList.vue'
import PaneTabs from '~/components/PaneTabs.vue'
import StatusMark from '~/components/StatusMark.vue'
import { KEPT_HERE, useOutbox } from '~/stores/outbox'
import { useSession } from '~/stores/session'
import { useLine } from '~/stores/line'

/** Whom to ask, who outgrows what, what waits for whom, whose guarantee ends; and what was done about it. */
const session = useSession()
const outbox = useOutbox()
const mayAct = computed(() => session.may('clients.change'))
const rows = ref<DueRow[]>([])
const loaded = ref(false)
const trouble = ref('')
/** what was done last, and the line it was done about */
const done = ref<{ words: string; row?: DueRow } | null>(null)
const kind = ref<'all' | DueRow['kind']>('all')
const shown = ref<'open' | 'settled' | 'letters'>('open')
const KINDS: Record<DueRow['kind'], string> = {
  outcome: 'How it goes',
  visit: 'Visits',
  outgrown: 'Outgrown',
  remake: 'Make again',
  guarantee: 'Guarantee',
  quote: 'Quotes',
  lab: 'Labs',
  uncollected: 'Not collected',
}
/** Where a line of a kind is worked on. */
const STATION: Partial<Record<DueRow['kind'], string>> = {
  quote: 'make',
  lab: 'prescribe',
  uncollected: 'handover',
}
/** Why somebody comes because of it. */
const REASON: Partial<Record<DueRow['kind'], string>> = {
  outcome: 'after two weeks',
  visit: 'recheck',
  outgrown: 'shells and try-on',
  remake: 'measure and capture',
  guarantee: 'adjustment',
  uncollected: 'handover',
}
interface Answer {
  due: DueRow[]
  counts: {
    all: number
    late: number
    settled: number
    byKind: Partial<Record<DueRow['kind'], number>>
  }
}
const counts = ref<Answer['counts']>({ all: 0, late: 0, settled: 0, byKind: {} })
const SHOWN = computed(
  () =>
    [
      ['open', `Open ${counts.value.all}`],
      ['settled', `Settled or later ${counts.value.settled ?? 0}`],
      ['letters', 'Letters'],
    ] as const,
)
/** The first lines of a kind, or the next after those that are there. */
async function load(from = 0) {
  if (shown.value === 'letters') return
  const asked = `${kind.value} ${shown.value}`
  const only = kind.value === 'all' ? '' : `&kind=${kind.value}`
  const settled = shown.value === 'settled' ? '&settled=1' : ''
  try {
    const answer = await useLine().read<Answer>(`due?from=${from}${only}${settled}`)
    // Another kind was chosen meanwhile: its own answer is on its way.
    if (`${kind.value} ${shown.value}` !== asked) return
    rows.value = from === 0 ? answer.due : [...rows.value, ...answer.due]
    counts.value = answer.counts
    trouble.value = ''
  } catch (error) {
    trouble.value = (error as Error).message
  }
  loaded.value = true
}
onMounted(() => load())
watch([kind, shown], () => load())
const inAll = computed(() => {
  if (shown.value === 'settled') return kind.value === 'all' ? counts.value.settled : 0
  return kind.value === 'all' ? counts.value.all : (counts.value.byKind[kind.value] ?? 0)
})
const left = computed(() => inAll.value - rows.value.length)
const fact = computed(
  () => `${counts.value.late} late, ${counts.value.all - counts.value.late} to come`,
)
const when = (r: DueRow) =>
  r.lateDays > 0
    ? `${r.lateDays} ${r.lateDays === 1 ? 'day' : 'days'} late`
    : r.lateDays === 0
      ? 'today'
      : `in ${-r.lateDays} ${r.lateDays === -1 ? 'day' : 'days'}`
const HEADERS = [
  { key: 'on', title: 'When', nowrap: true },
  { key: 'name', title: 'Client' },
  { key: 'words', title: 'What' },
  { key: 'kind', title: 'Kind' },
  { key: 'open', title: '', sortable: false },
]
const KIND_CHOICES = [
  { value: 'all', title: 'All kinds' },
  ...Object.entries(KINDS).map(([value, title]) => ({ value, title })),
]

const MARKS: Record<DueMarkState, string> = {
  called: 'Rang, nobody there',
  told: 'Told',
  later: 'Put off',
  done: 'Done',
  open: 'Open again',
}
const markWords = ({ mark }: DueRow) =>
  mark &&
  [
    `${MARKS[mark.state]}${mark.until ? ` until ${format(new Date(`${mark.until}T12:00`), 'd MMM')}` : ''}`,
    mark.note,
    `${mark.by.split(' ')[0]}, ${format(new Date(mark.at), 'd MMM')}`,
  ]
    .filter(Boolean)
    .join(' · ')
const isoIn = (days: number) => format(addDays(new Date(), days), 'yyyy-MM-dd')
const LATER = [
  ['Later: in a week', 7],
  ['Later: in two weeks', 14],
  ['Later: in two months', 61],
] as const
async function send(path: string, body: object, words: string, row: DueRow, isTakenBack = false) {
  trouble.value = ''
  done.value = null
  try {
    const kept = await outbox.write({ method: 'POST', path, body, words })
    done.value = {
      words: 'waits' in kept ? KEPT_HERE : `${row.name}: ${words}.`,
      ...('answer' in kept && !isTakenBack && { row }),
    }
    await load()
  } catch (error) {
    trouble.value = (error as Error).message
  }
}
const keyOf = ({ fittingId, key }: DueRow) => ({ fittingId, key })
const mark = (row: DueRow, state: DueMarkState, until?: string) =>
  send(
    'due/marks',
    { ...keyOf(row), state, ...(until && { until }) },
    MARKS[state].toLowerCase(),
    row,
    state === 'open',
  )
const letter = (row: DueRow) => send('due/remind', keyOf(row), 'a letter is in the outbox', row)
const booking = ref<DueRow | null>(null)
async function booked() {
  const row = booking.value!
  booking.value = null
  await mark(row, 'done')
}
</script>

<template>
  <div class="frame plain">
    <AppHeader title="Due and reminders" :fact="fact" />
    <main class="main">
      <div class="title-row">
        <h1>Due</h1>
        <span class="fact">estimates of growth say so</span>
        <PaneTabs v-model="shown" :panes="SHOWN" label="Which lines" look="box" />
        <VSelect v-model="kind" class="pick" :items="KIND_CHOICES" aria-label="Kind of reminder" />
        <VBtn v-if="session.may('clients.export')" href="/api/due/calendar">Calendar file</VBtn>
      </div>
      <p v-if="trouble" class="notice stop" role="alert">{{ trouble }}</p>
      <p v-if="done" class="notice done" role="status">
        <span>{{ done.words }}</span>
        <VBtn v-if="done.row" size="small" height="44" @click="mark(done.row, 'open')"
          >Take back</VBtn
        >
      </p>
      <LettersList v-if="shown === 'letters'" />
      <section v-else class="card scroll grow" tabindex="0" role="region" aria-label="Due">
        <VDataTable class="table" :headers="HEADERS" :items="rows" :loading="!loaded">
          <template #[`item.on`]="{ item }">
            <StatusMark v-if="item.lateDays > 0" kind="watch" :word="when(item)" /><b v-else>{{
              when(item)
            }}</b>
            <span class="muted label">{{ format(new Date(`${item.on}T12:00`), 'd MMM') }}</span>
          </template>
          <template #[`item.name`]="{ item }">
            <b>{{ item.name }}</b> <span class="muted label">{{ item.code }}</span>
            <span v-if="item.phone" class="label phone">{{ item.phone }}</span>
          </template>
          <template #[`item.words`]="{ item }">
            {{ item.words }}
            <span v-if="item.mark" class="small muted told">{{ markWords(item) }}</span>
          </template>
          <template #[`item.kind`]="{ item }">
            <span class="muted">{{ KINDS[item.kind] }}</span>
          </template>
          <template #[`item.open`]="{ item }">
            <span class="acts">
              <VBtn
                size="small"
                height="44"
                :to="`/fittings/${item.fittingId}/${STATION[item.kind] ?? 'followup'}`"
                :aria-label="`Open the ${STATION[item.kind] ? 'fitting' : 'follow-up'} of ${item.name}`"
                >Open</VBtn
              >
              <VBtn
                v-if="mayAct && shown === 'settled'"
                size="small"
                height="44"
                :aria-label="`Open again: ${item.name}`"
                @click="mark(item, 'open')"
                >Open again</VBtn
              >
              <template v-else-if="mayAct">
                <VBtn
                  size="small"
                  height="44"
                  :aria-label="`Done: ${item.name}`"
                  @click="mark(item, 'done')"
                  >Done</VBtn
                >
                <VMenu>
                  <template #activator="{ props }">
                    <VBtn
                      v-bind="props"
                      size="small"
                      height="44"
                      class="dots"
                      :aria-label="`More about ${item.name}`"
                      >…</VBtn
                    >
                  </template>
                  <VList>
                    <VListItem title="Rang, nobody there" @click="mark(item, 'called')" />
                    <VListItem title="Told them" @click="mark(item, 'told')" />
                    <VListItem
                      v-for="[words, days] in LATER"
                      :key="words"
                      :title="words"
                      @click="mark(item, 'later', isoIn(days))"
                    />
                    <VListItem title="Book a visit …" @click="booking = item" />
                    <VListItem
                      title="Write a letter"
                      :subtitle="item.unreminded ?? undefined"
                      :disabled="item.unreminded !== null"
                      @click="letter(item)"
                    />
                  </VList>
                </VMenu>
              </template>
            </span>
          </template>
          <template #loading><p class="muted none">Looking who is due …</p></template>
          <template #no-data
            ><p class="muted none">
              Nothing is due. Reminders come by themselves from handovers, quotes and the bench.
            </p></template
          >
        </VDataTable>
        <div v-if="left > 0" class="more">
          <VBtn @click="load(rows.length)">{{ rows.length }} of {{ inAll }}: show more</VBtn>
        </div>
      </section>
    </main>
    <VDialog :model-value="booking !== null" max-width="560" @update:model-value="booking = null"
      ><BookVisit
        v-if="booking"
        :client="{ id: booking.clientId, name: booking.name }"
        :at="{ reason: REASON[booking.kind] ?? '' }"
        @close="booking = null"
        @kept="booked"
    /></VDialog>
  </div>
</template>

<style scoped>
.none {
  padding: 12px 14px;
}
.more {
  padding: 10px 14px;
}
.pick {
  flex: none;
  width: 180px;
}
.done {
  display: flex;
  align-items: center;
  gap: 8px;
  padding-block: 4px;
}
.done span {
  flex: 1;
}
.phone,
.told {
  display: block;
}
.acts {
  display: flex;
  gap: 6px;
  justify-content: flex-end;
}
.dots {
  min-width: 44px;
}
</style>
