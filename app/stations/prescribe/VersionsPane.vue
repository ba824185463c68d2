<script setup lang="ts">
import { format } from 'date-fns'
import { computed, ref } from 'vue'
import { VBtn, VTable, VTextField } from 'vuetify/components'
import { deviceDiff } from '../../../core/device/deviceDiff'
import { SIDES, type Side } from '../../../core/tables/vocabulary'
import SideMark from '~/components/SideMark.vue'
import type { useStudio } from './useStudio'
import PlainButton from '~/components/PlainButton.vue'

/**
 * Versions of each foot's device: kept with why, each against the one before it, and the way back
 * to any of them.
 */
const { studio } = defineProps<{ studio: ReturnType<typeof useStudio> }>()
const { fitting } = studio
const words = ref('')
const said = ref('')
function keep() {
  const kept = SIDES.filter(
    (s) =>
      fitting.record.feet[s]!.device && studio.keepVersion(s, words.value.trim() || 'kept by hand'),
  )
  said.value = kept.length
    ? `Kept: ${kept.join(' and ')}.`
    : 'Nothing has changed since the last version.'
  if (kept.length) words.value = ''
}
const list = computed(() =>
  SIDES.flatMap((side) => {
    const all = studio.versions(side)
    const now = fitting.record.feet[side]!.device ?? null
    return all.map((v, i) => ({
      side,
      i,
      v,
      diff: deviceDiff(all[i - 1]?.device ?? null, v.device, fitting.norms),
      since: i === all.length - 1 ? deviceDiff(v.device, now, fitting.norms) : null,
      first: i === 0,
    }))
  }).sort((a, b) => (b.v.at ?? '').localeCompare(a.v.at ?? '') || a.side.localeCompare(b.side)),
)
const unsaved = (side: Side) => list.value.find((x) => x.side === side && x.since)?.since ?? []
const when = (at?: string) => (at ? format(new Date(at), 'd MMM yyyy, HH:mm') : '')
</script>

<template>
  <div class="versions">
    <form class="head" @submit.prevent="keep">
      <VTextField
        v-model="words"
        maxlength="200"
        aria-label="Why this version"
        placeholder="why, e.g. after the try-on"
        :disabled="fitting.readOnly"
      /><VBtn type="submit" color="primary" variant="flat" :disabled="fitting.readOnly"
        >Keep as version</VBtn
      >
    </form>
    <p v-if="said" class="small said" role="status">{{ said }}</p>
    <div class="scroll body">
      <section v-for="side in SIDES" v-show="unsaved(side).length" :key="side" class="version now">
        <h3><SideMark :side="side" word /> now, not kept yet</h3>
        <VTable>
          <tr v-for="c in unsaved(side)" :key="c.what">
            <th>{{ c.what }}</th>
            <td>{{ c.before }}</td>
            <td aria-hidden="true">→</td>
            <td>
              <b>{{ c.after }}</b>
            </td>
          </tr>
        </VTable>
      </section>
      <section v-for="x in list" :key="`${x.side}${x.i}`" class="version">
        <h3>
          <SideMark :side="x.side" word /> version {{ x.i + 1 }}
          <span class="muted small">{{ when(x.v.at) }}{{ x.v.by ? `, ${x.v.by}` : '' }}</span
          ><PlainButton
            class="back"
            :disabled="fitting.readOnly || !x.v.device"
            @click="studio.replace(x.side, x.v.device!, `back to version ${x.i + 1}`)"
          >
            Go back to it
          </PlainButton>
        </h3>
        <p v-if="x.v.words" class="small">{{ x.v.words }}</p>
        <VTable>
          <tr v-for="c in x.diff" :key="c.what">
            <th>{{ c.what }}</th>
            <td v-if="!x.first">{{ c.before }}</td>
            <td v-if="!x.first" aria-hidden="true">→</td>
            <td>
              <b>{{ c.after }}</b>
            </td>
          </tr>
        </VTable>
        <p v-if="x.diff.length === 0" class="small muted">the same as the one before</p>
      </section>
      <p v-if="list.length === 0" class="muted empty">
        No versions yet. One is kept by itself before a device is replaced; keep one by hand when
        the client tries it on.
      </p>
    </div>
  </div>
</template>

<style scoped>
.versions {
  display: flex;
  flex-direction: column;
  height: 100%;
  min-height: 0;
}
.head {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 8px;
  padding: 8px;
  border-bottom: 1px solid var(--hairline);
}
.said {
  padding: 4px 10px;
}
.body {
  flex: 1;
  min-height: 0;
}
.version {
  padding: 6px 10px 8px;
  border-bottom: 1px solid var(--hairline);
}
.version.now {
  background: var(--wash);
}
h3 {
  font-size: 14px;
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 36px;
}
.back {
  margin-left: auto;
  min-height: 36px;
  padding: 0 10px;
  border: 1px solid var(--line-strong);
  border-radius: 4px;
  background: var(--sheet);
  font-size: 13px;
}
table {
  font-size: 13px;
  border-collapse: collapse;
}
th {
  text-align: left;
  font-weight: 500;
  padding: 1px 10px 1px 0;
  vertical-align: top;
}
td {
  padding: 1px 8px 1px 0;
  vertical-align: top;
}
.empty {
  padding: 14px;
}
</style>
