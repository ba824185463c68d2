<script setup lang="ts">
import { addDays, format, startOfWeek } from 'date-fns'
import { computed } from 'vue'
import { handsLeftMin } from '../../../core/bench/jobSteps'
import { PEOPLE } from '../../../core/tables/benchResources'
import { minuteOf } from '../../../core/bench/schedule/day'
import type { BenchJobRow } from '../../../shared/contracts'
import { useBench } from '~/stores/bench'
import PlainButton from '~/components/PlainButton.vue'

/** What is promised for each day of the week, against the hands there are. */
const emit = defineEmits<{ day: [day: string] }>()
const bench = useBench()
const handsOf = (j: BenchJobRow) => j.handsMin ?? handsLeftMin(j.steps)
const hours = computed(() => {
  const people = bench.state?.resources.find((r) => r.id === PEOPLE)
  return people ? ((minuteOf(people.to) - minuteOf(people.from)) * bench.onDuty.length) / 60 : 0
})
const days = computed(() =>
  Array.from({ length: 7 }, (_, i) => {
    const date = addDays(startOfWeek(new Date(`${bench.day}T12:00`), { weekStartsOn: 1 }), i)
    const day = format(date, 'yyyy-MM-dd')
    const jobs = (bench.state?.jobs ?? []).filter((j) => j.promisedOn === day)
    return {
      day,
      name: format(date, 'EEE d'),
      jobs,
      hands: jobs.reduce((sum, j) => sum + handsOf(j), 0),
      today: day === bench.state?.today,
    }
  }),
)
const over = computed(() =>
  (bench.state?.jobs ?? []).filter(
    (j) => j.promisedOn && j.promisedOn < (bench.state?.today ?? ''),
  ),
)
const none = computed(() => (bench.state?.jobs ?? []).filter((j) => !j.promisedOn))
const width = (minutes: number) =>
  hours.value === 0 ? 0 : Math.min(100, (minutes / 60 / hours.value) * 100)
</script>

<template>
  <div class="week">
    <section v-for="d in days" :key="d.day" class="card day" :class="{ today: d.today }">
      <PlainButton class="card-head" @click="emit('day', d.day)">
        <h2>{{ d.name }}</h2>
        <span class="aside label">{{ d.jobs.length }} promised</span>
      </PlainButton>
      <div class="load" :title="`${d.hands} min of hands in ${hours.toFixed(1)} h`">
        <span :style="{ width: `${width(d.hands)}%` }" />
      </div>
      <p class="label muted pad">{{ d.hands }} min of hands, {{ hours.toFixed(1) }} h there</p>
      <ul>
        <li v-for="j in d.jobs" :key="j.id" class="one">
          <b class="ellipsis">{{ j.name ?? j.code }}</b><span class="label muted"
            >{{ j.promisedAt ?? 'by closing' }} · {{ handsOf(j) }} min left</span
          >
        </li>
      </ul>
    </section>
    <section class="card day">
      <div class="card-head"><h2>No day</h2></div>
      <ul>
        <li v-for="j in over" :key="j.id" class="one">
          <b class="ellipsis">{{ j.name ?? j.code }}</b><span class="label watch-text"
            >▲ promised {{ format(new Date(`${j.promisedOn}T12:00`), 'd MMM') }}</span
          >
        </li>
        <li v-for="j in none" :key="j.id" class="one">
          <b class="ellipsis">{{ j.name ?? j.code }}</b><span class="label muted"
            >no promise · {{ handsOf(j) }} min</span
          >
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.week {
  display: grid;
  grid-template-columns: repeat(8, minmax(0, 1fr));
  gap: 8px;
  flex: 1;
  min-height: 0;
  overflow: auto;
}
.day.today {
  border-color: var(--spruce);
  box-shadow: inset 0 3px var(--spruce);
}
.card-head {
  width: 100%;
  min-height: 44px;
}
.load {
  height: 10px;
  margin: 10px 12px 4px;
  background: var(--paper);
  border: 1px solid var(--hairline);
}
.load span {
  display: block;
  height: 100%;
  background: var(--spruce);
}
.pad {
  padding: 0 12px 6px;
}
.one {
  padding: 6px 12px;
  border-top: 1px solid var(--hairline);
  display: flex;
  flex-direction: column;
}
@media (max-width: 1100px) {
  .week {
    grid-template-columns: repeat(4, minmax(0, 1fr));
  }
}
</style>
