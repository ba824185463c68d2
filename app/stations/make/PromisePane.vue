<script setup lang="ts">
import { VSelect } from 'vuetify/components'
import DayField from '~/components/DayField.vue'
import { computed, ref } from 'vue'
import { deviceKindWords } from '../../../core/device/deviceWords'
import { processFor } from '../../../core/bench/jobSteps'
import type { Making } from '../../../core/record/schema'
import { SIDES } from '../../../core/tables/vocabulary'
import DraftField from '~/components/DraftField.vue'
import { useFitting } from '~/stores/fitting'
import { useChanges } from '~/stores/changes'
import PlainButton from '~/components/PlainButton.vue'
import { namedChoices } from '~/browser/choices'
import MadeAt from './MadeAt.vue'
import AddFrom from '~/components/AddFrom.vue'

/** When it was promised, on which day it is made, and in which way. */
const { disabled } = defineProps<{ disabled: boolean }>()
const fitting = useFitting()
const changes = useChanges()
const trouble = ref('')
const making = computed<Making>(() => fitting.record.making ?? {})
const processes = computed(() => fitting.tables.processes)
const kinds = computed(
  () =>
    [
      ...new Set(
        SIDES.map((s) => fitting.record.feet[s]?.device?.kind).filter((k) => k && k !== 'none'),
      ),
    ] as string[],
)
const waysOf = (kind: string) => processes.value.filter((p) => p.makes?.includes(kind as never))
const addable = computed(() =>
  processes.value.filter(
    (p) => !p.makes?.length && !p.works?.length && !making.value.extra?.includes(p.id),
  ),
)
function put(part: Partial<Making>, words: string) {
  const next = Object.fromEntries(
    Object.entries({ ...making.value, ...part }).filter(([, v]) => v !== undefined && v !== ''),
  ) as Making
  trouble.value = changes.put('making', next, words) ?? ''
}
function at(text: string) {
  if (text && !/^([01]\d|2[0-3]):[0-5]\d$/.test(text.trim()))
    return void (trouble.value = `“${text}” is not a time. Write it as HH:MM.`)
  put({ promisedAt: text.trim() || undefined }, 'promised time')
}
</script>

<template>
  <section class="card">
    <div class="card-head">
      <h2>Promise and way</h2>
      <NuxtLink class="aside" to="/bench">Bench day</NuxtLink>
    </div>
    <div class="card-body form">
      <p v-if="trouble" class="small stop-text" role="alert">{{ trouble }}</p>
      <div class="line">
        <DayField
          class="grow"
          label="Promised for"
          :model-value="making.promisedOn"
          :disabled
          @update:model-value="(day) => put({ promisedOn: day }, 'promised for')"
        />
        <label
          ><span class="small muted">at</span
          ><DraftField
            class="time"
            placeholder="closing"
            :value="making.promisedAt"
            :disabled
            aria-label="Promised time"
            @keep="at"
        /></label>
      </div>
      <DayField
        label="Day on the bench, if another"
        :model-value="making.benchOn"
        :disabled
        @update:model-value="(day) => put({ benchOn: day }, 'day on the bench')"
      />
      <MadeAt :disabled />
      <template v-for="k in kinds" :key="k"
        ><label v-if="waysOf(k).length > 1"
          ><span class="small muted">{{ deviceKindWords(k as never) }}, made as</span
          ><VSelect
            :items="namedChoices(waysOf(k))"
            :model-value="processFor(k, processes, making.ways)?.id"
            :disabled
            :aria-label="`Way of making ${k}`"
            @update:model-value="
              (id: string) => put({ ways: { ...making.ways, [k]: id } }, 'way of making')
            " /></label
      ></template>
      <div v-for="id in making.extra ?? []" :key="id" class="line">
        <span class="grow">+ {{ processes.find((p) => p.id === id)?.name ?? id }}</span
        ><PlainButton
          class="link"
          :disabled
          @click="put({ extra: making.extra!.filter((e) => e !== id) }, 'process out')"
        >
          take out
        </PlainButton>
      </div>
      <AddFrom
        v-if="addable.length"
        words="Add a process"
        :items="namedChoices(addable)"
        :disabled
        @add="(id: string) => put({ extra: [...(making.extra ?? []), id] }, 'process added')"
      />
    </div>
  </section>
</template>

<style scoped>
.form {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.line {
  display: flex;
  gap: 8px;
  align-items: end;
}
.time {
  width: 110px;
}
.link {
  text-decoration: underline;
  min-height: 44px;
}
</style>
