<script setup lang="ts">
import { addDays, differenceInYears, format, isValid, parseISO } from 'date-fns'
import { computed, defineAsyncComponent, ref, watch } from 'vue'
import { VBtn, VCard, VDialog, VList, VListItem, VMenu, VTextField } from 'vuetify/components'
import type { FoundClient, UnfinishedRow, VisitRow, VisitState } from '../../shared/contracts'
import { api } from '~/browser/api'
import { useSession } from '~/stores/session'
import AppHeader from '~/components/AppHeader.vue'
import ArchTrail from '~/components/ArchTrail.vue'
import ImportRecord from '~/components/ImportRecord.vue'
import StatusMark from '~/components/StatusMark.vue'
import TrailMini from '~/components/TrailMini.vue'
import { STATIONS } from '~/components/stations'
import PaneTabs from '~/components/PaneTabs.vue'
import PlainButton from '~/components/PlainButton.vue'
import { readHere } from '~/composables/readHere'
import { KEPT_HERE, useOutbox } from '~/stores/outbox'
import { useLine } from '~/stores/line'

// The form brings all schemas of a record along: Today opens without them.
const NewClient = defineAsyncComponent(() => import('~/components/NewClient.vue'))
const BookVisit = defineAsyncComponent(() => import('~/components/BookVisit.vue'))

const session = useSession()
const today = () => format(new Date(), 'yyyy-MM-dd')
/** another day that is looked at, by its address or the arrows; null is today, whatever day that has become */
const other = ref<string | null>(otherDay(String(useRoute().query.day ?? '')))
function otherDay(day: string): string | null {
  const isDay = /^\d{4}-\d\d-\d\d$/.test(day) && isValid(parseISO(day))
  return isDay && day !== today() ? day : null
}
const isToday = computed(() => other.value === null)
const shownDay = () => parseISO(other.value ?? today())
const goDays = (days: number) =>
  (other.value = otherDay(format(addDays(shownDay(), days), 'yyyy-MM-dd')))
/** whose visit is booked or moved */
const booking = ref<{ client: { id: string; name: string }; visit?: VisitRow } | null>(null)
const move = (visit: VisitRow) =>
  (booking.value = { client: { id: visit.clientId, name: visit.name ?? visit.code }, visit })
async function booked() {
  booking.value = null
  await load()
}
const visits = ref<VisitRow[]>([])
const open = ref<UnfinishedRow[]>([])
const inAll = ref(0)
const query = ref('')
const found = ref<FoundClient[] | null>(null)
const trouble = ref('')
const loaded = ref(false)
const adding = ref(false)
const importing = ref(false)
/** a shop of several places shows this one, or all */
const reach = ref<'here' | 'all'>('here')
const REACHES = computed(
  () =>
    [
      ['here', session.placeName],
      ['all', 'All places'],
    ] as const,
)
/** where a visit or fitting is, if not here */
function elsewhere({ placeId }: { placeId: string }): string {
  if (session.places.length < 2 || placeId === session.placeId) return ''
  return `at ${session.places.find((p) => p.id === placeId)?.name ?? 'a closed place'}`
}

const path = computed(() => {
  const query = [
    ...(reach.value === 'all' ? ['at=all'] : []),
    ...(other.value === null ? [] : [`day=${other.value}`]),
  ].join('&')
  return query ? `today?${query}` : 'today'
})
async function load() {
  try {
    const today = await useLine().read<{
      visits: VisitRow[]
      unfinished: UnfinishedRow[]
      /** an answer that was kept on this device may be older than it */
      unfinishedInAll?: number
    }>(path.value)
    visits.value = today.visits
    open.value = today.unfinished
    inAll.value = today.unfinishedInAll ?? today.unfinished.length
    trouble.value = ''
  } catch (error) {
    trouble.value = (error as Error).message
  }
  loaded.value = true
}
/** The next lines of what is unfinished. */
async function more() {
  const at = reach.value === 'all' ? '&at=all' : ''
  try {
    const next = await api<{ unfinished: UnfinishedRow[]; all: number }>(
      `unfinished?from=${open.value.length}${at}`,
    )
    const known = new Set(open.value.map((u) => u.fittingId))
    open.value = [...open.value, ...next.unfinished.filter((u) => !known.has(u.fittingId))]
    inAll.value = next.all
  } catch (error) {
    trouble.value = (error as Error).message
  }
}
readHere(load)
watch([reach, other], load)

