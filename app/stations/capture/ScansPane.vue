<script setup lang="ts">
import { MESH_FORMATS, MESH_KINDS } from '../../../core/formats/mesh/formats/all'
import { ref } from 'vue'
import { VBtn, VSelect } from 'vuetify/components'
import { CHECK_TABLE } from '../../../core/tables/captureChecks'
import { UNITS } from '../../../core/geometry/units'
import { SIDES, type Side } from '../../../core/tables/vocabulary'
import SideMark from '~/components/SideMark.vue'
import type { CaptureState, ListedScan } from './useCapture'
import PlainButton from '~/components/PlainButton.vue'
import FileField from '~/components/FileField.vue'

/**
 * Scans in: dropped or chosen, read in a worker, side and unit asked, stored byte for byte with
 * their hash.
 */
const { state } = defineProps<{ state: CaptureState }>()
const { fitting, scans, trouble, stage, asked, takes } = state
const over = ref(false)
const field = ref<InstanceType<typeof FileField> | null>(null)
/**
 * The stand-in scanner: its file takes the same way in as any other; a fault can be made for
 * training.
 */
const seed = ref(1)
const fault = ref('')
async function scanFoot(side: Side) {
  trouble.value = ''
  const query = new URLSearchParams({
    fitting: fitting.id,
    side,
    seed: String(seed.value),
    ...(fault.value && { fault: fault.value }),
  })
  const answer = await fetch(`/api/standins/scan?${query}`)
  if (!answer.ok) {
    trouble.value = ((await answer.json()) as { detail: string }).detail
    return
  }
  state.take([new File([await answer.arrayBuffer()], `${side} stand-in ${seed.value++}.stl`)])
}
const drop = (scan: ListedScan) =>
  state.drop(scan).catch((error: Error) => (trouble.value = error.message))
const megabytes = (size: number) => `${(size / 1e6).toFixed(size < 1e6 ? 2 : 1)} MB`
function dropped(event: DragEvent) {
  over.value = false
  if (!fitting.readOnly) state.take(event.dataTransfer?.files ?? [])
}
const FAULTS = [
  { value: '', title: 'well held' },
  ...CHECK_TABLE.map((c) => ({ value: c.code, title: `fault: ${c.name.toLowerCase()}` })),
]
const ENDINGS = MESH_FORMATS.map((kind) => `.${kind}`).join(',')
const NAMES = MESH_KINDS.all.map((format) => format.name).join(', ')
</script>

