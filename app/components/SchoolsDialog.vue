<script setup lang="ts">
import { computed } from 'vue'
import { VBtn, VCard, VDialog } from 'vuetify/components'
import { changeWords } from '../../core/advice/changeWords'
import { bySchool } from '../../core/advice/bySchool'
import type { School } from '../../core/tables/vocabulary'
import { useFitting } from '~/stores/fitting'
import { SCHOOL_WORDS } from './schoolWords'
import SideMark from './SideMark.vue'
import StatusMark from './StatusMark.vue'

/** What would each school do: the same feet read by all five, where they agree and where not. */
const open = defineModel<boolean>({ required: true })
const fitting = useFitting()
const read = computed(() => (open.value ? bySchool(fitting.record) : null))
const NAMES = Object.fromEntries(
  Object.entries(SCHOOL_WORDS).map(([school, { name, looks }]) => [school, [name, looks]]),
) as unknown as Record<School, [string, string]>
const list = (schools: readonly School[]) => schools.map((s) => NAMES[s][0]).join(' and ')
</script>

<template>
  <VDialog v-model="open" max-width="1180">
    <VCard v-if="read" class="pane">
      <div class="head">
        <h2>What would each school do?</h2>
        <span class="muted small"
          >{{
            fitting.record.story?.school
              ? `This fitting follows ${NAMES[fitting.record.story.school][0]}`
              : 'No school chosen in Story'
          }}
          · cautions are the same for all</span
        ><VBtn class="end" @click="open = false">Close</VBtn>
      </div>
      <p v-if="read.agree.length || read.against.length" class="sums">
        <span v-for="a in read.agree" :key="`${a.foot}${a.what}`" class="chip"
          ><b>agree</b> <SideMark v-if="a.foot !== 'both'" :side="a.foot" />{{ a.what }}:
          {{ list(a.schools) }}</span
        >
        <span v-for="a in read.against" :key="`x${a.foot}`" class="chip watch-text"
          ><b>▲ against each other</b> <SideMark v-if="a.foot !== 'both'" :side="a.foot" />{{
            a.what
          }}</span
        >
      </p>
      <p v-else class="muted small">No two schools propose the same change here.</p>
      <div class="cols five">
        <section
          v-for="view in read.views"
          :key="view.school"
          class="col"
          :class="{ own: view.school === fitting.record.story?.school }"
        >
          <h3>{{ NAMES[view.school][0] }}</h3>
          <p class="muted small">{{ NAMES[view.school][1] }}</p>
          <p v-if="view.entries.length === 0" class="muted none">
            Would leave these feet as they are.
          </p>
          <article v-for="e in view.entries" :key="`${e.code}${e.foot}`" class="entry">
            <div class="top">
              <StatusMark :kind="e.kind" /><SideMark v-if="e.foot !== 'both'" :side="e.foot" /><span
                v-if="e.met"
                class="muted small"
                >✓ in the device</span
              ><span v-else-if="e.lesser" class="muted small">lesser measure</span>
            </div>
            <p>{{ e.words }}</p>
            <p v-if="changeWords(e.change, fitting.norms)" class="muted small">
              → {{ changeWords(e.change, fitting.norms) }}
            </p>
          </article>
        </section>
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
  max-height: 86vh;
}
.head {
  display: flex;
  gap: 12px;
  align-items: center;
}
.end {
  margin-left: auto;
}
.sums {
  display: flex;
  gap: 6px;
  flex-wrap: wrap;
}
.sums .chip {
  white-space: normal;
}
.five {
  grid-template-columns: repeat(5, minmax(0, 1fr));
  gap: 0;
  overflow: auto;
  border: 1px solid var(--hairline);
  border-radius: 6px;
}
.col {
  padding: 10px 12px;
  border-right: 1px solid var(--hairline);
}
.col:last-child {
  border: 0;
}
.own {
  box-shadow: inset 0 4px var(--spruce);
}
h3 {
  font-size: 15px;
  font-weight: 700;
  margin: 0;
  line-height: 19px;
}
.entry {
  border-top: 1px solid var(--hairline);
  padding: 8px 0;
  margin-top: 8px;
  font-size: 13px;
  line-height: 17px;
}
.top {
  display: flex;
  gap: 6px;
  align-items: center;
}
.none {
  padding: 14px 0;
  font-size: 13px;
}
@media (max-width: 900px) {
  .five {
    grid-template-columns: 1fr !important;
  }
  .col {
    border-right: 0;
    border-bottom: 1px solid var(--hairline);
  }
}
</style>
