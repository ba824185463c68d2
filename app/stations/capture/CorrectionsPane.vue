<script setup lang="ts">
import { LAYERS } from '../../../core/kinds/layers/all'
import { computed, ref, shallowRef, watch } from 'vue'
import { VBtn, VTable } from 'vuetify/components'
import { proposedCorrections } from '../../../core/capture/wayCorrections'
import { WAYS } from '../../../core/capture/ways'
import { CORRECTIONS } from '../../../core/device/castCorrections'
import type { SurfaceChange } from '../../../core/device/surfaceChange'
import { deviceRows } from '../../../core/device/deviceRows'
import { normsOf } from '../../../core/record/tables'
import {
  CORRECTION_KINDS,
  type Correction,
  type CorrectionKind,
} from '../../../core/record/captureSchema'
import { SIDES, type Side } from '../../../core/tables/vocabulary'
import AmountStepper from '~/components/AmountStepper.vue'
import SideMark from '~/components/SideMark.vue'
import { deviceWorker, newestWins } from '~/workers/deviceWorker'
import type { CaptureState } from './useCapture'
import PlainButton from '~/components/PlainButton.vue'

/** Corrections of the captured sole as layers with amounts, and what devices are built on. */
const { state } = defineProps<{ state: CaptureState }>()
const { fitting, part, put } = state
const side = ref<Side>('left')
const list = computed(() => part(side.value).corrections ?? [])
const set = (kind: CorrectionKind, change: Partial<Correction>) =>
  put(
    side.value,
    {
      corrections: list.value.some((c) => c.kind === kind)
        ? list.value.map((c) => (c.kind === kind ? { ...c, ...change } : c))
        : [...list.value, { kind, amountMm: 0, on: true, ...change }],
    },
    `${CORRECTIONS[kind].name.toLowerCase()}`,
  )
const amount = (kind: CorrectionKind) => list.value.find((c) => c.kind === kind)
const proposed = computed(() =>
  proposedCorrections(fitting.record.feet[side.value]!, part(side.value), normsOf(fitting.record)),
)
const change = shallowRef<SurfaceChange | null>(null)
const ask = newestWins(
  (foot: string) => deviceWorker().change(JSON.parse(foot), deviceRows(fitting.norms)),
  (answer) => (change.value = answer),
)
watch(() => JSON.stringify(fitting.record.feet[side.value]), ask, { immediate: true })
const two = (v: number) => v.toFixed(1)
const signed = (v: number) => `${v > 0 ? '+' : v < 0 ? '−' : ''}${Math.abs(v).toFixed(1)}`
</script>