<template>
  <section
    class="card scans"
    aria-label="Scans"
    @dragover.prevent="over = true"
    @dragleave="over = false"
    @drop.prevent="dropped"
  >
    <div class="card-head">
      <h2>Scans</h2>
      <span class="aside small">{{ NAMES }} · the original is kept as it is</span>
    </div>
    <p v-if="trouble" class="notice stop" role="alert">{{ trouble }}</p>
    <div v-if="stage" class="stage" role="status">
      <span class="ellipsis"
        ><b>{{ stage.name }}</b> {{ stage.words }}</span
      ><progress :value="stage.share ?? undefined" max="1" :aria-label="stage.words" /><VBtn
        height="44"
        @click="stage.cancel()"
        >Cancel</VBtn
      >
    </div>
    <div v-else-if="asked" class="ask">
      <p>
        <b class="ellipsis">{{ asked.file.name }}</b> {{ asked.found.format.toUpperCase() }},
        {{
          asked.found.triangles
            ? `${asked.found.triangles.toLocaleString('en')} triangles`
            : `${asked.found.points.toLocaleString('en')} points`
        }}
      </p>
      <p class="small muted">
        {{ asked.found.sizeMm.map((v) => v.toFixed(0)).join(' × ') }} mm in {{ asked.unit
        }}<template v-for="n in asked.found.notes" :key="n"> · {{ n }}</template>
      </p>
      <p
        v-if="asked.found.why"
        class="small"
        :class="asked.found.twoFeet ? 'watch-text' : 'stop-text'"
        role="alert"
      >
        {{ asked.found.why }}
      </p>
      <div class="pick">
        <span role="group" aria-label="Which foot"
          ><PlainButton
            v-for="s in SIDES"
            :key="s"
            class="opt"
            :aria-pressed="asked.side === s"
            @click="state.again({ side: s })"
          >
            <SideMark :side="s" word /></PlainButton
        ></span>
        <span v-if="asked.found.side" class="small muted">{{
          asked.found.sideSure
            ? `looks like a ${asked.found.side} foot`
            : `perhaps a ${asked.found.side} foot: please say`
        }}</span>
        <span
          v-if="
            asked.side &&
            asked.found.side &&
            asked.found.sideSure &&
            asked.side !== asked.found.side
          "
          class="small watch-text"
          >▲ the shape looks like the other foot</span
        >
      </div>
      <div class="pick">
        <span role="group" aria-label="Unit"
          ><PlainButton
            v-for="u in UNITS"
            :key="u"
            class="opt"
            :aria-pressed="asked.unit === u"
            @click="state.again({ unit: u })"
          >
            {{ u }}
          </PlainButton></span
        >
        <span class="small muted">{{
          asked.found.unitInFile
            ? 'named in the file'
            : asked.found.guess
              ? 'guessed from its size'
              : 'no unit fits a foot: choose'
        }}</span>
      </div>
      <div class="pick">
        <VBtn
          height="48"
          color="primary"
          variant="flat"
          :disabled="!asked.side || (!!asked.found.why && !asked.found.twoFeet)"
          @click="state.keep()"
          >{{ asked.side ? `Keep as ${asked.side} scan` : 'Which foot?' }}</VBtn><VBtn
          height="48"
          @click="state.leave()"
          >Leave it</VBtn
        >
      </div>
    </div>
    <div v-else class="bring">
      <PlainButton
        class="drop"
        :class="{ over }"
        :disabled="fitting.readOnly"
        @click="field?.open()"
      >
        {{ over ? 'Let go here' : 'Drop scans here, or tap to choose' }}</PlainButton><VBtn
        v-for="s in SIDES"
        :key="s"
        height="64"
        :disabled="fitting.readOnly"
        @click="scanFoot(s)"
        >Scan {{ s }}<small class="muted">stand-in</small></VBtn
      >
      <label class="train small"
        ><span class="muted">Stand-in for training:</span
        ><VSelect
          v-model="fault"
          :items="FAULTS"
          :disabled="fitting.readOnly"
          aria-label="Fault of the stand-in scan"
      /></label>
    </div>
    <FileField
      ref="field"
      label="Scan files"
      :accept="ENDINGS"
      multiple
      hidden
      @files="state.take"
    />
    <ul class="scroll list grow">
      <li v-if="scans.length === 0" class="muted small none">
        No scan of these feet yet. Drop a file, or let the stand-in scan a foot.
      </li>
      <li
        v-for="s in scans"
        :key="s.id"
        :class="{ open: s.side && takes[s.side]?.scan.id === s.id }"
      >
        <SideMark v-if="s.side" :side="s.side" word /><span class="what"
          ><b class="ellipsis">{{ s.name }}</b
          ><small class="muted"
            >{{ s.format.toUpperCase() }} in {{ s.unit }},
            {{
              s.triangles
                ? `${s.triangles.toLocaleString('en')} triangles`
                : `${s.points.toLocaleString('en')} points`
            }}, {{ megabytes(s.size) }}<br />{{ s.madeBy }}, {{ s.madeAt.slice(0, 10) }} · hash
            {{ s.sha256.slice(0, 8) }}</small
          ><small v-if="s.onItsWay" class="watch-text" role="status"
            >▲ {{ s.onItsWay.words
            }}<progress
              v-if="s.onItsWay.share !== null"
              :value="s.onItsWay.share"
              max="1"
              :aria-label="`${s.name} on its way`" /></small
        ></span>
        <VBtn size="small" height="44" :disabled="!!stage" @click="state.look(s)">Look</VBtn
        ><VBtn
          size="small"
          height="44"
          :href="`/api/scans/${s.id}`"
          :disabled="s.onItsWay !== null"
          :aria-label="`Original of ${s.name}`"
          >Original</VBtn
        ><PlainButton
          class="x"
          :disabled="fitting.readOnly"
          :aria-label="`Take ${s.name} out`"
          @click="drop(s)"
        >
          ×
        </PlainButton>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.scans {
  display: flex;
  flex-direction: column;
  min-height: 0;
}
.bring {
  display: grid;
  grid-template-columns: 1fr auto auto;
  gap: 8px;
  padding: 10px 14px;
}
.bring small {
  display: block;
  font-weight: 400;
  margin-left: 6px;
}
.train {
  grid-column: 1 / -1;
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 8px;
  align-items: center;
}
.drop {
  min-height: 64px;
  border: 2px dashed var(--line-strong);
  border-radius: 6px;
  text-align: center;
  color: var(--muted);
}
.drop.over {
  border-color: var(--spruce);
  background: var(--wash);
  color: var(--ink);
}
.stage {
  display: grid;
  grid-template-columns: 1fr 120px auto;
  gap: 10px;
  align-items: center;
  padding: 10px 14px;
}
progress {
  width: 100%;
  accent-color: var(--spruce);
}
.ask {
  display: flex;
  flex-direction: column;
  gap: 7px;
  padding: 10px 14px;
  border-bottom: 1px solid var(--hairline);
}
.pick {
  display: flex;
  gap: 10px;
  align-items: center;
  flex-wrap: wrap;
}
.pick > span[role] {
  display: flex;
  gap: 4px;
}
.opt {
  min-height: 44px;
  min-width: 44px;
  padding: 0 10px;
  border: 1px solid var(--line-strong);
  border-radius: 6px;
  text-align: center;
}
.opt[aria-pressed='true'] {
  background: var(--wash);
  border-color: var(--spruce);
  font-weight: 700;
}
.list li {
  display: flex;
  gap: 8px;
  align-items: center;
  padding: 6px 12px;
  border-top: 1px solid var(--hairline);
}
.list .open {
  background: var(--wash);
}
.list .open .muted {
  color: var(--ink);
}
.what {
  flex: 1;
  min-width: 0;
}
.what b,
.what small {
  display: block;
}
.x {
  width: 44px;
  height: 44px;
  text-align: center;
  font-size: 20px;
}
.none {
  padding: 12px 14px;
}
.notice {
  margin: 10px 14px 0;
}
</style>