let latest = 0
watch(query, async (q) => {
  const mine = ++latest
  if (!q.trim()) {
    found.value = null
    return
  }
  await new Promise((done) => setTimeout(done, 120))
  if (mine !== latest) return
  const answer = await api<{ clients: FoundClient[] }>(`clients?q=${encodeURIComponent(q)}`).catch(
    () => null,
  )
  if (mine === latest && answer) found.value = answer.clients
})

const next = (v: { stations: number[] }) =>
  STATIONS.find((_, i) => !v.stations.includes(i + 1)) ?? STATIONS[8]
const place = (v: { fittingId: string; stations: number[] }) =>
  `/fittings/${v.fittingId}/${session.person?.role === 'bench' ? 'make' : next(v).id}`
const here = computed(() => visits.value.find((v) => v.state === 'now'))
const initials = computed(() => {
  const out: Record<number, string[]> = {}
  for (const v of visits.value)
    if (['to-come', 'waiting', 'now'].includes(v.state))
      (out[STATIONS.indexOf(next(v)) + 1] ??= []).push(
        (v.name ?? v.code)
          .split(/\s+/)
          .map((w) => w[0])
          .join('')
          .slice(0, 2),
      )
  return out
})
const fact = computed(() => {
  if (!isToday.value) return ''
  return here.value
    ? `${here.value.name ?? here.value.code} is in the chair`
    : 'Nobody is in the chair'
})
const who = (v: { bornOn: string | null; occupation: string | null }) =>
  [v.bornOn && String(differenceInYears(new Date(), new Date(v.bornOn))), v.occupation]
    .filter(Boolean)
    .join(' · ')
/** How a visit stands, and what is done with it next. */
const STATE: Record<VisitState, { word: string; next: VisitState; act: string }> = {
  'to-come': { word: 'To come', next: 'waiting', act: 'Is here' },
  waiting: { word: 'Waiting', next: 'now', act: 'Take in' },
  now: { word: 'Now', next: 'seen', act: 'Seen' },
  seen: { word: 'Seen', next: 'now', act: 'Not yet' },
  cancelled: { word: 'Called off', next: 'to-come', act: 'On again' },
  absent: { word: 'Did not come', next: 'to-come', act: 'On again' },
}
const waits = ({ standsSince }: VisitRow) =>
  standsSince ? `Here ${format(new Date(standsSince), 'HH:mm')}` : 'Waiting'
const count = (state: VisitState) => visits.value.filter((v) => v.state === state).length
const outbox = useOutbox()
const step = (visit: VisitRow) => stands(visit, STATE[visit.state].next)
/** what speaks against the time of a visit that is on again */
const said = ref('')
async function stands(visit: VisitRow, next: VisitState) {
  // On the screen at once; what the server has comes with the next look.
  visits.value = visits.value.map((v) => (v.id === visit.id ? { ...v, state: next } : v))
  const body = { state: next, version: visit.version }
  const words = `visit of ${visit.name ?? visit.code}: ${STATE[next].word}`
  const done = await outbox
    .write<{ said: string[] }>({ method: 'PATCH', path: `visits/${visit.id}`, body, words })
    .catch((error: Error) => void (trouble.value = error.message))
  if (done && 'waits' in done) return
  said.value = done?.answer.said?.join(' ') ?? ''
  await load()
}
async function fresh(client: FoundClient) {
  const done = await outbox.write<{ fittingId: string }>({
    method: 'POST',
    path: `clients/${client.id}/fittings`,
    body: {},
    words: `new fitting of ${client.name}`,
  })
  if ('waits' in done) return void (trouble.value = KEPT_HERE)
  await navigateTo(`/fittings/${done.answer.fittingId}/story`)
}
</script>

