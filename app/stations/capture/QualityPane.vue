<script setup lang="ts">
import { ref } from 'vue'
import { VBtn, VCard, VDialog, VTable, VTextField } from 'vuetify/components'
import { CHECK_TABLE, type CheckCode } from '../../../core/tables/captureChecks'
import { normsOf } from '../../../core/record/tables'
import { WAYS } from '../../../core/capture/ways'
import { SIDES, type Side } from '../../../core/tables/vocabulary'
import SideMark from '~/components/SideMark.vue'
import StatusMark from '~/components/StatusMark.vue'
import FromBehind from '~/drawing/FromBehind.vue'
import type { CaptureState } from './useCapture'
import PlainButton from '~/components/PlainButton.vue'

/**
 * The quality table of both feet: value, limit, verdict, what to do. The open shape first, else
 * what was kept with the surface.
 */
const { state } = defineProps<{ state: CaptureState }>()
const { fitting, takes, redo, part } = state
const chosen = ref<CheckCode | null>(null)
const asking = ref<Side | null>(null)
const rejecting = ref<Side | null>(null)
const why = ref('')
interface Cell {
  verdict: 'good' | 'doubtful' | 'redo' | 'not seen'
  value?: number
  words: string
}
function cell(side: Side, code: CheckCode): Cell {
  const open = takes[side]?.analysis
  if (open) {
    const c = open.checks.find((x) => x.code === code)
    return (
      c ?? {
        verdict: 'not seen',
        words: open.notSeen.find((n) => n.code === code)?.because ?? 'not in view',
      }
    )
  }
  const kept = part(side).checks?.find((c) => c.code === code)
  return kept
    ? { verdict: kept.verdict, value: kept.value, words: kept.words }
    : { verdict: 'not seen', words: 'drawn from the readings, no shape was taken' }
}
const limit = (code: CheckCode) => normsOf(fitting.record).captureLimit[code]
const UNIT = { deg: '°', mm: ' mm', '%': ' %' } as const
const KIND = { good: 'good', doubtful: 'watch', redo: 'stop' } as const
const shown = (v: number | undefined, unit: keyof typeof UNIT) =>
  v === undefined
    ? ''
    : `${unit === '%' ? '' : v > 0 ? '+' : v < 0 ? '−' : ''}${Math.abs(v).toFixed(1)}${UNIT[unit]}`
const take = (side: Side) =>
  redo(side).length ? ((asking.value = side), (why.value = '')) : state.useSurface(side)
const REASONS: Partial<Record<CheckCode, string>> = Object.fromEntries(
  CHECK_TABLE.map((c) => [c.code, c.name]),
)
function overrule() {
  state.useSurface(asking.value!, why.value.trim())
  asking.value = null
}
function rejected(reason: string) {
  state.reject(rejecting.value!, reason)
  rejecting.value = null
}
</script>

