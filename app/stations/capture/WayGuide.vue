<script setup lang="ts">
import { useIntervalFn } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { VBtn, VCard, VDialog, VSelect, VTextField } from 'vuetify/components'
import { WAYS, type CaptureWay } from '../../../core/capture/ways'
import { CORRECTIONS } from '../../../core/device/castCorrections'
import { CAPTURE_WAYS, type Side } from '../../../core/tables/vocabulary'
import SideMark from '~/components/SideMark.vue'
import { useFitting } from '~/stores/fitting'
import { useSession } from '~/stores/session'
import { useChanges } from '~/stores/changes'
import PlainButton from '~/components/PlainButton.vue'
import { choicesOf } from '~/browser/choices'

/**
 * A way of capture step by step for one foot, with its waiting times; a take is kept, or rejected
 * with why.
 */
const fitting = useFitting()
const changes = useChanges()
const session = useSession()
const side = ref<Side>('left')
const step = ref(0)
const asking = ref(false)
const why = ref('')
const capture = computed(
  () =>
    fitting.record.feet[side.value]!.capture ?? {
      way: 'parametric' as const,
      load: 'none' as const,
      use: 'captured' as const,
    },
)
const way = computed(() => WAYS[capture.value.way])
const now = computed(() => way.value.steps[step.value])
const takes = computed(() => capture.value.takes ?? [])
const REASONS = [
  'Heel tilted',
  'Outer border curved',
  'First ray held down',
  'Toes clawed',
  'Moved while it set',
  'Torn or holed',
]

const left = ref(0)
let endsAt = 0
const {
  isActive: running,
  pause: stop,
  resume,
} = useIntervalFn(
  () => {
    left.value = Math.max(0, Math.ceil((endsAt - Date.now()) / 1000))
    if (left.value === 0) stop()
  },
  250,
  { immediate: false },
)
function start() {
  endsAt = Date.now() + left.value * 1000
  resume()
}
watch(
  [now, side],
  () => {
    stop()
    left.value = now.value?.seconds ?? 0
  },
  { immediate: true },
)
watch([side, () => capture.value.way], () => (step.value = 0))
const clock = computed(
  () => `${Math.floor(left.value / 60)}:${String(left.value % 60).padStart(2, '0')}`,
)

const choose = (id: CaptureWay) =>
  changes.put(
    `capture.${side.value}`,
    { ...capture.value, way: id, load: WAYS[id].load },
    `way of capture ${side.value}`,
  )
function take(kept: boolean, reason?: string) {
  const line = {
    way: capture.value.way,
    kept,
    ...(reason && { why: reason }),
    ...(session.person && { by: session.person.name }),
    at: new Date().toISOString(),
  }
  changes.put(
    `capture.${side.value}`,
    { ...capture.value, takes: [...takes.value, line].slice(-40) },
    `${kept ? 'take kept' : 'take rejected'} ${side.value}`,
  )
  step.value = 0
  asking.value = false
  why.value = ''
}
function key(event: KeyboardEvent) {
  if (/^(INPUT|SELECT|TEXTAREA)$/.test((event.target as HTMLElement).tagName)) return
  if (event.key.toLowerCase() === 'r' && !fitting.readOnly && way.value.steps.length)
    asking.value = true
}
const WAY_CHOICES = choicesOf(CAPTURE_WAYS, (kind) => WAYS[kind].name)
</script>

