<script setup lang="ts">
import { differenceInYears } from 'date-fns'
import { useEventListener } from '@vueuse/core'
import {
  computed,
  defineAsyncComponent,
  onBeforeUnmount,
  onErrorCaptured,
  onMounted,
  ref,
  watch,
  type Component,
} from 'vue'
import { VSnackbar } from 'vuetify/components'

import { READINGS, type ReadingKind } from '../../../../core/kinds/readings/all'
import { useFitting } from '~/stores/fitting'
import { useHand } from '~/stores/hand'
import { useSession } from '~/stores/session'
import AppHeader from '~/components/AppHeader.vue'
import ArchTrail from '~/components/ArchTrail.vue'
import CallOutLine from '~/components/callOut/CallOutLine.vue'
import CautionStrip from '~/components/CautionStrip.vue'
import ConflictDialog from '~/components/ConflictDialog.vue'
import KeyList from '~/components/KeyList.vue'
import LedgerPane from '~/components/LedgerPane.vue'
import ShowClient from '~/components/ShowClient.vue'
import { STATIONS, stationNumber } from '~/components/stations'
import { useChanges } from '~/stores/changes'
import { useFinishedDevices } from '~/composables/useFinishedDevices'
import { useLedger } from '~/stores/ledger'
import { hear } from '~/browser/news'
import { useQueue } from '~/stores/queue'
import { useWaiting } from '~/stores/waiting'

const FILES: Record<string, () => Promise<{ default: Component }>> = {
  story: () => import('~/stations/story/StoryStation.vue'),
  measure: () => import('~/stations/measure/MeasureStation.vue'),
  examine: () => import('~/stations/examine/ExamineStation.vue'),
  capture: () => import('~/stations/capture/CaptureStation.vue'),
  prescribe: () => import('~/stations/prescribe/PrescribeStation.vue'),
  match: () => import('~/stations/match/MatchStation.vue'),
  make: () => import('~/stations/make/MakeStation.vue'),
  handover: () => import('~/stations/handover/HandoverStation.vue'),
  followup: () => import('~/stations/followup/FollowupStation.vue'),
}
const PAGES = Object.fromEntries(
  Object.entries(FILES).map(([name, file]) => [name, defineAsyncComponent(file)]),
)
/** The other stations are read while nothing else is done, so that opening one waits for no file. */
function readAhead([file, ...others] = Object.values(FILES)) {
  if (!file) return
  const idle = window.requestIdleCallback ?? ((work: () => void) => setTimeout(work, 200))
  // A line that is down is told when the station is opened.
  idle(
    () =>
      void file()
        .catch(() => undefined)
        .then(() => readAhead(others)),
  )
}
onMounted(() => readAhead())
const HIDDEN_FROM_BENCH = ['story', 'examine', 'capture', 'handover', 'followup']

// One page per fitting: header, ledger and call-out line stay as they are from station to station.
definePageMeta({ key: (to) => `fitting-${String(to.params.id)}` })

const route = useRoute()
const router = useRouter()
const fitting = useFitting()
const changes = useChanges()
const ledger = useLedger()
useFinishedDevices()
const queue = useQueue()
const waits = useWaiting()
const hand = useHand()
const session = useSession()
const trouble = ref('')
const keys = ref(false)
const callout = ref<InstanceType<typeof CallOutLine> | null>(null)
const whyPane = ref<InstanceType<typeof LedgerPane> | null>(null)
const station = computed(() => String(route.params.station))
const number = computed(() => stationNumber(station.value))
const MAKE = stationNumber('make')
const page = computed(() => PAGES[station.value])
const hidden = computed(
  () => session.person?.role === 'bench' && HIDDEN_FROM_BENCH.includes(station.value),
)
/** The station that a ledger entry belongs to, by what gave rise to it. */
const stationOf = (triggers: readonly string[]) =>
  triggers.some((t) => t.includes('.device'))
    ? 5
    : triggers.some((t) => t.startsWith('footwear'))
      ? 6
      : triggers.some((t) => t.includes('.findings') || t.startsWith('legLength'))
        ? 3
        : triggers.some((t) => t.includes('.readings'))
          ? 2
          : 1
const watchAt = computed(() => [
  ...new Set(ledger.open.filter((e) => e.kind !== 'suggest').map((e) => stationOf(e.triggers))),
])
const fact = computed(() => {
  const d = fitting.client?.details
  return [
    d?.bornOn && String(differenceInYears(new Date(fitting.openedOn), new Date(d.bornOn))),
    d?.occupation ?? fitting.client?.code,
  ]
    .filter(Boolean)
    .join(' · ')
})

