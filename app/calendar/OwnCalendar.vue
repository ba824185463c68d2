<script setup lang="ts">
import { format } from 'date-fns'
import { computed, ref } from 'vue'
import { VBtn, VCard, VSelect } from 'vuetify/components'
import type { CalendarState, VisitRow } from '../../shared/contracts'
import { namedChoices } from '~/browser/choices'
import FileField from '~/components/FileField.vue'
import { useAttempt } from '~/composables/useAttempt'
import { KEPT_HERE, useOutbox } from '~/stores/outbox'
import { useSession } from '~/stores/session'
import type { ReadCalendar } from './readCalendarFile'

/**
 * Somebody's own calendar beside the shop's: their visits go out as a file, and a file says when they are not to be
 * had. It is read on this device; only from when to when goes to the shop.
 */
const { people, visits } = defineProps<{
  people: CalendarState['people']
  /** those that are shown: where the file has another time for one, it is told */
  visits: readonly VisitRow[]
}>()
const emit = defineEmits<{ close: []; kept: []; move: [VisitRow, string] }>()
const session = useSession()
const outbox = useOutbox()
const { trouble, done, run } = useAttempt()

const personId = ref(people.find(({ id }) => id === session.person?.id)?.id ?? people[0]?.id ?? '')
const read = ref<ReadCalendar | null>(null)
const name = computed(() => people.find(({ id }) => id === personId.value)?.name ?? '')

const look = ([file]: File[]) =>
  run(async () => {
    read.value = null
    const { readCalendarFile } = await import('./readCalendarFile')
    read.value = readCalendarFile(await file!.text(), new Date())
  })
const busyWords = computed(() => {
  const [first] = read.value?.busy ?? []
  if (!read.value) return ''
  if (!first) return 'Nothing in it takes time from now on: what was read before is taken away.'
  const many = read.value.busy.length
  return `${many} ${many === 1 ? 'time' : 'times'} in the next year, the first on ${format(new Date(first.startsAt), 'EEE d MMM, HH:mm')}.`
})
const moved = computed(() =>
  (read.value?.visits ?? []).flatMap(({ id, startsAt }) => {
    const visit = visits.find((v) => v.id === id)
    const isOther = visit && Date.parse(visit.startsAt) !== Date.parse(startsAt)
    return isOther ? [{ visit, startsAt }] : []
  }),
)
const movedWords = ({ visit, startsAt }: { visit: VisitRow; startsAt: string }) =>
  `${visit.name ?? visit.code}: ${format(new Date(visit.startsAt), 'EEE HH:mm')} here, ${format(new Date(startsAt), 'EEE d MMM, HH:mm')} in the file`
const keep = () =>
  run(async () => {
    const kept = await outbox.write({
      method: 'PUT',
      path: 'visits/busy',
      body: { personId: personId.value, times: read.value!.busy.slice(0, 2000) },
      words: `when ${name.value} is not to be had`,
    })
    done.value = 'waits' in kept ? KEPT_HERE : `Kept: ${name.value} is not to be had then.`
    read.value = null
    emit('kept')
  })
</script>

<template>
  <VCard class="dialog-pane">
    <h2>Calendar files</h2>
    <VSelect v-model="personId" label="Whose" :items="namedChoices(people)" />
    <p>
      <a :href="`/api/visits/calendar?person=${personId}`">Visits with {{ name }} as a file</a> ·
      <a href="/api/visits/calendar">all visits</a>
    </p>
    <p class="small muted">Clients stand in it by their codes, without names and reasons.</p>
    <FileField
      label="A calendar file (.ics) of when they are not to be had"
      accept=".ics,text/calendar"
      @files="look"
    />
    <template v-if="read">
      <p role="status">{{ busyWords }}</p>
      <p class="small muted">
        Only from when to when is kept, nothing of what it is. It replaces what was read of
        {{ name }} before.
      </p>
      <ul v-if="moved.length > 0">
        <li v-for="m in moved" :key="m.visit.id" class="moved">
          {{ movedWords(m) }}
          <VBtn size="small" @click="emit('move', m.visit, m.startsAt)">Move it there</VBtn>
        </li>
      </ul>
    </template>
    <p v-if="trouble" class="notice stop" role="alert">{{ trouble }}</p>
    <p v-if="done" class="notice" role="status">{{ done }}</p>
    <div class="acts">
      <VBtn v-if="read" color="primary" variant="flat" @click="keep">Keep these times</VBtn>
      <VBtn @click="emit('close')">Close</VBtn>
    </div>
  </VCard>
</template>

<style scoped>
.acts {
  display: flex;
  gap: 8px;
}
.moved {
  display: flex;
  gap: 8px;
  align-items: center;
  justify-content: space-between;
  padding: 6px 0;
  border-top: 1px solid var(--hairline);
}
</style>