<template>
  <section class="card guide" aria-label="Way of capture" @keydown="key">
    <div class="head">
      <span role="group" aria-label="Foot" class="sides"
        ><PlainButton
          v-for="s in ['left', 'right'] as const"
          :key="s"
          class="pick"
          :aria-pressed="side === s"
          @click="side = s"
        >
          <SideMark :side="s" word /></PlainButton
      ></span>
      <VSelect
        :items="WAY_CHOICES"
        :model-value="capture.way"
        :disabled="fitting.readOnly"
        :aria-label="`${side} way of capture`"
        @update:model-value="choose"
      />
      <span class="chip">{{
        { none: 'unloaded', part: 'part loaded', full: 'loaded' }[way.load]
      }}</span>
    </div>
    <p class="small does">
      {{ way.does
      }}<template v-for="c in way.corrections" :key="c.kind">
        <span class="chip"
          >{{ CORRECTIONS[c.kind].name }} {{ c.amountMm }} mm: {{ c.words }}</span
        ></template
      >
    </p>
    <ol v-if="way.steps.length" class="scroll steps">
      <li v-for="(s, i) in way.steps" :key="i" :class="{ now: i === step, done: i < step }">
        <PlainButton class="step" :aria-current="i === step ? 'step' : undefined" @click="step = i">
          <span class="n">{{ i < step ? '✓' : i + 1 }}</span><span
            ><b>{{ s.words }}</b
            ><small v-if="s.look" class="muted">look: {{ s.look }}</small></span
          ><span v-if="s.seconds" class="muted small">{{
            s.seconds >= 60 ? `${s.seconds / 60} min` : `${s.seconds} s`
          }}</span>
        </PlainButton>
      </li>
    </ol>
    <p v-else class="muted small none">
      Nothing to hold or to wait for: the sole follows the readings.
    </p>
    <div v-if="way.steps.length" class="acts">
      <template v-if="now?.seconds"
        ><b class="clock" role="timer" :aria-label="`${left} seconds left`">{{ clock }}</b
        ><VBtn height="52" @click="running ? stop() : start()">{{
          running ? 'Pause' : left === 0 ? 'Done' : 'Start'
        }}</VBtn></template
      >
      <VBtn
        v-if="step < way.steps.length - 1"
        height="52"
        color="primary"
        variant="flat"
        class="wide"
        @click="step++"
        >Next step</VBtn
      >
      <VBtn
        v-else
        height="52"
        color="primary"
        variant="flat"
        class="wide"
        :disabled="fitting.readOnly"
        @click="take(true)"
        >Keep this take</VBtn
      >
      <VBtn height="52" :disabled="fitting.readOnly" @click="asking = true"
        >Redo <span class="kbd">R</span></VBtn
      >
    </div>
    <ul v-if="takes.length" class="takes">
      <li v-for="(t, i) in takes" :key="i" class="small">
        <b :class="t.kept ? 'good-text' : 'stop-text'">{{ t.kept ? '✓ kept' : '✕ redo' }}</b>
        {{ WAYS[t.way].name.toLowerCase() }}<template v-if="t.why">: {{ t.why }}</template>
        <span class="muted">{{ t.by }} {{ t.at?.slice(0, 16).replace('T', ' ') }}</span>
      </li>
    </ul>
    <VDialog v-model="asking" max-width="480"
      ><VCard class="pane"
        ><h2>Why again?</h2>
        <div class="why">
          <VBtn v-for="r in REASONS" :key="r" height="48" @click="take(false, r)">{{ r }}</VBtn>
        </div>
        <label
          ><span class="muted small">or in your words</span
          ><VTextField
            v-model="why"
            maxlength="300"
            @keydown.enter="why.trim() && take(false, why.trim())"
        /></label>
        <div class="acts">
          <VBtn
            color="primary"
            variant="flat"
            :disabled="!why.trim()"
            @click="take(false, why.trim())"
            >Reject this take</VBtn
          ><VBtn @click="asking = false">Back</VBtn>
        </div></VCard
      ></VDialog
    >
  </section>
</template>

<style scoped>
.guide {
  display: flex;
  flex-direction: column;
  min-height: 0;
}
.head {
  display: flex;
  gap: 8px;
  align-items: center;
  padding: 8px 12px;
  border-bottom: 1px solid var(--hairline);
}
.head .v-input {
  flex: 1;
  min-width: 0;
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
.does {
  padding: 8px 14px;
  color: var(--muted);
}
.does .chip {
  white-space: normal;
}
.steps {
  flex: 1;
}
.step {
  display: grid;
  grid-template-columns: 26px 1fr auto;
  gap: 8px;
  width: 100%;
  padding: 6px 14px;
  min-height: 40px;
  align-items: center;
  border-top: 1px solid var(--hairline);
}
.step b,
.step small {
  display: block;
  font-size: 13.5px;
  line-height: 17px;
}
.step small {
  font-size: 12px;
}
.n {
  width: 22px;
  height: 22px;
  border: 1px solid var(--line-strong);
  border-radius: 50%;
  display: grid;
  place-items: center;
  font-size: 12px;
}
.now .step {
  background: var(--wash);
  box-shadow: inset 4px 0 var(--spruce);
}
.now .muted {
  color: var(--ink);
}
.done .n {
  background: var(--spruce);
  color: var(--sheet);
}
.acts {
  display: flex;
  gap: 8px;
  padding: 8px 12px;
  align-items: center;
  border-top: 1px solid var(--hairline);
}
.wide {
  flex: 1;
}
.clock {
  font-size: 22px;
  min-width: 58px;
}
.takes {
  padding: 6px 14px 8px;
  border-top: 1px solid var(--hairline);
  max-height: 92px;
  overflow: auto;
}
.none {
  padding: 0 14px 10px;
}
.pane {
  padding: 18px;
  display: flex;
  flex-direction: column;
  gap: 12px;
}
.pane .acts {
  padding: 0;
  border: 0;
}
.why {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
}
</style>
