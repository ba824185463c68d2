<script setup lang="ts">
import { VSelect } from 'vuetify/components'
import { plainCopy } from '~/browser/plainCopy'
import { computed, ref, shallowRef, watch } from 'vue'
import type { CapturedSurface } from '../../../core/record/captureSchema'
import { SIDES, type Side } from '../../../core/tables/vocabulary'
import { HUES, pathOf, thin, tint, toDrawing } from '~/drawing/footDrawing'
import { deviceWorker, newestWins } from '~/workers/deviceWorker'
import type { CaptureState } from './useCapture'

/**
 * Two captured soles against each other: left against right mirrored, or two takes of one foot, as
 * a terrain of differences.
 */
const { state } = defineProps<{ state: CaptureState }>()
interface Choice {
  id: string
  words: string
  side: Side
  surface: CapturedSurface
}
const choices = computed<Choice[]>(() => {
  const out: Choice[] = []
  for (const [id, { scan, analysis }] of state.seen)
    out.push({
      id,
      words: `${analysis.side}: ${scan.name}`,
      side: analysis.side,
      surface: analysis.surface,
    })
  for (const side of SIDES) {
    const kept = state.part(side).surface
    if (kept && !out.some((c) => c.id === kept.scan))
      out.push({ id: `kept ${side}`, words: `${side}: kept surface`, side, surface: kept })
  }
  return out
})
/** nothing chosen: the first two there are, named in the fields */
const first = ref<string | null>(null)
const second = ref<string | null>(null)
const pick = (id: string | null, fallback: number) =>
  choices.value.find((c) => c.id === id) ?? choices.value[fallback]
const a = computed(() => pick(first.value, 0))
const b = computed(() => pick(second.value, choices.value.length > 1 ? 1 : 0))
const INTERVAL_MM = 1
const found = shallowRef<{
  side: Side
  L: number
  d: Awaited<ReturnType<ReturnType<typeof deviceWorker>['difference']>>
} | null>(null)
const ask = newestWins(
  async (pair: { a: Choice; b: Choice } | null) =>
    pair && {
      side: pair.a.side,
      L: pair.a.surface.lengthMm,
      d: await deviceWorker().difference(
        plainCopy(pair.a.surface),
        plainCopy(pair.b.surface),
        INTERVAL_MM,
      ),
    },
  (answer) => (found.value = answer),
)
watch(
  [a, b],
  () => ask(a.value && b.value && a.value !== b.value ? { a: a.value, b: b.value } : null),
  { immediate: true },
)
const drawn = computed(() => {
  if (!found.value) return null
  const { side, L, d } = found.value
  const paths = (rings: typeof d.above, sign: 1 | -1, hue: string) =>
    rings.map((r, i) => ({
      d: r.rings.map((p) => pathOf(side, L, thin(p))).join(''),
      fill: tint(hue, i + 1, rings.length, 0.12, 0.6),
      mm: sign * r.heightMm,
    }))
  return {
    side,
    L,
    rms: d.rmsMm,
    largest: d.largest && { ...d.largest, at: toDrawing(side, L, [d.largest.xMm, d.largest.yMm]) },
    outline: d.plan
      .filter((r) => r.length > 8)
      .map((r) => pathOf(side, L, thin(r)))
      .join(''),
    up: paths(d.above, 1, HUES[side]),
    down: paths(d.below, -1, '#22302E'),
  }
})
const mirrored = computed(() => a.value && b.value && a.value.side !== b.value.side)
</script>

<template>
  <section class="card difference" aria-label="Difference">
    <div class="card-head">
      <h2>{{ mirrored ? 'Left against right, mirrored' : 'Two takes' }}</h2>
      <span class="aside small">every {{ INTERVAL_MM }} mm</span>
    </div>
    <p v-if="choices.length < 2" class="muted small pad">
      Two captured soles are needed: both feet, or two takes of one. Look at scans under Scans
      first.
    </p>
    <template v-else>
      <div class="picks">
        <label
          ><span class="small muted">this</span
          ><VSelect
            v-model="first"
            :items="choices"
            item-title="words"
            item-value="id"
            :placeholder="a?.words" /></label
        ><label
          ><span class="small muted">less that</span
          ><VSelect
            v-model="second"
            :items="choices"
            item-title="words"
            item-value="id"
            :placeholder="b?.words"
        /></label>
      </div>
      <div v-if="drawn" class="draw">
        <svg
          :viewBox="`-60 -6 120 ${drawn.L + 12}`"
          role="img"
          :aria-label="`Difference, largest ${drawn.largest?.mm.toFixed(1)} mm at ${drawn.largest?.words}`"
        >
          <path
            :d="drawn.outline"
            fill="var(--sheet)"
            :stroke="HUES[drawn.side]"
            stroke-width="1.1"
          />
          <path
            v-for="r in drawn.up"
            :key="`u${r.mm}`"
            :d="r.d"
            fill-rule="evenodd"
            :fill="r.fill"
            :stroke="HUES[drawn.side]"
            stroke-width=".4"
          />
          <path
            v-for="r in drawn.down"
            :key="`d${r.mm}`"
            :d="r.d"
            fill-rule="evenodd"
            :fill="r.fill"
            stroke="var(--ink)"
            stroke-width=".5"
            stroke-dasharray="2 1.2"
          />
          <g v-if="drawn.largest">
            <circle
              :cx="drawn.largest.at[0]"
              :cy="drawn.largest.at[1]"
              r="5"
              fill="none"
              stroke="var(--ink)"
              stroke-width="1.2"
            />
            <text
              :x="drawn.largest.at[0]"
              :y="drawn.largest.at[1] - 8"
              text-anchor="middle"
              class="mm"
            >
              {{ drawn.largest.mm > 0 ? '+' : '−' }}{{ Math.abs(drawn.largest.mm).toFixed(1) }}
            </text>
          </g>
        </svg>
        <div class="words">
          <p>
            <b>{{
              drawn.largest
                ? `${drawn.largest.mm > 0 ? '+' : '−'}${Math.abs(drawn.largest.mm).toFixed(1)} mm`
                : 'no difference'
            }}</b>
            at most<br /><span class="small muted">{{ drawn.largest?.words }}</span>
          </p>
          <p>
            <b>{{ drawn.rms.toFixed(2) }} mm</b> in the mean (root mean square)
          </p>
          <p class="small">
            <span class="key" :style="{ background: tint(HUES[drawn.side], 2, 3, 0.12, 0.6) }" />
            this is higher, full lines
          </p>
          <p class="small"><span class="key dark" /> this is lower, dashed lines</p>
        </div>
      </div>
      <p v-else class="muted small pad">Choose two different soles.</p>
    </template>
  </section>
</template>

<style scoped>
.difference {
  display: flex;
  flex-direction: column;
  min-height: 0;
}
.picks {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
  padding: 8px 12px;
}
.pad {
  padding: 8px 14px;
}
.draw {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: 1fr 150px;
  gap: 8px;
  padding: 4px 12px 12px;
}
.draw svg {
  width: 100%;
  height: 100%;
  min-height: 0;
}
.words {
  display: flex;
  flex-direction: column;
  gap: 10px;
  align-self: center;
}
.mm {
  font-size: 8px;
  font-weight: 700;
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 2.6px;
}
.key {
  display: inline-block;
  width: 16px;
  height: 10px;
  border: 1px solid var(--line-strong);
}
.key.dark {
  background: #9aa19c;
  border-style: dashed;
}
</style>