<template>
  <section class="card quality" aria-label="Quality">
    <div class="card-head">
      <h2>Quality</h2>
      <span class="aside small">value · verdict · what to do</span>
    </div>
    <div v-for="side in SIDES" :key="side" class="way">
      <SideMark :side="side" word />
      <span class="what"
        ><b class="ellipsis">{{
          takes[side]
            ? takes[side]!.scan.name
            : part(side).surface
              ? part(side).surface!.name
              : WAYS[part(side).way].name
        }}</b>
        <small class="muted"
          >{{
            takes[side]
              ? `${takes[side]!.analysis.percent.toFixed(1)} % seen, ${takes[side]!.analysis.pointsPerCm2.toFixed(0)} points a cm²`
              : part(side).surface
                ? `kept by ${part(side).surface!.by ?? 'the fitter'}`
                : 'from the readings'
          }}<template v-if="part(side).takes?.length">
            · {{ part(side).takes!.filter((t) => t.kept).length }} kept,
            {{ part(side).takes!.filter((t) => !t.kept).length }} rejected</template
          ></small
        >
        <small v-if="part(side).overruled && !takes[side]" class="watch-text"
          >taken all the same: {{ part(side).overruled!.why }}</small
        ></span
      >
      <StatusMark
        v-if="takes[side] && part(side).surface?.scan === takes[side]!.scan.id"
        kind="good"
        word="taken"
      />
      <template v-else-if="takes[side] && !fitting.readOnly"
        ><VBtn
          height="44"
          :color="redo(side).length ? undefined : 'primary'"
          :variant="redo(side).length ? 'outlined' : 'flat'"
          @click="take(side)"
          >{{ redo(side).length ? 'Take all the same' : 'Take this surface' }}</VBtn
        ><VBtn
          height="44"
          :color="redo(side).length ? 'primary' : undefined"
          :variant="redo(side).length ? 'flat' : 'outlined'"
          @click="rejecting = side"
          >Redo</VBtn
        ></template
      >
    </div>
    <div class="scroll grow" tabindex="0" aria-label="Checks">
      <VTable class="table">
        <thead>
          <tr>
            <th>Check</th>
            <th><span class="left-hue">Left</span></th>
            <th><span class="right-hue">Right</span></th>
          </tr>
        </thead>
        <tbody>
          <template v-for="check in CHECK_TABLE" :key="check.code">
            <tr>
              <td>
                <PlainButton
                  class="name"
                  :aria-expanded="chosen === check.code"
                  @click="chosen = chosen === check.code ? null : check.code"
                >
                  <b>{{ check.name }}</b><small class="muted"
                    >{{ check.goodWhen }} {{ limit(check.code) }}{{ UNIT[check.unit] }}</small
                  >
                </PlainButton>
              </td>
              <td v-for="s in SIDES" :key="s" class="nowrap">
                <template v-if="cell(s, check.code).verdict === 'not seen'"
                  ><span class="muted">○ not seen</span></template
                ><template v-else
                  ><b class="value">{{ shown(cell(s, check.code).value, check.unit) }}</b
                  ><StatusMark
                    :kind="KIND[cell(s, check.code).verdict as keyof typeof KIND]"
                    :word="
                      { good: 'good', doubtful: 'doubtful', redo: 'redo' }[
                        cell(s, check.code).verdict as 'good'
                      ]
                    "
                /></template>
              </td>
            </tr>
            <tr
              v-for="s in SIDES.filter(
                (x) =>
                  chosen === check.code ||
                  ['redo', 'doubtful'].includes(cell(x, check.code).verdict),
              )"
              :key="`${check.code} ${s}`"
              class="say"
            >
              <td colspan="3">
                <SideMark :side="s" word /> {{ cell(s, check.code).words
                }}<FromBehind
                  v-if="
                    takes[s] && (check.code === 'heelUpright' || check.code === 'forefootAngle')
                  "
                  :side="s"
                  :analysis="takes[s]!.analysis"
                  :part="check.code === 'heelUpright' ? 'heel' : 'forefoot'"
                />
              </td>
            </tr>
          </template>
        </tbody>
      </VTable>
      <p class="small muted pad">
        A check that was not seen is neither good nor bad. Limits stand in the table of norms
        (Settings): {{ CHECK_TABLE[0]!.source }}, toes and dents own assumption. Values beyond 1.25
        times the limit say redo.
      </p>
    </div>
    <VDialog :model-value="asking !== null" max-width="480" @update:model-value="asking = null"
      ><VCard class="pane"
        ><h2>Take it all the same?</h2>
        <p>
          {{
            redo(asking ?? 'left')
              .map((c) => REASONS[c])
              .join(', ')
          }}: redo. A device made on this shape carries the fault.
        </p>
        <label
          ><span class="muted small">Why it is taken nevertheless</span
          ><VTextField v-model="why" maxlength="300" @keydown.enter="why.trim() && overrule()"
        /></label>
        <div class="acts">
          <VBtn color="primary" variant="flat" :disabled="!why.trim()" @click="overrule"
            >Take with this reason</VBtn
          ><VBtn @click="asking = null">Back</VBtn>
        </div></VCard
      ></VDialog
    >
    <VDialog
      :model-value="rejecting !== null"
      max-width="480"
      @update:model-value="rejecting = null"
      ><VCard class="pane"
        ><h2>Why again?</h2>
        <div class="why">
          <VBtn
            v-for="c in [
              ...new Set([
                ...redo(rejecting ?? 'left').map((x) => REASONS[x]!),
                'Moved',
                'Wrong foot',
                'Holes',
              ]),
            ]"
            :key="c"
            height="48"
            @click="rejected(c)"
            >{{ c }}</VBtn
          >
        </div>
        <p class="small muted">The original stays with its reason.</p>
        <VBtn @click="rejecting = null">Back</VBtn></VCard
      ></VDialog
    >
  </section>
</template>

<style scoped>
.quality {
  display: flex;
  flex-direction: column;
  min-height: 0;
}
.way {
  display: flex;
  gap: 8px;
  align-items: center;
  padding: 6px 14px;
  border-bottom: 1px solid var(--hairline);
}
.what {
  flex: 1;
  min-width: 0;
}
.what small,
.what b {
  display: block;
}
.table {
  table-layout: fixed;
}
.table td {
  padding: 3px 10px;
}
.table th {
  padding: 5px 10px;
}
.table th:first-child {
  width: 36%;
}
.table td.nowrap {
  padding: 3px 4px;
}
.name {
  display: block;
  min-height: 34px;
  width: 100%;
}
.name small {
  display: block;
  line-height: 14px;
}
.value {
  display: inline-block;
  min-width: 54px;
  text-align: right;
  margin-right: 6px;
}
.say td {
  border-top: 0;
  padding: 0 12px 7px;
  font-size: 13px;
}
.pad {
  padding: 8px 14px;
}
.pane {
  padding: 18px;
  display: flex;
  flex-direction: column;
  gap: 12px;
}
.acts {
  display: flex;
  gap: 8px;
}
.why {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
}
</style>