<template>
  <div class="frame today">
    <AppHeader title="Today" :fact="`${visits.length} visits · ${inAll} unfinished`"
      ><ArchTrail :live="false" :initials="initials"
    /></AppHeader>
    <main class="main">
      <div class="title-row">
        <h1>{{ format(shownDay(), 'EEEE, d MMMM') }}</h1>
        <span class="days"
          ><VBtn aria-label="The day before" @click="goDays(-1)">‹</VBtn
          ><VBtn v-if="!isToday" @click="other = null">Today</VBtn
          ><VBtn aria-label="The day after" @click="goDays(1)">›</VBtn></span
        >
        <span class="fact">{{ fact }}</span>
        <PaneTabs
          v-if="session.places.length > 1"
          v-model="reach"
          :panes="REACHES"
          label="Which places"
          look="box"
        />
        <VBtn to="/calendar">Week</VBtn>
        <VBtn to="/bench">Bench day</VBtn>
        <template v-if="session.may('clients.change')">
          <VBtn @click="importing = true">Import a record</VBtn>
          <VBtn @click="adding = true">New client</VBtn>
        </template>
        <VBtn v-if="here" color="primary" variant="flat" :to="place(here)">{{
          `Back to ${(here.name ?? here.code).split(' ')[0]}`
        }}</VBtn>
      </div>
      <p v-if="trouble" class="notice stop" role="alert">
        {{ trouble }} <PlainButton class="again" @click="load">Try again</PlainButton>
      </p>
      <p v-if="said" class="notice watch" role="status">{{ said }}</p>
      <div class="cols two">
        <section class="card stack0">
          <div class="card-head">
            <h2>Visits</h2>
            <span class="aside"
              >{{ count('seen') }} seen, {{ count('now') }} now, {{ count('waiting') }} waiting,
              {{ count('to-come') }} to come</span
            >
          </div>
          <ul class="scroll grow">
            <li v-if="loaded && visits.length === 0" class="none muted">
              {{ isToday ? 'No visits today. “New client” begins one.' : 'No visits that day.' }}
            </li>
            <li v-for="v in visits" :key="v.id" class="visit" :class="v.state">
              <NuxtLink :to="place(v)" class="go">
                <b class="time">{{ format(new Date(v.startsAt), 'HH:mm') }}</b>
                <span class="name"
                  ><span class="first ellipsis"
                    ><b>{{ v.name ?? v.code }}</b>
                    <span class="muted label">{{ who(v) }}</span></span
                  ><span class="reason ellipsis"
                    ><StatusMark
                      v-if="v.blocked"
                      kind="stop"
                      word="Refer first"
                      class="first-mark"
                    /><b v-if="elsewhere(v)">{{ elsewhere(v) }} · </b>{{ v.reason || v.code
                    }}<template v-if="v.personName"> · with {{ v.personName }}</template></span
                  ></span
                >
                <span class="mini"
                  ><TrailMini :done="v.stations" /><span class="label"
                    >next: {{ next(v).label }}</span
                  ></span
                >
              </NuxtLink>
              <span class="state"
                ><StatusMark
                  v-if="v.state === 'waiting'"
                  kind="watch"
                  :word="waits(v)" /><StatusMark
                  v-else-if="v.state === 'seen'"
                  kind="good"
                  word="Seen" /><b v-else class="label">{{ STATE[v.state].word }}</b>
                <VBtn
                  v-if="STATE[v.state].act && session.may('fittings.change')"
                  size="small"
                  height="44"
                  @click="step(v)"
                  >{{ STATE[v.state].act }}</VBtn><VMenu
                  v-if="v.state === 'to-come' && session.may('fittings.change')"
                  ><template #activator="{ props }"
                    ><VBtn
                      v-bind="props"
                      size="small"
                      height="44"
                      :aria-label="`More about the visit of ${v.name ?? v.code}`"
                      >…</VBtn
                    ></template
                  ><VList
                    ><VListItem title="Move, or with somebody else" @click="move(v)" /><VListItem
                      title="Called off"
                      @click="stands(v, 'cancelled')" /><VListItem
                      title="Did not come"
                      @click="stands(v, 'absent')" /></VList></VMenu
              ></span>
            </li>
          </ul>
        </section>
        <div class="stack">
          <section v-if="session.may('clients.see')" class="card">
            <div class="card-head">
              <h2>Find a client</h2>
              <span class="aside small">by name, code, telephone …</span>
            </div>
            <div class="card-body">
              <label class="sr" for="find">Find a client by name or code</label>
              <VTextField
                id="find"
                v-model="query"
                type="search"
                autocomplete="off"
                placeholder="Name, code, telephone, mail"
              />
              <ul v-if="found" class="found scroll">
                <li v-if="found.length === 0" class="muted none">
                  Nobody by that name. Check the spelling, or make a new client.
                </li>
                <li v-for="c in found" :key="c.id">
                  <NuxtLink :to="`/clients/${c.id}`" class="ellipsis"
                    ><b>{{ c.name }}</b>
                    <span class="muted label">{{ c.code }} · {{ who(c) }}</span></NuxtLink
                  >
                  <VBtn
                    v-if="c.fittingId"
                    size="small"
                    height="44"
                    :to="`/fittings/${c.fittingId}/story`"
                    >Open</VBtn
                  >
                  <VBtn
                    v-else-if="session.may('clients.change')"
                    size="small"
                    height="44"
                    @click="fresh(c)"
                    >Begin</VBtn
                  ><VBtn
                    v-if="session.may('fittings.change')"
                    size="small"
                    height="44"
                    :aria-label="`Book a visit for ${c.name}`"
                    @click="booking = { client: c }"
                    >Book</VBtn
                  >
                </li>
              </ul>
            </div>
          </section>
          <section class="card stack0 grow">
            <div class="card-head">
              <h2>Unfinished</h2>
              <span class="aside">{{ inAll }} not handed over</span>
            </div>
            <ul class="scroll grow">
              <li v-if="loaded && open.length === 0" class="none muted">
                Everything begun is handed over.
              </li>
              <li v-for="u in open" :key="u.fittingId" class="open">
                <NuxtLink :to="place(u)" class="go"
                  ><span class="name"
                    ><b class="ellipsis">{{ u.name }}</b
                    ><span class="muted label"
                      >{{ u.code }} · {{ u.isRound ? 'back since' : 'since' }}
                      {{ format(new Date(u.since), 'd MMM') }}
                      {{ elsewhere(u) }}</span
                    ></span
                  ><span class="mini"
                    ><TrailMini :done="u.stations" /><span class="label"
                      >next: {{ next(u).label }}</span
                    ></span
                  ></NuxtLink
                >
              </li>
              <li v-if="open.length < inAll" class="more">
                <VBtn @click="more">{{ open.length }} of {{ inAll }}: show more</VBtn>
              </li>
            </ul>
          </section>
        </div>
      </div>
    </main>
    <VDialog v-model="adding"><NewClient v-if="adding" @close="adding = false" /></VDialog>
    <VDialog :model-value="booking !== null" max-width="560" @update:model-value="booking = null"
      ><BookVisit
        v-if="booking"
        :client="booking.client"
        :visit="booking.visit"
        @close="booking = null"
        @kept="booked"
    /></VDialog>
    <VDialog v-model="importing"
      ><VCard class="pane"><ImportRecord v-if="importing" @close="importing = false" /></VCard
    ></VDialog>
  </div>