<template>
  <section class="card corrections" aria-label="Corrections">
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
      <h2>Corrections</h2>
    </div>
    <div class="scroll grow" tabindex="0" aria-label="Layers of the captured sole">
      <p v-if="!part(side).surface" class="small watch-text pad">
        ▲ No captured surface is kept for this foot yet: devices are built on the readings. Take one
        under Quality, then correct it here.
      </p>
      <p class="small muted pad">
        {{ WAYS[part(side).way].name }}: {{ WAYS[part(side).way].does }}
      </p>
      <ul>
        <li v-for="kind in CORRECTION_KINDS" :key="kind" class="line">
          <PlainButton
            class="sw"
            role="switch"
            :aria-checked="!!amount(kind)?.on && amount(kind)!.amountMm > 0"
            :disabled="fitting.readOnly || !amount(kind)"
            :aria-label="`${CORRECTIONS[kind].name} ${side}`"
            @click="set(kind, { on: !amount(kind)!.on })"
          >
            {{ amount(kind)?.on && amount(kind)!.amountMm > 0 ? '●' : '○' }}
          </PlainButton>
          <span class="what"
            ><b>{{ CORRECTIONS[kind].name }}</b
            ><small class="muted"
              >{{ CORRECTIONS[kind].does
              }}<template v-if="proposed.find((p) => p.kind === kind)">
                · for this way
                {{ two(proposed.find((p) => p.kind === kind)!.amountMm) }} mm</template
              ></small
            ></span
          >
          <AmountStepper
            :value="amount(kind)?.amountMm ?? null"
            unit="mm"
            :step="0.5"
            :min="0"
            :max="10"
            :start="1"
            :label="`${CORRECTIONS[kind].name} ${side}`"
            :disabled="fitting.readOnly || !part(side).surface"
            @keep="set(kind, { amountMm: $event, on: true })"
          />
        </li>
      </ul>
      <div v-if="part(side).surface" class="on">
        <p><b>Devices are built on</b></p>
        <span role="group" aria-label="Devices are built on" class="sides"
          ><PlainButton
            v-for="u in ['captured', 'readings'] as const"
            :key="u"
            class="pick"
            :disabled="fitting.readOnly"
            :aria-pressed="part(side).use === u"
            @click="put(side, { use: u }, `devices built on ${u}`)"
          >
            {{ u === 'captured' ? 'Captured surface' : 'Readings' }}
          </PlainButton></span
        >
        <VTable v-if="change" class="table">
          <caption class="small muted">
            What the captured surface changes; layers stay as they are
          </caption>
          <thead>
            <tr>
              <th>mm</th>
              <th>Readings</th>
              <th>Captured</th>
              <th>Change</th>
            </tr>
          </thead>
          <tbody>
            <tr
              v-for="[name, [x, y]] in [
                ['Length', change.lengthMm],
                ['Forefoot width', change.forefootWidthMm],
                ['Heel width', change.heelWidthMm],
              ] as const"
              :key="name"
            >
              <td>{{ name }}</td>
              <td>{{ two(x) }}</td>
              <td>{{ two(y) }}</td>
              <td>{{ signed(y - x) }}</td>
            </tr>
            <tr v-for="p in change.at" :key="p.place">
              <td>Top under {{ p.place }}</td>
              <td>{{ two(p.before) }}</td>
              <td>{{ two(p.after) }}</td>
              <td>{{ signed(p.after - p.before) }}</td>
            </tr>
            <tr v-for="l in change.layers" :key="l.kind">
              <td>{{ LAYERS.of(l.kind).name }}, peak</td>
              <td>{{ two(l.before) }}</td>
              <td>{{ two(l.after) }}</td>
              <td>{{ signed(l.after - l.before) }}</td>
            </tr>
            <tr>
              <td>Largest under the shell</td>
              <td colspan="2" class="muted">
                {{ change.largest.yMm.toFixed(0) }} mm from the heel,
                {{ Math.abs(change.largest.xMm).toFixed(0) }}
                {{ change.largest.xMm >= 0 ? 'inward' : 'outward' }}
              </td>
              <td>{{ signed(change.largest.mm) }}</td>
            </tr>
          </tbody>
        </VTable>
      </div>
    </div>
    <div v-if="part(side).surface" class="acts">
      <VBtn
        height="44"
        :disabled="fitting.readOnly"
        @click="put(side, { corrections: proposed }, 'corrections of the way')"
        >Amounts of this way</VBtn
      >
    </div>
  </section>
</template>

<style scoped>
.corrections {
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
  padding: 0 10px;
  border: 1px solid var(--line-strong);
  border-radius: 6px;
}
.pick[aria-pressed='true'] {
  background: var(--wash);
  border-color: var(--spruce);
  font-weight: 700;
}
.line {
  display: grid;
  grid-template-columns: 44px 1fr 168px;
  gap: 8px;
  align-items: center;
  padding: 4px 12px;
  border-top: 1px solid var(--hairline);
}
.sw {
  min-height: 44px;
  font-size: 20px;
  text-align: center;
  color: var(--spruce);
}
.what small,
.what b {
  display: block;
  line-height: 16px;
}
.on {
  padding: 10px 14px;
  border-top: 1px solid var(--hairline);
  display: flex;
  flex-direction: column;
  gap: 6px;
}
.on caption {
  text-align: left;
  padding: 6px 0 2px;
}
.on td,
.on th {
  padding: 3px 8px;
}
.pad {
  padding: 8px 14px;
}
.acts {
  padding: 8px 12px;
  border-top: 1px solid var(--hairline);
}
</style>
