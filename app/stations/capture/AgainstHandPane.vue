<script setup lang="ts">
import { READINGS } from '../../../core/kinds/readings/all'
import { computed, ref } from 'vue'
import { VBtn, VTable } from 'vuetify/components'
import { againstHand } from '../../../core/capture/againstHand'
import { normsOf } from '../../../core/record/tables'
import { SIDES, type Side } from '../../../core/tables/vocabulary'
import SideMark from '~/components/SideMark.vue'
import StatusMark from '~/components/StatusMark.vue'
import type { CaptureState } from './useCapture'
import PlainButton from '~/components/PlainButton.vue'

/** What was read off the open scan beside the hand's readings, and who moved which landmark. */
const { state } = defineProps<{ state: CaptureState }>()
const { fitting, takes, moved, part } = state
const side = ref<Side>(takes.left || !takes.right ? 'left' : 'right')
const rows = computed(() =>
  takes[side.value]
    ? againstHand(
        fitting.record.feet[side.value]!,
        takes[side.value]!.analysis.readings,
        part(side.value).load,
        normsOf(fitting.record),
      )
    : [],
)
const extra = computed(() => {
  const r = takes[side.value]?.analysis.readings
  if (!r) return []
  return [
    ['Forefoot to heel', r.forefootDeg, '°'],
    ['Heel bisection to leg', r.heelBisectionDeg, '°'],
    ['Arch apex over the floor', r.archApexMm, ' mm'],
  ].filter((x) => x[1] !== undefined) as [string, number, string][]
})
const said = ref('')
</script>

<template>
  <section class="card against" aria-label="Scan against hand">
    <div class="head">
      <span role="group" aria-label="Foot" class="sides"
        ><PlainButton
          v-for="s in SIDES"
          :key="s"
          class="pick"
          :aria-pressed="side === s"
          @click="side = s"
        >
          <SideMark :side="s" word /></PlainButton
      ></span>
      <h2>Scan against hand</h2>
    </div>
    <p v-if="!takes[side]" class="muted small pad">
      No {{ side }} scan is open. Bring one in, or look at a kept one, under Scans.
    </p>
    <div v-else class="scroll grow" tabindex="0" aria-label="Readings">
      <VTable class="table">
        <thead>
          <tr>
            <th>Reading, mm</th>
            <th>Scan</th>
            <th>Hand</th>
            <th>Gap</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="r in rows" :key="r.what" :class="{ 'watch-row': r.apart && !r.otherLoad }">
            <td>{{ READINGS.of(r.what).name }}</td>
            <td>
              <b>{{ r.scanMm.toFixed(1) }}</b>
            </td>
            <td class="muted">
              {{
                r.hand
                  ? `${r.hand.meanMm.toFixed(1)} ${r.hand.posture}, ${r.hand.trials} ${r.hand.trials === 1 ? 'trial' : 'trials'} ±${(r.hand.spreadMm / 2).toFixed(1)}`
                  : '–'
              }}
            </td>
            <td class="nowrap">
              <template v-if="r.gapMm !== null"
                ><StatusMark
                  :kind="r.apart ? (r.otherLoad ? 'suggest' : 'watch') : 'good'"
                  :word="`${r.gapMm > 0 ? '+' : '−'}${Math.abs(r.gapMm).toFixed(1)}${r.apart && r.otherLoad ? ', other load' : ''}`"
              /></template>
            </td>
          </tr>
          <tr v-for="[name, value, unit] in extra" :key="name">
            <td>{{ name }}</td>
            <td>
              <b>{{ value.toFixed(1) }}{{ unit }}</b>
            </td>
            <td class="muted" colspan="2">as the sole shows it</td>
          </tr>
        </tbody>
      </VTable>
      <p class="small muted pad">
        One trial off the surface. A gap beyond the spread that repeats allow is a caution: look at
        the landmark, then at the hand reading. Under another load a gap may be real.
      </p>
      <p v-if="moved[side].length" class="small pad">
        <b>Moved by hand:</b>
        <span v-for="m in moved[side]" :key="m.name"
          >{{ m.name }} ({{ m.by }}, {{ m.at?.slice(11, 16) }})
        </span>
      </p>
    </div>
    <div v-if="takes[side]" class="acts">
      <VBtn
        color="primary"
        variant="flat"
        height="48"
        :disabled="fitting.readOnly"
        @click="said = state.keepReadings(side)"
        >Keep as trials of the scan</VBtn
      ><VBtn
        height="48"
        :disabled="fitting.readOnly || moved[side].length === 0"
        @click="state.resetLandmarks(side)"
        >Find landmarks anew</VBtn
      >
    </div>
    <p v-if="said" class="small pad good-text" role="status">{{ said }}</p>
  </section>
</template>

<style scoped>
.against {
  display: flex;
  flex-direction: column;
  min-height: 0;
}
.head {
  display: flex;
  gap: 10px;
  align-items: center;
  padding: 8px 12px;
  border-bottom: 1px solid var(--hairline);
}
.sides {
  display: flex;
  gap: 4px;
}
.pick {
  min-height: 44px;
  padding: 0 8px;
  border: 1px solid var(--line-strong);
  border-radius: 6px;
}
.pick[aria-pressed='true'] {
  background: var(--wash);
  border-color: var(--spruce);
}
.table td {
  padding: 5px 10px;
}
.pad {
  padding: 8px 14px;
}
.acts {
  display: flex;
  gap: 8px;
  padding: 8px 12px;
  border-top: 1px solid var(--hairline);
}
</style>