</template>

<style scoped>
.days {
  display: flex;
  gap: 4px;
}
.days .v-btn {
  min-width: 44px;
}
.visit.cancelled,
.visit.absent {
  color: var(--muted);
}
.first-mark {
  margin-right: 8px;
}
.frame.today {
  grid-template: var(--header) 1fr / 1fr;
}
.two {
  grid-template-columns: minmax(0, 3fr) minmax(0, 2fr);
}
.stack0 {
  display: flex;
  flex-direction: column;
}
.visit {
  display: flex;
  align-items: center;
  border-bottom: 1px solid var(--hairline);
}
.visit.now {
  background: var(--wash);
  box-shadow: inset 4px 0 var(--spruce);
}
.go {
  display: flex;
  align-items: center;
  gap: 16px;
  flex: 1;
  min-width: 0;
  padding: 12px 14px 12px 16px;
  text-decoration: none;
  color: var(--ink);
  min-height: 76px;
}
.time {
  font-family: 'Bricolage Grotesque Variable', serif;
  font-size: 20px;
  width: 62px;
}
.seen .time,
.seen .name b {
  color: var(--muted);
}
.name {
  flex: 1;
  min-width: 0;
}
.name b {
  font-size: 16px;
  line-height: 20px;
  font-weight: 600;
}
.first {
  display: block;
}
.reason {
  display: block;
}
.open .name span {
  display: block;
}
.mini {
  display: flex;
  flex-direction: column;
  gap: 2px;
  flex: none;
}
.state {
  display: flex;
  align-items: center;
  justify-content: flex-end;
  gap: 8px;
  width: 204px;
  flex: none;
  padding-right: 14px;
  white-space: nowrap;
}
.state .v-btn {
  min-width: 44px;
  padding-inline: 10px;
}
.open {
  border-bottom: 1px solid var(--hairline);
}
.open .go {
  min-height: 60px;
  padding: 8px 14px;
}
.more {
  padding: 8px 14px;
}
.found {
  max-height: 240px;
  margin-top: 8px;
}
.found li {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 8px;
  padding: 4px 0;
  border-top: 1px solid var(--hairline);
  min-height: 52px;
}
.found .v-btn {
  flex: none;
  min-width: 64px;
}
.found a {
  flex: 1;
  text-decoration: none;
  color: var(--ink);
  min-width: 0;
  padding: 10px 0;
}
.none {
  padding: 16px;
}
.again {
  text-decoration: underline;
  min-height: 24px;
}
.pane {
  padding: 18px;
}
@media (max-width: 1179px) {
  .mini {
    display: none;
  }
  .state {
    width: 196px;
  }
}
</style>