/** What others change in the open fitting, as the server tells it; all of it after a lost line. */
let wasAway = false
const deaf = hear((news) => {
  if (news.what === 'away') wasAway = true
  if (news.what === 'part' && news.fitting === fitting.id) void queue.heard(news.part, news.version)
  if (news.what !== 'open' || !wasAway) return
  wasAway = false
  void queue.catchUp()
})
onUnmounted(deaf)
async function open() {
  trouble.value = ''
  try {
    await changes.open(String(route.params.id))
  } catch (error) {
    trouble.value = (error as Error).message
  }
}
watch(() => route.params.id, open, { immediate: true })
// The router itself: a step made while another is on its way replaces it.
const go = (n: number) => router.push(`/fittings/${String(route.params.id)}/${STATIONS[n - 1]!.id}`)

function onKey(event: KeyboardEvent) {
  const target = event.target as HTMLElement
  if (event.key === 'Escape' && target.tagName === 'INPUT' && target.id !== 'call-out')
    return target.blur()
  if (
    (event.ctrlKey || event.metaKey) &&
    /^[zy]$/i.test(event.key) &&
    !/^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName) &&
    !fitting.readOnly
  ) {
    event.preventDefault()
    return (changes.said =
      event.shiftKey || event.key.toLowerCase() === 'y' ? changes.redo() : changes.undo())
  }
  if (
    event.ctrlKey ||
    event.metaKey ||
    event.altKey ||
    /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName) ||
    target.isContentEditable ||
    document.querySelector('.v-overlay--active.v-dialog') ||
    hand.show
  )
    return
  const acts: Record<string, () => unknown> = {
    '/': () => callout.value?.focus(),
    '0': () => router.push('/'),
    b: () => router.push('/bench'),
    '?': () => (keys.value = true),
    u: () => !fitting.readOnly && (changes.said = event.shiftKey ? changes.redo() : changes.undo()),
    w: () => whyPane.value?.focusFirst(),
    a: () => whyPane.value?.acceptFirst(),
    s: () => whyPane.value?.asideFirst(),
    v: () =>
      !hidden.value &&
      ['measure', 'examine', 'story', 'prescribe', 'match', 'followup'].includes(station.value) &&
      session.may('clients.see') &&
      (hand.show = true),
    n: () => hand.step(1),
    p: () => hand.step(-1),
    '[': () => (hand.side = 'left'),
    ']': () => (hand.side = 'right'),
    '=': () => hand.copyAcross?.(),
  }
  for (let n = 1; n <= 9; n++) acts[String(n)] = () => go(n)
  const act = acts[event.key.length === 1 ? event.key.toLowerCase() : event.key]
  if (!act) return
  event.preventDefault()
  act()
}
function toReading(what: string) {
  const reading = READINGS.find(what)
  if (reading) hand.take(reading.kind as ReadingKind)
  void go(reading ? 2 : 3)
}
/** An error inside a station is told; what of the page still works stays there. */
const fault = ref('')
onErrorCaptured((error: Error) => void (fault.value = error.message))
watch(station, () => (fault.value = ''))
const guard = (event: BeforeUnloadEvent) => queue.waiting.length > 0 && event.preventDefault()
useEventListener('keydown', onKey)
useEventListener('beforeunload', guard)
onBeforeUnmount(() => (hand.show = false))
</script>

<template>
  <div class="frame">
    <AppHeader
      :title="fitting.client?.details.name ?? fitting.client?.code ?? ''"
      :fact="fact"
      :saved="waits.saved"
      :shop="fitting.shop"
    >
      <ArchTrail :now="number" :done="fitting.done" :watch="watchAt" @go="go" />
    </AppHeader>
    <main class="main">
      <p v-if="fault" class="notice stop" role="alert">
        Something went wrong here: {{ fault }} What was kept is safe; open the page again.
      </p>
      <p v-if="trouble" class="notice stop" role="alert">
        {{ trouble }} <NuxtLink to="/">Back to Today</NuxtLink>
      </p>
      <p v-else-if="hidden" class="notice">
        This station holds what the client told. A bench hand works from Prescribe, Match and Make.
      </p>
      <p v-else-if="!page" class="notice">
        There is no station called “{{ station }}”. <NuxtLink to="/">Back to Today</NuxtLink>
      </p>
      <template v-else-if="fitting.client"
        ><CautionStrip v-if="number >= 2" :making="number >= MAKE" /><component :is="page"
      /></template>
      <p v-else class="muted" role="status">Opening the fitting …</p>
    </main>
    <LedgerPane ref="whyPane" @measure="toReading" />
    <CallOutLine
      ref="callout"
      :what="station === 'measure' ? hand.what : undefined"
      :posture="hand.posture"
      :pad="hand.pad"
    />
    <ConflictDialog />
    <KeyList v-model="keys" />
    <ShowClient v-model="hand.show" />
    <VSnackbar
      :model-value="changes.said !== ''"
      timeout="5000"
      color="#22302E"
      @update:model-value="(v: boolean) => !v && (changes.said = '')"
      >{{ changes.said }}</VSnackbar
    >
  </div>
</template>
