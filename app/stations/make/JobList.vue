<script setup lang="ts">
import { format } from 'date-fns'
import { computed } from 'vue'
import { VBtn } from 'vuetify/components'
import { nextStep } from '../../../core/bench/jobSteps'
import StatusMark from '~/components/StatusMark.vue'
import type { BenchJobRow } from '../../../shared/contracts'
import { useBench } from '~/stores/bench'
import PlainButton from '~/components/PlainButton.vue'

/**
 * Jobs of the day with the step that is next and what was promised; below, what waits for the
 * bench.
 */
const { may } = defineProps<{ may: boolean }>()
const emit = defineEmits<{ choose: [job: string, step: string] }>()
const bench = useBench()
const promiseWords = (j: BenchJobRow) =>
  j.promisedOn
    ? `promised ${j.promisedOn === bench.state?.today ? 'today' : format(new Date(`${j.promisedOn}T12:00`), 'EEE d MMM')}${j.promisedAt ? ` ${j.promisedAt}` : ''}`
    : 'no promise yet'
const late = (j: BenchJobRow) =>
  (j.promisedOn !== undefined && j.promisedOn < (bench.state?.today ?? '')) ||
  bench.conflicts.some((c) => c.kind === 'late' && c.job === j.id)
const doneCount = (j: BenchJobRow) =>
  j.steps.filter((s) => s.state === 'done' || s.state === 'skipped').length
const ends = computed(
  () =>
    new Map(
      bench.jobsOfDay.map((j) => [
        j.id,
        bench.shown
          .filter((s) => s.job === j.id)
          .map((s) => s.end)
          .sort()
          .at(-1),
      ]),
    ),
)
const waits = (id: string) => {
  const first = bench.built?.later.find((l) => l.job === id && l.why !== 'follows')
  return first
    ? first.why === 'no visit'
      ? 'the rest waits for a visit'
      : 'the rest after the night'
    : ''
}
</script>

<template>
  <ul class="jobs">
    <li v-for="j in bench.jobsOfDay" :key="j.id" class="job">
      <PlainButton
        class="what"
        @click="nextStep(j.steps) && emit('choose', j.id, nextStep(j.steps)!.key)"
      >
        <span class="first"
          ><b>{{ j.name ?? j.code }}</b>
          <span class="muted label"
            >{{ j.kinds.join(', ') || 'shell work' }} · {{ doneCount(j) }} of
            {{ j.steps.length }}</span
          ></span
        >
        <span class="label first"
          >next: {{ nextStep(j.steps)?.words ?? '–'
          }}<template v-if="waits(j.id)">
            <span class="muted">· {{ waits(j.id) }}</span></template
          ></span
        >
      </PlainButton>
      <span class="due label"
        ><StatusMark v-if="late(j)" kind="watch" :word="promiseWords(j)" /><template v-else>{{
          promiseWords(j)
        }}</template
        ><span v-if="ends.get(j.id)" class="muted till">done here {{ ends.get(j.id) }}</span></span
      >
      <VBtn
        size="small"
        height="44"
        :to="`/bench/${j.id}`"
        :aria-label="`Steps of ${j.name ?? j.code}`"
        >Steps</VBtn
      >
      <VBtn
        v-if="may"
        size="small"
        height="44"
        variant="text"
        :aria-label="`Take ${j.name ?? j.code} off this day`"
        @click="bench.change({ jobs: { ...bench.plan.jobs, [j.id]: false } }, 'Taken off this day')"
        >Off</VBtn
      >
    </li>
    <li v-if="bench.jobsOfDay.length === 0" class="muted none">
      Nothing on the bench this day. Put a job on it from below, or promise one in Make.
    </li>
    <li v-if="bench.otherJobs.length" class="sub label muted">Waiting for the bench</li>
    <li v-for="j in bench.otherJobs" :key="j.id" class="job">
      <span class="what"
        ><span class="first"
          ><b>{{ j.name ?? j.code }}</b>
          <span class="muted label">{{ j.kinds.join(', ') || 'shell work' }}</span></span
        ><span class="label muted">{{ promiseWords(j) }}</span></span
      >
      <StatusMark v-if="j.blocked" kind="stop" word="Refer first" /><VBtn
        v-else-if="may"
        size="small"
        height="44"
        :aria-label="`Put ${j.name ?? j.code} on this day`"
        @click="bench.change({ jobs: { ...bench.plan.jobs, [j.id]: true } }, 'Put on this day')"
        >On this day</VBtn
      >
    </li>
  </ul>
</template>

<style scoped>
.job {
  display: flex;
  align-items: center;
  gap: 10px;
  border-bottom: 1px solid var(--hairline);
  padding: 6px 14px;
  min-height: 56px;
}
.what {
  flex: 1;
  min-width: 0;
  display: flex;
  flex-direction: column;
}
.first {
  display: block;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.due {
  text-align: right;
  max-width: 190px;
}
.till {
  display: block;
}
.none {
  padding: 14px;
}
.sub {
  padding: 8px 14px 4px;
}
</style>
